/** Does the case have the front-panel leads that the card's headers are for? */
import type { Card } from '../parts/card.ts';
import { valueOf } from '../parts/fact.ts';
import type { Machine } from '../parts/machine.ts';
import type { Finding } from './finding.ts';

/** A header without a lead is no obstacle: the card works, its front sockets stay dead. */
export function frontLeads(card: Card, machine: Machine): readonly Finding[] {
  const there = valueOf(machine.case.frontLeads);
  if (there === null) return [];
  return card.frontHeaders.map((header) =>
    there.includes(header)
      ? { code: 'front.leadFound', verdict: 'clear', subject: header }
      : { code: 'front.noLead', verdict: 'limited', subject: header },
  );
}
