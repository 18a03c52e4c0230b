/** The rest of the work planned anew after something was found, and how it differs from what was planned. */
import { proxy } from 'comlink';
import { apply, type Command } from '$core/commands';
import { cardName, type Job } from '$core/document';
import { restOf, restRequest, steps, withFound, type Found, type Step } from '$core/procedure';
import { shoppingList } from '$core/write';
import { supplies } from '$lib/state/supplies.svelte';
import { askPlanner } from '$lib/workers/planner';
import { FOUND_NAMES } from '$words/found';
import { inMoney } from '$words/figures';
import { stepWords } from '$words/steps';
import { rest as texts } from '$words/stages/fit';

export interface RestPlanned {
  readonly command: Extract<Command, { readonly name: 'foundAtBench' }>;
  /** In a line each. */
  readonly differences: readonly string[];
  /** Must-haves that it leaves. */
  readonly unmet: number;
}

/** Null once nobody waits for it. */
export async function planRest(
  job: Job,
  step: Step,
  found: Found,
  waiting: AbortSignal,
): Promise<RestPlanned | null> {
  const told = withFound(job, step, found, FOUND_NAMES);
  const { library, extras } = supplies;
  const request = restRequest(told, { cards: supplies.cards ?? [], extras, library });
  const choice = await askPlanner(
    request,
    (planner, asked) =>
      planner.choose(
        asked,
        proxy(() => undefined),
      ),
    waiting,
  );
  if (choice === null) return null;
  const { acceptance, acts } = restOf(told, choice.best, library, extras);
  const command = {
    name: 'foundAtBench',
    machine: told.machine,
    plan: acceptance,
    acts,
    bought: told.bought,
    found: found.kind,
  } as const;
  const after = apply(job, command, { at: job.changedAt, who: '' });
  return {
    command,
    differences: differencesOf(job, after),
    unmet: choice.best.unmet.filter(({ must }) => must).length,
  };
}

function differencesOf(before: Job, after: Job): readonly string[] {
  const label = (slotId: string) =>
    after.machine.slots.find(({ id }) => id === slotId)?.label ?? slotId;
  const was = before.plan?.placements ?? [];
  const is = after.plan?.placements ?? [];
  const cards = [
    ...was.flatMap(({ card, slotId }) => {
      const now = is.filter((each) => each.card.id === card.id);
      if (now.some((each) => each.slotId === slotId)) return [];
      const [other] = now;
      return other === undefined
        ? texts.isNotFittedAnyMore(cardName(card))
        : texts.goesToNotTo(cardName(card), label(other.slotId), label(slotId));
    }),
    ...is.flatMap(({ card, slotId }) =>
      was.some((each) => each.card.id === card.id)
        ? []
        : texts.comesInto(cardName(card), label(slotId)),
    ),
  ];
  const left = (job: Job) =>
    steps(job).filter(
      ({ task, isOpen, stage }) => (task !== null || stage === 'prepare') && isOpen,
    );
  const titles = (job: Job) => left(job).map((step) => stepWords(step).title);
  // What is done to a card that goes elsewhere is said with it.
  const gone = was
    .filter(
      ({ card, slotId }) => !is.some((each) => each.card.id === card.id && each.slotId === slotId),
    )
    .map(({ card }) => cardName(card));
  const isTold = (title: string) => !gone.some((name) => title.includes(name));
  const [old, fresh] = [titles(before).filter(isTold), titles(after).filter(isTold)];
  const unpriced = (job: Job) =>
    shoppingList(job, 0).rows.filter(({ cents: each }) => each === null);
  const untold = unpriced(after).length > unpriced(before).length;
  const cents = shoppingList(after, 0).netCents - shoppingList(before, 0).netCents;
  return [
    ...cards,
    ...fresh.filter((title) => !old.includes(title)).map((title) => texts.new(title)),
    ...old.filter((title) => !fresh.includes(title)).map((title) => texts.noMore(title)),
    cents === 0
      ? untold
        ? texts.itCostsMoreNobodyHas
        : texts.itCostsTheSame
      : texts.itCostsMoreBeforeTax(inMoney(Math.abs(cents)), cents),
  ];
}
