/** The bench's list of jobs, and what it can draw on: catalogue, driver library, templates. */
import * as z from 'zod/mini';
import {
  Card,
  DriverPackage,
  Extra,
  Job,
  Machine,
  deviceId,
  emptyJob,
  readJobFile,
  readKeptList,
  readStoredJob,
  repairedJob,
  templateOf,
  writeKeptList,
  type DriverLibrary,
  type JobFileReading,
  type KeptItems,
  type KeptKind,
  type KeptReading,
  type Problem,
  type Repaired,
} from '$core';
import { emptyOldBin, intoBin, outOfBin, readBin, type BinKind, type Binned } from './bin';
import {
  asRow,
  asSetAside,
  checkedRow,
  isJob,
  readJob,
  readRows,
  saveJob,
  takeOut,
  type JobRow,
  type Listed,
  type SetAside,
} from './jobStore';
import { hadJobs, markJobs } from './keeping.svelte';
import { now } from './now';
import { sweepPictures, takePictures } from './pictures';
import { finishRestore } from './restore';
import {
  KEPT_LISTS,
  changing,
  inTime,
  jobRecords,
  shelved,
  toShelf,
  troubleOf,
  type StorageTrouble,
} from './stores';
import { hearWindows, tellWindows } from './windows';

const SEEDED = 'demo-seeded';
const Catalogue = z.object({ cards: z.array(Card), extras: z.array(Extra) });
/** Records that are looked at between two breaths of the screen. */
const CHECKED_AT_ONCE = 10;

class Shop {
  rows = $state.raw<readonly JobRow[]>([]);
  setAside = $state.raw<readonly SetAside[]>([]);
  bin = $state.raw<readonly Binned[]>([]);
  /** Null until the list has been read. */
  ready = $state(false);
  trouble = $state<StorageTrouble | null>(null);
  /** What the supplier sells; null until it was reached once. */
  private supplierCards = $state.raw<readonly Card[] | null>(null);
  private supplierExtras = $state.raw<readonly Extra[]>([]);
  /** The shop's own: cards the supplier does not have, and others than it says; machines to start from. */
  private own = $state.raw<{ readonly [Kind in KeptKind]: KeptReading<KeptItems[Kind]> }>({
    cards: NOTHING_KEPT,
    extras: NOTHING_KEPT,
    templates: NOTHING_KEPT,
  });
  ownCards: readonly Card[] = $derived(this.own.cards.items);
  ownExtras: readonly Extra[] = $derived(this.own.extras.items);
  ownTemplates: readonly Machine[] = $derived(this.own.templates.items);
  /** What of these does not read any more, or was written by a newer version: kept, and said. */
  refused: readonly Problem[] = $derived(
    Object.values(this.own).flatMap(({ refused, newer }) => [
      ...refused.flatMap(({ problems }) => problems),
      ...(newer === null ? [] : [newer]),
    ]),
  );
  cards: readonly Card[] | null = $derived(
    this.supplierCards === null && this.ownCards.length === 0
      ? null
      : overlaid(this.supplierCards ?? [], this.ownCards),
  );
  extras: readonly Extra[] = $derived(overlaid(this.supplierExtras, this.ownExtras));
  private supplierIds = $derived(
    new Set([...(this.supplierCards ?? []), ...this.supplierExtras].map(({ id }) => id)),
  );
  library = $state.raw<DriverLibrary>(null);
  templates = $state.raw<readonly Machine[]>([]);
  /** True while the catalogue or the driver library could not be reached and nothing is kept of them. */
  supplierAway = $state(false);
  /** Jobs that could not be stored: they live as long as the window. */
  private readonly loose = new Map<string, Job>();
  private opened = false;

  /** Reads the list and what the shop draws on; safe to call again. */
  async open(): Promise<void> {
    if (this.opened) return;
    this.opened = true;
    // For whoever measures how long the list takes.
    performance.mark('tenant-open');
    hearWindows((message) => {
      if (message.kind === 'listChanged') void this.readList();
      else if (message.kind === 'saved') void this.readRow(message.jobId);
    });
    let listed: Listed | null = null;
    try {
      const [restored, seeded, early] = await Promise.all([
        finishRestore(),
        shelved(SEEDED),
        readRows(),
      ]);
      const begun = seeded === null && (await this.seedDemo());
      if (!restored && !begun) listed = early;
    } catch (error) {
      this.trouble = await troubleOf(error);
    }
    const list = this.readList(listed);
    // The list first: what the supplier sells takes longer to look through than the list to show.
    setTimeout(() => void this.readSupplies());
    await list;
    await this.tidy().catch(() => undefined);
  }

