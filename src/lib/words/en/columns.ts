/** What columns of the catalogue are called: those that every card has, and those of extras. */
import { CARD_COLUMNS, type Column } from '$core/catalogue';
import { cardWordsOf } from './kinds/words';

const WORDS: Readonly<Record<string, string>> = {
  maker: 'Maker',
  model: 'Model',
  kind: 'Kind',
  price: 'Price',
  leadDays: 'Days to deliver',
  bus: 'Bus',
  lanes: 'Lanes',
  generation: 'Generation',
  m2: 'Module',
  keying: 'PCI key',
  needsSplit: 'Needs a split slot',
  moduleCover: 'Heat sink over its modules',
  lengthMm: 'Length, mm',
  heightMm: 'Height, mm',
  openings: 'Openings',
  weightGrams: 'Weight, g',
  fan: 'Fan',
  brackets: 'Brackets',
  bracketMounted: 'Bracket on it',
  peakWatts: 'Peak, W',
  slotWatts: 'From the slot, W',
  sockets: 'Power sockets',
  supplyWatts: 'Supply asked, W',
  frontHeaders: 'Front headers',
  boardLeads: 'Leads to the board',
  plates: 'Further openings by plates',
  contents: 'In the box',
  leadsBeforeSeating: 'Leads before seating',
  boot: 'Option ROM',
  windowMegabytes: 'BAR size, MB',
  year: 'Year',
  chip: 'Chip',
  statements: 'What is said of it',
  returnDays: 'Days to return it',
  manners: 'Described as',
  quirks: 'Known issues',
  vendor: 'Vendor',
  device: 'Device',
  class: 'Class',
  fits: 'For',
  limit: 'Carries or reaches',
};

/** A column as forms, tables and refusals call it. */
export function columnWords({ key, path, kind }: Pick<Column, 'key' | 'path' | 'kind'>): string {
  if (kind === undefined) return WORDS[key] ?? key;
  const own: Readonly<Record<string, string>> = cardWordsOf({ kind }).columns;
  return own[path.replace('delivers.', '')] ?? key;
}

/** The same by its key, as a refusal names it. */
export function keyWords(key: string): string {
  const column = CARD_COLUMNS.find((each) => each.key === key);
  return column === undefined ? key : columnWords(column);
}
