/** What somebody did for a job, as it was done: a record of its own, told from others by what it was done to. */
import * as z from 'zod/mini';
import { memoOf } from '../memo.ts';
import type { DeepReadonly } from '../units.ts';
import * as limits from '../parts/limits.ts';
import { id, instant, text } from '../parts/limits.ts';

/** The closed list of what is done, in the order of the work. */
const ACT_CODES = [
  'settle',
  'order',
  'orderExtra',
  'orderNamed',
  'checkArrived',
  'checkExtra',
  'layOut',
  'noteSettings',
  'photoBehind',
  'updateFirmware',
  'fetchDriver',
  'writeStick',
  'openWindows',
  'flashCard',
  'rescueMedium',
  'takeOffline',
  'backOnline',
  'undoTeam',
  'removeOldDriver',
  'findDriver',
  'enrolKey',
  'splitSlot',
  'bringScrew',
  'noteTrouble',
  'showDamage',
  'firmwareFirst',
  'installFirst',
  'backUp',
  'before',
  'powerOff',
  'leadsOff',
  'discharge',
  'earth',
  'photoInside',
  'openCase',
  'openFarSide',
  'dustOut',
  'removeBar',
  'refitBar',
  'freeCard',
  'takeOut',
  'takeOutFirst',
  'takeToMove',
  'moveCard',
  'putBack',
  'plugBack',
  'removeCover',
  'closeOpening',
  'moveObstacle',
  'restorePlug',
  'leadPlugRound',
  'putIn',
  'removeFrontCover',
  'swapBracket',
  'joinLead',
  'joinFront',
  'joinRibbon',
  'joinJack',
  'setJumper',
  'fitModules',
  'clearSlot',
  'seat',
  'screw',
  'fitPlate',
  'support',
  'joinHeader',
  'joinOwnFirst',
  'joinOwnEnd',
  'joinBoardPort',
  'exchangePlugs',
  'plug',
  'fitOnBoard',
  'fitInCase',
  'setDrive',
  'joinEnd',
  'mountDrives',
  'joinDrives',
  'joinDriveEnds',
  'feedDrives',
  'lookOver',
  'closeFarSide',
  'closeCase',
  'leadsBack',
  'moveScreenLead',
  'joinLoop',
  'joinAerials',
  'joinRear',
  'joinEnclosures',
  'checkEnclosures',
  'start',
  'tryStart',
  'tryFirmware',
  'trySystem',
  'tryOut',
  'countDrives',
  'checkDevice',
  'checkDrives',
  'installDriver',
  'ownDriver',
  'installFound',
  'secondSystem',
  'checkFirmware',
  'copyBoot',
  'editBoot',
  'readBoot',
  'setNetwork',
  'testDrives',
  'prepareDrives',
  'restart',
  'checkLink',
  'checkShare',
  'checkStartedFrom',
  'mend',
  'keepParts',
  'explain',
] as const;
export type ActCode = (typeof ACT_CODES)[number];

/** Done to a card or its leads, wherever it goes then. */
export const DONE_TO_CARDS: readonly ActCode[] = [
  'order',
  'checkArrived',
  'swapBracket',
  'joinRibbon',
  'joinJack',
  'joinOwnFirst',
  'joinOwnEnd',
  'setJumper',
  'fitModules',
  'joinLead',
  'joinFront',
  // The board’s end of its lead.
  'joinHeader',
];

/** Done to the drives of a need in their bays, whatever they hang on. */
export const DONE_TO_DRIVES: readonly ActCode[] = ['mountDrives', 'joinDriveEnds', 'feedDrives'];

const WORD_LETTERS = 120;
const word = z.string().check(z.regex(/^[\w.:&-]{1,120}$/));
/** Of whatever tells one thing from another, as acts name it: letters, digits and few signs. */
export const actWord = (text: string): string =>
  text.replaceAll(/[^\w.:&-]+/g, '-').slice(0, WORD_LETTERS);

const MOST_NUMBER = 1_000;
const number = z.int().check(z.minimum(0), z.maximum(MOST_NUMBER));

