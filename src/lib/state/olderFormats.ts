/** Reads what is kept, whatever its format: what brings older ones up to date is loaded once one is met. */
import {
  readCurrentJob,
  readCurrentList,
  type JobFileReading,
  type KeptItems,
  type KeptKind,
  type KeptReading,
} from '$core/read';

const older = () => import('./olderParts');

export const readRecord = async (record: unknown): Promise<JobFileReading> =>
  readCurrentJob(record) ?? (await older()).readStoredJob(record);

export const readList = async <Kind extends KeptKind>(
  kind: Kind,
  record: unknown,
): Promise<KeptReading<KeptItems[Kind]>> =>
  readCurrentList(kind, record) ?? (await older()).readKeptList(kind, record);

export const readFile = async (text: string): Promise<JobFileReading> =>
  (await older()).readJobFile(text);
