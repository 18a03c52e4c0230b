/** Steps about drivers, as they are read at the bench. */
import type { OutranksBy } from '$core/drivers';
import type { StepValues } from '$core/procedure';
import type { SystemFamily } from '$core/standards';
import { SYSTEM_FAMILY_WORDS } from './things';
import { drivesNamed, portsOf } from './drives';
import { inBytes } from './figures';
import { at, type StepWords } from './stepWords';

type DriverStep =
  | 'fetchDriver'
  | 'writeStick'
  | 'openWindows'
  | 'flashCard'
  | 'rescueMedium'
  | 'takeOffline'
  | 'backOnline'
  | 'undoTeam'
  | 'removeOldDriver'
  | 'installFirst'
  | 'checkDevice'
  | 'checkDrives'
  | 'installDriver'
  | 'ownDriver'
  | 'checkFirmware'
  | 'copyBoot'
  | 'editBoot'
  | 'readBoot'
  | 'restart'
  | 'setNetwork'
  | 'secondSystem'
  | 'testDrives'
  | 'prepareDrives';

/** Why one package is taken before another, to a customer. */
export const OUTRANKS_WORDS: Readonly<Record<OutranksBy, string>> = {
  source: 'it comes the way that was chosen for this job',
  cardIsNewer: 'the card is newer than the release that its maker recommends',
  recommended: 'its maker recommends it, and the other is only newer',
  signature: 'it names a signed catalogue',
  features: 'its maker rates it as the fuller driver',
  identifier: 'it names the device more closely',
  date: 'it is of a later date',
  version: 'its version is higher',
};

const FROM_WORDS = {
  recommended: 'The release that its maker recommends.',
  newest: 'The newest release; its maker recommends none for this device yet.',
  box: 'From the card’s own box.',
  system: 'It comes with the system.',
} as const;

