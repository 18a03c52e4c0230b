/** From format 5 on every reference leads somewhere; what led nowhere is dropped once the rest is found sound. */
import { type Migration } from './part.ts';

export const toFormat5: Migration = {
  job: (job) => ({ ...job, format: 5 }),
};
