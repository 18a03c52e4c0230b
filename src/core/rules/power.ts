/** Watts from the slot, plugs from the supply, and the sum on 12 V. */
import type { Card } from '../parts/card.ts';
import { valueOf } from '../parts/fact.ts';
import type { Machine, Slot } from '../parts/machine.ts';
import { CLASSIC_PCI_WATTS, SLOT_WATTS_AT_START } from '../standards/cardForm.ts';
import { HEADROOM_SHARE, PLUGS, PLUG_TYPES, type PlugType } from '../standards/plugs.ts';
import { row } from '../units.ts';
import type { Finding } from './finding.ts';

export function power(card: Card, slot: Slot, machine: Machine): readonly Finding[] {
  return [...slotWatts(card, slot), ...plugs(card, machine), ...sum(card.peakWatts, machine)];
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

function plugs(card: Card, machine: Machine): readonly Finding[] {
  if (card.sockets.length === 0) return [];
  const free = valueOf(machine.supply.plugs);
  if (free === null) return [{ code: 'power.plugsUnknown', verdict: 'unknown' }];
  const missing = missingPlug(card.sockets, free);
  const subject = missing ?? card.sockets.join(' + ');
  return missing === null
    ? [{ code: 'power.plugsFound', verdict: 'clear', subject }]
    : [{ code: 'power.plugMissing', verdict: 'blocked', subject }];
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
  if (limit === null || base === null) return [{ code: 'power.sumUnknown', verdict: 'unknown' }];
  const figures = { needed: base + addedWatts, available: limit, unit: 'W' } as const;
  if (figures.needed > limit) return [{ code: 'power.sumShort', verdict: 'blocked', ...figures }];
  if (figures.needed > limit * HEADROOM_SHARE) {
    return [{ code: 'power.headroomUsed', verdict: 'limited', ...figures }];
  }
  return [{ code: 'power.sumFits', verdict: 'clear', ...figures }];
}
