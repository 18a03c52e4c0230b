/**
 * Links and slots as a Linux system tells them to anybody; the registers themselves it shows to root only.
 * Source: Linux kernel, Documentation/ABI/testing/sysfs-bus-pci (from memory): `max_link_speed` and its like, `slots`.
 */
import type { Express, LinkState, PciFunction } from '../../parts/pciFunction.ts';
import { generationAt } from '../../standards/pciExpress.ts';
import { inHex } from '../../units.ts';
import { linesOf } from '../lines.ts';
import type { ProblemList } from '../problem.ts';
import type { TextReader } from '../reader.ts';

export const links = {
  kind: 'links',
  name: /(^|\/|› )links$/,
  read(text, problems) {
    const said = readLinks(text, problems);
    return { found: said.links.size, says: { links: [said] } };
  },
} satisfies TextReader;

export interface SystemLinks {
  /** By the address of either end. */
  readonly links: ReadonlyMap<string, NonNullable<Express['link']>>;
  /** Numbers of slots, by the bus and device that is or would be in them. */
  readonly slots: ReadonlyMap<string, number>;
}

const LINK =
  /^([0-9a-f]{4,8}:[0-9a-f]{2}:[0-9a-f]{2}\.[0-7]) (\d{1,3}) (\d{1,3}) (Unknown|[\d.]{1,6})(?: GT\/s)?(?: PCIe)? \/ (Unknown|[\d.]{1,6})/;
const SLOT = /^slot (\d{1,4})(\S*) ([0-9a-f]{4,8}:[0-9a-f]{2}:[0-9a-f]{2})$/;
/** Written where a width is not known. */
const NO_WIDTH = 255;
const MOST_SLOT_NUMBER = 0x1fff;
/** What a port says whose slot was never numbered. */
const NO_NUMBER = 0;

function readLinks(input: string, problems: ProblemList): SystemLinks {
  const links = new Map<string, NonNullable<Express['link']>>();
  const slots = new Map<string, number>();
  for (const { raw } of linesOf(input, problems)) {
    const [, address, able, now, fastest, speed] = LINK.exec(raw) ?? [];
    const [, number, again, place] = SLOT.exec(raw) ?? [];
    if (address !== undefined) {
      const most = stateOf(fastest!, Number(able));
      if (most !== null && most.width > 0)
        links.set(address, {
          able: most,
          now: stateOf(speed!, Number(now)) ?? { generation: null, width: 0 },
        });
    } else if (place !== undefined && Number(number) <= MOST_SLOT_NUMBER) {
      // Where several slots bear one number the system tells them apart by a second one.
      slots.set(place, again === '' ? Number(number) : NO_NUMBER);
    }
  }
  return { links, slots };
}

const stateOf = (gigatransfers: string, width: number): LinkState | null =>
  width >= NO_WIDTH ? null : { generation: generationAt(Number(gigatransfers)), width };

/** A function whose registers were not readable, with what the system says of its link and its slot. */
export function withSystemLinks(fn: PciFunction, { links, slots }: SystemLinks): PciFunction {
  if (fn.express !== null) return fn;
  const link = links.get(fn.address) ?? null;
  const domain = fn.address.slice(0, fn.address.indexOf(':'));
  const place = fn.buses === null ? null : `${domain}:${inHex(fn.buses.secondary, 2)}:00`;
  const number = place === null ? undefined : slots.get(place);
  // Zero watts: no limit is known.
  const slot = number === undefined ? null : { number, powerWatts: 0 };
  return link === null && slot === null ? fn : { ...fn, express: { kind: null, link, slot } };
}
