/** A surveyed machine as a template for others of its kind. */
import type { Claim } from '../parts/fact.ts';
import type { Machine } from '../document/machine.ts';
import { emptyAccessPoint, emptyPath } from '../parts/networkPath.ts';

/**
 * What is the same in every machine of the kind: board, case, slots. What belongs to this one stays behind: its
 * system, its screens, its way to the network, its devices. Every fact is a template's from now on.
 */
export function templateOf(machine: Machine): Machine {
  const { system, firmware } = machine;
  return {
    ...asTemplate(machine),
    slots: machine.slots.map((slot) => ({ ...asTemplate(slot), port: null, occupant: null })),
    system: { ...nothingOf(system), family: asTemplate(system.family) },
    firmware: nothingOf(firmware),
    screens: [],
    path: emptyPath(),
    accessPoint: emptyAccessPoint(),
    functions: [],
    inTrouble: [],
    damage: [],
    leads: [],
    toFit: [],
  };
}

/** The same part with every fact given by a template and contradicted by nobody. */
function asTemplate<Part>(part: Part): Part {
  if (typeof part !== 'object' || part === null) return part;
  if (Array.isArray(part)) return part.map((each: unknown) => asTemplate(each)) as Part;
  if (isFact(part)) return { value: asTemplate(part.value), source: 'template' } as Part;
  return Object.fromEntries(
    Object.entries(part).map(([key, value]) => [key, asTemplate(value as unknown)]),
  ) as Part;
}

const isFact = (part: object): part is Claim<unknown> => 'source' in part && 'value' in part;

const nothingOf = <Part extends object>(part: Part): { [Key in keyof Part]: null } =>
  Object.fromEntries(Object.keys(part).map((key) => [key, null])) as { [Key in keyof Part]: null };
