/** Wires as they come up: each end says what it knows, the leads let through what they let through, and the fastest of that is it. */
import type { Delivery } from '../delivery.ts';
import { valueOf } from '../../parts/fact.ts';
import type { Hop, NetworkPath } from '../../parts/networkPath.ts';
import { CABLE_CLASSES, ETHERNET_MEGABITS, cableCarries } from '../../standards/ethernet.ts';

export interface Negotiated {
  /** In megabits per second; zero: no link. */
  readonly speed: number;
  /** Slower ones that both ends and the leads know as well. */
  readonly lower: readonly number[];
}

/** @param own speeds of the machine's port */
export function negotiated(own: readonly number[], { hops }: NetworkPath): readonly Negotiated[] {
  let here = own;
  return hops.map((hop, n) => {
    const there = valueOf(hop.portMegabits);
    const both = there === null ? here : there.filter((speed) => here.includes(speed));
    const through = both.filter((speed) => letsThrough(hop, speed)).toSorted((a, b) => b - a);
    const shown = n === 0 ? valueOf(hop.linkMegabits) : null;
    here = there ?? ETHERNET_MEGABITS;
    const speed = Math.min(through[0] ?? 0, shown ?? Infinity);
    return { speed, lower: through.filter((each) => each < speed) };
  });
}

/** The wires from whatever delivers them; none from anything else. */
export const wiresFrom = (delivers: Delivery, path: NetworkPath): readonly Negotiated[] =>
  delivers.kind === 'network' ? negotiated(delivers.megabits, path) : [];

/** All leads of a link are one run: as long as all of them, as good as the worst. */
function letsThrough({ leads }: Hop, speed: number): boolean {
  const classes = leads.flatMap(({ cable }) => valueOf(cable) ?? []);
  if (classes.length === 0) return true;
  const worst = CABLE_CLASSES.find((each) => classes.includes(each))!;
  const metres = leads.reduce((sum, lead) => sum + (valueOf(lead.metres) ?? 1), 0);
  const isBroken = leads.some(({ condition }) => valueOf(condition) === 'brokenPair');
  return !(isBroken && speed > 100) && cableCarries(worst, metres, speed) !== null;
}
