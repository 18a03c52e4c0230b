/** What a copy meets at its two ends, whatever it goes over. What is not told says nothing. */
import { valueOf } from '../parts/fact.ts';
import type { NetworkPath } from '../parts/networkPath.ts';
import { PROCESSORS } from '../standards/processors.ts';
import { SATA_PORT_BYTES_PER_SECOND, arrayBytesPerSecond } from '../standards/storage.ts';
import { sharedStage, type FlowStage } from './flow.ts';

/** An old processor holds back what its card could carry. @param streams that share it */
export function processorStage(
  { processor }: NetworkPath,
  encrypted: boolean,
  streams: number,
): readonly FlowStage[] {
  const age = valueOf(processor);
  if (age === null) return [];
  const [low, high] = PROCESSORS[age][encrypted ? 'encrypted' : 'plain'];
  return [sharedStage('processor', 'processor', { low, high }, streams)];
}

/** The machine's own drive, and the port that it hangs on. */
export function ownDriveStages(
  { ownDrive, ownArray, ownDrivePort }: NetworkPath,
  what: 'read' | 'write',
  streams: number,
): readonly FlowStage[] {
  const port = valueOf(ownDrivePort);
  const [low, high] = port === null ? [0, 0] : SATA_PORT_BYTES_PER_SECOND[port];
  // Drives that work as one hang on a port each.
  const ports = valueOf(ownArray)?.count ?? 1;
  return [
    ...driveStages('ownDrive', ownDrive, ownArray, what, streams),
    ...(port === null || valueOf(ownDrive) === 'nvme'
      ? []
      : [
          sharedStage(
            'ownDrivePort',
            'ownDrivePort',
            { low: low * ports, high: high * ports },
            streams,
          ),
        ]),
  ];
}

export const farDriveStages = (
  { farDrive, farArray }: NetworkPath,
  what: 'read' | 'write',
  streams: number,
): readonly FlowStage[] => driveStages('farDrive', farDrive, farArray, what, streams);

function driveStages(
  code: 'ownDrive' | 'farDrive',
  drive: NetworkPath['ownDrive'],
  array: NetworkPath['ownArray'],
  what: 'read' | 'write',
  streams: number,
): readonly FlowStage[] {
  if (drive === null) return [];
  const several = valueOf(array) ?? { count: 1, how: 'single' };
  const [low, high] = arrayBytesPerSecond(drive.value, several, what);
  return [sharedStage(code, code, { low, high }, streams)];
}
