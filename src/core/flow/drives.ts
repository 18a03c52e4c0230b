/** Drives: what each gets alone or while all work, and whether the machine starts from them. */
import type { DeliveryOf } from '../parts/delivery.ts';
import { classIsDriven } from '../drivers/classDrivers.ts';
import { valueOf } from '../parts/fact.ts';
import type { Machine } from '../parts/machine.ts';
import { unitsNeeded, type NeedOf } from '../parts/need.ts';
import type { Finding } from '../rules/finding.ts';
import { DRIVES } from '../standards/storage.ts';
import { row } from '../units.ts';
import type { Flow, Provider, ProviderCard } from './flow.ts';
import { conclude, providerId, linkStages, linkUnknown } from './flow.ts';

export function drivesFlow(
  provider: Provider<DeliveryOf<'drives'>>,
  need: NeedOf<'drives'>,
  machine: Machine,
): Flow {
  const { delivers, fitted } = provider;
  const [low, high] = row(DRIVES, delivers.socket).practiceBytesPerSecond;
  const working = need.together ? Math.min(delivers.ports, need.ports) : 1;
  // Sockets behind a port multiplier share the controller's own port; the fullest port decides.
  const share = 1 / Math.ceil(working / delivers.ownPorts);
  return conclude({
    need,
    unit: 'B/s',
    wanted: need.bytesPerSecond,
    units: delivers.ports,
    stages: [
      ...linkStages(provider, working),
      {
        code: 'drivePort',
        low: low * share,
        high: high * share,
        shared: { id: `drives ${providerId(provider)}`, low, high, copies: delivers.ownPorts },
      },
    ],
    streams: working,
    socket: delivers.socket,
    factMissing: linkUnknown(provider),
    besides: [
      ...otherDrive(provider, need),
      ...(fitted === null
        ? []
        : [...boots(fitted.card, need, machine), ...driven(fitted.card, need, machine)]),
      ...(delivers.socket === 'm2' ? [] : bays(need, machine)),
    ],
  });
}

const otherDrive = (
  { delivers }: Provider<DeliveryOf<'drives'>>,
  need: NeedOf<'drives'>,
): readonly Finding[] =>
  need.drive === 'any' || need.drive === delivers.socket
    ? []
    : [{ code: 'deliver.otherDrive', verdict: 'blocked', subject: delivers.socket }];

/** A machine starts from drives on a card only when the card brings start-up code that its firmware runs. */
function boots(
  card: ProviderCard,
  need: NeedOf<'drives'>,
  { firmware }: Machine,
): readonly Finding[] {
  if (!need.bootable) return [];
  if (card.boot === 'none') return [{ code: 'deliver.notBootable', verdict: 'blocked' }];
  const kind = valueOf(firmware.kind);
  if (card.boot === 'both' || card.boot === kind) return [];
  return kind === null
    ? [{ code: 'deliver.bootUnknown', verdict: 'unknown' }]
    : [{ code: 'deliver.notBootable', verdict: 'blocked' }];
}

function driven(
  card: ProviderCard,
  need: NeedOf<'drives'>,
  { system }: Machine,
): readonly Finding[] {
  if (!need.systemDriver) return [];
  const state = classIsDriven(card.ids.class24, system);
  if (state === 'yes') return [];
  return state === 'unknown'
    ? [{ code: 'deliver.ownDriverUnknown', verdict: 'unknown' }]
    : [{ code: 'deliver.ownDriver', verdict: 'blocked' }];
}

/** Drives on cables want bays; those on the card itself do not. */
function bays(need: NeedOf<'drives'>, machine: Machine): readonly Finding[] {
  const there = valueOf(machine.case.bays);
  const needed = unitsNeeded(need);
  if (there === null || there >= needed) return [];
  return [{ code: 'deliver.fewBays', verdict: 'limited', needed, available: there, unit: 'count' }];
}
