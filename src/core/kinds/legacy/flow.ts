/** Ports of an older age are there or not. */
import { conclude, delivering, type Flow, type Provider } from '../flow.ts';
import type { LegacyNeed } from './need.ts';

export function legacyFlow(from: Provider, need: LegacyNeed): Flow | null {
  const provider = delivering(from, 'legacy');
  if (provider === null) return null;
  const ports = provider.delivers[need.port];
  return conclude({
    need,
    unit: 'count',
    wanted: 1,
    units: ports,
    stages: [{ code: 'card', low: ports, high: ports }],
    factMissing: false,
  });
}
