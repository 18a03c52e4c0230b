/** Steps and cautions as they are read at the bench, from a metre away. */
import type { CautionCode, PlugType, Step, StepCode, StepValues, SystemFamily } from '$core';
import { DRIVER_STEP_WORDS } from './driverSteps';
import { FACT_WORDS } from './facts';
import { inMoney } from './figures';
import { extraWords } from './plans';
import { at, inEnclosure, type StepWords } from './stepWords';
import {
  BAY_FRAME_WORDS,
  EXTRA_KIND_WORDS,
  HEADER_WORDS,
  HEIGHT_WORDS,
  PLUG_ADAPTER_WORDS,
  SCREEN_ADAPTER_WORDS,
} from './things';

const WORDS: { readonly [Code in StepCode]: (values: StepValues[Code]) => StepWords } = {
  ...DRIVER_STEP_WORDS,
  settle: ({ fact, subject }) => ({
    title: `Find out: ${FACT_WORDS[fact].name}${subject ? ` – ${subject}` : ''}`,
    detail: FACT_WORDS[fact].how,
  }),
  order: ({ cents, returnDays, ...card }) => ({
    title: `Order ${card.card}`,
    detail: `For ${card.slot}${inEnclosure(card.enclosure)}. ${inMoney(cents)} in the catalogue.${returnDays === null ? '' : ` Can go back within ${returnDays} days.`}`,
  }),
  orderExtra: ({ kind, fits, count }) => ({
    title: `Order: ${count > 1 ? `${count} × ` : ''}${extraWords({ kind, fits })}`,
    detail: 'A card of the plan needs it.',
  }),
  orderNamed: ({ name, kind }) => ({
    title: `Order: ${name} (${EXTRA_KIND_WORDS[kind]})`,
    detail: 'The plan assumes that it is installed.',
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
  bringScrew: ({ count }) => ({
    title: `Bring ${count === 1 ? 'a screw' : `${count} screws`} for the bracket`,
    detail: 'The case has none to spare.',
  }),
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
    title: 'Record how it is before the work',
    detail: 'Note in the job what the customer has now: speed, screens, device list.',
  }),
  powerOff: () => ({
    title: 'Shut down, switch off at the back, pull the mains lead',
    detail: 'Then press the power button once to empty the supply.',
  }),
  discharge: () => ({
    title: 'Discharge yourself',
    detail:
      'Wrist strap on bare metal of the case, or touch bare earthed metal before each handling.',
  }),
  openCase: () => ({
    title: 'Open the case and lay it on its side',
    detail: 'Keep its screws together.',
  }),
  removeCover: ({ opening, enclosure, covers }) => ({
    title: `Remove slot cover ${opening}${inEnclosure(enclosure)}`,
    detail: `Counted from the processor’s end. ${COVER_DETAIL[covers] ?? 'Keep it with the job.'}`,
  }),
  closeOpening: ({ opening, enclosure }) => ({
    title: `Fit a slot cover over opening ${opening}${inEnclosure(enclosure)}`,
    detail: 'Its card is gone. Left open, it lets dust in and spoils the airflow.',
  }),
  takeOut: ({ card, slot, enclosure }) => ({
    title: `Take ${card} out of ${slot}${inEnclosure(enclosure)}`,
    detail: 'Its leads first, then its screw, then the latch. Keep it with the job, in a bag.',
  }),
  takeOutFirst: ({ neighbour, ...card }) => ({
    title: `Take ${neighbour} out to make room for a hand`,
    detail: `Its power plugs and leads first, then its screw, then the latch. It goes back after ${at(card)} is in.`,
  }),
  putBack: ({ neighbour }) => ({
    title: `Put ${neighbour} back, with its power plugs`,
    detail:
      'Push until it clicks, put its screw in, then reconnect its plugs and leads as they were.',
  }),
  moveObstacle: ({ name, how }) => ({
    title: `Move aside: ${name}`,
    detail: `It stands in the card’s path. ${how ? `${how}. ` : ''}Note where it was plugged.`,
  }),
  swapBracket: ({ height, ...card }) => ({
    title: `Put the ${HEIGHT_WORDS[height]} bracket on the card for ${card.slot}${inEnclosure(card.enclosure)}: ${card.card}`,
    detail: 'Keep the other bracket and its screws in the job’s bag.',
  }),
  joinLead: ({ lead, ...card }) => ({
    title: `Connect to the card for ${card.slot}${inEnclosure(card.enclosure)}, ${card.card}: ${lead}`,
    detail: 'Now, on the bench: it cannot be reached once the card is seated. Mind pin 1.',
  }),
  joinFront: ({ lead, ...card }) => ({
    title: `Connect the front-panel lead to the card for ${card.slot}, ${card.card}: ${HEADER_WORDS[lead]}`,
    detail:
      'Now, on the bench: it cannot be reached once the card is seated. It never needs force.',
  }),
  clearSlot: ({ state, ...card }) =>
    state === 'dirty'
      ? {
          title: `Blow the dust out of ${card.slot}${inEnclosure(card.enclosure)}`,
          detail:
            'Dry air in short bursts, away from the board; hold fans still. Touch no contacts.',
        }
      : {
          title: `Take the cap off ${card.slot}${inEnclosure(card.enclosure)}`,
          detail: 'Keep it: it goes back on if the slot is ever empty again.',
        },
  setJumper: (card) => ({
    title: `Set the jumper on the card for ${card.slot}${inEnclosure(card.enclosure)}: ${card.card}`,
    detail: 'The board has no header for its lead; the jumper stands in for it.',
  }),
  fitPlate: ({ opening, ...card }) => ({
    title: `Screw the plate of ${at(card)} into opening ${opening}`,
    detail: 'Then lay its ribbon or lead flat, clear of every fan. Mind pin 1.',
  }),
  support: (card) => ({
    title: `Set the support under the far end of ${at(card)}`,
    detail: 'It should carry the weight without lifting the card.',
  }),
  joinHeader: ({ header, ...card }) => ({
    title: `Connect ${at(card)} to the board: ${HEADER_WORDS[header]}`,
    detail: 'Count the pins before it goes on; it never needs force.',
  }),
  putIn: ({ name, kind }) => ({
    title:
      kind === 'supply'
        ? `Change the power supply for ${name}`
        : `Put in place: ${name} (${EXTRA_KIND_WORDS[kind]})`,
    detail:
      kind === 'supply'
        ? 'Never open either of them. Only leads that came with a supply belong on it: others may have the same plugs and other voltages.'
        : 'The cards that follow need it.',
  }),
  moveCard: ({ card, from, slot, enclosure }) => ({
    title: `Move ${card} from ${from} to ${slot}${inEnclosure(enclosure)}`,
    detail:
      'With its power plugs and leads: screw out, latch, card out. Push it in until it clicks, and put its screw in again.',
  }),
  seat: (card) => ({
    title: `Seat ${at(card)}`,
    detail: 'Hold it by bracket and edge, press evenly until it clicks or sits flush.',
  }),
  screw: ({ isModule, ...card }) =>
    isModule
      ? {
          title: `Screw down the far end of ${at(card)}`,
          detail: 'It stands up at an angle until the screw holds it flat.',
        }
      : {
          title: `Screw down the bracket of ${at(card)}`,
          detail: 'Lift the far end a little while screwing.',
        },
  exchangePlugs: ({ feeds, gets, gives, ...card }) => ({
    title: `Exchange the plug of ${feeds}: ${PLUG_WORDS[gets].name} in, ${PLUG_WORDS[gives].name} out`,
    detail: `The one that comes out reaches ${at(card)} and is for it; no free one does. Check that ${feeds} is fed again.`,
  }),
  plug: ({ plug, adapter, isLengthened, ...card }) => ({
    title: `Plug ${PLUG_WORDS[plug].name} into ${at(card)}`,
    detail: `${adapter === null ? '' : `Through its adapter: ${PLUG_ADAPTER_WORDS[adapter]}. Each of its plugs on a lead of its own. `}${isLengthened ? 'Through the longer lead that was ordered for it. ' : ''}${PLUG_WORDS[plug].hasLatch ? 'Push until its latch holds.' : 'Push it home; it has no latch.'}`,
  }),
  joinDrives: ({ count, socket, toBoard, plugAdapters, frames, ...card }) =>
    socket === 'm2' || toBoard
      ? {
          title: `Fit ${count === 1 ? 'the drive' : `${count} drives`} on the card for ${card.slot}${inEnclosure(card.enclosure)}: ${card.card}`,
          detail: `Film off both sides of the pads. Each goes in at an angle, then flat, then its screw.${toBoard ? ' Connect its SATA lead now; the other end goes to a port of the board once the card is in.' : ''}`,
        }
      : {
          title: `Connect ${count === 1 ? 'the drive' : `${count} drives`} to ${at(card)}`,
          detail: `A data lead each, marked with the drive’s serial number at both ends, and a power plug each${plugAdapters.length === 0 ? '' : `, through: ${plugAdapters.map((each) => PLUG_ADAPTER_WORDS[each]).join(', ')}`}. ${frames.length === 0 ? '' : `Frames first: ${frames.map((each) => BAY_FRAME_WORDS[each]).join(', ')}. `}Count them in firmware setup afterwards.`,
        },
  closeCase: () => ({
    title: 'Look once more, then close the case',
    detail: 'No lead in a fan, every unused opening covered.',
  }),
  moveScreenLead: ({ adapters, ...card }) => ({
    title: `Move the screen leads to ${at(card)}`,
    detail: `The sockets on the board usually go dead once a graphics card is in.${adapters.length === 0 ? '' : ` Adapters between: ${adapters.map((each) => SCREEN_ADAPTER_WORDS[each]).join(', ')}.`}`,
  }),
  joinEnclosures: ({ names }) => ({
    title:
      names.length === 1
        ? `Connect ${names[0] ?? 'the box'} to the machine`
        : `Connect the boxes in this order from the machine: ${names.join(', ')}`,
    detail: `${names.length === 1 ? '' : 'What moves most data comes first; a port takes six. '}Its mains lead last. It follows the machine’s power: leave its switch on.`,
  }),
  start: () => ({
    title: 'Plug in the mains lead, switch on, start',
    detail:
      'A first start may take longer. Nothing on the screen: switch off again, and check the screen lead and how the card is seated.',
  }),
  installFound: (card) => ({
    title: `Install the driver found for ${at(card)}`,
    detail: 'Note its name and version in the job, for the next technician.',
  }),
  checkLink: ({ generation, width, family, ofEach, ...card }) => ({
    title: `Read the link of ${ofEach ? 'each drive on ' : ''}${at(card)}: Gen ${generation} x${width} expected`,
    detail: `${LINK_SHOWN[family ?? 'other']}, while the card is busy; an idle card may show a slower link to save power.`,
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

const PLUG_WORDS: Readonly<
  Record<PlugType, { readonly name: string; readonly hasLatch: boolean }>
> = {
  '6-pin': { name: 'the 6-pin graphics plug', hasLatch: true },
  '8-pin': { name: 'the 8-pin graphics plug', hasLatch: true },
  '12v-2x6': { name: 'the 12V-2x6 plug', hasLatch: true },
  'mini-6-pin': { name: 'the board’s small 6-pin plug, by its lead,', hasLatch: true },
  sata: { name: 'SATA power', hasLatch: false },
  '4-pin': { name: 'a 4-pin drive plug', hasLatch: false },
};
const COVER_DETAIL: Readonly<Record<string, string>> = {
  screwed: 'Keep the cover and its screw.',
  clipped: 'Unclip it; keep it with the job.',
  snapped: 'Rock it out with a flat tool; it does not go back in.',
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

export const stepWords = (step: Step): StepWords =>
  (WORDS[step.code] as (values: Step['values']) => StepWords)(step.values);

export const CAUTION_WORDS: Readonly<Record<CautionCode, string>> = {
  mains: 'Mains can kill. Lead out before the case is opened; never open the power supply itself.',
  static: 'Static kills cards without a spark to be seen.',
  sharpCover: 'The edges of snapped covers are sharp: gloves, and a tool instead of a finger.',
  noForce:
    'No force. A card that does not go in is in the wrong slot, the wrong way round, or blocked.',
  latch:
    'Mind the latch at the far end of the slot: open it before the card goes in or out, or both break.',
  heavyCard:
    'A heavy card sags and cracks: hold it until the screw is in, and support its far end.',
  oneLeadOnePlug: 'One lead carries one plug’s load. Never a graphics socket from drive plugs.',
  hotCard: 'The card may be hot after a run.',
  othersData:
    'Somebody else’s data: back up first, erase nothing without the customer’s word, twice.',
  steadyPower: 'Firmware is updated on steady power only: a cut in the middle leaves a dead board.',
  pinOne:
    'Nothing keeps this plug from going in the wrong way round: find the mark of pin 1 on both.',
  localRules: 'Beyond the plug, local electrical codes and licensed trades come first.',
};
