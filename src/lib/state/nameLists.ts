/** The open lists of device names that were dropped once, kept in this browser. */
import type { KnownLists } from '$core/read';
import { shelved, toShelf } from './shelf';

const KEYS = { pci: 'pci-ids', usb: 'usb-ids' } as const;

/** The lists at hand, after keeping those that are new. Without a store there are none. */
export async function nameLists(fresh: KnownLists = { pci: null, usb: null }): Promise<KnownLists> {
  try {
    if (fresh.pci !== null) await toShelf(KEYS.pci, fresh.pci);
    if (fresh.usb !== null) await toShelf(KEYS.usb, fresh.usb);
    const [pci, usb] = await Promise.all([shelved(KEYS.pci), shelved(KEYS.usb)]);
    return { pci, usb };
  } catch {
    return fresh;
  }
}
