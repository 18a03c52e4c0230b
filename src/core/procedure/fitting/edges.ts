/** What must come before what, and why: by rules, not by the order in which a list was written. */
import type { Assembly } from '../../assembly/assembly.ts';
import type { Act } from './act.ts';
import type { FitCode } from './acts.ts';
import { AT_BRACKETS, MOVES_LEADS } from './cases.ts';
import type { Job } from '../../document/job.ts';
import { barringAmong, bodiesIn, bodyAt, type Body } from './reach.ts';
import { rowsOf } from './rows.ts';
import { AT_DRIVES } from './machineWork.ts';
import type { Reason } from './task.ts';
import { leadRow, type LeadEndKind, type MachinePart } from '../../standards/innerLeads.ts';

export interface Edge {
  /** Places in the list of acts. */
  readonly first: number;
  readonly then: number;
  readonly because: Reason;
}

/** Of two acts that are of these codes, which pairs it is about. */
type About =
  | 'all'
  /** In the same case, or in no case at all. */
  | 'housing'
  /** Done for, or to, a card in the same slot. */
  | 'slot'
  /** They touch a common opening of one case. */
  | 'opening'
  /** Steps about one and the same thing. */
  | 'key'
  /** Done in, or to the card of, one slot. */
  | 'place'
  /** For one and the same need, in one case. */
  | 'need';

interface Rule {
  readonly because: Reason;
  readonly first: readonly FitCode[];
  readonly then: readonly FitCode[];
  readonly about: About;
}

const rule = (
  because: Reason,
  first: readonly FitCode[],
  then: readonly FitCode[],
  about: About,
): Rule => ({ because, first, then, about });

const OUT: readonly FitCode[] = ['takeOut', 'takeOutFirst', 'takeToMove'];
const IN: readonly FitCode[] = ['seat', 'moveCard'];
const BACK: readonly FitCode[] = ['putBack'];
const BENCH: readonly FitCode[] = [
  'swapBracket',
  'joinRibbon',
  'joinJack',
  'setJumper',
  'fitModules',
];
/** Beside the case, to parts of the machine itself. */
const BESIDE_CASE: readonly FitCode[] = ['fitOnBoard', 'setDrive'];

/** Beside its slot, with leads of the case, before it goes in. */
const BESIDE: readonly FitCode[] = ['joinLead', 'joinOwnFirst', 'joinFront'];
/** In an open case, from the side of the cards. */
const INSIDE: readonly FitCode[] = [
  'photoInside',
  'dustOut',
  'removeBar',
  'freeCard',
  ...OUT,
  'removeCover',
  'moveObstacle',
  'removeFrontCover',
  'putIn',
  'clearSlot',
  ...BESIDE,
  ...IN,
  ...BACK,
  'plugBack',
  'screw',
  'fitPlate',
  'support',
  'exchangePlugs',
  'plug',
  'joinHeader',
  'joinOwnEnd',
  'joinBoardPort',
  'fitInCase',
  'joinEnd',
  'restorePlug',
  'leadPlugRound',
  'closeOpening',
  'mountDrives',
  'joinDrives',
  'joinDriveEnds',
  'feedDrives',
  'refitBar',
  'lookOver',
];
const AT_PANELS: readonly FitCode[] = ['openCase', 'openFarSide', 'closeFarSide', 'closeCase'];
const BEHIND: readonly FitCode[] = [
  'leadsBack',
  'moveScreenLead',
  'joinLoop',
  'joinAerials',
  'joinRear',
  'joinEnclosures',
];

/** Plugged into a card, or led away from it, once it is in its slot. */
const ONCE_IN: readonly FitCode[] = ['plug', 'joinOwnEnd', 'joinDrives', 'joinBoardPort'];

