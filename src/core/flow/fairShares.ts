/**
 * What streams get that share stages: max–min fair shares, by progressive filling. All streams grow alike; where a
 * stage is full, its streams stop, and the others go on. No stream can then get more without taking from one that
 * has no more than it. Source: Bertsekas and Gallager, Data Networks, 2nd edition, section 6.5.2 (from memory).
 */
export interface Stream {
  /** Ids of the stages it passes. */
  readonly stages: readonly string[];
}

export interface Share {
  /** In the unit of the capacities; infinite for a stream that passes no limited stage. */
  readonly rate: number;
  /** The stage that was full first; null where none limits. */
  readonly limiting: string | null;
}

/**
 * One share for each stream, in their order. A stage without a capacity limits nobody.
 * @param capacities by stage, not negative
 */
export function fairShares(
  streams: readonly Stream[],
  capacities: ReadonlyMap<string, number>,
): readonly Share[] {
  const shares: (Share | null)[] = streams.map(() => null);
  const stages = new Map(
    [...capacities].map(([id, left]) => [id, { id, left, growing: new Set<number>() }]),
  );
  streams.forEach((stream, n) => {
    for (const id of stream.stages) stages.get(id)?.growing.add(n);
  });
  let level = 0;
  for (;;) {
    const open = [...stages.values()].filter(({ growing }) => growing.size > 0);
    const rooms = open.map(({ left, growing }) => left / growing.size);
    const room = Math.min(...rooms);
    const fullest = open[rooms.indexOf(room)];
    if (fullest === undefined) break;
    level += room;
    for (const stage of open) stage.left = Math.max(0, stage.left - room * stage.growing.size);
    for (const n of [...fullest.growing]) {
      shares[n] = { rate: level, limiting: fullest.id };
      for (const { growing } of open) growing.delete(n);
    }
  }
  return shares.map((share) => share ?? { rate: Infinity, limiting: null });
}
