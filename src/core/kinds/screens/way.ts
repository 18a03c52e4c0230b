/** Screens on a card. */
import { asItIs, servedByCards, type Way } from '../way.ts';
import { screensFlow } from './flow.ts';
import { joinScreens } from './join.ts';
import type { ScreensNeed } from './need.ts';

export const screensWay: Way<ScreensNeed> = {
  flow: screensFlow,
  stands: servedByCards,
  proven: asItIs,
  join: joinScreens,
};
