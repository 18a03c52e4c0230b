/** What a hand on the drawing changes in the survey: obstacles move and stretch by millimetres, slots by openings. */
import { OPENING_PITCH_MM } from '$core/standards';
import { override } from '$core/survey';
import { valueOf } from '$core/parts';
import type { Obstacle, Machine } from '$core/document';

const SMALLEST_MM = 2;
const LARGEST_MM = 450;

const within = (value: number, least: number, most: number): number =>
  Math.min(most, Math.max(least, value));

/** Whole millimetres: finer than anyone measures in a case. */
export function movedObstacle(machine: Machine, id: string, dxMm: number, dyMm: number): Machine {
  return changedObstacle(machine, id, (obstacle) => ({
    ...obstacle,
    xMm: within(Math.round(obstacle.xMm + dxMm), 0, LARGEST_MM),
    yMm: within(Math.round(obstacle.yMm + dyMm), -50, LARGEST_MM),
  }));
}

export function stretchedObstacle(
  machine: Machine,
  id: string,
  dxMm: number,
  dyMm: number,
): Machine {
  return changedObstacle(machine, id, (obstacle) => ({
    ...obstacle,
    widthMm: within(Math.round(obstacle.widthMm + dxMm), SMALLEST_MM, LARGEST_MM),
    depthMm: within(Math.round(obstacle.depthMm + dyMm), SMALLEST_MM, LARGEST_MM),
  }));
}

function changedObstacle(
  machine: Machine,
  id: string,
  change: (obstacle: Obstacle) => Obstacle,
): Machine {
  return {
    ...machine,
    obstacles: machine.obstacles.map((obstacle) =>
      obstacle.id === id ? change(obstacle) : obstacle,
    ),
  };
}

/** The slot at the opening nearest to where it was dragged; a socket at its place on the board. */
export function movedSlot(machine: Machine, id: string, dxMm: number, dyMm: number): Machine {
  const slot = machine.slots.find((each) => each.id === id);
  if (slot === undefined) return machine;
  const put = (fresh: typeof slot): Machine => ({
    ...machine,
    slots: machine.slots.map((each) => (each === slot ? fresh : each)),
  });
  if (slot.bus === 'm2') {
    const place = valueOf(slot.place) ?? { xMm: 0, yMm: 0 };
    return put({
      ...slot,
      place: override(slot.place, {
        xMm: within(Math.round(place.xMm + dxMm), 0, LARGEST_MM),
        yMm: within(Math.round(place.yMm + dyMm), 0, LARGEST_MM),
      }),
    });
  }
  const openings = valueOf(machine.case.openings) ?? 7;
  const from = valueOf(slot.opening) ?? 1;
  const opening = within(from + Math.round(dyMm / OPENING_PITCH_MM), 1, openings);
  return put({ ...slot, opening: override(slot.opening, opening) });
}
