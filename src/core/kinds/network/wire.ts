/** The wire, link by link: what each comes up at, and what is to be said of its leads. */
import type { Delivery } from '../delivery.ts';
import { valueOf } from '../../parts/fact.ts';
import type { Hop, NetworkPath } from '../../parts/networkPath.ts';
import type { Finding } from '../../rules/finding.ts';
import {
  CABLE_CLASSES,
  ETHERNET_MEGABITS,
  TWO_PAIR_MEGABITS,
  cableCarries,
  moduleFor,
  reachMetres,
  type CableClass,
  type NetworkMedium,
  type NetworkModule,
} from '../../standards/ethernet.ts';

/** From one device to the next, or from the machine's own port to the first. */
export interface WireLink {
  readonly hop: Hop;
  /** Speeds that both of its ends know, in megabits per second; those of one end where nobody told of the other. */
  readonly byPorts: readonly number[];
  /** Of these the ones that its leads carry as well. */
  readonly byLeads: readonly number[];
  /** The fastest of these; less where it was seen to come up slower. */
  readonly megabits: number;
}

const NO_SPEED = 0;
const fastest = (speeds: readonly number[]): number => Math.max(NO_SPEED, ...speeds);

/**
 * The leads of one link count as one run: as long as all of them, and of the least class among them.
 * Source: ISO/IEC 11801, a channel is of its least component (from memory).
 */
interface Run {
  readonly cable: CableClass;
  readonly metres: number;
  readonly hasBrokenPair: boolean;
}

/** Null while the class of no lead is known. */
function runOf({ leads }: Hop): Run | null {
  const classes = leads.flatMap(({ cable }) => valueOf(cable) ?? []);
  const [least] = classes.toSorted((a, b) => CABLE_CLASSES.indexOf(a) - CABLE_CLASSES.indexOf(b));
  if (least === undefined) return null;
  return {
    cable: least,
    metres: leads.reduce((sum, { metres }) => sum + (valueOf(metres) ?? 1), 0),
    hasBrokenPair: leads.some(({ condition }) => valueOf(condition) === 'brokenPair'),
  };
}

const promisedOn = (run: Run | null, speed: number): 'standard' | 'usually' | null =>
  run === null
    ? 'standard'
    : run.hasBrokenPair && speed > TWO_PAIR_MEGABITS
      ? null
      : cableCarries(run.cable, run.metres, speed);

/** @param megabits speeds of the machine's own port */
export function wireLinks(megabits: readonly number[], { hops }: NetworkPath): readonly WireLink[] {
  return hops.map((hop, n) => {
    const before = n === 0 ? megabits : valueOf(hops[n - 1]!.portMegabits);
    const there = valueOf(hop.portMegabits);
    const byPorts = (before ?? there ?? ETHERNET_MEGABITS).filter(
      (speed) => there?.includes(speed) ?? true,
    );
    const run = runOf(hop);
    const byLeads = byPorts.filter((speed) => promisedOn(run, speed) !== null);
    // What the machine's own link came up at is of the port that it has now.
    const seen = n === 0 ? null : valueOf(hop.linkMegabits);
    return { hop, byPorts, byLeads, megabits: Math.min(fastest(byLeads), seen ?? Infinity) };
  });
}

/** What the first link of the wire from whatever delivers it comes up at, in megabits per second; null: it leads nowhere. */
export const comesUpAt = (delivers: Delivery, path: NetworkPath): number | null =>
  delivers.kind === 'network' ? (wireLinks(delivers.megabits, path)[0]?.megabits ?? null) : null;

/** Whether something of the wire that decides its rate is not known. */
export const isWireUnknown = ({ hops }: NetworkPath): boolean =>
  hops.some(
    ({ portMegabits, leads }) => portMegabits === null || leads.some(({ cable }) => cable === null),
  );

/** What goes into the machine's own port where that is a cage for modules. */
export const ownModule = ({ hops }: NetworkPath): NetworkModule =>
  moduleFor(valueOf(hops[0]!.leads[0]!.cable));

/** @param megabits speeds of the machine's own port, which is of this medium */
export function wireFindings(
  megabits: readonly number[],
  medium: NetworkMedium,
  path: NetworkPath,
): readonly Finding[] {
  const own: readonly Finding[] =
    medium === 'sfp'
      ? [{ code: 'deliver.networkModule', verdict: 'needs', subject: ownModule(path) }]
      : ownModule(path) === 'copper'
        ? []
        : [{ code: 'deliver.fibreLead', verdict: 'blocked' }];
  return [...own, ...wireLinks(megabits, path).flatMap(findingsOf)];
}

function findingsOf({ hop, byPorts, byLeads, megabits }: WireLink): readonly Finding[] {
  const run = runOf(hop);
  const name = hop.name;
  if (run === null || byPorts.length === 0) return [];
  const reach = Math.max(...byPorts.map((speed) => reachMetres(run.cable, speed)));
  const best = fastest(byLeads);
  const sound = { ...run, hasBrokenPair: false };
  const unbroken = fastest(byPorts.filter((speed) => promisedOn(sound, speed) !== null));
  return [
    ...(byLeads.length === 0 && reach > 0 && run.metres > reach
      ? [tooLong(run.metres, reach)]
      : []),
    ...(best > 0 && promisedOn(run, best) === 'usually'
      ? [rate('deliver.cableUsually', best, byLeads, run)]
      : []),
    ...(unbroken > best
      ? [slower('deliver.leadBroken', name, unbroken, best)]
      : hop.leads.some(({ condition }) => valueOf(condition) === 'worn')
        ? [{ code: 'deliver.leadWorn', verdict: 'limited', subject: name } as const]
        : []),
    ...(megabits < best ? [slower('deliver.linkSlower', name, best, megabits)] : []),
  ];
}

const tooLong = (needed: number, available: number): Finding => ({
  code: 'deliver.cableTooLong',
  verdict: 'blocked',
  needed,
  available,
  unit: 'm',
});

/** The speed that it would come up at is one that the standard does not promise of the cable. */
const rate = (
  code: 'deliver.cableUsually',
  best: number,
  byLeads: readonly number[],
  run: Run,
): Finding => ({
  code,
  verdict: 'limited',
  needed: best * 1e6,
  available: fastest(byLeads.filter((speed) => promisedOn(run, speed) === 'standard')) * 1e6,
  unit: 'b/s',
});

const slower = (
  code: 'deliver.leadBroken' | 'deliver.linkSlower',
  subject: string,
  needed: number,
  available: number,
): Finding => ({
  code,
  verdict: 'limited',
  subject,
  needed: needed * 1e6,
  available: available * 1e6,
  unit: 'b/s',
});
