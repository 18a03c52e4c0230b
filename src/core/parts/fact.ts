/**
 * A fact of the survey: its value with the witness that gave it, or null while it is unknown.
 * Unknown is never guessed and never zero.
 */
import * as z from 'zod/mini';

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
      others: z.optional(z.array(z.object({ value, witness: Witness }))),
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

export const positive = z.number().check(z.positive());
export const whole = z.int().check(z.nonnegative());
export const count = z.int().check(z.positive());
export const text = z.string().check(z.maxLength(200));
export const id = z.string().check(z.regex(/^[A-Za-z0-9_-]{1,64}$/));
