/** Steps of the physical work, as they are read at the bench. */
import type { LeadKind, MachinePart, PlugType, SystemFamily } from '$core/standards';
import type { StepCode, StepValues } from '$core/procedure';
import { drivesNamed, portNumbers, portsOf, serialsOf, type DriveNamed } from './drives';
import { END_WORDS, LEAD_WORDS } from './leads';
import { REAR_LEAD_WORDS, leadEndWords } from './rear';
import { at, inEnclosure, type StepWords } from './stepWords';
import {
  BAY_FRAME_WORDS,
  EXTRA_KIND_WORDS,
  HEADER_WORDS,
  HEIGHT_WORDS,
  PLUG_ADAPTER_WORDS,
  SCREEN_ADAPTER_WORDS,
} from './things';

type Words = { readonly [Code in StepCode]?: (values: StepValues[Code]) => StepWords };

/** “the card for Slot 3: …” while it still lies on the bench. */
const onBench = ({ card, slot, enclosure }: Parameters<typeof at>[0]): string =>
  `the card for ${slot}${inEnclosure(enclosure)}: ${card}`;

const ofCase = (enclosure: string): string => (enclosure === '' ? 'the case' : enclosure);

type Held = Pick<StepValues['takeOut'], 'hold' | 'latch'>;
/** How a bracket is let go of. */
const letGo = ({ hold, latch }: Held): string => {
  const bracket =
    hold === 'screwed'
      ? 'Screw out'
      : hold === 'clipped'
        ? 'Open the clip'
        : hold === 'bar'
          ? 'The bar is off already'
          : 'Screw out, or clip open';
  const end =
    latch === true ? ', open the latch' : latch === null ? ', open the latch if there is one' : '';
  return `${bracket}${end}. Pull evenly by bracket and edge; touch no contacts.`;
};
const holdFast = ({ hold, latch }: Held): string => {
  const end = latch === true ? 'Push until the latch closes' : 'Push evenly until it sits flush';
  return hold === 'screwed'
    ? `${end}, then its screw.`
    : hold === 'clipped'
      ? `${end}, then close the clip.`
      : hold === 'bar'
        ? `${end}; the bar holds it later.`
        : `${end}, then what holds its bracket.`;
};

type Joined = Pick<StepValues['freeCard'], 'plugs' | 'leads'>;
const joinedWords = ({ plugs, leads }: Joined): string => {
  if (plugs === null || leads === null) return 'its power plugs and leads, if it has any';
  return [
    ...plugs.map((plug) => PLUG_WORDS[plug].name),
    ...leads.map((lead) => HEADER_WORDS[lead]),
  ].join(', ');
};

/** Thin pads under a double-sided module, thick ones where its other side is bare. */
function padWords(drives: readonly DriveNamed[]): string {
  const sides = [...new Set(drives.flatMap(({ sides: each }) => each ?? []))];
  return sides.length === 0
    ? 'One-sided module: the thicker pad; chips on both sides: the thinner one. '
    : sides
        .map((each) =>
          each === 'single' ? 'Single-sided: the thicker pad. ' : 'Double-sided: the thinner pad. ',
        )
        .join('');
}

const PART_STEPS: Readonly<Record<MachinePart, StepWords>> = {
  supply: {
    title: 'Screw the power supply into the case',
    detail:
      'Its fan towards the opening for air. Never open it. Only leads that came with it belong on it. Its mains lead stays out.',
  },
  processor: {
    title: 'Put the processor into its socket',
    detail: 'Lever up, corner mark on corner mark, let it drop in, lever down.',
  },
  cooler: {
    title: 'Fit the cooler on the processor',
    detail:
      'Film off; paste thin and even where none is on it. Screws crosswise, a few turns each.',
  },
  memory: {
    title: 'Press the memory into its slots',
    detail:
      'The pair that the board’s manual names first. Notch on notch; press at both ends until the latches close.',
  },
  posts: {
    title: 'Set the posts that the board stands on',
    detail: 'One under each hole of the board, none anywhere else: a post too many shorts it.',
  },
  board: {
    title: 'Lay the board on its posts and screw it down',
    detail: 'The plate of its ports goes into the case first. All screws in, then all tight.',
  },
};

