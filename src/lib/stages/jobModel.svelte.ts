/** What the stages show of the open job: everything here is computed from the document and the catalogue. */
import { isServedBy, unitsNeeded, type Need } from '$core/kinds';
import {
  VERDICTS,
  decidingFacts,
  slotVerdict,
  verdictAsker,
  verdictStore,
  unknownFacts,
  worstVerdict,
  type DecisiveFact,
  type RowAsker,
  type SlotVerdict,
  type Verdict,
} from '$core/rules';
import { assemblyOf, laterCardsOf, newCardsOf, extrasOrdered, isAcceptable } from '$core/assembly';
import { contradictions } from '$core/survey';
import { handled, openBefore, type OpenCounts } from '$core/procedure';
import { known, valueOf } from '$core/parts';
import { machineQuery, type DriverLibrary } from '$core/drivers';
import { metTogether } from '$core/plans';
import { flowOf, type MetByMachine } from '$core/flow';
import { withCards, withDriveLoad, withMoves, withOccupants } from '$core/placement';
import type { Card, Machine, Stage } from '$core/document';
import { untrack } from 'svelte';
import type { CardOnSlot } from '$lib/board/layout';
import type { OpenJob } from '$lib/state/openJob.svelte';
import { procedure } from '$lib/state/procedure';
import { selection } from '$lib/state/selection.svelte';
import { supplies } from '$lib/state/supplies.svelte';
import { whenIdle } from '$lib/ui/idle';
import { inSlices } from '$lib/ui/slices';
import { Planning } from './planning.svelte';
import { rowsOnTrial } from './rowsOnTrial';
import { ran } from '$lib/state/effects';

/** Facts still open are counted once there is nothing else to do, but no later than this. */
const COUNTED_WITHIN_MS = 250;

export class JobModel {
  readonly open: OpenJob;
  readonly planning: Planning;

  /** Facts that would settle verdicts. Counted once the rest is drawn, so that no key waits for both. */
  private counted = $state.raw<readonly DecisiveFact[] | null>(null);

  constructor(open: OpenJob) {
    this.open = open;
    this.planning = new Planning(
      () => this.open.job,
      () => this.library,
    );
    $effect(() => {
      ran('job: what is not known');
      // What it is counted from is seen at once, and counted later.
      const { machine, needs } = this.job;
      const facts = decidingFacts(machine, needs, supplies.cards ?? [], this.library);
      const count = () => inSlices(facts, (counted) => (this.counted = counted));
      if (untrack(() => this.counted) === null) return count();
      let callOff = whenIdle(() => (callOff = count()), COUNTED_WITHIN_MS);
      return () => callOff();
    });
    $effect(() => {
      ran('job: its steps');
      if (this.job.plan !== null) void procedure.load().then(() => (this.hasSteps = true));
    });
    // Devices of the machine may want drivers too.
    $effect(() => {
      ran('job: drivers of its devices');
      const ids = machineQuery(this.job.machine).flatMap(({ id }) => id ?? []);
      if (supplies.library !== null) untrack(() => void supplies.askDrivers(ids));
    });
  }

  job = $derived.by(() => this.open.job);
  isCounted = $derived(this.counted !== null);
  /** Before it is counted what waits for them: in the order of the survey. */
  unknown: readonly DecisiveFact[] = $derived(
    this.counted ??
      unknownFacts(this.job.machine, this.job.needs).map((fact) => ({ ...fact, decides: 0 })),
  );
  /** The machine with what drives of the needs will draw. */
  private loaded: Machine = $derived(withDriveLoad(this.job.machine, this.job.needs));
  /** The plan that the board shows while none is accepted. */
  proposal = $derived.by(() => this.planning.shown);
  private ownPackages = $derived(this.job.packages);
  /** What the library has, and the packages at hand. */
  private library: DriverLibrary = $derived(
    supplies.library === null || this.ownPackages.length === 0
      ? supplies.library
      : [...supplies.library, ...this.ownPackages],
  );
  /** In the survey counts what this job's needs and the catalogue ask for. */
  private hasSteps = $state(false);
  openCounts: OpenCounts = $derived({
    ...((this.hasSteps ? procedure.open(this.job) : null) ?? openBefore(this.job)),
    survey: this.unknown.length,
  });
  disagreements = $derived(contradictions(this.job.machine));
  assembly = $derived(assemblyOf(this.job));
  /** What a hand has put in and taken out by now. */
  handled = $derived(handled(this.job));
  /** The accepted plan's machine, without what is out of it by now, for good or for a while. */
  private asLeft: Machine = $derived({
    ...this.assembly.machine,
    slots: this.assembly.machine.slots.map((slot, n) =>
      this.handled.emptied.has(slot.id) &&
      (slot.occupant === this.job.machine.slots[n]?.occupant ||
        valueOf(slot.occupant)?.disposition === 'remove')
        ? { ...slot, occupant: known(null, 'technician') }
        : slot,
    ),
  });
  fitted: readonly CardOnSlot[] = $derived(newCardsOf(this.assembly));
  /** Cards that are tried in slots, to see what becomes of it: nothing of the job. */
  private tried = $state.raw<readonly { readonly cardId: string; readonly slotId: string }[]>([]);

