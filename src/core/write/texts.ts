/** Every text of a document and where it stands, found by the schema: a field that is added is found too. */
import * as z from 'zod/mini';

/** Where a text stands: names of fields, and for every list or record a star. */
type Place = string;

/** Ids, dates, versions and whatever else has a form of its own is no text that somebody writes. */
const FORMS = new Set(['regex', 'datetime', 'date']);

const isFree = (schema: z.core.$ZodType): boolean =>
  ((schema._zod.def as z.core.$ZodStringDef).checks ?? []).every((check) => {
    const { check: kind, format } = check._zod.def as { check: string; format?: string };
    return !FORMS.has(format ?? kind);
  });

/**
 * The same value with every free text as `change` gives it; what does not change stays the same value.
 * @param numbers of the items of lists on the way to it, from the outside in
 */
export function withTexts<Value>(
  schema: z.core.$ZodType,
  value: Value,
  change: (text: string, place: Place, numbers: readonly number[]) => string,
): Value {
  const walk = (
    at: z.core.$ZodType,
    part: unknown,
    place: Place,
    numbers: readonly number[],
  ): unknown => {
    if (part === null || part === undefined) return part;
    const def = at._zod.def as z.core.$ZodTypes['_zod']['def'];
    switch (def.type) {
      case 'string':
        return typeof part === 'string' && !('format' in def) && isFree(at)
          ? change(part, place, numbers)
          : part;
      case 'object':
        return withEach(part, (each, key) => {
          const own = def.shape[key];
          return own === undefined
            ? each
            : walk(own, each, place === '' ? key : `${place}.${key}`, numbers);
        });
      case 'array': {
        const list = part as readonly unknown[];
        const walked = list.map((each, n) =>
          walk(def.element, each, `${place}.*`, [...numbers, n]),
        );
        return walked.every((each, n) => each === list[n]) ? part : walked;
      }
      case 'record':
        return withEach(part, (each) => walk(def.valueType, each, `${place}.*`, numbers));
      case 'union': {
        const option = def.options.find((each) => isOf(each, part));
        return option === undefined ? part : walk(option, part, place, numbers);
      }
      case 'nullable':
      case 'optional':
      case 'readonly':
      case 'default':
        return walk(def.innerType, part, place, numbers);
      default:
        return part;
    }
  };
  return walk(schema, value, '', []) as Value;
}

/** An object with each of its fields walked; the same object where none changes. */
function withEach(part: unknown, walked: (each: unknown, key: string) => unknown): unknown {
  const entries = Object.entries(part as Readonly<Record<string, unknown>>);
  const changed = entries.map(([key, each]) => [key, walked(each, key)] as const);
  return changed.every(([, each], n) => each === entries[n]?.[1])
    ? part
    : Object.fromEntries(changed);
}

type Marks = readonly (readonly [key: string, values: ReadonlySet<unknown>])[];
const marksKnown = new WeakMap<z.core.$ZodType, Marks>();

/** The fields of an option that hold one of a few values: by them kinds of one thing are told apart. */
function marksOf(option: z.core.$ZodType): Marks {
  const known = marksKnown.get(option);
  if (known !== undefined) return known;
  const def = option._zod.def as z.core.$ZodTypes['_zod']['def'];
  const marks = Object.entries(def.type === 'object' ? def.shape : {}).flatMap(([key, field]) => {
    const own = field._zod.def as z.core.$ZodTypes['_zod']['def'];
    if (own.type === 'literal') return [[key, new Set<unknown>(own.values)] as const];
    return own.type === 'enum'
      ? [[key, new Set<unknown>(Object.values(own.entries))] as const]
      : [];
  });
  marksKnown.set(option, marks);
  return marks;
}

/** Anything without such a field has to fit whole. */
function isOf(option: z.core.$ZodType, part: unknown): boolean {
  const marks = marksOf(option);
  if (marks.length === 0 || typeof part !== 'object' || part === null)
    return z.safeParse(option, part).success;
  const fields = part as Readonly<Record<string, unknown>>;
  return marks.every(([key, values]) => values.has(fields[key]));
}
