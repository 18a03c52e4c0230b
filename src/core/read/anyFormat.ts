/** Stored records of any format: older ones are brought up to date before they are read as today's. */
import { Job } from '../document/job.ts';
import { withoutDangling } from '../document/references.ts';
import { readListWith, type KeptItems, type KeptKind, type KeptReading } from './keptList.ts';
import { asReading, formatOf, readCurrentJob, type JobFileReading } from './storedJob.ts';
import { FIRST_WITHOUT_DANGLING, upgradedCard, upgradedJob, upgradedMachine } from './upgrade.ts';

/** Checks a stored record as a file is checked. */
export function readStoredJob(record: unknown): JobFileReading {
  const current = readCurrentJob(record);
  if (current !== null) return current;
  const upgraded = upgradedJob(record);
  let parsed = Job.safeParse(upgraded);
  if (formatOf(record) < FIRST_WITHOUT_DANGLING && isOnlyDangling(parsed))
    parsed = Job.safeParse(withoutDangling(upgraded as Job));
  return asReading(parsed, record);
}

const isOnlyDangling = (parsed: ReturnType<typeof Job.safeParse>): boolean =>
  !parsed.success && parsed.error.issues.every(({ code }) => code === 'custom');

const UPGRADED: Readonly<Record<KeptKind, (item: unknown) => unknown>> = {
  cards: upgradedCard,
  extras: (item) => item,
  templates: upgradedMachine,
};

/** @param record as it was kept; null where nothing was */
export const readKeptList = <Name extends KeptKind>(
  kind: Name,
  record: unknown,
): KeptReading<KeptItems[Name]> => readListWith(kind, record, UPGRADED[kind]);
