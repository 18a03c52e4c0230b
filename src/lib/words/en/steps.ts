/** Steps and cautions as they are read at the bench, from a metre away. */
import type { CautionCode, Consumable, Step, StepCode, StepValues } from '$core/procedure';
import type { StaticWay } from '$core/document';
import type { SystemFamily } from '$core/standards';
import { CAUSE_WORDS } from './causes';
import { DRIVER_STEP_WORDS } from './driverSteps';
import { FIT_STEP_WORDS } from './fitSteps';
import { FACT_WORDS } from './facts';
import { inMoney } from './figures';
import { extraWords } from './plans';
import { STATIC_WAY_WORDS } from './staticWays';
import { at, capital, inEnclosure, type StepWords } from './stepWords';
import { EXTRA_KIND_WORDS, HEIGHT_WORDS } from './things';
import { TOOL_WORDS } from './tools';

const WORDS: { readonly [Code in StepCode]: (values: StepValues[Code]) => StepWords } = {
  ...DRIVER_STEP_WORDS,
  ...FIT_STEP_WORDS,
  settle: ({ fact, subject }) => ({
    title: `Find out: ${FACT_WORDS[fact].name}${subject ? ` – ${subject}` : ''}`,
    detail: FACT_WORDS[fact].how,
  }),
  order: ({ cents, returnDays, isAtHand, ...card }) => ({
    title: isAtHand ? `Take ${card.card} out of the drawer` : `Order ${card.card}`,
    detail: `For ${card.slot}${inEnclosure(card.enclosure)}. ${inMoney(cents)} in the catalogue.${returnDays === null ? '' : ` Can go back within ${returnDays} days.`}`,
  }),
  orderExtra: ({ kind, fits, count, isAtHand }) => ({
    title: `${isAtHand ? 'Take out of the drawer' : 'Order'}: ${count > 1 ? `${count} × ` : ''}${extraWords({ kind, fits })}`,
    detail: 'A card of the plan needs it.',
  }),
  orderNamed: ({ name, kind, isAtHand, isUnpriced }) => ({
    title: `${isAtHand ? 'Take out of the drawer' : 'Order'}: ${name} (${EXTRA_KIND_WORDS[kind]})`,
    detail: isUnpriced
      ? 'The one there does not reach. Nobody has told yet what it costs.'
      : 'The plan assumes that it is installed.',
  }),
  checkArrived: ({ mounted, wanted, contents, returnDays, ...card }) => ({
    title: `Check what came: ${card.card}`,
    detail: [
      'Model and revision on the label, as ordered.',
      bracketWords(mounted, wanted),
      contents.length === 0 ? '' : `In the box: ${contents.map(extraWords).join(', ')}.`,
      returnDays === null
        ? ''
        : `It can go back within ${returnDays} days: open no sealed bag yet.`,
    ]
      .filter((each) => each !== '')
      .join(' '),
  }),
  checkExtra: ({ name, kind, fits, count }) => ({
    title: `Check what came: ${count > 1 ? `${count} × ` : ''}${name === '' ? extraWords({ kind, fits }) : name}`,
    detail: name === '' ? '' : `${capital(extraWords({ kind, fits }))}.`,
  }),
  layOut: ({ tools, consumables }) => ({
    title: 'Lay out tools and what goes with them',
    detail: `${capital([...tools.map((each) => TOOL_WORDS[each]), ...consumables.map((each) => CONSUMABLE_WORDS[each])].join(', '))}.`,
  }),
  noteSettings: ({ isUpdated, isSplit }) => ({
    title: 'Note the firmware settings as they are',
    detail: `${isUpdated ? 'An update sets all of them back. ' : ''}${isSplit ? 'Above all what the slot is set to. ' : ''}Start-up order, storage mode, secure boot, and what else is not as it came.`,
  }),
  photoBehind: () => ({
    title: 'Photograph the leads behind, before any is touched',
    detail: 'From straight behind, so that every socket shows. They go back by it.',
  }),
  updateFirmware: ({ year }) => ({
    title: `Update the firmware (dated ${year})`,
    detail:
      'Before the card is swapped, while there is still a picture. Use the board maker’s file for exactly this board; do not switch off until it is done.',
  }),
  findDriver: ({ identity, ...card }) => ({
    title: `Find a driver for ${at(card)}`,
    detail: `None was known for this system when the plan was accepted. Ask its maker for ${identity}, before the machine goes off-line.`,
  }),
  enrolKey: (card) => ({
    title: `Have the key ready for the driver of ${at(card)}`,
    detail:
      'Secure boot is on: a driver that does not come with the system loads only once the firmware knows its key. Its package says how; it takes one restart with a password.',
  }),
  splitSlot: ({ card, slot, enclosure }) => ({
    title: `Set ${slot}${inEnclosure(enclosure)} to x4x4x4x4 in firmware setup (bifurcation)`,
    detail: `Before ${card} goes in: without it only its first drive shows up.`,
  }),
  bringScrew: ({ count, isModule }) =>
    isModule
      ? {
          title: `Bring ${count === 1 ? 'an M.2 screw' : `${count} M.2 screws`}`,
          detail: 'The board has none to spare: a module stands up until one holds it.',
        }
      : {
          title: `Bring ${count === 1 ? 'a screw' : `${count} screws`} for the bracket`,
          detail: 'The case has none to spare.',
        },
  noteTrouble: ({ count, names }) => ({
    title: count === 1 ? 'One device is not working' : `${count} devices are not working`,
    detail: `Tell the customer before anything is changed, and check at the end whether it works again: ${names}.`,
  }),
  showDamage: ({ what }) => ({
    title: 'Show the customer what was damaged before',
    detail: `${what.join('; ')}. Photographs of it are with the survey.`,
  }),
  firmwareFirst: (card) => ({
    title: `Put the firmware on ${card.card}, in another machine`,
    detail: `For ${card.slot}. This machine does not show it until then. Use its maker’s file for exactly this card; do not switch off until it is done.`,
  }),
  backUp: () => ({
    title: 'Make sure that the customer’s data is backed up',
    detail: 'Ask, and have the copy shown. Erase nothing without the customer’s word, twice.',
  }),
  before: () => ({
    title: 'Measure how it is before the work',
    detail: 'Each need that can be measured now, the same way as afterwards.',
  }),
  installFound: (card) => ({
    title: `Install the driver found for ${at(card)}`,
    detail: 'Note its name and version in the job, for the next technician.',
  }),
  checkLink: ({ generation, width, family, ofEach, ...card }) => ({
    title: `Read the link of ${ofEach ? 'each drive on ' : ''}${at(card)}: Gen ${generation} x${width} expected`,
    detail: `${LINK_SHOWN[family ?? 'other']}, while the card is busy; an idle card may show a slower link to save power.`,
  }),
  checkShare: () => ({
    title: 'Check that the far end is reached at all',
    detail:
      'By its name and by its address; the share opens, and a small file can be written and read back. Else it is a name or a permission, and no lead.',
  }),
  checkStartedFrom: (card) => ({
    title: `Check that the machine started from the drive on ${at(card)}`,
    detail:
      'Where the system says which drive it runs from. An old system on another drive starts just as well, and shows its figures.',
  }),
  mend: ({ cause, card, slot, hop }) => ({
    title: `${CAUSE_WORDS[cause].mend}${hop !== '' ? ` – ${hop}` : card === '' ? '' : ` – ${card}, ${slot}`}`,
    detail: CAUSE_WORDS[cause].how,
  }),
  keepParts: () => ({
    title: 'Hand over the parts that came out',
    detail: 'Covers, spare bracket and screws, in one bag with the job’s name.',
  }),
  explain: () => ({
    title: 'Go through the sheet with the customer',
    detail: 'What was fitted, what it does now, what to avoid.',
  }),
};

