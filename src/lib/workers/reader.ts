/** The worker that reads evidence: the survey stays as it is where reading is stopped. */
import type { ReaderWork } from './reader.worker';
import { stoppable } from './stoppable';

export const { ask: askReader, end: stopReader } = stoppable<ReaderWork>(
  () => new Worker(new URL('./reader.worker.ts', import.meta.url), { type: 'module' }),
);
