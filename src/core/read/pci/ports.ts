/** The tree of ports, and for every port with a slot what sits in it and how the link between them trained. */
import { inHex } from '../../units.ts';
import { CLASS_BRIDGE, className } from '../../standards/pciClasses.ts';
import { LINK_WIDTHS, trainedLink, type Link } from '../../standards/pciExpress.ts';
import { deviceId, type LinkState, type PciFunction } from '../../parts/pciFunction.ts';

export interface TreeNode {
  readonly function: PciFunction;
  readonly children: readonly TreeNode[];
}

/** What all ports of one switch share on their way to the processor. */
interface SharedUplink extends Link {
  /** The port by which the switch hangs on what is above it. */
  readonly address: string;
}

export interface PortWithSlot {
  readonly port: PciFunction;
  /** Null where the port does not belong to a switch. */
  readonly uplink: SharedUplink | null;
  readonly slotNumber: number;
  readonly powerWatts: number;
  /** What the port can do at most; null where it reports no link. */
  readonly able: Link | null;
  /** What sits in the slot, a bridge on the card looked through, or null where the slot is empty. */
  readonly occupant: PciFunction | null;
  /** What the link trained to; null while it is down. */
  readonly trained: Link | null;
  /** What both ends could do together; null where one of them does not say. */
  readonly bothAble: Link | null;
  readonly belowAble: boolean;
}

const busOf = (address: string): string => address.slice(0, address.lastIndexOf(':'));

const busBehind = (bridge: PciFunction): string | null =>
  bridge.buses === null || bridge.buses.secondary === 0
    ? null
    : `${bridge.address.split(':')[0] ?? ''}:${inHex(bridge.buses.secondary, 2)}`;

/** Bridges behind bridges: a tree that is deeper goes on as a tree of its own. No machine comes near. */
const MOST_DEPTH = 32;

/** Functions as a tree: what lies on a bridge's bus hangs below it. A loop of bridges is cut. */
export function portTree(functions: readonly PciFunction[]): readonly TreeNode[] {
  const byBus = groupByBus(functions);
  const placed = new Set<string>();
  const grow = (fn: PciFunction, depth: number): TreeNode => {
    placed.add(fn.address);
    if (depth === MOST_DEPTH) return { function: fn, children: [] };
    const below = (byBus.get(busBehind(fn) ?? '') ?? []).filter((c) => !placed.has(c.address));
    for (const child of below) placed.add(child.address);
    return { function: fn, children: below.map((child) => grow(child, depth + 1)) };
  };
  const behind = new Set(functions.map(busBehind));
  const roots = functions.filter((fn) => !behind.has(busOf(fn.address))).map((fn) => grow(fn, 0));
  const cut = functions.filter((fn) => !placed.has(fn.address));
  return [...roots, ...cut.flatMap((fn) => (placed.has(fn.address) ? [] : [grow(fn, 0)]))];
}

/** Every port with a slot, in the order of the reading. */
export function portsWithSlots(functions: readonly PciFunction[]): readonly PortWithSlot[] {
  const byBus = groupByBus(functions);
  const bridges = bridgesByBus(functions);
  const hasSlot = ({ express }: PciFunction) => express?.slot != null;
  return functions.flatMap((port) => {
    const slot = port.express?.slot;
    // Where nobody tells the bus behind a port whose link is up, nobody tells what is in its slot.
    const isUp = (port.express?.link?.now.width ?? 0) > 0;
    if (slot == null || (port.buses === null && isUp)) return [];
    const neighbour = (byBus.get(busBehind(port) ?? '') ?? [])[0] ?? null;
    const able = linkOf(port.express?.link?.able);
    const trained = linkOf(port.express?.link?.now);
    const theirs = linkOf(neighbour?.express?.link?.able);
    const bothAble = able && theirs && trainedLink(able, theirs);
    return [
      {
        port,
        uplink: sharedUplink(port, bridges),
        slotNumber: slot.number,
        powerWatts: slot.powerWatts,
        able,
        occupant: neighbour && throughBridges(neighbour, byBus, hasSlot),
        trained: neighbour && trained,
        bothAble,
        belowAble:
          trained !== null &&
          bothAble !== null &&
          (trained.generation < bothAble.generation || trained.width < bothAble.width),
      },
    ];
  });
}

