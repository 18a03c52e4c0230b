/** What troubles of the browser's store mean: in the list, and over a job that is not saved. */

/**
 * full: nothing more can be written; blocked: the browser keeps nothing; silent: it does not answer; cleared: what was
 * kept is gone; damaged: something that is kept cannot be made use of; unfinished: a restore was broken off, and could not
 * be carried on yet.
 */
export type StorageTrouble = 'full' | 'blocked' | 'silent' | 'cleared' | 'damaged' | 'unfinished';

interface Trouble {
  readonly title: string;
  readonly list: string;
  /** Over an open job. */
  readonly unsaved: string;
}

export const TROUBLE_WORDS: Readonly<Record<StorageTrouble, Trouble>> = {
  blocked: {
    title: 'This browser keeps nothing.',
    list: 'Its store is blocked or broken. Work goes on in this window; export each job before you close it.',
    unsaved:
      'Its store is blocked. Work goes on in this window; export the job before you close it.',
  },
  silent: {
    title: 'The browser’s store does not answer.',
    list: 'Work goes on in this window. Close other windows of Tenant and reload; export what you begin here.',
    unsaved:
      'Work goes on in this window. Close other windows of Tenant, then try again, or export.',
  },
  full: {
    title: 'The browser’s store is full, or the disk is.',
    list: 'Nothing more is written. Back up at once, then make room on the disk, or delete old jobs for good: on a full disk a browser may clear what it keeps.',
    unsaved:
      'Your work is kept in this window. Export it, make room on the disk or in the list of jobs, then try again.',
  },
  damaged: {
    title: 'Something that is kept here cannot be read.',
    list: 'The store itself works: jobs are saved as always. Back up, and reload the page; what cannot be read is left as it is.',
    unsaved: 'It could not be saved as it is. Export it, and undo the last change.',
  },
  unfinished: {
    title: 'A restore was broken off and is not finished yet.',
    list: 'Some jobs are still as they were before it. Reload the page to finish it: nothing is lost.',
    unsaved:
      'A restore is not finished. Reload the page; your work is kept in this window until then.',
  },
  cleared: {
    title: 'The jobs that were kept here are gone.',
    list: 'This browser had jobs, and its store is empty now: its data was cleared, or lost on a full disk. Restore your last backup below.',
    unsaved: 'The browser’s data was cleared. Your work is kept in this window: save it anew.',
  },
};
