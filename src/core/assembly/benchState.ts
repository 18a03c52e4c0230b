/**
 * How the bench stands: what was done, folded in the order in which it was. Of acts that undo each other the last one counts;
 * what nothing undoes is done once for all. What was never touched stands as the survey has it.
 */
import { memoOf } from '../memo.ts';
import { onId, type Act, type ActCode, type ActOn } from '../document/act.ts';

/** Acts on one thing that undo each other. */
const TURNS = {
  plugs: ['freeCard', 'plugBack'],
  cover: ['removeCover', 'closeOpening'],
  obstacle: ['moveObstacle', 'restorePlug', 'leadPlugRound'],
  panel: ['openCase', 'closeCase'],
  farPanel: ['openFarSide', 'closeFarSide'],
  bar: ['removeBar', 'refitBar'],
  mains: ['powerOff', 'start'],
  leads: ['leadsOff', 'leadsBack'],
} as const satisfies Readonly<Record<string, readonly ActCode[]>>;
export type TurnKind = keyof typeof TURNS;
type TurnOf<Kind extends TurnKind> = (typeof TURNS)[Kind][number];

const KIND_OF: Readonly<Partial<Record<ActCode, TurnKind>>> = Object.fromEntries(
  Object.entries(TURNS).flatMap(([kind, codes]) => codes.map((code) => [code, kind])),
);

/** What has to be done anew after another act. */
const UNDONE_BY: Readonly<Partial<Record<ActCode, ActCode>>> = {
  discharge: 'start',
  earth: 'start',
  lookOver: 'openCase',
};

/** A slot with the cards that were, or are, in it. */
export interface SlotState {
  /** The card that the survey has in it. */
  readonly own: 'in' | 'out' | 'moved';
  /** The new card that was put in. */
  readonly fresh: { readonly card: string; readonly isIn: boolean } | null;
}

const AS_SURVEYED: SlotState = { own: 'in', fresh: null };

function slotAfter({ own, fresh }: SlotState, { code, on }: Act): SlotState {
  switch (code) {
    case 'takeOut':
    case 'takeOutFirst':
    case 'takeToMove':
      return fresh?.isIn === true
        ? { own, fresh: { ...fresh, isIn: false } }
        : { own: 'out', fresh };
    case 'putBack':
      return fresh === null ? { own: 'in', fresh } : { own, fresh: { ...fresh, isIn: true } };
    case 'moveCard':
      return { own: 'moved', fresh };
    case 'seat':
      return { own, fresh: { card: on.card ?? '', isIn: true } };
    default:
      return { own, fresh };
  }
}

const OUT: ReadonlySet<ActCode> = new Set(['takeOut', 'takeOutFirst', 'takeToMove']);
const AT_SLOTS: ReadonlySet<ActCode> = new Set([...OUT, 'putBack', 'moveCard', 'seat']);

/** A card that is put elsewhere came out of where it was. */
const unplugs = (code: ActCode, on: ActOn, last: ReadonlyMap<string, Act>): boolean =>
  OUT.has(code) || (code === 'moveCard' && !last.has(`plugs ${onId({ slot: on.slot })}`));

export interface BenchState {
  readonly slot: (slotId: string) => SlotState;
  /** The last act of those that undo each other; null where the thing was not touched. */
  readonly last: <Kind extends TurnKind>(kind: Kind, on?: ActOn) => TurnOf<Kind> | null;
  /** Whether this was done, and nothing has undone it since. */
  readonly holds: (code: ActCode, on?: ActOn) => boolean;
  /** Of things that are counted: how many this was done to at most; nought where it was not done. */
  readonly countOf: (code: ActCode, on: ActOn) => number;
  /** All things that stand as this act has left them. */
  readonly standing: (code: ActCode) => readonly ActOn[];
  /** Slots of which something was taken out or put in. */
  readonly slots: readonly string[];
}

/** @param acts of one round, or of all; those of a trial are done to another machine */
export const benchState = memoOf((acts: readonly Act[]): BenchState => {
  const slots = new Map<string, SlotState>();
  const last = new Map<string, Act>();
  const marks = new Map<string, number>();
  const counts = new Map<string, number>();
  /** When an act was last done in a case. */
  const latest = new Map<string, number>();
  for (const [at, act] of acts.entries()) {
    const { code, on } = act;
    if (act.round === 0) continue;
    if (AT_SLOTS.has(code) && on.slot !== undefined)
      slots.set(on.slot, slotAfter(slots.get(on.slot) ?? AS_SURVEYED, act));
    const kind = KIND_OF[code];
    if (kind === undefined) marks.set(`${code} ${onId(on)}`, at);
    else last.set(`${kind} ${onId(on)}`, act);
    // What comes out has nothing joined to it by then, whether that was told or not.
    if (unplugs(code, on, last))
      last.set(`plugs ${onId({ slot: on.slot })}`, { ...act, code: 'freeCard' });
    const counted = `${code} ${onId({ ...on, number: undefined })}`;
    counts.set(counted, Math.max(counts.get(counted) ?? 0, on.number ?? 1));
    latest.set(`${code} ${on.box ?? ''}`, at);
  }
  const lastOf = (kind: TurnKind, on: ActOn) => last.get(`${kind} ${onId(on)}`)?.code ?? null;
  return {
    slot: (slotId) => slots.get(slotId) ?? AS_SURVEYED,
    last: <Kind extends TurnKind>(kind: Kind, on: ActOn = {}) =>
      lastOf(kind, on) as TurnOf<Kind> | null,
    holds: (code, on = {}) => {
      const kind = KIND_OF[code];
      if (kind !== undefined) return lastOf(kind, on) === code;
      const at = marks.get(`${code} ${onId(on)}`);
      const by = UNDONE_BY[code];
      return (
        at !== undefined && (by === undefined || at > (latest.get(`${by} ${on.box ?? ''}`) ?? -1))
      );
    },
    countOf: (code, on) => counts.get(`${code} ${onId({ ...on, number: undefined })}`) ?? 0,
    standing: (code) =>
      KIND_OF[code] === undefined
        ? acts.flatMap((act) => (act.code === code && act.round !== 0 ? act.on : []))
        : [...last.values()].flatMap((act) => (act.code === code ? act.on : [])),
    slots: [...slots.keys()],
  };
});

/** Nothing is touched yet. */
export const UNTOUCHED = benchState([]);

/** Whether a new card was put into its slot; it may be out again for a while. */
export const wasSeated = (state: BenchState, card: string, slot: string): boolean =>
  state.slot(slot).fresh?.card === card;

/** Whether it is there now. */
export const isSeated = (state: BenchState, card: string, slot: string): boolean =>
  wasSeated(state, card, slot) && state.slot(slot).fresh?.isIn === true;
