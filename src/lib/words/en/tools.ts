/** What a hand holds. */
import type { Tool } from '$core/procedure';

export const TOOL_WORDS: Readonly<Record<Tool, string>> = {
  screwdriver: 'screwdriver',
  flatTool: 'flat tool',
  blower: 'dry air',
  torch: 'torch',
};
