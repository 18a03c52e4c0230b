/** Long computations of the core, off the screen's thread. */
import { expose } from 'comlink';
import { proposePlan, readEvidence } from '$core';

const work = { proposePlan, readEvidence };
export type CoreWork = typeof work;

expose(work);
