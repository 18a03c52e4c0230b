/** Drivers without a card: of devices that do not work, or newer ones for a kind of device. */
import * as z from 'zod/mini';
import type { DeepReadonly } from '../../units.ts';
import { asAsked, common, no, none, nothing, type NeedKind } from '../needKind.ts';

const DRIVER_SCOPES = ['failing', 'display', 'network', 'all'] as const;

const schema = z.object({ ...common, kind: z.literal('drivers'), scope: z.enum(DRIVER_SCOPES) });
export type DriversNeed = DeepReadonly<z.infer<typeof schema>>;

export const driversNeed = {
  schema,
  plain: { kind: 'drivers', scope: 'failing' },
  servedBy: [],
  asks: [],
  runs: [],
  measuredBy: [],
  readings: [],
  warms: 'other',
  units: () => 1,
  pool: nothing,
  isAtFront: no,
  mounted: nothing,
  keeps: nothing,
  settled: none,
  extras: none,
  direction: nothing,
  asMeasured: asAsked,
  files: () => 'solidState',
  measures: none,
} as const satisfies NeedKind<DriversNeed>;
