/** Screens on a card. */
import { asItIs, nothingSeen, servedByCards, type Way } from '../way.ts';
import { screensCauses } from './causes.ts';
import { screensFlow } from './flow.ts';
import { joinScreens } from './join.ts';
import type { ScreensNeed } from './need.ts';

export const screensWay: Way<ScreensNeed> = {
  flow: screensFlow,
  stands: servedByCards,
  proven: asItIs,
  join: joinScreens,
  causes: screensCauses,
  seen: nothingSeen,
};
