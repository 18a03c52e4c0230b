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
  templateOf,
  type DriverLibrary,
  type Problem,
} from '$core';
import {
  readAll,
  removeJob,
  saveJob,
  shelved,
  toShelf,
  troubleOf,
  type SetAside,
  type StorageTrouble,
} from './storage';
import { now } from './now';
import { keepPicture, sweepPictures } from './pictures';
import { hearWindows, tellWindows } from './windows';

const SEEDED = 'demo-seeded';
const OWN_TEMPLATES = 'own-templates';
const OWN_CARDS = 'own-cards';
const OWN_EXTRAS = 'own-extras';
const Catalogue = z.object({ cards: z.array(Card), extras: z.array(Extra) });

class Shop {
  jobs = $state.raw<readonly Job[]>([]);
  setAside = $state.raw<readonly SetAside[]>([]);
  /** Null until the list has been read. */
  ready = $state(false);
  trouble = $state<StorageTrouble | null>(null);
  /** What the supplier sells; null until it was reached once. */
  private supplierCards = $state.raw<readonly Card[] | null>(null);
  private supplierExtras = $state.raw<readonly Extra[]>([]);
  /** The shop's own: cards the supplier does not have, and others than it says. */
  ownCards = $state.raw<readonly Card[]>([]);
  ownExtras = $state.raw<readonly Extra[]>([]);
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
  /** Machines surveyed here and kept to start from. */
  ownTemplates = $state.raw<readonly Machine[]>([]);
  /** True while the catalogue or the driver library could not be reached and nothing is kept of them. */
  supplierAway = $state(false);
  private opened = false;

  /** Reads the list and what the shop draws on; safe to call again. */
  async open(): Promise<void> {
    const first = !this.opened;
    if (first) {
      this.opened = true;
      hearWindows(({ kind }) => {
        if (kind === 'listChanged' || kind === 'saved') void this.readJobs();
      });
      void this.readSupplies();
      await this.seedDemo();
    }
    await this.readJobs();
    // Once, before anything is opened: a record that was set aside may still need its pictures.
    if (first && this.trouble === null && this.setAside.length === 0)
      await sweepPictures(this.jobs).catch(() => undefined);
  }

  async readJobs(): Promise<void> {
    try {
      const { jobs, setAside } = await readAll();
      this.jobs = jobs.toSorted((a, b) => b.changedAt.localeCompare(a.changedAt));
      this.setAside = setAside;
    } catch (error) {
      this.trouble = troubleOf(error);
    }
    this.ready = true;
  }

  async readSupplies(): Promise<void> {
    const [catalogue, ownCards, ownExtras] = await Promise.all([
      supply('catalogue', '/api/catalogue', Catalogue),
      keptList(OWN_CARDS, Card),
      keptList(OWN_EXTRAS, Extra),
    ]);
    this.ownCards = ownCards;
    this.ownExtras = ownExtras;
    const cards = catalogue?.cards ?? null;
    const ids = [
      ...new Set([...(cards ?? []), ...ownCards].map((card) => deviceId(card.ids))),
    ].join(',');
    const [library, templates] = await Promise.all([
      supply('drivers', `/api/drivers?ids=${ids}`, z.array(DriverPackage)),
      supply('templates', '/api/templates', z.array(Machine)),
    ]);
    this.supplierCards = cards;
    this.supplierExtras = catalogue?.extras ?? [];
    this.library = library;
    this.templates = templates ?? [];
    this.supplierAway = cards === null || library === null;
    this.ownTemplates = await keptList(OWN_TEMPLATES, Machine);
  }

  /** Whether the supplier sells it, whatever the shop has made of it. */
  isSuppliers = (id: string): boolean => this.supplierIds.has(id);

  /** Keeps the shop's own cards. False where they cannot be kept; they then live as long as the window. */
  async keepCards(cards: readonly Card[]): Promise<boolean> {
    this.ownCards = cards;
    return kept(OWN_CARDS, cards);
  }

