/** What other rooms than the core's take of this one. */
export {
  type BackupManifest,
  BackupWriter,
  STORES,
  type StoreName,
  type StoredItem,
  readBackup,
} from './backupFile.ts';
export {
  type BackupDifference,
  type ListPlaces,
  type StoreChange,
  type Taking,
  differences,
  displaced,
  merged,
  replaced,
} from './differences.ts';
export { BinEntry, SHELF, type ShelfKey, type Shelved, isBackedUp, isTakable } from './shelf.ts';
