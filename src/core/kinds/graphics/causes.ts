/** What may hold graphics work back. */
import type { Described } from '../component.ts';
import { LEAD_ON_BOARD, PROCESSOR } from '../components.ts';
import type { Flow } from '../flow.ts';
import type { OfCard, ServingCard } from '../proof.ts';
import type { GraphicsNeed } from './need.ts';

export const graphicsCauses = (
  _need: GraphicsNeed,
  _flow: Flow,
  _card: ServingCard,
  { all }: OfCard,
): readonly Described[] => [...all, PROCESSOR, LEAD_ON_BOARD];
