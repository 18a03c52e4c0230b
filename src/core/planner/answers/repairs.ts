/** Single changes that free an impossible job, each tried, with what it costs. */
import { asksOf } from '../../kinds/need.ts';
import { cardName } from '../../document/card.ts';
import type { Extra } from '../../parts/extra.ts';
import { known, valueOf } from '../../parts/fact.ts';
import type { Machine, Slot } from '../../document/machine.ts';
import { pinKey, type Pin } from '../../document/planning.ts';
import { override } from '../../survey/claims.ts';
import { recordOf } from '../../flow/metByMachine.ts';
import { wireLinks } from '../../kinds/network/wire.ts';
import type { Hop, LEAD_CONDITIONS } from '../../parts/networkPath.ts';
import {
  COPPER_CLASSES,
  ETHERNET_MEGABITS,
  FIBRE_CLASSES,
  isFibre,
  type CableClass,
} from '../../standards/ethernet.ts';
import { PLUG_TYPES, type PlugType } from '../../standards/plugs.ts';
import { planning } from './plan.ts';
import type { PlanRequest, Proposal } from '../../plans/proposal.ts';
import type { Search } from '../search/search.ts';

export type Change =
  /** Facts of the machine otherwise than the survey tells, and what they are about. */
  | { readonly kind: 'machine'; readonly machine: Machine }
  /** No longer asked. */
  | { readonly kind: 'dropNeed'; readonly needId: string }
  | { readonly kind: 'dropPin'; readonly pin: Pin }
  /** The card in this slot may come out for good. */
  | { readonly kind: 'giveUpCard'; readonly slotId: string; readonly name: string }
  /** Another supply, of so many watts on 12 V with such plugs. */
  | { readonly kind: 'supply'; readonly extra: Extra }
  /** Other leads to a device of the network path. */
  | {
      readonly kind: 'cable';
      readonly hopId: string;
      readonly cable: CableClass;
      readonly extra: Extra | null;
    }
  /** A device of the network path that knows all speeds up to this one. */
  | {
      readonly kind: 'hop';
      readonly hopId: string;
      readonly megabits: number;
      readonly extra: Extra | null;
    }
  /** A board setting, or another board: this slot a generation faster. */
  | {
      readonly kind: 'slotGeneration';
      readonly slotId: string;
      readonly generation: Slot['generation'];
    }
  /** All lanes that its connector has contacts for. */
  | { readonly kind: 'slotLanes'; readonly slotId: string }
  /** A firmware that splits the lanes of this slot. */
  | { readonly kind: 'slotSplits'; readonly slotId: string }
  /** Leads for the front panel, with the panel. */
  | { readonly kind: 'frontPanel'; readonly lead: 'usb-19-pin'; readonly extra: Extra };

export interface Repair {
  readonly change: Change;
  /** Of the change itself, see `priceOfChange`. */
  readonly cents: number | null;
  /** The best plan after it. */
  readonly plan: Proposal;
}

/** The request as it would be after the change. */
export function changed(request: PlanRequest, change: Change): PlanRequest {
  const { machine } = request;
  const inSlot = (slotId: string, change: (slot: Slot) => Slot): PlanRequest => ({
    ...request,
    machine: {
      ...machine,
      slots: machine.slots.map((slot) => (slot.id === slotId ? change(slot) : slot)),
    },
  });
  const with_ = (more: Partial<Machine>): PlanRequest => ({
    ...request,
    machine: { ...machine, ...more },
  });
  const inHop = (hopId: string, change: (hop: Hop) => Hop): PlanRequest => {
    const hops = machine.path.hops.map((hop) => (hop.id === hopId ? change(hop) : hop));
    return with_({ path: { ...machine.path, hops } });
  };
  switch (change.kind) {
    case 'machine':
      return { ...request, machine: change.machine };
    case 'dropNeed':
      return { ...request, needs: request.needs.filter(({ id }) => id !== change.needId) };
    case 'dropPin':
      return {
        ...request,
        pins: (request.pins ?? []).filter((pin) => pinKey(pin) !== pinKey(change.pin)),
      };
    case 'giveUpCard':
      return inSlot(change.slotId, (slot) =>
        slot.occupant?.value == null
          ? slot
          : {
              ...slot,
              occupant: {
                ...slot.occupant,
                value: { ...slot.occupant.value, disposition: 'remove' },
              },
            },
      );
    case 'supply':
      return with_({ supply: withSupply(machine.supply, change.extra) });
    case 'cable':
      return inHop(change.hopId, (hop) => ({
        ...hop,
        leads: hop.leads.map((lead) => ({
          ...lead,
          cable: override(lead.cable, change.cable),
          condition: override<(typeof LEAD_CONDITIONS)[number]>(lead.condition, 'good'),
        })),
      }));
    case 'hop':
      return inHop(change.hopId, (hop) => ({
        ...hop,
        portMegabits: override(
          hop.portMegabits,
          ETHERNET_MEGABITS.filter((each) => each <= change.megabits),
        ),
        linkMegabits: null,
      }));
    case 'slotGeneration':
      return inSlot(change.slotId, (slot) => ({ ...slot, generation: change.generation }));
    case 'slotLanes':
      return inSlot(change.slotId, (slot) => ({ ...slot, lanes: slot.connectorLanes }));
    case 'slotSplits':
      return inSlot(change.slotId, (slot) => ({ ...slot, splits: known(true, 'technician') }));
    case 'frontPanel':
      return with_({
        case: {
          ...machine.case,
          frontLeads: override(machine.case.frontLeads, [
            ...(valueOf(machine.case.frontLeads) ?? []),
            { type: change.lead },
          ]),
        },
      });
  }
}

