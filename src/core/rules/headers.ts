/**
 * Internal leads: those of the case's front panel that plug into the card, and those of the card that plug into a
 * header of the board – by type, and by whether they reach. A lead that finds nothing is no obstacle: the card
 * works, and what hangs on that lead stays dead.
 */
import type { Card } from '../document/card.ts';
import { valueOf } from '../parts/fact.ts';
import type { Machine, Slot } from '../document/machine.ts';
import type { Finding } from './finding.ts';
import { openingMiddleMm } from '../placement/geometry.ts';

export function headers(card: Card, slot: Slot, machine: Machine): readonly Finding[] {
  return frontLeads(card, machine).concat(boardLeads(card, slot, machine));
}

function frontLeads({ frontHeaders }: Card, machine: Machine): readonly Finding[] {
  const leads = valueOf(machine.case.frontLeads);
  return frontHeaders.map(({ type, atMm }): Finding => {
    if (leads === null) return { code: 'header.frontUnknown', verdict: 'unknown', subject: type };
    const able = leads.filter((lead) => lead.type === type);
    if (able.length === 0)
      return { code: 'header.frontMissing', verdict: 'limited', subject: type };
    const nearest = Math.min(...able.map(({ nearestMm }) => nearestMm ?? 0));
    return nearest <= atMm
      ? { code: 'header.frontFound', verdict: 'clear', subject: type }
      : {
          code: 'header.frontShort',
          verdict: 'limited',
          subject: type,
          needed: atMm,
          available: nearest,
          unit: 'mm',
        };
  });
}

function boardLeads(card: Card, slot: Slot, machine: Machine): readonly Finding[] {
  const free = valueOf(machine.headers);
  return card.boardLeads.map(({ type, lengthMm }): Finding => {
    if (free === null) return { code: 'header.unknown', verdict: 'unknown', subject: type };
    const able = free.filter((header) => header.type === type);
    if (able.length === 0) return { code: 'header.missing', verdict: 'limited', subject: type };
    const wayMm = Math.min(...able.map((header) => headerWayMm(header, card, slot, machine)));
    return wayMm <= lengthMm
      ? { code: 'header.found', verdict: 'clear', subject: type }
      : {
          code: 'header.short',
          verdict: 'limited',
          subject: type,
          needed: Math.round(wayMm),
          available: lengthMm,
          unit: 'mm',
        };
  });
}

/**
 * How far a lead of the card has to reach to a header, in millimetres; zero where nobody measured. Leads run along the
 * edges of the board, so the way is counted along and across it. Common practice, no source.
 */
export function headerWayMm(
  { place }: NonNullable<Machine['headers']>['value'][number],
  { lengthMm }: Card,
  slot: Slot,
  machine: Machine,
): number {
  const opening = valueOf(slot.opening);
  return place === undefined || opening === null
    ? 0
    : Math.max(0, place.xMm - lengthMm) + Math.abs(place.yMm - openingMiddleMm(machine, opening));
}
