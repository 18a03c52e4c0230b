/**
 * What a browser has and Node has not: a store (fake-indexeddb, IndexedDB by its specification) and locks between
 * windows. Import it before anything that keeps something.
 */
import 'fake-indexeddb/auto';

type Mode = 'shared' | 'exclusive';
interface How {
  readonly mode?: Mode;
  readonly steal?: boolean;
}
interface Waiting {
  readonly mode: Mode;
  readonly start: () => void;
}

/** Web Locks as the specification has them: in order, shared ones together. */
class Locks {
  private readonly held = new Map<string, Mode[]>();
  private readonly queues = new Map<string, Waiting[]>();

  async request<Result>(
    name: string,
    ...rest: readonly [() => Promise<Result>] | readonly [How, () => Promise<Result>]
  ): Promise<Result> {
    const work = rest.length === 1 ? rest[0] : rest[1];
    const { mode = 'exclusive', steal = false } = rest.length === 1 ? {} : rest[0];
    if (steal) this.held.set(name, []);
    await new Promise<void>((start) => {
      this.queues.set(name, [...(this.queues.get(name) ?? []), { mode, start }]);
      this.grant(name);
    });
    try {
      return await (work as (lock: object) => Promise<Result>)({ name, mode });
    } finally {
      this.held.get(name)?.pop();
      this.grant(name);
    }
  }

  async query(): Promise<{ readonly held: readonly { readonly name: string }[] }> {
    const held = [...this.held].filter(([, modes]) => modes.length > 0);
    return { held: held.map(([name]) => ({ name })) };
  }

  private grant(name: string): void {
    const held = this.held.get(name) ?? [];
    const queue = this.queues.get(name) ?? [];
    this.held.set(name, held);
    for (;;) {
      const [next] = queue;
      const isFree = held.length === 0 || (next?.mode === 'shared' && held[0] === 'shared');
      if (next === undefined || !isFree) break;
      queue.shift();
      held.push(next.mode);
      next.start();
    }
    this.queues.set(name, queue);
  }
}

Object.defineProperty(globalThis, 'navigator', {
  value: { userAgent: 'node', locks: new Locks() },
  configurable: true,
});
