/** Numbers that are read off a machine beside its figures, each with what it is held against. */
import type { Expectation } from '../assembly/expectations.ts';
import { comesUpAt } from '../kinds/network/wire.ts';
import type { Job } from '../document/job.ts';
import { needKindOf, unitsNeeded, type Need } from '../kinds/need.ts';
import { readingsFor } from '../document/observed.ts';
import type { ReadingObservation } from '../document/observation.ts';
import type { Verdict } from '../rules/finding.ts';
import { WORN_SHARE } from '../standards/storage.ts';
import { SLOWS_AT_CELSIUS } from '../standards/temperatures.ts';

export type ReadingKind = ReadingObservation['value']['what'];

export interface HeldReading {
  readonly observation: ReadingObservation;
  /** What it is held against; null: nothing of the plan says. */
  readonly against: number | null;
  readonly verdict: Verdict;
}

/** Each reading of a need with what it should be. */
export const heldReadings = (
  { need, card }: Expectation,
  { observations, machine }: Job,
): readonly HeldReading[] =>
  readingsFor(observations, need.id).map((observation): HeldReading => {
    const { what, number } = observation.value;
    const held = (against: number | null, isWell: boolean, otherwise: Verdict): HeldReading => ({
      observation,
      against,
      verdict: against === null ? 'unknown' : isWell ? 'clear' : otherwise,
    });
    switch (what) {
      case 'temperature': {
        const most = slowsAt(need);
        return held(most, number < most, 'limited');
      }
      case 'wornPercent':
        return held(WORN_SHARE * 100, number < WORN_SHARE * 100, 'limited');
      case 'driveCount': {
        const count = unitsNeeded(need);
        return held(count, number >= count, 'blocked');
      }
      case 'linkMegabits': {
        const planned = card === null ? null : comesUpAt(card.card.delivers, machine.path);
        return held(planned, planned !== null && number >= planned, 'limited');
      }
      case 'refreshHz':
        return held(null, true, 'clear');
    }
  });

/** At how many degrees what serves a need slows itself down. */
export const slowsAt = (need: Pick<Need, 'kind'>): number =>
  SLOWS_AT_CELSIUS[needKindOf(need).warms];
