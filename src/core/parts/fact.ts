/**
 * A fact of the survey: its value with the source that gave it, or null while it is unknown.
 * Unknown is never guessed and never zero.
 */
import * as z from 'zod/mini';
import { listOf } from './limits.ts';

/**
 * Who says so: registers read from the device, a diagnostic program's text, the firmware's own records, the
 * operating system, a screen's report of itself, a template, the technician, what was seen at the bench.
 */
export const Source = z.enum([
  'registers',
  'text',
  'firmware',
  'system',
  'screen',
  'template',
  'technician',
  'bench',
]);
export type Source = z.infer<typeof Source>;

/** What the survey holds of a fact: the value that is believed, and what others say against it. */
export const fact = <Value extends z.core.SomeType>(value: Value) =>
  z.nullable(
    z.object({
      value,
      source: Source,
      others: z.optional(
        // Each source is heard once.
        listOf(z.object({ value, source: Source }), Source.options.length),
      ),
    }),
  );

export interface Claim<Value> {
  readonly value: Value;
  readonly source: Source;
}
export type Fact<Value> =
  (Claim<Value> & { readonly others?: readonly Claim<Value>[] | undefined }) | null;

export const known = <Value>(value: Value, source: Source): NonNullable<Fact<Value>> => ({
  value,
  source,
});

/** The value, or null while unknown. */
export const valueOf = <Value>(of: Fact<Value>): Value | null => (of === null ? null : of.value);
