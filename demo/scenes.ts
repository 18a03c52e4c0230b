/** Invented jobs that several cards, links or limits decide together. */
import { directHops, emptyDrive, known } from '../src/core/parts/index.ts';
import { plainNeed, type Need } from '../src/core/kinds/index.ts';
import type { Machine, Slot } from '../src/core/document/index.ts';
import { drives } from './catalogue/row.ts';
import { fitted } from './machineParts.ts';
import { EXTERNAL_BOX, GAMING, HOME_TOWER, MICRO_TOWER, MINI, SERVER_BOARD } from './machines.ts';

const told = <Value>(value: Value) => known(value, 'technician');

export interface Scene {
  readonly id: string;
  readonly title: string;
  readonly customer: string;
  readonly machine: Machine;
  readonly needs: readonly Need[];
  readonly budgetCents: number;
}

/** The board with so many drive ports of its own left free. */
const withPorts = (machine: Machine, ports: number): Machine => ({
  ...machine,
  builtIn: told([
    ...(machine.builtIn?.value ?? []).filter(({ kind }) => kind !== 'drives'),
    ...(ports > 0 ? [drives(ports, 'sata')] : []),
  ]),
});

const withPath = (machine: Machine, path: Partial<Machine['path']>): Machine => ({
  ...machine,
  path: { ...machine.path, ...path },
});

/** One x1 slot and a radio socket: a faster wire and two mirrored drives for all the charts. */
export const SIGNAL_HOUSE: Scene = {
  id: 'signal-house',
  title: 'A store for the charts',
  customer: 'Harbour master, Signal House',
  machine: withPath(withPorts(MINI, 0), {
    hops: directHops({
      cable: told('cat5e'),
      metres: told(12),
      portMegabits: told([100, 1000, 2500]),
    }),
    ownDrive: told('sata'),
    ownArray: told({ count: 2, how: 'mirror' }),
    farDrive: told('sata'),
  }),
  needs: [
    plainNeed('network', 'network', {
      words: 'Charts open on every desk as if they lay there',
      bytesPerSecond: 230e6,
      direction: 'from',
      group: 'A',
    }),
    plainNeed('drives', 'drives', {
      words: 'All charts twice over, on the two drives out of the old machine',
      ports: 2,
      these: ['SG-2271', 'SG-2272'].map((serial, n) =>
        emptyDrive(`drive-${n + 1}`, 4_000, {
          maker: 'Gannetry',
          model: 'Ledger 4000',
          readBytesPerSecond: 540e6,
          writeBytesPerSecond: 500e6,
          sustainedBytesPerSecond: 340e6,
          ratedTerabytes: 1_200,
          writtenTerabytes: 310 + 8 * n,
          fiveVoltWatts: 4,
          heightMm: 7,
          serial,
        }),
      ),
      drive: 'sata',
      bytesPerSecond: 300e6,
      group: 'A',
    }),
  ],
  budgetCents: 12_000,
};

/** A box outside on one fast serial link, which all its cards share. */
export const CHART_ROOM: Scene = {
  id: 'chart-room',
  title: 'Three cards in a box',
  customer: 'Survey vessel, chart room',
  machine: withPath(EXTERNAL_BOX, {
    hops: directHops({
      cable: told('cat6a'),
      metres: told(15),
      portMegabits: told([1000, 2500, 5000, 10000]),
    }),
  }),
  needs: [
    plainNeed('network', 'network', {
      words: 'Soundings to the office before the ship has moored',
      bytesPerSecond: 900e6,
      group: 'A',
    }),
    plainNeed('drives', 'drives', {
      words: 'All soundings of six years, read all at once',
      ports: 6,
      usableGigabytes: 24_000,
      driveGigabytes: 4_000,
      drive: 'sata',
      bytesPerSecond: 450e6,
      group: 'A',
    }),
    plainNeed('sound', 'sound', { words: 'The sonar heard cleanly', channels: 2 }),
  ],
  budgetCents: 60_000,
};

