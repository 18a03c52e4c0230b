/** What serves a purpose of its own is there or not. */
import { conclude, delivering, type Flow, type Provider } from '../flow.ts';
import type { OtherDeviceNeed } from './need.ts';

export function otherDeviceFlow(from: Provider, need: OtherDeviceNeed): Flow | null {
  const provider = delivering(from, 'otherDevice');
  if (provider === null) return null;
  const { what, units } = provider.delivers;
  const given = what === need.what ? units : 0;
  return conclude({
    need,
    unit: 'count',
    wanted: 1,
    units: given,
    stages: [{ code: 'card', low: given, high: given }],
    factMissing: false,
    besides: what === need.what ? [] : [{ code: 'deliver.otherPurpose', verdict: 'blocked' }],
  });
}
