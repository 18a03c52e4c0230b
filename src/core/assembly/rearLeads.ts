/** What plugs in where behind the machine: the sockets of each card and of the board, and the other end of each lead. */
import type { Flow } from '../flow/flow.ts';
import type { Delivery } from '../kinds/delivery.ts';
import { valueOf } from '../parts/fact.ts';
import type { Machine } from '../document/machine.ts';
import { unitsNeeded, type Need } from '../kinds/need.ts';
import type { Placed } from '../placement/lanesLeft.ts';
import { REAR_SOCKET_KINDS, type RearSocketKind } from '../standards/rearSockets.ts';
import { ADAPTERS, OUTPUTS, type ScreenAdapter } from '../standards/screens.ts';
import { servesIn } from './serves.ts';

/** What a lead from a socket leads to. */
export type LeadEnd =
  | {
      readonly to: 'screen';
      /** Counted from one, as the need counts them. */
      readonly number: number;
      /** Null where no report told it. */
      readonly name: string | null;
      readonly adapter: ScreenAdapter | null;
    }
  /** The input of another card beside it. */
  | { readonly to: 'otherCard'; readonly adapter: ScreenAdapter | null }
  | { readonly to: 'farEnd' | 'usbDevice' | 'speakers' | 'device' | 'box' }
  /** The aerial is screwed on: it has no lead. */
  | { readonly to: 'aerial' }
  /** Nothing is joined to it yet. */
  | { readonly to: 'free' };

/** Sockets of one kind side by side whose leads go to the same. */
export interface RearSockets {
  readonly kind: RearSocketKind;
  readonly count: number;
  readonly end: LeadEnd;
}

/** @param slotId null for the board's own ports */
export interface RearPorts {
  readonly slotId: string | null;
  readonly sockets: readonly RearSockets[];
}

const FREE: LeadEnd = { to: 'free' };

/** Of each placed card, in their order; a card without sockets at the back has none. */
export function rearLeads(
  placed: readonly Placed[],
  needs: readonly Need[],
  machine: Machine,
): readonly RearPorts[] {
  const serves = servesIn(needs, machine);
  return rearLeadsOf(
    placed.map(({ card, slot }) => ({ card, slot, flows: serves(card, slot) })),
    machine,
  );
}

/** The same of cards of which it is known what they give to each need. */
export function rearLeadsOf(
  cards: readonly (Placed & { readonly flows: readonly Flow[] })[],
  machine: Machine,
): readonly RearPorts[] {
  const served: Served = new Map();
  return cards.map(({ card, slot, flows }) => ({
    slotId: slot.id,
    sockets: together(joined(rearSocketsOf(card.delivers), flows, machine, served)),
  }));
}

/** Units of each need that cards before this one give, so that nothing is joined twice. */
type Served = Map<string, number>;

/** What the board itself shows at the back; what hangs on it is not asked. */
export const boardSockets = (machine: Machine): readonly RearSockets[] =>
  together(
    (valueOf(machine.builtIn) ?? [])
      .flatMap(rearSocketsOf)
      .map((kind): RearSockets => ({ kind, count: 1, end: FREE })),
  );

/** Sockets at the back, in the order in which the catalogue lists them. */
export function rearSocketsOf(delivers: Delivery): readonly RearSocketKind[] {
  switch (delivers.kind) {
    case 'screens':
      return delivers.outputs.flatMap(({ signal, count }) => {
        const { socket } = OUTPUTS[signal];
        return times(socket === 'digital' ? 'dvi' : socket, count);
      });
    case 'network':
      return times('network', delivers.ports);
    case 'usb':
      return [...times('usbA', delivers.ports - delivers.typeC), ...times('usbC', delivers.typeC)];
    case 'wifi':
      return times('aerial', delivers.aerials);
    case 'sound':
      return [
        ...times('jack', Math.ceil(delivers.channels / 2) + delivers.inputs),
        ...times('optical', delivers.optical ? 1 : 0),
      ];
    case 'serialLink':
      return times('usbC', delivers.ports);
    case 'legacy':
      return [...times('serial', delivers.serial), ...times('parallel', delivers.parallel)];
    case 'otherDevice':
      return delivers.socket === null ? [] : times(delivers.socket, delivers.units);
    case 'drives':
      return [];
  }
}