/** What tells this lead from others as it goes in. */
const LEAD_DETAIL: Readonly<Partial<Record<LeadKind, string>>> = {
  'ribbon-40': 'Coloured edge to pin 1: at a drive that is beside its power socket.',
  'ribbon-80': 'Blue to the board, black to the first drive, grey to the second.',
  'floppy-34': 'Coloured edge to pin 1. The drive beyond the twist is the first.',
  sata: 'The L of the plug fits one way. Straight or angled: it must not press against a card.',
  'board-power-20': 'Its latch over the nose of the socket.',
  'board-power-24': 'Its latch over the nose of the socket.',
  'processor-power-4':
    'Its latch over the nose; half of an 8-pin socket may stay empty where the board allows it.',
  'processor-power-8': 'Its latch over the nose. No graphics plug goes here.',
  'drive-power-4': 'Round corners to round corners; push it home.',
  'floppy-power': 'It can be forced on one pin aside: look before you push.',
  'splitter-4': 'Two drives on one plug, never three.',
  'fan-3': 'On a socket of four pins it leaves the fourth free.',
  'disc-sound': 'Its plug may fit both ways: the same wire left at both ends.',
  'front-switch': 'Either way round.',
  'front-light': 'Coloured wire to plus.',
  'lighting-4': 'The arrow to the pin marked +12 V; never on a header of 5 V.',
  'lighting-3': 'One pin is missing; never on a header of 12 V.',
};

const screens = (adapters: StepValues['moveScreenLead']['adapters']): string =>
  adapters.length === 0
    ? ''
    : ` Adapters between: ${adapters.map((each) => SCREEN_ADAPTER_WORDS[each]).join(', ')}.`;

const PANEL_WORDS = {
  screws: 'Its screws are behind; keep them together.',
  latch: 'Pull its latch; nothing is screwed.',
} as const;

const COVER_FROM = {
  removed: 'Take the one that came off another opening',
  spare: 'Take one from the drawer',
  ordered: 'Take the one that was ordered',
} as const;

