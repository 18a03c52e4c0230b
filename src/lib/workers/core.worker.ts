/** Long computations of the core, off the screen's thread. */
import { expose } from 'comlink';
import { planWork } from './planWork';

type Reader = (typeof import('./evidenceWork'))['readEvidence'];

const work = {
  ...planWork,
  readEvidence: async (...asked: Parameters<Reader>): Promise<ReturnType<Reader>> =>
    (await import('./evidenceWork')).readEvidence(...asked),
};
export type CoreWork = typeof work;

expose(work);
