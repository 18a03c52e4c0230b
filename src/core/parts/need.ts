/** What the customer wants, in numbers. Needs have the same kinds as what cards deliver. */
import * as z from 'zod/mini';
import { count, id, positive, text } from './fact.ts';
import type { DeepReadonly } from '../units.ts';

const common = {
  id,
  /** Must have, or nice to have. */
  must: z.boolean(),
  /** In the customer's own words. */
  words: text,
};

export const Need = z.discriminatedUnion('kind', [
  z.object({ ...common, kind: z.literal('network'), bytesPerSecond: positive }),
  z.object({
    ...common,
    kind: z.literal('usb'),
    ports: count,
    /** What one port has to carry while it works alone. */
    bytesPerSecond: positive,
  }),
  z.object({
    ...common,
    kind: z.literal('screens'),
    count,
    mode: z.object({ widthPx: count, heightPx: count, refreshHz: positive }),
  }),
  z.object({ ...common, kind: z.literal('wifi'), megabits: positive, bluetooth: z.boolean() }),
  z.object({
    ...common,
    kind: z.literal('drives'),
    ports: count,
    /** What each has to carry while all of them work together. */
    bytesPerSecond: positive,
  }),
  z.object({ ...common, kind: z.literal('sound'), channels: count }),
]);
export type Need = DeepReadonly<z.infer<typeof Need>>;
export type NeedKind = Need['kind'];

/** How many units (ports, screens, drives, or the thing itself) satisfy a need. */
export function unitsWanted(need: Need): number {
  switch (need.kind) {
    case 'usb':
    case 'drives':
      return need.ports;
    case 'screens':
      return need.count;
    case 'network':
    case 'wifi':
    case 'sound':
      return 1;
  }
}
