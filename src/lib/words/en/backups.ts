/** What a backup holds, how it stands to what is here, and what becomes of it. */
import type { BackupDifference, Taking } from '$core/backup';

export const THING_WORDS: Readonly<Record<BackupDifference['kind'], string>> = {
  jobs: 'Job',
  pictures: 'Photograph',
  cards: 'Card',
  extras: 'Extra',
  templates: 'Template',
  shelf: 'Setting',
  bin: 'In the bin',
};

/** A job of the backup beside the one that is here. */
export const fromBackup = (title: string): string => `${title} (from the backup)`;

export const STANDING_WORDS: Readonly<Record<BackupDifference['standing'], string>> = {
  new: 'new',
  same: 'the same',
  newer: 'newer than here',
  older: 'older than here',
  bothChanged: 'changed in both',
};

export const TAKING_WORDS: Readonly<Record<Taking, string>> = {
  here: 'keep what is here',
  there: 'take the backup’s',
  both: 'keep both',
};
