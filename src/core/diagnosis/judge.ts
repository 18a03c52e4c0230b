/**
 * A reading held against the expected figure. Where it falls short, the stage that explains it: every stage
 * can fall back to slower steps (a wire to a lower speed, a link to fewer lanes or an older generation, a
 * USB port to an older signalling), each with a band of its own; the band the reading lies in names the stage.
 */
import type { Card } from '../parts/card.ts';
import type { StageCode } from '../parts/need.ts';
import type { Verdict } from '../rules/finding.ts';
import { healthyCopyShare, tcpBytesPerSecond } from '../standards/ethernet.ts';
import {
  GENERATIONS,
  LINK_WIDTHS,
  bestBytesPerSecond,
  reckonedBytesPerSecond,
  type Generation,
  type Link,
} from '../standards/pciExpress.ts';
import { USB, USB_SIGNALLING } from '../standards/usb.ts';
import type { Expectation } from '../assembly/expectations.ts';

export type FallBack =
  | { readonly kind: 'wire'; readonly megabits: number }
  | { readonly kind: 'link'; readonly link: Link }
  | { readonly kind: 'usb'; readonly signalling: string };

export interface Judgement {
  readonly verdict: Verdict;
  readonly outcome: 'asExpected' | 'aboveExpected' | 'belowHealthy' | 'short';
  /** The stage that limits: as planned where all is well, else the one that fits the reading. */
  readonly limiting: StageCode | null;
  /** What that stage seems to have fallen back to, or null where no band holds the reading. */
  readonly fallBack: FallBack | null;
}

/** Readings this much above what the path can carry are mistaken (bits for bytes, a copy from memory). */
const ABOVE_SHARE = 1.03;

export function judge(expectation: Expectation, reading: number): Judgement | null {
  const { flow } = expectation;
  if (flow === null) return null;
  // More frames than a screen shows are nothing to doubt.
  if (flow.unit !== 'frames' && reading > flow.high * ABOVE_SHARE) {
    return { verdict: 'unknown', outcome: 'aboveExpected', limiting: null, fallBack: null };
  }
  if (reading >= Math.min(flow.low, flow.high / ABOVE_SHARE)) {
    return { verdict: 'clear', outcome: 'asExpected', limiting: flow.limiting, fallBack: null };
  }
  const explained = fallBacks(expectation)
    .filter(({ low, high }) => low <= reading && reading <= high)
    .toSorted((a, b) => b.low - a.low)[0];
  const short = reading < flow.wanted;
  return {
    verdict: short ? 'blocked' : 'limited',
    outcome: short ? 'short' : 'belowHealthy',
    limiting: explained?.stage ?? flow.limiting,
    fallBack: explained?.fallBack ?? null,
  };
}

interface Band {
  readonly stage: StageCode;
  readonly fallBack: FallBack;
  readonly low: number;
  readonly high: number;
}

/** Slower steps of each stage, those that fail most often first. */
function fallBacks({ flow, card: assembled }: Expectation): readonly Band[] {
  if (flow === null || assembled === null) return [];
  const { card, link } = assembled;
  return [...wireBands(card), ...usbBands(card), ...linkBands(link?.link ?? null)].filter(
    ({ high }) => high < flow.high,
  );
}

function wireBands({ delivers }: Card): readonly Band[] {
  if (delivers.kind !== 'network') return [];
  return delivers.megabits.map((megabits) => {
    const high = tcpBytesPerSecond(megabits);
    const low = high * healthyCopyShare(megabits);
    return { stage: 'cable', fallBack: { kind: 'wire', megabits }, low, high };
  });
}

function usbBands({ delivers }: Card): readonly Band[] {
  if (delivers.kind !== 'usb') return [];
  return USB_SIGNALLING.map((signalling) => {
    const [low, high] = USB[signalling].practiceBytesPerSecond;
    return { stage: 'cardPort', fallBack: { kind: 'usb', signalling }, low, high };
  });
}

function linkBands(planned: Link | null): readonly Band[] {
  if (planned === null) return [];
  const generations = (Object.keys(GENERATIONS).map(Number) as Generation[]).filter(
    (generation) => generation <= planned.generation,
  );
  return generations.flatMap((generation) =>
    LINK_WIDTHS.filter((width) => width <= planned.width).map((width): Band => {
      const link = { generation, width };
      return {
        stage: 'slotLink',
        fallBack: { kind: 'link', link },
        low: reckonedBytesPerSecond(link),
        high: bestBytesPerSecond(link),
      };
    }),
  );
}
