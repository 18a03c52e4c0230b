/** SAS drives as they run. */
import { always, faultsAt, never, once, type RunningKind } from '../running.ts';
import type { SasNeed } from './need.ts';
import { SAS, SAS_DISK_BYTES_PER_SECOND } from './standard.ts';

export const sasRunning: RunningKind<SasNeed> = {
  isOverLink: always,
  isThroughCard: true,
  wobbles: true,
  feelsLink: false,
  files: ({ medium }) => (medium === 'hardDisk' ? 'disk' : 'solidState'),
  streams: ({ together, count }, { card: { delivers } }, { alone }) =>
    delivers.kind === 'sas' && together && !alone ? Math.min(delivers.connectors * 4, count) : 1,
  gain: once,
  parts: ({ medium }, { card: { delivers } }, _machine, _how, make) =>
    delivers.kind === 'sas'
      ? [
          make('dataLead', SAS[delivers.gigabits].practiceBytesPerSecond),
          ...(medium === 'hardDisk' ? [make('drives', SAS_DISK_BYTES_PER_SECOND, true)] : []),
        ]
      : [],
  faults: () => [...faultsAt('drives', 'driveSlow'), ...faultsAt('dataLead', 'dataLeadPoor')],
  missesDrive: never,
};
