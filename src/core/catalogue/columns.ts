/**
 * The columns of a table of cards: what each is called, where it lies in a card, and how it is written. Forms and
 * files are made from the same table.
 */
import { OWN_ENDS, type Card } from '../document/card.ts';
import { STATEMENT_KINDS, Statement } from '../parts/statement.ts';
import { CARD_KINDS, DELIVERY_KINDS, type DeliveryKind } from '../kinds/delivery.ts';
import { M2_SIGNALS, PCI_KEYINGS } from '../document/machine.ts';
import { BOOT_CODES, MANNERS, QUIRKS } from '../standards/cardForm.ts';
import { OTHER_DEVICES } from '../standards/otherDevices.ts';
import { REAR_SOCKET_KINDS } from '../standards/rearSockets.ts';
import { NETWORK_FEATURES, NETWORK_MEDIA } from '../standards/ethernet.ts';
import { BOX_KINDS, EXTRA_KINDS } from '../standards/extras.ts';
import { BOARD_HEADERS, FRONT_LEADS } from '../standards/headers.ts';
import { PLUG_TYPES } from '../standards/plugs.ts';
import { ENCODINGS, OUTPUT_SIGNALS } from '../standards/screens.ts';
import { SERIAL_LINK_GIGABITS } from '../standards/serialLink.ts';
import { M2_KEYS } from '../standards/slotRecords.ts';
import { DRIVE_SOCKETS } from '../standards/storage.ts';
import { USB_SIGNALLING } from '../standards/usb.ts';
import { WIFI_BANDS } from '../standards/wifi.ts';
import { valueAt, withValueAt } from '../paths.ts';
import {
  MONEY_CELL,
  MAYBE_TEXT_CELL,
  TEXT_CELL,
  YES_NO_CELL,
  choiceCell,
  hexCell,
  listCell,
  markedCell,
  numberCell,
  optionalCell,
  pairCell,
  type CellKind,
} from './cells.ts';

export interface Column {
  /** Where the value lies, by property names with dots between. */
  readonly path: string;
  readonly title: string;
  /** Other names by which a file may call it. */
  readonly otherTitles: readonly string[];
  readonly cell: CellKind<never>;
  /** The kinds of delivery it belongs to; undefined: every card has it. */
  readonly kind?: DeliveryKind;
  /** Whether a card cannot be made without it. */
  readonly required: boolean;
}

const column = <Value>(
  path: string,
  title: string,
  cell: CellKind<Value>,
  otherTitles: readonly string[] = [],
): Column => ({
  path,
  title,
  otherTitles,
  cell: cell as unknown as CellKind<never>,
  required: false,
});

const required = (of: Column): Column => ({ ...of, required: true });

const MILLIMETRES = numberCell(1, 450, false);
const WATTS = numberCell(0.1, 700, false);

/** “E+A, 30, pcie”: keys, length, signal. */
const MODULE_CELL: CellKind<NonNullable<Card['m2']>> = {
  expects: 'keys, length and signal such as “E+A, 30, pcie”',
  print: ({ keys, moduleLengthMm, signal }) => `${keys.join('+')}, ${moduleLengthMm}, ${signal}`,
  parse: (text) => {
    const [keys = '', length = '', signal = ''] = text.split(',').map((part) => part.trim());
    const cut = listCell(choiceCell(M2_KEYS)).parse(keys);
    const lives = M2_SIGNALS.find((each) => each === signal.toLowerCase());
    const long = numberCell(16, 120).parse(length);
    return cut === undefined || cut.length === 0 || lives === undefined || long === undefined
      ? undefined
      : { keys: cut, moduleLengthMm: long, signal: lives };
  },
};