  chosenCard = $derived(cardOf(selection.cardId));
  /** The card that is laid over the board: the one looked at, or else the chosen one. */
  overlaidCard = $derived(cardOf(selection.glancedId) ?? this.chosenCard);
  chosenSlot = $derived(this.job.machine.slots.find(({ id }) => id === selection.slotId) ?? null);
  onTrial: readonly CardOnSlot[] = $derived(
    this.tried.flatMap(({ cardId, slotId }) => {
      const card = cardOf(cardId);
      const slot = this.job.machine.slots.find(({ id }) => id === slotId);
      return card === null || slot === undefined ? [] : [{ card, slot }];
    }),
  );
  /** The chosen card in the chosen slot, where it is not on trial there already. */
  preview: CardOnSlot | null = $derived(
    this.chosenCard === null ||
      this.chosenSlot === null ||
      this.tried.some(({ slotId }) => slotId === this.chosenSlot?.id)
      ? null
      : { card: this.chosenCard, slot: this.chosenSlot },
  );
  /** What is on trial besides a card. */
  private besides(card: Card): readonly CardOnSlot[] {
    return this.onTrial.filter((each) => each.card.id !== card.id);
  }
  private meeting(card: Card): Machine {
    return withCards(this.loaded, this.besides(card));
  }
  private readonly keptVerdicts = verdictStore();
  /** What becomes of a card in every slot, beside what is on trial elsewhere. */
  rowOf: RowAsker = $derived(
    this.onTrial.length === 0
      ? this.keptVerdicts(this.loaded, this.library)
      : rowsOnTrial(this.loaded, this.library, this.onTrial),
  );
  /** The overlaid card in every slot. */
  overlaid: readonly SlotVerdict[] = $derived(
    this.overlaidCard === null ? [] : this.rowOf(this.overlaidCard),
  );
  /** What is on trial, each card with its verdict beside the others. */
  trialVerdicts = $derived(
    this.onTrial.map(({ card, slot }) => slotVerdict(card, slot, this.meeting(card), this.library)),
  );

  /** Of the cards on trial, and what is bought for the machine itself; before tax. */
  trialCents = $derived.by(() =>
    this.onTrial.reduce((total, { card }) => total + card.priceCents, this.planning.boughtCents),
  );

  /** Puts a card on trial; whatever was tried in that slot comes off. */
  tryIn(cardId: string, slotId: string): void {
    const others = this.tried.filter((each) => each.slotId !== slotId && each.cardId !== cardId);
    this.tried = [...others, { cardId, slotId }];
    selection.cardId = cardId;
    selection.slotId = slotId;
  }

  /** Tries the card where it does best, and asked again where it does next best. */
  tryNext(cardId: string): void {
    const card = cardOf(cardId);
    if (card === null) return;
    // A key never throws out what was tried before: its slot counts as taken.
    const machine = this.meeting(card);
    const asked = verdictAsker(machine, this.library);
    const meets = ({ slot }: SlotVerdict) =>
      this.job.needs.filter(
        (need) => (flowOf(card, slot, need, machine)?.units ?? 0) >= unitsNeeded(need),
      ).length;
    const order = byVerdict(
      machine.slots.map((slot) => asked.whole(card, slot)),
      meets,
    );
    const now = this.tried.find((each) => each.cardId === cardId);
    const at = order.findIndex(({ slot }) => slot.id === now?.slotId);
    const next = order[(at + 1) % order.length];
    if (next !== undefined) this.tryIn(cardId, next.slot.id);
  }

  takeOff(slotId: string): void {
    this.tried = this.tried.filter((each) => each.slotId !== slotId);
    if (selection.slotId === slotId) selection.slotId = null;
  }

  /** Also what is only looked at in a slot. */
  takeAllOff(): void {
    this.tried = [];
    selection.slotId = null;
  }

  /** Cards to draw: the accepted plan, or in Choose what is proposed. */
  planned(stage: Stage): readonly CardOnSlot[] {
    if (this.job.plan !== null || stage !== 'choose')
      return [
        ...this.fitted.map((each) => ({ ...each, isIn: this.handled.filled.has(each.slot.id) })),
        ...laterCardsOf(this.assembly).map((each) => ({ ...each, isLater: true })),
      ];
    if (this.onTrial.length > 0 || this.proposal === null) return [];
    const { placements, later } = this.proposal;
    return placements.map((each) => ({ ...each, isLater: later.includes(each.slot.id) }));
  }

  /** All cards that are reckoned with while choosing: accepted, tried, or proposed. */
  considered: readonly CardOnSlot[] = $derived.by(() => {
    const drawn = this.planned('choose').filter(
      ({ card, slot }) =>
        this.preview === null ||
        (slot.id !== this.preview.slot.id && card.id !== this.preview.card.id),
    );
    return [...drawn, ...this.onTrial, ...(this.preview === null ? [] : [this.preview])];
  });

