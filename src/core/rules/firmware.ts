/**
 * Does the firmware start with this card? Its kind against the card's start-up code, its age against a younger
 * graphics card's, and whether it places large windows. (Splitting of a slot is asked where the card is seated.)
 */
import { makesPictures } from '../kinds/screens/picture.ts';
import type { Card } from '../document/card.ts';
import { valueOf } from '../parts/fact.ts';
import type { Machine } from '../document/machine.ts';
import type { Finding } from './finding.ts';

/**
 * A graphics card so many years younger than the firmware may stay black until the firmware is updated.
 * Common practice, no source.
 */
const BLACK_SCREEN_YEARS = 4;

/** Windows larger than this want a firmware that places them above 4 GB. Source: PCI Express Base Specification, resizable BAR (from memory). */
const SMALL_WINDOW_MEGABYTES = 256;

export function firmware(card: Card, { firmware: there }: Machine): readonly Finding[] {
  return [
    ...startCode(card, valueOf(there.kind)),
    ...(makesPictures(card.delivers) ? age(card, valueOf(there.date)) : []),
    ...windows(card, valueOf(there.largeWindows)),
  ];
}

function startCode({ boot, delivers }: Card, kind: 'uefi' | 'bios' | null): readonly Finding[] {
  if (boot === 'both' || boot === 'none') return [];
  if (kind === null) return [{ code: 'firmware.kindUnknown', verdict: 'unknown' }];
  if (boot === kind) return [];
  // A screen that stays black until the system has started cannot be set up; anything else only does not boot.
  return makesPictures(delivers) && boot === 'uefi'
    ? [{ code: 'firmware.noPicture', verdict: 'blocked', subject: boot }]
    : [{ code: 'firmware.otherBoot', verdict: 'limited', subject: boot }];
}

function age({ year }: Card, date: string | null): readonly Finding[] {
  if (date === null) return [{ code: 'firmware.dateUnknown', verdict: 'unknown' }];
  const released = Number(date.slice(0, 4));
  return year - released < BLACK_SCREEN_YEARS
    ? []
    : [
        {
          code: 'firmware.old',
          verdict: 'needs',
          needed: year,
          available: released,
          unit: 'year',
        },
      ];
}

function windows({ windowMegabytes }: Card, large: boolean | null): readonly Finding[] {
  if (windowMegabytes <= SMALL_WINDOW_MEGABYTES || large === true) return [];
  return large === null
    ? [{ code: 'firmware.windowsUnknown', verdict: 'unknown' }]
    : [
        {
          code: 'firmware.smallWindows',
          verdict: 'limited',
          needed: windowMegabytes,
          available: SMALL_WINDOW_MEGABYTES,
          unit: 'MB',
        },
      ];
}