/** What an act is done to: as many of these as tell it from others of its kind. */
export const ActOn = z.strictObject({
  /** A card of the catalogue. */
  card: z.optional(id),
  slot: z.optional(id),
  /** An external box; without it the machine's own case. */
  box: z.optional(id),
  /** Counted from one, as openings of a case are. */
  opening: z.optional(number),
  /** Of a card's sockets for power, of its leads, or of the ends of a lead, from nought. */
  socket: z.optional(number),
  need: z.optional(id),
  obstacle: z.optional(id),
  /** A lead inside the machine. */
  lead: z.optional(id),
  /** Something bought beside the cards. */
  extra: z.optional(word),
  package: z.optional(id),
  device: z.optional(word),
  /** The observation of a cause. */
  cause: z.optional(id),
  /** A fact, a lead, a header, a setting: by its name in a closed list. */
  what: z.optional(word),
  /** Of several that nothing else tells apart, from two. */
  number: z.optional(number),
});
export type ActOn = DeepReadonly<z.infer<typeof ActOn>>;

/** Rounds of fitting: on another machine as a trial, on the customer's, and there once more for cards that waited. */
const ROUNDS = [0, 1, 2] as const;
export type RoundNumber = (typeof ROUNDS)[number];

export const Act = z.object({
  code: z.enum(ACT_CODES),
  on: ActOn,
  round: z.literal(ROUNDS),
  at: instant,
  who: text,
  /** What it took, pauses not counted; null where nobody timed it. */
  seconds: z.nullable(limits.secondsSpent),
});
export type Act = DeepReadonly<z.infer<typeof Act>>;

/** What tells an act from every other one. */
export type ActName = Pick<Act, 'code' | 'on' | 'round'>;

const FIELDS = Object.keys(ActOn.def.shape) as readonly (keyof ActOn)[];

/** What it is done to, to be compared: nothing is ever read out of it. */
export function onId(on: ActOn): string {
  // Asked of every act at every tick.
  let id = '';
  for (const field of FIELDS) {
    const thing = on[field];
    if (thing !== undefined) id += `${id === '' ? '' : ', '}${field} ${thing}`;
  }
  return id;
}

/** The same of the whole act. */
export const actId = ({ code, on, round }: ActName): string =>
  `${keyOf(code, on)}${round === 1 ? '' : `; round ${round}`}`;

const keyOf = (code: ActCode, on: ActOn): string => {
  const to = onId(on);
  return to === '' ? code : `${code}: ${to}`;
};

/** What is done, by what tells acts apart. */
export const doneActs = memoOf(
  (acts: readonly Act[]): ReadonlyMap<string, Act> => new Map(acts.map((act) => [actId(act), act])),
);

/** What is done to the customer's machine, in whichever round. */
const byKey = memoOf(
  (acts: readonly Act[]): ReadonlyMap<string, Act> =>
    new Map(
      acts.filter(({ round }) => round !== 0).map((act) => [keyOf(act.code, act.on), act] as const),
    ),
);

/** The act by which this was done to the customer's machine; undefined where it is not done. */
export const actOf = (
  { acts }: { readonly acts: readonly Act[] },
  code: ActCode,
  on: ActOn = {},
): Act | undefined => byKey(acts).get(keyOf(code, on));

export const isDone = ({ acts }: { readonly acts: readonly Act[] }, act: ActName): boolean =>
  doneActs(acts).has(actId(act));

/** What was done of this kind to the customer's machine. */
export const actsOfKind = (
  { acts }: { readonly acts: readonly Act[] },
  code: ActCode,
): readonly Act[] => acts.filter((act) => act.code === code && act.round !== 0);

/** Those of one round, as that round knows them. */
export const actsOfRound = (acts: readonly Act[], of: RoundNumber): readonly Act[] =>
  acts.flatMap((act) => (act.round === of ? { ...act, round: 1 as const } : []));

export const withoutAct = (acts: readonly Act[], act: ActName): readonly Act[] => {
  const gone = actId(act);
  return acts.filter((each) => actId(each) !== gone);
};

/** Done anew it is done now. */
export const withAct = (acts: readonly Act[], act: Act): readonly Act[] => [
  ...withoutAct(acts, act),
  act,
];
