/** Fast serial ports as they run. */
import { serialLinkBytesPerSecond } from '../../standards/serialLink.ts';
import { always, faultsAt, never, once, one, type RunningKind } from '../running.ts';
import type { SerialLinkNeed } from './need.ts';

export const serialLinkRunning: RunningKind<SerialLinkNeed> = {
  isOverLink: always,
  isThroughCard: true,
  wobbles: true,
  feelsLink: false,
  files: () => 'solidState',
  streams: one,
  gain: once,
  parts: (_need, { card: { delivers } }, _machine, _how, make) => {
    if (delivers.kind !== 'serialLink') return [];
    const own = serialLinkBytesPerSecond(delivers.gigabits);
    return [make('portLead', [own, own])];
  },
  faults: () => [...faultsAt('portLead', 'linkLeadSlow'), ...faultsAt('ownDrive', 'ownDriveSlow')],
  missesDrive: never,
};
