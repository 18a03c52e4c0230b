/**
 * A backup held against what is kept here, thing by thing: what is new, the same, newer or older, and what both have
 * changed. Nothing takes another's place without being named here first.
 */
import { row } from '../units.ts';
import { cardName, type Card } from '../document/card.ts';
import type { Job, LogEntry } from '../document/job.ts';
import { readKeptList, readStoredJob } from '../read/anyFormat.ts';
import { writeKeptList, type KeptKind } from '../read/keptList.ts';
import type { StoreName, StoredItem } from './backupFile.ts';
import { isBackedUp, type BinEntry } from './shelf.ts';

/** How what the backup holds stands to what is here. */
type Standing = 'new' | 'same' | 'newer' | 'older' | 'bothChanged';

/** What becomes of a thing: it stays as it is here, the backup's takes its place, or both are kept. */
export type Taking = 'here' | 'there' | 'both';

export interface BackupDifference {
  readonly id: string;
  readonly kind: StoreName | KeptKind;
  readonly name: string;
  readonly standing: Standing;
  /** What is done unless the technician says otherwise. */
  readonly taking: Taking;
  readonly choices: readonly Taking[];
}

/** Where each of the shop's own lists is kept. */
export type ListPlaces = Readonly<Record<KeptKind, string>>;

/** One thing that can be kept or replaced by itself: a record, or an item of a kept list. */
interface Thing {
  readonly id: string;
  readonly kind: BackupDifference['kind'];
  readonly key: string;
  readonly name: string;
  readonly value: unknown;
}

export function differences(
  here: readonly StoredItem[],
  there: readonly StoredItem[],
  lists: ListPlaces,
): readonly BackupDifference[] {
  const mine = byId(thingsOf(here, lists));
  return thingsOf(there, lists).map((thing) => {
    const standing = standingOf(mine.get(thing.id), thing);
    const choices = choicesFor(standing, thing);
    const { id, kind, name } = thing;
    return { id, kind, name, standing, taking: choices[0] ?? 'here', choices };
  });
}

/** The first is what is done unless told otherwise: nothing newer or changed here is given up. */
function choicesFor(standing: Standing, { kind }: Thing): readonly Taking[] {
  switch (standing) {
    case 'new':
      return ['there', 'here'];
    case 'same':
      return ['here'];
    case 'newer':
      return kind === 'jobs' ? ['there', 'here', 'both'] : ['there', 'here'];
    case 'older':
      return kind === 'jobs' ? ['here', 'there', 'both'] : ['here', 'there'];
    case 'bothChanged':
      if (kind === 'jobs') return ['both', 'here', 'there'];
      // Two photographs of one id are two photographs.
      return kind === 'pictures' ? ['both'] : ['here', 'there'];
  }
}

function standingOf(mine: Thing | undefined, theirs: Thing): Standing {
  if (mine === undefined) return 'new';
  if (isSame(mine.value, theirs.value)) return 'same';
  if (theirs.kind !== 'jobs') return 'bothChanged';
  const [a, b] = [readStoredJob(mine.value).job, readStoredJob(theirs.value).job];
  if (a === null || b === null) return 'bothChanged';
  return grewFrom(b, a) ? 'newer' : grewFrom(a, b) ? 'older' : 'bothChanged';
}

/** Whether one job came of the other by changes alone: its log goes on from where the other's ends. */
function grewFrom(later: Job, earlier: Job): boolean {
  if (later.revision <= earlier.revision || later.createdAt !== earlier.createdAt) return false;
  const last = earlier.log.at(-1);
  if (last === undefined) return earlier.revision === 0;
  const key = entryKey(last);
  return later.log.some((entry) => entryKey(entry) === key);
}

const entryKey = ({ at, who, command, detail }: LogEntry): string =>
  JSON.stringify([at, who, command, detail]);

