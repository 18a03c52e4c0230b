/** One act of the physical work: where and with what it is done, what it must wait for, and what it takes off or puts back. */

/** How the case lies or stands for it; null: it is done on the bench, beside the case. */
export type CasePosition = 'standing' | 'cardsUp' | 'boardUp';

/** What a hand holds; null: nothing. */
export type Tool = 'screwdriver' | 'flatTool' | 'blower' | 'torch';

/** From where the part is seen best. */
export type View = 'above' | 'side' | 'behind';

/**
 * Why an act comes after another. `isPhysical`: the other way round it cannot be done, or hurts; the others are
 * practice alone.
 */
export const REASONS = {
  /** Nothing is touched inside while it has power, or its supply still holds some. */
  power: { isPhysical: true },
  /** Leads behind hold the case where it stands. */
  tethered: { isPhysical: true },
  /** The case is not open on that side. */
  closed: { isPhysical: true },
  /** A bar lies over all brackets. */
  bar: { isPhysical: true },
  /** Its plugs and leads still hold it. */
  plugged: { isPhysical: true },
  /** Another card is in the slot, or fills its openings. */
  occupied: { isPhysical: true },
  /** A cover is in the opening. */
  cover: { isPhysical: true },
  /** A cap is over the slot. */
  capped: { isPhysical: true },
  /** Something stands where the card goes. */
  inTheWay: { isPhysical: true },
  /** Its place has to be free until then. */
  placeKept: { isPhysical: true },
  /** No hand gets there between the cards beside it. */
  noHand: { isPhysical: true },
  /** Once the card is in, it lies over it. */
  covered: { isPhysical: true },
  /** It cannot be reached on a card that is in. */
  onTheBench: { isPhysical: true },
  /** It has to be out before it goes back. */
  stillThere: { isPhysical: true },
  /** What it is done to is not in yet. */
  notIn: { isPhysical: true },
  /** The plug that it gets still feeds something else. */
  plugInUse: { isPhysical: true },
  /** The cover for it still closes another opening. */
  coverInUse: { isPhysical: true },
  /** With power on nobody works in an open case. */
  openCase: { isPhysical: true },
  /** It is looked at while it runs. */
  runsUntilThen: { isPhysical: true },
  /** It has to run for that. */
  notRunning: { isPhysical: true },
  /** What is touched before may be hurt by static. */
  static: { isPhysical: false },
  /** Nobody knows how it lay once it is moved. */
  photoFirst: { isPhysical: false },
  /** Leads pull on what nothing holds. */
  heldFirst: { isPhysical: false },
  /** Dust falls into what is open. */
  dust: { isPhysical: false },
  /** Thick and heavy ones last: they cover what lies beside them. */
  heavyLast: { isPhysical: false },
  /** Little room is left between two. */
  closeBeside: { isPhysical: false },
  /** What goes makes room before anything comes in. */
  outFirst: { isPhysical: false },
  /** An open case never lies on its cards: what is done from the other side comes first. */
  boardUpFirst: { isPhysical: false },
  /** With the board beside the case there is room for both hands. */
  roomBeside: { isPhysical: false },
  /** Drives go into their bays before leads go to them. */
  drivesFirst: { isPhysical: false },
  /** Cards lie over its plugs. */
  leadsFirst: { isPhysical: false },
  /** Side by side, one after the other. */
  inRow: { isPhysical: false },
  /** The card goes before its cover is touched. */
  cardFirst: { isPhysical: false },
  /** One look over all of it at the end. */
  lookLast: { isPhysical: false },
  /** What is outside waits until the case is closed and stands. */
  outsideLast: { isPhysical: false },
  /** Without it the first start shows nothing. */
  beforeStart: { isPhysical: false },
} as const satisfies Readonly<Record<string, { readonly isPhysical: boolean }>>;
export type Reason = keyof typeof REASONS;

/** What a thing is, that is taken off or put back. */
export type ThingKind =
  | 'mainsLead'
  | 'outsideLeads'
  | 'panel'
  | 'bar'
  | 'cover'
  | 'frontCover'
  | 'screw'
  | 'card'
  | 'plugs'
  | 'plug'
  | 'bracket'
  | 'cap'
  | 'film'
  | 'module'
  | 'drive'
  | 'plate'
  | 'lead'
  | 'part';

export interface Thing {
  readonly id: string;
  readonly kind: ThingKind;
  /** A card, an opening, a slot; what tells it from others of its kind. */
  readonly name: string;
}

/** In its place, on the tray, kept for the customer, or thrown away. */
export type Whereabouts = 'inPlace' | 'tray' | 'kept' | 'thrownAway';

export interface Move {
  readonly thing: Thing;
  readonly to: Whereabouts;
}

interface After {
  /** The step that comes before. */
  readonly stepId: string;
  readonly because: Reason;
}

export interface Task {
  readonly position: CasePosition | null;
  readonly tool: Tool | null;
  readonly view: View | null;
  /** As it usually takes; common practice, no source. */
  readonly minutes: number;
  readonly after: readonly After[];
  readonly moves: readonly Move[];
}