  /** The same for extras. */
  async keepExtras(extras: readonly Extra[]): Promise<boolean> {
    this.ownExtras = extras;
    return kept(OWN_EXTRAS, extras);
  }

  /** Keeps a machine to start other surveys from; one of the same name is replaced. False where it cannot be kept. */
  async keepTemplate(machine: Machine): Promise<boolean> {
    const others = (await keptList(OWN_TEMPLATES, Machine)).filter(
      ({ name }) => name !== machine.name,
    );
    const templates = [...others, templateOf(machine)];
    if (!(await kept(OWN_TEMPLATES, templates))) return false;
    this.ownTemplates = templates;
    return true;
  }

  /** A new job, stored at once where the store allows it. */
  async create(job: Job = emptyJob(newId(), now())): Promise<Job> {
    try {
      await saveJob(job, null);
      tellWindows({ kind: 'listChanged' });
    } catch (error) {
      this.trouble = troubleOf(error);
    }
    this.jobs = [job, ...this.jobs];
    return job;
  }

  duplicate(job: Job): Promise<Job> {
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

  async remove(job: Job): Promise<void> {
    try {
      await removeJob(job.id);
      tellWindows({ kind: 'listChanged' });
    } catch (error) {
      this.trouble = troubleOf(error);
      return;
    }
    this.jobs = this.jobs.filter(({ id }) => id !== job.id);
  }

  async removeSetAside(key: string): Promise<void> {
    await removeJob(key);
    await this.readJobs();
  }

  /** Takes a job file in; one that is here already comes in as a copy beside it. Problems: nothing changed. */
  async importFile(text: string): Promise<{ job: Job | null; problems: readonly Problem[] }> {
    const { job, pictures, problems } = readJobFile(text);
    if (job === null) return { job, problems };
    try {
      for (const [id, address] of Object.entries(pictures)) await keepPicture(id, address);
    } catch (error) {
      this.trouble = troubleOf(error);
    }
    const taken =
      this.jobs.some(({ id }) => id === job.id) || this.setAside.some(({ key }) => key === job.id);
    return { job: await (taken ? this.duplicate(job) : this.create(job)), problems };
  }

  /** A job of the list, also one that could not be stored. */
  find(id: string): Job | null {
    return this.jobs.find((job) => job.id === id) ?? null;
  }

  private async seedDemo(): Promise<void> {
    try {
      if ((await shelved(SEEDED)) !== null) return;
      const jobs = await fetched('/api/demo', z.array(Job));
      if (jobs === null || jobs.length === 0) return;
      for (const job of jobs) await saveJob(job, null);
      await toShelf(SEEDED, true);
    } catch (error) {
      this.trouble = troubleOf(error);
    }
  }
}

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

/** A kept list; what does not read as one any more is left aside, never half taken. */
async function keptList<Schema extends z.core.$ZodType>(
  key: string,
  schema: Schema,
): Promise<readonly z.infer<Schema>[]> {
  try {
    const parsed = z.safeParse(z.array(schema), await shelved<unknown>(key));
    return parsed.success ? parsed.data : [];
  } catch {
    return [];
  }
}

async function kept(key: string, list: readonly unknown[]): Promise<boolean> {
  try {
    await toShelf(key, list);
    return true;
  } catch {
    return false;
  }
}

const newId = (): string => crypto.randomUUID();

/** Fetched from the server, or as it was last time; null where it was never reached. */
async function supply<Schema extends z.core.$ZodType>(
  key: string,
  address: string,
  schema: Schema,
): Promise<z.infer<Schema> | null> {
  const fresh = await fetched(address, schema);
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

async function fetched<Schema extends z.core.$ZodType>(
  address: string,
  schema: Schema,
): Promise<z.infer<Schema> | null> {
  try {
    const answer = await fetch(address);
    if (!answer.ok) return null;
    const parsed = z.safeParse(schema, await answer.json());
    return parsed.success ? parsed.data : null;
  } catch {
    return null;
  }
}
