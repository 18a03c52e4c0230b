/** What a hand on the drawing changes in the survey: obstacles move and stretch by millimetres, slots by openings. */
import { OPENING_PITCH_MM } from '$core/standards';
import { override } from '$core/survey';
import { valueOf } from '$core/parts';
import type { Obstacle, Machine } from '$core/document';

/** A survey after an edit, and what was done, in words. */
export interface Edit {
  readonly machine: Machine;
  readonly what: string;
}

const SMALLEST_MM = 2;
const LARGEST_MM = 450;

const within = (value: number, least: number, most: number): number =>
  Math.min(most, Math.max(least, value));

/** Whole millimetres: finer than anyone measures in a case. */
export function movedObstacle(machine: Machine, id: string, dxMm: number, dyMm: number): Edit {
  return changedObstacle(machine, id, 'moved', (obstacle) => ({
    ...obstacle,
    xMm: within(Math.round(obstacle.xMm + dxMm), 0, LARGEST_MM),
    yMm: within(Math.round(obstacle.yMm + dyMm), -50, LARGEST_MM),
  }));
}

export function stretchedObstacle(machine: Machine, id: string, dxMm: number, dyMm: number): Edit {
  return changedObstacle(machine, id, 'stretched', (obstacle) => ({
    ...obstacle,
    widthMm: within(Math.round(obstacle.widthMm + dxMm), SMALLEST_MM, LARGEST_MM),
    depthMm: within(Math.round(obstacle.depthMm + dyMm), SMALLEST_MM, LARGEST_MM),
  }));
}

function changedObstacle(
  machine: Machine,
  id: string,
  what: string,
  change: (obstacle: Obstacle) => Obstacle,
): Edit {
  const name = machine.obstacles.find((obstacle) => obstacle.id === id)?.name ?? '';
  return {
    machine: {
      ...machine,
      obstacles: machine.obstacles.map((obstacle) =>
        obstacle.id === id ? change(obstacle) : obstacle,
      ),
    },
    what: `${name}: ${what}`,
  };
}

/** The slot at the opening nearest to where it was dragged; a socket at its place on the board. */
export function movedSlot(machine: Machine, id: string, dxMm: number, dyMm: number): Edit {
  const slot = machine.slots.find((each) => each.id === id);
  if (slot === undefined) return { machine, what: '' };
  const put = (fresh: typeof slot, what: string): Edit => ({
    machine: { ...machine, slots: machine.slots.map((each) => (each === slot ? fresh : each)) },
    what: `${slot.label}: ${what}`,
  });
  if (slot.bus === 'm2') {
    const place = valueOf(slot.place) ?? { xMm: 0, yMm: 0 };
    return put(
      {
        ...slot,
        place: override(slot.place, {
          xMm: within(Math.round(place.xMm + dxMm), 0, LARGEST_MM),
          yMm: within(Math.round(place.yMm + dyMm), 0, LARGEST_MM),
        }),
      },
      'moved on the board',
    );
  }
  const openings = valueOf(machine.case.openings) ?? 7;
  const from = valueOf(slot.opening) ?? 1;
  const opening = within(from + Math.round(dyMm / OPENING_PITCH_MM), 1, openings);
  return put({ ...slot, opening: override(slot.opening, opening) }, `faces opening ${opening}`);
}