/** “60–130, 20”: from and to along the card, and the air it wants; “60–130, 20, 45” with how far above the board it begins. */
export const FAN_CELL: CellKind<NonNullable<Card['fan']>> = {
  expects: 'from, to and air in mm such as “60–130, 20”, and its lower edge where it is told',
  print: ({ fromMm, toMm, airMm, aboveMm }) =>
    [`${fromMm}–${toMm}`, airMm, aboveMm ?? []].flat().join(', '),
  parse: (text) => {
    const [, from, to, air, above] =
      /^(\d{1,3})\s*[–-]\s*(\d{1,3})\s*,\s*(\d{1,3})(?:\s*,\s*([1-9]\d{0,2}))?$/.exec(text) ?? [];
    return from === undefined || to === undefined || air === undefined || Number(to) <= Number(from)
      ? undefined
      : {
          fromMm: Number(from),
          toMm: Number(to),
          airMm: Number(air),
          ...(above === undefined ? {} : { aboveMm: Number(above) }),
        };
  },
};

/** “listed; machine Cove 2; slot Slot 1; system linux; source the maker's list; date 2026-03-01”: all but the first may be left out. */
const STATEMENT_CELL: CellKind<Statement> = {
  expects:
    'listed, tried, claimed, problem or onlyThere, then any of “; machine …”, “; slot …”, “; card …”, “; system …”, “; source …”, “; date …”',
  print: ({ says, machine, slot, card, system, source, date }) =>
    [
      says,
      ...Object.entries({ machine, slot, card, system: system ?? '', source, date: date ?? '' })
        .filter(([, value]) => value !== '')
        .map(([name, value]) => `${name} ${value}`),
    ].join('; '),
  parse: (text) => {
    const [says = '', ...parts] = text.split(';').map((part) => part.trim());
    const named = parts.map((part): readonly [string, string] => {
      const space = part.indexOf(' ');
      return [part.slice(0, space).toLowerCase(), part.slice(space + 1).trim()];
    });
    const told = new Map(named);
    const statement = Statement.safeParse({
      says: STATEMENT_KINDS.find((kind) => kind.toLowerCase() === says.toLowerCase()),
      machine: told.get('machine') ?? '',
      slot: told.get('slot') ?? '',
      card: told.get('card') ?? '',
      system: told.get('system')?.toLowerCase() ?? null,
      source: told.get('source') ?? '',
      date: told.get('date') ?? null,
    });
    const isKnown = named.every(
      ([name]) => Object.hasOwn(Statement.shape, name) && name !== 'says',
    );
    return statement.success && isKnown && told.size === named.length ? statement.data : undefined;
  },
};

/** “2 dp-hbr3 + 1 hdmi-600”. */
const OUTPUTS_CELL = listCell(
  pairCell(['count', numberCell(1, 12)], ' ', ['signal', choiceCell(OUTPUT_SIGNALS)]),
);

const PORTS = numberCell(1, 64);
const SOME = numberCell(0, 64);

