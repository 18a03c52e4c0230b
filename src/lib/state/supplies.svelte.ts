/** What the shop draws on: the supplier's catalogue and driver library, and its own cards, extras and templates. */
import * as z from 'zod/mini';
import { Card, DriverPackage, Machine, cardName } from '$core/document';
import { Extra, deviceId } from '$core/parts';
import { templateOf } from '$core/survey';
import {
  writeKeptList,
  type KeptItems,
  type KeptKind,
  type KeptReading,
  type Problem,
} from '$core/read';
import type { DriverLibrary } from '$core/drivers';
import { readList } from './olderFormats';
import { bin, type BinKind } from './bin.svelte';
import { fetched } from './fetched';
import { shelved, toShelf } from './shelf';
import { KEPT_LISTS, changing } from './stores';

const Catalogue = z.object({ cards: z.array(Card), extras: z.array(Extra) });
const NOTHING_KEPT = { items: [], refused: [], newer: null };
/** What one of a list is known by, is called, and is in the bin. */
const LISTS: {
  readonly [Kind in KeptKind]: {
    readonly keyOf: (item: KeptItems[Kind]) => string;
    readonly nameOf: (item: KeptItems[Kind]) => string;
    readonly binKind: Exclude<BinKind, 'job'>;
  };
} = {
  cards: { keyOf: ({ id }) => id, nameOf: cardName, binKind: 'card' },
  extras: {
    keyOf: ({ id }) => id,
    nameOf: ({ maker, model }) => `${maker} ${model}`,
    binKind: 'extra',
  },
  templates: { keyOf: ({ name }) => name, nameOf: ({ name }) => name, binKind: 'template' },
};
const LIST_OF = { card: 'cards', extra: 'extras', template: 'templates' } as const;

class Supplies {
  /** What the supplier sells; null until it was reached once. */
  private supplierCards = $state.raw<readonly Card[] | null>(null);
  private supplierExtras = $state.raw<readonly Extra[]>([]);
  /** The shop's own: cards the supplier does not have, or has otherwise; templates. */
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

  async read(): Promise<void> {
    const [catalogue] = await Promise.all([
      supply('catalogue', '/api/catalogue', Catalogue),
      ...(['cards', 'extras', 'templates'] as const).map((kind) => this.readOwn(kind)),
    ]);
    const sold = catalogue?.cards ?? null;
    const ids = [...new Set([...(sold ?? []), ...this.ownCards].map((card) => deviceId(card.ids)))];
    for (const id of ids) this.asked.add(id);
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

  private readonly asked = new Set<string>();
  /** Asks the library for devices that no card of the catalogue is; what it has of them stays as long as the window. */
  async askDrivers(ids: readonly string[]): Promise<void> {
    const fresh = ids.filter((id) => !this.asked.has(id));
    if (fresh.length === 0) return;
    for (const id of fresh) this.asked.add(id);
    const found = await fetched('/api/drivers', z.array(DriverPackage), { ids: fresh });
    if (found === null) for (const id of fresh) this.asked.delete(id);
    const known = new Set(this.library?.map(({ id }) => id));
    const added = found?.filter(({ id }) => !known.has(id)) ?? [];
    if (this.library !== null && added.length > 0) this.library = [...this.library, ...added];
  }

  private ownIds = $derived(new Set([...this.ownCards, ...this.ownExtras].map(({ id }) => id)));
  /** Whether the shop has a record of its own, be it of something that the supplier sells. */
  isOwn = (id: string): boolean => this.ownIds.has(id);

  /** Whether the supplier sells it, whatever the shop has made of it. */
  isSuppliers = (id: string): boolean => this.supplierIds.has(id);

  /**
   * Changes the shop's own cards, extras or templates: some are put in, by their key in the place of what is there,
   * some go into the bin. False where that cannot be kept; it then lives as long as the window.
   */
  async keep<Kind extends KeptKind>(
    kind: Kind,
    put: readonly KeptItems[Kind][],
    removed: readonly KeptItems[Kind][] = [],
  ): Promise<boolean> {
    const { keyOf, nameOf, binKind } = LISTS[kind];
    const gone = new Set([...put, ...removed].map(keyOf));
    const changed = (items: readonly KeptItems[Kind][]) => [
      ...items.filter((item) => !gone.has(keyOf(item))),
      ...put,
    ];
    try {
      return await this.inList(kind, async (stored) => {
        // A newer version has written the list: nothing is written over that.
        if (stored.newer !== null) {
          this.take(kind, { ...stored, items: changed(this.kept(kind).items) });
          return false;
        }
        const items = changed(stored.items);
        const stay = new Set(items.map(keyOf));
        for (const item of stored.items.filter((each) => !stay.has(keyOf(each))))
          await bin.put(binKind, nameOf(item), item);
        const refused = stored.refused.map(({ item }) => item);
        const place: (typeof KEPT_LISTS)[KeptKind] = KEPT_LISTS[kind];
        await toShelf(place, writeKeptList(items, refused));
        // What is shown as changed is kept: whoever leaves the page then loses nothing.
        this.take(kind, { ...stored, items });
        return true;
      });
    } catch {
      const before = this.kept(kind);
      this.take(kind, { ...before, items: changed(before.items) });
      return false;
    }
  }

  /** Keeps a machine to start other surveys from; one of the same name is replaced. */
  keepTemplate(machine: Machine): Promise<boolean> {
    return this.keep('templates', [templateOf(machine)]);
  }

  private kept = <Kind extends KeptKind>(kind: Kind): KeptReading<KeptItems[Kind]> =>
    this.own[kind] as KeptReading<KeptItems[Kind]>;

  private take<Kind extends KeptKind>(kind: Kind, list: KeptReading<KeptItems[Kind]>): void {
    this.own = { ...this.own, [kind]: list };
  }

  /** The list as it is stored, whatever this window knows of it, and nobody changes it meanwhile. */
  private inList<Kind extends KeptKind, Result>(
    kind: Kind,
    work: (stored: KeptReading<KeptItems[Kind]>) => Promise<Result>,
  ): Promise<Result> {
    return changing(`list-${kind}`, async () =>
      work(await readList(kind, await shelved(KEPT_LISTS[kind]))),
    );
  }

  private async readOwn(kind: KeptKind): Promise<void> {
    try {
      await this.inList(kind, (stored) => Promise.resolve(this.take(kind, stored)));
    } catch {
      // What lives in this window stays.
    }
  }

  /** Puts back what was deleted of the shop's own. False where it cannot be read or kept. */
  async putBack(kind: keyof typeof LIST_OF, record: unknown): Promise<boolean> {
    const list = LIST_OF[kind];
    const [item] = (await readList(list, writeKeptList([record]))).items;
    return item === undefined ? false : this.keep(list, [item]);
  }
}

export const supplies = new Supplies();

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

/** Fetched from the server, or as it was last time; null where it was never reached. */
async function supply<Schema extends z.core.$ZodType>(
  key: 'catalogue' | 'drivers' | 'templates',
  address: string,
  schema: Schema,
  question?: object,
): Promise<z.infer<Schema> | null> {
  const fresh = await fetched(address, schema, question);
  try {
    const kept = await shelved(key);
    if (fresh !== null) {
      // What is there already is not written anew at every start.
      if (JSON.stringify(kept) !== JSON.stringify(fresh)) await toShelf(key, fresh);
      return fresh;
    }
    const parsed = z.safeParse(schema, kept);
    return parsed.success ? parsed.data : null;
  } catch {
    // Without a store there is nothing to keep it in; what was fetched still serves.
    return fresh;
  }
}
