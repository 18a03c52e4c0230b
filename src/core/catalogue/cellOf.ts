/** The cell of a table that a schema describes: its bounds are the schema's, and no others. */
import type * as z from 'zod/mini';
import { typedMeasure, unitOfName } from '../read/typedMeasure.ts';
import {
  MAYBE_TEXT_CELL,
  YES_NO_CELL,
  choiceCell,
  listCell,
  numberCell,
  optionalCell,
  type CellKind,
  type NumberBounds,
} from './cells.ts';

/** What a schema says of its values, as far as forms and tables ask. */
type Shape =
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
function shapeOf(schema: z.core.$ZodType): Shape {
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

/** @param name of the property, which ends in its unit where it has one */
export const cellOf = (schema: z.core.$ZodType, name: string): CellKind<never> =>
  cellOfShape(shapeOf(schema), name);

function cellOfShape(shape: Shape, name: string): CellKind<never> {
  const wide = (cell: unknown) => cell as CellKind<never>;
  switch (shape.as) {
    case 'number': {
      const unit = unitOfName(name);
      return wide(numberCell(shape, (text) => typedMeasure(text, unit)));
    }
    case 'yesNo':
      return wide(YES_NO_CELL);
    case 'text':
      return wide(MAYBE_TEXT_CELL);
    case 'choice':
      return wide(choiceCell(shape.values));
    case 'list':
      return wide(listCell(cellOfShape(shape.of, name)));
    case 'maybe':
      return wide(optionalCell(cellOfShape(shape.of, name)));
    case 'parts':
      throw new Error(`${name} has parts: it is written in a way of its own`);
  }
}
