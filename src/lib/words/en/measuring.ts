/** How a need is measured with what is at hand, as a file to run. */
import type { SystemFamily } from '$core/standards';
import type { WayToMeasure } from './kinds/kindWords';

/** The commands of a way as a file to run, with what it is above them. */
export function scriptOf(
  { title, commands }: WayToMeasure,
  family: SystemFamily | null,
): {
  readonly name: string;
  readonly text: string;
} {
  const isWindows = family === 'windows';
  const mark = isWindows ? 'rem' : '#';
  return {
    name: isWindows ? 'measure.cmd' : 'measure.sh',
    text: [
      isWindows ? '@echo off' : '#!/bin/sh',
      `${mark} ${title}. Replace the words in capitals first.`,
      ...commands,
      '',
    ].join(isWindows ? '\r\n' : '\n'),
  };
}
