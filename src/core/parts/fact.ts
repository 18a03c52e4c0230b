/**
 * A fact of the survey: its value with the witness that gave it, or null while it is unknown.
 * Unknown is never guessed and never zero.
 */
import * as z from 'zod/mini';
import { listOf } from './limits.ts';

/**
 * Who says so: registers read from the device, a diagnostic program's text, the firmware's own records, the
 * operating system, a screen's report of itself, a template, the technician.
 */
export const Witness = z.enum([
  'registers',
  'text',
  'firmware',
  'system',
  'screen',
  'template',
  'technician',
]);
export type Witness = z.infer<typeof Witness>;

/** What the survey holds of a fact: the value that is believed, and what others say against it. */
export const fact = <Value extends z.core.SomeType>(value: Value) =>
  z.nullable(
    z.object({
      value,
      witness: Witness,
      others: z.optional(
        // Each witness is heard once.
        listOf(z.object({ value, witness: Witness }), Witness.options.length),
      ),
    }),
  );

export interface Testimony<Value> {
  readonly value: Value;
  readonly witness: Witness;
}
export type Fact<Value> =
  (Testimony<Value> & { readonly others?: readonly Testimony<Value>[] | undefined }) | null;

export const known = <Value>(value: Value, witness: Witness): NonNullable<Fact<Value>> => ({
  value,
  witness,
});

/** The value, or null while unknown. */
export const valueOf = <Value>(of: Fact<Value>): Value | null => (of === null ? null : of.value);
