/**
 * Sizes and slot power of expansion cards.
 * Source: PCI Express Card Electromechanical Specification 3.0 and 5.1 (from memory), unless said.
 */

/** Distance from one opening of the case to the next, in millimetres. */
export const OPENING_PITCH_MM = 20.32;

/** Length of a PCI Express connector on the board, in millimetres, by the lanes it has contacts for. */
export const CONNECTOR_LENGTH_MM: Readonly<Record<number, number>> = {
  1: 25,
  4: 39,
  8: 56,
  16: 89,
};

/** Length of a classic 32-bit PCI connector, in millimetres. Source: PCI Local Bus 3.0 (from memory). */
export const CLASSIC_PCI_CONNECTOR_MM = 85;

/** Bars that keys make across a connector, from its near end to the bar's two edges, in millimetres. */
export interface KeyBar {
  readonly fromMm: number;
  readonly toMm: number;
}

/** Between the contacts of power and those of lanes, in every PCI Express connector. */
export const EXPRESS_KEY: KeyBar = { fromMm: 11.7, toMm: 13.4 };

/**
 * Where the contacts 12 and 13 would be the key is of 3.3 V, where 50 and 51 would be of 5 V; contacts stand 1.27 mm
 * apart. Source: PCI Local Bus 3.0 (from memory).
 */
const CLASSIC_CONTACT_MM = 1.27;
const classicKey = (contact: number): KeyBar => ({
  fromMm: (contact - 1) * CLASSIC_CONTACT_MM,
  toMm: (contact + 1) * CLASSIC_CONTACT_MM,
});
export const CLASSIC_KEYS: Readonly<Record<'5 V' | '3.3 V', KeyBar>> = {
  '5 V': classicKey(50),
  '3.3 V': classicKey(12),
};

/**
 * An M.2 socket has 75 places for contacts, a quarter of a millimetre apart as they lie on both sides; each key takes eight.
 * Source: PCI Express M.2 Specification 4.0 (from memory).
 */
const SOCKET_CONTACT_MM = 0.25;
const socketKey = (first: number): KeyBar => ({
  fromMm: first * SOCKET_CONTACT_MM,
  toMm: (first + 7) * SOCKET_CONTACT_MM,
});
export const SOCKET_CONTACTS_MM = 75 * SOCKET_CONTACT_MM;
export const SOCKET_KEYS: Readonly<Record<'A' | 'B' | 'E' | 'M', KeyBar>> = {
  A: socketKey(8),
  B: socketKey(12),
  E: socketKey(24),
  M: socketKey(59),
};

/**
 * From the rear edge of the case to the near end of a connector, in millimetres.
 * Common practice, no source: measured boards lie within a few millimetres of it. Used for drawing and
 * for finding what stands behind an open-ended slot, never for a card's own length.
 */
export const CONNECTOR_START_MM = 55;

/** Thickness of a connector across the slot, in millimetres (drawing only; common practice, no source). */
export const CONNECTOR_THICKNESS_MM = 7.5;

export const CARD_HEIGHT_MM = { full: 111.15, low: 68.9 } as const;

/** A card's lower edge stands this far above the board; lower things fit beneath it. Common practice, no source. */
export const UNDER_CARD_ROOM_MM = 12;

/** Width of every M.2 module. Source: PCI Express M.2 Specification 4.0 (from memory). */
export const MODULE_WIDTH_MM = 22;

/** Depth of an M.2 socket, from its back to where the module's length begins. Common practice, no source. */
export const SOCKET_DEPTH_MM = 5;

/** A module lies this far above the board; lower things fit beneath it. Common practice, no source. */
export const UNDER_MODULE_ROOM_MM = 1.5;

/** What a plug on a card's upper edge needs above it to bend its lead, in millimetres. Common practice, no source: 25–35. */
export const PLUG_BEND_MM = 25;

/** Watts any PCI Express slot gives a card before the system configures it, by connector lanes. */
export const SLOT_WATTS_AT_START: Readonly<Record<number, number>> = {
  1: 10,
  4: 25,
  8: 25,
  16: 25,
};

/** Watts classic PCI allows a card. Source: PCI Local Bus 3.0 (from memory). */
export const CLASSIC_PCI_WATTS = 25;

/** What a single-width card may take to each side of its own plane, in millimetres. */
export const COMPONENT_SIDE_MM = 14.47;
export const SOLDER_SIDE_MM = 2.67;

/** Between two cards a hand needs so much room, and over a plug on the board. Common practice, no source. */
export const HAND_MM = 25;

/** From this weight on a card wants a support at its far end, in grams. Common practice, no source. */
export const SAG_GRAMS = 1_000;

/** What a card's start-up code can be for: old firmware, new firmware, either, or there is none. */
export const BOOT_CODES = ['both', 'uefi', 'bios', 'none'] as const;

/**
 * Catches that certain cards are known for: after a cold start it comes up in a slower mode; after sleep its
 * devices are gone; it works only in a slot straight at the processor; it wants a jumper or a lead where the
 * board has no header for it; it settles only after several restarts; it bears no warm air from a fan right above
 * it; its own firmware has to be put on it in another machine before this one shows it.
 */
export const QUIRKS = [
  'coldStart',
  'sleep',
  'processorSlot',
  'jumper',
  'restarts',
  'notBelowFan',
  'firmwareFirst',
] as const;
export type Quirk = (typeof QUIRKS)[number];

/** What customers want of a card that is no number, in the words that makers use of their cards. */
export const MANNERS = ['quiet', 'dark', 'lit', 'sparkling'] as const;
export type Manner = (typeof MANNERS)[number];
