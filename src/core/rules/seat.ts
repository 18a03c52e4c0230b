/** Does the card's edge go into the slot? Bus, connector length, open end and what stands behind it. */
import type { Card } from '../parts/card.ts';
import { valueOf } from '../parts/fact.ts';
import type { Machine, Slot } from '../parts/machine.ts';
import { CONNECTOR_START_MM } from '../standards/cardForm.ts';
import type { Finding } from './finding.ts';
import { cardEdgeEndMm, connectorLengthMm, openingMiddleMm, overlap } from './geometry.ts';

/** Half the width of the strip that a card's edge needs behind an open-ended slot. Common practice, no source. */
const EDGE_STRIP_MM = 3;

export function seat(card: Card, slot: Slot, machine: Machine): readonly Finding[] {
  if (card.bus !== slot.bus) return [{ code: 'seat.bus', verdict: 'blocked', subject: slot.bus }];
  return [...occupied(slot), ...length(card, slot, machine)];
}

function occupied(slot: Slot): readonly Finding[] {
  if (slot.occupant === null) return [{ code: 'seat.occupantUnknown', verdict: 'unknown' }];
  const occupant = slot.occupant.value;
  return occupant === null
    ? []
    : [{ code: 'seat.occupied', verdict: 'blocked', subject: occupant.name }];
}

function length(card: Card, slot: Slot, machine: Machine): readonly Finding[] {
  const fits: Finding = { code: 'seat.fits', verdict: 'clear' };
  // The shortest card goes into every slot of its bus, whatever its length.
  if (slot.bus === 'pci' || card.lanes === 1) return [fits];
  const connector = valueOf(slot.connectorLanes);
  if (connector === null) return [{ code: 'seat.connectorUnknown', verdict: 'unknown' }];
  const figures = { needed: card.lanes, available: connector, unit: 'lanes' } as const;
  if (card.lanes <= connector) return [{ ...fits, ...figures }];
  const openEnd = valueOf(slot.openEnd);
  if (openEnd === null) return [{ code: 'seat.openEndUnknown', verdict: 'unknown', ...figures }];
  if (!openEnd) return [{ code: 'seat.tooLong', verdict: 'blocked', ...figures }];
  return (
    behindOpenEnd(card, slot, machine) ?? [{ code: 'seat.openEnd', verdict: 'clear', ...figures }]
  );
}

function behindOpenEnd(card: Card, slot: Slot, machine: Machine): readonly Finding[] | null {
  const opening = valueOf(slot.opening);
  const connector = connectorLengthMm(slot);
  if (opening === null || connector === null) return null;
  const start = CONNECTOR_START_MM + connector;
  const strip = {
    xMm: start,
    yMm: openingMiddleMm(machine, opening) - EDGE_STRIP_MM,
    widthMm: cardEdgeEndMm(card) - start,
    depthMm: 2 * EDGE_STRIP_MM,
  };
  const behind = machine.boxes.find((box) => overlap(strip, box));
  return behind === undefined
    ? null
    : [
        {
          code: 'seat.behindOpenEnd',
          verdict: 'blocked',
          subject: behind.name,
          needed: cardEdgeEndMm(card),
          available: behind.xMm,
          unit: 'mm',
        },
      ];
}
