/** Watts from the slot, plugs from the supply, current for USB ports, and the sum on 12 V. */
import { milliampsOfPorts } from '../kinds/usb/ports.ts';
import {
  socketsKey,
  assignPlugs,
  plugsOf,
  type Feed,
  type Leniency,
  type Socket,
  type SupplyPlug,
} from '../placement/plugs.ts';
import { memo, memoBy } from '../memo.ts';
import type { Card } from '../document/card.ts';
import { valueOf } from '../parts/fact.ts';
import type { Machine, Slot } from '../document/machine.ts';
import { SLOT_WATTS_AT_START } from '../standards/cardForm.ts';
import { HEADERS } from '../standards/headers.ts';
import {
  ADAPTED,
  HEADROOM_SHARE,
  OLD_SUPPLY_YEARS,
  PLUGS,
  PLUG_ADAPTERS,
} from '../standards/plugs.ts';
import { USB_VOLTS } from '../standards/usb.ts';
import { row } from '../units.ts';
import type { Finding } from './finding.ts';
import { slotLimitWatts, socketsIn } from '../placement/sockets.ts';

/** All of it: what the housing's supply decides, and what the slot decides. */
export const power = (card: Card, slot: Slot, machine: Machine): readonly Finding[] => [
  ...powerInSlot(card, slot, machine),
  ...powerInHousing(card, machine),
];

/** What is the same in every slot of a housing. */
export const powerInHousing = (card: Card, machine: Machine): readonly Finding[] => [
  ...portCurrent(card),
  ...twelveVoltSum(card.peakWatts, machine),
  ...age(card, machine),
];

export const powerInSlot = (card: Card, slot: Slot, machine: Machine): readonly Finding[] => [
  slotWatts(card, slot),
  ...plugs(card, slot, machine),
];

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

function slotWatts(card: Card, slot: Slot): Finding {
  const limit = slotLimitWatts(slot);
  const figures = { needed: card.slotWatts, available: limit, unit: 'W' } as const;
  if (card.slotWatts <= limit) return { code: 'power.slotEnough', verdict: 'clear', ...figures };
  return slot.powerWatts === null && slot.bus === 'pcie'
    ? { code: 'power.slotUnknown', verdict: 'unknown', ...figures }
    : { code: 'power.slotShort', verdict: 'blocked', ...figures };
}

function plugs(card: Card, slot: Slot, machine: Machine): readonly Finding[] {
  if (card.sockets.length === 0) return [];
  return machine.supply.plugs === null
    ? [{ code: 'power.plugsUnknown', verdict: 'unknown' }]
    : [plugFinding(socketsIn(card, slot, machine), machine.supply)];
}

/** Answers by supply and sockets: a catalogue asks the same of the same supply a thousand times. */
const findingBySockets = memoBy<string, Finding>();

export function plugFinding(sockets: readonly Socket[], supply: Machine['supply']): Finding {
  return memo(findingBySockets(supply), socketsKey(sockets), () => askPlugs(sockets, supply));
}

/** What the best assignment says, or else which single limit, left out, would let every socket be fed. */
function askPlugs(sockets: readonly Socket[], supply: Machine['supply']): Finding {
  const there = plugsOf(supply);
  const { feeds } = assignPlugs(sockets, there);
  const dead = feeds.find((feed) => feed.plugs.length === 0)?.socket;
  if (dead === undefined) {
    return plugsFoundFor(feeds, there);
  }
  const without = (leniency: Leniency) => assignPlugs(sockets, there, leniency).cost.dead === 0;
  const serving = there.filter(({ type }) => PLUGS[type].serves.includes(dead.type));
  if (without({ reach: true })) {
    return {
      code: 'power.leadShort',
      verdict: 'needs',
      subject: dead.type,
      needed: Math.round(dead.wayMm),
      available: Math.max(0, ...serving.map(({ reachMm }) => reachMm)),
      unit: 'mm',
    };
  }
  const watts = sockets.reduce((total, socket) => total + socket.watts, 0);
  if (without({ leads: true })) {
    return {
      code: 'power.sharedLead',
      verdict: 'blocked',
      subject: sockets.map(({ type }) => type),
      needed: watts,
      available: Math.max(0, ...serving.map((plug) => plug.watts)),
      unit: 'W',
    };
  }
  return without({ watts: true })
    ? {
        code: 'power.plugWeak',
        verdict: 'blocked',
        subject: dead.type,
        needed: dead.watts,
        available: mostWatts(dead, there),
        unit: 'W',
      }
    : { code: 'power.plugMissing', verdict: 'blocked', subject: dead.type };
}

/** What is said of sockets that are all fed: by which adapter, where one is between, or what gives up its plug. */
export function plugsFoundFor(feeds: readonly Feed[], plugs: readonly SupplyPlug[]): Finding {
  for (const { adapter, socket } of feeds) {
    if (adapter === null) continue;
    return {
      code: 'power.adapter',
      verdict: 'needs',
      subject: adapter,
      needed: socket.watts,
      available: ADAPTED[adapter].watts,
      unit: 'W',
    };
  }
  const taken = feeds.find(({ exchangedFor }) => exchangedFor !== null)?.plugs[0];
  const giving = taken === undefined ? null : (plugs[taken]?.inUse ?? null);
  return giving === null
    ? {
        code: 'power.plugsFound',
        verdict: 'clear',
        subject: feeds.map(({ socket }) => socket.type),
      }
    : { code: 'power.exchange', verdict: 'needs', subject: giving.feeds };
}

/** The most that one plug, or an adapter with the plugs it takes, would give such a socket. */
function mostWatts({ type }: Socket, there: readonly SupplyPlug[]): number {
  const direct = there.filter((plug) => PLUGS[plug.type].serves.includes(type));
  const adapted = PLUG_ADAPTERS.flatMap((adapter) => {
    const { gives, takes, count, watts } = ADAPTED[adapter];
    const fitting = there
      .filter((plug) => takes.includes(plug.type))
      .map((plug) => plug.watts)
      .toSorted((a, b) => b - a)
      .slice(0, count);
    // A load is shared evenly, so the weakest of the plugs decides.
    return gives === type && fitting.length === count
      ? Math.min(watts, count * Math.min(...fitting))
      : [];
  });
  return Math.max(0, ...direct.map((plug) => plug.watts), ...adapted);
}

/** What USB ports give devices at 5 V, all at once, against what the card's own plug carries. */
function portCurrent({ delivers, sockets, frontHeaders }: Card): readonly Finding[] {
  if (sockets.length === 0) return [];
  const front = frontHeaders.reduce((total, { type }) => total + HEADERS[type].ports, 0);
  const needed = (milliampsOfPorts(delivers, front) * USB_VOLTS) / 1000;
  // Plugs without 5 V feed a converter on the card from their 12 V.
  const available = sockets.reduce(
    (total, type) => total + (PLUGS[type].fiveVoltWatts || PLUGS[type].watts),
    0,
  );
  return needed <= available
    ? []
    : [{ code: 'power.portsShort', verdict: 'limited', needed, available, unit: 'W' }];
}

/** The 12 V load with `addedWatts` more, against the supply. */
export function twelveVoltSum(addedWatts: number, machine: Machine): readonly Finding[] {
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
