/** One fact of the survey told by hand, wherever in the machine it stands. */
import type { Claim, Fact } from '../parts/fact.ts';
import type { Machine } from '../document/machine.ts';
import type { Hop } from '../parts/networkPath.ts';

interface FactPlace {
  /** By its name, such as `slot.lanes`. */
  readonly code: string;
  readonly slotId?: string;
  /** The external box it is a fact of; absent for the machine's own. */
  readonly enclosureId?: string;
  readonly screenId?: string;
  /** A device of the network path, or a lead of it. */
  readonly hopId?: string;
  readonly leadId?: string;
}

/**
 * The machine with the fact told; unchanged where the place is gone, and for `slots`, which no single value tells.
 * @param value of the fact's own type; null is an answer where the fact may be “nothing”, as of what sits in a slot
 */
export function toldFact(
  machine: Machine,
  { code, slotId, enclosureId, screenId, hopId, leadId }: FactPlace,
  value: unknown,
): Machine {
  const [owner = '', key = ''] = code.split('.');
  if (slotId !== undefined)
    return {
      ...machine,
      slots: changed(machine.slots, slotId, (slot) => inSlot(slot, key, value)),
    };
  if (screenId !== undefined)
    return {
      ...machine,
      screens: changed(machine.screens, screenId, (screen) => put(screen, key, value)),
    };
  if (hopId !== undefined || leadId !== undefined)
    return {
      ...machine,
      path: {
        ...machine.path,
        hops: machine.path.hops.map((hop) => inHop(hop, { hopId, leadId }, key, value)),
      },
    };
  if (enclosureId !== undefined)
    return {
      ...machine,
      enclosures: changed(machine.enclosures, enclosureId, (box) =>
        inOwner(box, owner, key, value),
      ),
    };
  return owner === 'board' ? put(machine, key, value) : inOwner(machine, owner, key, value);
}

/** What is told of a slot's card lies with the card. */
const inSlot = (slot: Machine['slots'][number], key: string, value: unknown) =>
  key !== 'fan'
    ? put(slot, key, value)
    : slot.occupant?.value == null
      ? slot
      : {
          ...slot,
          occupant: { ...slot.occupant, value: put(slot.occupant.value, 'fan', value) },
        };

function inHop(
  hop: Hop,
  { hopId, leadId }: { readonly hopId: string | undefined; readonly leadId: string | undefined },
  key: string,
  value: unknown,
): Hop {
  if (leadId !== undefined)
    return { ...hop, leads: changed(hop.leads, leadId, (lead) => put(lead, key, value)) };
  return hop.id === hopId ? put(hop, key, value) : hop;
}

function inOwner<Whole extends object>(
  whole: Whole,
  owner: string,
  key: string,
  value: unknown,
): Whole {
  const part = (whole as Record<string, unknown>)[owner];
  return typeof part !== 'object' || part === null
    ? whole
    : { ...whole, [owner]: put(part, key, value) };
}

const changed = <Part extends { readonly id: string }>(
  parts: readonly Part[],
  partId: string,
  change: (part: Part) => Part,
): readonly Part[] => parts.map((part) => (part.id === partId ? change(part) : part));

/** What others said of it is kept behind the technician's word. */
function put<Part extends object>(part: Part, key: string, value: unknown): Part {
  const before = (part as Record<string, Fact<unknown> | undefined>)[key] ?? null;
  const others = [before, ...(before?.others ?? [])].flatMap((said): readonly Claim<unknown>[] =>
    said === null || said.source === 'technician'
      ? []
      : [{ value: said.value, source: said.source }],
  );
  return {
    ...part,
    [key]: { value, source: 'technician', ...(others.length === 0 ? {} : { others }) },
  };
}
