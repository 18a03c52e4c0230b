/** A driver package as the driver library describes it. */
import * as z from 'zod/mini';
import { id, text } from './fact.ts';
import { Architecture, SystemFamily } from './machine.ts';
import type { DeepReadonly } from '../units.ts';

const Version = z.string().check(z.regex(/^\d+(\.\d+)*$/));

export const DriverPackage = z.object({
  id,
  maker: text,
  title: text,
  version: Version,
  /** ISO date of the release. */
  released: z.string().check(z.regex(/^\d{4}-\d{2}-\d{2}$/)),
  /** `vendor:device` in hexadecimal, as PciFunction and Card give it. */
  deviceIds: z.array(z.string().check(z.regex(/^[0-9a-f]{4}:[0-9a-f]{4}$/))),
  systems: z.array(
    z.object({
      family: SystemFamily,
      architecture: Architecture,
      /** Lowest and highest version served; the highest is null while it is not limited. */
      from: Version,
      to: z.nullable(Version),
    }),
  ),
  /** What the maker demands to be done first. */
  order: z.enum(['card-first', 'driver-first']),
  /** Part of the system itself: nothing to fetch. */
  inbox: z.boolean(),
});
export type DriverPackage = DeepReadonly<z.infer<typeof DriverPackage>>;
