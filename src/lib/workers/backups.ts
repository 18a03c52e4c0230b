/** The worker that makes and takes in backups: ended when it is done or stopped. */
import type { BackupWork } from './backup.worker';
import { stoppable } from './stoppable';

export const { ask: askBackups, end: endBackups } = stoppable<BackupWork>(
  () => new Worker(new URL('./backup.worker.ts', import.meta.url), { type: 'module' }),
);
