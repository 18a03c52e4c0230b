/** What has to be bought beside the cards, and what it costs. */
import { socketsKey, feedsOfSockets, plugsOf, type Feed } from '../placement/plugs.ts';
import { memo, memoBy } from '../memo.ts';
import { valueOf } from '../parts/fact.ts';
import type { Card } from '../document/card.ts';
import type { Extra, ExtraNeeded } from '../parts/extra.ts';
import type { Machine } from '../document/machine.ts';
import { needKindOf } from '../kinds/need.ts';
import type { Flow } from '../kinds/flow.ts';
import type { Finding } from '../rules/finding.ts';
import { findingRow } from '../rules/findingCodes.ts';
import { housings } from '../placement/housing.ts';
import { plugFinding } from '../rules/power.ts';
import { socketsIn } from '../placement/sockets.ts';
import type { Placed } from '../placement/lanesLeft.ts';
import { PLUG_ADAPTERS, type PlugAdapter } from '../standards/plugs.ts';

export interface PricedExtra extends ExtraNeeded {
  /** The cheapest in the catalogue that fits; null where it holds none. */
  readonly extra: Extra | null;
  /** For all of them, before tax. */
  readonly cents: number;
}

export interface LeftInBox extends BoxItem {
  readonly card: Card;
}

/** What lies in the boxes of these cards and nothing wants. */
export function leftInBoxes(
  cards: readonly (Placed & {
    readonly findings: readonly Finding[];
    readonly flows: readonly Flow[];
  })[],
  machine: Machine,
): readonly LeftInBox[] {
  const itemsOf = (card: Card, isOf: (item: BoxItem) => boolean): readonly LeftInBox[] =>
    card.contents.filter(isOf).map((item) => ({ ...item, card }));
  const own = cards.flatMap(
    ({ card, findings, flows }) =>
      beyond(
        wantedBy(findings, flows),
        itemsOf(card, ({ kind }) => kind !== 'plugAdapter'),
      ).left,
  );
  const adapters = cards.flatMap(({ card }) => itemsOf(card, ({ kind }) => kind === 'plugAdapter'));
  return [...own, ...beyond(neededTogether(cards, machine), adapters).left];
}

/** What an extra is reckoned with that the catalogue does not hold. Common practice, no source. */
const UNLISTED_CENTS = 1_500;

/** For one card, whatever else is in the plan: what lies in its box is not bought. */
export const extrasOf = (
  { contents }: Pick<Card, 'contents'>,
  findings: readonly Finding[],
  flows: readonly Flow[],
): readonly ExtraNeeded[] =>
  // Plug adapters are handed out among all cards, see `extrasTogether`.
  beyond(
    wantedBy(findings, flows),
    contents.filter(({ kind }) => kind !== 'plugAdapter'),
  ).missing;

function wantedBy(findings: readonly Finding[], flows: readonly Flow[]): readonly ExtraNeeded[] {
  const settled = findings.flatMap(({ code, subject }): readonly ExtraNeeded[] => {
    const { buys } = findingRow(code);
    if (buys === undefined) return [];
    return [{ kind: buys.kind, fits: buys.fits === 'subject' ? String(subject) : '', count: 1 }];
  });
  return gathered([...settled, ...modulesFor(flows), ...flows.flatMap(extrasOfFlow)]);
}

/** Needs of the network share the ports of a card, and so what goes into their cages: the most that one of them wants. */
function modulesFor(flows: readonly Flow[]): readonly ExtraNeeded[] {
  const counts = flows.flatMap(({ modules }) =>
    gathered(modules.map((fits) => ({ kind: 'networkModule', fits, count: 1 }))),
  );
  return [...new Set(counts.map(({ fits }) => fits))].map((fits) => ({
    kind: 'networkModule',
    fits,
    count: Math.max(...counts.flatMap((each) => (each.fits === fits ? each.count : []))),
  }));
}

function extrasOfFlow({ need, units, adapters, forDrives }: Flow): readonly ExtraNeeded[] {
  const { bays, frames, plugAdapters } = forDrives;
  return [
    ...adapters.map((fits): ExtraNeeded => ({ kind: 'screenAdapter', fits, count: 1 })),
    ...(bays > 0 ? [{ kind: 'bay' as const, fits: 'drive', count: bays }] : []),
    ...frames.map((fits): ExtraNeeded => ({ kind: 'bay', fits, count: 1 })),
    ...needKindOf(need).extras(need, units),
    ...plugAdapters.map((fits): ExtraNeeded => ({ kind: 'plugAdapter', fits, count: 1 })),
    ...forDrives.cables.map((each): ExtraNeeded => ({ kind: 'driveCable', ...each })),
  ];
}

export type BoxItem = Card['contents'][number];

/** What is still missing when these things are at hand, and which of them nothing wants. */
function beyond<Item extends BoxItem>(
  wanted: readonly ExtraNeeded[],
  atHand: readonly Item[],
): { readonly missing: readonly ExtraNeeded[]; readonly left: readonly Item[] } {
  const left = [...atHand];
  const missing = wanted.map((each) => {
    let { count } = each;
    while (count > 0) {
      const at = left.findIndex(
        ({ kind, fits }) => kind === each.kind && (each.fits === '' || fits === each.fits),
      );
      if (at === -1) break;
      left.splice(at, 1);
      count -= 1;
    }
    return { ...each, count };
  });
  return { missing: missing.filter(({ count }) => count > 0), left };
}

