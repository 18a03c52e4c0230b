/** Watts from the slot, plugs from the supply, and the sum on 12 V. */
import type { Card } from '../parts/card.ts';
import { valueOf } from '../parts/fact.ts';
import type { Machine, Slot } from '../parts/machine.ts';
import { CLASSIC_PCI_WATTS, SLOT_WATTS_AT_START } from '../standards/cardForm.ts';
import {
  HEADROOM_SHARE,
  OLD_SUPPLY_YEARS,
  PLUGS,
  PLUG_TYPES,
  type PlugType,
} from '../standards/plugs.ts';
import { row } from '../units.ts';
import type { Finding } from './finding.ts';
import { openingMiddleMm } from './geometry.ts';

export function power(card: Card, slot: Slot, machine: Machine): readonly Finding[] {
  return [
    ...slotWatts(card, slot),
    ...plugs(card, slot, machine),
    ...sum(card.peakWatts, machine),
    ...age(card, machine),
  ];
}

/** An old supply gives less than its label: of weight for cards that take more than a slot gives at start. */
function age(card: Card, machine: Machine): readonly Finding[] {
  const years = valueOf(machine.supply.ageYears);
  const modest = card.peakWatts <= row(SLOT_WATTS_AT_START, 16);
  if (years === null || years < OLD_SUPPLY_YEARS || modest) return [];
  return [
    {
      code: 'power.supplyOld',
      verdict: 'limited',
      needed: OLD_SUPPLY_YEARS,
      available: years,
      unit: 'count',
    },
  ];
}

function slotWatts(card: Card, slot: Slot): readonly Finding[] {
  const limit = valueOf(slot.powerWatts) ?? assuredWatts(slot);
  const figures = { needed: card.slotWatts, available: limit, unit: 'W' } as const;
  if (card.slotWatts <= limit) return [{ code: 'power.slotEnough', verdict: 'clear', ...figures }];
  return slot.powerWatts === null && slot.bus === 'pcie'
    ? [{ code: 'power.slotUnknown', verdict: 'unknown', ...figures }]
    : [{ code: 'power.slotShort', verdict: 'blocked', ...figures }];
}

/** What the standard assures of any slot of this kind, whatever the board's maker allows beyond it. */
function assuredWatts(slot: Slot): number {
  return slot.bus === 'pci'
    ? CLASSIC_PCI_WATTS
    : row(SLOT_WATTS_AT_START, valueOf(slot.connectorLanes) ?? 1);
}

function plugs(card: Card, slot: Slot, machine: Machine): readonly Finding[] {
  if (card.sockets.length === 0) return [];
  const free = valueOf(machine.supply.plugs);
  if (free === null) return [{ code: 'power.plugsUnknown', verdict: 'unknown' }];
  const missing = missingPlug(card.sockets, free);
  const subject = missing ?? card.sockets.join(' + ');
  if (missing !== null) return [{ code: 'power.plugMissing', verdict: 'blocked', subject }];
  const opening = valueOf(slot.opening);
  const wayMm = opening === null ? 0 : openingMiddleMm(machine, opening);
  const reaching = free.filter(({ reachMm }) => reachMm === undefined || reachMm >= wayMm);
  const short = missingPlug(card.sockets, reaching);
  if (short !== null) {
    const longest = Math.max(
      0,
      ...free
        .filter(({ type }) => PLUGS[type].serves.includes(short))
        .map(({ reachMm }) => reachMm ?? 0),
    );
    return [
      {
        code: 'power.leadShort',
        verdict: 'needs',
        subject: short,
        needed: Math.round(wayMm),
        available: longest,
        unit: 'mm',
      },
    ];
  }
  const leads = leadsServing(card.sockets, free);
  return leads < card.sockets.length
    ? [
        {
          code: 'power.sharedLead',
          verdict: 'limited',
          subject,
          needed: card.sockets.length,
          available: leads,
          unit: 'count',
        },
      ]
    : [{ code: 'power.plugsFound', verdict: 'clear', subject }];
}

/** Different leads that have a plug for any of the sockets; a plug that names no lead has one of its own. */
function leadsServing(
  sockets: readonly PlugType[],
  free: NonNullable<Machine['supply']['plugs']>['value'],
): number {
  const serving = free.filter(({ type }) =>
    sockets.some((each) => PLUGS[type].serves.includes(each)),
  );
  const own = serving
    .filter(({ lead }) => lead === undefined)
    .reduce((sum, { count }) => sum + count, 0);
  const shared = new Set(serving.flatMap(({ lead, count }) => (count > 0 ? (lead ?? []) : [])));
  return own + shared.size;
}

/**
 * The first socket that stays without a plug, or null when all are served. What each plug serves is a chain
 * (an 8-pin also serves 6-pin sockets), so serving the choosiest sockets first, each with the plug that
 * serves least else, is an optimal assignment.
 */
export function missingPlug(
  sockets: readonly PlugType[],
  free: readonly { readonly type: PlugType; readonly count: number }[],
): PlugType | null {
  const left = new Map<PlugType, number>();
  for (const { type, count } of free) left.set(type, (left.get(type) ?? 0) + count);
  const servers = (socket: PlugType): readonly PlugType[] =>
    PLUG_TYPES.filter((type) => PLUGS[type].serves.includes(socket)).toSorted(
      (a, b) => PLUGS[a].serves.length - PLUGS[b].serves.length,
    );
  const choosiestFirst = sockets.toSorted((a, b) => servers(a).length - servers(b).length);
  for (const socket of choosiestFirst) {
    const plug = servers(socket).find((type) => (left.get(type) ?? 0) > 0);
    if (plug === undefined) return socket;
    left.set(plug, (left.get(plug) ?? 0) - 1);
  }
  return null;
}

/** The 12 V load with `addedWatts` more, against the supply. */
export function sum(addedWatts: number, machine: Machine): readonly Finding[] {
  const limit = valueOf(machine.supply.twelveVoltWatts);
  const base = valueOf(machine.supply.baseWatts);
  // The 12 V part is never more than the whole that the label names.
  const label = valueOf(machine.supply.labelWatts);
  if (base !== null && label !== null && base + addedWatts > label) {
    return [
      {
        code: 'power.sumShort',
        verdict: 'blocked',
        needed: base + addedWatts,
        available: label,
        unit: 'W',
      },
    ];
  }
  if (limit === null || base === null) return [{ code: 'power.sumUnknown', verdict: 'unknown' }];
  const figures = { needed: base + addedWatts, available: limit, unit: 'W' } as const;
  if (figures.needed > limit) return [{ code: 'power.sumShort', verdict: 'blocked', ...figures }];
  if (figures.needed > limit * HEADROOM_SHARE) {
    return [{ code: 'power.headroomUsed', verdict: 'limited', ...figures }];
  }
  return [{ code: 'power.sumFits', verdict: 'clear', ...figures }];
}