  /** The rows as they are kept, at once; then each record is looked at, and what does not read is set aside. */
  async readList(listed: Listed | null = null): Promise<void> {
    try {
      const { rows, unread } = listed ?? (await readRows());
      this.put(rows);
      if (rows.length + unread.length > 0) markJobs();
      // Rows of all jobs are wanted before there is a list to show.
      if (rows.length === 0) await this.check(unread);
      this.ready = true;
      this.bin = await readBin();
      await this.check([...unread, ...rows.map(({ id }) => id)]);
    } catch (error) {
      this.trouble ??= await troubleOf(error);
    }
    this.ready = true;
  }

  /** Everything anew, after a backup was taken in. */
  async renew(): Promise<void> {
    this.setAside = [];
    await Promise.all([this.readList(), this.readSupplies()]);
  }

  private async check(keys: readonly string[]): Promise<void> {
    for (let n = 0; n < keys.length; n += CHECKED_AT_ONCE) {
      const some = keys.slice(n, n + CHECKED_AT_ONCE);
      const byId = new Map(this.rows.map((row) => [row.id, row]));
      const found = await Promise.all(
        some.map(async (key) => ({ key, now: await checkedRow(key, byId.get(key) ?? null) })),
      );
      this.take(found);
      await new Promise((resolve) => setTimeout(resolve));
    }
  }

  private async readRow(id: string): Promise<void> {
    try {
      this.take([{ key: id, now: await checkedRow(id, this.row(id)) }]);
    } catch (error) {
      this.trouble ??= await troubleOf(error);
    }
  }

  /** What was found under keys of the store takes the place of what was known of them. */
  private take(
    found: readonly { readonly key: string; readonly now: JobRow | SetAside | null }[],
  ): void {
    const isRow = (each: JobRow | SetAside): each is JobRow => !('record' in each);
    const isAside = (key: string) => this.setAside.some((aside) => aside.key === key);
    const changed = found.filter(
      ({ key, now: fresh }) => fresh !== this.row(key) || (fresh === null && isAside(key)),
    );
    if (changed.length === 0) return;
    const keys = new Set(changed.map(({ key }) => key));
    const fresh = changed.flatMap(({ now: each }) => each ?? []);
    this.put([...this.rows.filter(({ id }) => !keys.has(id)), ...fresh.filter(isRow)]);
    this.setAside = [
      ...this.setAside.filter(({ key }) => !keys.has(key)),
      ...fresh.filter((each): each is SetAside => !isRow(each)),
    ];
  }

  private row(id: string): JobRow | null {
    return this.rows.find((row) => row.id === id) ?? null;
  }

  private put(rows: readonly JobRow[]): void {
    const kept = new Set(rows.map(({ id }) => id));
    const loose = [...this.loose.values()].filter(({ id }) => !kept.has(id)).map(asRow);
    this.rows = [...rows, ...loose].toSorted((a, b) => b.changedAt.localeCompare(a.changedAt));
  }

  /** What has lain in the bin long enough goes for good, and so do pictures that nothing knows any more. */
  private async tidy(): Promise<void> {
    if (this.trouble !== null) return;
    await emptyOldBin(now());
    this.bin = await readBin();
    const photos = new Set(this.rows.flatMap((row) => row.photos));
    // A record that was set aside may still need its pictures.
    if (this.setAside.length === 0) await sweepPictures(photos, this.bin, now());
  }

  async readSupplies(): Promise<void> {
    const [catalogue, cards, extras, ownTemplates] = await Promise.all([
      supply('catalogue', '/api/catalogue', Catalogue),
      this.keptList('cards'),
      this.keptList('extras'),
      this.keptList('templates'),
    ]);
    this.own = { cards, extras, templates: ownTemplates };
    const sold = catalogue?.cards ?? null;
    const ids = [...new Set([...(sold ?? []), ...cards.items].map((card) => deviceId(card.ids)))];
    const [library, templates] = await Promise.all([
      supply('drivers', '/api/drivers', z.array(DriverPackage), { ids }),
      supply('templates', '/api/templates', z.array(Machine)),
    ]);
    this.supplierCards = sold;
    this.supplierExtras = catalogue?.extras ?? [];
    this.library = library;
    this.templates = templates ?? [];
    this.supplierAway = sold === null || library === null;
  }

  /** Whether the supplier sells it, whatever the shop has made of it. */
  isSuppliers = (id: string): boolean => this.supplierIds.has(id);

  /** Keeps the shop's own cards. False where they cannot be kept; they then live as long as the window. */
  keepCards(cards: readonly Card[]): Promise<boolean> {
    return this.keep(
      'cards',
      cards,
      ({ id }) => id,
      ({ maker, model }) => `${maker} ${model}`,
    );
  }

  /** The same for extras. */
  keepExtras(extras: readonly Extra[]): Promise<boolean> {
    return this.keep(
      'extras',
      extras,
      ({ id }) => id,
      ({ maker, model }) => `${maker} ${model}`,
    );
  }

