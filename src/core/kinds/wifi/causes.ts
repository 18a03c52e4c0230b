/** What may hold a radio back: its aerials, its band, how far away it is, and the internet plan. */
import type { Described } from '../component.ts';
import { isOf } from '../components.ts';
import type { Flow } from '../flow.ts';
import type { OfCard, ServingCard } from '../proof.ts';
import type { WifiNeed } from './need.ts';

export const wifiCauses = (
  _need: WifiNeed,
  _flow: Flow,
  _card: ServingCard,
  { all }: OfCard,
): readonly Described[] => [...all, RADIO, INTERNET];

const RADIO: Described = {
  what: 'radio',
  stages: isOf('radio'),
  checks: ['readRadio', 'lookAtAerials', 'moveNearer'],
  fallBacks: [
    { cause: 'aerialLoose', shows: { readRadio: 'weak', lookAtAerials: 'loose' } },
    { cause: 'otherBand', shows: { readRadio: 'otherBand' } },
    { cause: 'radioWeak', shows: { readRadio: 'weak', moveNearer: 'better' } },
  ],
};

const INTERNET: Described = {
  what: 'internet',
  stages: isOf('internet', 'accessWire'),
  checks: ['testByWire'],
  fallBacks: [{ cause: 'planLess', shows: { testByWire: 'slow' } }],
};
