/** An expansion card as the catalogue describes it. */
import * as z from 'zod/mini';
import { count, id, positive, text, whole } from './fact.ts';
import { BracketHeight, GenerationSchema, M2_SIGNALS, PCI_KEYINGS, SlotBus } from './machine.ts';
import { FRONT_LEADS } from '../standards/cardForm.ts';
import { M2_KEYS } from '../standards/slotRecords.ts';
import { PLUG_TYPES } from '../standards/plugs.ts';
import { OUTPUT_SIGNALS } from '../standards/screens.ts';
import { USB_SIGNALLING } from '../standards/usb.ts';
import { DRIVE_SOCKETS } from '../standards/storage.ts';
import type { DeepReadonly } from '../units.ts';

/** What a card brings to the machine. The same kinds name the needs. */
export const Delivery = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('network'), ports: count, megabits: z.array(count) }),
  z.object({ kind: z.literal('usb'), ports: count, signalling: z.enum(USB_SIGNALLING) }),
  z.object({
    kind: z.literal('screens'),
    outputs: z.array(z.object({ signal: z.enum(OUTPUT_SIGNALS), count })),
    /** Screens it drives at once, whatever its sockets. */
    most: count,
  }),
  z.object({ kind: z.literal('wifi'), radioMegabits: positive, bluetooth: z.boolean() }),
  z.object({ kind: z.literal('drives'), ports: count, socket: z.enum(DRIVE_SOCKETS) }),
  z.object({ kind: z.literal('sound'), channels: count }),
]);
export type Delivery = DeepReadonly<z.infer<typeof Delivery>>;
export type DeliveryKind = Delivery['kind'];

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
  brackets: z.array(BracketHeight).check(z.minLength(1)),
  /** The bracket on it when it comes out of the box. */
  bracketMounted: BracketHeight,
  peakWatts: positive,
  /** The part of the peak that the slot has to give; the plugs give the rest. */
  slotWatts: positive,
  /** Power sockets on the card. */
  sockets: z.array(z.enum(PLUG_TYPES)),
  /** Headers on the card for leads of the case's front panel. */
  frontHeaders: z.array(z.enum(FRONT_LEADS)),
  /** Leads that cannot be reached once the card is seated. */
  leadsBeforeSeating: z.array(text),
  ids: z.object({ vendor: Code, device: Code, class24: z.int().check(z.nonnegative()) }),
  delivers: Delivery,
  priceCents: whole,
});
export type Card = DeepReadonly<z.infer<typeof Card>>;

export const cardName = (card: Pick<Card, 'maker' | 'model'>): string =>
  `${card.maker} ${card.model}`;
