import type { Said } from './figures';

/** Of `CatalogueView.svelte`. */
export const catalogueView = {
  catalogue: 'Catalogue',
  toTheJobs: 'To the jobs',
  nothingToUndo: 'Nothing to undo',
  undo: (canUndo: Said) => `Undo: ${canUndo}`,
  theBrowsersStoreDoesNot: 'The browser’s store does not take it.',
  yourChangesLastOnlyAs: 'Your changes last only as long as this window: write them out as CSV.',
  theSupplierCannotBeReached: 'The supplier cannot be reached.',
  whatWasKeptFromLast: 'What was kept from last time is shown.',
  whatIsShown: 'What is shown',
  cards: 'Cards',
  extras: 'Extras',
  searchTheCatalogue: 'Search the catalogue',
  namePlugBusIdentity: 'Name, plug, bus, identity … ( / )',
  kind: 'Kind',
  allKinds: 'all kinds',
  newCard: 'New card',
  learnFromAReport: 'Learn from a report',
  importCsv: 'Import CSV',
  exportAsCsv: (cards: number) => `Export ${cards} as CSV`,
  fetchingTheCatalogue: 'Fetching the catalogue',
  card: 'Card',
  delivers: 'Delivers',
  slot: 'Slot',
  noCardMatchesFewerWords: 'No card matches. Fewer words, or another kind.',
  extra: 'Extra',
  for: 'For',
  limit: 'Limit',
  noExtraMatches: 'No extra matches.',
  money: 'Money',
  currency: 'Currency',
  threeCapitalLetters: 'Three capital letters',
  taxOnTop: 'Tax on top, %',
  n0To100: '0 to 100',
  pricesAreKeptBeforeTax: 'Prices are kept before tax; sums are shown with it as well.',
  currencyAndTaxAreSaved: 'Currency and tax are saved.',
  theyCouldNotBeSaved: 'They could not be saved: they hold as long as this window.',
  theCard: 'The card',
  aNewCard: 'A new card',
  theExtra: 'The extra',
  aNewExtra: 'A new extra',
  learn: 'Learn',
  saved: (saved: Said) => `${saved} saved`,
  cardsTakenFromAFile: (fresh: number, name: string | undefined) =>
    `${fresh} cards taken from ${name ?? 'a file'}`,
  takenBack: (name: Said) => `${name} taken back`,
  asTheSupplierSays: 'As the supplier says',
  remove: 'Remove',
  clear: 'Clear what is searched for',
};

/** Of `ImportTable.svelte`. */
export const importTable = {
  importOf: (name: Said) => `Import of ${name}`,
  takeNothing: 'Take nothing',
  takeAll: (good: number) => `Take all ${good}`,
  takeTheOneGoodRow: 'Take the one good row',
  takeTheGoodRows: (good: number) => `Take the ${good} good rows`,
  columnsOfTheFile: 'Columns of the file',
  column: (n: Said) => `Column ${n}`,
  leftOut: 'left out',
  noCardCanBeMade: (missing: Said) =>
    `No card can be made without: ${missing}. Match a column with each.`,
  rowsGoodNotNothingIs: (rows: number, good: number, rows2: number) =>
    `${rows} rows: ${good} good, ${rows2} not. Nothing is taken yet.`,
  line: 'Line',
  card: 'Card',
  whatItIsOrWhat: 'What it is, or what is wrong',
  price: 'Price',
  noName: 'no name',
  takesThePlaceOfThe: ' – takes the place of the one that is here',
};

/** Of `LearnCard.svelte`. */
export const learnCard = {
  learnACard: 'Learn a card',
  learnACardFromA: 'Learn a card from a machine that holds it',
  close: 'Close',
  pasteWhat: 'Paste what',
  or: 'or',
  printsThereIdentityBusLanes:
    'prints there. Identity, bus, lanes and generation come from it; sizes, watts and price have to be measured and told.',
  theReport: 'The report',
  noDeviceInItThat: 'No device in it that could be a card.',
};

/** Of `PartForm.svelte`. */
export const partForm = {
  close: 'Close',
  stillToBeTold: (missing: Said) => `Still to be told: ${missing}.`,
  save: 'Save',
  duplicate: 'Duplicate',
};

/** Of `PartTable.svelte`. */
export const partTable = {
  price: (currency: Said) => `Price, ${currency}`,
  days: 'Days',
  from: 'From',
  here: 'here',
  supplierChangedHere: 'supplier, changed here',
  supplier: 'supplier',
  own: 'own',
};

/** Of `Statements.svelte`. */
export const statements = {
  whatIsSaidOfIt: 'What is said of it',
  itSays: 'It says',
  system: 'System',
  any: 'any',
  aDateSuchAs2026: 'A date such as 2026-03-01.',
  remove: 'Remove',
  statement: (at: Said) => `statement ${at}`,
  addWhatIsSaid: 'Add what is said',
  machine: 'Machine',
  whoSaysSo: 'Who says so',
  slot: 'Slot',
  besideTheCard: 'Beside the card',
  date: 'Date',
};

/** Of `comparison.ts`. */
export const comparison = {
  bracket: (bracket: Said) => `${bracket} bracket`,
  noFan: 'no fan',
  fan: 'fan',
};

/** Of `ownParts.svelte.ts`. */
export const ownParts = {
  done: (what: Said) => `Done: ${what}`,
  undone: (what: Said) => `Undone: ${what}`,
};
