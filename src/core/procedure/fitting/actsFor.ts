/** All acts of the physical work of a job, in no order yet but that of the plan: see `edges.ts` for what must wait. */
import { type Assembly, newCardsOf } from '../../assembly/assembly.ts';
import { valueOf } from '../../parts/fact.ts';
import { type Extra, extraName } from '../../parts/extra.ts';
import type { Job } from '../../parts/job.ts';
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
    ...job.bought.map((extra) => putIn(extra, job)),
    ...cards.flatMap((each) => cardActs(each, cards, assembly)),
    ...driveActs(cards, assembly),
  ];
  const work = [...planned, ...looseEnds(job, assembly, planned)];
  const opened = Object.keys(job.ticks).flatMap((id) =>
    id === 'openCase' ? '' : id.startsWith('openCase:') ? id.slice('openCase:'.length) : [],
  );
  // Once its power is off it has to be put on again, whatever is left to fit.
  if (work.length + opened.length === 0 && job.ticks['powerOff'] === undefined) return [];
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
const putIn = (extra: Extra, { machine }: Job): Act =>
  act(
    step(
      'putIn',
      {
        name: extraName(extra),
        kind: extra.kind,
        frontCovers: extra.kind === 'bay' ? valueOf(machine.case.frontCovers) : null,
      },
      { key: extra.id, cautions: extra.kind === 'supply' ? ['mains', 'localRules'] : [] },
    ),
    { moves: [move(thing('part', extra.id, extraName(extra)), 'inPlace')] },
  );
