/** A slot, a machine, a card, a need, a job in one readable line. Everything not said is known and harmless. */
import { directHops, known, statementThat, type Statement } from '../../src/core/parts/index.ts';
import type { CableClass, Generation, SystemFamily } from '../../src/core/standards/index.ts';
import { apply, type Command } from '../../src/core/commands/index.ts';
import {
  emptyCase,
  emptyJob,
  emptyMachine,
  emptySlot,
  emptySupply,
  enteredRun,
  occupantNamed,
  vacant,
  type Card,
  type Job,
  type Machine,
  type Occupant,
  type Slot,
  type DriverPackage,
} from '../../src/core/document/index.ts';
import { plainNeed, type Need, type NeedOf } from '../../src/core/kinds/index.ts';
import { usb } from '../../demo/catalogue/row.ts';

export const told = <Value>(value: Value) => known(value, 'technician');

export const AT = '2026-11-20T09:00:00.000Z';
export const STAMP = { at: AT, who: 'Tester' };

/** A figure entered for a need of the same name. */
export const measured = (needId: string, value: number): Command => ({
  name: 'observe',
  observations: [enteredRun(needId, value, AT)],
});

export function aSlot(
  opening: number,
  over: {
    connector?: 1 | 4 | 8 | 16;
    lanes?: number;
    generation?: Generation;
    watts?: number;
  } = {},
  more: Partial<Slot> = {},
): Slot {
  return {
    ...emptySlot(`s${opening}`, `Slot ${opening}`),
    connectorLanes: told(over.connector ?? 16),
    lanes: told(over.lanes ?? over.connector ?? 16),
    generation: told(over.generation ?? 3),
    openEnd: told(false),
    powerWatts: told(over.watts ?? 75),
    opening: told(opening),
    occupant: vacant('technician'),
    uplink: told(null),
    ...more,
  };
}

export const aStatement = (says: Statement['says'], over: Partial<Statement> = {}): Statement =>
  statementThat(says, { source: 'a list', ...over });

export const occupiedBy = (
  name: string,
  openings: number | null = 1,
  disposition: Occupant['disposition'] = 'stays',
): Slot['occupant'] =>
  told({
    ...occupantNamed(name),
    disposition,
    openings: openings === null ? null : told(openings),
    lengthMm: told(150),
    fan: told(null),
  });

export function aMachine(slots: readonly Slot[], more: Partial<Machine> = {}): Machine {
  return {
    ...emptyMachine('Test machine'),
    board: told({ widthMm: 244, depthMm: 305, firstOpeningMm: 173 }),
    case: {
      ...emptyCase(),
      bracket: told('full'),
      openings: told(7),
      lengthRoomMm: told(300),
      covers: told('screwed'),
      frontLeads: told([]),
    },
    firmware: {
      ...emptyMachine().firmware,
      kind: told('uefi'),
      date: told('2022-03-01'),
      largeWindows: told(true),
    },
    headers: told([]),
    builtIn: told([]),
    supply: {
      ...emptySupply(),
      twelveVoltWatts: told(500),
      baseWatts: told(100),
      plugs: told([]),
    },
    system: {
      ...emptyMachine().system,
      family: told('windows'),
      version: told('11'),
      architecture: told('x86-64'),
    },
    path: {
      ...emptyMachine().path,
      ...wiredTo([1000, 2500, 10000]),
      internetMegabits: told(500),
    },
    ...more,
    slots: [...slots],
  };
}

/** So many free bays of the usual size. */
export const baysOf = (count: number): Machine['case']['bays'] =>
  told(count === 0 ? [] : [{ size: '3.5', count }]);

/** One lead to a far end of these speeds. */
export const wiredTo = (
  portMegabits: readonly number[] | null,
  cable: CableClass = 'cat6a',
  metres = 20,
): Pick<Machine['path'], 'hops'> => ({
  hops: directHops({
    cable: told(cable),
    metres: told(metres),
    portMegabits: portMegabits === null ? null : told(portMegabits),
  }),
});

export function aCard(over: Partial<Card> = {}): Card {
  return {
    id: 'card',
    maker: 'Maker',
    model: 'Model',
    bus: 'pcie',
    lanes: 1,
    generation: 3,
    m2: null,
    keying: null,
    needsSplit: false,
    moduleCover: false,
    frontHeaders: [],
    boardLeads: [],
    plates: 0,
    weightGrams: 100,
    fan: null,
    supplyWatts: null,
    boot: 'none',
    windowMegabytes: 0,
    year: 2020,
    quirks: [],
    leadDays: 2,
    lengthMm: 120,
    heightMm: 68.9,
    openings: 1,
    brackets: ['full', 'low'],
    bracketMounted: 'full',
    peakWatts: 10,
    slotWatts: 10,
    sockets: [],
    leadsBeforeSeating: [],
    chip: '',
    statements: [],
    manners: [],
    returnDays: null,
    contents: [],
    // xHCI: every current system drives it itself.
    ids: { vendor: 0xf1a0, device: 1, class24: 0x0c0330 },
    delivers: usb(4, '3.2-1', 900),
    priceCents: 3000,
    ...over,
  };
}

export const usbNeed = (ports: number, more: Partial<NeedOf<'usb'>> = {}): Need =>
  plainNeed('usb', 'usb', { ports, ...more });

export const networkNeed = (bytesPerSecond: number, more: Partial<NeedOf<'network'>> = {}): Need =>
  plainNeed('network', 'network', { bytesPerSecond, ...more });

export const aJob = (...commands: readonly Command[]): Job =>
  commands.reduce((job, command) => apply(job, command, STAMP), emptyJob('test-job', AT));

/** A maker's package that names one network card of the invented maker f1a0, for the systems that the plain machine runs. */
export const aPackage = (over: Partial<DriverPackage> = {}): DriverPackage => ({
  id: 'p',
  maker: 'Maker',
  title: 'Driver',
  version: '1.0',
  released: '2026-01-01',
  channel: 'recommended',
  says: listed(['f1a0:7001'], { family: 'windows', from: '10', to: '11' }),
  order: 'card-first',
  hotPlug: null,
  installer: null,
  firmware: null,
  bootParameter: null,
  files: [],
  ...over,
});

/** What a maker's page lists. */
export const listed = (
  deviceIds: readonly string[],
  ...systems: readonly {
    readonly family: SystemFamily;
    readonly from: string;
    readonly to: string | null;
  }[]
): DriverPackage['says'] => ({
  kind: 'listed',
  deviceIds,
  systems: systems.map((each) => ({ ...each, architecture: 'x86-64' })),
});
