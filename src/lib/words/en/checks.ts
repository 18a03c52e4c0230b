/** Every check that tells causes apart, in words: the act, how it is done on a system, what it may show. */
import type { Check, SystemFamily } from '$core/standards';
import { wireWords } from './figures';

interface CheckWords {
  readonly title: (where: string) => string;
  readonly how: string | ((family: SystemFamily | null) => string);
  /** Its answers; absent where they are speeds. */
  readonly answers: Readonly<Record<string, string>>;
}

const onSystem =
  (windows: string, linux: string, other = 'In the system’s own settings or report.') =>
  (family: SystemFamily | null): string =>
    family === 'windows' ? windows : family === 'linux' ? linux : other;

const BETTER = { same: 'No change', better: 'Faster now' };
const SPEED = { fast: 'As fast as it should be', slow: 'Slow there too' };

export const CHECK_WORDS: Readonly<Record<Check, CheckWords>> = {
  readLink: {
    title: () => 'Read what the card’s link trained to',
    how: onSystem(
      'Device list, properties of the card, details: current link speed and width. While it is busy.',
      'sudo lspci -vv, line LnkSta of the card. While it is busy.',
    ),
    answers: {
      asPlanned: 'As planned',
      narrower: 'Fewer lanes',
      older: 'Older generation',
      otherSlot: 'In another slot',
    },
  },
  readSlotSetting: {
    title: () => 'Look up the slot’s link speed in firmware setup',
    how: 'Restart into firmware setup; PCI Express or slot settings.',
    answers: { auto: 'Auto', set: 'Set to a lower one' },
  },
  readDriver: {
    title: () => 'Read which driver runs the card',
    how: onSystem(
      'Device list, properties, driver: provider, date and version.',
      'lspci -k, line “Kernel driver in use”; modinfo for its version.',
    ),
    answers: {
      asPlanned: 'The planned one',
      generic: 'The system’s basic one',
      older: 'An older version',
    },
  },
  readFirmware: {
    title: () => 'Read the firmware’s date, of board and card',
    how: 'The maker’s page says which is the latest, and what it mends.',
    answers: { current: 'Current', old: 'Older than the maker asks for' },
  },
  watchProcessor: {
    title: () => 'Watch the processor during a run',
    how: onSystem(
      'Task list, performance, while it copies: is one core full?',
      'top, then 1, while it copies: is one core full?',
    ),
    answers: { idle: 'Hardly anything to do', busy: 'Full' },
  },
  readLinkSpeed: {
    title: (where) => `Read what the ${where} came up at`,
    how: onSystem(
      'Network settings, status, “speed”. At a switch: its lamps or its own page, at both ends of the lead.',
      'ethtool and the port’s name, line “Speed”. At a switch: its lamps or its own page, at both ends of the lead.',
    ),
    answers: {},
  },
  countErrors: {
    title: (where) => `Look for errors counted on the ${where}`,
    how: onSystem(
      'Get-NetAdapterStatistics before and after a copy, or the switch’s own page.',
      'ip -s link before and after a copy, or the switch’s own page.',
    ),
    answers: { none: 'None', some: 'They rise' },
  },
  readPortSetting: {
    title: () => 'Look at the port’s speed setting',
    how: onSystem(
      'Adapter properties, advanced, speed and duplex.',
      'ethtool, line “Auto-negotiation”.',
    ),
    answers: { auto: 'Negotiates', set: 'Set to a lower speed' },
  },
  sendLarge: {
    title: () => 'Send one large packet that may not be split',
    how: onSystem(
      'ping -f -l 8972 and the far end’s address, where jumbo frames are on; else ping -f -l 1472.',
      'ping -M do -s 8972 and the far end’s address, where jumbo frames are on; else -s 1472.',
    ),
    answers: { pass: 'It comes back', lost: 'Lost, or “must be split”' },
  },
  watchFarEnd: {
    title: () => 'Watch the far end during a run',
    how: 'Its own load page or task list: processor, drives, other copies.',
    answers: { idle: 'Nothing else going on', busy: 'Busy' },
  },
  lookAtFiles: {
    title: () => 'Look at what was copied',
    how: 'Properties of the folder: size divided by number of files.',
    answers: { large: 'Large files', small: 'Many small ones' },
  },
  testDrive: {
    title: (where) => `Read from the ${where} by itself`,
    how: 'Copy a large file there to nowhere, without the network: what does it show alone?',
    answers: { fast: 'Faster than the copy', slow: 'As slow as the copy' },
  },
  readUsbSpeed: {
    title: () => 'Read at which speed the device came up',
    how: onSystem(
      'The system’s USB list, or the notice “can run faster”.',
      'lsusb -t: 480M is USB 2.0, 5000M and more is not.',
    ),
    answers: { asPlanned: 'As planned', older: 'USB 2.0' },
  },
  countDrives: {
    title: () => 'Count the drives',
    how: 'In firmware setup or the array’s own page, by serial number.',
    answers: { all: 'All there', missing: 'One is missing' },
  },
  readDataLink: {
    title: () => 'Read the link speed and errors of the drives',
    how: 'smartctl -a of each: “SATA Version … (current: …)”, and whether the count of CRC errors rises.',
    answers: { asPlanned: 'Full speed, no errors', lower: 'Lower speed, or errors rise' },
  },
  readStripe: {
    title: () => 'Read the stripe size of the array',
    how: 'In the array’s own page or tool. Large files like 256 kB and more.',
    answers: { fits: 'Fits large files', small: 'Small' },
  },
  watchTemperature: {
    title: () => 'Watch the temperature during a long run',
    how: 'Five minutes of load; smartctl -a, the maker’s tool, or sensors.',
    answers: { cool: 'Stays cool', hot: 'Reaches its limit' },
  },
  readRadio: {
    title: () => 'Read band and rate of the radio',
    how: onSystem('netsh wlan show interfaces', 'iw dev, then iw and its name link'),
    answers: { asPlanned: 'As planned', otherBand: 'Another band', weak: 'Right band, low rate' },
  },
  readScreenMode: {
    title: () => 'Read the mode that is set',
    how: 'Display settings, advanced: resolution and refresh rate.',
    answers: { asPlanned: 'As planned', setLower: 'A lower one is set' },
  },
  readPortMode: {
    title: () => 'Read the mode of the port',
    how: 'The system’s report on the port: current link rate.',
    answers: { asPlanned: 'Full rate', lower: 'Half rate' },
  },
  quietOthers: {
    title: () => 'Let the other devices rest, and measure again',
    how: 'What shares the link behind the slots: drives, network, capture.',
    answers: BETTER,
  },
  warmRestart: {
    title: () => 'Restart without switching off, and read the link again',
    how: 'Restart from the system; do not cut the power.',
    answers: BETTER,
  },
  swapLead: {
    title: (where) => `Swap the lead of the ${where} for one that is known to be good`,
    how: 'Then read the link speed and the errors again.',
    answers: BETTER,
  },
  otherPort: {
    title: (where) => `Try another port at the far end of the ${where}`,
    how: 'Then read the link speed again.',
    answers: BETTER,
  },
  swapUsbLead: {
    title: () => 'Swap the USB lead, without any hub',
    how: 'A lead that is known to carry the speed; then read the speed again.',
    answers: BETTER,
  },
  otherDevice: {
    title: () => 'Try another device on the same port',
    how: 'One that is known to be fast.',
    answers: BETTER,
  },
  lookAtAerials: {
    title: () => 'Look at the aerials',
    how: 'All on, finger-tight, upright, not behind metal.',
    answers: { snug: 'Snug', loose: 'Loose or missing' },
  },
  moveNearer: {
    title: () => 'Measure a step away from the access point',
    how: 'Bring the machine or the access point nearer for one run.',
    answers: BETTER,
  },
  testByWire: {
    title: () => 'Measure the internet by a cable at the router',
    how: 'Another machine on the router’s own port, the same test.',
    answers: SPEED,
  },
  lookAtScreenLead: {
    title: () => 'Look where the screen is plugged in',
    how: 'From behind: at the card’s bracket, or among the board’s own sockets?',
    answers: { onCard: 'On the card', onBoard: 'On the board' },
  },
  swapScreenLead: {
    title: () => 'Swap the screen lead',
    how: 'One that is rated for the mode.',
    answers: { same: 'No change', better: 'The mode is there' },
  },
  swapLinkLead: {
    title: () => 'Swap the lead on the port',
    how: 'A short one that is rated for the full speed.',
    answers: BETTER,
  },
  lookAtScrew: {
    title: () => 'Look whether the bracket is screwed',
    how: 'Power off, mains lead out, case open.',
    answers: { in: 'Screwed', missing: 'Screw missing' },
  },
  reseat: {
    title: () => 'Take the card out and seat it again, then read the link',
    how: 'Power off, mains lead out, discharge. Straight down, evenly, then the screw.',
    answers: { same: 'No change', better: 'As planned now' },
  },
  lookAtPlug: {
    title: () => 'Look whether every power plug of the card is in',
    how: 'Power off, mains lead out, case open.',
    answers: { in: 'All in', out: 'One is out' },
  },
  lookAtFan: {
    title: () => 'Look whether the fans turn',
    how: 'Listen, and look through the vents or the window. Do not open a machine that runs.',
    answers: { turns: 'They turn', still: 'One stands still' },
  },
  swapDataLead: {
    title: () => 'Swap the data lead',
    how: 'Power off, mains lead out. One with latches; then read its link speed again.',
    answers: BETTER,
  },
  onBoardPort: {
    title: () => 'Try the drive on one of the board’s own ports',
    how: 'Power off, mains lead out. Read from it only: nothing is written.',
    answers: SPEED,
  },
  tryElsewhere: {
    title: () => 'Try the card in another machine',
    how: 'A slot with at least the same lanes and generation.',
    answers: SPEED,
  },
};

export const answerTo = (check: Check, answer: string): string =>
  check === 'readLinkSpeed'
    ? wireWords(Number(answer))
    : (CHECK_WORDS[check].answers[answer] ?? answer);

export const howTo = (check: Check, family: SystemFamily | null): string => {
  const { how } = CHECK_WORDS[check];
  return typeof how === 'string' ? how : how(family);
};