const RULES: readonly Rule[] = [
  rule('power', ['powerOff'], ['leadsOff', 'discharge'], 'all'),
  rule('power', ['discharge'], ['openCase', 'openFarSide'], 'all'),
  rule('power', ['discharge'], ['earth'], 'all'),
  rule('static', ['earth'], [...BENCH, ...BESIDE_CASE, 'openCase', 'openFarSide'], 'all'),
  rule('tethered', ['leadsOff'], ['openCase', 'openFarSide'], 'all'),
  rule('closed', ['openCase'], INSIDE, 'housing'),
  rule('closed', ['openFarSide'], ['mountDrives'], 'housing'),
  rule('photoFirst', ['photoInside'], MOVES_LEADS, 'all'),
  rule('dust', ['dustOut'], INSIDE, 'all'),
  rule('bar', ['removeBar'], AT_BRACKETS, 'housing'),
  rule('bar', AT_BRACKETS, ['refitBar'], 'housing'),
  rule('plugged', ['freeCard'], OUT, 'key'),
  rule('occupied', OUT, [...IN, 'fitPlate', 'closeOpening'], 'opening'),
  rule('occupied', ['takeOut', 'takeToMove'], [...IN, 'clearSlot'], 'slot'),
  rule('cardFirst', OUT, ['removeCover'], 'slot'),
  rule('cover', ['removeCover'], [...IN, 'fitPlate'], 'opening'),
  rule('cover', ['removeFrontCover'], ['putIn'], 'key'),
  rule('capped', ['clearSlot'], IN, 'slot'),
  rule('inTheWay', ['moveObstacle'], IN, 'slot'),
  rule('stillThere', ['moveObstacle'], ['restorePlug', 'leadPlugRound'], 'key'),
  rule('outFirst', OUT, [...IN, ...BACK], 'housing'),
  rule('stillThere', OUT, [...BACK, 'moveCard'], 'key'),
  rule('notIn', [...BACK, 'moveCard'], ['plugBack'], 'key'),
  rule('onTheBench', [...BENCH, ...BESIDE], ['seat', 'putBack'], 'place'),
  // A card that is in comes out for what cannot be done to it there.
  rule('onTheBench', ['takeOutFirst'], [...BENCH, ...BESIDE], 'place'),
  rule('notIn', ['seat'], ['screw', 'fitPlate', 'support', ...ONCE_IN], 'slot'),
  rule('notIn', BACK, ['screw', 'fitPlate', 'support', ...ONCE_IN], 'place'),
  rule('heldFirst', ['screw'], ['support', ...ONCE_IN], 'slot'),
  rule('plugInUse', ['exchangePlugs'], ['plug'], 'key'),
  rule(
    'notIn',
    ['putIn'],
    [
      'plug',
      'exchangePlugs',
      'mountDrives',
      'feedDrives',
      'plugBack',
      'joinFront',
      'joinLead',
      'joinEnd',
    ],
    'all',
  ),
  rule('stillThere', ['setDrive'], ['joinEnd'], 'key'),
  rule('leadsFirst', ['joinEnd'], [...IN, ...BACK], 'all'),
  rule('notIn', ['mountDrives'], ['joinDrives', 'joinDriveEnds', 'feedDrives'], 'need'),
  // A case with new cards in it is not laid on the other side.
  rule('boardUpFirst', ['mountDrives'], [...IN, ...BACK], 'all'),
  rule(
    'lookLast',
    [...INSIDE.filter((code) => code !== 'lookOver'), 'openFarSide'],
    ['lookOver'],
    'housing',
  ),
  rule('closed', INSIDE, ['closeCase'], 'housing'),
  rule('closed', ['mountDrives', 'putIn'], ['closeFarSide'], 'housing'),
  // With its drives in, the far side is shut before the case is turned to its cards.
  rule('boardUpFirst', ['closeFarSide'], [...IN, ...BACK], 'housing'),
  rule('lookLast', ['lookOver'], ['closeCase'], 'housing'),
  rule('outsideLast', ['closeFarSide', 'closeCase'], BEHIND, 'all'),
  rule('outsideLast', ['leadsBack'], BEHIND.slice(1), 'all'),
  rule('beforeStart', BEHIND, ['start'], 'all'),
  rule('openCase', AT_PANELS, ['start'], 'all'),
  rule('openCase', INSIDE, ['start'], 'all'),
  rule('notRunning', ['start'], ['countDrives', 'checkEnclosures'], 'all'),
];

