/** What the shop draws on: the supplier's catalogue and driver library, and its own cards, extras and templates. */
import * as z from 'zod/mini';
import {
  Card,
  DriverPackage,
  Extra,
  Machine,
  deviceId,
  readKeptList,
  templateOf,
  writeKeptList,
  type DriverLibrary,
  type KeptItems,
  type KeptKind,
  type KeptReading,
  type Problem,
} from '$core';
import { bin, type BinKind } from './bin.svelte';
import { fetched } from './fetched';
import { KEPT_LISTS, shelved, toShelf } from './stores';

const Catalogue = z.object({ cards: z.array(Card), extras: z.array(Extra) });
const NOTHING_KEPT = { items: [], refused: [], newer: null };
const BIN_KINDS = { cards: 'card', extras: 'extra', templates: 'template' } as const;
const LIST_OF = { card: 'cards', extra: 'extras', template: 'templates' } as const;

class Supplies {
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

  async read(): Promise<void> {
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
        await bin.put(BIN_KINDS[kind], nameOf(record), record);
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

  /** Puts back what was deleted of the shop's own. False where it cannot be read or kept. */
  async putBack(kind: Exclude<BinKind, 'job'>, record: unknown): Promise<boolean> {
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
  key: string,
  address: string,
  schema: Schema,
  question?: object,
): Promise<z.infer<Schema> | null> {
  const fresh = await fetched(address, schema, question);
  try {
    const kept = await shelved<unknown>(key);
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
