/** What may keep a screen from its mode: its driver, its lead, or how it is set. */
import type { Described } from '../component.ts';
import { LEAD_ON_BOARD } from '../components.ts';
import type { Flow } from '../flow.ts';
import type { OfCard, ServingCard } from '../proof.ts';
import type { ScreensNeed } from './need.ts';

export const screensCauses = (
  _need: ScreensNeed,
  _flow: Flow,
  _card: ServingCard,
  { driver }: OfCard,
): readonly Described[] => [driver, SCREEN_LEAD, SCREEN_MODE];

const SCREEN_LEAD: Described = {
  what: 'screenLead',
  checks: ['lookAtScreenLead', 'swapScreenLead'],
  fallBacks: [
    ...LEAD_ON_BOARD.fallBacks,
    { cause: 'screenLeadPoor', shows: { swapScreenLead: 'better' } },
  ],
};

const SCREEN_MODE: Described = {
  what: 'screenMode',
  checks: ['readScreenMode'],
  fallBacks: [{ cause: 'screenSetLower', shows: { readScreenMode: 'setLower' } }],
};
