/** What may hold SAS drives back: one of them, or its lane of the cable. */
import type { Described } from '../component.ts';
import { DATA_LEAD, DRIVES } from '../drives/causes.ts';
import type { Flow } from '../flow.ts';
import type { OfCard, ServingCard } from '../proof.ts';
import type { SasNeed } from './need.ts';

export const sasCauses = (
  _need: SasNeed,
  _flow: Flow,
  _card: ServingCard,
  { all }: OfCard,
): readonly Described[] => [...all, DRIVES, DATA_LEAD];