export const DRIVER_STEP_WORDS: {
  readonly [Code in DriverStep]: (values: StepValues[Code]) => StepWords;
} = {
  fetchDriver: ({ title, version, from, bytes, outranked, sure }) => ({
    title: `Download ${title} ${version}`,
    detail: [
      FROM_WORDS[from],
      outranked === null
        ? ''
        : `Not ${outranked.title} ${outranked.version}: ${OUTRANKS_WORDS[outranked.by]}.`,
      sure ? '' : 'Tell the system’s build in the survey: it may decide otherwise.',
      bytes === 0 ? '' : `${inBytes(bytes)}.`,
      'Now, while this or another machine is on-line: later the new card may be the only way on-line.',
    ]
      .filter((part) => part !== '')
      .join(' '),
  }),
  writeStick: ({ count, isOnlyWay }) => ({
    title: `Write ${count === 1 ? 'the package' : `the ${count} packages`} onto a stick, and check it`,
    detail: `Drivers, “Driver packages at hand”, writes it with a script that checks every file.${isOnlyWay ? ' The new card may be this machine’s only way on-line: without the stick it has no driver.' : ''}`,
  }),
  openWindows: ({ megabytes, ...card }) => ({
    title: `Turn on decoding above 4 GB in firmware setup for ${at(card)}`,
    detail: `Its window of memory is ${megabytes} MB. Save, start again, and look whether the setting is still there.`,
  }),
  flashCard: ({ name, ...card }) => ({
    title: `Look whether ${at(card)} has its firmware: ${name}`,
    detail:
      'The driver wants it. Where the card shows an older one, write it with its maker’s own tool before anything is copied, and do not switch off until it is done.',
  }),
  rescueMedium: () => ({
    title: 'Put a rescue medium beside the machine, and start from it once',
    detail: 'The boot loader will be edited: with a slip in it the system does not start.',
  }),
  takeOffline: () => ({
    title: 'Take the machine off-line: network lead out, Wi-Fi off',
    detail: 'Otherwise the system brings an old package back while it is being taken off.',
  }),
  backOnline: () => ({
    title: 'Bring the machine back on-line',
    detail: 'Only now: the new drivers are in.',
  }),
  undoTeam: ({ device }) => ({
    title: `Take apart any team that ${device} is in`,
    detail:
      'In the old driver’s own settings, while it is still there. Write down its addresses and VLANs first. A team whose driver is gone stays behind as a dead connection.',
  }),
  removeOldDriver: ({ device, driver, how, because, isDisplay }) => ({
    title: `${how === 'clean' ? 'Strip off' : 'Uninstall'} the old driver of ${device}`,
    detail: [
      `Write down what it was: ${driver}.`,
      how === 'clean'
        ? 'Start in safe mode and use a clean-removal tool, then restart.'
        : 'By the system’s own list of programs; if that fails, clean removal from safe mode.',
      because === 'otherFamily' ? 'Clean, because the new card’s chip is of another family.' : '',
      isDisplay ? 'The picture comes back coarse: the system shows one without that driver.' : '',
    ]
      .filter((part) => part !== '')
      .join(' '),
  }),
  installFirst: (values) => ({
    title: `Install ${values.title} ${values.version} before the card goes in`,
    detail: `Its maker requires the driver first. ${installerWords(values)}`,
  }),
  checkDevice: ({ identity, family, listedAs, ...card }) => ({
    title: `Check that the system sees ${at(card)}`,
    detail: [
      listedAs === '' ? '' : lookFor(listedAs, family),
      family === null ? `Its identity is ${identity}.` : DEVICE_LIST[family](identity),
      card.enclosure === ''
        ? ''
        : `Not there: pull the lead of ${card.enclosure}, count to ten, join it again, before anything is installed anew.`,
    ]
      .filter((part) => part !== '')
      .join(' '),
  }),
  checkDrives: ({ count, isPassive, ...card }) => ({
    title: isPassive
      ? `Count the drives on ${at(card)}: ${count} at most`
      : `Count the drives on ${at(card)} in the system: ${count}`,
    detail: !isPassive
      ? 'The firmware does not list what hangs on this card; the system’s own list of drives does. One missing: its data lead, then its power plug.'
      : 'The card is no device and has no driver: each drive on it shows by itself, with its own name. One missing: look at its screw, and at how firmware setup splits the slot.',
  }),
  installDriver: ({ listedAs, alsoFor, ...values }) => ({
    title: `Install ${values.title} ${values.version}`,
    detail: `For ${[values, ...alsoFor].map(at).join(' and ')}, from the stick. ${installerWords(values)} Afterwards the system’s list shows it as “${listedAs}”.`,
  }),
  ownDriver: ({ driver, isFound, ...card }) => ({
    title: isFound
      ? `Let the system find the driver of ${at(card)}`
      : `Check that ${at(card)} runs on the system’s own driver`,
    detail: isFound
      ? `On-line, by its own search. At least ${driver} has to be there afterwards.`
      : `${driver}: nothing to install.`,
  }),
  checkFirmware: ({ name, ...card }) => ({
    title: `Look in the start messages whether ${at(card)} loaded ${name}`,
    detail:
      'The driver loads it into the card at each start. “Failed to load firmware”: the package with the system’s firmware files is missing.',
  }),
  copyBoot: () => ({
    title: 'Copy the boot loader’s setting before it is changed',
    detail: 'The whole file, with the date in its name, beside the old one.',
  }),
  editBoot: ({ parameter, ...card }) => ({
    title: `Add to the boot loader’s setting: ${parameter}`,
    detail: `For ${at(card)}. One word more on the kernel’s line, nothing else; then write the setting out by the system’s own command.`,
  }),
  readBoot: ({ parameter }) => ({
    title: `Read back what the kernel was started with: ${parameter}`,
    detail: 'cat /proc/cmdline. Not there: the setting was not written out.',
  }),
  restart: ({ times }) => ({
    title: times === 1 ? 'Restart, and look again' : `Restart, ${times} times, and look again`,
    detail: 'The installer asks for it.',
  }),
  setNetwork: ({ setting, megabits, alsoFor, ...card }) =>
    SETTING_WORDS[setting]([card, ...alsoFor].map(at).join(' and '), megabits),
  secondSystem: ({ family, driver, ...card }) => ({
    title: `Start the second system${family === null ? '' : ` (${SYSTEM_FAMILY_WORDS[family]})`} and look for ${at(card)}`,
    detail:
      driver === null
        ? 'No driver for it is known there: ask its maker before the machine goes back.'
        : `What takes it there: ${driver}. It has to work on both.`,
  }),
  testDrives: ({ count, drives, ...card }) => ({
    title: `Test ${drivesNamed(count, drives, 'used drive')} on ${portsOf(card)}`,
    detail:
      'Read what each says of itself (smartctl), then its long self-test. One with reallocated or pending sectors is not built on.',
  }),
  prepareDrives: ({ count, array, drives, ...card }) => ({
    title: `Prepare ${drivesNamed(count, drives)} on ${portsOf(card)}`,
    detail: `Name each below by serial number and size before anything is erased. Then initialise (GPT)${ARRAY_WORDS[array]}, make the file system, and share it.`,
  }),
};

