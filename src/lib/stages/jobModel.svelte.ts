/** What the stages show of the open job: everything here is computed from the document and the catalogue. */
import {
  contradictions,
  decisiveFacts,
  expectations,
  fittedCards,
  openItems,
  packagesFor,
  slotVerdict,
  steps,
  type Proposal,
  type Stage,
} from '$core';
import type { CardOnSlot } from '$lib/board/layout';
import type { OpenJob } from '$lib/state/openJob.svelte';
import { selection } from '$lib/state/selection.svelte';
import { shop } from '$lib/state/shop.svelte';
import { coreWorker } from '$lib/workers/core';

export class JobModel {
  readonly open: OpenJob;
  /** The planner's answer to the job as it stands; null while it is asked for the first time. */
  proposal = $state.raw<Proposal | null>(null);
  proposing = $state(false);
  /** What went wrong while planning, in words; empty otherwise. */
  failed = $state('');
  private asked = 0;

  constructor(open: OpenJob) {
    this.open = open;
    // Started now, so that the first question need not wait for it.
    coreWorker();
  }

  job = $derived.by(() => this.open.job);
  unknown = $derived(
    decisiveFacts(this.job.machine, this.job.needs, shop.cards ?? [], shop.library),
  );
  /** In the survey counts what this job's needs and the catalogue ask for. */
  openCounts = $derived({ ...openItems(this.job), survey: this.unknown.length });
  disagreements = $derived(contradictions(this.job.machine));
  steps = $derived(steps(this.job));
  expectations = $derived(expectations(this.job));
  fitted: readonly CardOnSlot[] = $derived(
    fittedCards(this.job).map(({ placement, slot }) => ({ card: placement.card, slot })),
  );
  chosenCard = $derived(shop.cards?.find(({ id }) => id === selection.cardId) ?? null);
  chosenSlot = $derived(this.job.machine.slots.find(({ id }) => id === selection.slotId) ?? null);
  /** The chosen card in every slot. */
  chosenVerdicts = $derived(
    this.chosenCard === null
      ? []
      : this.job.machine.slots.map((slot) =>
          slotVerdict(this.chosenCard!, slot, this.job.machine, shop.library),
        ),
  );

  /** Cards to draw: the accepted plan, or in Choose what is proposed. */
  planned(stage: Stage): readonly CardOnSlot[] {
    if (this.job.plan !== null || stage !== 'choose') return this.fitted;
    return this.proposal?.placements ?? [];
  }

  /** Asks the planner; an answer to an older question is dropped. */
  async propose(): Promise<void> {
    const { machine, needs, budgetCents } = this.job;
    if (shop.cards === null || needs.length === 0) {
      this.proposal = null;
      return;
    }
    const question = ++this.asked;
    const start = performance.now();
    this.proposing = true;
    this.failed = '';
    try {
      const proposal = await coreWorker().proposePlan({
        machine,
        needs,
        budgetCents,
        cards: shop.cards,
        library: shop.library,
      });
      // For whoever measures the round trip through the worker.
      performance.measure('tenant-plan', { start });
      if (question === this.asked) this.proposal = proposal;
    } catch (error) {
      if (question === this.asked) this.failed = String(error);
    } finally {
      if (question === this.asked) this.proposing = false;
    }
  }

  accept(): void {
    const placements = this.proposal?.placements ?? [];
    if (placements.length === 0) return;
    this.open.run({
      name: 'acceptPlan',
      placements: placements.map(({ card, slot }) => ({ slotId: slot.id, card })),
      packages: packagesFor(
        placements.map(({ card }) => card),
        this.job.machine,
        shop.library ?? [],
      ),
    });
  }
}
