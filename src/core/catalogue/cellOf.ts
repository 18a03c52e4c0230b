/** The cell of a table that a schema describes: its bounds are the schema's, and no others. */
import type * as z from 'zod/mini';
import { shapeOf, type Shape } from '../parts/shape.ts';
import { typedMeasure, unitOfName } from '../read/typedMeasure.ts';
import {
  MAYBE_TEXT_CELL,
  YES_NO_CELL,
  choiceCell,
  listCell,
  numberCell,
  optionalCell,
  type CellKind,
} from './cells.ts';

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
