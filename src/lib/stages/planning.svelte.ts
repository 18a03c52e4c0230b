/** What the planner says of the open job: asked in the worker, and asked again whenever the question changes. */
import { proxy } from 'comlink';
import type { Aspect, Change, Choice, ChoiceProgress, PinPrice, WhyNot } from '$core/planner';
import type { PlanRequest, Proposal } from '$core/plans';
import type { Card, Job, Slot } from '$core/document';
import type { DriverLibrary } from '$core/drivers';
import { supplies } from '$lib/state/supplies.svelte';
import { drawn } from '$lib/ui/idle';
import { askPlanner, startPlanner, stopPlanner } from '$lib/workers/planner';
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
  /** It was stopped before there was any plan. */
  isStopped = $state(false);
  private readonly job: () => Job;
  private readonly library: () => DriverLibrary;
  /** What the answer was given to. */
  private answered = $state.raw<PlanRequest | null>(null);
  /** Ends what is asked once nobody waits for it. */
  private waiting = new AbortController();
  private supposing = new AbortController();

  constructor(job: () => Job, library: () => DriverLibrary) {
    this.library = library;
    this.job = job;
    // Started now, so that the first question need not wait for it.
    startPlanner();
  }

  boughtCents = $derived.by(() =>
    this.job().bought.reduce((total, { priceCents }) => total + priceCents, 0),
  );

  /** What is bought for the machine itself leaves so much less for its cards. */
  private budgetCents = $derived.by(() => {
    const { budgetCents } = this.job();
    return budgetCents === null ? null : Math.max(0, budgetCents - this.boughtCents);
  });
  // Each by itself: a job that was saved, accepted or ticked asks the planner nothing new.
  private machine = $derived.by(() => this.job().machine);
  private needs = $derived.by(() => this.job().needs);
  private pins = $derived.by(() => this.job().pins);
  private weights = $derived.by(() => this.job().weights);
  private packages = $derived.by(() => this.library());

  request: PlanRequest | null = $derived.by(() =>
    supplies.cards === null
      ? null
      : {
          machine: this.machine,
          needs: this.needs,
          budgetCents: this.budgetCents,
          pins: this.pins,
          weights: this.weights,
          cards: supplies.cards,
          extras: supplies.extras,
          library: this.packages,
        },
  );

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
  /** The answer is to the job as it stands, and not to one before it. */
  isCurrent = $derived(this.answered !== null && this.answered === this.request);
  /** No plan meets all musts. */
  isImpossible = $derived((this.choice?.best.cost.mustsUnmet ?? 0) > 0);

  /** Asks for the plans; whatever was asked before and is not answered yet is ended. */
  async ask(): Promise<void> {
    const { request } = this;
    const waiting = this.asksAnew();
    this.failed = '';
    this.isStopped = false;
    this.reason = null;
    this.glancedKey = null;
    if (request === null || request.needs.length + (request.pins?.length ?? 0) === 0) {
      this.choice = null;
      this.answered = null;
      this.progress = null;
      return;
    }
    this.progress = { aspect: 'best', searched: 0, best: null };
    // The screen first: handing the question over takes a good part of a frame.
    await drawn();
    if (waiting.aborted) return;
    const start = performance.now();
    try {
      const hear = proxy((progress: ChoiceProgress) => {
        // It comes another way than the answer does, and may come after it.
        if (!waiting.aborted && this.isRunning) this.progress = progress;
      });
      const choice = await askPlanner(
        request,
        (planner, asked) => planner.choose(asked, hear),
        waiting,
      );
      // For whoever measures the round trip through the worker.
      performance.measure('tenant-plan', { start });
      if (waiting.aborted) return;
      this.take(choice, request);
      if (choice !== null) await this.askFurther(request, choice, waiting);
    } catch (error) {
      if (!waiting.aborted) this.failed = String(error);
    } finally {
      if (!waiting.aborted) this.progress = null;
    }
  }

  /** The answer; or, where the planner was given up, the best plan that it had told of by then. */
  private take(choice: Choice | null, request: PlanRequest): void {
    const soFar = this.progress?.best ?? null;
    this.choice = choice ?? (soFar && { best: soFar, alternatives: [], refusals: [] });
    this.answered = this.choice === null ? null : request;
    this.isStopped = this.choice === null;
    this.progress = null;
  }

  private asksAnew(): AbortSignal {
    this.close();
    this.waiting = new AbortController();
    return this.waiting.signal;
  }

  /** Nobody waits for an answer any more. */
  close(): void {
    this.waiting.abort();
    this.supposing.abort();
    this.progress = null;
  }

  /** What the pins cost, and where no plan does it all, what clashes. */
  private async askFurther(
    request: PlanRequest,
    { best }: Choice,
    waiting: AbortSignal,
  ): Promise<void> {
    this.explanation = null;
    this.pinPrices = [];
    if ((request.pins ?? []).length > 0) {
      const prices = await askPlanner(
        request,
        (planner, asked) => planner.pricePins(asked, best),
        waiting,
      );
      if (prices !== null) this.pinPrices = prices;
    }
    if (best.cost.mustsUnmet > 0) {
      const explanation = await askPlanner(
        request,
        (planner, asked) => planner.explain(asked),
        waiting,
      );
      if (explanation !== null) this.explanation = explanation;
    }
    if (waiting.aborted || this.supposed === null) return;
    // What was supposed of the whole machine was supposed of the machine as it was before.
    if (this.supposed.change.kind === 'machine') this.supposed = null;
    else await this.suppose(this.supposed.change);
  }

  /** Ends the search that runs: the best plan found by then is shown with how much better another could be. */
  stop(): Promise<void> {
    return stopPlanner();
  }

  async whyNot(card: Card, slot: Slot): Promise<void> {
    const { request, choice } = this;
    this.reason = null;
    if (request === null || choice === null) return;
    const reason = await askPlanner(
      request,
      (planner, asked) => planner.whyNot(asked, choice.best, card, slot),
      this.waiting.signal,
    );
    if (reason !== null) this.reason = { ...reason, card, slot };
  }

  /** The plan if one thing were otherwise; the survey is not touched. */
  async suppose(change: Change): Promise<void> {
    const { request } = this;
    if (request === null) return;
    this.supposed = { change, plan: null };
    this.supposing.abort();
    this.supposing = new AbortController();
    const plan = await askPlanner(
      request,
      (planner, asked) => planner.whatIf(asked, change),
      this.supposing.signal,
    );
    if (plan !== null && this.supposed?.change === change) this.supposed = { change, plan };
  }
}
