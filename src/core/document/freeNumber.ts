/**
 * The first number whose id none of the parts has yet.
 * @param from where counting begins: one beyond their count, so that numbers go on as parts are added
 */
export function freeNumber(
  parts: readonly { readonly id: string }[],
  idOf: (n: number) => string,
  from = parts.length + 1,
): number {
  const taken = new Set(parts.map(({ id }) => id));
  let n = from;
  while (taken.has(idOf(n))) n += 1;
  return n;
}
