/** Does an act in the world, or refuses it with the reason. */
import type { Step } from '../procedure/step.ts';
import { DOING } from './doing.ts';
import { done, type FitStep, type Outcome, type Refusal } from './outcome.ts';
import type { World } from './world.ts';

/** @param step of the physical work; every other step leaves the world as it is */
function act(world: World, step: Step): Outcome {
  if (step.task === null) return done(world);
  const doing = DOING[step.code] as ((world: World, step: FitStep) => Outcome) | undefined;
  return doing === undefined ? done(world) : doing(world, step as FitStep);
}

/** The first act of a list that is refused; null: all of them can be done. @returns the world after them too */
export function run(
  world: World,
  steps: readonly Step[],
): {
  readonly world: World;
  readonly refused: { readonly step: Step; readonly because: Refusal } | null;
} {
  let now = world;
  for (const step of steps) {
    const outcome = act(now, step);
    if (!outcome.done) return { world: now, refused: { step, because: outcome.because } };
    now = outcome.world;
  }
  return { world: now, refused: null };
}

/**
 * What a customer would find wrong once the work is done; empty: nothing. Everything that was in use works, everything bought
 * is in and fed, the case is closed, nothing is left over.
 */
export function leftUndone(world: World): readonly string[] {
  return [
    ...[...world.off].map((each) => `${each} is off`),
    ...[...world.openings].flatMap(([id, filling]) =>
      filling === 'open' ? `opening ${id} is open` : [],
    ),
    ...[...world.standing.values()].flatMap(({ name, isHeld }) =>
      isHeld ? [] : `${name} is not held`,
    ),
    ...[...world.out.values()].flatMap(({ id, name }) =>
      world.done.has(`gone:${id}`) ? [] : `${name} is out`,
    ),
    ...[...world.standing.values()].flatMap(({ name, isJoined, worksJoined }) =>
      worksJoined && !isJoined ? `${name} has no plug or lead in it` : [],
    ),
    ...world.wantedDrives.flatMap(({ need, count }) =>
      ['mounted', 'joined', 'ends', 'fed'].flatMap((mark) => {
        const has = [...world.drives].reduce(
          (sum, [of, many]) => sum + (of.startsWith(`${mark} ${need} in `) ? many : 0),
          0,
        );
        return has >= count ? [] : `${has} of ${count} drives of ${need} are ${mark}`;
      }),
    ),
    ...world.wanted.flatMap((mark) => (world.done.has(mark) ? [] : `not done: ${mark}`)),
    ...[...world.unplugged].map((id) => `${id} is not plugged in`),
    ...(world.isTethered ? [] : ['leads behind are off']),
    ...(world.isRunning ? [] : ['it does not run']),
  ];
}
