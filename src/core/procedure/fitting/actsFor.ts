/** All acts of the physical work of a job, in no order yet but that of the plan: see `edges.ts` for what must wait. */
import { type Assembly, newCardsOf } from '../../assembly/assembly.ts';
import { valueOf } from '../../parts/fact.ts';
import { type Extra, extraName } from '../../parts/extra.ts';
import { actOf, actsOfKind } from '../../parts/act.ts';
import type { Job } from '../../parts/job.ts';
import type { CoverType } from '../../parts/machine.ts';
import { step } from '../step.ts';
import { act, type Act, move, thing } from './act.ts';
import { ACTS, type FitCode } from './acts.ts';
import { cardActs } from './newCards.ts';
import { roomOf } from './slots.ts';
import { closeUp, openUp } from './cases.ts';
import { covers, obstacles } from './openings.ts';
import { driveActs } from './drivesOnCards.ts';
import { leaving } from './leavingCards.ts';
import { looseEnds } from './looseEnds.ts';
import { outside } from './behind.ts';

export function actsFor(job: Job, assembly: Assembly): readonly Act[] {
  const cards = newCardsOf(assembly);
  const planned = [
    ...leaving(job, assembly),
    ...covers(job, assembly),
    ...obstacles(assembly),
    ...job.bought.flatMap((extra) => putIn(extra, job)),
    ...cards.flatMap((each) => cardActs(each, cards, assembly)),
    ...driveActs(cards, assembly),
  ];
  const work = [...planned, ...looseEnds(job, assembly, planned)];
  const opened = actsOfKind(job, 'openCase').map(({ on }) => on.box ?? '');
  // Once its power is off it has to be put on again, whatever is left to fit.
  if (work.length + opened.length === 0 && actOf(job, 'powerOff') === undefined) return [];
  const inside = new Set([
    ...opened,
    ...work.flatMap(({ draft, housing }) => (isOnBench(draft.code) ? [] : [housing ?? ''])),
  ]);
  const rooms = [...inside].map((id) => roomOf(id === '' ? null : id, assembly.machine));
  return [
    ...openUp(rooms, work, assembly.machine),
    ...work,
    ...closeUp(rooms, work),
    ...outside(cards, assembly),
  ];
}

const isOnBench = (code: FitCode): boolean => ACTS[code].position === null;

/** What was bought for the machine itself, before the cards that want it. */
const putIn = (extra: Extra, { machine }: Job): readonly Act[] => {
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
