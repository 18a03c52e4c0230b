/** Whom to believe, where several say one thing: the one order of trust. */
import type { Source } from './fact.ts';

/** Best first. What a link is wired and powered for, its port knows better than any label. */
const WIRING: readonly Source[] = [
  'registers',
  'text',
  'system',
  'bench',
  'technician',
  'firmware',
  'template',
  'screen',
];
/** What can be seen, whoever opened the machine knows best. */
const SIGHT: readonly Source[] = [
  'bench',
  'technician',
  'registers',
  'text',
  'system',
  'screen',
  'firmware',
  'template',
];
const ORDERS = { wiring: WIRING, sight: SIGHT } as const;
export type Trust = keyof typeof ORDERS;

/** Whether one source is believed before another about what is of this sort. */
export const isBetter = (trust: Trust, source: Source, than: Source): boolean =>
  ORDERS[trust].indexOf(source) < ORDERS[trust].indexOf(than);

/** What a machine says of itself, the best source first; of one source in the order in which it came. */
export const byTrust = <Each extends { readonly source: Source }>(
  said: readonly Each[],
): readonly Each[] => said.toSorted((a, b) => WIRING.indexOf(a.source) - WIRING.indexOf(b.source));

/** Of what one source said several times: what came last. */
export const latest = <Each>(said: readonly Each[]): Each | undefined => said.at(-1);

/** The best source's, and of it what came last. */
export function believed<Each extends { readonly source: Source }>(
  said: readonly Each[],
): Each | undefined {
  const best = byTrust(said)[0]?.source;
  return latest(said.filter(({ source }) => source === best));
}
