/** What other rooms than the core's take of this one. */
export { MONEY_CELL } from './cells.ts';
export {
  CARD_COLUMNS,
  EXTRA_COLUMNS,
  type Column,
  FAN_CELL,
  PLAIN_CARD,
  columnsFor,
  columnsOf,
  plainCard,
  printCell,
  takeCell,
} from './columns.ts';
export {
  type Matching,
  contradictionsIn,
  matchColumns,
  missingColumns,
  readCatalogueTable,
  readRows,
  writeCatalogue,
} from './catalogueFile.ts';
export { learnCard, learnable } from './learnCard.ts';
