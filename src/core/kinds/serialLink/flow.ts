/** What a fast serial port carries, behind the link of its card. */
import { serialLinkBytesPerSecond } from '../../standards/serialLink.ts';
import {
  conclude,
  delivering,
  linkStages,
  linkUnknown,
  type Flow,
  type Provider,
} from '../flow.ts';
import type { SerialLinkNeed } from './need.ts';

export function serialLinkFlow(from: Provider, need: SerialLinkNeed): Flow | null {
  const provider = delivering(from, 'serialLink');
  if (provider === null) return null;
  const { gigabits, ports } = provider.delivers;
  const own = serialLinkBytesPerSecond(gigabits);
  return conclude({
    need,
    unit: 'B/s',
    wanted: need.bytesPerSecond,
    units: ports,
    // Where the link gives less, the port still comes up in its mode, and carries what the link carries.
    stages: [...linkStages(provider), { code: 'cardPort', low: own, high: own }],
    factMissing: linkUnknown(provider),
    besides:
      gigabits >= need.gigabits
        ? []
        : [
            {
              code: 'deliver.short',
              verdict: 'blocked',
              needed: need.gigabits * 1e9,
              available: gigabits * 1e9,
              unit: 'b/s',
              subject: 'cardPort',
            },
          ],
  });
}
