/** Which header of the board each lead of each card is connected to: no header twice. */
import { valueOf } from '../parts/fact.ts';
import type { Machine } from '../document/machine.ts';
import type { Placed } from '../placement/lanesLeft.ts';
import { headerWayMm } from '../rules/headers.ts';

export type Header = NonNullable<Machine['headers']>['value'][number];

/** What each lead of each card is connected to, in their order: the nearest header that is free; null: none is left. */
export function headersOf(
  placed: readonly Placed[],
  machine: Machine,
): readonly (readonly (Header | null)[])[] {
  const free = [...(valueOf(machine.headers) ?? [])];
  return placed.map(({ card, slot }) =>
    card.boardLeads.map(({ type }) => {
      const way = (header: Header) => headerWayMm(header, card, slot, machine);
      const nearest = free
        .filter((header) => header.type === type)
        .toSorted((a, b) => way(a) - way(b))[0];
      if (nearest === undefined) return null;
      free.splice(free.indexOf(nearest), 1);
      return nearest;
    }),
  );
}

/** The headers that leads of a card reach. */
export const reachedHeaders = (
  { card, slot }: Placed,
  headers: readonly (Header | null)[],
  machine: Machine,
): readonly Header[] =>
  card.boardLeads.flatMap(({ lengthMm }, n) => {
    const header = headers[n];
    return header != null && headerWayMm(header, card, slot, machine) <= lengthMm ? [header] : [];
  });

/** The machine without the headers that the other cards have. */
export function withHeadersOf(
  n: number,
  headers: readonly (readonly (Header | null)[])[],
  machine: Machine,
): Machine {
  const gone = new Set(
    headers.flatMap((each, m) => (m === n ? [] : each.flatMap((header) => header ?? []))),
  );
  return gone.size === 0 || machine.headers === null
    ? machine
    : {
        ...machine,
        headers: {
          ...machine.headers,
          value: machine.headers.value.filter((header) => !gone.has(header)),
        },
      };
}
