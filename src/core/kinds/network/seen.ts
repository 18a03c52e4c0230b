/** What reports show of the machine's own port. */
import { enteredReading } from '../../document/observed.ts';
import type { Observation } from '../../document/observation.ts';
import type { Evidence } from '../../read/evidence.ts';
import type { Flow } from '../flow.ts';
import type { ServingCard } from '../proof.ts';
import type { NetworkNeed } from './need.ts';

/** What it came up at, where only one of the machine's ports has a link. */
export function networkSeen(
  { id }: NetworkNeed,
  _flow: Flow | null,
  card: ServingCard | null,
  { ports }: Evidence,
  _machine: unknown,
  at: string,
): readonly Observation[] {
  const [only, other] = ports.flatMap(({ megabits }) =>
    megabits === null || megabits === 0 ? [] : megabits,
  );
  if (card === null || only === undefined || other !== undefined) return [];
  return [enteredReading(id, { what: 'linkMegabits', number: only }, at)];
}
