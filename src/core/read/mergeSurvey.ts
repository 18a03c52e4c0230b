/**
 * Brings what the machine reported of itself into its survey. Registers and text are better witnesses of
 * lanes, generation and power than a template or a label, so they win; what they cannot know stays as it was.
 */
import { known, valueOf, type Witness } from '../parts/fact.ts';
import { emptySlot, vacant, type Machine, type Slot } from '../parts/machine.ts';
import type { PciReading } from './lspci.ts';
import { functionName, portsWithSlots, type PortWithSlot } from './ports.ts';

/** The machine with the reading's devices, and one slot for every port that has one. */
export function mergeSurvey(machine: Machine, reading: PciReading): Machine {
  const ports = portsWithSlots(reading.functions).toSorted((a, b) => a.slotNumber - b.slotNumber);
  const slots = ports.reduce<readonly Slot[]>((soFar, port) => {
    const witness: Witness = reading.fromRegisters.has(port.port.address) ? 'registers' : 'text';
    const match = findSlot(soFar, port);
    const slot = withPort(match ?? newSlot(soFar, port), port, witness);
    return match === undefined ? [...soFar, slot] : soFar.map((s) => (s === match ? slot : s));
  }, machine.slots);
  return { ...machine, slots, functions: reading.functions };
}

function findSlot(slots: readonly Slot[], port: PortWithSlot): Slot | undefined {
  return (
    slots.find((slot) => valueOf(slot.port) === port.port.address) ??
    slots.find((slot) => slot.port === null && valueOf(slot.number) === port.slotNumber)
  );
}

function newSlot(slots: readonly Slot[], port: PortWithSlot): Slot {
  let id = `port-${port.slotNumber}`;
  for (let n = 2; slots.some((slot) => slot.id === id); n += 1) id = `port-${port.slotNumber}-${n}`;
  return emptySlot(id, `Slot #${port.slotNumber}`);
}

function withPort(slot: Slot, port: PortWithSlot, witness: Witness): Slot {
  return {
    ...slot,
    number: known(port.slotNumber, witness),
    port: known(port.port.address, witness),
    lanes: port.able === null ? slot.lanes : known(port.able.width, witness),
    generation: port.able === null ? slot.generation : known(port.able.generation, witness),
    // Zero is what firmware leaves in the register when it has not set a limit: not a fact.
    powerWatts: port.powerWatts === 0 ? slot.powerWatts : known(port.powerWatts, witness),
    occupant: occupantOf(slot, port, witness),
  };
}

function occupantOf(slot: Slot, port: PortWithSlot, witness: Witness): Slot['occupant'] {
  if (port.occupant === null) return vacant(witness);
  const before = valueOf(slot.occupant);
  const name = functionName(port.occupant).slice(0, 200);
  return known(
    { name, openings: before?.openings ?? null, lengthMm: before?.lengthMm ?? null },
    witness,
  );
}
