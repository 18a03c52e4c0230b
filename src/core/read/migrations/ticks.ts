/** Until format 12 what was done was ticked by strings, as `plug:s2:0@2`: what they said of an act becomes its record. */
import { isPart, type Part } from './part.ts';

/** Acts as format 13 named them, and what each was done to. */
const CODES: ReadonlySet<string> = new Set(
  `
    settle order orderExtra orderNamed checkArrived checkExtra layOut noteSettings photoBehind
    updateFirmware fetchDriver writeStick openWindows flashCard rescueMedium takeOffline backOnline
    undoTeam removeOldDriver findDriver enrolKey splitSlot bringScrew noteTrouble showDamage
    firmwareFirst installFirst backUp before powerOff leadsOff discharge earth photoInside openCase
    openFarSide dustOut removeBar refitBar freeCard takeOut takeOutFirst takeToMove moveCard putBack
    plugBack removeCover closeOpening moveObstacle restorePlug putIn removeFrontCover swapBracket
    joinLead joinFront joinRibbon setJumper fitModules clearSlot seat screw fitPlate support joinHeader
    exchangePlugs plug mountDrives joinDrives feedDrives lookOver closeFarSide closeCase leadsBack
    moveScreenLead joinLoop joinAerials joinEnclosures start tryStart tryFirmware trySystem tryOut
    countDrives checkDevice checkDrives installDriver ownDriver installFound secondSystem checkFirmware
    copyBoot editBoot readBoot setNetwork testDrives prepareDrives restart checkLink checkShare
    checkStartedFrom mend keepParts explain
  `
    .trim()
    .split(/\s+/),
);
const FIELDS = [
  'card',
  'slot',
  'box',
  'opening',
  'socket',
  'need',
  'obstacle',
  'extra',
  'package',
  'device',
  'cause',
  'what',
  'number',
] as const;
type On = Readonly<Partial<Record<(typeof FIELDS)[number], string | number>>>;

interface ActOfTick {
  readonly code: string;
  readonly on: On;
  readonly round: 0 | 1 | 2;
}

/** What stood behind the code, piece by piece. */
type Pieces = readonly (keyof On)[];

const ON_CARD: Pieces = ['card', 'slot'];
const OF_DEVICE: Pieces = ['device'];
const PIECES: Readonly<Record<string, Pieces>> = {
  orderExtra: ['extra'],
  checkExtra: ['extra'],
  orderNamed: ['extra'],
  putIn: ['extra'],
  removeFrontCover: ['extra'],
  fetchDriver: ['package'],
  installFirst: ['package'],
  bringScrew: ['what'],
  undoTeam: OF_DEVICE,
  removeOldDriver: OF_DEVICE,
  setNetwork: ['slot', 'what'],
  mend: ['cause'],
  powerOff: ['what'],
  leadsOff: ['what'],
  discharge: ['what'],
  leadsBack: ['what'],
  tryStart: ['what'],
  openCase: ['box'],
  openFarSide: ['box'],
  removeBar: ['box'],
  refitBar: ['box'],
  lookOver: ['box'],
  closeFarSide: ['box'],
  closeCase: ['box'],
  freeCard: ['slot'],
  takeOut: ['slot'],
  takeOutFirst: ['slot'],
  takeToMove: ['slot'],
  moveCard: ['slot'],
  putBack: ['slot'],
  plugBack: ['slot'],
  fitPlate: ['slot', 'opening'],
  fitModules: ['slot', 'need'],
  mountDrives: ['slot', 'need'],
  joinDrives: ['slot', 'need'],
  feedDrives: ['slot', 'need'],
  joinLoop: ['slot', 'need'],
  joinLead: ['slot', 'socket'],
  exchangePlugs: ['slot', 'socket'],
  plug: ['slot', 'socket'],
  joinFront: ['slot', 'what'],
  joinHeader: ['slot', 'what'],
  moveObstacle: ['obstacle'],
  restorePlug: ['obstacle'],
};

const NUMBERS: ReadonlySet<keyof On> = new Set(['opening', 'socket']);
const ROUND_ENDS = { '@0': 0, '@2': 2 } as const;

