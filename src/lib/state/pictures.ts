/** Photographs of a job, kept beside it in this browser's store under their own ids. */
import type { Job, Pictures } from '$core';
import { pictureShelf } from './storage';

const LONGEST_SIDE_PX = 1280;
const QUALITY = 0.8;

/** A picture small enough to keep, as a data address. @throws where the file is no picture */
export async function shrunk(file: File): Promise<string> {
  const picture = await createImageBitmap(file);
  const scale = Math.min(1, LONGEST_SIDE_PX / Math.max(picture.width, picture.height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.round(picture.width * scale);
  canvas.height = Math.round(picture.height * scale);
  canvas.getContext('2d')?.drawImage(picture, 0, 0, canvas.width, canvas.height);
  picture.close();
  return canvas.toDataURL('image/jpeg', QUALITY);
}

export const keepPicture = (id: string, address: string): Promise<unknown> =>
  pictureShelf.setItem(id, address);

/** Null where the picture is not in this browser. */
export async function readPicture(id: string): Promise<string | null> {
  try {
    const address = await pictureShelf.getItem<unknown>(id);
    // Only what was put there: a picture's own data, never an address elsewhere.
    return typeof address === 'string' && address.startsWith('data:image/') ? address : null;
  } catch {
    return null;
  }
}

/** The pictures of a job that are in this browser. */
export async function picturesOf({ photos }: Job): Promise<Pictures> {
  const found: Record<string, string> = {};
  for (const { id } of photos) {
    const address = await readPicture(id);
    if (address !== null) found[id] = address;
  }
  return found;
}

/** Takes away pictures that no job knows any more: their notes were removed, or their jobs. */
export async function sweepPictures(jobs: readonly Job[]): Promise<void> {
  const known = new Set(jobs.flatMap(({ photos }) => photos.map(({ id }) => id)));
  for (const id of await pictureShelf.keys()) if (!known.has(id)) await pictureShelf.removeItem(id);
}
