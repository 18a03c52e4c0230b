/** What a schema says of its values, as far as forms and tables ask: the one place where a bound stands is the schema. */
import type * as z from 'zod/mini';

export interface NumberBounds {
  readonly least: number;
  readonly most: number;
  /** The least itself is not allowed. */
  readonly over: boolean;
  readonly whole: boolean;
}

export type Shape =
  | ({ readonly as: 'number' } & NumberBounds)
  | { readonly as: 'yesNo' }
  | { readonly as: 'text' }
  | { readonly as: 'choice'; readonly values: readonly (string | number)[] }
  | { readonly as: 'list'; readonly of: Shape }
  | { readonly as: 'maybe'; readonly of: Shape }
  | { readonly as: 'parts' };

interface Check {
  readonly check: string;
  readonly value?: number;
  readonly inclusive?: boolean;
  readonly format?: string;
}

function boundsOf(checks: readonly Check[], format: string | undefined): NumberBounds {
  const bound = (name: string): Check | undefined => checks.find(({ check }) => check === name);
  const least = bound('greater_than');
  return {
    least: least?.value ?? -Infinity,
    most: bound('less_than')?.value ?? Infinity,
    over: least?.inclusive === false,
    whole: format === 'safeint' || bound('number_format')?.format === 'safeint',
  };
}

/** @throws for a schema that nothing here knows */
export function shapeOf(schema: z.core.$ZodType): Shape {
  const { def } = (schema as z.core.$ZodTypes)._zod;
  switch (def.type) {
    case 'number':
      return {
        as: 'number',
        ...boundsOf(
          (def.checks ?? []).map((each) => each._zod.def as Check),
          (def as Partial<Check>).format,
        ),
      };
    case 'boolean':
      return { as: 'yesNo' };
    case 'string':
      return { as: 'text' };
    case 'enum':
      return { as: 'choice', values: Object.values(def.entries) };
    case 'literal':
      return { as: 'choice', values: def.values as readonly (string | number)[] };
    case 'union':
      return {
        as: 'choice',
        values: def.options.flatMap((option) => {
          const shape = shapeOf(option);
          return shape.as === 'choice' ? shape.values : [];
        }),
      };
    case 'nullable':
      return { as: 'maybe', of: shapeOf(def.innerType) };
    case 'array':
      return { as: 'list', of: shapeOf(def.element) };
    case 'object':
      return { as: 'parts' };
    default:
      throw new Error(`No field for a schema of type ${def.type}`);
  }
}

/** The schema of what a path leads to: names with dots between, through lists, facts and what may be missing. */
export const schemaAt = (schema: z.core.$ZodType, path: string): z.core.$ZodType =>
  below(schema, path.split('.'));

function below(schema: z.core.$ZodType, path: readonly string[]): z.core.$ZodType {
  const { def } = (schema as z.core.$ZodTypes)._zod;
  if (def.type === 'nullable' || def.type === 'optional') return below(def.innerType, path);
  const shape = def.type === 'object' ? def.shape : {};
  // Of a fact its value is meant.
  if (shape['source'] !== undefined && shape['value'] !== undefined)
    return below(shape['value'], path);
  const [name, ...rest] = path;
  if (name === undefined) return schema;
  if (def.type === 'array') return below(def.element, path);
  const inner = shape[name];
  if (inner === undefined) throw new Error(`No ${path.join('.')} in the schema`);
  return below(inner, rest);
}

/** The bounds of the number that a path leads to. @throws where none is there */
export function boundsAt(schema: z.core.$ZodType, path: string): NumberBounds {
  const shape = shapeOf(schemaAt(schema, path));
  if (shape.as !== 'number') throw new Error(`${path} is no number`);
  return shape;
}

export const isWithin = ({ least, most, over, whole }: NumberBounds, value: number): boolean =>
  (over ? value > least : value >= least) && value <= most && (!whole || Number.isInteger(value));
