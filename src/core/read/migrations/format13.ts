/** Format 13 keeps what is done as records, where it was ticked by strings until then. */
import { eachOf, type Migration } from './part.ts';
import { actsOfTicks, entryOfFormat13 } from './ticks.ts';

export const toFormat13: Migration = {
  job: ({ ticks, spentSeconds, ...job }) => ({
    ...job,
    format: 13,
    acts: actsOfTicks({ ...job, ticks, spentSeconds }),
    log: eachOf(job['log'], (entry) => entryOfFormat13(entry, job['machine'])),
  }),
};