export function edgesOf(acts: readonly Act[], job: Job, assembly: Assembly): readonly Edge[] {
  const byCode = new Map<FitCode, number[]>();
  acts.forEach(({ draft: { code } }, n) => byCode.set(code, [...(byCode.get(code) ?? []), n]));
  const of = (codes: readonly FitCode[]) => codes.flatMap((code) => byCode.get(code) ?? []);
  const edges: Edge[] = [];
  for (const { because, first, then, about } of RULES) {
    const after = of(then);
    if (after.length === 0) continue;
    for (const a of of(first))
      for (const b of after)
        if (a !== b && isAbout(about, acts[a]!, acts[b]!))
          edges.push({ first: a, then: b, because });
  }
  const all = [
    ...edges,
    ...byPlace(acts, assembly),
    ...afterLeaving(acts, job, assembly),
    ...byCover(acts),
    ...byParts(acts),
  ];
  return [...all, ...heavyLast(acts, all, assembly)];
}

function isAbout(about: About, a: Act, b: Act): boolean {
  switch (about) {
    case 'all':
      return true;
    case 'housing':
      return a.housing === b.housing;
    case 'slot':
      return a.forSlots.some((slot) => b.forSlots.includes(slot));
    case 'opening':
      return a.housing === b.housing && a.openings.some((opening) => b.openings.includes(opening));
    case 'key':
      return a.draft.key === b.draft.key;
    case 'need':
      return a.housing === b.housing && a.draft.on.need === b.draft.on.need;
    case 'place':
      return a.draft.slotId !== null && a.draft.slotId === b.draft.slotId;
  }
}

/** What lies over a place, or leaves no hand room beside it, comes after what is done there. */
function byPlace(acts: readonly Act[], assembly: Assembly): readonly Edge[] {
  const bodies = bodiesIn(assembly);
  const arriving = acts.flatMap((each, n) => (arrives(each) ? [{ n, act: each }] : []));
  const edges: Edge[] = [];
  acts.forEach((each, n) => {
    const { point, draft } = each;
    if (point !== null) {
      const atSlot = (slotId: string) =>
        arriving.filter(({ act, n: at }) => act.draft.slotId === slotId && at !== n);
      const mayBar = ({ slotId }: Body) => atSlot(slotId).length > 0;
      for (const { how, by } of barringAmong(point, bodies, mayBar)) {
        const over = by.flatMap(({ slotId }) => atSlot(slotId));
        for (const { n: then } of over)
          edges.push({ first: n, then, because: reasonOf(how, over.length) });
      }
    }
    // Its plug goes in again once nothing needs its place free, unless it is led round.
    if (draft.code === 'restorePlug')
      for (const seat of arriving)
        if (IN.includes(seat.act.draft.code) && isAbout('slot', each, seat.act))
          edges.push(
            { first: seat.n, then: n, because: 'placeKept' },
            ...screwsAt(acts, seat.act).map((first): Edge => ({
              first,
              then: n,
              because: 'heldFirst',
            })),
          );
    if (draft.code === 'joinHeader' && !draft.values.isCovered)
      for (const seat of arriving)
        if (
          (seat.act.draft.code === 'seat' && isAbout('slot', each, seat.act)) ||
          (seat.act.draft.code === 'putBack' && isAbout('place', each, seat.act))
        )
          edges.push({ first: seat.n, then: n, because: 'notIn' });
  });
  return [...edges, ...inRows(acts, arriving, assembly)];
}

/** Of two that leave no room between them either may come first: that both wait is practice. */
const reasonOf = (how: 'covered' | 'noHand', count: number): Reason =>
  how === 'noHand' && count > 1 ? 'closeBeside' : how;

