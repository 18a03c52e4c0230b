/** Which cover goes over each opening that is left: one that came off another, one from the drawer, or an ordered one. */
import { valueOf } from '../parts/fact.ts';
import type { Machine } from '../document/machine.ts';
import type { Opening } from './openings.ts';

export type CoverFrom = 'removed' | 'spare' | 'ordered';

export interface CoverFor {
  readonly opening: Opening;
  readonly from: CoverFrom;
  /** The opening it was taken from. */
  readonly of: Opening | null;
}

/** Covers of one housing fit each other; snapped ones do not go back in. Nobody told is as good as none to spare. */
export function coversFor({
  machine,
  toOpen,
  toClose,
}: {
  readonly machine: Machine;
  readonly toOpen: readonly Opening[];
  readonly toClose: readonly Opening[];
}): readonly CoverFor[] {
  const loose = toOpen.filter(
    ({ enclosureId }) => valueOf(roomOf(machine, enclosureId).covers) !== 'snapped',
  );
  const spares = new Map<string | null, number>();
  return toClose.map((opening): CoverFor => {
    const { enclosureId } = opening;
    const at = loose.findIndex((each) => each.enclosureId === enclosureId);
    const [of] = at === -1 ? [] : loose.splice(at, 1);
    if (of !== undefined) return { opening, from: 'removed', of };
    const left = spares.get(enclosureId) ?? valueOf(roomOf(machine, enclosureId).spareCovers) ?? 0;
    spares.set(enclosureId, left - 1);
    return { opening, from: left > 0 ? 'spare' : 'ordered', of: null };
  });
}

/** How many are ordered, by the height of their case; where that is not told, full. */
export function coversOrdered(of: Parameters<typeof coversFor>[0]) {
  return coversFor(of)
    .filter(({ from }) => from === 'ordered')
    .map(({ opening: { enclosureId } }) => ({
      kind: 'cover' as const,
      fits: valueOf(roomOf(of.machine, enclosureId).bracket) ?? 'full',
      count: 1,
    }));
}

const roomOf = ({ enclosures, case: own }: Machine, id: string | null): Machine['case'] =>
  enclosures.find((each) => each.id === id)?.case ?? own;
