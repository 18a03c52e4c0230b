/** The components of each kind of need: what each can fall back to, how far that drags the figure, and what shows it. */
import type { AssembledCard } from '../../assembly/assembly.ts';
import type { Expectation } from '../../assembly/expectations.ts';
import { toInstall } from '../../drivers/chooseDriver.ts';
import type { Flow } from '../../kinds/flow.ts';
import { carriesModules } from '../../kinds/drives/ports.ts';
import { isOf } from '../../kinds/components.ts';
import { makesPictures } from '../../kinds/screens/picture.ts';
import { proofOf } from '../../kinds/proofs.ts';
import type { Job } from '../../document/job.ts';
import type { Need } from '../../kinds/need.ts';
import {
  LINK_WIDTHS,
  bestBytesPerSecond,
  reckonedBytesPerSecond,
  type Generation,
  type Link,
} from '../../standards/pciExpress.ts';
import {
  PRACTICE,
  componentsFrom,
  type Carries,
  type Component,
  type Described,
  type FallBack,
  type Frequencies,
} from '../../kinds/component.ts';

/** None where no card of the plan serves the need: what the machine gives by itself is not opened up. */
export function componentsOf(
  { card, flow, need }: Expectation,
  job: Job,
  frequencies: Frequencies = PRACTICE,
): readonly Component[] {
  if (card === null || flow === null || flow.unit === 'count') return [];
  return componentsFrom(described(card, flow, need, job), frequencies);
}

function described(card: AssembledCard, flow: Flow, need: Need, job: Job): readonly Described[] {
  const driver = driverOf(card);
  const all = [
    linkOf(card, flow),
    ...(flow.stages.some(isOf('uplink')) ? [UPLINK] : []),
    driver,
    FIRMWARE,
    powerOf(card),
    coolingOf(card),
    CARD,
  ];
  return proofOf(need).causes(need, flow, card, { all, driver }, job.machine);
}

/** Of what a need gets that is counted on no link, so much is left over a narrower one. Common practice, no source. */
const OVER_LESS_LINK = [0.5, 0.9] as const;

function linkOf({ card, link }: AssembledCard, { stages }: Flow): Described {
  const planned = link?.link ?? null;
  const isCounted = stages.some(isOf('slotLink'));
  /** Over a link between these two, shared by as many as the planned one is. */
  const over =
    (least: Link, most: Link): Carries =>
    (_, { stages: now, gain, low, high }) => {
      const stage = now.find(isOf('slotLink'));
      if (!isCounted || stage === undefined || planned === null)
        return { low: low * OVER_LESS_LINK[0], high: high * OVER_LESS_LINK[1] };
      const share = stage.high / bestBytesPerSecond(planned);
      return {
        low: gain.low * share * reckonedBytesPerSecond(least),
        high: gain.high * share * bestBytesPerSecond(most),
      };
    };
  const narrower = LINK_WIDTHS.findLast((width) => width < (planned?.width ?? 0));
  const older = planned === null || planned.generation === 1 ? null : planned.generation - 1;
  const ofNarrower =
    planned === null || narrower === undefined
      ? null
      : over({ ...planned, width: 1 }, { ...planned, width: narrower });
  const ofOlder =
    planned === null || older === null
      ? null
      : over({ ...planned, generation: 1 }, { ...planned, generation: older as Generation });
  return {
    what: 'slotLink',
    stages: isOf('slotLink'),
    checks: ['readLink', 'lookAtScrew', 'reseat', 'readSlotSetting', 'warmRestart'],
    fallBacks: [
      ...(ofNarrower === null
        ? []
        : (
            [
              ['halfSeated', { readLink: 'narrower', reseat: 'better' }],
              ['screwMissing', { readLink: 'narrower', reseat: 'better', lookAtScrew: 'missing' }],
              ['dirtyContact', { readLink: 'narrower' }],
              ['wrongSlot', { readLink: 'otherSlot' }],
            ] as const
          ).map(([cause, shows]): FallBack => ({ cause, shows, carries: ofNarrower }))),
      ...(ofOlder === null
        ? []
        : [
            {
              cause: 'slotSetLower',
              shows: { readLink: 'older', readSlotSetting: 'set' },
              carries: ofOlder,
            } as const,
          ]),
      // Only of cards that are known for it.
      ...(ofOlder === null || !card.quirks.includes('coldStart')
        ? []
        : [
            {
              cause: 'coldStart',
              shows: { readLink: 'older', warmRestart: 'better' },
              // What was not said to be cold may have been warm.
              carries: orPlanned(ofOlder),
            } as const,
          ]),
    ],
  };
}

const orPlanned =
  (carries: Carries): Carries =>
  (test, expected) => {
    const band = carries(test, expected);
    const planned = expected.stages.find(isOf('slotLink'));
    return test.isCold || band === null || planned === undefined
      ? band
      : { low: band.low, high: planned.high * expected.gain.high };
  };

const UPLINK: Described = {
  what: 'uplink',
  stages: isOf('uplink'),
  checks: ['quietOthers'],
  fallBacks: [{ cause: 'uplinkBusy', shows: { quietOthers: 'better' } }],
};

/** A card that the system drives by itself has no maker's driver to miss, but one that may be old. */
function driverOf({ driver, card }: AssembledCard): Described {
  const fallsToBasic = toInstall(driver) !== null || makesPictures(card.delivers);
  return {
    what: 'driver',
    checks: ['readDriver'],
    fallBacks: [
      ...(fallsToBasic
        ? [{ cause: 'genericDriver', shows: { readDriver: 'generic' } } as const]
        : []),
      { cause: 'oldDriver', shows: { readDriver: 'older' } },
    ],
  };
}

const FIRMWARE: Described = {
  what: 'firmware',
  checks: ['readFirmware'],
  fallBacks: [{ cause: 'oldFirmware', shows: { readFirmware: 'old' } }],
};

const powerOf = ({ card }: AssembledCard): Described => ({
  what: 'power',
  checks: ['lookAtPlug'],
  fallBacks:
    card.sockets.length === 0 ? [] : [{ cause: 'plugForgotten', shows: { lookAtPlug: 'out' } }],
});

/** From this draw on a card grows warm enough to slow down. Common practice, no source. */
const WARM_WATTS = 12;

function coolingOf({ card }: AssembledCard): Described {
  const isWarm = card.peakWatts >= WARM_WATTS || carriesModules(card.delivers);
  return {
    what: 'cooling',
    checks: ['watchTemperature', 'lookAtFan'],
    fallBacks: isWarm
      ? [
          { cause: 'tooHot', shows: { watchTemperature: 'hot' } },
          { cause: 'fanForgotten', shows: { watchTemperature: 'hot', lookAtFan: 'still' } },
        ]
      : [],
  };
}

/** It is as slow in another machine. */
const CARD: Described = {
  what: 'card',
  checks: ['tryElsewhere'],
  fallBacks: [{ cause: 'cardFaulty', shows: { tryElsewhere: 'slow' } }],
};
