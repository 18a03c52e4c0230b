/** What may hold a fast serial port back: the mode that it comes up in, and the drive at its end. */
import type { Described } from '../component.ts';
import { OWN_DRIVE } from '../components.ts';
import type { Flow } from '../flow.ts';
import type { OfCard, ServingCard } from '../proof.ts';
import type { SerialLinkNeed } from './need.ts';

export const serialLinkCauses = (
  _need: SerialLinkNeed,
  _flow: Flow,
  _card: ServingCard,
  { all }: OfCard,
): readonly Described[] => [...all, PORT_LEAD, OWN_DRIVE];

const PORT_LEAD: Described = {
  what: 'portLead',
  checks: ['readPortMode', 'swapLinkLead'],
  fallBacks: [{ cause: 'linkLeadSlow', shows: { readPortMode: 'lower', swapLinkLead: 'better' } }],
};
