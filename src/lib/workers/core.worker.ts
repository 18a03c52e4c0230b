/** Long computations of the core, off the screen's thread. */
import { expose } from 'comlink';
import { proposePlan, readLspci } from '$core';

const work = { proposePlan, readLspci };
export type CoreWork = typeof work;

expose(work);
