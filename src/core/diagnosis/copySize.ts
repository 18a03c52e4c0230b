/** How much to copy so that a measurement says something. */
import type { Flow } from '../kinds/flow.ts';

/** A copy shorter than this is mostly start and finish. Common practice, no source. */
const LEAST_SECONDS = 20;
/** Less than this fits into the memory of most machines, and never reaches a drive. Common practice, no source. */
const LEAST_GIGABYTES = 8;
const GIGABYTE = 1e9;

/** Whole gigabytes: long enough at the expected rate, and more than memory holds back. */
export const copyGigabytes = ({ high }: Pick<Flow, 'high'>): number =>
  Math.max(LEAST_GIGABYTES, Math.ceil((high * LEAST_SECONDS) / GIGABYTE));
