/** Components that several kinds of need go through. */
import type { StageCode } from './stages.ts';
import type { Described } from './component.ts';
import type { RunTest } from '../parts/run.ts';

export const isOf =
  (...codes: readonly StageCode[]) =>
  ({ code }: { readonly code: StageCode }): boolean =>
    codes.includes(code);

export const PROCESSOR: Described = {
  what: 'processor',
  stages: isOf('processor'),
  checks: ['watchProcessor'],
  fallBacks: [{ cause: 'processorBusy', shows: { watchProcessor: 'busy' } }],
};

/** What was copied: a folder of small files shows its own figure, and nothing is wrong. */
export const FILES: Described = {
  what: 'files',
  checks: ['lookAtFiles'],
  fallBacks: [
    {
      cause: 'smallFiles',
      shows: { lookAtFiles: 'small' },
      // It lets through as much as ever: each stage does less of it.
      carries: () => null,
    },
  ],
};

export const withoutDrives = ({ what }: RunTest): boolean => what === 'wire';

export const OWN_DRIVE: Described = {
  what: 'ownDrive',
  stages: isOf('ownDrive', 'ownDrivePort'),
  checks: ['testDrive'],
  fallBacks: [{ cause: 'ownDriveSlow', shows: { testDrive: 'slow' }, spares: withoutDrives }],
};

export const LEAD_ON_BOARD: Described = {
  what: 'screenLead',
  checks: ['lookAtScreenLead'],
  fallBacks: [{ cause: 'leadOnBoard', shows: { lookAtScreenLead: 'onBoard' } }],
};
