/** What a card, or the board itself, gives towards a need. */
import type { Card } from '../parts/card.ts';
import type { DeliveryKind, DeliveryOf } from '../parts/delivery.ts';
import type { Machine, Slot } from '../parts/machine.ts';
import { unitsWanted, type Need } from '../parts/need.ts';
import { machineAround } from '../placement/housing.ts';
import { slotInUse } from '../placement/lanesLeft.ts';
import { drivesFlow } from './drives.ts';
import type { Flow, Giver } from './flow.ts';
import { networkFlow, wifiFlow } from './network.ts';
import { legacyFlow, serialLinkFlow, soundFlow, usbFlow } from './ports.ts';
import { graphicsFlow, screensFlow } from './screens.ts';

/**
 * What the card, in this slot with the lanes that others leave it, gives towards the need; null when it is of another
 * kind.
 */
export const flowOf = (card: Card, slot: Slot, need: Need, machine: Machine): Flow | null =>
  flowFrom(
    { delivers: card.delivers, fitted: { card, slot: slotInUse(slot, machine) } },
    need,
    machineAround(slot, machine),
  );

/** The same for whatever delivers. */
export function flowFrom(giver: Giver, need: Need, machine: Machine): Flow | null {
  switch (need.kind) {
    case 'network':
      return is(giver, 'network') ? networkFlow(giver, need, machine) : null;
    case 'wifi':
      return is(giver, 'wifi') ? wifiFlow(giver, need, machine) : null;
    case 'usb':
      return is(giver, 'usb') ? usbFlow(giver, need, machine) : null;
    case 'screens':
      return is(giver, 'screens') ? screensFlow(giver, need, machine) : null;
    case 'graphics':
      return is(giver, 'screens') ? graphicsFlow(giver, need) : null;
    case 'drives':
      return is(giver, 'drives') ? drivesFlow(giver, need, machine) : null;
    case 'sound':
      return is(giver, 'sound') ? soundFlow(giver, need, machine) : null;
    case 'serialLink':
      return is(giver, 'serialLink') ? serialLinkFlow(giver, need) : null;
    case 'legacy':
      return is(giver, 'legacy') ? legacyFlow(giver, need) : null;
    case 'keep':
      return null;
  }
}

const is = <Kind extends DeliveryKind>(
  giver: Giver,
  kind: Kind,
): giver is Giver<DeliveryOf<Kind>> => giver.delivers.kind === kind;

/** Whether a flow alone satisfies its need. */
export const satisfies = (flow: Flow): boolean => flow.units >= unitsWanted(flow.need);