const times = (kind: RearSocketKind, count: number): readonly RearSocketKind[] =>
  Array.from({ length: Math.max(0, count) }, () => kind);

/** What each socket is joined to, by the needs that its card serves. */
function joined(
  kinds: readonly RearSocketKind[],
  flows: readonly Flow[],
  machine: Machine,
  served: Served,
): readonly RearSockets[] {
  const ends: (LeadEnd | null)[] = kinds.map((kind) =>
    kind === 'aerial' ? { to: 'aerial' } : null,
  );
  /** The first socket that is free and of one of these kinds. */
  const join = (some: readonly RearSocketKind[], end: LeadEnd): boolean => {
    const at = kinds.findIndex((kind, n) => ends[n] === null && some.includes(kind));
    if (at >= 0) ends[at] = end;
    return at >= 0;
  };
  for (const flow of flows) {
    const { need } = flow;
    const before = served.get(need.id) ?? 0;
    const count = Math.min(flow.units, unitsNeeded(need) - before);
    served.set(need.id, before + count);
    const way = WAYS[need.kind];
    if (need.kind === 'screens') joinScreens(flow, before, count, machine, join);
    else if (way !== undefined && (need.kind !== 'usb' || need.where === 'rear'))
      for (let n = 0; n < count; n += 1) join(way.kinds, { to: way.to });
  }
  return kinds.map((kind, n) => ({ kind, count: 1, end: ends[n] ?? FREE }));
}

const WAYS: Readonly<
  Partial<
    Record<
      Need['kind'],
      {
        readonly kinds: readonly RearSocketKind[];
        readonly to: 'farEnd' | 'usbDevice' | 'speakers' | 'device' | 'box';
      }
    >
  >
> = {
  network: { kinds: ['network'], to: 'farEnd' },
  usb: { kinds: ['usbA', 'usbC'], to: 'usbDevice' },
  sound: { kinds: ['jack'], to: 'speakers' },
  legacy: { kinds: ['serial', 'parallel'], to: 'device' },
  otherDevice: { kinds: REAR_SOCKET_KINDS, to: 'device' },
  serialLink: { kinds: ['usbC'], to: 'box' },
};

/** Straight leads first, as the plan reckons; what is left goes through the plan's adapters. */
function joinScreens(
  { need, adapters }: Flow,
  before: number,
  count: number,
  { screens }: Machine,
  join: (kinds: readonly RearSocketKind[], end: LeadEnd) => boolean,
): void {
  const left = [...adapters];
  const isLoop = need.kind === 'screens' && need.into === 'card';
  const wanted = Array.from({ length: count }, (_, n) => {
    const screen = isLoop ? undefined : screens[before + n];
    return {
      number: before + n + 1,
      name: screen?.name ?? null,
      input: (need.kind === 'screens' ? need.input : null) ?? valueOf(screen?.input ?? null),
    };
  });
  const endOf = ({ number, name }: (typeof wanted)[number], adapter: ScreenAdapter | null) =>
    isLoop
      ? ({ to: 'otherCard', adapter } as const)
      : ({ to: 'screen', number, name, adapter } as const);
  const any: readonly RearSocketKind[] = [
    'displayport',
    'miniDisplayport',
    'usbC',
    'hdmi',
    'dvi',
    'analogue',
  ];
  const through = wanted.filter((each) => {
    const { input } = each;
    const straight = input === null || input === 'digital' ? any : [input];
    return !join(straight, endOf(each, null));
  });
  for (const each of through) {
    const adapter = left.shift() ?? null;
    const from = adapter === null ? null : ADAPTERS[adapter].from;
    join(from === null || from === 'digital' ? any : [from], endOf(each, adapter));
  }
}

/** Neighbours of one kind that lead to the same are told as one; a screen is one by itself. */
function together(sockets: readonly RearSockets[]): readonly RearSockets[] {
  const groups: RearSockets[] = [];
  for (const each of sockets) {
    const last = groups.at(-1);
    const isSame =
      last !== undefined &&
      last.kind === each.kind &&
      last.end.to === each.end.to &&
      each.end.to !== 'screen';
    if (isSame) groups[groups.length - 1] = { ...last, count: last.count + each.count };
    else groups.push(each);
  }
  return groups;
}
