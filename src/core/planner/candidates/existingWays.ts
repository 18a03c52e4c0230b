/** Where each of the machine's own cards may be, with what it gives and costs there. */
import { needKindOf } from '../../kinds/need.ts';
import { valueOf } from '../../parts/fact.ts';
import type { Slot } from '../../document/machine.ts';
import type { Finding } from '../../rules/finding.ts';
import { findingRow } from '../../rules/findingCodes.ts';
import { laneLevels } from '../../placement/lanesLeft.ts';
import { waysOf, type Assessing, type Candidate } from './candidates.ts';
import { verdictAsker } from '../../rules/verdict.ts';
import {
  MOVE_CENTS,
  NARROWED_CENTS,
  added,
  longSlotCents,
  penaltyOf,
  weigh,
} from '../../plans/cost.ts';
import { asMoved } from './existing.ts';
import { given, isThere, speedGapOf, serves } from './contributions.ts';
import { codesOf } from './constraints.ts';

/** Where it is, and in every slot it could move to; cheap ways first. */
export function existingCandidates(asked: Assessing): readonly (readonly Candidate[])[] {
  const { machine, demands, library, existing, scale, pins } = asked;
  const ignored = codesOf(asked.without);
  return existing.map((each) => {
    const { whole } = verdictAsker(machine, library);
    const never = (slotId: string) =>
      pins.some((pin) => pin.kind === 'neverSlot' && pin.slotId === slotId);
    // It moves within its housing only: another supply feeds another.
    const slots = machine.slots.filter(
      ({ id, enclosureId }) =>
        id === each.slot.id ||
        (each.mayMove && enclosureId === each.slot.enclosureId && !never(id)),
    );
    return slots
      .flatMap((slot) => [
        ...laneLevels(slot, machine),
        // A card that others leave no lanes now may stay so, and gives nothing.
        ...(slot.id === each.slot.id && lanesOf(each.inUse) === 0 ? [each.inUse] : []),
      ])
      .flatMap((slot): readonly Candidate[] => {
        const stays = slot.id === each.slot.id;
        const narrowed = stays && lanesOf(slot) < lanesOf(each.inUse);
        const findings = stays ? [] : whole(asMoved(each.card), slot).findings.filter(concernsMove);
        if (findings.some(({ verdict, code }) => verdict === 'blocked' && !ignored.has(code)))
          return [];
        const serving = given(
          each.card,
          slot,
          demands.filter((demand) => serves(each.card, demand)),
          machine,
        );
        const sure = serving.flows.filter(({ finding }) => finding.verdict !== 'unknown');
        const units = new Map(sure.map(({ need, units: given }) => [need.id, given]));
        for (const { id, need, pin } of demands) {
          if (need !== null && needKindOf(need).keeps(need) === each.slot.id) units.set(id, 1);
          if (pin?.kind === 'cardThere' && isThere(pin, each.card, slot)) units.set(id, 1);
        }
        const disturbance = stays ? (narrowed ? NARROWED_CENTS : 0) : MOVE_CENTS;
        const parts = added(
          {
            disturbance,
            longSlot: stays ? 0 : longSlotCents(each.card, slot),
            speedGap: speedGapOf(sure, asked.fastest),
          },
          penaltyOf(findings),
        );
        return waysOf(asked, each.card, { units, flows: sure }, true).map((way) => ({
          card: each.card,
          slot,
          kind: each.card.delivers.kind,
          existing: each,
          later: false,
          findings,
          ...way.contribution,
          leads: way.leads,
          parts,
          score: weigh(parts, scale),
          atLeast: weigh(parts, scale),
          moneyCents: 0,
          waitCents: 0,
        }));
      })
      .toSorted((a, b) => a.score - b.score);
  });
}

/** Driver, firmware and what hangs on its leads are as they were; only the new place is asked. */
const concernsMove = ({ code }: Finding): boolean => findingRow(code).ofPlace === true;

const lanesOf = ({ lanes }: Slot): number => valueOf(lanes) ?? Infinity;
