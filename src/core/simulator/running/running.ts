/**
 * A machine that runs, with faults that nobody sees: it gives the figures, answers and reports that a real one would. Each fault
 * is a state of some part. What parts carry and how they fail is reckoned here anew; nothing of a diagnosis is known.
 */
import type { AssembledCard } from '../../assembly/assembly.ts';
import type { Machine } from '../../document/machine.ts';
import type { Need } from '../../kinds/need.ts';
import type { Fault, Measuring, Part } from '../../kinds/running.ts';
import { runningOf } from '../../kinds/runnings.ts';
import type { RunKind } from '../../parts/run.ts';
import { CAUSES, type Cause, type CauseRow } from '../../standards/causes.ts';
import type { Check } from '../../standards/checks.ts';
import { healthyCopyShare, tcpBytesPerSecond } from '../../standards/ethernet.ts';
import { FILE_SECONDS, withFileCost } from '../../standards/fileOverhead.ts';
import type { Generation, Link } from '../../standards/pciExpress.ts';
import { USB } from '../../standards/usb.ts';
import { chanceOf } from './chance.ts';
import { overLink, partsOf, trainedIn } from './capacities.ts';
import { wiresFrom, type Negotiated } from '../../kinds/network/negotiated.ts';

export interface Running {
  readonly card: AssembledCard;
  readonly need: Need;
  readonly machine: Machine;
  readonly seed: number;
  readonly faults: readonly Fault[];
}

export const mended = (running: Running, { part, cause }: Fault): Running => ({
  ...running,
  faults: running.faults.filter((each) => each.part !== part || each.cause !== cause),
});

const has = ({ faults }: Running, cause: Cause, part?: string): boolean =>
  faults.some((each) => each.cause === cause && (part === undefined || each.part === part));

/** How something is measured. */
export interface Measured extends Measuring {
  readonly what: RunKind;
}

/** Repeated copies differ by so much, as a share. Common practice, no source. */
const WOBBLE = 0.02;
/** Bytes of a file in the customer's folder, where it holds small ones. */
const FOLDER_FILE_BYTES = 100_000;

/** Runs one after the other, in the unit of the need's figure. */
export function measure(running: Running, how: Measured, times: number): readonly number[] {
  const chance = chanceOf(
    running.seed * 31 +
      how.what.length * 7 +
      (how.alone ? 3 : 0) +
      (how.direction === 'read' ? 1 : 0),
  );
  const warm = rateOf(running, how);
  const cool = rateOf(
    { ...running, faults: running.faults.filter(({ part }) => part !== 'cooling') },
    how,
  );
  const share = runningOf(running.need).wobbles ? WOBBLE : 0;
  return Array.from({ length: times }, (_, n) => (n === 0 ? cool : warm) * chance.wobble(share));
}

/** What comes through in the end. */
function rateOf(running: Running, how: Measured): number {
  const { need } = running;
  const healthy = healthyRate(running, how);
  const parts = partsOfRunning(running, how).map((part) => ({
    ...part,
    carries: fallenTo(running, part) ?? part.carries,
  }));
  const touched = parts.filter(({ isDrive }) => how.what !== 'wire' || !isDrive);
  const gain = gainOf(running, how);
  const through = gain * Math.min(...touched.map(({ carries }) => carries));
  const left = running.faults
    .filter((fault) => drags(fault, need, how))
    .map(({ cause, part }) => healthy * leftBy(cause, part, running));
  const rate = Math.min(through, ...left);
  const isFolder = how.what === 'small' || (how.what === 'own' && has(running, 'smallFiles'));
  if (!isFolder) return rate;
  const seconds = chanceOf(running.seed + 11).within(FILE_SECONDS[runningOf(need).files(need)]);
  return withFileCost(rate, FOLDER_FILE_BYTES, seconds);
}

const partsOfRunning = ({ card, need, machine, seed }: Running, how: Measured): readonly Part[] =>
  partsOf(card, need, machine, how, chanceOf(seed));

function healthyRate(running: Running, how: Measured): number {
  const parts = partsOfRunning(running, how).filter(
    ({ isDrive }) => how.what !== 'wire' || !isDrive,
  );
  return gainOf(running, how) * Math.min(...parts.map(({ carries }) => carries));
}

