/** Every fact of a survey by name, with the type of its value, so that none reaches a screen without its wording. */
import type { Claim } from '../parts/fact.ts';
import type { Machine, Occupant, Screen, Slot } from '../document/machine.ts';
import type { Hop, Lead } from '../parts/networkPath.ts';

type FactsOf<Owner extends string, Part> = {
  readonly [
    Key in keyof Part & string as NonNullable<Part[Key]> extends Claim<unknown>
      ? `${Owner}.${Key}`
      : never
  ]: NonNullable<Part[Key]> extends Claim<infer Value> ? Value : never;
};

export type FactValues = FactsOf<'slot', Slot> &
  FactsOf<'occupant', Occupant> &
  FactsOf<'case', Machine['case']> &
  FactsOf<'supply', Machine['supply']> &
  FactsOf<'system', Machine['system']> &
  FactsOf<'secondSystem', Machine['system']> &
  FactsOf<'firmware', Machine['firmware']> &
  FactsOf<'path', Machine['path']> &
  FactsOf<'hop', Hop> &
  FactsOf<'lead', Lead> &
  FactsOf<'accessPoint', Machine['accessPoint']> &
  FactsOf<'screen', Screen> &
  FactsOf<'board', Machine>;

export type FactName = keyof FactValues;

/** Lists of parts that hold facts, by what one of them is called. */
const ONE_OF: Readonly<Record<string, string>> = {
  slots: 'slot',
  screens: 'screen',
  hops: 'hop',
  leads: 'lead',
};

/** The name of the fact at a place in the machine, such as `slot.lanes` at `slots.3.lanes`. */
export function factNameAt(path: readonly (string | number)[]): FactName {
  const names = path.filter((each) => typeof each === 'string' && each !== 'value');
  const owner = String(names.at(-2) ?? 'board');
  return `${ONE_OF[owner] ?? owner}.${String(names.at(-1))}` as FactName;
}
