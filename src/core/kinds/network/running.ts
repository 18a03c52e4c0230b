/** A wire as it runs. */
import type { Machine } from '../../document/machine.ts';
import { valueOf } from '../../parts/fact.ts';
import { healthyCopyShare, tcpBytesPerSecond } from '../../standards/ethernet.ts';
import { PROCESSORS } from '../../standards/processors.ts';
import {
  always,
  endDriveParts,
  faultsAt,
  never,
  ownDriveParts,
  split,
  type Fault,
  type InSlot,
  type Make,
  type Measuring,
  type Part,
  type Range,
  type RunningKind,
} from '../running.ts';
import { negotiated } from './negotiated.ts';
import type { NetworkNeed } from './need.ts';

const wire = (speed: number): Range => [
  tcpBytesPerSecond(speed) * healthyCopyShare(speed),
  tcpBytesPerSecond(speed),
];

const streams = (
  { team, ports }: NetworkNeed,
  { card: { delivers } }: InSlot,
  { alone }: Measuring,
): number =>
  delivers.kind === 'network' && team === 'throughput' && !alone
    ? Math.min(delivers.ports, ports)
    : 1;

function parts(
  need: NetworkNeed,
  { card: { delivers } }: InSlot,
  machine: Machine,
  { direction, alone }: Measuring,
  make: Make,
  sharing: number,
): readonly Part[] {
  if (delivers.kind !== 'network') return [];
  const { path } = machine;
  const copies = need.team === 'throughput' && !alone ? need.ports : 1;
  const processor = valueOf(path.processor);
  const rows = processor === null ? null : PROCESSORS[processor];
  return [
    make('port', wire(Math.max(...delivers.megabits))),
    ...negotiated(delivers.megabits, path).map(({ speed }, n) =>
      make(`wire ${n}`, split(wire(speed), n === 0 ? 1 : sharing)),
    ),
    ...(rows === null
      ? []
      : [make('processor', split(need.encrypted ? rows.encrypted : rows.plain, copies))]),
    ...ownDriveParts(machine, direction === 'write' ? 'read' : 'write', make, copies),
    ...endDriveParts('farDrive', path.farDrive, path.farArray, direction, make, copies),
  ];
}

function faults(
  _need: NetworkNeed,
  { card: { delivers } }: InSlot,
  { path }: Machine,
): readonly Fault[] {
  if (delivers.kind !== 'network') return [];
  return [
    ...negotiated(delivers.megabits, path).flatMap(({ speed, lower }, n) => [
      ...(lower.length > 0
        ? faultsAt(
            `wire ${n}`,
            'leadPoor',
            'portSlow',
            ...(n === 0 ? (['portSetLower'] as const) : []),
          )
        : []),
      ...(lower.includes(100) && speed > 100 && Math.max(...lower) > 100
        ? faultsAt(`wire ${n}`, 'leadBroken')
        : []),
      ...faultsAt(`wire ${n}`, 'leadErrors'),
    ]),
    ...faultsAt('largeFrames', 'largeFramesLost'),
    ...faultsAt('processor', 'processorBusy'),
    ...faultsAt('farEnd', 'farEndBusy'),
    ...faultsAt('files', 'smallFiles'),
    ...faultsAt('ownDrive', 'ownDriveSlow'),
    ...faultsAt('farDrive', 'farDriveSlow'),
  ];
}

export const networkRunning: RunningKind<NetworkNeed> = {
  isOverLink: always,
  isThroughCard: true,
  wobbles: true,
  feelsLink: false,
  files: () => 'wire',
  streams,
  // Ports of a team show the sum.
  gain: (need, card, how) => {
    const sum = streams(need, card, how);
    return [sum, sum];
  },
  parts,
  faults,
  missesDrive: never,
};