  /** Keeps a machine to start other surveys from; one of the same name is replaced. False where it cannot be kept. */
  async keepTemplate(machine: Machine): Promise<boolean> {
    const others = this.ownTemplates.filter(({ name }) => name !== machine.name);
    return this.keepTemplates([...others, templateOf(machine)]);
  }

  keepTemplates(templates: readonly Machine[]): Promise<boolean> {
    const name = (machine: Machine) => machine.name;
    return this.keep('templates', templates, name, name);
  }

  /** Keeps a list, with what of it no longer reads behind it; what is left out of it goes into the bin. */
  private async keep<Kind extends KeptKind>(
    kind: Kind,
    items: readonly KeptItems[Kind][],
    keyOf: (item: KeptItems[Kind]) => string,
    nameOf: (item: KeptItems[Kind]) => string,
  ): Promise<boolean> {
    const before = this.own[kind] as KeptReading<KeptItems[Kind]>;
    this.own = { ...this.own, [kind]: { ...before, items } };
    // A newer version has written the list: nothing is written over that.
    if (before.newer !== null) return false;
    const stay = new Set(items.map(keyOf));
    try {
      for (const record of before.items.filter((item) => !stay.has(keyOf(item))))
        await this.drop(BIN_KINDS[kind], nameOf(record), record);
      await toShelf(
        KEPT_LISTS[kind],
        writeKeptList(
          items,
          before.refused.map(({ item }) => item),
        ),
      );
      return true;
    } catch {
      return false;
    }
  }

  private async keptList<Kind extends KeptKind>(kind: Kind): Promise<KeptReading<KeptItems[Kind]>> {
    try {
      return readKeptList(kind, await shelved<unknown>(KEPT_LISTS[kind]));
    } catch {
      return NOTHING_KEPT;
    }
  }

  /** A new job, stored at once where the store allows it. */
  async create(job: Job = emptyJob(newId(), now())): Promise<Job> {
    try {
      await saveJob(job, null);
      markJobs();
      tellWindows({ kind: 'listChanged' });
    } catch (error) {
      this.trouble = await troubleOf(error);
      this.loose.set(job.id, job);
    }
    this.put([asRow(job), ...this.rows.filter(({ id }) => id !== job.id)]);
    return job;
  }

  copyOf(job: Job): Promise<Job> {
    const at = now();
    return this.create({
      ...job,
      id: newId(),
      title: `${job.title} (copy)`.slice(0, 200),
      revision: 0,
      createdAt: at,
      changedAt: at,
    });
  }

  async duplicate(id: string): Promise<void> {
    const job = await this.job(id);
    if (job !== null) await this.copyOf(job);
  }

  /** Puts a job, or a record that was set aside, into the bin. Null where that cannot be done. */
  async remove(key: string, name: string): Promise<Binned | null> {
    try {
      const binned = await changing(`job-${key}`, async () => {
        const record = await inTime(jobRecords.getItem<unknown>(key));
        const kept = await this.drop('job', name, record ?? this.loose.get(key));
        await takeOut(key);
        return kept;
      });
      this.loose.delete(key);
      this.take([{ key, now: null }]);
      this.put(this.rows.filter(({ id }) => id !== key));
      tellWindows({ kind: 'listChanged' });
      return binned;
    } catch (error) {
      this.trouble = await troubleOf(error);
      return null;
    }
  }

  private async drop(kind: BinKind, name: string, record: unknown): Promise<Binned> {
    const binned = await intoBin({ kind, name, deletedAt: now(), record });
    this.bin = [binned, ...this.bin];
    return binned;
  }

  /** Puts back what was deleted. A job whose place is taken comes back as a copy. False where it cannot be read. */
  async putBack(binned: Binned): Promise<boolean> {
    const { kind, record, key } = binned;
    const done =
      kind === 'job' ? await this.putBackJob(record) : await this.putBackItem(kind, record);
    if (!done) return false;
    await outOfBin(key);
    this.bin = this.bin.filter((each) => each.key !== key);
    return true;
  }

  private async putBackJob(record: unknown): Promise<boolean> {
    const { job } = readStoredJob(record);
    if (job !== null) {
      await (this.isTaken(job.id) ? this.copyOf(job) : this.create(job));
      return true;
    }
    // It was set aside when it was deleted: there it comes back to.
    const key = String((record as { id?: unknown } | null)?.id ?? newId());
    if (this.isTaken(key)) return false;
    await inTime(jobRecords.setItem(key, record));
    this.take([{ key, now: asSetAside(key, record) }]);
    return true;
  }

