/** Power plugs for cards, and what goes between plug and socket. Sources stand beside each row; all from memory of them. */

export const PLUG_TYPES = ['6-pin', '8-pin', '12v-2x6', 'mini-6-pin', 'sata', '4-pin'] as const;
export type PlugType = (typeof PLUG_TYPES)[number];

interface PlugRow {
  /** Rated watts on 12 V. */
  readonly watts: number;
  /** Rated watts on 5 V, where the plug carries it. */
  readonly fiveVoltWatts: number;
  /** Sockets on cards that this plug of a supply goes into, most fitting first. */
  readonly serves: readonly PlugType[];
}

export const PLUGS: Readonly<Record<PlugType, PlugRow>> = {
  // PCI Express Card Electromechanical Specification.
  '6-pin': { watts: 75, fiveVoltWatts: 0, serves: ['6-pin'] },
  // The same; supply plugs are made as 6+2, so each also goes into a 6-pin socket.
  '8-pin': { watts: 150, fiveVoltWatts: 0, serves: ['8-pin', '6-pin'] },
  // Card Electromechanical Specification 5.1, lowest of the rates that its sense pins can announce.
  '12v-2x6': { watts: 150, fiveVoltWatts: 0, serves: ['12v-2x6'] },
  // On the board of an old workstation, rated 75: no socket of a card takes it without its own lead. Common practice, no source.
  'mini-6-pin': { watts: 50, fiveVoltWatts: 0, serves: [] },
  // Serial ATA 3.x, 4.5 A on 12 V and on 5 V.
  sata: { watts: 54, fiveVoltWatts: 22.5, serves: ['sata'] },
  // Connector data sheets, 6.5 A on 18 AWG leads.
  '4-pin': { watts: 78, fiveVoltWatts: 32, serves: ['4-pin'] },
};

/** The rates that a 12V-2x6 plug can announce by its sense pins. Source: Card Electromechanical Specification 5.1. */
export const SENSED_WATTS = [150, 300, 450, 600] as const;

export const PLUG_ADAPTERS = [
  'two-6-pin-to-8-pin',
  'mini-6-pin-to-6-pin',
  'two-mini-6-pin-to-8-pin',
  'two-8-pin-to-12v-2x6',
  'three-8-pin-to-12v-2x6',
  'four-8-pin-to-12v-2x6',
  'sata-to-4-pin',
  '4-pin-to-sata',
  'split-sata',
  'split-4-pin',
] as const;
export type PlugAdapter = (typeof PLUG_ADAPTERS)[number];

interface AdapterRow {
  /** Plugs of the supply that it takes, all alike in what they may be. */
  readonly takes: readonly PlugType[];
  readonly count: number;
  readonly gives: PlugType;
  /** What it carries at most. */
  readonly watts: number;
  /** It lets one plug serve two sockets. */
  readonly splits: boolean;
}

/**
 * What may stand between plugs and a socket. Adapters from drive plugs to graphics sockets are sold, and burn:
 * they are not in this table. Limits are those of the plugs; common practice, no source, for the choice.
 */
export const ADAPTED: Readonly<Record<PlugAdapter, AdapterRow>> = {
  'two-6-pin-to-8-pin': joins(['6-pin', '8-pin'], 2, '8-pin', 150),
  'mini-6-pin-to-6-pin': joins(['mini-6-pin'], 1, '6-pin', 75),
  'two-mini-6-pin-to-8-pin': joins(['mini-6-pin'], 2, '8-pin', 150),
  'two-8-pin-to-12v-2x6': joins(['8-pin'], 2, '12v-2x6', 300),
  'three-8-pin-to-12v-2x6': joins(['8-pin'], 3, '12v-2x6', 450),
  'four-8-pin-to-12v-2x6': joins(['8-pin'], 4, '12v-2x6', 600),
  'sata-to-4-pin': joins(['sata'], 1, '4-pin', 54),
  '4-pin-to-sata': joins(['4-pin'], 1, 'sata', 54),
  'split-sata': { ...joins(['sata'], 1, 'sata', 54), splits: true },
  'split-4-pin': { ...joins(['4-pin'], 1, '4-pin', 78), splits: true },
};

function joins(
  takes: readonly PlugType[],
  count: number,
  gives: PlugType,
  watts: number,
): AdapterRow {
  return { takes, count, gives, watts, splits: false };
}

/** From this age on a supply is looked at twice before it is asked for more. Common practice, no source. */
export const OLD_SUPPLY_YEARS = 10;

/** Part of the supply's 12 V watts that the sum of loads may use: 25 % headroom. Common practice, no source. */
export const HEADROOM_SHARE = 1 / 1.25;