/** What has to be written and taken out; everything else stays as it is. */
export interface StoreChange {
  readonly write: readonly StoredItem[];
  readonly remove: readonly Pick<StoredItem, 'store' | 'key'>[];
}

const BIN_KINDS: Readonly<Partial<Record<BackupDifference['kind'], BinEntry['kind']>>> = {
  jobs: 'job',
  cards: 'card',
  extras: 'extra',
  templates: 'template',
};

/** Things here that a whole restore puts something else in the place of, or nothing: they go into the bin. */
export function displaced(
  here: readonly StoredItem[],
  there: readonly StoredItem[],
  lists: ListPlaces,
): readonly {
  readonly id: string;
  readonly name: string;
  readonly kind: BackupDifference['kind'];
}[] {
  return displacedThings(here, there, lists).map(({ id, name, kind }) => ({ id, name, kind }));
}

function displacedThings(
  here: readonly StoredItem[],
  there: readonly StoredItem[],
  lists: ListPlaces,
): readonly Thing[] {
  const theirs = byId(thingsOf(there, lists));
  return thingsOf(here, lists).filter((thing) => {
    if (BIN_KINDS[thing.kind] === undefined) return false;
    const other = theirs.get(thing.id);
    return other === undefined || !isSame(thing.value, other.value);
  });
}

/**
 * What is written so that everything is as the backup has it; what has to give way goes into the bin.
 * @param freshId an id for each thing of the bin @param at ISO instant
 */
export function replaced(
  here: readonly StoredItem[],
  there: readonly StoredItem[],
  lists: ListPlaces,
  freshId: () => string,
  at: string,
): StoreChange {
  const kept = new Set(there.map(({ store, key }) => `${store}/${key}`));
  const binned = displacedThings(here, there, lists).map(({ kind, name, value }): StoredItem => {
    const key = freshId();
    const entry: BinEntry = { key, kind: row(BIN_KINDS, kind), name, deletedAt: at, record: value };
    return { store: 'bin', key, value: entry };
  });
  return {
    write: [...there, ...binned],
    // Photographs stay: what lies in the bin may want them.
    remove: here.filter(
      ({ store, key }) =>
        (store === 'jobs' || store === 'shelf') &&
        isBackedUp({ store, key }) &&
        !kept.has(`${store}/${key}`),
    ),
  };
}

/**
 * What is written so that the backup is merged into what is here.
 * @param takings by the id of each difference; what is not named is done as it proposes
 * @param freshId a new id for each copy
 * @param nameCopy what a job is called that comes in beside the one that is here
 */
export function merged(
  here: readonly StoredItem[],
  there: readonly StoredItem[],
  lists: ListPlaces,
  takings: ReadonlyMap<string, Taking>,
  freshId: () => string,
  nameCopy: (title: string) => string,
): StoreChange {
  const all = differences(here, there, lists);
  const takingOf = new Map(all.map(({ id, taking }) => [id, takings.get(id) ?? taking]));
  const things = byId(thingsOf(there, lists));
  const taken = all.flatMap(({ id }) => {
    const thing = things.get(id);
    const taking = takingOf.get(id) ?? 'here';
    return thing === undefined || taking === 'here' ? [] : [{ thing, taking }];
  });
  // A photograph that both have under one id comes in under another, and the jobs that come in know it by that.
  const renamed = new Map(
    taken
      .filter(({ thing, taking }) => thing.kind === 'pictures' && taking === 'both')
      .map(({ thing }) => [thing.key, freshId()]),
  );
  const write: StoredItem[] = [];
  const listed = new Map<KeptKind, Thing[]>();
  for (const { thing, taking } of taken) {
    const { kind, key, value } = thing;
    if (kind === 'jobs') write.push(jobTaken(thing, taking, renamed, freshId, nameCopy));
    else if (kind === 'pictures') write.push({ store: kind, key: renamed.get(key) ?? key, value });
    else if (kind === 'shelf' || kind === 'bin') write.push({ store: kind, key, value });
    else listed.set(kind, [...(listed.get(kind) ?? []), thing]);
  }
  for (const [kind, items] of listed) write.push(listTaken(kind, items, here, lists));
  return { write, remove: [] };
}

