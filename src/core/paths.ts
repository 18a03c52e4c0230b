/** Parts of a document by the property names that lead to them, with dots between. */

/** Undefined where nothing has that path. */
export const valueAt = (of: object, path: string): unknown =>
  path
    .split('.')
    .reduce<unknown>((part, key) => (part as Record<string, unknown> | undefined)?.[key], of);

/** The same document with another value at the path. */
export const withValueAt = <Part extends object>(of: Part, path: string, value: unknown): Part =>
  put(of, path.split('.'), value) as Part;

function put(part: object, [key = '', ...rest]: readonly string[], value: unknown): object {
  const below = (part as Record<string, unknown>)[key];
  return { ...part, [key]: rest.length === 0 ? value : put(below as object, rest, value) };
}

/** The row of a table that a text from outside names; undefined where the table has no such row of its own. */
export const ownValue = <Value>(
  table: Readonly<Record<string, Value>>,
  key: string | undefined,
): Value | undefined => (key !== undefined && Object.hasOwn(table, key) ? table[key] : undefined);