const arrives = ({ draft }: Act): boolean =>
  draft.code === 'seat' || draft.code === 'moveCard' || draft.code === 'putBack';

/** What holds the card that an act puts in. */
const screwsAt = (acts: readonly Act[], { draft: { slotId } }: Act): readonly number[] =>
  acts.flatMap(({ draft }, n) => (draft.code === 'screw' && draft.slotId === slotId ? n : []));

/** Side by side they go in one after the other, so that each has one side open. */
function inRows(
  acts: readonly Act[],
  arriving: readonly { readonly n: number; readonly act: Act }[],
  assembly: Assembly,
): readonly Edge[] {
  const out = arriving.flatMap(({ act: { draft } }) =>
    draft.code === 'putBack' && draft.slotId !== null ? draft.slotId : [],
  );
  const at = (slotId: string) => {
    const there = arriving.filter(({ act }) => act.draft.slotId === slotId);
    return there.find(({ act }) => act.draft.code === 'putBack') ?? there[0];
  };
  const { rows } = rowsOf(assembly, out);
  return rows.flatMap(({ sequence, isClosed }) =>
    sequence.slice(1).flatMap((slotId, n): readonly Edge[] => {
      const [first, then] = [at(sequence[n]!), at(slotId)];
      if (first === undefined || then === undefined) return [];
      // It is held before the next one is put beside it.
      return [
        { first: first.n, then: then.n, because: n > 0 || isClosed ? 'noHand' : 'inRow' },
        ...screwsAt(acts, first.act).map((screw): Edge => ({
          first: screw,
          then: then.n,
          because: 'heldFirst',
        })),
      ];
    }),
  );
}

/** What goes, or comes out for a while, goes before what is done beneath it or beside it. */
function afterLeaving(
  acts: readonly Act[],
  { machine: surveyed }: Job,
  assembly: Assembly,
): readonly Edge[] {
  const { machine } = assembly;
  const bodies = bodiesIn(assembly);
  const going = acts.flatMap(({ draft }, n) => {
    const body = OUT.includes(draft.code)
      ? (bodyAt(surveyed, draft.slotId) ?? bodyAt(machine, draft.slotId))
      : null;
    return body === null ? [] : [{ n, body }];
  });
  const staying = bodies.filter(
    ({ stays, slotId }) => stays && going.every(({ body }) => body.slotId !== slotId),
  );
  return acts.flatMap(({ point }, then) => {
    if (point === null) return [];
    const bodiesThen = [...staying, ...going.map(({ body }) => body)];
    const goes = (each: Body) => going.some(({ body }) => body === each);
    return barringAmong(point, bodiesThen, goes).flatMap(({ how, by }) =>
      going.flatMap(({ n, body }): readonly Edge[] =>
        by.includes(body) && n !== then
          ? [{ first: n, then, because: reasonOf(how, by.length) }]
          : [],
      ),
    );
  });
}

