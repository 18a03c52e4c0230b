/** The wire, from the port through cables and devices to the drives at its far end. */
import type { Machine } from '../../document/machine.ts';
import type { StageCode } from '../stages.ts';
import type { Hop } from '../../parts/networkPath.ts';
import { healthyCopyShare, tcpBytesPerSecond } from '../../standards/ethernet.ts';
import {
  conclude,
  delivering,
  providerId,
  lacking,
  linkStages,
  linkUnknown,
  sharedStage,
  type Flow,
  type FlowStage,
  type Provider,
} from '../flow.ts';
import type { NetworkCard } from './card.ts';
import type { NetworkNeed } from './need.ts';
import { farDriveStages, ownDriveStages, processorStage } from '../copyEnds.ts';
import { isWireUnknown, ownModule, wireFindings, wireLinks } from './wire.ts';

export function networkFlow(from: Provider, need: NetworkNeed, machine: Machine): Flow | null {
  const provider = delivering(from, 'network');
  if (provider === null) return null;
  const { delivers } = provider;
  const isTeam = need.team === 'throughput';
  const streams = isTeam ? Math.min(delivers.ports, need.ports) : 1;
  const flow = conclude({
    need,
    unit: 'B/s',
    // Of a team each port has to carry its part.
    wanted: isTeam ? need.bytesPerSecond / need.ports : need.bytesPerSecond,
    // Two ports of one card fail together.
    units: need.team === 'survival' ? Math.min(1, delivers.ports) : delivers.ports,
    streams,
    stages: [...linkStages(provider, streams), ...wireStages(provider, need, machine)],
    factMissing: isWireUnknown(machine.path) || linkUnknown(provider),
    besides: [
      ...lacking(need.features, delivers.features),
      ...wireFindings(delivers.megabits, delivers.medium, machine.path),
    ],
  });
  const used = Math.min(delivers.ports, need.ports);
  return delivers.medium === 'copper'
    ? flow
    : { ...flow, modules: Array.from({ length: used }, () => ownModule(machine.path)) };
}

/** Each link of the wire comes up at the fastest speed that its two ends and its leads all know. */
function wireStages(
  provider: Provider<NetworkCard>,
  { direction, team, ports: wanted, encrypted }: NetworkNeed,
  { path }: Machine,
): readonly FlowStage[] {
  const { megabits, ports } = provider.delivers;
  const streams = team === 'throughput' ? Math.min(ports, wanted) : 1;
  const band = (speed: number) => {
    const high = tcpBytesPerSecond(speed);
    return { low: high * healthyCopyShare(speed), high };
  };
  // The wire leads from this port on, so all streams of the port share all of it; ports of a team have a wire each.
  const ownWire = (code: StageCode, speed: number): FlowStage => {
    const shared = { id: `${code} ${providerId(provider)}`, ...band(speed) };
    return {
      code,
      ...band(speed),
      shared: team === 'none' ? shared : { ...shared, copies: ports },
    };
  };
  // Behind the first device there is one wire for whatever comes from the machine.
  const commonWire = (code: StageCode, hop: Hop, speed: number): FlowStage =>
    sharedStage(code, `${code} ${hop.id}`, band(speed), streams);
  // The drives at both ends serve all ports of a team.
  const copies = team === 'throughput' ? wanted : 1;
  return [
    ownWire('cardPort', Math.max(0, ...megabits)),
    ...wireLinks(megabits, path).flatMap(({ hop, byPorts, megabits: comesUp }, n): FlowStage[] => {
      const wire = (code: StageCode, speed: number): FlowStage => ({
        ...(n === 0 ? ownWire(code, speed) : commonWire(code, hop, speed)),
        hop: { position: n, name: hop.name },
      });
      const isLast = n === path.hops.length - 1;
      return [
        ...(hop.portMegabits === null
          ? []
          : [wire(isLast ? 'farEnd' : 'hop', Math.max(0, ...byPorts))]),
        ...(hop.leads.every(({ cable }) => cable === null) ? [] : [wire('cable', comesUp)]),
      ];
    }),
    ...processorStage(path, encrypted, copies),
    ...ownDriveStages(path, direction === 'to' ? 'read' : 'write', copies),
    ...farDriveStages(path, direction === 'to' ? 'write' : 'read', copies),
  ];
}
