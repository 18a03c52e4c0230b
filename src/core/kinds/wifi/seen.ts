/** What a report of the radio says of how it is joined. */
import type { Machine } from '../../document/machine.ts';
import { answeredCheck } from '../../document/observed.ts';
import type { Observation } from '../../document/observation.ts';
import { valueOf } from '../../parts/fact.ts';
import type { Evidence } from '../../read/evidence.ts';
import type { RadioSeen } from '../../read/results/result.ts';
import { WIFI_SHARE } from '../../standards/wifi.ts';
import { megabitsToBytesPerSecond } from '../../units.ts';
import type { Flow } from '../flow.ts';
import type { ServingCard } from '../proof.ts';
import type { WifiNeed } from './need.ts';

/** From this share of the planned rate on a radio counts as well joined. Common practice, no source. */
const WELL_JOINED = 0.5;

export function wifiSeen(
  { id }: WifiNeed,
  flow: Flow | null,
  card: ServingCard | null,
  { results }: Evidence,
  { accessPoint }: Machine,
  at: string,
): readonly Observation[] {
  const radio = results.findLast((each): each is RadioSeen => each.kind === 'radio');
  const stage = flow?.stages.find(({ code }) => code === 'radio');
  const delivers = card?.card.delivers;
  if (radio === undefined || delivers?.kind !== 'wifi' || stage === undefined) return [];
  const { gigahertz, megabits } = radio;
  const able = delivers.bands.filter((band) => valueOf(accessPoint.bands)?.includes(band) ?? true);
  const isSlowBand = gigahertz !== null && gigahertz < 3 && able.some((band) => band !== '2.4');
  const planned = stage.high / WIFI_SHARE[valueOf(accessPoint.distance) ?? 'sameRoom'][1];
  const isWeak = megabits !== null && megabitsToBytesPerSecond(megabits) < WELL_JOINED * planned;
  const answer = isSlowBand ? 'otherBand' : isWeak ? 'weak' : 'asPlanned';
  return [answeredCheck(id, { part: 'radio', check: 'readRadio', answer }, at)];
}