/** Null for what no version has written. */
function actOfTick(tick: string, machine: unknown): ActOfTick | null {
  const end = tick.slice(-2);
  const round = Object.hasOwn(ROUND_ENDS, end) ? ROUND_ENDS[end as keyof typeof ROUND_ENDS] : 1;
  const whole = round === 1 ? tick : tick.slice(0, -2);
  const at = whole.indexOf(':');
  const [plain, count] = counted(at === -1 ? '' : whole.slice(at + 1));
  const [code, ofName] = at === -1 ? counted(whole) : [whole.slice(0, at), null];
  if (!CODES.has(code)) return null;
  const on = plain === '' ? {} : onOf(code, plain, machine);
  const number = count ?? ofName;
  return on === null ? null : { code, on: number === null ? on : { ...on, number }, round };
}

/** Of several by one name the second and later ones were counted behind it. */
function counted(key: string): readonly [key: string, number: number | null] {
  const at = key.lastIndexOf('~');
  const number = at === -1 ? NaN : Number(key.slice(at + 1));
  return Number.isInteger(number) && number > 1 ? [key.slice(0, at), number] : [key, null];
}

function onOf(code: string, key: string, machine: unknown): On | null {
  if (code === 'settle') {
    const [what = '', of] = key.split(':');
    return of === undefined
      ? { what }
      : isIn(machine, 'enclosures', of)
        ? { what, box: of }
        : { what, slot: of };
  }
  if (code === 'removeCover' || code === 'closeOpening') {
    const at = key.lastIndexOf(':');
    const opening = Number(key.slice(at + 1));
    return at === -1 ? { opening } : { box: key.slice(0, at), opening };
  }
  const pieces = PIECES[code] ?? ON_CARD;
  if (pieces === OF_DEVICE) return { device: word(withoutNumber(key)) };
  if (pieces.length === 1) return { [pieces[0]!]: word(key) };
  const parts = key.split(':');
  const isOnCard = parts.length === 2 && isIn(machine, 'slots', parts[1]);
  // Drivers of the machine's own devices went by the device.
  if (pieces === ON_CARD && !isOnCard && code !== 'seat') return { device: word(key) };
  if (parts.length !== pieces.length) return null;
  return Object.fromEntries(
    pieces.map((piece, n) => [piece, NUMBERS.has(piece) ? Number(parts[n]) : parts[n]]),
  );
}

const WORD_LETTERS = 120;
const word = (text: string): string => text.replaceAll(/[^\w.:&-]+/g, '-').slice(0, WORD_LETTERS);

/** Of a device's name what two units of one model share. */
function withoutNumber(instance: string): string {
  const parts = instance.split('\\');
  return parts.length < 3 ? instance : [...parts.slice(0, 2), '…'].join('\\');
}

const isIn = (machine: unknown, list: 'slots' | 'enclosures', id: unknown): boolean =>
  isPart(machine) &&
  Array.isArray(machine[list]) &&
  machine[list].some((each: unknown) => isPart(each) && each['id'] === id);

/** In the order in which they were done. What no version has written says nothing to any, and is left out. */
export function actsOfTicks(job: Part): readonly unknown[] {
  const { ticks, spentSeconds, machine, benchTest, technician } = job;
  if (!isPart(ticks)) return [];
  const seconds = isPart(spentSeconds) ? spentSeconds : {};
  const other = isPart(benchTest) ? benchTest['machine'] : null;
  return Object.entries(ticks)
    .flatMap(([tick, at]) => {
      const act = actOfTick(tick, tick.endsWith('@0') ? other : machine);
      return act === null ? [] : [{ ...act, at, who: technician, seconds: seconds[tick] ?? null }];
    })
    .toSorted((a, b) => String(a.at).localeCompare(String(b.at)));
}

/** An act in the log of format 13. */
function nameOf({ code, on, round }: ActOfTick): string {
  const to = FIELDS.flatMap((field) => (on[field] === undefined ? [] : `${field} ${on[field]}`));
  const of = to.length === 0 ? code : `${code}: ${to.join(', ')}`;
  return `${of}${round === 1 ? '' : `; round ${round}`}`;
}

const OF_STEPS: ReadonlySet<unknown> = new Set(['tickStep', 'untickStep', 'orderAgain']);

/** The log names acts as it names them now. */
export function entryOfFormat13(entry: unknown, machine: unknown): unknown {
  if (!isPart(entry) || !OF_STEPS.has(entry['command']) || typeof entry['detail'] !== 'string')
    return entry;
  const { detail } = entry;
  const at = detail.indexOf(': ');
  const act = actOfTick(at === -1 ? detail : detail.slice(0, at), machine);
  if (act === null) return entry;
  return { ...entry, detail: nameOf(act) + (at === -1 ? '' : detail.slice(at)) };
}
