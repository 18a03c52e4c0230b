/** The shop's own cards and extras as they are changed, each change undoable while the window is open. */
import { freeNumber, type Card } from '$core/document';
import type { Extra } from '$core/parts';
import { supplies } from '$lib/state/supplies.svelte';
import { ownParts as texts } from '$words/catalogue';

interface Before {
  readonly cards: readonly Card[];
  readonly extras: readonly Extra[];
  readonly what: string;
}

const MOST_UNDO = 50;

class OwnParts {
  private past = $state.raw<readonly Before[]>([]);
  /** What was done last, or undone; empty before anything. */
  said = $state('');
  /** The store refused: the change lives only as long as the window. */
  notKept = $state(false);
  canUndo = $derived(this.past.at(-1)?.what ?? null);

  async putCards(cards: readonly Card[], what: string): Promise<void> {
    this.remember(what);
    this.notKept = !(await supplies.keep('cards', cards));
    this.said = texts.done(what);
  }

  async putExtra(extra: Extra, what: string): Promise<void> {
    this.remember(what);
    this.notKept = !(await supplies.keep('extras', [extra]));
    this.said = texts.done(what);
  }

  /** The shop's own goes; what the supplier says of it comes back. */
  async drop(id: string, what: string): Promise<void> {
    this.remember(what);
    const isIt = (part: Card | Extra) => part.id === id;
    const cards = await supplies.keep('cards', [], supplies.ownCards.filter(isIt));
    const extras = await supplies.keep('extras', [], supplies.ownExtras.filter(isIt));
    this.notKept = !cards || !extras;
    this.said = texts.done(what);
  }

  async undo(): Promise<void> {
    const before = this.past.at(-1);
    if (before === undefined) return;
    this.past = this.past.slice(0, -1);
    const since = ({ id }: Card | Extra) =>
      ![...before.cards, ...before.extras].some((each) => each.id === id);
    const cards = await supplies.keep('cards', before.cards, supplies.ownCards.filter(since));
    const extras = await supplies.keep('extras', before.extras, supplies.ownExtras.filter(since));
    this.notKept = !cards || !extras;
    this.said = texts.undone(before.what);
  }

  private remember(what: string): void {
    const before = { cards: supplies.ownCards, extras: supplies.ownExtras, what };
    this.past = [...this.past, before].slice(-MOST_UNDO);
  }
}

export const ownParts = new OwnParts();

/** An id for a part of this maker and model; the one that such a part has already, where there is one. */
export function idFor(maker: string, model: string): string {
  const parts: readonly (Card | Extra)[] = [...(supplies.cards ?? []), ...supplies.extras];
  const same = parts.find((part) => part.maker === maker && part.model === model);
  if (same !== undefined) return same.id;
  const slug =
    `${maker}-${model}`
      .toLowerCase()
      .replaceAll(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '')
      .slice(0, 56) || 'part';
  const name = (n: number) => (n === 1 ? slug : `${slug}-${n}`);
  return name(freeNumber(parts, name, 1));
}
