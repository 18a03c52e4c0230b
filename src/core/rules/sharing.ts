/** Does another slot's use take this slot's lanes away, or this card another's? */
import type { Card } from '../document/card.ts';
import { valueOf } from '../parts/fact.ts';
import type { Condition, Machine, Slot } from '../document/machine.ts';
import type { Finding } from './finding.ts';
import { holds, takes } from '../placement/lanesLeft.ts';

export function sharing(card: Card, slot: Slot, machine: Machine): readonly Finding[] {
  return machine.conditions
    .filter(({ slotId, whenSlotId }) => slotId === slot.id || whenSlotId === slot.id)
    .flatMap((condition): readonly Finding[] => {
      if (condition.slotId === slot.id) return losing(condition, slot, machine);
      return takes(condition, card) ? taking(condition, machine) : [];
    });
}

function losing(condition: Condition, slot: Slot, machine: Machine): readonly Finding[] {
  const held = holds(condition, machine, []);
  const subject = machine.slots.find(({ id }) => id === condition.whenSlotId)?.label ?? '';
  if (held === null) return [{ code: 'sharing.unknown', verdict: 'unknown', subject }];
  const lanes = valueOf(slot.lanes);
  if (!held || (lanes !== null && lanes <= condition.keepsLanes)) return [];
  const figures = {
    available: condition.keepsLanes,
    unit: 'lanes',
    ...(lanes === null ? {} : { needed: lanes }),
  } as const;
  return condition.keepsLanes === 0
    ? [{ code: 'sharing.dead', verdict: 'blocked', subject, ...figures }]
    : [{ code: 'sharing.fewerLanes', verdict: 'limited', subject, ...figures }];
}

/** A card that would take lanes from what is fitted in the other slot. */
function taking({ slotId, keepsLanes }: Condition, machine: Machine): readonly Finding[] {
  const other = machine.slots.find(({ id }) => id === slotId);
  const occupant = other === undefined ? null : valueOf(other.occupant);
  if (other === undefined || occupant === null || occupant.disposition === 'remove') return [];
  return [
    {
      code: keepsLanes === 0 ? 'sharing.kills' : 'sharing.takes',
      verdict: keepsLanes === 0 ? 'blocked' : 'limited',
      subject: occupant.name,
      available: keepsLanes,
      unit: 'lanes',
    },
  ];
}
