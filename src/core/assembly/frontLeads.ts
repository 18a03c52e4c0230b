/** Which lead of the front panel is connected to which card: where several could take it, to the one that serves the front. */
import type { Flow } from '../kinds/flow.ts';
import { valueOf } from '../parts/fact.ts';
import type { Machine } from '../document/machine.ts';
import type { Placed } from '../placement/lanesLeft.ts';
import type { FrontLead } from '../standards/headers.ts';
import { isAtFront } from '../kinds/need.ts';

/**
 * For each card in their order. While no lead of the case is told, each card has its own to ask for.
 * @param flows what each card gives to each need
 */
export function frontLeadsOf(
  placed: readonly Placed[],
  flows: readonly (readonly Flow[])[],
  machine: Machine,
): readonly (readonly FrontLead[])[] {
  const free = valueOf(machine.case.frontLeads)?.map(({ type }) => type) ?? null;
  const servesFront = bestAtFront(flows);
  const leads = placed.map((): readonly FrontLead[] => []);
  const order = [...placed.keys()].toSorted(
    (a, b) => Number(servesFront.has(b)) - Number(servesFront.has(a)),
  );
  for (const n of order) {
    const { card, slot } = placed[n] ?? {};
    // An external box has no front panel of the machine's.
    if (card === undefined || slot?.enclosureId !== null) continue;
    leads[n] = card.frontHeaders.flatMap(({ type }): readonly FrontLead[] => {
      if (free === null) return [type];
      const at = free.indexOf(type);
      return at === -1 ? [] : free.splice(at, 1);
    });
  }
  return leads;
}

/** The card that serves each need of the front best. */
function bestAtFront(flows: readonly (readonly Flow[])[]): ReadonlySet<number> {
  const toFront = flows.flatMap((each, n) =>
    each.filter(({ need }) => isAtFront(need)).map(({ need, high }) => ({ need, high, n })),
  );
  const needs = new Set(toFront.map(({ need }) => need));
  return new Set(
    [...needs].flatMap(
      (need) =>
        toFront.filter((each) => each.need === need).toSorted((a, b) => b.high - a.high)[0]?.n ??
        [],
    ),
  );
}

/** The machine without the front leads that the other cards have. */
export function withFrontLeadsOf(
  n: number,
  leads: readonly (readonly FrontLead[])[],
  machine: Machine,
): Machine {
  const { frontLeads } = machine.case;
  if (frontLeads === null) return machine;
  const left = [...frontLeads.value];
  for (const type of leads.flatMap((each, m) => (m === n ? [] : each))) {
    const at = left.findIndex((lead) => lead.type === type);
    if (at !== -1) left.splice(at, 1);
  }
  return { ...machine, case: { ...machine.case, frontLeads: { ...frontLeads, value: left } } };
}
