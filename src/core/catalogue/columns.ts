/**
 * The columns of a table of cards: what each is called in a file, where it lies in a card, and how it is written. Forms and
 * files are made from the same table, and its bounds are those of the schemas.
 */
import type * as z from 'zod/mini';
import { Card, OWN_ENDS } from '../document/card.ts';
import { Fan, M2_SIGNALS } from '../document/machine.ts';
import { CARD_KINDS, DELIVERY_KINDS, type DeliveryKind } from '../kinds/delivery.ts';
import { Extra } from '../parts/extra.ts';
import * as limits from '../parts/limits.ts';
import { typedMeasure } from '../read/typedMeasure.ts';
import { STATEMENT_KINDS, Statement } from '../parts/statement.ts';
import { valueAt, withValueAt } from '../paths.ts';
import { BOX_KINDS, EXTRA_KINDS } from '../standards/extras.ts';
import { BOARD_HEADERS, FRONT_LEADS } from '../standards/headers.ts';
import { OUTPUT_SIGNALS } from '../standards/screens.ts';
import { M2_KEYS } from '../standards/slotRecords.ts';
import { cellOf } from './cellOf.ts';
import {
  MAYBE_TEXT_CELL,
  MONEY_CELL,
  TEXT_CELL,
  choiceCell,
  hexCell,
  joined,
  listCell,
  markedCell,
  optionalCell,
  pairCell,
  separated,
  type CellKind,
} from './cells.ts';

export interface Column {
  /** What it is called in files, for good; what people read is said beside the screens. */
  readonly key: string;
  /** Where the value lies, by property names with dots between. */
  readonly path: string;
  readonly cell: CellKind<never>;
  /** The kinds of delivery it belongs to; undefined: every card has it. */
  readonly kind?: DeliveryKind;
  /** Whether a card cannot be made without it. */
  readonly required: boolean;
}

/** Columns whose values are written in ways of their own. */
const column = (path: string, cell: object): Column => ({
  key: path.replace(/^ids\./, '').replace(/Cents$/, ''),
  path,
  cell: cell as CellKind<never>,
  required: false,
});

const required = (of: Column): Column => ({ ...of, required: true });

const numbers = (schema: z.core.$ZodType, name: string) =>
  cellOf(schema, name) as unknown as CellKind<number>;
const MILLIMETRES = numbers(limits.millimetres, 'mm');
const MODULE_LENGTH = numbers(limits.wholeMillimetres, 'mm');
const COUNT = numbers(limits.counted, 'count');

/** “E+A, 30, pcie”: keys, length, signal. */
export const MODULE_CELL: CellKind<NonNullable<Card['m2']>> = {
  expects: { as: 'module' },
  print: ({ keys, moduleLengthMm, signal }) => `${keys.join('+')}, ${moduleLengthMm}, ${signal}`,
  parse: (text) => {
    const [keys = '', length = '', signal = ''] = text.split(',').map((part) => part.trim());
    const cut = listCell(choiceCell(M2_KEYS)).parse(keys);
    const lives = M2_SIGNALS.find((each) => each === signal.toLowerCase());
    const long = MODULE_LENGTH.parse(length);
    return cut === undefined || cut.length === 0 || lives === undefined || long === undefined
      ? undefined
      : { keys: cut, moduleLengthMm: long, signal: lives };
  },
};

/** “60–130, 20”: from and to along the card, and the air it wants; “60–130, 20, 45” with how far above the board it begins. */
export const FAN_CELL: CellKind<NonNullable<Card['fan']>> = {
  expects: { as: 'fan' },
  print: ({ fromMm, toMm, airMm, aboveMm }) =>
    [`${fromMm}–${toMm}`, airMm, aboveMm ?? []].flat().join(', '),
  parse: (text) => {
    const [along = '', air = '', above, ...more] = text.split(',').map((part) => part.trim());
    const [from = '', to = '', ...further] = along
      .split(along.includes('–') ? '–' : '-')
      .map((part) => part.trim());
    const parsed = Fan.safeParse({
      fromMm: typedMeasure(from, 'mm'),
      toMm: typedMeasure(to, 'mm'),
      airMm: typedMeasure(air, 'mm'),
      ...(above === undefined ? {} : { aboveMm: typedMeasure(above, 'mm') }),
    });
    return parsed.success && more.length === 0 && further.length === 0 ? parsed.data : undefined;
  },
};

