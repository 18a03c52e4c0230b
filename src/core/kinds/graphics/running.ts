/** Graphics work as it runs. */
import { faultsAt, never, once, one, type RunningKind } from '../running.ts';
import type { GraphicsNeed } from './need.ts';

export const graphicsRunning: RunningKind<GraphicsNeed> = {
  isOverLink: never,
  isThroughCard: true,
  wobbles: true,
  feelsLink: true,
  files: () => 'solidState',
  streams: one,
  gain: once,
  // Pictures a second: what is fluent at work.
  parts: (_need, _card, _machine, _how, make) => [make('card', [30, 60])],
  faults: () => [
    ...faultsAt('processor', 'processorBusy'),
    ...faultsAt('screenLead', 'leadOnBoard'),
  ],
  missesDrive: never,
};