  private async putBackItem(kind: Exclude<BinKind, 'job'>, record: unknown): Promise<boolean> {
    const list = LIST_OF[kind];
    const [item] = readKeptList(list, writeKeptList([record])).items;
    if (item === undefined) return false;
    if (kind === 'template') return this.keepTemplate(item as Machine);
    const { id } = item as Card | Extra;
    const without = <Each extends { readonly id: string }>(items: readonly Each[]) =>
      items.filter((each) => each.id !== id);
    return kind === 'card'
      ? this.keepCards([...without(this.ownCards), item as Card])
      : this.keepExtras([...without(this.ownExtras), item as Extra]);
  }

  /** Takes out of the bin for good. */
  async deleteForGood({ key }: Binned): Promise<void> {
    await outOfBin(key);
    this.bin = this.bin.filter((each) => each.key !== key);
  }

  /** What would become of a record that does not validate; nothing is changed by asking. */
  repair = (record: unknown): Repaired<Job> => repairedJob(record, { id: newId(), at: now() });

  /** Takes a repaired job in the place of the record that was set aside; that one goes into the bin as it was. */
  async takeRepaired(key: string, job: Job): Promise<void> {
    await this.remove(key, `${job.title || key} (as it was)`);
    await this.create({ ...job, id: key });
  }

  /** Takes a job file in; one that is here already comes in as a copy beside it. Problems: nothing changed. */
  async importFile(text: string): Promise<JobFileReading> {
    const reading = readJobFile(text);
    return reading.job === null
      ? reading
      : { ...reading, job: await this.importJob(reading.job, reading.pictures) };
  }

  async importJob(job: Job, pictures: JobFileReading['pictures'] = {}): Promise<Job> {
    let taken = job;
    try {
      taken = await takePictures(job, pictures);
    } catch (error) {
      this.trouble = await troubleOf(error);
    }
    return this.isTaken(job.id) ? this.copyOf(taken) : this.create(taken);
  }

  private isTaken(id: string): boolean {
    return this.row(id) !== null || this.setAside.some(({ key }) => key === id);
  }

  /** A job of the list, also one that could not be stored; null where it is none any more. */
  async job(id: string): Promise<Job | null> {
    const stored = await readJob(id).catch(() => null);
    return stored !== null && isJob(stored) ? stored : this.find(id);
  }

  /** A job that could not be stored. */
  find(id: string): Job | null {
    return this.loose.get(id) ?? null;
  }

  /** Jobs come from the server only into a browser that never had any: a lost store is not filled with others. */
  private async seedDemo(): Promise<boolean> {
    if (hadJobs()) {
      if ((await inTime(jobRecords.length())) === 0) this.trouble = 'cleared';
      return false;
    }
    const jobs = await fetched('/api/demo', z.array(Job));
    if (jobs === null || jobs.length === 0) return false;
    for (const job of jobs) await saveJob(job, null);
    await toShelf(SEEDED, true);
    return true;
  }
}

const NOTHING_KEPT = { items: [], refused: [], newer: null };
const BIN_KINDS = { cards: 'card', extras: 'extra', templates: 'template' } as const;
const LIST_OF = { card: 'cards', extra: 'extras', template: 'templates' } as const;

export const shop = new Shop();

/** What the shop has of its own in the place of what the supplier says, and after it what only the shop has. */
function overlaid<Thing extends { readonly id: string }>(
  supplier: readonly Thing[],
  own: readonly Thing[],
): readonly Thing[] {
  if (own.length === 0) return supplier;
  const byId = new Map(own.map((thing) => [thing.id, thing]));
  const known = new Set(supplier.map(({ id }) => id));
  return [
    ...supplier.map((thing) => byId.get(thing.id) ?? thing),
    ...own.filter(({ id }) => !known.has(id)),
  ];
}

const newId = (): string => crypto.randomUUID();

/** Fetched from the server, or as it was last time; null where it was never reached. */
async function supply<Schema extends z.core.$ZodType>(
  key: string,
  address: string,
  schema: Schema,
  question?: object,
): Promise<z.infer<Schema> | null> {
  const fresh = await fetched(address, schema, question);
  try {
    if (fresh !== null) await toShelf(key, fresh);
    if (fresh !== null) return fresh;
    const parsed = z.safeParse(schema, await shelved<unknown>(key));
    return parsed.success ? parsed.data : null;
  } catch {
    // Without a store there is nothing to keep it in; what was fetched still serves.
    return fresh;
  }
}

const JSON_TYPE = { 'content-type': 'application/json' };

/** @param question what is too long for an address */
async function fetched<Schema extends z.core.$ZodType>(
  address: string,
  schema: Schema,
  question?: object,
): Promise<z.infer<Schema> | null> {
  try {
    const asked = question && {
      method: 'POST',
      body: JSON.stringify(question),
      headers: JSON_TYPE,
    };
    const answer = await fetch(address, asked);
    if (!answer.ok) return null;
    const parsed = z.safeParse(schema, await answer.json());
    return parsed.success ? parsed.data : null;
  } catch {
    return null;
  }
}
