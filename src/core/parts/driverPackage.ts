/** A driver package as the driver library describes it. */
import * as z from 'zod/mini';
import { MOST, date, id, listOf, text, version } from './limits.ts';
import { Architecture, SystemFamilySchema } from './machine.ts';
import type { DeepReadonly } from '../units.ts';

export const DriverPackage = z.object({
  id,
  maker: text,
  title: text,
  version,
  /** ISO date of the release. */
  released: date,
  /** `vendor:device` in hexadecimal, as PciFunction and Card give it. */
  deviceIds: listOf(z.string().check(z.regex(/^[0-9a-f]{4}:[0-9a-f]{4}$/)), MOST.deviceIds),
  systems: listOf(
    z.object({
      family: SystemFamilySchema,
      architecture: Architecture,
      /** Lowest and highest version served; the highest is null while it is not limited. */
      from: version,
      to: z.nullable(version),
    }),
    MOST.systems,
  ),
  /** What the maker demands to be done first. */
  order: z.enum(['card-first', 'driver-first']),
  /** Part of the system itself: nothing to fetch. */
  inbox: z.boolean(),
  /** Whether it bears that the device comes and goes while the system runs; null: nobody says. */
  hotPlug: z.nullable(z.boolean()),
});
export type DriverPackage = DeepReadonly<z.infer<typeof DriverPackage>>;