const GENERAL: readonly Column[] = [
  required(column('maker', 'Maker', TEXT_CELL, ['brand', 'manufacturer'])),
  required(column('model', 'Model', TEXT_CELL, ['name', 'product'])),
  required(column('delivers.kind', 'Kind', choiceCell(DELIVERY_KINDS), ['type', 'category'])),
  required(column('priceCents', 'Price', MONEY_CELL, ['net price', 'cost'])),
  column('leadDays', 'Days to deliver', optionalCell(numberCell(0, 365)), ['lead time', 'days']),
  column('bus', 'Bus', choiceCell(['pcie', 'pci', 'm2'] as const), ['slot', 'interface']),
  column('lanes', 'Lanes', choiceCell([1, 4, 8, 16] as const), ['width']),
  column('generation', 'Generation', choiceCell([1, 2, 3, 4, 5] as const), ['gen']),
  column('m2', 'Module', optionalCell(MODULE_CELL)),
  column('keying', 'PCI key', optionalCell(choiceCell(PCI_KEYINGS))),
  column('needsSplit', 'Needs a split slot', YES_NO_CELL, ['bifurcation']),
  column('moduleCover', 'Heat sink over its modules', YES_NO_CELL, ['module cover']),
  column('lengthMm', 'Length, mm', MILLIMETRES, ['length']),
  column('heightMm', 'Height, mm', MILLIMETRES, ['height']),
  column('openings', 'Openings', numberCell(1, 5), ['thickness']),
  column('weightGrams', 'Weight, g', numberCell(1, 5_000), ['weight']),
  column('fan', 'Fan', optionalCell(FAN_CELL)),
  column('brackets', 'Brackets', listCell(choiceCell(['full', 'low'] as const))),
  column('bracketMounted', 'Bracket on it', choiceCell(['full', 'low'] as const)),
  column('peakWatts', 'Peak, W', WATTS, ['watts', 'power', 'peak']),
  column('slotWatts', 'From the slot, W', WATTS),
  column('sockets', 'Power sockets', listCell(choiceCell(PLUG_TYPES)), ['plugs']),
  column('supplyWatts', 'Supply asked, W', optionalCell(numberCell(50, 2_000)), ['psu']),
  column(
    'frontHeaders',
    'Front headers',
    listCell(pairCell(['type', choiceCell(FRONT_LEADS)], ' at ', ['atMm', MILLIMETRES])),
  ),
  column(
    'boardLeads',
    'Leads to the board',
    listCell(
      markedCell(
        pairCell(['type', choiceCell(BOARD_HEADERS)], ' of ', ['lengthMm', numberCell(1, 2_000)]),
        'ownEnd',
        OWN_ENDS,
      ),
    ),
  ),
  column('plates', 'Further openings by plates', SOME),
  column(
    'contents',
    'In the box',
    listCell(pairCell(['kind', choiceCell(BOX_KINDS)], ' for ', ['fits', TEXT_CELL])),
    ['contents'],
  ),
  column('leadsBeforeSeating', 'Leads before seating', listCell(TEXT_CELL)),
  column('boot', 'Start-up code', choiceCell(BOOT_CODES), ['boot']),
  column('windowMegabytes', 'Window, MB', numberCell(0, 1_000_000)),
  column('year', 'Year', numberCell(1990, 2100)),
  column('chip', 'Chip', MAYBE_TEXT_CELL, ['controller', 'chipset']),
  column('statements', 'What is said of it', listCell(STATEMENT_CELL), ['statements']),
  column('returnDays', 'Days to return it', optionalCell(numberCell(0, 365)), ['return']),
  column('manners', 'Described as', listCell(choiceCell(MANNERS)), ['manners']),
  column('quirks', 'Known catches', listCell(choiceCell(QUIRKS)), ['quirks']),
  column('ids.vendor', 'Vendor', hexCell(4), ['vendor id']),
  column('ids.device', 'Device', hexCell(4), ['device id']),
  column('ids.class24', 'Class', hexCell(6), ['class code']),
];

const ofKind = (kind: DeliveryKind, ...columns: readonly Column[]): readonly Column[] =>
  columns.map((each) => ({ ...each, path: `delivers.${each.path}`, kind }));

const BY_KIND: readonly Column[] = [
  ...ofKind(
    'screens',
    column('outputs', 'Outputs', OUTPUTS_CELL),
    column('most', 'Screens at once', numberCell(1, 12)),
    column('memoryGigabytes', 'Memory, GB', numberCell(0, 512, false), ['memory']),
    column('speedClass', 'Speed class', numberCell(0, 5)),
    column('encodes', 'Encodes', listCell(choiceCell(ENCODINGS))),
  ),
  ...ofKind(
    'usb',
    column('ports', 'USB ports at the back', SOME, ['usb ports']),
    column('signalling', 'USB', choiceCell(USB_SIGNALLING)),
    column('typeC', 'Type-C at the back', SOME),
    column('milliamps', 'mA each', numberCell(0, 5_000)),
  ),
  ...ofKind(
    'network',
    column('ports', 'Network ports', PORTS),
    column('megabits', 'Mb/s', listCell(numberCell(10, 100_000)), ['speeds']),
    column('medium', 'Network sockets', choiceCell(NETWORK_MEDIA)),
    column('features', 'Network features', listCell(choiceCell(NETWORK_FEATURES))),
  ),
  ...ofKind(
    'wifi',
    column('radioMegabits', 'Radio, Mb/s', numberCell(1, 50_000, false)),
    column('bluetooth', 'Bluetooth', YES_NO_CELL),
    column('bands', 'Bands', listCell(choiceCell(WIFI_BANDS))),
    column('aerials', 'Aerials', SOME),
  ),
  ...ofKind(
    'drives',
    column('ports', 'Drives', PORTS),
    column('socket', 'Drive socket', choiceCell(DRIVE_SOCKETS)),
    column('ownPorts', 'Ports of its own', PORTS),
    column('sataModules', 'SATA modules led to the board', SOME),
  ),
  ...ofKind(
    'sound',
    column('channels', 'Channels', numberCell(1, 16)),
    column('inputs', 'Sound inputs', SOME),
    column('optical', 'Optical', YES_NO_CELL),
  ),
  ...ofKind(
    'serialLink',
    column('ports', 'Fast serial ports', PORTS),
    column('gigabits', 'Gb/s', choiceCell(SERIAL_LINK_GIGABITS)),
  ),
  ...ofKind(
    'legacy',
    column('serial', 'Serial ports', SOME),
    column('parallel', 'Parallel ports', SOME),
  ),
  ...ofKind(
    'otherDevice',
    column('what', 'Purpose', choiceCell(OTHER_DEVICES)),
    column('units', 'Inputs, ports or lines', PORTS),
    column('socket', 'Their sockets', optionalCell(choiceCell(REAR_SOCKET_KINDS))),
    column('bytesPerSecond', 'Bytes a second at full work', numberCell(0, 1e12)),
  ),
];