const ARRAY_WORDS = {
  single: '',
  mirror: ', put them together as a mirror',
  stripe: ', put them together as a stripe – one lost drive loses all of it',
  parity: ', put them together with parity – one drive may be lost, a second loses all of it',
} as const;

const SETTING_WORDS: Readonly<
  Record<StepValues['setNetwork']['setting'], (card: string, megabits: number) => StepWords>
> = {
  speed: (card, megabits) => ({
    title: `See the link speed of ${card} at both ends`,
    detail: `Up to ${speed(megabits)}: in the driver’s settings here, and at the switch or the other machine. Where they disagree set both by hand, and read both again.`,
  }),
  jumbo: (card) => ({
    title: `Leave the frames of ${card} at 1,500, or set them at every hop`,
    detail:
      'Larger frames help only where card, switch and far end all take them. Check: ping with 8,972 bytes and no splitting answers.',
  }),
  wake: (card) => ({
    title: `Turn on wake-on-LAN for ${card}, in driver and firmware setup`,
    detail: 'Check: shut the machine down, wake it from another one.',
  }),
  vlan: (card) => ({
    title: `Set the VLAN of ${card}, the same at the switch port`,
    detail: 'Check: a machine inside the VLAN answers, one outside does not.',
  }),
  netBoot: (card) => ({
    title: `Turn on network boot for ${card} in firmware setup`,
    detail: 'Check: start once, and see it ask for an address.',
  }),
  team: (card) => ({
    title: `Set up the team with ${card}`,
    detail:
      'Check: copy something large, pull one lead, see the copy go on; then the other lead the same way.',
  }),
};

const speed = (megabits: number): string =>
  megabits >= 1000 ? `${megabits / 1000} Gb/s` : `${megabits} Mb/s`;

/** How the installer behaves, so that nobody is surprised, and nobody runs it twice. */
function installerWords({
  installation,
  adds,
  restarts,
  flickers,
  goesOn,
  hasCleanOption,
}: StepValues['installFirst']): string {
  return [
    adds.length > 0
      ? `${installation === 'express' ? 'Express' : 'Typical'} installation, which adds: ${adds.join(', ')}.`
      : 'Driver only.',
    hasCleanOption
      ? 'Its clean installation takes an old driver off by itself: choose that where none was removed before.'
      : '',
    flickers ? 'The picture goes off and on while it installs: normal.' : '',
    restarts === null || restarts === 0
      ? ''
      : `It asks for ${restarts === 1 ? 'a restart' : `${restarts} restarts`}.`,
    goesOn ? 'After the restart it goes on by itself: wait, and do not start it again.' : '',
  ]
    .filter((part) => part !== '')
    .join(' ');
}

const lookFor = (name: string, family: SystemFamily | null): string =>
  family === 'linux'
    ? `lspci -k names its driver: “${name}”.`
    : `Look for this name in the system’s list: “${name}”. Before its driver is in, it may stand there without a name.`;

/** Where each system shows a device, and how it writes the identity there. */
const DEVICE_LIST: Readonly<Record<SystemFamily, (identity: string) => string>> = {
  windows: (identity) => {
    const [vendor, device] = identity.toUpperCase().split(':');
    return `In the system’s device list its hardware ids begin with PCI\\VEN_${vendor}&DEV_${device}.`;
  },
  linux: (identity) => `lspci -nn shows it as [${identity}].`,
  bsd: (identity) =>
    `pciconf -l shows it with ${chipOf(identity)}; the start messages name its driver.`,
  unix: (identity) => `Its list of devices shows it as pci${identity.replace(':', ',')}.`,
  'macos-like': (identity) =>
    `The system’s report on PCI devices shows it; its identity is ${identity}.`,
  other: (identity) => `In the system’s own list of PCI devices its identity is ${identity}.`,
};
/** An identity as that list writes it. */
const chipOf = (identity: string): string => {
  const [vendor, device] = identity.split(':');
  return `vendor=0x${vendor} device=0x${device}`;
};
