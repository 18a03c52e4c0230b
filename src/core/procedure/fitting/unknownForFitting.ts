/** What nobody told of case and slots, and a task of this plan would be another for. */
import { newCardsOf, type Assembly } from '../../assembly/assembly.ts';
import { valueOf } from '../../parts/fact.ts';
import type { Job } from '../../document/job.ts';
import type { FactCode } from '../../rules/facts.ts';
import type { UnknownFact } from '../../rules/unknownFacts.ts';
import { actsFor } from './actsFor.ts';
import { UNTOUCHED } from '../../assembly/benchState.ts';
import { latchOf } from './act.ts';
import { roomOf } from './slots.ts';

export function unknownForFitting(job: Job, assembly: Assembly): readonly UnknownFact[] {
  const { machine } = assembly;
  const acts = actsFor(job, assembly, UNTOUCHED);
  const rooms = new Set(
    acts.flatMap(({ draft, housing }) => (draft.code === 'openCase' ? [housing] : [])),
  );
  const codesIn = (housing: string | null) =>
    new Set(acts.flatMap((each) => (each.housing === housing ? each.draft.code : [])));
  return [
    ...[...rooms].flatMap((id) => {
      const { name, case: room } = roomOf(id, machine);
      const codes = codesIn(id);
      const missing: readonly (readonly [FactCode, boolean])[] = [
        ['case.panelHeld', room.panelHeld === null],
        ['case.retentionBar', room.retentionBar === null],
        [
          'case.opensBothSides',
          (codes.has('mountDrives') || codes.has('removeFrontCover')) &&
            room.opensBothSides === null,
        ],
        ['case.frontCovers', room.frontCovers === null && codes.has('removeFrontCover')],
        ['case.spareCovers', codes.has('closeOpening') && room.spareCovers === null],
        ['case.leadLock', id !== null && room.leadLock === null],
      ];
      return missing.flatMap(([code, isMissing]): readonly UnknownFact[] =>
        isMissing ? [id === null ? { code } : { code, enclosureId: id, subject: name }] : [],
      );
    }),
    ...newCardsOf(assembly).flatMap(({ card, slot }): readonly UnknownFact[] => {
      const of = (code: FactCode): UnknownFact => ({ code, slotId: slot.id, subject: slot.label });
      if (card.bus !== 'm2') return latchOf(slot) === null ? [of('slot.latch')] : [];
      return valueOf(machine.case.spareModuleScrews) === null
        ? [{ code: 'case.spareModuleScrews' }]
        : [];
    }),
  ];
}
