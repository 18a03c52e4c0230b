/** The figures of needs, in the units in which they are stated. */
import type { Flow } from '$core/kinds';
import type { Unit } from '$core/rules';
import { figure, shortNumber, wholeNumber } from './figures';
import { needWordsOf } from './kinds/words';

/** How the figures of a need are said and typed: a radio’s in megabits, as its box and the internet plan have it. */
export function saidIn({ unit, need }: Pick<Flow, 'unit' | 'need'>): {
  readonly words: string;
  /** What one of it is in the flow's own unit. */
  readonly scale: number;
} {
  const { words, scale } = needWordsOf(need).rate;
  if (unit === 'B/s') return { words, scale };
  return { words: WORDS_OF_UNITS[unit] ?? 'number', scale: 1 };
}

const WORDS_OF_UNITS: Readonly<Partial<Record<Unit, string>>> = { Hz: 'Hz', frames: 'frames/s' };

/** A figure of a flow, in the unit in which its need is stated. */
export function flowFigure(value: number, flow: Pick<Flow, 'unit' | 'need'>): string {
  const isRate = flow.unit === 'B/s' && needWordsOf(flow.need).rate.unit === 'b/s';
  return isRate ? figure(value * 8, 'b/s') : figure(value, flow.unit);
}

/** The band a reading should lie in. */
export function band(flow: Pick<Flow, 'low' | 'high' | 'unit' | 'need'>): string {
  const { low, high, unit } = flow;
  const { scale } = saidIn(flow);
  if (unit === 'B/s') return `${wholeNumber(low / scale)}–${flowFigure(high, flow)}`;
  return low === high ? figure(high, unit) : `${shortNumber(low)}–${figure(high, unit)}`;
}
