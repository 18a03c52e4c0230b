/** Power plugs for cards. Sources stand beside each row; all from memory of them. */

export const PLUG_TYPES = ['6-pin', '8-pin', '12v-2x6', 'mini-6-pin', 'sata', '4-pin'] as const;
export type PlugType = (typeof PLUG_TYPES)[number];

interface PlugRow {
  /** Rated watts on 12 V. */
  readonly watts: number;
  /** Sockets on cards that this plug of a supply goes into, most fitting first. */
  readonly serves: readonly PlugType[];
}

export const PLUGS: Readonly<Record<PlugType, PlugRow>> = {
  // PCI Express Card Electromechanical Specification.
  '6-pin': { watts: 75, serves: ['6-pin'] },
  // The same; supply plugs are made as 6+2, so each also goes into a 6-pin socket.
  '8-pin': { watts: 150, serves: ['8-pin', '6-pin'] },
  // Card Electromechanical Specification 5.1, lowest of the rates that its sense pins can announce.
  '12v-2x6': { watts: 150, serves: ['12v-2x6'] },
  // On the board of an old workstation, with a lead to a 6-pin plug: rated 75. Common practice, no source.
  'mini-6-pin': { watts: 50, serves: ['6-pin'] },
  // Serial ATA 3.x, 4.5 A on 12 V.
  sata: { watts: 54, serves: ['sata'] },
  // Connector data sheets, 6.5 A on 18 AWG leads.
  '4-pin': { watts: 78, serves: ['4-pin'] },
};

/** From this age on a supply is looked at twice before it is asked for more. Common practice, no source. */
export const OLD_SUPPLY_YEARS = 10;

/** Part of the supply's 12 V watts that the sum of loads may use: 25 % headroom. Common practice, no source. */
export const HEADROOM_SHARE = 1 / 1.25;