export const plugAdaptersIn = ({ contents }: Pick<Card, 'contents'>): readonly BoxItem[] =>
  contents.filter(({ kind }) => kind === 'plugAdapter');

/** For all new cards together: what goes between plugs and sockets, longer leads, screws. */
export function extrasTogether(
  placed: readonly Placed[],
  machine: Machine,
): readonly ExtraNeeded[] {
  return beyond(
    neededTogether(placed, machine),
    placed.flatMap(({ card }) => plugAdaptersIn(card)),
  ).missing;
}

function neededTogether(placed: readonly Placed[], machine: Machine): readonly ExtraNeeded[] {
  const fed = placed.filter(({ card }) => card.sockets.length > 0);
  const powered = housings(machine).flatMap(({ id, machine: around }) => {
    const sockets = fed
      .filter(({ slot }) => slot.enclosureId === id)
      .flatMap(({ card, slot }) => socketsIn(card, slot, around));
    const { supply } = around;
    if (supply.plugs === null || sockets.length === 0) return [];
    const finding = plugFinding(sockets, supply);
    return [
      ...feedsOfSockets(sockets, plugsOf(supply)).flatMap(({ adapter }): readonly ExtraNeeded[] =>
        adapter === null ? [] : [{ kind: 'plugAdapter', fits: adapter, count: 1 }],
      ),
      ...(finding.code === 'power.leadShort'
        ? [{ kind: 'powerLead' as const, fits: finding.subject, count: 1 }]
        : []),
    ];
  });
  return gathered([...powered, ...screwsFor(placed, machine)]);
}

/** How many adapters new cards want at least, all plugs theirs. More cards never want fewer. */
export const adaptersTogether = (placed: readonly Placed[], machine: Machine): number =>
  housings(machine).reduce((sum, { id, machine: around }) => {
    const inThere = placed.filter(({ slot }) => slot.enclosureId === id);
    return sum + adaptersFor(inThere, around).length;
  }, 0);

/** Answers by supply and sockets: a search asks the same a thousand times. */
const adaptersBySockets = memoBy<string, readonly Feed[]>();

/** Adapters between plugs and sockets of cards in one housing, with what each feeds. */
export function adaptersFor(placed: readonly Placed[], around: Machine): readonly Feed[] {
  const { supply } = around;
  const sockets = placed.flatMap(({ card, slot }) => socketsIn(card, slot, around));
  if (supply.plugs === null || sockets.length === 0) return [];
  return memo(adaptersBySockets(supply), socketsKey(sockets), () =>
    feedsOfSockets(sockets, plugsOf(supply)).filter(({ adapter }) => adapter !== null),
  );
}

/** Cents of the cheapest adapter between plugs that there is. @param boxed adapters that lie in some card's box */
export const cheapestAdapter = (
  extras: readonly Extra[],
  boxed: ReadonlySet<string>,
  among: readonly PlugAdapter[] = PLUG_ADAPTERS,
): number =>
  among.some((adapter) => boxed.has(adapter))
    ? 0
    : Math.min(
        ...priced(
          among.map((fits) => ({ kind: 'plugAdapter', fits, count: 1 })),
          extras,
        ).map(({ cents }) => cents),
      );

/** Adapters that lie in the box of some card: with it in the plan they cost nothing. */
export const boxedAdapters = (cards: readonly Card[]): ReadonlySet<string> =>
  new Set(cards.flatMap((card) => plugAdaptersIn(card).map(({ fits }) => fits)));

/** A pack of screws where the case has none to spare. */
export const screwsFor = (
  placed: readonly Placed[],
  { case: room }: Machine,
): readonly ExtraNeeded[] =>
  valueOf(room.spareScrews) === 0 && placed.some(({ card }) => card.bus !== 'm2')
    ? [{ kind: 'screws', fits: '', count: 1 }]
    : [];

/** Each kind once, with how many of it. */
export function gathered(wanted: readonly ExtraNeeded[]): readonly ExtraNeeded[] {
  const byKey = new Map<string, ExtraNeeded>();
  for (const each of wanted) {
    const key = `${each.kind}:${each.fits}`;
    byKey.set(key, { ...each, count: each.count + (byKey.get(key)?.count ?? 0) });
  }
  return [...byKey.values()];
}

export const priced = (
  wanted: readonly ExtraNeeded[],
  extras: readonly Extra[],
): readonly PricedExtra[] =>
  wanted.map((each) => {
    const extra = cheapestOf(each, extras);
    return { ...each, extra, cents: each.count * (extra?.priceCents ?? UNLISTED_CENTS) };
  });

const cheapestByFit = memoBy<string, Extra | null>();

function cheapestOf({ kind, fits }: ExtraNeeded, extras: readonly Extra[]): Extra | null {
  return memo(cheapestByFit(extras), `${kind} ${fits}`, () => {
    const fitting = extras.filter(
      (extra) => extra.kind === kind && (fits === '' || fits === extra.fits),
    );
    return fitting.toSorted((a, b) => a.priceCents - b.priceCents)[0] ?? null;
  });
}
