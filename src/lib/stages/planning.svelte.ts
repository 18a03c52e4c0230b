/** What the planner says of the open job: asked in the worker, and asked again whenever the question changes. */
import { proxy } from 'comlink';
import type {
  Aspect,
  Card,
  Change,
  Choice,
  ChoiceProgress,
  Job,
  PinPrice,
  PlanRequest,
  Proposal,
  Slot,
  WhyNot,
} from '$core';
import { shop } from '$lib/state/shop.svelte';
import { coreWorker } from '$lib/workers/core';
import type { Explanation } from '$lib/workers/planQuestions';

export type PlanKey = 'best' | Aspect;

/** A plan under another fact or need than the survey's, beside the one as it is. */
export interface Supposed {
  readonly change: Change;
  readonly plan: Proposal | null;
}

export class Planning {
  /** The planner's answer to the job as it stands; null while it is asked for the first time. */
  choice = $state.raw<Choice | null>(null);
  progress = $state.raw<ChoiceProgress | null>(null);
  /** What went wrong while planning, in words; empty otherwise. */
  failed = $state('');
  explanation = $state.raw<Explanation | null>(null);
  pinPrices = $state.raw<readonly PinPrice[]>([]);
  reason = $state.raw<(WhyNot & { readonly card: Card; readonly slot: Slot }) | null>(null);
  supposed = $state.raw<Supposed | null>(null);
  /** Which of the plans is chosen, and which is only looked at. */
  chosenKey = $state<PlanKey>('best');
  glancedKey = $state<PlanKey | null>(null);
  private readonly job: () => Job;
  private asked = 0;

  constructor(job: () => Job) {
    this.job = job;
    // Started now, so that the first question need not wait for it.
    coreWorker();
  }

  boughtCents = $derived.by(() =>
    this.job().bought.reduce((total, { priceCents }) => total + priceCents, 0),
  );

  request: PlanRequest | null = $derived.by(() => {
    const { machine, needs, budgetCents, pins, weights } = this.job();
    return shop.cards === null
      ? null
      : {
          machine,
          needs,
          // What is bought for the machine itself leaves so much less for its cards.
          budgetCents: budgetCents === null ? null : Math.max(0, budgetCents - this.boughtCents),
          pins,
          weights,
          cards: shop.cards,
          extras: shop.extras,
          library: shop.library,
        };
  });

  plans: readonly { readonly key: PlanKey; readonly plan: Proposal }[] = $derived(
    this.choice === null
      ? []
      : [
          { key: 'best', plan: this.choice.best },
          ...this.choice.alternatives.map(({ aspect, plan }) => ({ key: aspect, plan })),
        ],
  );
  private planOf(key: PlanKey | null): Proposal | null {
    return this.plans.find((each) => each.key === key)?.plan ?? null;
  }
  /** The chosen plan, or the best where it is no longer among them. */
  chosen: Proposal | null = $derived(
    this.planOf(this.chosenKey) ?? this.choice?.best ?? this.progress?.best ?? null,
  );
  /** What the board shows: the plan looked at, or else the chosen one. */
  shown: Proposal | null = $derived(this.planOf(this.glancedKey) ?? this.chosen);
  isRunning = $derived(this.progress !== null);
  /** No plan meets all musts. */
  isImpossible = $derived((this.choice?.best.cost.mustsUnmet ?? 0) > 0);

  /** Asks for the plans; an answer to an older question is dropped. */
  async ask(): Promise<void> {
    const { request } = this;
    const question = ++this.asked;
    const isOld = () => question !== this.asked;
    this.failed = '';
    this.reason = null;
    this.glancedKey = null;
    if (request === null || request.needs.length + (request.pins?.length ?? 0) === 0) {
      this.choice = null;
      this.progress = null;
      return;
    }
    const start = performance.now();
    this.progress = { aspect: 'best', searched: 0, best: null };
    try {
      const choice = await coreWorker().choose(
        request,
        proxy((progress: ChoiceProgress) => {
          if (!isOld()) this.progress = progress;
        }),
      );
      // For whoever measures the round trip through the worker.
      performance.measure('tenant-plan', { start });
      if (isOld() || choice === null) return;
      this.choice = choice;
      this.progress = null;
      await this.askFurther(request, choice, isOld);
    } catch (error) {
      if (!isOld()) this.failed = String(error);
    } finally {
      if (!isOld()) this.progress = null;
    }
  }

  /** What the pins cost, and where no plan does it all, what clashes. */
  private async askFurther(
    request: PlanRequest,
    { best }: Choice,
    isOld: () => boolean,
  ): Promise<void> {
    this.explanation = null;
    this.pinPrices = [];
    if ((request.pins ?? []).length > 0) {
      const prices = await coreWorker().pricePins(request, best);
      if (!isOld() && prices !== null) this.pinPrices = prices;
    }
    if (best.cost.mustsUnmet > 0) {
      const explanation = await coreWorker().explain(request);
      if (!isOld() && explanation !== null) this.explanation = explanation;
    }
    if (isOld() || this.supposed === null) return;
    // What was supposed of the whole machine was supposed of the machine as it was before.
    if (this.supposed.change.kind === 'machine') this.supposed = null;
    else await this.suppose(this.supposed.change);
  }

  /** Ends the search that runs: the best plan found by then is shown with how much better another could be. */
  async stop(): Promise<void> {
    await coreWorker().stop();
  }

  async whyNot(card: Card, slot: Slot): Promise<void> {
    const { request, choice } = this;
    this.reason = null;
    if (request === null || choice === null) return;
    const reason = await coreWorker().whyNot(request, choice.best, card, slot);
    if (reason !== null) this.reason = { ...reason, card, slot };
  }

  /** The plan if one thing were otherwise; the survey is not touched. */
  async suppose(change: Change): Promise<void> {
    const { request } = this;
    if (request === null) return;
    this.supposed = { change, plan: null };
    const plan = await coreWorker().whatIf(request, change);
    if (plan !== null && this.supposed?.change === change) this.supposed = { change, plan };
  }
}
