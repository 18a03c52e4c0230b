/** Documents as earlier versions wrote them. */
import { readFileSync } from 'node:fs';
import type { Job } from '../../src/core/index.ts';

export const dataFile = (name: string): string =>
  readFileSync(new URL(`../data/${name}.json`, import.meta.url), 'utf8');

/** A job of the fourth or fifth format, as far as a test reads it. */
export interface OldJob extends Omit<Job, 'observations'> {
  readonly readings: readonly {
    readonly needId: string;
    readonly value: number;
    readonly takenAt: string;
  }[];
}

/** What format 6 calls otherwise, replaced in the text itself. */
const WORDS: readonly (readonly [string, string])[] = [
  ['"witness":', '"source":'],
  ['"fate":"mayGo"', '"disposition":"optional"'],
  ['"fate":"goes"', '"disposition":"remove"'],
  ['"fate":', '"disposition":'],
  ['"boxes":', '"obstacles":'],
  ['"pace":', '"speedGap":'],
  ['"moveBox', '"moveObstacle'],
  ['"recordReading"', '"observe"'],
  ['"removeReading"', '"removeObservation"'],
];

/** Facts of a slot that format 6 added. */
const NEW_OF_SLOTS = { hotPlug: null, cardLength: null, sharesOpening: null };

const isSlot = (value: unknown): value is object =>
  typeof value === 'object' && value !== null && 'connectorLanes' in value && 'opening' in value;

/** Facts of what sits in a slot that format 6 added. */
const NEW_OF_OCCUPANTS = { watts: null, plugs: null, frontLeads: null };
const isSupply = (value: unknown): value is object =>
  typeof value === 'object' && value !== null && 'baseWatts' in value && 'plugs' in value;
const isOccupant = (value: unknown): value is object =>
  typeof value === 'object' && value !== null && 'disposition' in value && 'openings' in value;

export const todaysWords = <Part>(part: Part): Part =>
  JSON.parse(
    WORDS.reduce((text, [old, fresh]) => text.replaceAll(old, fresh), JSON.stringify(part)),
    (_, value: unknown) =>
      isSlot(value)
        ? { ...value, ...NEW_OF_SLOTS }
        : isOccupant(value)
          ? { ...value, ...NEW_OF_OCCUPANTS }
          : isSupply(value)
            ? { ...value, plugsInUse: null }
            : value,
  ) as Part;
