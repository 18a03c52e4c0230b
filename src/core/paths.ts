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
