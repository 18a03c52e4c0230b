/** Does the card's edge go into the slot? Bus, connector length, open end and what stands behind it. */
import type { Card } from '../document/card.ts';
import { valueOf } from '../parts/fact.ts';
import type { Machine, Slot } from '../document/machine.ts';
import { CONNECTOR_START_MM } from '../standards/cardForm.ts';
import type { Finding } from './finding.ts';
import {
  cardEdgeEndMm,
  connectorLengthMm,
  openingMiddleMm,
  overlap,
} from '../placement/geometry.ts';

/** Half the width of the strip that a card's edge needs behind an open-ended slot. Common practice, no source. */
const EDGE_STRIP_MM = 3;

export function seat(card: Card, slot: Slot, machine: Machine): readonly Finding[] {
  if (card.bus !== slot.bus) return [{ code: 'seat.bus', verdict: 'blocked', subject: slot.bus }];
  const fits = card.m2 === null ? length(card, slot, machine) : module(card.m2, slot);
  return [...occupied(slot), ...state(slot), ...fits, ...keyed(card, slot), ...split(card, slot)];
}

/** What stands before using it; what nobody looked at is taken to be good. */
function state({ state: told }: Slot): readonly Finding[] {
  switch (valueOf(told)) {
    case 'dead':
      return [{ code: 'seat.dead', verdict: 'blocked' }];
    case 'dirty':
      return [{ code: 'seat.dirty', verdict: 'needs' }];
    case 'capped':
      return [{ code: 'seat.capped', verdict: 'needs' }];
    case 'good':
    case null:
      return [];
  }
}

/** An M.2 module: the key of its edge, its length, and whether the signal it lives on is wired at all. */
function module(m2: NonNullable<Card['m2']>, slot: Slot): readonly Finding[] {
  const { key, moduleLengthsMm, wired } = slot;
  const keys: Finding =
    key === null
      ? { code: 'seat.keyUnknown', verdict: 'unknown' }
      : m2.keys.includes(key.value)
        ? { code: 'seat.fits', verdict: 'clear' }
        : { code: 'seat.otherKey', verdict: 'blocked', subject: key.value };
  const lengths: readonly Finding[] =
    moduleLengthsMm === null
      ? [{ code: 'seat.moduleLengthUnknown', verdict: 'unknown' }]
      : moduleLengthsMm.value.includes(m2.moduleLengthMm)
        ? []
        : [
            {
              code: 'seat.moduleLength',
              verdict: 'blocked',
              needed: m2.moduleLengthMm,
              available: Math.max(0, ...moduleLengthsMm.value),
              unit: 'mm',
            },
          ];
  const signals: readonly Finding[] =
    wired === null
      ? [{ code: 'seat.wiredUnknown', verdict: 'unknown' }]
      : wired.value.includes(m2.signal)
        ? []
        : [{ code: 'seat.notWired', verdict: 'blocked', subject: m2.signal }];
  return [keys, ...lengths, ...signals];
}

/** Classic PCI: a card cut for one voltage does not go into a slot keyed for the other. */
function keyed(card: Card, slot: Slot): readonly Finding[] {
  if (card.keying === null || card.keying === 'universal') return [];
  const keying = valueOf(slot.keying);
  if (keying === null) return [{ code: 'seat.keyingUnknown', verdict: 'unknown' }];
  return keying === card.keying
    ? []
    : [{ code: 'seat.otherKeying', verdict: 'blocked', subject: keying }];
}

function split(card: Card, slot: Slot): readonly Finding[] {
  if (!card.needsSplit) return [];
  const splits = valueOf(slot.splits);
  if (splits === null) return [{ code: 'seat.splitUnknown', verdict: 'unknown' }];
  return splits
    ? [{ code: 'seat.split', verdict: 'needs' }]
    : [{ code: 'seat.noSplit', verdict: 'blocked' }];
}

function occupied(slot: Slot): readonly Finding[] {
  if (slot.occupant === null) return [{ code: 'seat.occupantUnknown', verdict: 'unknown' }];
  const occupant = slot.occupant.value;
  if (occupant === null) return [];
  return occupant.disposition !== 'stays'
    ? [{ code: 'seat.emptyFirst', verdict: 'needs', subject: occupant.name }]
    : [{ code: 'seat.occupied', verdict: 'blocked', subject: occupant.name }];
}

const FITS: readonly Finding[] = [{ code: 'seat.fits', verdict: 'clear' }];

function length(card: Card, slot: Slot, machine: Machine): readonly Finding[] {
  // The shortest card goes into every slot of its bus, whatever its length.
  if (slot.bus === 'pci' || card.lanes === 1) return FITS;
  const connector = valueOf(slot.connectorLanes);
  if (connector === null) return [{ code: 'seat.connectorUnknown', verdict: 'unknown' }];
  const figures = { needed: card.lanes, available: connector, unit: 'lanes' } as const;
  if (card.lanes <= connector) return FITS;
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
  const behind = machine.obstacles.find((obstacle) => overlap(strip, obstacle));
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
