/** At the bench: why a task stands where it does, what is seen when it is done, what lies on the tray. */
import {
  whyNow,
  type FoundKind,
  type Reason,
  type Step,
  type StepCode,
  type Estimate,
  type Thing,
} from '$core/procedure';
import { counted } from './figures';
import { stepWords } from './steps';

/** Why an act comes before another: “before …, because …”. */
const REASON_WORDS: Readonly<Record<Reason, string>> = {
  power: 'nothing is touched while it has power',
  tethered: 'the leads hold the case where it stands',
  closed: 'the case has to be open on that side',
  bar: 'the bar holds all brackets',
  plugged: 'its plugs and leads hold it',
  occupied: 'a card is in the way there',
  cover: 'the cover is in that opening',
  capped: 'the cap is over the slot',
  inTheWay: 'it stands in the card’s path',
  placeKept: 'its place has to be free until then',
  noHand: 'no hand gets in between the cards beside it',
  covered: 'the card then lies over it',
  onTheBench: 'it cannot be reached on a card that is in',
  stillThere: 'it has to be out before it goes back',
  notIn: 'it has to be in first',
  plugInUse: 'the plug still feeds something else',
  coverInUse: 'the cover still closes another opening',
  openCase: 'nobody works in an open case with power on',
  notRunning: 'it has to run for that',
  static: 'a charge on your hands kills it',
  photoFirst: 'nobody knows how it lay once it is moved',
  runsUntilThen: 'it is looked at while it runs',
  heldFirst: 'leads pull on what nothing holds',
  dust: 'dust falls into what is open',
  heavyLast: 'thick and heavy cards cover what lies beside them',
  cardFirst: 'the card goes before its cover is touched',
  closeBeside: 'little room is left between two cards',
  outFirst: 'what goes makes room for what comes',
  boardUpFirst: 'an open case is not laid on its cards',
  roomBeside: 'beside the case there is room for both hands',
  drivesFirst: 'drives go into their bays before leads go to them',
  leadsFirst: 'cards lie over its plug',
  inRow: 'side by side they go in one after the other',
  lookLast: 'one look over all of it comes last',
  outsideLast: 'what is behind waits until the case stands closed',
  beforeStart: 'the first start shows nothing without it',
};

/** All that lies on the tray, screws and covers by their openings together. */
export function trayWords(things: readonly Thing[]): string {
  if (things.length === 0) return 'nothing';
  const isNumbered = ({ kind, name }: Thing) =>
    (kind === 'screw' || kind === 'cover') && /^\d+$/.test(name);
  const numbered = (kind: 'screw' | 'cover', one: string, many: string): readonly string[] => {
    const names = things.filter((each) => each.kind === kind && isNumbered(each));
    const told = names.map(({ name }) => name).toSorted((a, b) => Number(a) - Number(b));
    return told.length === 0 ? [] : [`${told.length === 1 ? one : many} ${listed(told)}`];
  };
  return [
    ...things.filter((each) => !isNumbered(each)).map(thingWords),
    ...numbered('screw', 'screw of opening', 'screws of openings'),
    ...numbered('cover', 'slot cover', 'slot covers'),
  ].join(', ');
}

/** An opening by its number, in the case or in the box. */
const openingWords = (name: string): string => {
  const [number = '', box] = name.split('/');
  return box === undefined ? number : `${number} of the box`;
};

/** “1, 2 and 3”. */
const listed = (words: readonly string[]): string =>
  words.length < 2 ? words.join('') : `${words.slice(0, -1).join(', ')} and ${words.at(-1)}`;

