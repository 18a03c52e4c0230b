/** The network path in words: its devices, leads, and the radio. */
import { valueOf, type AccessPoint, type Hop, type Lead, type NetworkPath } from '$core/parts';
import type { CableClass } from '$core/standards';

import { wireWords } from './figures';

type Told<Fact> =
  NonNullable<Fact> extends { readonly value: infer Value } ? Value & string : never;

export const HOP_WORDS: Readonly<Record<Hop['kind'], string>> = {
  switch: 'Switch',
  router: 'Router',
  converter: 'Converter',
  machine: 'Machine',
};

/** What a device of the path is called; where it has no name, by what it is. */
export const hopName = ({ name, kind }: Pick<Hop, 'name' | 'kind'>, isLast: boolean): string =>
  name !== '' ? name : isLast ? 'Far end' : HOP_WORDS[kind];

export const CABLE_WORDS: Readonly<Record<CableClass, string>> = {
  cat5: 'Cat 5',
  cat5e: 'Cat 5e',
  cat6: 'Cat 6',
  cat6a: 'Cat 6A',
  cat7: 'Cat 7',
  cat8: 'Cat 8',
  om1: 'fibre OM1',
  om3: 'fibre OM3',
  om4: 'fibre OM4',
  os2: 'fibre OS2',
};

export const LEAD_WORDS: Readonly<Record<Lead['place'], string>> = {
  patch: 'Patch',
  wall: 'Wall',
};

/** What is told of a device of the path and of the leads to it, in a line. */
export function hopFacts({ portMegabits, leads }: Pick<Hop, 'portMegabits' | 'leads'>): string {
  const speeds = valueOf(portMegabits);
  const runs = leads.flatMap(({ cable, metres }) => {
    const parts = [
      cable === null ? '' : CABLE_WORDS[cable.value],
      metres === null ? '' : `${metres.value} m`,
    ].filter((part) => part !== '');
    return parts.length === 0 ? [] : [parts.join(' ')];
  });
  const ports = speeds === null ? '' : wireWords(Math.max(0, ...speeds));
  return [runs.join(' + '), ports].filter((part) => part !== '').join(', ') || 'not known';
}

export const LEAD_CONDITION_WORDS: Readonly<Record<Told<Lead['condition']>, string>> = {
  good: 'good',
  worn: 'worn',
  brokenPair: 'broken pair',
};

export const PROCESSOR_WORDS: Readonly<Record<Told<NetworkPath['processor']>, string>> = {
  before2010: 'before 2010',
  before2016: '2010 to 2015',
  current: '2016 or later',
};

export const RADIO_WORDS: Readonly<Record<Told<AccessPoint['standard']>, string>> = {
  n: '802.11n',
  ac: '802.11ac',
  ax: '802.11ax',
  be: '802.11be',
};

export const DISTANCE_WORDS: Readonly<Record<Told<AccessPoint['distance']>, string>> = {
  sameRoom: 'same room',
  nextRoom: 'next room',
  far: 'far, or several walls',
};
