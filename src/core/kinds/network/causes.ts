/** What may hold a wire back: each link of it with its leads and the ports at its two ends, then what is at both ends. */
import type { Machine } from '../../document/machine.ts';
import {
  TWO_PAIR_MEGABITS,
  healthyCopyShare,
  tcpBytesPerSecond,
} from '../../standards/ethernet.ts';
import type { Carries, Described, FallBack } from '../component.ts';
import { FILES, OWN_DRIVE, PROCESSOR, isOf, withoutDrives } from '../components.ts';
import type { Flow } from '../flow.ts';
import type { OfCard, ServingCard } from '../proof.ts';
import type { NetworkNeed } from './need.ts';
import { wireLinks, type WireLink } from './wire.ts';

export const networkCauses = (
  _need: NetworkNeed,
  _flow: Flow,
  { card: { delivers } }: ServingCard,
  { all }: OfCard,
  { path }: Machine,
): readonly Described[] => [
  ...all,
  ...(delivers.kind === 'network' ? wireLinks(delivers.megabits, path).map(wireOf) : []),
  LARGE_FRAMES,
  PROCESSOR,
  FAR_END,
  FILES,
  OWN_DRIVE,
  FAR_DRIVE,
];

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

const FAR_END: Described = {
  what: 'farEnd',
  checks: ['watchFarEnd'],
  fallBacks: [{ cause: 'farEndBusy', shows: { watchFarEnd: 'busy' } }],
};

const FAR_DRIVE: Described = {
  what: 'farDrive',
  stages: isOf('farDrive'),
  checks: ['testDrive'],
  fallBacks: [{ cause: 'farDriveSlow', shows: { testDrive: 'slow' }, spares: withoutDrives }],
};
