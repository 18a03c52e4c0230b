/** What may be wrong with a machine that runs, part by part; each is a state of that part, and mending takes it away. */
import type { AssembledCard } from '../../assembly/assembly.ts';
import { toInstall } from '../../drivers/chooseDriver.ts';
import type { Machine } from '../../document/machine.ts';
import type { Need } from '../../kinds/need.ts';
import type { Cause } from '../../standards/causes.ts';
import { negotiated } from './wires.ts';
import { trainedIn } from './capacities.ts';

export interface Fault {
  /** `wire 0` is the lead to the first device of the path. */
  readonly part: string;
  readonly cause: Cause;
}

const at = (part: string, ...causes: readonly Cause[]): readonly Fault[] =>
  causes.map((cause) => ({ part, cause }));

/** All that can be wrong on the way of a need through this card. */
export function faultsPossible(
  card: AssembledCard,
  need: Need,
  machine: Machine,
): readonly Fault[] {
  const screens = card.card.delivers.kind === 'screens';
  const driver = at(
    'driver',
    ...(toInstall(card.driver) !== null || screens ? (['genericDriver'] as const) : []),
    'oldDriver',
  );
  if (need.kind === 'screens')
    return [
      ...driver,
      ...at('screenLead', 'leadOnBoard', 'screenLeadPoor'),
      ...at('screenMode', 'screenSetLower'),
    ];
  return [...ofCard(card), ...driver, ...ofNeed(card, need, machine)];
}

function ofCard(assembled: AssembledCard): readonly Fault[] {
  const { card, slot } = assembled;
  const link = trainedIn(card, slot);
  // Common practice, no source.
  const draws = card.peakWatts >= 12;
  const carriesModules = card.delivers.kind === 'drives' && card.delivers.socket === 'm2';
  return [
    ...(link !== null && link.width > 1
      ? at('slotLink', 'halfSeated', 'screwMissing', 'dirtyContact', 'wrongSlot')
      : []),
    ...(link !== null && link.generation > 1
      ? at(
          'slotLink',
          'slotSetLower',
          ...(card.quirks.includes('coldStart') ? (['coldStart'] as const) : []),
        )
      : []),
    ...(link !== null && slot.uplink?.value != null ? at('uplink', 'uplinkBusy') : []),
    ...at('firmware', 'oldFirmware'),
    ...(card.sockets.length > 0 ? at('power', 'plugForgotten') : []),
    ...(draws || carriesModules ? at('cooling', 'tooHot', 'fanForgotten') : []),
    ...at('card', 'cardFaulty'),
  ];
}

function ofNeed({ card }: AssembledCard, need: Need, machine: Machine): readonly Fault[] {
  const { delivers } = card;
  switch (need.kind) {
    case 'network':
      return delivers.kind === 'network'
        ? [
            ...negotiated(delivers.megabits, machine.path).flatMap(({ speed, lower }, n) => [
              ...(lower.length > 0
                ? at(
                    `wire ${n}`,
                    'leadPoor',
                    'portSlow',
                    ...(n === 0 ? (['portSetLower'] as const) : []),
                  )
                : []),
              ...(lower.includes(100) && speed > 100 && Math.max(...lower) > 100
                ? at(`wire ${n}`, 'leadBroken')
                : []),
              ...at(`wire ${n}`, 'leadErrors'),
            ]),
            ...at('largeFrames', 'largeFramesLost'),
            ...at('processor', 'processorBusy'),
            ...at('farEnd', 'farEndBusy'),
            ...at('files', 'smallFiles'),
            ...at('ownDrive', 'ownDriveSlow'),
            ...at('farDrive', 'farDriveSlow'),
          ]
        : [];
    case 'usb':
      return [
        ...(delivers.kind === 'usb' && delivers.signalling === '2.0'
          ? []
          : at('usbLink', 'usbLeadOld', 'usbPlugLoose')),
        ...at('usbDevice', 'usbDeviceSlow'),
        ...at('files', 'smallFiles'),
        ...(need.device === null ? [] : at('ownDrive', 'ownDriveSlow')),
      ];
    case 'drives':
      return [
        ...at('drives', 'driveSlow'),
        ...(delivers.kind === 'drives' && delivers.socket === 'sata'
          ? at('dataLead', 'dataLeadPoor')
          : []),
        ...(need.array === 'single' ? [] : at('driveCount', 'driveUnplugged')),
        ...(need.array === 'stripe' || need.array === 'parity' ? at('array', 'stripeSmall') : []),
      ];
    case 'wifi':
      return [
        ...at('radio', 'aerialLoose', 'otherBand', 'radioWeak'),
        ...at('internet', 'planLess'),
      ];
    case 'graphics':
      return [...at('processor', 'processorBusy'), ...at('screenLead', 'leadOnBoard')];
    case 'serialLink':
      return [...at('portLead', 'linkLeadSlow'), ...at('ownDrive', 'ownDriveSlow')];
    default:
      return [];
  }
}