/** Plugs that a supply brings: its record lists them, as “8-pin 8-pin sata”. Those in use stay in use. */
function withSupply(supply: Machine['supply'], { limit, fits }: Extra): Machine['supply'] {
  const types = fits
    .split(/\s+/)
    .filter((each): each is PlugType => PLUG_TYPES.some((type) => type === each));
  return {
    ...supply,
    labelWatts: null,
    ageYears: known(0, 'technician'),
    twelveVoltWatts: limit === null ? supply.twelveVoltWatts : known(limit, 'technician'),
    plugs: known(
      [...new Set(types)].map((type) => ({
        type,
        count: types.filter((each) => each === type).length,
      })),
      'technician',
    ),
  };
}

/** Fewer are not split among several devices. Common practice, no source. */
const SPLITTABLE_LANES = 8;

/** Every single change that is worth a try, those that cost nothing first. */
export function changesFor(request: PlanRequest): readonly Change[] {
  const { machine, extras = [], pins = [], needs, cards } = request;
  const ofKind = (kind: Extra['kind']) => extras.filter((extra) => extra.kind === kind);
  const cheapest = (kind: Extra['kind'], fits: string) =>
    ofKind(kind)
      .filter((extra) => extra.fits === fits)
      .toSorted((a, b) => a.priceCents - b.priceCents)[0] ?? null;
  const network = asksOf(needs, 'wire');
  const panel = cheapest('bay', 'usb-19-pin');
  return [
    ...pins.map((pin): Change => ({ kind: 'dropPin', pin })),
    ...machine.slots.flatMap((slot): readonly Change[] => {
      const occupant = valueOf(slot.occupant);
      if (occupant === null || occupant.disposition === 'remove') return [];
      const record = recordOf(occupant, cards);
      return [
        {
          kind: 'giveUpCard',
          slotId: slot.id,
          name: record === null ? occupant.name : cardName(record),
        },
      ];
    }),
    ...ofKind('supply').map((extra): Change => ({ kind: 'supply', extra })),
    ...(panel === null
      ? []
      : [{ kind: 'frontPanel' as const, lead: 'usb-19-pin' as const, extra: panel }]),
    ...(network ? pathChanges(machine.path, cheapest) : []),
    ...machine.slots.flatMap((slot): readonly Change[] => {
      const now = valueOf(slot.generation);
      const next = ([2, 3, 4, 5] as const).find((generation) => generation === (now ?? 5) + 1);
      const contacts = valueOf(slot.connectorLanes);
      const lanes = valueOf(slot.lanes);
      const widened = contacts !== null && lanes !== null && lanes < contacts;
      return [
        ...(next === undefined || slot.bus === 'pci'
          ? []
          : [
              {
                kind: 'slotGeneration' as const,
                slotId: slot.id,
                generation: known(next, 'technician'),
              },
            ]),
        ...(widened ? [{ kind: 'slotLanes' as const, slotId: slot.id }] : []),
        ...(valueOf(slot.splits) === false && (lanes ?? 0) >= SPLITTABLE_LANES
          ? [{ kind: 'slotSplits' as const, slotId: slot.id }]
          : []),
      ];
    }),
    ...needs.filter(({ must }) => must).map(({ id }): Change => ({ kind: 'dropNeed', needId: id })),
  ];
}

type Cheapest = (kind: Extra['kind'], fits: string) => Extra | null;

/** Leads that carry less than both of their ends know, and devices that know less than there is. */
function pathChanges(path: Machine['path'], cheapest: Cheapest): readonly Change[] {
  return wireLinks(ETHERNET_MEGABITS, path).flatMap(({ hop, byPorts, byLeads }) => {
    const best = Math.max(0, ...(valueOf(hop.portMegabits) ?? []));
    const classes = hop.leads.flatMap(({ cable }) => valueOf(cable) ?? []);
    const kind = classes.some(isFibre) ? FIBRE_CLASSES : COPPER_CLASSES;
    const isNarrow = Math.max(0, ...byLeads) < Math.max(0, ...byPorts);
    const mayBeBetter = isNarrow || classes.length === 0 || best === 0;
    return [
      ...(mayBeBetter ? kind : [])
        .filter((cable) => !classes.includes(cable) || isNarrow)
        .map((cable): Change => ({
          kind: 'cable',
          hopId: hop.id,
          cable,
          extra: cheapest('networkCable', cable),
        })),
      ...ETHERNET_MEGABITS.filter((megabits) => megabits > best && best > 0).map(
        (megabits): Change => ({
          kind: 'hop',
          hopId: hop.id,
          megabits,
          extra: cheapest('networkSwitch', String(megabits)),
        }),
      ),
    ];
  });
}

/** The changes that make a plan possible that leaves no must, each by itself. */
export function* repairs(request: PlanRequest): Search<unknown, readonly Repair[]> {
  const found: Repair[] = [];
  for (const change of changesFor(request)) {
    const plan = yield* planning(changed(request, change));
    if (plan.cost.mustsUnmet === 0 && !isDominated(change, found)) {
      found.push({ change, cents: priceOfChange(change), plan });
    }
  }
  return found;
}

/** Of supplies, leads to a device and devices in its place the first that does is enough: they come from small to large. */
const isDominated = (change: Change, found: readonly Repair[]): boolean =>
  found.some(({ change: { kind, ...rest } }) => {
    if (kind !== change.kind) return false;
    return 'hopId' in change ? 'hopId' in rest && rest.hopId === change.hopId : kind === 'supply';
  });

/** What the change itself costs before tax; null where nobody told a price, zero where nothing is bought. */
export function priceOfChange(change: Change): number | null {
  if ('extra' in change) return change.extra?.priceCents ?? null;
  return change.kind === 'machine' || change.kind.startsWith('slot') ? null : 0;
}
