/** What a network card is set to for the needs that it serves. */
import type { NetworkFeature } from '../../standards/ethernet.ts';
import type { Delivery } from '../delivery.ts';
import type { Need, NeedOf } from '../need.ts';

/** What is set, with what shows that it holds. */
export type NetworkSetting = 'speed' | 'jumbo' | 'team' | Exclude<NetworkFeature, 'teaming'>;

/** From this rate on larger frames are worth asking for. Common practice, no source. */
const JUMBO_MEGABITS = 2_500;
const GIGABIT = 1_000;

export interface NetworkSettings {
  /** The fastest of the card, in megabits per second. */
  readonly megabits: number;
  readonly settings: readonly NetworkSetting[];
}

/** Null of whatever is no network card. @param needs that it serves */
export function networkSettings(
  delivers: Delivery,
  needs: readonly Need[],
): NetworkSettings | null {
  if (delivers.kind !== 'network') return null;
  const megabits = Math.max(...delivers.megabits);
  const served = needs.filter((need): need is NeedOf<'network'> => need.kind === 'network');
  return { megabits, settings: settingsFor(served, megabits) };
}

function settingsFor(
  needs: readonly NeedOf<'network'>[],
  megabits: number,
): readonly NetworkSetting[] {
  const wanted = (feature: NeedOf<'network'>['features'][number]) =>
    needs.some(({ features }) => features.includes(feature));
  const isTeamed = wanted('teaming') || needs.some(({ team }) => team !== 'none');
  const all: readonly (readonly [NetworkSetting, boolean])[] = [
    ['speed', megabits > GIGABIT],
    ['jumbo', megabits >= JUMBO_MEGABITS],
    ['wake', wanted('wake')],
    ['vlan', wanted('vlan')],
    ['netBoot', wanted('netBoot')],
    ['team', isTeamed],
  ];
  return all.flatMap(([setting, isWanted]) => (isWanted ? setting : []));
}