export const CARD_COLUMNS: readonly Column[] = [...GENERAL, ...BY_KIND];

/** The columns of a table of extras. */
export const EXTRA_COLUMNS: readonly Column[] = [
  required(column('maker', 'Maker', TEXT_CELL)),
  required(column('model', 'Model', TEXT_CELL)),
  required(column('kind', 'Kind', choiceCell(EXTRA_KINDS))),
  required(column('fits', 'For', TEXT_CELL)),
  column('limit', 'Carries or reaches', optionalCell(numberCell(1, 5_000))),
  required(column('priceCents', 'Price', MONEY_CELL)),
  column('leadDays', 'Days to deliver', optionalCell(numberCell(0, 365))),
];

/** The columns that tell of one kind of delivery. */
export const columnsOf = (kind: DeliveryKind): readonly Column[] =>
  BY_KIND.filter((each) => each.kind === kind);

/** All columns of a card of one kind. */
export const columnsFor = (kind: DeliveryKind): readonly Column[] => [
  ...GENERAL,
  ...columnsOf(kind),
];

/** Everything of a card but what it is called and delivers: small, light and modest. */
export const PLAIN_CARD: Omit<Card, 'id' | 'maker' | 'model' | 'ids' | 'delivers'> = {
  bus: 'pcie',
  lanes: 1,
  generation: 2,
  m2: null,
  keying: null,
  needsSplit: false,
  moduleCover: false,
  lengthMm: 120,
  heightMm: 68.9,
  openings: 1,
  weightGrams: 100,
  fan: null,
  brackets: ['full'],
  bracketMounted: 'full',
  peakWatts: 5,
  slotWatts: 5,
  sockets: [],
  supplyWatts: null,
  frontHeaders: [],
  boardLeads: [],
  plates: 0,
  leadsBeforeSeating: [],
  contents: [],
  boot: 'none',
  windowMegabytes: 0,
  year: 2020,
  chip: '',
  statements: [],
  returnDays: null,
  manners: [],
  quirks: [],
  priceCents: 0,
  leadDays: null,
};

/** A card of which only its kind is told. */
export const plainCard = (kind: DeliveryKind): Card => ({
  ...PLAIN_CARD,
  id: 'new',
  maker: '',
  model: '',
  ids: { vendor: 0, device: 0, class24: 0 },
  delivers: CARD_KINDS[kind].plain,
});

/** The text of a column of a card, or of any part that has its path. */
export function printCell(of: object, { path, cell }: Column): string {
  const value = valueAt(of, path);
  return value === undefined ? '' : cell.print(value as never);
}

/** The part with a column's text taken in, or undefined where the text is none of its kind. */
export function takeCell<Part extends object>(
  of: Part,
  { path, cell }: Column,
  text: string,
): Part | undefined {
  const value: unknown = cell.parse(text.trim());
  return value === undefined ? undefined : withValueAt(of, path, value);
}
