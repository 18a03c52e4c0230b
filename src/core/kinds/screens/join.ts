/** Leads from outputs to screens, or to the input of another card. */
import type { Machine } from '../../document/machine.ts';
import { valueOf } from '../../parts/fact.ts';
import type { RearSocketKind } from '../../standards/rearSockets.ts';
import { ADAPTERS, type ScreenAdapter } from '../../standards/screens.ts';
import type { Flow } from '../flow.ts';
import type { Join, Joined } from '../way.ts';
import type { ScreensNeed } from './need.ts';

const ANY: readonly RearSocketKind[] = [
  'displayport',
  'miniDisplayport',
  'usbC',
  'hdmi',
  'dvi',
  'analogue',
];

/** Straight leads first, as the plan reckons; what is left goes through the plan's adapters. */
export function joinScreens(
  need: ScreensNeed,
  { adapters }: Flow,
  { before, count }: Joined,
  { screens }: Machine,
  join: Join,
): void {
  const left = [...adapters];
  const isLoop = need.into === 'card';
  const wanted = Array.from({ length: count }, (_, n) => {
    const screen = isLoop ? undefined : screens[before + n];
    return {
      number: before + n + 1,
      name: screen?.name ?? null,
      input: need.input ?? valueOf(screen?.input ?? null),
    };
  });
  const endOf = ({ number, name }: (typeof wanted)[number], adapter: ScreenAdapter | null) =>
    isLoop
      ? ({ to: 'otherCard', adapter } as const)
      : ({ to: 'screen', number, name, adapter } as const);
  const through = wanted.filter((each) => {
    const { input } = each;
    const straight = input === null || input === 'digital' ? ANY : [input];
    return !join(straight, endOf(each, null));
  });
  for (const each of through) {
    const adapter = left.shift() ?? null;
    const from = adapter === null ? null : ADAPTERS[adapter].from;
    join(from === null || from === 'digital' ? ANY : [from], endOf(each, adapter));
  }
}