/** How many times one drive's rate several show that work as one; ports of a team show the sum. */
const gainOf = ({ need, seed, card }: Running, how: Measured): number =>
  chanceOf(seed + 5).within(runningOf(need).gain(need, card, how));

/** What practice says is left of a healthy figure, drawn once for a machine. */
function leftBy(cause: Cause, part: string, { seed }: Running): number {
  const { leaves }: CauseRow = CAUSES[cause];
  if (leaves === null) return chanceOf(seed + 17).within(LESS_LINK_LEAVES);
  return chanceOf(seed + 23 + part.length + cause.length).within(leaves);
}
/** Pictures are counted on no link: a narrower one still costs some of them. Common practice, no source. */
const LESS_LINK_LEAVES = [0.5, 0.9] as const;

const BY_LINK: readonly Cause[] = [
  'halfSeated',
  'screwMissing',
  'dirtyContact',
  'wrongSlot',
  'slotSetLower',
  'coldStart',
];
const BY_WIRE: readonly Cause[] = ['leadPoor', 'leadBroken', 'portSlow', 'portSetLower'];
const BY_USB: readonly Cause[] = ['usbLeadOld', 'usbPlugLoose'];

/** Whether a fault takes a share of this measurement, whatever its part carries. */
function drags({ cause }: Fault, need: Need, how: Measured): boolean {
  if (BY_LINK.includes(cause)) return runningOf(need).feelsLink;
  if (BY_WIRE.includes(cause) || BY_USB.includes(cause) || cause === 'smallFiles') return false;
  if (cause === 'ownDriveSlow' || cause === 'farDriveSlow') return how.what !== 'wire';
  if (cause === 'stripeSmall') return how.direction === 'read';
  if (cause === 'driveUnplugged') return runningOf(need).missesDrive(need, how);
  return true;
}

/** What a part carries in the state that it has fallen to; null: it has not. */
function fallenTo(running: Running, { id, carries }: Part): number | null {
  const { card, seed } = running;
  if (id === 'slotLink') {
    const planned = trainedIn(card.card, card.slot);
    const now = linkNow(running);
    if (planned === null || now === null) return null;
    // As it was drawn first of all for the planned link.
    const luck = chanceOf(seed).within([0, 1]);
    return now === planned ? null : carries * (overLink(now, luck) / overLink(planned, luck));
  }
  if (id.startsWith('wire ')) {
    const speed = speedNow(running, Number(id.slice(5)));
    const planned = wiresOf(running)[Number(id.slice(5))]?.speed;
    if (speed === planned) return null;
    const most = tcpBytesPerSecond(speed);
    return chanceOf(seed + 7).within([most * healthyCopyShare(speed), most]);
  }
  if (id === 'usbLink' && BY_USB.some((cause) => has(running, cause)))
    return chanceOf(seed + 9).within(USB['2.0'].practiceBytesPerSecond);
  return null;
}

/** What the card's link trains to as it sits. */
export function linkNow(running: Running): Link | null {
  const { card, seed } = running;
  const planned = trainedIn(card.card, card.slot);
  if (planned === null) return null;
  const chance = chanceOf(seed + 1);
  const narrower = [1, 2, 4, 8, 12, 16, 32].filter((width) => width < planned.width);
  const isNarrow = ['halfSeated', 'screwMissing', 'dirtyContact', 'wrongSlot'] as const;
  const isOlder = ['slotSetLower', 'coldStart'] as const;
  if (isNarrow.some((cause) => has(running, cause)) && narrower.length > 0)
    return { ...planned, width: chance.oneOf(narrower) };
  if (isOlder.some((cause) => has(running, cause)) && planned.generation > 1)
    return { ...planned, generation: (planned.generation - 1) as Generation };
  return planned;
}

const wiresOf = ({ card, machine }: Running): readonly Negotiated[] =>
  wiresFrom(card.card.delivers, machine.path);

/** What a link of the wire came up at, in megabits per second. */
export function speedNow(running: Running, position: number): number {
  const wire = wiresOf(running)[position];
  if (wire === undefined) return 0;
  const part = `wire ${position}`;
  const slower = wire.lower[0];
  if (has(running, 'leadBroken', part)) return wire.lower.find((speed) => speed <= 100) ?? 0;
  const isLower = (['leadPoor', 'portSlow', 'portSetLower'] as const).some((cause) =>
    has(running, cause, part),
  );
  return isLower && slower !== undefined ? slower : wire.speed;
}

