/**
 * Makes a document readable again by leaving out what does not validate: a fact becomes unknown, a part of a list
 * goes, a text or list that is too long is shortened. Everything left out is told with its place.
 */
import { itemAt } from '../units.ts';
import type * as z from 'zod/mini';
import { emptyCase, emptyMachine, emptySlot, emptySupply, Machine } from '../document/machine.ts';
import { Job, emptyJob } from '../document/job.ts';
import { expectedBy, pathText, type Problem } from './problem.ts';
import { upgradedJob } from './upgrade.ts';

type Path = readonly PropertyKey[];

export interface Repaired<Document> {
  /** Null where nothing sound is left of it. */
  readonly document: Document | null;
  readonly dropped: readonly Problem[];
}

/** Each round drops at least one thing more; a document of the largest size allowed needs far fewer. */
const MOST_ROUNDS = 200;
const SHOWN_LETTERS = 60;

/**
 * @param fallback id and ISO instant for a record that has lost its own
 */
export function repairedJob(
  record: unknown,
  fallback: { readonly id: string; readonly at: string },
): Repaired<Job> {
  const pattern = emptyJob(fallback.id, fallback.at);
  return repaired(Job, upgradedJob(record), pattern);
}

/** A machine after evidence was taken in: what no survey can hold is left out of it. */
export const repairedMachine = (machine: Machine): Repaired<Machine> =>
  repaired(Machine, machine, emptyMachine());

function repaired<Document>(
  schema: z.core.$ZodType<unknown> & {
    safeParse(data: unknown): z.core.util.SafeParseResult<unknown>;
  },
  damaged: unknown,
  pattern: Document,
): Repaired<Document> {
  const dropped: Problem[] = [];
  const tried = new Set<string>();
  let document = damaged;
  for (let round = 0; round < MOST_ROUNDS; round += 1) {
    const parsed = schema.safeParse(document);
    if (parsed.success)
      return {
        document: round === 0 ? (document as Document) : (parsed.data as Document),
        dropped,
      };
    // From the last to the first, so that places in lists keep while parts of them go.
    for (const issue of distinctPlaces(parsed.error.issues).toReversed()) {
      const mended = withoutPart(document, issue, pattern, tried);
      if (mended === null) return { document: null, dropped };
      document = mended.document;
      dropped.push(mended.problem);
    }
  }
  return { document: null, dropped };
}

/** One issue a place, in the order of the document. */
function distinctPlaces(issues: readonly z.core.$ZodIssue[]): readonly z.core.$ZodIssue[] {
  const byPlace = new Map(issues.map((issue) => [pathText(issue.path), issue]));
  return [...byPlace.values()].toSorted((a, b) => comparePaths(a.path, b.path));
}

function comparePaths(a: Path, b: Path): number {
  for (let n = 0; n < Math.min(a.length, b.length); n += 1) {
    const [left, right] = [itemAt(a, n), itemAt(b, n)];
    if (left === right) continue;
    return typeof left === 'number' && typeof right === 'number'
      ? left - right
      : String(left) < String(right)
        ? -1
        : 1;
  }
  return a.length - b.length;
}

function withoutPart(
  document: unknown,
  issue: z.core.$ZodIssue,
  pattern: unknown,
  tried: Set<string>,
): { readonly document: unknown; readonly problem: Problem } | null {
  const { path } = issue;
  const found = at(document, path);
  const problem: Problem = {
    code: 'repair.dropped',
    at: pathText(path),
    expected: expectedBy(issue),
    found: (JSON.stringify(found) ?? 'nothing').slice(0, SHOWN_LETTERS),
  };
  const first = !tried.has(pathText(path));
  tried.add(pathText(path));
  const most = issue.code === 'too_big' ? Number(issue.maximum) : NaN;
  if (first && (typeof found === 'string' || Array.isArray(found)) && found.length > most)
    return { document: put(document, path, found.slice(0, most)), problem };
  const place = first ? dropPlace(document, path, pattern) : path.slice(0, -1);
  if (place.length === 0) return null;
  const plain = patternAt(pattern, place);
  if (plain !== undefined && !tried.has(`put ${pathText(place)}`)) {
    tried.add(`put ${pathText(place)}`);
    return { document: put(document, place, plain), problem };
  }
  return { document: removed(document, place), problem };
}

/** The fact that the path leads into; or what the pattern knows; or the innermost part of a list. */
function dropPlace(document: unknown, path: Path, pattern: unknown): Path {
  for (let n = path.length - 1; n > 0; n -= 1) {
    if (!['value', 'source', 'others'].includes(String(path[n]))) continue;
    const fact = at(document, path.slice(0, n));
    if (typeof fact === 'object' && fact !== null && ('source' in fact || 'value' in fact))
      return path.slice(0, n);
  }
  if (patternAt(pattern, path) !== undefined) return path;
  for (let n = path.length; n > 0; n -= 1) {
    if (typeof path[n - 1] === 'number' || patternAt(pattern, path.slice(0, n)) !== undefined)
      return path.slice(0, n);
  }
  return path;
}

/** Parts of lists that are told field by field; parts of other lists are dropped whole. */
const PARTS_OF_LISTS: Readonly<Record<string, object>> = {
  slots: emptySlot('', ''),
  enclosures: { case: emptyCase(), supply: emptySupply() },
};

/** What a document holds at the path while nothing is told; undefined where it has no such part. */
function patternAt(pattern: unknown, path: Path): unknown {
  let part = pattern;
  let list = '';
  for (const key of path) {
    if (Array.isArray(part)) part = PARTS_OF_LISTS[list];
    else part = isObject(part) && Object.hasOwn(part, key) ? part[key as string] : undefined;
    if (part === undefined) return undefined;
    list = String(key);
  }
  return part;
}

const isObject = (part: unknown): part is Record<string, unknown> =>
  typeof part === 'object' && part !== null;

const at = (document: unknown, path: Path): unknown =>
  path.reduce<unknown>(
    (part, key) => (isObject(part) && Object.hasOwn(part, key) ? part[key as string] : undefined),
    document,
  );

function put(document: unknown, [key, ...rest]: Path, value: unknown): unknown {
  if (key === undefined) return value;
  if (Array.isArray(document))
    return document.map((each: unknown, n) => (n === key ? put(each, rest, value) : each));
  const before = isObject(document) ? document : {};
  const below = Object.hasOwn(before, key) ? before[key as string] : undefined;
  return { ...before, [key]: put(below, rest, value) };
}

function removed(document: unknown, path: Path): unknown {
  const parent = at(document, path.slice(0, -1));
  const key = path.at(-1);
  const without = Array.isArray(parent)
    ? parent.filter((_, n) => n !== key)
    : Object.fromEntries(Object.entries(parent ?? {}).filter(([each]) => each !== key));
  return put(document, path.slice(0, -1), without);
}