export const FIT_STEP_WORDS = {
  powerOff: ({ boxes }) => ({
    title: `Shut down, switch off at the back, pull the mains lead${boxes.length === 0 ? '' : ` – and that of ${boxes.join(', ')}`}`,
    detail: '',
  }),
  leadsOff: () => ({
    title: 'Take off the leads behind',
    detail: 'No rings, no watch, no carpet under your feet.',
  }),
  discharge: () => ({
    title: 'Press the power button once',
    detail: 'With the mains lead out it empties the supply.',
  }),
  earth: () => ({
    title: 'Earth yourself: strap, or bare metal',
    detail: 'One of the two, from here until the case is closed again.',
  }),
  photoInside: () => ({
    title: 'Photograph how leads and plugs lie inside',
    detail: 'From above and from both sides, before any of them is moved.',
  }),
  openCase: ({ enclosure, held }) => ({
    title: `Open ${ofCase(enclosure)} and lay it down, cards up`,
    detail: held === null ? 'Keep its screws together.' : PANEL_WORDS[held],
  }),
  openFarSide: ({ enclosure, held }) => ({
    title: `Turn ${ofCase(enclosure)} and take off the panel behind the board`,
    detail: held === null ? 'Keep its screws together.' : PANEL_WORDS[held],
  }),
  dustOut: () => ({
    title: 'Blow the dust out',
    detail: 'Dry air in short bursts, outdoors or at a window; hold fans still while you do.',
  }),
  removeBar: ({ enclosure }) => ({
    title: `Take off the bar over the brackets${inEnclosure(enclosure)}`,
    detail: 'It holds all of them. It goes on again last.',
  }),
  refitBar: ({ enclosure }) => ({
    title: `Put the bar over the brackets on again${inEnclosure(enclosure)}`,
    detail: 'With all brackets in line; it closes without force.',
  }),
  freeCard: ({ plugs, leads, ...card }) => ({
    title: `Unplug from ${at(card)}: ${joinedWords({ plugs, leads })}`,
    detail: 'Press the catch where a plug has one; pull the plug, not the lead.',
  }),
  takeOut: ({ hold, latch, ...card }) => ({
    title: `Take ${card.card} out of ${card.slot}${inEnclosure(card.enclosure)}`,
    detail: `${letGo({ hold, latch })} Keep it with the job, in a bag.`,
  }),
  takeOutFirst: ({ neighbour, hold, latch, ...card }) => ({
    title: `Take ${neighbour} out to make room for a hand`,
    detail: `${letGo({ hold, latch })} It goes back later: ${at(card)} needs the room.`,
  }),
  takeToMove: ({ hold, latch, to, ...card }) => ({
    title: `Take ${card.card} out of ${card.slot}: it goes to ${to}`,
    detail: letGo({ hold, latch }),
  }),
  moveCard: ({ hold, latch, from, ...card }) => ({
    title: `Move ${card.card} from ${from} to ${card.slot}${inEnclosure(card.enclosure)}`,
    detail: holdFast({ hold, latch }),
  }),
  putBack: ({ neighbour, hold, latch }) => ({
    title: `Put ${neighbour} back`,
    detail: holdFast({ hold, latch }),
  }),
  plugBack: ({ plugs, leads, ...card }) => ({
    title: `Plug in again at ${at(card)}: ${joinedWords({ plugs, leads })}`,
    detail: 'As they were; the photograph shows it.',
  }),
  removeCover: ({ opening, enclosure, covers }) => ({
    title: `Remove slot cover ${opening}${inEnclosure(enclosure)}`,
    detail: `Counted from the processor’s end. ${COVER_DETAIL[covers] ?? 'Keep it with the job.'}`,
  }),
  closeOpening: ({ opening, enclosure, with: from, of }) => ({
    title: `Fit a slot cover over opening ${opening}${inEnclosure(enclosure)}`,
    detail: `${COVER_FROM[from]}${of === null ? '' : `, ${of}`}. Left open, it lets dust in and spoils the airflow.`,
  }),
  moveObstacle: ({ name, how }) => ({
    title: `Move aside: ${name}`,
    detail: `It stands in the card’s path. ${how ? `${how}. ` : ''}Note where it was plugged.`,
  }),
  restorePlug: ({ name }) => ({
    title: `Plug in again: ${name}`,
    detail: 'Where it was, clear of every fan.',
  }),
  leadPlugRound: ({ name }) => ({
    title: `Plug in again: ${name}`,
    detail: 'Lead it round: the card will lie over its plug.',
  }),
  removeFrontCover: ({ name, covers }) => ({
    title: `Take off the cover of the bay for ${name}`,
    detail: covers === null ? 'Keep it with the job.' : FRONT_COVER_DETAIL[covers],
  }),
  putIn: ({ name, kind }) => ({
    title:
      kind === 'supply'
        ? `Change the power supply for ${name}`
        : `Put in place: ${name} (${EXTRA_KIND_WORDS[kind]})`,
    detail:
      kind === 'supply'
        ? 'Never open either of them. Only leads that came with a supply belong on it: others may have the same plugs and other voltages.'
        : `${kind === 'bay' ? 'In from the front, screwed from both sides. ' : ''}The cards that follow need it.`,
  }),
  swapBracket: ({ height, ...card }) => ({
    title: `Put the ${HEIGHT_WORDS[height]} bracket on ${onBench(card)}`,
    detail:
      'Sockets that are screwed to the bracket come off it first, and go through the other. Keep the old one with its screws in the job’s bag.',
  }),
  joinLead: ({ lead, ...card }) => ({
    title: `Connect to ${onBench(card)}: ${lead}`,
    detail: 'Now, beside its slot: it cannot be reached once the card is in. Mind pin 1.',
  }),
  joinFront: ({ lead, ...card }) => ({
    title: `Connect the front-panel lead to ${onBench(card)}: ${HEADER_WORDS[lead]}`,
    detail: 'Now, beside its slot: it cannot be reached once the card is in. It never needs force.',
  }),
  joinRibbon: ({ count, ...card }) => ({
    title: `Join ${count === 1 ? 'the plate' : `${count} plates`} by ribbon or lead to ${onBench(card)}`,
    detail: 'The card’s end: it cannot be reached once the card is in.',
  }),
  joinJack: ({ count, bears, ...card }) => ({
    title: `${bears === 'jack' ? 'Screw the jack into' : 'Screw the aerial sockets into'} ${count === 1 ? 'the plate' : `the ${count} plates`} for ${onBench(card)}`,
    detail:
      bears === 'jack'
        ? 'Then plug the other end of the ribbon into it.'
        : 'The other ends of the aerial leads: washer and nut outside, hand-tight, then a quarter turn.',
  }),
  joinOwnFirst: ({ header, ...card }) => ({
    title: `Connect its own lead to ${onBench(card)}: ${HEADER_WORDS[header]}`,
    detail: 'Now, beside its slot: it cannot be reached once the card is in.',
  }),
  setJumper: (card) => ({
    title: `Set the jumper on ${onBench(card)}`,
    detail: 'The board has no header for its lead; the jumper stands in for it.',
  }),
  fitModules: ({ count, toBoard, hasCover, drives, ...card }) => ({
    title: `Fit ${drivesNamed(count, drives, toBoard ? 'SATA drive' : 'drive')} on ${onBench(card)}`,
    detail: `${hasCover ? 'Its heat sink off first, and on again last. ' : ''}${padWords(drives)}Film off both sides of the pads. Each goes in at an angle, then flat, then its screw.${toBoard ? ' Connect its SATA lead now.' : ''}`,
  }),
  clearSlot: ({ state, ...card }) =>
    state === 'dirty'
      ? {
          title: `Blow the dust out of ${card.slot}${inEnclosure(card.enclosure)}`,
          detail: 'Dry air in short bursts, away from the board. Touch no contacts.',
        }
      : {
          title: `Take the cap off ${card.slot}${inEnclosure(card.enclosure)}`,
          detail: 'Keep it: it goes back on if the slot is ever empty again.',
        },
  seat: ({ latch, hasGuide, hasBracket, ...card }) => ({
    title: `Seat ${at(card)}`,
    detail: [
      hasBracket
        ? 'The bracket’s foot goes into the gap beside the board.'
        : 'It goes in at an angle; hold it by its edges.',
      ...(hasGuide ? ['Its far end goes into the guide.'] : []),
      hasBracket
        ? `Hold it by bracket and edge, touch no contacts; press evenly ${latch === true ? 'until the latch clicks' : latch === false ? 'until it sits flush' : 'until it clicks or sits flush'}.`
        : '',
    ]
      .join(' ')
      .trim(),
  }),
  screw: ({ isModule, hold, ...card }) =>
    isModule
      ? {
          title: `Screw down the far end of ${at(card)}`,
          detail: 'It stands up at an angle until the screw holds it flat.',
        }
      : hold === 'clipped'
        ? {
            title: `Close the clip over the bracket of ${at(card)}`,
            detail: 'It shuts without force when the bracket is in line.',
          }
        : {
            title: `Screw down the bracket of ${at(card)}`,
            detail: 'Lift the far end a little while screwing.',
          },
  fitPlate: ({ opening, ...card }) => ({
    title: `Screw the plate of ${at(card)} into opening ${opening}`,
    detail: 'Then lay its ribbon or lead flat, clear of every fan.',
  }),
  support: (card) => ({
    title: `Set the support under the far end of ${at(card)}`,
    detail: 'It should carry the weight without lifting the card.',
  }),
  joinHeader: ({ header, isCovered, ...card }) => ({
    title: `Connect ${at(card)} to the board: ${HEADER_WORDS[header]}`,
    detail: isCovered
      ? 'The board’s end, before a card lies over it.'
      : 'Count the pins before it goes on; it never needs force.',
  }),
  joinOwnEnd: ({ header, ...card }) => ({
    title: `Connect the other end of that lead to ${at(card)}: ${HEADER_WORDS[header]}`,
    detail: 'Then lay it flat, clear of every fan.',
  }),
  joinBoardPort: ({ count, ...card }) => ({
    title: `Plug the SATA ${count === 1 ? 'lead' : 'leads'} from ${at(card)} into ${count === 1 ? 'a port' : `${count} ports`} of the board`,
    detail:
      'The other end of what hangs on its drive. A port that shares its lanes with an M.2 socket may be dead.',
  }),
  fitOnBoard: ({ part }) => PART_STEPS[part],
  fitInCase: ({ part }) => PART_STEPS[part],
  setDrive: ({ name, at: where, how }) => ({
    title: `Set the jumper of ${name || 'the drive'}${where === '' ? '' : ` (${where})`}: ${how === 'position' ? 'cable select' : how === 'first' ? 'first drive (master)' : 'second drive (slave)'}`,
    detail:
      how === 'position'
        ? 'The black plug at the end makes the first drive, the grey one in the middle the second.'
        : 'The label on the drive shows which pins. Two drives set alike: neither is seen.',
  }),
  joinEnd: ({ lead, name, end, at: where, colour, isLoose }) => ({
    title: `${isLoose ? 'Plug' : 'See that it is plugged in:'} ${LEAD_WORDS[lead]}${name === '' ? '' : ` (${name})`} ${isLoose ? 'into' : 'at'} ${END_WORDS[end]}${where === '' ? '' : `, ${where}`}`,
    detail: `${colour === '' ? '' : `The ${colour} plug. `}${LEAD_DETAIL[lead] ?? ''}`.trim(),
  }),
  exchangePlugs: ({ feeds, gets, gives, ...card }) => ({
    title: `Exchange the plug of ${feeds}: ${PLUG_WORDS[gets].name} in, ${PLUG_WORDS[gives].name} out`,
    detail: `The one that comes out reaches ${at(card)} and is for it; no free one does. Check that ${feeds} is fed again.`,
  }),
  plug: ({ plug, adapter, isLengthened, ...card }) => ({
    title: `Plug ${PLUG_WORDS[plug].name} into ${at(card)}`,
    detail: `${adapter === null ? '' : `Through its adapter: ${PLUG_ADAPTER_WORDS[adapter]}. Each of its plugs on a lead of its own. `}${isLengthened ? 'Through the longer lead that was ordered for it. ' : ''}${PLUG_WORDS[plug].hasLatch ? 'Push until its latch holds.' : 'Push it home; it has no latch.'}`,
  }),
  mountDrives: ({ count, frames, bothSides, drives, ...card }) => ({
    title: `Mount ${drivesNamed(count, drives)} ${card.card === '' ? `in ${count === 1 ? 'its bay' : 'their bays'}` : `for ${card.card}`}${inEnclosure(card.enclosure)}`,
    detail: `${frames.length === 0 ? '' : `Frames first: ${frames.map((each) => BAY_FRAME_WORDS[each]).join(', ')}. `}${bothSides ? 'Screwed from both sides. ' : ''}Write down which serial number sits in which bay${serialsOf(drives)}.`,
  }),
  joinDriveEnds: ({ count, drives }) => ({
    title: `Plug a data lead into ${drivesNamed(count, drives)}`,
    detail: `Mark it with the drive’s serial number at both ends${serialsOf(drives)}.`,
  }),
  joinDrives: ({ count, drives, firstPort, hangElsewhere, ...card }) => ({
    title: `Plug the data ${count === 1 ? 'lead' : 'leads'} of ${drivesNamed(count, drives)} into ${portsOf(card)}, ${portNumbers(firstPort, count)}`,
    detail: `${hangElsewhere ? 'Take out first what hangs on another port by now. ' : ''}As the ports are numbered there; where they are not, counted from the bracket. What was joined before the card went in stays.`,
  }),
  feedDrives: ({ count, plugAdapters, drives }) => ({
    title: `Plug power into ${count === 1 ? drivesNamed(count, drives) : `each of the ${count} drives`}`,
    detail: `Count them plug by plug${plugAdapters.length === 0 ? '' : `, through: ${plugAdapters.map((each) => PLUG_ADAPTER_WORDS[each]).join(', ')}`}. They have no latch.`,
  }),
  lookOver: ({ enclosure }) => ({
    title: `Look over ${enclosure === '' ? 'all of it' : enclosure} once, with a torch`,
    detail:
      'Everything unplugged is plugged again. No lead before a fan, nothing loose, every unused opening covered.',
  }),
  closeFarSide: ({ enclosure }) => ({
    title: `Close the panel behind the board${inEnclosure(enclosure)}`,
    detail: '',
  }),
  closeCase: ({ enclosure, held }) => ({
    title: `Close ${ofCase(enclosure)} and stand it up`,
    detail: held === 'screws' ? 'With its screws.' : '',
  }),
  leadsBack: ({ isFirst }) =>
    isFirst
      ? {
          title: 'Plug in behind: keyboard, mouse, screen',
          detail: 'But for mains, and for what has a task of its own.',
        }
      : {
          title: 'Put the leads behind on again',
          detail: 'But for mains and what goes to a new card. The photograph shows where each was.',
        },
  moveScreenLead: ({ adapters, boardGoesOff, from, ...card }) => ({
    title: `Put the screen leads on ${at(card)}`,
    detail:
      `${boardGoesOff ? 'The sockets on the board go dead once this card is in. ' : ''}${from === '' ? '' : `They were on ${from}. `}${screens(adapters).trim()}`.trim(),
  }),
  joinLoop: ({ count, adapters, ...card }) => ({
    title: `Connect ${count === 1 ? 'the loop lead' : `${count} loop leads`} from ${at(card)} to the other card’s input`,
    detail: `It takes ${count === 1 ? 'an output' : `${count} outputs`} of the card, which no screen has then.${screens(adapters)}`,
  }),
  joinAerials: ({ count, ...card }) => ({
    title: `Screw ${count === 1 ? 'the aerial' : `${count} aerials`} on ${at(card)}`,
    detail: 'By hand, until they are snug.',
  }),
  joinRear: ({ kind, count, end, ...card }) => ({
    title: `Plug ${count === 1 ? REAR_LEAD_WORDS[kind].one : `${count} ${REAR_LEAD_WORDS[kind].many}`} into ${at(card)}`,
    detail: `It leads ${leadEndWords(end)}.`,
  }),
  joinEnclosures: ({ names, locked }) => ({
    title:
      names.length === 1
        ? `Connect ${names[0] ?? 'the box'} to the machine`
        : `Connect the boxes in this order from the machine: ${names.join(', ')}`,
    detail: `${names.length === 1 ? '' : 'What moves most data comes first; a port takes six. '}${locked.length === 0 ? '' : `Turn the lock of the lead: ${locked.join(', ')}. `}Its mains lead last. It follows the machine’s power: leave its switch on.`,
  }),
  checkEnclosures: ({ names }) => ({
    title: `Look whether the system sees ${names.join(' and ')}`,
    detail:
      'Not there: take its lead out, count to ten, and put it in again, before anything is installed anew.',
  }),
  start: () => ({
    title: 'Plug in the mains lead, switch on, start',
    detail:
      'A first start may take longer. Nothing on the screen: switch off again, and check the screen lead and how the card is seated.',
  }),
  tryStart: () => ({
    title: 'Mains lead in, and start it open',
    detail: 'Only this other machine, and only for the trial.',
  }),
  tryFirmware: (card) => ({
    title: `Look for ${card.card} in firmware setup`,
    detail:
      'Its start-up text, or the list of devices and drives. A card that only carries drives shows nothing until one hangs on it.',
  }),
  trySystem: ({ family, listedAs, ...card }) => ({
    title: `Start the system and look for ${card.card}`,
    detail: `${LISTED_IN[family ?? 'other']}${listedAs === '' ? '' : `: “${listedAs}”`}. It works there: it works; it does not: it goes back before the customer’s machine is touched.`,
  }),
  tryOut: ({ latch, ...card }) => ({
    title: `Take ${card.card} out of ${card.slot} again`,
    detail: `${letGo({ hold: null, latch })} Back into its bag.`,
  }),
  countDrives: ({ count }) => ({
    title: `Count the drives in firmware setup: ${count} are new`,
    detail: 'One is missing: switch off, and look at its two plugs first.',
  }),
} as const satisfies Words;

/** Where each system lists its devices. */
const LISTED_IN: Readonly<Record<SystemFamily, string>> = {
  windows: 'In the device list',
  linux: 'In lspci',
  bsd: 'In pciconf -l',
  unix: 'In the system’s list of devices',
  'macos-like': 'In the system’s report',
  other: 'In the system’s list of devices',
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
const FRONT_COVER_DETAIL = {
  clipped: 'Press the clips of the cover at the front from inside.',
  screwed: 'The cover at the front is screwed from inside.',
  snapped: 'The plate behind the front snaps off and does not go back in; its edges are sharp.',
} as const;
const COVER_DETAIL: Readonly<Record<string, string>> = {
  screwed: 'Keep the cover and its screw.',
  clipped: 'Unclip it; keep it with the job.',
  snapped: 'Rock it out with a flat tool; it does not go back in.',
};