/** What a check at the bench shows. @param part what it looks at */
export function answerOf(running: Running, part: string, check: Check): string {
  const is = (cause: Cause): boolean => has(running, cause, part);
  const either = (isSo: boolean, so: string, otherwise: string): string => (isSo ? so : otherwise);
  /** Whether an act puts right what is wrong with the link or the wire. */
  const better = (...causes: readonly Cause[]): string => either(causes.some(is), 'better', 'same');
  switch (check) {
    case 'readLink': {
      const planned = trainedIn(running.card.card, running.card.slot);
      const now = linkNow(running);
      if (is('wrongSlot')) return 'otherSlot';
      if (planned === null || now === null) return 'asPlanned';
      if (now.width < planned.width) return 'narrower';
      return either(now.generation < planned.generation, 'older', 'asPlanned');
    }
    case 'readSlotSetting':
      return either(is('slotSetLower'), 'set', 'auto');
    case 'readDriver':
      return is('genericDriver') ? 'generic' : either(is('oldDriver'), 'older', 'asPlanned');
    case 'readFirmware':
      return either(is('oldFirmware'), 'old', 'current');
    case 'watchProcessor':
      return either(is('processorBusy'), 'busy', 'idle');
    case 'readLinkSpeed':
      return String(speedNow(running, Number(part.slice(5))));
    case 'countErrors':
      return either(is('leadErrors'), 'some', 'none');
    case 'readPortSetting':
      return either(is('portSetLower'), 'set', 'auto');
    case 'sendLarge':
      return either(is('largeFramesLost'), 'lost', 'pass');
    case 'watchFarEnd':
      return either(is('farEndBusy'), 'busy', 'idle');
    case 'lookAtFiles':
      return either(is('smallFiles'), 'small', 'large');
    case 'testDrive':
      return either(is('ownDriveSlow') || is('farDriveSlow'), 'slow', 'fast');
    case 'readUsbSpeed':
      return either(is('usbLeadOld') || is('usbPlugLoose'), 'older', 'asPlanned');
    case 'countDrives':
      return either(is('driveUnplugged'), 'missing', 'all');
    case 'readDataLink':
      return either(is('dataLeadPoor'), 'lower', 'asPlanned');
    case 'readStripe':
      return either(is('stripeSmall'), 'small', 'fits');
    case 'watchTemperature':
      return either(is('tooHot') || is('fanForgotten'), 'hot', 'cool');
    case 'readRadio':
      return is('otherBand')
        ? 'otherBand'
        : either(is('aerialLoose') || is('radioWeak'), 'weak', 'asPlanned');
    case 'readScreenMode':
      return either(is('screenSetLower'), 'setLower', 'asPlanned');
    case 'readPortMode':
      return either(is('linkLeadSlow'), 'lower', 'asPlanned');
    case 'quietOthers':
      return better('uplinkBusy');
    case 'warmRestart':
      return better('coldStart');
    case 'swapLead':
      return better('leadPoor', 'leadBroken', 'leadErrors');
    case 'otherPort':
      return better('portSlow');
    case 'swapUsbLead':
      return better('usbLeadOld');
    case 'otherDevice':
      return better('usbDeviceSlow');
    case 'lookAtAerials':
      return either(is('aerialLoose'), 'loose', 'snug');
    case 'moveNearer':
      return better('radioWeak');
    case 'testByWire':
      return either(is('planLess'), 'slow', 'fast');
    case 'lookAtScreenLead':
      return either(is('leadOnBoard'), 'onBoard', 'onCard');
    case 'swapScreenLead':
      return better('screenLeadPoor');
    case 'swapLinkLead':
      return better('linkLeadSlow');
    case 'lookAtScrew':
      return either(is('screwMissing'), 'missing', 'in');
    case 'reseat':
      return better('halfSeated', 'screwMissing');
    case 'lookAtPlug':
      return either(is('plugForgotten'), 'out', 'in');
    case 'lookAtFan':
      return either(is('fanForgotten'), 'still', 'turns');
    case 'swapDataLead':
      return better('dataLeadPoor');
    case 'onBoardPort':
      return either(is('driveSlow'), 'slow', 'fast');
    case 'tryElsewhere':
      return either(is('cardFaulty'), 'slow', 'fast');
  }
}