/** Parts of the machine itself: each waits for what it stands on, and all that goes into the board waits for the board. */
function byParts(acts: readonly Act[]): readonly Edge[] {
  const partOf = ({ draft }: Act) =>
    draft.code === 'fitOnBoard' || draft.code === 'fitInCase' ? draft.values.part : null;
  const at = new Map(acts.flatMap((each, n) => (partOf(each) === null ? [] : [[partOf(each), n]])));
  const after = (part: MachinePart, isWaiting: (each: Act) => boolean, because: Reason) => {
    const first = at.get(part);
    return first === undefined
      ? []
      : acts.flatMap((each, then): readonly Edge[] =>
          then !== first && isWaiting(each) ? [{ first, then, because }] : [],
        );
  };
  const is =
    (...parts: readonly MachinePart[]) =>
    (each: Act) =>
      parts.some((part) => partOf(each) === part);
  const drivesMounted = acts.flatMap(({ draft }, n) => (draft.code === 'mountDrives' ? n : []));
  return [
    ...after('posts', is('board'), 'notIn'),
    ...after('processor', is('cooler'), 'notIn'),
    ...(['processor', 'cooler', 'memory'] as const).flatMap((part) =>
      at.has('board') && acts[at.get(part) ?? -1]?.draft.code === 'fitOnBoard'
        ? after(part, is('board'), 'roomBeside')
        : [],
    ),
    ...after(
      'board',
      ({ draft }) => AT_BOARD.includes(draft.code) || isEnd(draft, 'board'),
      'notIn',
    ),
    ...after('cooler', ({ draft }) => isEnd(draft, 'board'), 'leadsFirst'),
    ...after(
      'supply',
      ({ draft }) =>
        FED_BY_SUPPLY.includes(draft.code) ||
        isEnd(draft, 'supplyPlug') ||
        (draft.code === 'joinEnd' && leadRow(draft.values.lead).fromSupply === true),
      'notIn',
    ),
    ...drivesMounted.flatMap((first) =>
      acts.flatMap(({ draft }, then): readonly Edge[] =>
        draft.code === 'joinEnd' && AT_DRIVES.has(draft.values.end)
          ? [{ first, then, because: 'drivesFirst' }]
          : [],
      ),
    ),
  ];
}

const AT_BOARD: readonly FitCode[] = [...IN, ...BACK, 'joinHeader', 'joinBoardPort', 'joinDrives'];
const FED_BY_SUPPLY: readonly FitCode[] = ['plug', 'feedDrives', 'exchangePlugs'];
const isEnd = (draft: Act['draft'], end: LeadEndKind): boolean =>
  draft.code === 'joinEnd' && draft.values.end === end;

/** A cover closes an opening once it is off the other. */
const byCover = (acts: readonly Act[]): readonly Edge[] =>
  acts.flatMap(({ draft, housing }, then) => {
    const of = draft.code === 'closeOpening' ? draft.values.of : null;
    const first = acts.findIndex(
      (each) =>
        each.draft.code === 'removeCover' &&
        each.housing === housing &&
        each.draft.values.opening === of,
    );
    return first === -1 ? [] : [{ first, then, because: 'coverInUse' as const }];
  });

/** Thin cards before thick ones in the same case, wherever nothing physical asks for the other way round. */
function heavyLast(
  acts: readonly Act[],
  edges: readonly Edge[],
  { cards }: Assembly,
): readonly Edge[] {
  const grams = (n: number) =>
    cards.find(({ slot }) => slot.id === acts[n]!.draft.slotId)?.card.weightGrams ?? 0;
  const seats = acts.flatMap(({ draft, openings }, n) =>
    draft.code === 'seat' && openings.length > 0 ? n : [],
  );
  const soft: Edge[] = [];
  const thick = (n: number) => acts[n]!.openings.length;
  const order = seats.toSorted((a, b) => thick(a) - thick(b) || grams(a) - grams(b));
  const after = followersOf(edges);
  order.forEach((first, n) => {
    const then = order.slice(n + 1).find((each) => acts[each]!.housing === acts[first]!.housing);
    if (then === undefined || thick(first) === thick(then)) return;
    if (!leadsTo(after, then, first)) {
      soft.push({ first, then, because: 'heavyLast' });
      after.set(first, new Set([...(after.get(first) ?? []), then]));
    }
  });
  return soft;
}

function followersOf(edges: readonly Edge[]): Map<number, Set<number>> {
  const after = new Map<number, Set<number>>();
  for (const { first, then } of edges) {
    const known = after.get(first);
    if (known === undefined) after.set(first, new Set([then]));
    else known.add(then);
  }
  return after;
}

function leadsTo(
  after: ReadonlyMap<number, ReadonlySet<number>>,
  from: number,
  to: number,
): boolean {
  const seen = new Set<number>([from]);
  const open = [from];
  for (let at = open.pop(); at !== undefined; at = open.pop()) {
    if (at === to) return true;
    for (const next of after.get(at) ?? [])
      if (!seen.has(next)) {
        seen.add(next);
        open.push(next);
      }
  }
  return false;
}
