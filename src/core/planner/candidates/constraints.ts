/** The limits of a machine that needs can clash with, each of which can be imagined away to see whether it matters. */
import { known } from '../../parts/fact.ts';
import type { Machine, Slot } from '../../document/machine.ts';
import { directHops, emptyAccessPoint } from '../../parts/networkPath.ts';
import { codesWhere, type FindingCode, type Limit } from '../../rules/findingCodes.ts';

export const CONSTRAINTS = [
  'slots',
  'staying',
  'openings',
  'room',
  'bracket',
  'power',
  'lanes',
  'leads',
  'path',
  'system',
  'firmware',
] as const satisfies readonly (Limit | 'leads' | 'path')[];
export type Constraint = (typeof CONSTRAINTS)[number];

/** Findings that block a card because of these limits. */
export const codesOf = (limits: ReadonlySet<Constraint>): ReadonlySet<FindingCode> =>
  codesWhere(({ limit }) => limit !== undefined && limits.has(limit));

/** The machine as far as these limits are facts of it, without them. */
export function imaginedWithout(machine: Machine, limits: ReadonlySet<Constraint>): Machine {
  let imagined = machine;
  if (limits.has('lanes')) {
    imagined = { ...imagined, conditions: [], slots: imagined.slots.map(fullyWired) };
  }
  if (limits.has('leads')) {
    imagined = { ...imagined, case: { ...imagined.case, frontLeads: null } };
  }
  if (limits.has('path')) {
    const { path } = imagined;
    imagined = {
      ...imagined,
      path: {
        ...path,
        hops: directHops(),
        internetMegabits: null,
        processor: null,
        ownDrive: null,
        farDrive: null,
      },
      accessPoint: emptyAccessPoint(),
    };
  }
  if (limits.has('firmware')) {
    imagined = { ...imagined, firmware: { ...imagined.firmware, kind: null } };
  }
  return imagined;
}

const fullyWired = (slot: Slot): Slot =>
  slot.bus === 'pci'
    ? slot
    : {
        ...slot,
        lanes: known(16, 'technician'),
        generation: known(5, 'technician'),
        uplink: known(null, 'technician'),
      };
