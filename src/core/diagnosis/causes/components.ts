/** The components of each kind of need: what each can fall back to, how far that drags the figure, and what shows it. */
import type { AssembledCard } from '../../assembly/assembly.ts';
import type { Expectation } from '../../assembly/expectations.ts';
import { toInstall } from '../../drivers/chooseDriver.ts';
import type { Flow } from '../../flow/flow.ts';
import { wireLinks, type WireLink } from '../../flow/wire.ts';
import type { Job } from '../../document/job.ts';
import type { Need, NeedOf, StageCode } from '../../kinds/need.ts';
import {
  TWO_PAIR_MEGABITS,
  healthyCopyShare,
  tcpBytesPerSecond,
} from '../../standards/ethernet.ts';
import {
  LINK_WIDTHS,
  bestBytesPerSecond,
  reckonedBytesPerSecond,
  type Generation,
  type Link,
} from '../../standards/pciExpress.ts';
import { USB } from '../../standards/usb.ts';
import type { RunTest } from '../runs.ts';
import {
  PRACTICE,
  componentsFrom,
  type Carries,
  type Component,
  type Described,
  type FallBack,
  type Frequencies,
} from './component.ts';

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
  const ofCard = [
    linkOf(card, flow),
    ...(flow.stages.some(isOf('uplink')) ? [UPLINK] : []),
    driverOf(card),
    FIRMWARE,
    powerOf(card),
    coolingOf(card),
    CARD,
  ];
  switch (need.kind) {
    case 'network':
      return [
        ...ofCard,
        ...wiresOf(card, job),
        LARGE_FRAMES,
        PROCESSOR,
        FAR_END,
        FILES,
        OWN_DRIVE,
        FAR_DRIVE,
      ];
    case 'usb':
      return [
        ...ofCard,
        usbLinkOf(card),
        USB_DEVICE,
        FILES,
        ...(need.device === null ? [] : [OWN_DRIVE]),
      ];
    case 'drives':
      return [...ofCard, DRIVES, ...(flow.socket === 'sata' ? [DATA_LEAD] : []), ...arrayOf(need)];
    case 'wifi':
      return [...ofCard, RADIO, INTERNET];
    case 'graphics':
      return [...ofCard, PROCESSOR, LEAD_ON_BOARD];
    case 'screens':
      return [driverOf(card), SCREEN_LEAD, SCREEN_MODE];
    case 'serialLink':
      return [...ofCard, PORT_LEAD, OWN_DRIVE];
    default:
      return [];
  }
}

const isOf =
  (...codes: readonly StageCode[]) =>
  ({ code }: { readonly code: StageCode }): boolean =>
    codes.includes(code);

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
  const fallsToBasic = toInstall(driver) !== null || card.delivers.kind === 'screens';
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
  const isWarm =
    card.peakWatts >= WARM_WATTS ||
    (card.delivers.kind === 'drives' && card.delivers.socket === 'm2');
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

/** Each link of the wire with its leads and the ports at its two ends. */
function wiresOf({ card }: AssembledCard, { machine }: Job): readonly Described[] {
  return card.delivers.kind === 'network'
    ? wireLinks(card.delivers.megabits, machine.path).map(wireOf)
    : [];
}

function wireOf({ hop, byLeads, megabits }: WireLink, position: number): Described {
  const lower = byLeads.filter((speed) => speed < megabits);
  const next = lower.length === 0 ? null : Math.max(...lower);
  const at =
    (speed: number): Carries =>
    () => {
      const high = tcpBytesPerSecond(speed);
      return { low: high * healthyCopyShare(speed), high };
    };
  const fallsTo = (
    cause: FallBack['cause'],
    speed: number,
    shows: FallBack['shows'],
  ): FallBack => ({
    cause,
    shows: { readLinkSpeed: String(speed), ...shows },
    carries: at(speed),
  });
  return {
    what: 'wire',
    id: `wire ${position}`,
    hop: { position, name: hop.name },
    stages: (stage) => stage.hop?.position === position,
    checks: [
      'readLinkSpeed',
      'countErrors',
      'swapLead',
      'otherPort',
      ...(position === 0 ? (['readPortSetting'] as const) : []),
    ],
    plain: { readLinkSpeed: String(megabits) },
    fallBacks: [
      ...(next === null
        ? []
        : [
            fallsTo('leadPoor', next, { swapLead: 'better' }),
            fallsTo('portSlow', next, { otherPort: 'better' }),
            ...(position === 0 ? [fallsTo('portSetLower', next, { readPortSetting: 'set' })] : []),
          ]),
      ...(lower.includes(TWO_PAIR_MEGABITS) && next !== TWO_PAIR_MEGABITS
        ? [fallsTo('leadBroken', TWO_PAIR_MEGABITS, { swapLead: 'better' })]
        : []),
      { cause: 'leadErrors', shows: { countErrors: 'some', swapLead: 'better' } },
    ],
  };
}

const LARGE_FRAMES: Described = {
  what: 'largeFrames',
  checks: ['sendLarge'],
  fallBacks: [{ cause: 'largeFramesLost', shows: { sendLarge: 'lost' } }],
};

const PROCESSOR: Described = {
  what: 'processor',
  stages: isOf('processor'),
  checks: ['watchProcessor'],
  fallBacks: [{ cause: 'processorBusy', shows: { watchProcessor: 'busy' } }],
};