function thingWords({ kind, name }: Thing): string {
  switch (kind) {
    case 'mainsLead':
      return 'mains lead';
    case 'outsideLeads':
      return 'leads from behind';
    case 'panel':
      return name === '' ? 'side panel' : `side panel of ${name}`;
    case 'bar':
      return 'bar over the brackets';
    case 'cover':
      return `slot cover ${openingWords(name)}`;
    case 'frontCover':
      return `front cover of ${name}`;
    case 'screw':
      return /^\d/.test(name) ? `screw of opening ${openingWords(name)}` : `screw of ${name}`;
    case 'plugs':
      return `plugs and leads of ${name}`;
    case 'plug':
      return `plug: ${name}`;
    case 'bracket':
      return `other bracket of ${name}`;
    case 'cap':
      return `cap of ${name}`;
    case 'film':
      return 'film off the pads';
    case 'module':
    case 'drive':
      return `drives of ${name}`;
    case 'plate':
      return `plate of ${name}`;
    case 'card':
    case 'lead':
    case 'part':
      return name;
  }
}

/** “about 3 minutes; timed 7 times here, mostly 2 to 5”. */
export function estimateWords({ minutes, seen, spread }: Estimate): string {
  const about = minutesWords(Math.max(1, Math.round(minutes)));
  if (spread === null)
    return seen === 0
      ? `${about}, as is usual`
      : `${about}, as is usual; timed ${times(seen)} here`;
  const [from, to] = spread.map((each) => Math.max(1, Math.round(each)));
  return `${about}; timed ${times(seen)} here, mostly ${from === to ? from : `${from} to ${to}`}`;
}

const times = (count: number): string => (count === 1 ? 'once' : `${count} times`);

/** “about 40 minutes”. */
export const minutesWords = (minutes: number): string =>
  minutes < 60
    ? `about ${counted(minutes, 'minute')}`
    : `about ${Math.floor(minutes / 60)} h ${minutes % 60} min`;

/** Why it is done now, in a line or two: before what it has to come, and after what. */
export function whyLines(step: Step, steps: readonly Step[]): readonly string[] {
  const { before, after } = whyNow(step, steps);
  const said = (when: 'Before' | 'After', each: (typeof before)[number] | undefined) =>
    each === undefined
      ? []
      : [`${when} “${stepWords(each.step).title}”: ${REASON_WORDS[each.because]}.`];
  const lines = [
    ...said('Before', before[0]),
    ...said('Before', before[1]),
    ...said('After', after[0]),
  ];
  return lines.slice(0, 2);
}

