/** An expansion card as the catalogue describes it. */
import * as z from 'zod/mini';
import { Statement } from '../parts/statement.ts';
import { Delivery } from '../kinds/delivery.ts';
import { known, type Source } from '../parts/fact.ts';
import * as limits from '../parts/limits.ts';
import { MOST, id, listOf, text } from '../parts/limits.ts';
import {
  BracketHeight,
  Fan,
  GenerationSchema,
  M2_SIGNALS,
  PCI_KEYINGS,
  SlotBus,
  occupantNamed,
  type Occupant,
} from './machine.ts';
import { BOARD_HEADERS, FRONT_LEADS } from '../standards/headers.ts';
import { M2_KEYS } from '../standards/slotRecords.ts';
import { PLUG_TYPES } from '../standards/plugs.ts';
import { BOX_KINDS } from '../standards/extras.ts';
import { BOOT_CODES, MANNERS, QUIRKS } from '../standards/cardForm.ts';
import type { DeepReadonly } from '../units.ts';

export const OWN_ENDS = ['fixed', 'beforeSeating'] as const;

export const Card = z.object({
  id,
  maker: text,
  model: text,
  bus: SlotBus,
  lanes: z.union([z.literal(1), z.literal(4), z.literal(8), z.literal(16)]),
  generation: GenerationSchema,
  /** A module for an M.2 socket: keys cut into its edge, its length, the signal it lives on. Null for a card. */
  m2: z.nullable(
    z.object({
      keys: listOf(z.enum(M2_KEYS), M2_KEYS.length).check(z.minLength(1)),
      moduleLengthMm: limits.wholeMillimetres,
      signal: z.enum(M2_SIGNALS),
    }),
  ),
  /** Classic PCI: the key it is cut for. Null for any other bus. */
  keying: z.nullable(z.enum(PCI_KEYINGS)),
  /** Carries several devices and no switch: the firmware has to split the slot's lanes for it. */
  needsSplit: z.boolean(),
  /** A heat sink is screwed over the modules that it carries. */
  moduleCover: z.boolean(),
  /** From the bracket to the far end. */
  lengthMm: limits.millimetres,
  heightMm: limits.millimetres,
  /** Openings it takes, its own included. */
  openings: limits.openings,
  weightGrams: limits.grams,
  fan: z.nullable(Fan),
  brackets: listOf(BracketHeight, BracketHeight.options.length).check(z.minLength(1)),
  /** The bracket on it when it comes out of the box. */
  bracketMounted: BracketHeight,
  peakWatts: limits.watts,
  /** The part of the peak that the slot has to give; the plugs give the rest. */
  slotWatts: limits.watts,
  /** Power sockets on the card. */
  sockets: listOf(z.enum(PLUG_TYPES), MOST.sockets),
  /** The supply that its maker asks for, in watts on the label; null where the maker names none. */
  supplyWatts: z.nullable(limits.watts),
  /** Headers on the card for leads of the case's front panel, and how far from the bracket they stand. */
  frontHeaders: listOf(
    z.object({ type: z.enum(FRONT_LEADS), atMm: limits.millimetres }),
    MOST.leads,
  ),
  /** Leads that come with it and want a header of the board. */
  boardLeads: listOf(
    z.object({
      type: z.enum(BOARD_HEADERS),
      lengthMm: limits.millimetres,
      /** The other end: part of the card, or out of reach once it is seated; absent: plugged in when it is. */
      ownEnd: z.optional(z.enum(OWN_ENDS)),
    }),
    MOST.leads,
  ),
  /** Openings that further sockets of it take, each with a plate at the end of a ribbon or a lead. */
  plates: limits.countedOrNone,
  /** Leads that cannot be reached once the card is seated. */
  leadsBeforeSeating: listOf(text, MOST.leads),
  /** What lies in its box beside brackets, each once: leads, adapters, aerials, by kind and what it is for. */
  contents: listOf(z.object({ kind: z.enum(BOX_KINDS), fits: text }), MOST.contents),
  /** What its own start-up code serves; `none`: it has none and wants none. */
  boot: z.enum(BOOT_CODES),
  /** Its largest window into memory, in megabytes; zero: small. */
  windowMegabytes: limits.windowMegabytes,
  /** Year it came to market. */
  year: limits.calendarYear,
  /** Its controller as a system's list of devices names it; empty: not told. */
  chip: text,
  /** What documents and people say of it. */
  statements: listOf(Statement, MOST.statements),
  /** Days within which the seller takes it back once it was tried; null: not at all, or nobody said. */
  returnDays: z.nullable(limits.days),
  /** What its maker calls it that is no number. */
  manners: listOf(z.enum(MANNERS), MANNERS.length),
  /** Known catches. */
  quirks: listOf(z.enum(QUIRKS), QUIRKS.length),
  ids: z.object({ vendor: limits.code16, device: limits.code16, class24: limits.code24 }),
  delivers: Delivery,
  /** Before tax. */
  priceCents: limits.cents,
  /** Days until the supplier delivers; null: in the shop's own drawer. */
  leadDays: z.nullable(limits.days),
});
export type Card = DeepReadonly<z.infer<typeof Card>>;

export const cardName = (card: Pick<Card, 'maker' | 'model'>): string =>
  `${card.maker} ${card.model}`;

/** The card as what sits in a slot, every measure of it known from this source. */
export const asOccupant = (card: Card, source: Source): Occupant => ({
  ...occupantNamed(cardName(card)),
  ids: { vendor: card.ids.vendor, device: card.ids.device },
  signal: card.m2?.signal ?? null,
  openings: known(card.openings, source),
  lengthMm: known(card.lengthMm, source),
  heightMm: known(card.heightMm, source),
  fan: known(card.fan, source),
  watts: known(card.peakWatts, source),
  plugs: known(card.sockets, source),
  frontLeads: known(
    card.frontHeaders.map(({ type }) => type),
    source,
  ),
});