/** Where each system shows what a link trained to. */
const LINK_SHOWN: Readonly<Record<SystemFamily, string>> = {
  windows: 'Device list, properties of the device, details: current link speed and width',
  linux: 'lspci -vv as root, line LnkSta',
  bsd: 'pciconf -lc, “link x… at …”',
  unix: 'Firmware setup, or a live Linux from a USB stick: lspci -vv',
  'macos-like': 'The system’s report on PCI devices: link width and speed',
  other: 'Firmware setup, or a live Linux from a USB stick: lspci -vv',
};

function bracketWords(
  mounted: StepValues['checkArrived']['mounted'],
  wanted: StepValues['checkArrived']['wanted'],
): string {
  if (mounted === null) return '';
  const is = `The ${HEIGHT_WORDS[mounted]} bracket is on it`;
  if (wanted === null) return `${is}.`;
  return wanted === mounted
    ? `${is}, as this case takes it.`
    : `${is}; this case takes the ${HEIGHT_WORDS[wanted]} one, which has to lie in the box.`;
}

const CONSUMABLE_WORDS: Readonly<Record<Consumable, string>> = {
  tray: 'a tray for screws and covers',
  bag: 'bags for what comes out',
  ties: 'ties for leads',
  labels: 'labels for leads and drives',
  gloves: 'gloves',
  strap: 'wrist strap',
};

/** Above the steps of a round. */
export const ROUND_WORDS: Readonly<Record<Step['round'], string>> = {
  0: 'On the other machine, as a trial',
  1: 'On the customer’s machine',
  2: 'Second round, once the cards of the first run',
};

export const stepWords = (step: Step): StepWords =>
  (WORDS[step.code] as (values: Step['values']) => StepWords)(step.values);

/** A caution as it is true of the way that was chosen against static. */
export const cautionWords = (caution: CautionCode, staticWay: StaticWay | null = null): string =>
  caution === 'static' && staticWay !== null
    ? STATIC_WAY_WORDS[staticWay].caution
    : CAUTION_WORDS[caution];

const CAUTION_WORDS: Readonly<Record<CautionCode, string>> = {
  mains: 'Mains can kill. Lead out before the case is opened; never open the power supply itself.',
  static: 'Static kills cards without a spark to be seen.',
  sharpCover: 'The edges of snapped covers are sharp: gloves, and a tool instead of a finger.',
  noForce: 'No force. What does not go in is in the wrong slot, the wrong way round, or blocked.',
  latch:
    'Mind the latch at the far end of the slot: open it before the card goes in or out, or both break.',
  heavyCard:
    'A heavy card sags and cracks: hold it until the screw is in, and support its far end.',
  oneLeadOnePlug: 'One lead carries one plug’s load. Never a graphics socket from drive plugs.',
  hotCard: 'The card may be hot after a run.',
  othersData:
    'Somebody else’s data: back up first, erase nothing without the customer’s word, twice.',
  openPower:
    'Power is on in an open machine, here and at no other step. Hands, tools and screws stay out; touch nothing inside, pull the mains lead before anything else.',
  steadyPower: 'Firmware is updated on steady power only: a cut in the middle leaves a dead board.',
  polarity:
    'Plus on plus: the other way round a light stays dark, and a 12 V lighting lead can burn what hangs on it.',
  bentPins:
    'Touch no pin and no contact of processor or socket: a bent pin is a dead board. It drops in by itself, corner mark on corner mark.',
  pinOne:
    'Nothing keeps this plug from going in the wrong way round: find the mark of pin 1 on both.',
  localRules: 'Beyond the plug, local electrical codes and licensed trades come first.',
};