/** What is seen, felt or heard when a task is done. */
const SEEN: Readonly<Partial<Record<StepCode, string>>> = {
  powerOff: 'No light, no fan; the lead lies beside the case.',
  leadsOff: 'Nothing hangs on the case any more.',
  discharge: 'A fan may turn a moment and stops; no light on the board.',
  earth: 'The strap sits on bare skin and bare metal; or your hand lies on bare metal of the case.',
  photoInside: 'Every plug and lead near the slots is on it, sharp.',
  tryStart: 'Fans turn, a picture appears; nothing smells, nothing glows.',
  tryFirmware: 'Firmware setup, or the start-up screen, names the card or what hangs on it.',
  trySystem: 'The system lists it, without a warning beside it.',
  tryOut: 'It lies in its bag again.',
  openCase: 'The slots lie open before you, the panel stands where nobody kicks it.',
  openFarSide: 'Screws of the bays can be reached.',
  dustOut: 'Contacts and fans are clean, nothing flies up any more.',
  removeBar: 'All brackets and covers lie free at their bent ends.',
  refitBar: 'The bar lies flat over every bracket.',
  freeCard: 'No lead leads to the card.',
  takeOut: 'The slot is empty, its contacts unscratched.',
  takeOutFirst: 'A hand fits in.',
  takeToMove: 'The slot is empty.',
  moveCard: 'Its contacts are out of sight along the whole slot.',
  putBack: 'Its contacts are out of sight along the whole slot; nothing is pinched under it.',
  plugBack: 'Each plug sits as far in as before.',
  removeCover: 'You see through the opening.',
  closeOpening: 'No light comes through.',
  moveObstacle: 'The card’s path is free.',
  restorePlug: 'The plug sits flush, its lead lies clear.',
  leadPlugRound: 'The plug sits flush, its lead lies out of the card’s path.',
  removeFrontCover: 'You see into the bay from the front.',
  putIn: 'It sits firmly and is joined.',
  swapBracket: 'The bracket stands at a right angle, no screw left over.',
  joinLead: 'The plug sits flush; a light pull does not move it.',
  joinFront: 'The plug sits flush, pin 1 on pin 1.',
  joinRibbon: 'It sits flush, pin 1 on pin 1.',
  joinJack: 'It does not turn in its plate; its plug sits flush.',
  joinOwnFirst: 'The plug sits flush; a light pull does not move it.',
  joinOwnEnd: 'The plug sits flush, its lead lies clear of every fan.',
  joinBoardPort: 'It clicks, or sits flush.',
  fitOnBoard: 'It sits level, its latches are closed.',
  fitInCase: 'It does not move, and no screw is left over.',
  setDrive: 'The jumper stands as the drive’s label shows it.',
  joinEnd: 'The plug sits flush; a light pull does not move it.',
  setJumper: 'It bridges the pins that the card’s sheet names.',
  fitModules: 'Each lies flat, its screw holds, no film is left.',
  clearSlot: 'The contacts show, clean along their length.',
  seat: 'Its contacts are out of sight along the whole slot; the bracket stands flush in the opening.',
  screw: 'The bracket does not move; the card stands straight.',
  fitPlate: 'The plate stands flush, its lead lies flat.',
  support: 'The card lies level.',
  joinHeader: 'The plug sits flush, no pin beside it.',
  exchangePlugs: 'Both things have a plug again.',
  plug: 'The plug sits flush; its catch is over the nose, where it has one.',
  mountDrives: 'None of them moves in its bay.',
  joinDriveEnds: 'No drive is without its lead; each lead is marked.',
  joinDrives: 'Each lead ends where its mark says.',
  feedDrives: 'No drive is without its plug.',
  lookOver: 'Nothing is loose, no plug hangs free, every opening is closed.',
  closeFarSide: 'The panel lies flush.',
  closeCase: 'The panel lies flush, no lead is pinched.',
  leadsBack: 'Every lead but mains is where the photograph shows it.',
  moveScreenLead: 'Screen leads hang on the new card, none on a dead socket.',
  joinLoop: 'The lead leads from the card to the other card’s input.',
  joinAerials: 'They do not turn by themselves.',
  joinRear: 'Each lead clicks, or sits up to its collar.',
  joinEnclosures: 'Each box is joined, its switch on.',
  start: 'A picture appears, fans turn, nothing smells.',
  checkEnclosures: 'The system lists what is in each box.',
  countDrives: 'Firmware setup lists every one of them.',
};

/** A module has no bracket, and a clip is no screw. */
export function seenWords(step: Step): string {
  if (step.code === 'screw' && step.values.isModule) return 'It lies flat, and its screw holds it.';
  if (step.code === 'screw' && step.values.hold === 'clipped')
    return 'The clip is shut over the bracket; the card stands straight.';
  if (step.code === 'seat' && !step.values.hasBracket)
    return 'Its contacts are out of sight; it stands up a little at its far end.';
  return SEEN[step.code] ?? '';
}

/** What can be found at a task that does not go. */
export const FOUND_WORDS: Readonly<Record<FoundKind, string>> = {
  leadShort: 'The lead does not reach',
  noHeader: 'There is no such header',
  headerTaken: 'Another plug is in it',
  pinBent: 'A pin is bent',
  notKeyed: 'Nothing keeps the plug from going in the wrong way',
  knockedLoose: 'A plug inside has come out',
  inTheWay: 'Something stands in the card’s path',
  coverStuck: 'The cover does not come out',
  slotBroken: 'Latch or slot is broken',
  bracketWrong: 'The bracket is not in the box',
  cardLonger: 'The card is longer than said',
  screwMissing: 'A screw is missing',
  boxShort: 'Something is missing in the box',
};
