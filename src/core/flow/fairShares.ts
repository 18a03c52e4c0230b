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
  const left = new Map(capacities);
  const shares: (Share | null)[] = streams.map(() => null);
  const growing = new Map<string, Set<number>>();
  streams.forEach(({ stages }, n) => {
    for (const stage of stages) {
      if (!left.has(stage)) continue;
      const through = growing.get(stage) ?? new Set();
      growing.set(stage, through.add(n));
    }
  });
  let level = 0;
  for (;;) {
    const fullest = [...growing].reduce<{ stage: string; room: number } | null>(
      (soFar, [stage, through]) => {
        if (through.size === 0) return soFar;
        const room = left.get(stage)! / through.size;
        return soFar === null || room < soFar.room ? { stage, room } : soFar;
      },
      null,
    );
    if (fullest === null) break;
    level += fullest.room;
    for (const [stage, through] of growing) {
      left.set(stage, Math.max(0, left.get(stage)! - fullest.room * through.size));
    }
    for (const n of [...growing.get(fullest.stage)!]) {
      shares[n] = { rate: level, limiting: fullest.stage };
      for (const through of growing.values()) through.delete(n);
    }
  }
  return shares.map((share) => share ?? { rate: Infinity, limiting: null });
}
