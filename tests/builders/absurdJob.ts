/**
 * Jobs that validate and that no trade has ever seen: every part of a sound one may be what the published schema still
 * lets it be. Made from a seed.
 */
import * as z from 'zod/mini';
import { Card, type Job } from '../../src/core/document/index.ts';
import { jobFileSchema } from '../../src/core/write/index.ts';
import { problemsOf } from '../../src/core/read/index.ts';

interface Schema {
  readonly anyOf?: readonly Schema[];
  readonly oneOf?: readonly Schema[];
  readonly type?: string;
  readonly const?: unknown;
  readonly enum?: readonly unknown[];
  readonly properties?: Readonly<Record<string, Schema>>;
  readonly items?: Schema;
  readonly maxItems?: number;
  readonly minimum?: number;
  readonly exclusiveMinimum?: number;
  readonly maximum?: number;
  readonly maxLength?: number;
  readonly pattern?: string;
}

export type Chance = () => number;

/** Numbers from 0 to 1 from a seed (mulberry32, public domain). */
export function chanceOf(seed: number): Chance {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state);
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 2 ** 32;
  };
}

const JOB = (jobFileSchema() as Schema).properties!['job']!;
const WORDS = [
  '',
  ' ',
  '__proto__',
  'constructor',
  'toString',
  '<img src=x onerror=alert(1)>',
  '\u202eabc',
  '\u0000',
  '🜁'.repeat(60),
  'x'.repeat(200),
  'Slot 1',
  '-1',
  'NaN',
  '${x}',
  '{expected}',
  '../../etc',
  "';--",
];

const pick = <Each>(list: readonly Each[], chance: Chance): Each =>
  list[Math.floor(chance() * list.length)]!;

/** How many parts of a job are changed at most. */
const MOST_CHANGES = 12;

/** Null where what came of it does not validate after all. */
export function absurdJob(sound: Job, chance: Chance): Job | null {
  const job = absurd(sound, JOB, chance) as Job;
  return problemsOf(job).length === 0 ? job : null;
}

const CARD = z.toJSONSchema(Card) as Schema;

/** The same of a card. */
export function absurdCard(sound: Card, chance: Chance): Card | null {
  const card = Card.safeParse(absurd(sound, CARD, chance));
  return card.success ? card.data : null;
}

function absurd(sound: unknown, schema: Schema, chance: Chance): unknown {
  let part = sound;
  const changes = 1 + Math.floor(chance() * MOST_CHANGES);
  for (let n = 0; n < changes; n += 1) part = changed(part, schema, chance, 0);
  return part;
}

/** One part somewhere below, changed. */
function changed(part: unknown, schema: Schema, chance: Chance, depth: number): unknown {
  const variants = schema.anyOf ?? schema.oneOf;
  if (variants !== undefined) return changed(part, fitting(variants, part, chance), chance, depth);
  if (Array.isArray(part) && schema.items !== undefined) {
    const { items, maxItems = 8 } = schema;
    if (part.length > 0 && chance() < 0.7) {
      const at = Math.floor(chance() * part.length);
      return part.map((each: unknown, n) =>
        n === at ? changed(each, items, chance, depth + 1) : each,
      );
    }
    if (part.length > 0 && chance() < 0.3) return part.slice(1);
    return filled(part, items, maxItems, chance);
  }
  if (typeof part === 'object' && part !== null && schema.properties !== undefined) {
    const keys = Object.keys(part).filter((key) => schema.properties?.[key] !== undefined);
    // A part of another variant may have nothing that this one knows.
    if (keys.length === 0) return fresh(schema, chance) ?? part;
    const key = pick(keys, chance);
    const below = (part as Record<string, unknown>)[key];
    return { ...part, [key]: changed(below, schema.properties[key]!, chance, depth + 1) };
  }
  return fresh(schema, chance) ?? part;
}

const fitting = (variants: readonly Schema[], part: unknown, chance: Chance): Schema => {
  const kind = (part as { kind?: unknown } | null)?.kind;
  const same = variants.filter(
    ({ type, properties }) =>
      (properties?.['kind'] !== undefined && properties['kind'].const === kind) ||
      (properties?.['kind'] === undefined && type === typeNameOf(part)),
  );
  return chance() < 0.85 && same.length > 0 ? pick(same, chance) : pick(variants, chance);
};

const typeNameOf = (part: unknown): string =>
  part === null ? 'null' : Array.isArray(part) ? 'array' : typeof part;

/** A list with parts said again, under ids of their own, up to as many as there may be. */
function filled(part: readonly unknown[], items: Schema, most: number, chance: Chance): unknown[] {
  const count = Math.min(
    most,
    part.length + 1 + Math.floor(chance() * (chance() < 0.1 ? most : 4)),
  );
  const all = [...part];
  while (all.length < count) {
    const each = all.length > 0 ? pick(all, chance) : (fresh(items, chance) ?? null);
    if (each === null) break;
    const isKeyed = typeof each === 'object' && 'id' in each;
    all.push(isKeyed ? { ...each, id: `a${all.length}-${Math.floor(chance() * 1e9)}` } : each);
  }
  return all;
}

/** A value that the schema lets through: rather at its ends than in its middle. */
function fresh(schema: Schema, chance: Chance): unknown {
  if (schema.const !== undefined) return schema.const;
  if (schema.enum !== undefined) return pick(schema.enum, chance);
  const variants = schema.anyOf ?? schema.oneOf;
  if (variants !== undefined) return fresh(pick(variants, chance), chance);
  switch (schema.type) {
    case 'null':
      return null;
    case 'boolean':
      return chance() < 0.5;
    case 'integer':
    case 'number': {
      const { exclusiveMinimum, minimum = exclusiveMinimum ?? 0, maximum = 1e9 } = schema;
      const least =
        exclusiveMinimum === undefined ? minimum : minimum + (schema.type === 'integer' ? 1 : 1e-9);
      const value = pick([least, maximum, least + (maximum - least) * chance(), 1], chance);
      return schema.type === 'integer' ? Math.round(value) : value;
    }
    case 'string':
      return schema.pattern === undefined
        ? pick(WORDS, chance).slice(0, schema.maxLength ?? 200)
        : undefined;
    case 'array':
      return [];
    case 'object': {
      const entries = Object.entries(schema.properties ?? {}).map(
        ([key, below]) => [key, fresh(below, chance)] as const,
      );
      return entries.some(([, value]) => value === undefined)
        ? undefined
        : Object.fromEntries(entries);
    }
    default:
      return undefined;
  }
}