/** A module card for a machine that starts from slow disks. */
export const NET_LOFT: Scene = {
  id: 'net-loft',
  title: 'A quick module to start from',
  customer: 'Net loft, Quay Street',
  machine: HOME_TOWER,
  needs: [
    plainNeed('drives', 'drives', {
      words: 'It should be there before the kettle is',
      ports: 1,
      drive: 'm2',
      bytesPerSecond: 1_200e6,
      together: false,
      bootable: true,
    }),
    plainNeed('wifi', 'wifi', {
      words: 'Next spring: the tide on it, without a wire',
      megabits: 300,
      must: false,
      later: true,
    }),
  ],
  budgetCents: 8_000,
};

/** Five gigabit wanted, over a cable and a switch that know only one and ten. */
export const FOGHORN: Scene = {
  id: 'foghorn',
  title: 'Five times as fast to the sound store',
  customer: 'Foghorn society, sound archive',
  machine: withPath(GAMING, {
    hops: directHops({
      cable: told('cat5e'),
      metres: told(30),
      portMegabits: told([1000, 10000]),
    }),
    ownDrive: told('nvme'),
    farDrive: told('sata'),
    farArray: told({ count: 2, how: 'stripe' }),
  }),
  needs: [
    plainNeed('network', 'network', {
      words: 'An evening’s recordings stored before the lamp is out',
      bytesPerSecond: 450e6,
    }),
  ],
  budgetCents: 30_000,
};

/** The same slot, with a card in it that the customer could do without. */
const optional = (slot: Slot): Slot =>
  slot.occupant?.value == null
    ? slot
    : { ...slot, occupant: told({ ...slot.occupant.value, disposition: 'optional' as const }) };

/**
 * Four modules on one card: the slot splits, or the card brings a switch. A small card sits in the only slot that
 * splits, and one that hardly anybody misses in the only other that is left.
 */
export const FILM_SHED: Scene = {
  id: 'film-shed',
  title: 'Four modules at once',
  customer: 'Film shed, Ebb Lane',
  machine: {
    ...MICRO_TOWER,
    slots: MICRO_TOWER.slots.map((slot) => {
      if (slot.id === 's1') return fitted(slot, 'Gannetry Quay 2');
      return slot.id === 's4' ? optional(fitted(slot, 'Thornmere Bollard S1')) : slot;
    }),
  },
  needs: [
    plainNeed('drives', 'drives', {
      words: 'Four cameras’ films read side by side',
      ports: 4,
      drive: 'm2',
      bytesPerSecond: 2_500e6,
    }),
    plainNeed('sound', 'sound', { words: 'Eight loudspeakers around the screen', channels: 8 }),
  ],
  budgetCents: 40_000,
};

/** Ten drives on a board with few ports, run by the system’s own driver. */
export const ROPEWALK: Scene = {
  id: 'ropewalk',
  title: 'Ten drives of rope tests',
  customer: 'Ropewalk, testing house',
  machine: {
    ...withPorts(SERVER_BOARD, 4),
    case: { ...SERVER_BOARD.case, bays: told([{ size: '3.5', count: 12 }]) },
    supply: {
      ...SERVER_BOARD.supply,
      plugs: told([
        { type: 'sata', count: 8 },
        { type: '4-pin', count: 2 },
      ]),
    },
    system: {
      ...SERVER_BOARD.system,
      family: told('linux'),
      version: told('6.1'),
    },
  },
  needs: [
    plainNeed('drives', 'drives', {
      words: 'Ten drives, all at full speed when the tests are read back',
      ports: 10,
      drive: 'sata',
      bytesPerSecond: 450e6,
      systemDriver: true,
    }),
  ],
  budgetCents: 40_000,
};

export const SCENES: readonly Scene[] = [
  SIGNAL_HOUSE,
  CHART_ROOM,
  NET_LOFT,
  FOGHORN,
  FILM_SHED,
  ROPEWALK,
];
