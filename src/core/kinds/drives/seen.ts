/** What drives say of themselves. */
import { enteredReading } from '../../document/observed.ts';
import type { Observation } from '../../document/observation.ts';
import type { Evidence } from '../../read/evidence.ts';
import type { DriveSeen } from '../../read/results/result.ts';
import type { DrivesNeed } from './need.ts';

/** The warmest and the most worn of them. */
export function drivesSeen(
  { id }: DrivesNeed,
  _flow: unknown,
  _card: unknown,
  { results }: Evidence,
  _machine: unknown,
  at: string,
): readonly Observation[] {
  const drives = results.filter((each): each is DriveSeen => each.kind === 'drive');
  if (drives.length === 0) return [];
  const worn = drives.flatMap(({ wornPercent }) => wornPercent ?? []);
  return [
    enteredReading(
      id,
      { what: 'temperature', number: Math.max(...drives.map(({ celsius }) => celsius)) },
      at,
    ),
    ...(worn.length === 0
      ? []
      : [enteredReading(id, { what: 'wornPercent', number: Math.max(...worn) }, at)]),
  ];
}
