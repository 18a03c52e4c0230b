/**
 * The order of the physical work: what must come before does, with as few turns of the case as possible, then as few
 * changes of tool. Up to `EXACT` tasks no better order exists; of more the best few beginnings are followed.
 */
import type { CasePosition, Tool } from './task.ts';

export interface Ordered {
  readonly position: CasePosition | null;
  readonly tool: Tool | null;
  /** Places in the list of those that come before. */
  readonly after: readonly number[];
}

/** Of so many no better order exists. */
const EXACT = 9;
/** Beginnings that are followed where there are more: fewer of long lists. */
const followed = (tasks: number): number => Math.max(6, Math.floor(1_500 / tasks));

/** A beginning of the work: which tasks are done, and how the case lies and what the hand holds by then. */
interface Beginning {
  readonly done: readonly number[];
  /** How many of those that come before each task are still to do. */
  readonly waits: readonly number[];
  readonly position: CasePosition | null;
  readonly tool: Tool | null;
  readonly turns: number;
  readonly changes: number;
}

/** Turns of the case and changes of tool in an order: what the order is judged by. */
export function effort(tasks: readonly Ordered[]): {
  readonly turns: number;
  readonly changes: number;
} {
  let [turns, changes] = [0, 0];
  let position: CasePosition | null = null;
  let tool: Tool | null = null;
  for (const task of tasks) {
    if (task.position !== null) {
      if (position !== null && position !== task.position) turns += 1;
      position = task.position;
    }
    if (task.tool !== null) {
      if (tool !== null && tool !== task.tool) changes += 1;
      tool = task.tool;
    }
  }
  return { turns, changes };
}

/**
 * Places in the list, in the order of the work; of orders that are as good the one that keeps most to the list.
 * @returns null where tasks wait for each other in a circle
 */
export function inOrder(tasks: readonly Ordered[]): readonly number[] | null {
  const followers = tasks.map((): number[] => []);
  tasks.forEach(({ after }, n) => {
    for (const before of new Set(after)) followers[before]?.push(n);
  });
  const most = tasks.length <= EXACT ? Infinity : followed(tasks.length);
  let beginnings: readonly Beginning[] = [
    {
      done: [],
      waits: tasks.map(({ after }) => new Set(after).size),
      position: null,
      tool: null,
      turns: 0,
      changes: 0,
    },
  ];
  for (let count = 0; count < tasks.length; count += 1) {
    const next = new Map<string, Beginning>();
    for (const each of beginnings) {
      for (const task of ready(each, tasks, most)) {
        const longer = withTask(each, task, tasks, followers);
        const key = keyOf(longer);
        const known = next.get(key);
        if (known === undefined || isBetter(longer, known)) next.set(key, longer);
      }
    }
    if (next.size === 0) return null;
    const all = [...next.values()];
    beginnings = most === Infinity ? all : all.toSorted(compared).slice(0, most);
  }
  return beginnings.toSorted(compared)[0]?.done ?? [];
}

/** What may come next. Where not all beginnings are followed: what needs no turn and no change, if there is such. */
function ready(
  { waits, position, tool }: Beginning,
  tasks: readonly Ordered[],
  most: number,
): readonly number[] {
  const all = waits.flatMap((left, n) => (left === 0 ? n : []));
  if (most === Infinity) return all;
  const needs = (n: number) => {
    const { position: lies, tool: with_ } = tasks[n]!;
    const turns = lies !== null && position !== null && lies !== position;
    const changes = with_ !== null && tool !== null && with_ !== tool;
    return (turns ? 2 : 0) + (changes ? 1 : 0);
  };
  // What costs nothing is never worse done now: nothing waits longer for it.
  const free = all.find((n) => needs(n) === 0 && isNeutral(tasks[n]!, position, tool));
  if (free !== undefined) return [free];
  const least = Math.min(...all.map(needs));
  const cheapest = all.filter((n) => needs(n) === least);
  return least === 0 ? cheapest.slice(0, 1) : cheapest;
}

const isNeutral = (task: Ordered, position: CasePosition | null, tool: Tool | null): boolean =>
  (task.position === null || task.position === position) &&
  (task.tool === null || task.tool === tool);

function withTask(
  { done, waits, position, tool, turns, changes }: Beginning,
  n: number,
  tasks: readonly Ordered[],
  followers: readonly (readonly number[])[],
): Beginning {
  const task = tasks[n]!;
  const left = [...waits];
  left[n] = -1;
  for (const follower of followers[n] ?? []) left[follower] = (left[follower] ?? 0) - 1;
  return {
    done: [...done, n],
    waits: left,
    position: task.position ?? position,
    tool: task.tool ?? tool,
    turns:
      turns + Number(task.position !== null && position !== null && task.position !== position),
    changes: changes + Number(task.tool !== null && tool !== null && task.tool !== tool),
  };
}

const keyOf = ({ waits, position, tool }: Beginning): string =>
  `${waits.map((left) => (left < 0 ? 1 : 0)).join('')} ${position} ${tool}`;

const compared = (a: Beginning, b: Beginning): number =>
  a.turns - b.turns || a.changes - b.changes || firstDifference(a.done, b.done);

const isBetter = (a: Beginning, b: Beginning): boolean => compared(a, b) < 0;

function firstDifference(a: readonly number[], b: readonly number[]): number {
  const at = a.findIndex((each, n) => each !== b[n]);
  return at === -1 ? 0 : (a[at] ?? 0) - (b[at] ?? 0);
}
