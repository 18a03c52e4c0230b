/**
 * The acts that lead from how the bench stands to how it has to stand, in no order yet but that of the plan: see `edges.ts`
 * for what must wait. Whatever was moved for access is owed from then on.
 */
import { type Assembly, newCardsOf } from '../../assembly/assembly.ts';
import { valueOf } from '../../parts/fact.ts';
import { type Extra, extraName } from '../../parts/extra.ts';
import type { Job } from '../../document/job.ts';
import type { CoverType } from '../../document/machine.ts';
import { step } from '../step.ts';
import { act, type Act, move, thing } from './act.ts';
import type { BenchState } from '../../assembly/benchState.ts';
import { cardActs } from './newCards.ts';
import { closeUp, openRooms, openUp } from './cases.ts';
import { covers, obstacles } from './openings.ts';
import { driveActs } from './drivesOnCards.ts';
import { machineWork } from './machineWork.ts';
import { leaving } from './leavingCards.ts';
import { outside } from './behind.ts';

/** @param assembly with new cards standing where they are in by now */
export function actsFor(job: Job, assembly: Assembly, state: BenchState): readonly Act[] {
  const cards = newCardsOf(assembly);
  const onCards = [
    ...machineWork(assembly.machine),
    ...job.bought.flatMap((extra) => putIn(extra, job)),
    ...cards.flatMap((each) => cardActs(each, cards, assembly)),
    ...driveActs(cards, assembly, state),
  ];
  const work = [
    ...leaving(job, assembly, state),
    ...covers(job, assembly, state),
    ...obstacles(assembly, state),
    ...onCards.filter(({ draft: { code, on } }) => !state.holds(code, on)),
  ];
  const rooms = openRooms(work, assembly.machine, state);
  const isTouched = work.length + rooms.length > 0;
  // Nothing to fit, and nothing begun: nothing behind either.
  if (!isTouched && onCards.length === 0 && state.last('mains') === null) return [];
  return [
    ...(isTouched ? openUp(rooms, work, assembly, state) : []),
    ...work,
    ...closeUp(rooms, state),
    ...outside(cards, assembly, state, isTouched),
  ];
}

/** What was bought for the machine itself, before the cards that want it. */
const putIn = (extra: Extra, { machine }: Job): readonly Act[] => {
  if (isLead(extra)) return [];
  const name = extraName(extra);
  return [
    ...(extra.kind === 'bay' ? [frontCoverOff(extra, valueOf(machine.case.frontCovers))] : []),
    act(
      step(
        'putIn',
        { name, kind: extra.kind },
        {
          on: { extra: extra.id },
          cautions: extra.kind === 'supply' ? ['mains', 'localRules'] : [],
        },
      ),
      { moves: [move(thing('part', extra.id, name), 'inPlace')] },
    ),
  ];
};

/** A longer one goes in with the act that joins it. */
const isLead = ({ kind }: Extra): boolean => LEADS_BOUGHT.includes(kind);
const LEADS_BOUGHT: readonly Extra['kind'][] = [
  'headerLead',
  'driveCable',
  'powerLead',
  'outsideLead',
];

/** What goes into a bay goes in through the front. */
const frontCoverOff = (extra: Extra, covers: CoverType | null): Act =>
  act(
    step(
      'removeFrontCover',
      { name: extraName(extra), covers },
      { on: { extra: extra.id }, cautions: covers === 'snapped' ? ['sharpCover'] : [] },
    ),
    {
      tool: covers === 'clipped' ? null : covers === 'snapped' ? 'flatTool' : 'screwdriver',
      moves: [
        move(
          thing('frontCover', extra.id, extraName(extra)),
          covers === 'snapped' ? 'thrownAway' : 'kept',
        ),
      ],
    },
  );