/** “listed; machine Cove 2; slot Slot 1; system linux; source the maker's list; date 2026-03-01”: all but the first may be left out. */
const STATEMENT_CELL: CellKind<Statement> = {
  expects: { as: 'statement' },
  print: ({ says, machine, slot, card, system, source, date }) =>
    joined(
      [
        says,
        ...Object.entries({ machine, slot, card, system: system ?? '', source, date: date ?? '' })
          .filter(([, value]) => value.trim() !== '')
          .map(([name, value]) => `${name} ${value}`),
      ],
      ';',
      '; ',
    ),
  parse: (text) => {
    const [says = '', ...parts] = separated(text, ';');
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
  pairCell(['count', COUNT], ' ', ['signal', choiceCell(OUTPUT_SIGNALS)]),
);

const { shape } = Card;

/** Written as its schema says. */
const plain = (name: keyof typeof shape): Column => column(name, cellOf(shape[name], name));

const GENERAL: readonly Column[] = [
  required(column('maker', TEXT_CELL)),
  required(column('model', TEXT_CELL)),
  required({ ...column('delivers.kind', choiceCell(DELIVERY_KINDS)), key: 'kind' }),
  required(column('priceCents', MONEY_CELL)),
  plain('leadDays'),
  plain('bus'),
  plain('lanes'),
  plain('generation'),
  column('m2', optionalCell(MODULE_CELL)),
  plain('keying'),
  plain('needsSplit'),
  plain('moduleCover'),
  plain('lengthMm'),
  plain('heightMm'),
  plain('openings'),
  plain('weightGrams'),
  column('fan', optionalCell(FAN_CELL)),
  plain('brackets'),
  plain('bracketMounted'),
  plain('peakWatts'),
  plain('slotWatts'),
  plain('sockets'),
  plain('supplyWatts'),
  column(
    'frontHeaders',
    listCell(pairCell(['type', choiceCell(FRONT_LEADS)], ' at ', ['atMm', MILLIMETRES])),
  ),
  column(
    'boardLeads',
    listCell(
      markedCell(
        pairCell(['type', choiceCell(BOARD_HEADERS)], ' of ', ['lengthMm', MILLIMETRES]),
        'ownEnd',
        OWN_ENDS,
      ),
    ),
  ),
  plain('plates'),
  column(
    'contents',
    listCell(pairCell(['kind', choiceCell(BOX_KINDS)], ' for ', ['fits', MAYBE_TEXT_CELL])),
  ),
  plain('leadsBeforeSeating'),
  plain('boot'),
  plain('windowMegabytes'),
  plain('year'),
  plain('chip'),
  column('statements', listCell(STATEMENT_CELL)),
  plain('returnDays'),
  plain('manners'),
  plain('quirks'),
  column('ids.vendor', hexCell(4)),
  column('ids.device', hexCell(4)),
  { ...column('ids.class24', hexCell(6)), key: 'class' },
];

/** The only part of a kind that has parts itself. */
const OWN_CELLS: Readonly<Record<string, CellKind<never>>> = {
  'screens.outputs': OUTPUTS_CELL as unknown as CellKind<never>,
};

/** What a kind of card tells, as its schema says it. */
const ofKind = (kind: DeliveryKind): readonly Column[] =>
  Object.entries(CARD_KINDS[kind].schema.shape)
    .filter(([name]) => name !== 'kind')
    .map(([name, of]) => ({
      ...column(
        `delivers.${name}`,
        OWN_CELLS[`${kind}.${name}`] ?? cellOf(of as z.core.$ZodType, name),
      ),
      key: `${kind}.${name}`,
      kind,
    }));

const BY_KIND: readonly Column[] = DELIVERY_KINDS.flatMap(ofKind);

export const CARD_COLUMNS: readonly Column[] = [...GENERAL, ...BY_KIND];

/** The columns of a table of extras. */
export const EXTRA_COLUMNS: readonly Column[] = [
  required(column('maker', TEXT_CELL)),
  required(column('model', TEXT_CELL)),
  required(column('kind', choiceCell(EXTRA_KINDS))),
  required(column('fits', TEXT_CELL)),
  column('limit', cellOf(Extra.shape.limit, 'limit')),
  required(column('priceCents', MONEY_CELL)),
  column('leadDays', cellOf(Extra.shape.leadDays, 'leadDays')),
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
