/** An expansion card as the catalogue describes it. */
import * as z from 'zod/mini';
import { Delivery } from './delivery.ts';
import { count, id, positive, text, whole } from './fact.ts';
import {
  BracketHeight,
  Fan,
  GenerationSchema,
  M2_SIGNALS,
  PCI_KEYINGS,
  SlotBus,
} from './machine.ts';
import { BOARD_HEADERS, FRONT_LEADS } from '../standards/headers.ts';
import { M2_KEYS } from '../standards/slotRecords.ts';
import { PLUG_TYPES } from '../standards/plugs.ts';
import { BOOT_CODES, QUIRKS } from '../standards/cardForm.ts';
import type { DeepReadonly } from '../units.ts';

const Code = z.int().check(z.minimum(0), z.maximum(0xffff));

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
      keys: z.array(z.enum(M2_KEYS)).check(z.minLength(1)),
      moduleLengthMm: count,
      signal: z.enum(M2_SIGNALS),
    }),
  ),
  /** Classic PCI: the key it is cut for. Null for any other bus. */
  keying: z.nullable(z.enum(PCI_KEYINGS)),
  /** Carries several devices and no switch: the firmware has to split the slot's lanes for it. */
  needsSplit: z.boolean(),
  /** From the bracket to the far end. */
  lengthMm: positive,
  heightMm: positive,
  /** Openings it takes, its own included. */
  openings: count,
  weightGrams: positive,
  fan: z.nullable(Fan),
  brackets: z.array(BracketHeight).check(z.minLength(1)),
  /** The bracket on it when it comes out of the box. */
  bracketMounted: BracketHeight,
  peakWatts: positive,
  /** The part of the peak that the slot has to give; the plugs give the rest. */
  slotWatts: positive,
  /** Power sockets on the card. */
  sockets: z.array(z.enum(PLUG_TYPES)),
  /** The supply that its maker asks for, in watts on the label; null where the maker names none. */
  supplyWatts: z.nullable(positive),
  /** Headers on the card for leads of the case's front panel, and how far from the bracket they stand. */
  frontHeaders: z.array(z.object({ type: z.enum(FRONT_LEADS), atMm: positive })),
  /** Leads that come with it and want a header of the board. */
  boardLeads: z.array(z.object({ type: z.enum(BOARD_HEADERS), lengthMm: positive })),
  /** Leads that cannot be reached once the card is seated. */
  leadsBeforeSeating: z.array(text),
  /** What its own start-up code serves; `none`: it has none and wants none. */
  boot: z.enum(BOOT_CODES),
  /** Its largest window into memory, in megabytes; zero: small. */
  windowMegabytes: whole,
  /** Year it came to market. */
  year: z.int().check(z.minimum(1990), z.maximum(2100)),
  /** Known catches. */
  quirks: z.array(z.enum(QUIRKS)),
  ids: z.object({ vendor: Code, device: Code, class24: z.int().check(z.nonnegative()) }),
  delivers: Delivery,
  /** Before tax. */
  priceCents: whole,
  /** Days until the supplier delivers; null: in the shop's own drawer. */
  leadDays: z.nullable(whole),
});
export type Card = DeepReadonly<z.infer<typeof Card>>;

export const cardName = (card: Pick<Card, 'maker' | 'model'>): string =>
  `${card.maker} ${card.model}`;