/** The ports with a slot above every function, the nearest first; none for what sits on the board. */
export function portsAbove(
  functions: readonly PciFunction[],
): ReadonlyMap<string, readonly PortWithSlot[]> {
  const withSlot = new Map(portsWithSlots(functions).map((each) => [each.port.address, each]));
  const above = new Map<string, readonly PortWithSlot[]>();
  const walk = ({ function: fn, children }: TreeNode, ports: readonly PortWithSlot[]): void => {
    above.set(fn.address, ports);
    const own = withSlot.get(fn.address);
    const below = own === undefined ? ports : [own, ...ports];
    for (const child of children) walk(child, below);
  };
  for (const root of portTree(functions)) walk(root, []);
  return above;
}

/** Whether a report had a name for a device, and not only “Device”. */
export const isNamed = (name: string | null): name is string =>
  name !== null && !/(^|: |\s)Device$/.test(name);

/** A short name for a function: as printed, or its class and identity where the report had no name for it. */
export function functionName(fn: PciFunction): string {
  return isNamed(fn.name) ? fn.name : `${className(fn.classCode)} [${deviceId(fn)}]`;
}

function groupByBus(functions: readonly PciFunction[]): ReadonlyMap<string, PciFunction[]> {
  const byBus = new Map<string, PciFunction[]>();
  for (const fn of functions) {
    const bus = busOf(fn.address);
    const sharing = byBus.get(bus);
    if (sharing === undefined) byBus.set(bus, [fn]);
    else sharing.push(fn);
  }
  return byBus;
}

/**
 * Cards with a switch or bridge of their own show it first: the device behind it is what the technician knows. What is
 * behind a port with a slot of its own sits in that slot.
 */
function throughBridges(
  fn: PciFunction,
  byBus: ReadonlyMap<string, readonly PciFunction[]>,
  hasSlot: (fn: PciFunction) => boolean,
): PciFunction {
  const seen = new Set<string>();
  let current = fn;
  while (current.classCode === CLASS_BRIDGE && !seen.has(current.address)) {
    seen.add(current.address);
    const below = (byBus.get(busBehind(current) ?? '') ?? []).filter((each) => !hasSlot(each));
    const next = below.find((candidate) => candidate.classCode !== CLASS_BRIDGE) ?? below[0];
    if (next === undefined) break;
    current = next;
  }
  return current;
}

/** The first bridge that has each bus behind it. */
function bridgesByBus(functions: readonly PciFunction[]): ReadonlyMap<string, PciFunction> {
  const bridges = new Map<string, PciFunction>();
  for (const fn of functions) {
    const bus = busBehind(fn);
    if (bus !== null && !bridges.has(bus)) bridges.set(bus, fn);
  }
  return bridges;
}

function sharedUplink(
  port: PciFunction,
  bridges: ReadonlyMap<string, PciFunction>,
): SharedUplink | null {
  if (port.express?.kind !== 'downstreamPort') return null;
  const above = (fn: PciFunction) => bridges.get(busOf(fn.address));
  const upstream = above(port);
  const root = upstream && above(upstream);
  const theirs = linkOf(upstream?.express?.link?.able);
  const roots = linkOf(root?.express?.link?.able);
  if (upstream === undefined || theirs === null) return null;
  return { address: upstream.address, ...(roots === null ? theirs : trainedLink(theirs, roots)) };
}

export function linkOf(state: LinkState | undefined): Link | null {
  const widths: readonly number[] = LINK_WIDTHS;
  // 0: the link is down; other widths than those that are made mean nothing.
  if (state === undefined || state.generation === null || !widths.includes(state.width))
    return null;
  return { generation: state.generation, width: state.width };
}
