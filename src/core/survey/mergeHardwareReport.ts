/**
 * Cards of a hardware report that names slots and identities, but no place: each is joined to the slot in which a report of
 * devices has the same card, or else to the slot that goes by the same name.
 */
import { NO_DRIVER } from '../standards/problemCodes.ts';
import { MOST } from '../parts/limits.ts';
import {
  emptySlot,
  isSameLabel,
  occupantNamed,
  type Machine,
  type Slot,
} from '../document/machine.ts';
import { valueOf } from '../parts/fact.ts';
import { deviceId } from '../parts/pciFunction.ts';
import { addClaim } from './claims.ts';
import { FullList, freeId, isOwnName, occupantHeard } from './mergeSlots.ts';
import type { Evidence } from '../read/evidence.ts';
import type { ProblemList } from '../read/problem.ts';
import type { ReportedCard } from '../read/system/hardwareReport.ts';

type InSlot = ReportedCard & { readonly slotName: string };

export function withHardwareReport(
  machine: Machine,
  { hardware }: Evidence,
  problems: ProblemList,
): Machine {
  if (hardware === null) return machine;
  const full = new FullList('slots', MOST.slots, problems);
  const joined = new Set<string>();
  const inSlots = hardware.cards.filter((card): card is InSlot => card.slotName !== null);
  const slots = inSlots.reduce<readonly Slot[]>((soFar, card) => {
    const match = slotOf(
      card,
      soFar.filter(({ id }) => !joined.has(id)),
    );
    if (match === undefined && full.at(soFar)) return soFar;
    const slot = match ?? emptySlot(freeId(soFar, 'slot-1'), card.slotName);
    joined.add(slot.id);
    const told = withCard(slot, card, soFar);
    return match === undefined
      ? [...soFar, told]
      : soFar.map((each) => (each === match ? told : each));
  }, machine.slots);
  full.tell();
  return {
    ...machine,
    slots,
    name: machine.name === '' ? (hardware.model ?? '') : machine.name,
    inTrouble:
      hardware.cards.length === 0
        ? machine.inTrouble
        : hardware.cards.filter(isUndriven).map(trouble),
  };
}

const isUndriven = ({ driverInstalled }: ReportedCard): boolean => driverInstalled === false;

const trouble = (card: ReportedCard) => ({
  id: `PCI ${deviceId(card)}`,
  name: card.name,
  status: NO_DRIVER,
});

/** The same card somewhere else than the report has it was moved meanwhile: then the name decides. */
function slotOf(card: InSlot, slots: readonly Slot[]): Slot | undefined {
  const named = slots.find(
    // A name that was only made from a port’s number is nobody’s word.
    ({ label }) => !isOwnName(label) && isSameLabel(label, card.slotName),
  );
  if (named !== undefined) return named;
  return slots.find(({ label, occupant }) => {
    const ids = valueOf(occupant)?.ids;
    return ids != null && deviceId(ids) === deviceId(card) && isOwnName(label);
  });
}

function withCard(slot: Slot, card: InSlot, slots: readonly Slot[]): Slot {
  const { vendor, device, name, hotPlug, slotName } = card;
  const occupant = occupantHeard(
    slot.occupant,
    { ...occupantNamed(name), ids: { vendor, device } },
    'system',
  );
  const there = valueOf(occupant);
  const isFree = slots.every(({ id, label }) => id === slot.id || label !== slotName);
  return {
    ...slot,
    label: isOwnName(slot.label) && isFree ? slotName : slot.label,
    occupant:
      occupant === null || there === null || hotPlug === null
        ? occupant
        : {
            ...occupant,
            value: { ...there, hotPlug: addClaim(there.hotPlug, hotPlug, 'system', 'wiring') },
          },
  };
}