function jobTaken(
  { key, value }: Thing,
  taking: Taking,
  renamed: ReadonlyMap<string, string>,
  freshId: () => string,
  nameCopy: (title: string) => string,
): StoredItem {
  // Most come in as they are: nothing of them has to be read.
  if (taking === 'there' && renamed.size === 0) return { store: 'jobs', key, value };
  const { job } = readStoredJob(value);
  if (job === null) return { store: 'jobs', key: taking === 'both' ? freshId() : key, value };
  const photos = job.photos.some(({ id }) => renamed.has(id))
    ? job.photos.map((photo) => ({ ...photo, id: renamed.get(photo.id) ?? photo.id }))
    : job.photos;
  if (taking === 'there')
    return { store: 'jobs', key, value: photos === job.photos ? value : { ...job, photos } };
  const id = freshId();
  const title = nameCopy(job.title).slice(0, 200);
  return { store: 'jobs', key: id, value: { ...job, id, title, photos } };
}

/** The list as it is here, with the items that come in behind or in the place of those they stand for. */
function listTaken(
  kind: KeptKind,
  items: readonly Thing[],
  here: readonly StoredItem[],
  lists: ListPlaces,
): StoredItem {
  const record = here.find(({ store, key }) => store === 'shelf' && key === lists[kind])?.value;
  const { items: mine, refused } = readKeptList(kind, record ?? null);
  const coming = new Map(items.map(({ key, value }) => [key, value]));
  const replaced = mine.map((item) => coming.get(itemKey(kind, item)) ?? item);
  const there = new Set(mine.map((item) => itemKey(kind, item)));
  const added = items.filter(({ key }) => !there.has(key)).map(({ value }) => value);
  const value = writeKeptList(
    [...replaced, ...added],
    refused.map(({ item }) => item),
  );
  return { store: 'shelf', key: lists[kind], value };
}

const itemKey = (kind: KeptKind, item: unknown): string =>
  kind === 'templates' ? (item as { name: string }).name : (item as { id: string }).id;

function thingsOf(items: readonly StoredItem[], lists: ListPlaces): readonly Thing[] {
  const kindAt = new Map(Object.entries(lists).map(([kind, key]) => [key, kind as KeptKind]));
  return items.flatMap((item): readonly Thing[] => {
    const { store, key, value } = item;
    const kind = store === 'shelf' ? kindAt.get(key) : undefined;
    if (kind === undefined)
      return [{ id: `${store}/${key}`, kind: store, key, name: nameOf(item), value }];
    return readKeptList(kind, value).items.map((each) => ({
      id: `${kind}/${itemKey(kind, each)}`,
      kind,
      key: itemKey(kind, each),
      name: kind === 'templates' ? itemKey(kind, each) : cardName(each as Card),
      value: each,
    }));
  });
}

function nameOf({ key, value }: StoredItem): string {
  const { title, name } = (typeof value === 'object' && value !== null ? value : {}) as {
    readonly title?: unknown;
    readonly name?: unknown;
  };
  return (
    [title, name].find((each): each is string => typeof each === 'string' && each !== '') ?? key
  );
}

const byId = (things: readonly Thing[]): ReadonlyMap<string, Thing> =>
  new Map(things.map((thing) => [thing.id, thing]));

/** The same whatever order their fields stand in. */
function isSame(a: unknown, b: unknown): boolean {
  if (Object.is(a, b)) return true;
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return false;
  if (Array.isArray(a) !== Array.isArray(b)) return false;
  const [ofA, ofB] = [Object.entries(a), new Map(Object.entries(b))];
  return (
    ofA.length === ofB.size &&
    ofA.every(([key, value]) => ofB.has(key) && isSame(value, ofB.get(key)))
  );
}
