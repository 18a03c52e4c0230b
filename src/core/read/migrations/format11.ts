/** Format 11 keeps each measurement by itself, with how it was made. */
import { eachOf, isPart, type Migration } from './part.ts';

const PLAIN_RUN = {
  what: 'own',
  direction: null,
  alone: false,
  bytes: null,
  files: null,
  seconds: null,
  isCold: false,
  variant: '',
};

/** A figure was one number a need; nobody said what was copied. */
const observationOfFormat11 = (observation: unknown): unknown =>
  isPart(observation) && observation['kind'] === 'figure'
    ? {
        ...observation,
        ...PLAIN_RUN,
        kind: 'run',
        id: String(observation['id']).replace('figure', 'run').slice(0, 64),
      }
    : observation;

export const toFormat11: Migration = {
  job: (job) => ({
    ...job,
    format: 11,
    observations: eachOf(job['observations'], observationOfFormat11),
  }),
};
