/** From format 7 on a package says by what it drives a device; until then it was a list of its devices. */
import { eachOf, isPart, type Migration } from './part.ts';

const packageOfFormat7 = (each: unknown): unknown => {
  if (!isPart(each)) return each;
  const { inbox, deviceIds, systems, ...rest } = each;
  return {
    ...rest,
    channel: inbox === true ? 'system' : 'recommended',
    says: { kind: 'listed', deviceIds, systems },
    installer: null,
    firmware: null,
    bootParameter: null,
    files: [],
  };
};

export const toFormat7: Migration = {
  job: (job) => ({
    packages: [],
    driverWays: {
      source: 'maker',
      oldDriver: 'light',
      removal: 'before',
      installation: 'driverOnly',
    },
    ...job,
    format: 7,
    plan: isPart(job['plan'])
      ? { ...job['plan'], packages: eachOf(job['plan']['packages'], packageOfFormat7) }
      : job['plan'],
  }),
};
