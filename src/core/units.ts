/**
 * Units used throughout the core. Names carry the unit (`lengthMm`, `peakWatts`, `bytesPerSecond`);
 * rates are decimal, as the standards give them; money is whole cents.
 */

export const MEGABYTE = 1_000_000;

/** Bytes per second carried by a line rate in megabits per second, before any overhead. */
export const megabitsToBytesPerSecond = (megabits: number): number => (megabits * 1e6) / 8;

/** Every property readonly, all the way down: values of the job are never changed in place. */
export type DeepReadonly<T> = T extends (infer Item)[]
  ? readonly DeepReadonly<Item>[]
  : T extends object
    ? { readonly [Key in keyof T]: DeepReadonly<T[Key]> }
    : T;

/** The row of a table, or an error naming the key: a missing row is a broken invariant. */
export function row<Key extends string | number, Row>(
  table: Readonly<Partial<Record<Key, Row>>>,
  key: Key,
): Row {
  const found = table[key];
  if (found === undefined) throw new Error(`No row for ${JSON.stringify(key)}`);
  return found;
}

/** The item at an index that has to be there: a missing one is a broken invariant. */
export function itemAt<Item>(list: ArrayLike<Item>, index: number): Item {
  const item = list[index];
  if (item === undefined) throw new Error(`No item ${index} in a list of ${list.length}`);
  return item;
}

/** What a code is of: the part before its dot, or all of it where there is none. */
export type PartOf<Code extends string> = Code extends `${infer Part}.${string}` ? Part : Code;
export const partOf = <Code extends string>(code: Code): PartOf<Code> =>
  code.split('.', 1)[0] as PartOf<Code>;

/** A whole number in so many hexadecimal digits, as reports print codes and addresses. */
export const inHex = (value: number, digits: number): string =>
  value.toString(16).padStart(digits, '0');