const FAR_END: Described = {
  what: 'farEnd',
  checks: ['watchFarEnd'],
  fallBacks: [{ cause: 'farEndBusy', shows: { watchFarEnd: 'busy' } }],
};

/** What was copied: a folder of small files shows its own figure, and nothing is wrong. */
const FILES: Described = {
  what: 'files',
  checks: ['lookAtFiles'],
  fallBacks: [
    {
      cause: 'smallFiles',
      shows: { lookAtFiles: 'small' },
      // It lets through as much as ever: each stage does less of it.
      carries: () => null,
    },
  ],
};

const withoutDrives = ({ what }: RunTest): boolean => what === 'wire';

const OWN_DRIVE: Described = {
  what: 'ownDrive',
  stages: isOf('ownDrive', 'ownDrivePort'),
  checks: ['testDrive'],
  fallBacks: [{ cause: 'ownDriveSlow', shows: { testDrive: 'slow' }, spares: withoutDrives }],
};

const FAR_DRIVE: Described = {
  what: 'farDrive',
  stages: isOf('farDrive'),
  checks: ['testDrive'],
  fallBacks: [{ cause: 'farDriveSlow', shows: { testDrive: 'slow' }, spares: withoutDrives }],
};

function usbLinkOf({ card }: AssembledCard): Described {
  const isFaster = card.delivers.kind !== 'usb' || card.delivers.signalling !== '2.0';
  const [low, high] = USB['2.0'].practiceBytesPerSecond;
  const carries = () => ({ low, high });
  return {
    what: 'usbLink',
    stages: isOf('cardPort'),
    checks: ['readUsbSpeed', 'swapUsbLead'],
    fallBacks: isFaster
      ? [
          { cause: 'usbLeadOld', shows: { readUsbSpeed: 'older', swapUsbLead: 'better' }, carries },
          { cause: 'usbPlugLoose', shows: { readUsbSpeed: 'older' }, carries },
        ]
      : [],
  };
}

const USB_DEVICE: Described = {
  what: 'usbDevice',
  stages: isOf('usbDevice'),
  checks: ['otherDevice'],
  fallBacks: [{ cause: 'usbDeviceSlow', shows: { otherDevice: 'better' } }],
};

/** The slowest of those that work together. */
const DRIVES: Described = {
  what: 'drives',
  stages: isOf('drive', 'drivePort'),
  checks: ['onBoardPort'],
  fallBacks: [{ cause: 'driveSlow', shows: { onBoardPort: 'slow' } }],
};

const DATA_LEAD: Described = {
  what: 'dataLead',
  checks: ['readDataLink', 'swapDataLead'],
  fallBacks: [{ cause: 'dataLeadPoor', shows: { readDataLink: 'lower', swapDataLead: 'better' } }],
};

const isWritten = ({ direction }: RunTest): boolean => direction === 'write';

/** Drives that work as one: one that is missing is felt where all of them read; small stripes are felt in reading. */
function arrayOf({ array }: NeedOf<'drives'>): readonly Described[] {
  if (array === 'single') return [];
  return [
    {
      what: 'driveCount',
      checks: ['countDrives'],
      fallBacks: [
        {
          cause: 'driveUnplugged',
          shows: { countDrives: 'missing' },
          ...(array === 'mirror' ? { spares: isWritten } : {}),
        },
      ],
    },
    {
      what: 'array',
      checks: ['readStripe'],
      fallBacks:
        array === 'mirror'
          ? []
          : [{ cause: 'stripeSmall', shows: { readStripe: 'small' }, spares: isWritten }],
    },
  ];
}

const RADIO: Described = {
  what: 'radio',
  stages: isOf('radio'),
  checks: ['readRadio', 'lookAtAerials', 'moveNearer'],
  fallBacks: [
    { cause: 'aerialLoose', shows: { readRadio: 'weak', lookAtAerials: 'loose' } },
    { cause: 'otherBand', shows: { readRadio: 'otherBand' } },
    { cause: 'radioWeak', shows: { readRadio: 'weak', moveNearer: 'better' } },
  ],
};

const INTERNET: Described = {
  what: 'internet',
  stages: isOf('internet', 'accessWire'),
  checks: ['testByWire'],
  fallBacks: [{ cause: 'planLess', shows: { testByWire: 'slow' } }],
};

const LEAD_ON_BOARD: Described = {
  what: 'screenLead',
  checks: ['lookAtScreenLead'],
  fallBacks: [{ cause: 'leadOnBoard', shows: { lookAtScreenLead: 'onBoard' } }],
};

const SCREEN_LEAD: Described = {
  what: 'screenLead',
  checks: ['lookAtScreenLead', 'swapScreenLead'],
  fallBacks: [
    ...LEAD_ON_BOARD.fallBacks,
    { cause: 'screenLeadPoor', shows: { swapScreenLead: 'better' } },
  ],
};

const SCREEN_MODE: Described = {
  what: 'screenMode',
  checks: ['readScreenMode'],
  fallBacks: [{ cause: 'screenSetLower', shows: { readScreenMode: 'setLower' } }],
};

const PORT_LEAD: Described = {
  what: 'portLead',
  checks: ['readPortMode', 'swapLinkLead'],
  fallBacks: [{ cause: 'linkLeadSlow', shows: { readPortMode: 'lower', swapLinkLead: 'better' } }],
};
