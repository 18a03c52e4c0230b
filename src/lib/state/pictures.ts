/** Photographs of a job, kept beside it in this browser's store under their own ids. */
import { Picture, type Pictures } from '$core/read';
import type { Job } from '$core/document';
import { BIN_DAYS, type Binned } from './bin.svelte';
import { shelved, toShelf } from './shelf';
import { pictureRecords } from './stores';

const LONGEST_SIDE_PX = 1280;
const QUALITY = 0.8;

/** A picture small enough to keep, as a data address. @throws where the file is no picture */
export async function shrunk(file: File): Promise<string> {
  const picture = await createImageBitmap(file);
  const scale = Math.min(1, LONGEST_SIDE_PX / Math.max(picture.width, picture.height));
  const canvas = document.createElement('canvas');
  // A picture of one dot's width keeps that.
  canvas.width = Math.max(1, Math.round(picture.width * scale));
  canvas.height = Math.max(1, Math.round(picture.height * scale));
  canvas.getContext('2d')?.drawImage(picture, 0, 0, canvas.width, canvas.height);
  picture.close();
  const address = canvas.toDataURL('image/jpeg', QUALITY);
  if (!Picture.safeParse(address).success || address.length < 100)
    throw new Error('Nothing came of the picture');
  return address;
}

export const keepPicture = (id: string, address: string): Promise<unknown> =>
  pictureRecords.put(id, address);

/** Null where the picture is not in this browser. */
export async function readPicture(id: string): Promise<string | null> {
  try {
    // Only what was put there: a picture's own data, never an address elsewhere.
    return Picture.safeParse(await pictureRecords.get(id)).data ?? null;
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

/** Keeps pictures that came with a job; where another picture has the id already, the job gets a new one for it. */
export async function takePictures(job: Job, pictures: Pictures): Promise<Job> {
  const renamed = new Map<string, string>();
  for (const [id, address] of Object.entries(pictures)) {
    const there = await readPicture(id);
    if (there === address) continue;
    const free = there === null ? id : crypto.randomUUID();
    await keepPicture(free, address);
    renamed.set(id, free);
  }
  return {
    ...job,
    photos: job.photos.map((photo) => ({ ...photo, id: renamed.get(photo.id) ?? photo.id })),
  };
}

const UNCLAIMED = 'unclaimed-pictures';
const DAY_MS = 24 * 60 * 60_000;

/**
 * Takes away pictures that no job, nor anything in the bin, has known for as long as things stay in the bin: until
 * then undoing may still want them.
 * @param at ISO instant of now
 */
export async function sweepPictures(
  photosOfJobs: ReadonlySet<string>,
  bin: readonly Binned[],
  at: string,
): Promise<void> {
  const since = (await shelved(UNCLAIMED)) ?? {};
  const binned = new Set(bin.flatMap(({ record }) => photosIn(record)));
  const before = new Date(Date.parse(at) - BIN_DAYS * DAY_MS).toISOString();
  const unclaimed: Record<string, string> = {};
  for (const id of await pictureRecords.keys()) {
    if (photosOfJobs.has(id) || binned.has(id)) continue;
    const first = since[id] ?? at;
    if (first < before) await pictureRecords.remove(id);
    else unclaimed[id] = first;
  }
  if (JSON.stringify(unclaimed) !== JSON.stringify(since)) await toShelf(UNCLAIMED, unclaimed);
}

/** Ids of the photographs in a record, whatever state it is in. */
function photosIn(record: unknown): readonly string[] {
  const photos = (record as { photos?: unknown } | null)?.photos;
  return Array.isArray(photos)
    ? photos.flatMap((photo: { id?: unknown } | null) =>
        typeof photo?.id === 'string' ? [photo.id] : [],
      )
    : [];
}