  /** Of these the ones that can go where they are drawn: a blocked trial serves nobody. */
  working: readonly CardOnSlot[] = $derived(
    this.considered.filter(
      ({ card, slot }) =>
        !(this.onTrial.length > 0 || this.preview !== null) ||
        slotVerdict(card, slot, this.meeting(card), this.library).verdict !== 'blocked',
    ),
  );

  /** The same with what is said of each where it is drawn, the others in place. */
  workingVerdicts: readonly SlotVerdict[] = $derived(
    this.working.map(({ card, slot }) => {
      const others = this.working.filter((each) => each.slot.id !== slot.id);
      return slotVerdict(card, slot, withCards(this.drawnMachine('choose'), others), this.library);
    }),
  );

  /** What each need gets from the machine now, and with the cards that are drawn while choosing. */
  needsNow = $derived.by(() => {
    const { needs, machine } = this.job;
    const catalogue = supplies.cards ?? [];
    const fitted = withOccupants(this.drawnMachine('choose'), this.working);
    const nowMet = metTogether(needs, machine, catalogue);
    const thenMet = metTogether(needs, fitted, [
      ...catalogue,
      ...this.working.map(({ card }) => card),
    ]);
    return needs.flatMap((need, n) => {
      const now = nowMet[n];
      const then = now?.state === 'met' ? now : thenMet[n];
      if (now === undefined || then === undefined) return [];
      return { need, now, then, verdict: this.needVerdict(need, now, then) };
    });
  });

  /** A need is never greener than the cards that serve it: what they want first, or do not know, it wants too. */
  private needVerdict(need: Need, now: MetByMachine, then: MetByMachine): Verdict {
    if (then.state !== 'met') return then.state === 'short' ? 'blocked' : 'unknown';
    const serving =
      now.state === 'met'
        ? []
        : this.workingVerdicts.filter(({ card }) => isServedBy(need.kind, card.delivers.kind));
    return worstVerdict([...then.catches, ...serving]);
  }

  /** The machine as it is drawn: with its cards where the accepted plan, or the one looked at, wants them. */
  drawnMachine(stage: Stage): Machine {
    if (this.job.plan !== null) return stage === 'survey' ? this.job.machine : this.asLeft;
    if (stage !== 'choose' || this.onTrial.length > 0 || this.proposal === null)
      return stage === 'choose' ? this.loaded : this.job.machine;
    return withMoves(this.loaded, this.proposal.moves, this.proposal.givenUp);
  }

  /** What is bought beside the cards that are drawn, and for the machine itself. */
  extraCents(stage: Stage): number {
    return this.planning.boughtCents + this.besideCards(stage);
  }

  private besideCards(stage: Stage): number {
    if (this.job.plan !== null) {
      const records = this.job.plan.extras;
      return extrasOrdered(this.job).reduce((total, { kind, fits, count }) => {
        const found = records.find((each) => each.kind === kind && each.fits === fits);
        return total + count * (found?.extra?.priceCents ?? 0);
      }, 0);
    }
    if (stage !== 'choose' || this.onTrial.length > 0) return 0;
    return this.proposal?.cost.parts.extras ?? 0;
  }

  /** Takes what is tried, or else the chosen plan; what was not taken goes into the log. @returns whether it was taken */
  async accept(): Promise<boolean> {
    const tried = this.onTrial.length > 0;
    const plan = this.planning.chosen;
    if (tried && this.trialVerdicts.some(({ verdict }) => verdict === 'blocked')) return false;
    // A plan for the job as it was a moment ago is not accepted: the next one is on its way.
    if (
      !tried &&
      (plan === null || !isAcceptable(plan, this.job.machine) || !this.planning.isCurrent)
    )
      return false;
    const { job } = this;
    const { acceptanceOf, acceptanceOfTrial, refusedWords } = await import('./accepting');
    // Whoever was faster has accepted already, or changed what was accepted.
    if (job !== this.job) return false;
    const taken = tried
      ? acceptanceOfTrial(this.onTrial, job, supplies.library, {
          cards: supplies.cards ?? [],
          extras: supplies.extras,
        })
      : plan && acceptanceOf(plan, job, supplies.library, supplies.extras);
    if (taken === null) return false;
    const refused = tried ? [] : refusedWords(this.planning.plans, plan);
    this.takeAllOff();
    this.open.run({ name: 'acceptPlan', ...taken, refused });
    return true;
  }
}

const cardOf = (id: string | null): Card | null =>
  supplies.cards?.find((card) => card.id === id) ?? null;

/** The mildest verdict first; of equals the one with fewer findings that say something. */
function byVerdict(
  row: readonly SlotVerdict[],
  meets: (at: SlotVerdict) => number,
): readonly SlotVerdict[] {
  const says = ({ findings }: SlotVerdict) =>
    findings.filter(({ verdict }) => verdict !== 'clear').length;
  return row.toSorted(
    (a, b) =>
      VERDICTS.indexOf(a.verdict) - VERDICTS.indexOf(b.verdict) ||
      meets(b) - meets(a) ||
      says(a) - says(b),
  );
}
