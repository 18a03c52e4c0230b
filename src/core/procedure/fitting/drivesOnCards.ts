/** Drives by the card that they hang on: modules on it, others in bays. */
import type { AssembledCard, Assembly } from '../../assembly/assembly.ts';
import type { Flow } from '../../flow/flow.ts';
import { valueOf } from '../../parts/fact.ts';
import { socketWanted, unitsNeeded } from '../../parts/need.ts';
import { cardAt, step, keyed } from '../step.ts';
import { act, type Act, move, thing } from './act.ts';

/** Drives that hang on one card for one need: of all that a card could serve, those that no card before it does. */
interface DrivesOnCard {
  readonly each: AssembledCard;
  readonly flow: Flow;
  readonly count: number;
  /** On the card itself, and not in a bay. */
  readonly onCard: boolean;
  /** Their data leads go to ports of the board. */
  readonly toBoard: boolean;
}

/** @param cards of the assembly, or some of them */
export function drivesAllotted(
  cards: readonly AssembledCard[],
  { earlier }: Pick<Assembly, 'earlier'>,
): readonly DrivesOnCard[] {
  const given = new Map<string, number>();
  const all = [...earlier.cards, ...cards].flatMap((each) =>
    each.flows.flatMap((flow): readonly DrivesOnCard[] => {
      const { need, units, socket } = flow;
      if (need.kind !== 'drives' || socket === null) return [];
      const before = given.get(need.id) ?? 0;
      const count = Math.min(units, unitsNeeded(need) - before);
      if (count <= 0) return [];
      given.set(need.id, before + count);
      const toBoard = socketWanted(need) === 'm2Sata';
      return [{ each, flow, count, onCard: socket === 'm2' || toBoard, toBoard }];
    }),
  );
  return all.filter(({ each }) => cards.includes(each));
}

/** Drives in bays: mounted, joined to their card, then fed plug by plug. */
export const driveActs = (cards: readonly AssembledCard[], assembly: Assembly): readonly Act[] =>
  drivesAllotted(cards, assembly)
    .filter(({ onCard }) => !onCard)
    .flatMap(({ each, flow: { need, forDrives }, count }) => {
      const at = cardAt(each);
      const key = { ...keyed(each), on: { slot: each.slot.id, need: need.id } };
      // Bays are in the machine's own case, wherever the card is.
      const own = { forSlots: [each.slot.id] };
      const frames = [...new Set(forDrives.frames)];
      const bothSides = valueOf(assembly.machine.case.opensBothSides) !== false;
      return [
        act(
          step(
            'mountDrives',
            { ...at, count, frames, bothSides },
            { ...key, cautions: ['othersData'] },
          ),
          {
            ...own,
            moves: [move(thing('drive', `${each.slot.id}/${need.id}`, at.card), 'inPlace')],
          },
        ),
        act(step('joinDrives', { ...at, count }, key), own),
        act(
          step(
            'feedDrives',
            { ...at, count, plugAdapters: [...new Set(forDrives.plugAdapters)] },
            key,
          ),
          own,
        ),
      ];
    });
