/** What other rooms than the core's take of this one. */
export { jobFileName, jobFileSchema, writeJobFile, writeSetAside } from './jobFile.ts';
export { type HandOverSheet, type SheetCard, type SheetFigure, handOverSheet } from './handOver.ts';
export { type ExportChoice, type StayedIn, exportOf, forExport } from './forExport.ts';
export { type ShoppingRow, shoppingList } from './shoppingList.ts';
export { shoppingTable } from './shoppingTable.ts';
