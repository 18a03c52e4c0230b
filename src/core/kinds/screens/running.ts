/** Screens as they run. */
import { faultsAt, never, once, one, type RunningKind } from '../running.ts';
import type { ScreensNeed } from './need.ts';

export const screensRunning: RunningKind<ScreensNeed> = {
  isOverLink: never,
  isThroughCard: false,
  wobbles: false,
  feelsLink: false,
  files: () => 'solidState',
  streams: one,
  gain: once,
  parts: ({ mode }, _card, _machine, _how, make) => [
    make('screenMode', [mode.refreshHz, mode.refreshHz]),
  ],
  faults: () => [
    ...faultsAt('screenLead', 'leadOnBoard', 'screenLeadPoor'),
    ...faultsAt('screenMode', 'screenSetLower'),
  ],
  missesDrive: never,
};
