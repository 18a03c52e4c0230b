/** SAS drives: what each gets alone or while all work, and what drives in bays want. */
import type { Machine } from '../../document/machine.ts';
import { valueOf } from '../../parts/fact.ts';
import type { Finding } from '../../rules/finding.ts';
import { onCables } from '../drives/flow.ts';
import {
  conclude,
  delivering,
  linkStages,
  linkUnknown,
  providerId,
  type Flow,
  type Provider,
  type ProviderCard,
} from '../flow.ts';
import type { SasNeed } from './need.ts';
import { LANES_OF_CONNECTOR, SAS, SAS_DISK_BYTES_PER_SECOND } from './standard.ts';

export function sasFlow(from: Provider, need: SasNeed, machine: Machine): Flow | null {
  const provider = delivering(from, 'sas');
  if (provider === null) return null;
  const { connectors, gigabits } = provider.delivers;
  const ports = connectors * LANES_OF_CONNECTOR;
  const working = need.together ? Math.min(ports, need.count) : 1;
  const [low, high] = SAS[gigabits].practiceBytesPerSecond;
  const [least, most] = SAS_DISK_BYTES_PER_SECOND;
  const cabled = onCables({ id: need.id, these: [] }, need.count, machine);
  const flow = conclude({
    need,
    unit: 'B/s',
    wanted: need.bytesPerSecond,
    units: ports,
    stages: [
      ...linkStages(provider, working),
      {
        code: 'drivePort',
        low,
        high,
        shared: { id: `sas ${providerId(provider)}`, low, high, copies: ports },
      },
      ...(need.medium === 'hardDisk' ? [{ code: 'drive', low: least, high: most } as const] : []),
    ],
    streams: working,
    hangs: 'cables',
    factMissing: linkUnknown(provider),
    besides: [
      ...(provider.fitted === null ? [] : boots(provider.fitted.card, need, machine)),
      ...cabled.findings,
    ],
  });
  const count = Math.ceil(Math.min(flow.units, need.count) / LANES_OF_CONNECTOR);
  return {
    ...flow,
    forDrives: { ...cabled.forDrives, cables: [{ fits: 'sas-4', count }] },
  };
}

/** A machine starts from drives on a card only when the card brings start-up code that its firmware runs. */
function boots({ boot }: ProviderCard, need: SasNeed, { firmware }: Machine): readonly Finding[] {
  const kind = valueOf(firmware.kind);
  if (!need.bootable || boot === 'both' || (boot !== 'none' && boot === kind)) return [];
  return boot !== 'none' && kind === null
    ? [{ code: 'deliver.bootUnknown', verdict: 'unknown' }]
    : [{ code: 'deliver.notBootable', verdict: 'blocked' }];
}
