/** What a hand holds. */
import type { Tool } from '$core';

export const TOOL_WORDS: Readonly<Record<Tool, string>> = {
  screwdriver: 'screwdriver',
  flatTool: 'flat tool',
  blower: 'dry air',
  torch: 'torch',
};
