<script lang="ts">
  /** The plan that is proposed: what goes where, what is bought with it, what it costs, and how sure that is the best. */
  import { Button } from 'carbon-components-svelte';
  import { cardName } from '$core/document';
  import { isAcceptable } from '$core/assembly';
  import { moneyCents } from '$core/plans';
  import { worstVerdict, worth, type Finding } from '$core/rules';
  import Total from '$lib/ui/Total.svelte';
  import VerdictMark from '$lib/ui/VerdictMark.svelte';
  import { selection } from '$lib/state/selection.svelte';
  import { findingTopic, findingWords, remedyWords } from '$words/findings';
  import { inMoney } from '$words/figures';
  import { needWords } from '$words/needs';
  import { KIND_WORDS } from '$words/kinds/words';
  import { PLAN_WORDS, extraWords } from '$words/plans';
  import { EXTRA_KIND_WORDS } from '$words/things';
  import type { JobModel } from '../jobModel.svelte';
  import { accept } from './accept';
  import Running from './Running.svelte';
  import Fetched from '$lib/ui/Fetched.svelte';
  import { planBox as texts } from '$words/stages/choose';

  let { model }: { model: JobModel } = $props();

  const job = $derived(model.job);
  const planning = $derived(model.planning);
  const proposal = $derived(model.proposal);
  /** Before tax, with what is bought for the machine itself. */
  const money = $derived(
    planning.boughtCents + (proposal === null ? 0 : moneyCents(proposal.cost.parts)),
  );
  let asksWhy = $state(false);
  const title = $derived(
    planning.plans.find(({ plan }) => plan === proposal)?.key ?? ('best' as const),
  );
  const isLater = (slotId: string) => proposal?.later.includes(slotId) === true;
  const label = (slotId: string) =>
    job.machine.slots.find(({ id }) => id === slotId)?.label ?? slotId;
  const occupant = (slotId: string) =>
    job.machine.slots.find(({ id }) => id === slotId)?.occupant?.value?.name ?? texts.theCard;
  const catches = (findings: readonly Finding[]) =>
    findings.filter(({ verdict }) => verdict !== 'clear' && verdict !== 'unknown');
  const unknownTopics = (findings: readonly Finding[]) =>
    [...new Set(findings.filter(({ verdict }) => verdict === 'unknown').map(findingTopic))].join(
      ', ',
    );

  function select(cardId: string, slotId: string) {
    selection.cardId = cardId;
    selection.slotId = slotId;
  }
</script>

{#snippet said(findings: readonly Finding[])}
  {#each catches(findings) as finding, n (n)}
    <p class="quiet">{findingWords(finding)} {remedyWords(finding) ?? ''}</p>
  {/each}
  {#if unknownTopics(findings) !== ''}
    <p class="quiet">{texts.notKnownYetFindOut(unknownTopics(findings))}</p>
  {/if}
{/snippet}

<section class="part" aria-labelledby="plan-heading">
  <div class="head">
    <h2 id="plan-heading">
      {proposal !== null && !isAcceptable(proposal, job.machine)
        ? texts.noPlanServesAnything
        : title === 'best'
          ? texts.bestPlanForAllNeeds
          : PLAN_WORDS[title]}
    </h2>
    {#if proposal && isAcceptable(proposal, job.machine)}
      <Button
        size="small"
        class="main-act"
        disabled={!planning.isCurrent}
        on:click={() => accept(model)}
        >{proposal.cost.mustsUnmet > 0 ? texts.acceptItWithoutThatA : texts.acceptThisPlanA}</Button
      >
    {/if}
  </div>

  {#if planning.progress !== null}
    <Running {planning} />
  {:else if proposal !== null && isAcceptable(proposal, job.machine)}
    <p class="quiet" role="status">
      {#if proposal.proven}
        {texts.provenOnWhatIsKnown(model.unknown.length, title === 'best')}
      {:else if proposal.least.mustsUnmet < proposal.cost.mustsUnmet}
        {texts.notProvenStoppedWhileA}
      {:else}
        {texts.notProvenStoppedAnotherPlan(
          inMoney((proposal.cost.score - proposal.least.score) / 100),
        )}
      {/if}
      {#if proposal.searched > 0}
        {texts.partialPlansExamined(proposal.searched.toLocaleString('en-GB'))}
      {/if}
    </p>
  {/if}

  {#if job.needs.length === 0 && job.pins.length === 0}
    <p>{texts.thereIsNothingToPlan}</p>
  {:else if planning.failed !== ''}
    <p role="alert">{texts.thePlannerStopped(planning.failed)}</p>
  {:else if proposal === null}
    <p class="quiet">
      {planning.isStopped ? texts.stoppedBeforeAFirstPlan : texts.noPlanYet}
    </p>
    {#if planning.isStopped}
      <Button size="small" kind="tertiary" on:click={() => planning.ask()}>{texts.planAgain}</Button
      >
    {/if}
  {:else}
    <ul>
      {#each proposal.givenUp as slotId (slotId)}
        <li>
          <div class="line">
            <span class="out">{texts.out}</span>
            <span>{texts.isRemovedFrom(occupant(slotId), label(slotId))}</span>
          </div>
        </li>
      {/each}
      {#each proposal.moves as { card, slot, fromSlotId, findings } (fromSlotId)}
        <li>
          <div class="line">
            <VerdictMark verdict={worstVerdict(findings)} withWord={false} />
            <span>{texts.movesFromTo(cardName(card), label(fromSlotId), slot.label)}</span>
          </div>
          {@render said(findings)}
        </li>
      {/each}
      {#each proposal.placements as { card, slot, findings } (`${card.id}${slot.id}`)}
        <li>
          <div class="line">
            <VerdictMark verdict={worstVerdict(findings)} withWord={false} />
            <span>
              <button type="button" class="text" onclick={() => select(card.id, slot.id)}
                >{cardName(card)}</button
              >
              {texts.inKeptForLaterToday(slot.label, inMoney(card.priceCents), isLater(slot.id))}
            </span>
            {#if !isLater(slot.id)}<span class="number">{inMoney(card.priceCents)}</span>{/if}
          </div>
          {@render said(findings)}
        </li>
      {/each}
      {#each proposal.extras as extra, n (n)}
        <li class="extra">
          <div class="line">
            <span
              >{extra.count > 1 ? `${extra.count} × ` : ''}{extraWords(extra)}{extra.extra === null
                ? texts.notInTheCatalogue
                : ''}</span
            >
            <span class="number">{inMoney(extra.cents)}</span>
          </div>
        </li>
      {/each}
      {#each job.bought as extra (extra.id)}
        <li class="extra">
          <div class="line">
            <span
              >{texts.forTheMachine(EXTRA_KIND_WORDS[extra.kind], extra.maker, extra.model)}</span
            >
            <button
              type="button"
              class="text"
              onclick={() => model.open.run({ name: 'dropBought', extraId: extra.id })}
              >{texts.itIsThereAlready}</button
            >
            <span class="number">{inMoney(extra.priceCents)}</span>
          </div>
        </li>
      {/each}
      {#if proposal.placements.length + proposal.moves.length + proposal.givenUp.length === 0}
        <li>
          {proposal.unmet.length === 0 ? texts.theMachineMeetsEveryNeed : texts.noCardCanServeAny}
        </li>
      {/if}
    </ul>
    <p class="sum">
      <Total cents={money} />
      {#if proposal.cost.parts.later !== undefined}
        {texts.laterAtTodaysPrices(inMoney(proposal.cost.parts.later))}
      {/if}
      {#if job.budgetCents !== null}
        {texts.budget(inMoney(job.budgetCents))}{#if money > job.budgetCents}: <strong
            >{texts.overTheBudget(inMoney(money - job.budgetCents))}</strong
          >{/if}
      {/if}
    </p>
    {#each catches(proposal.together).filter(({ code }) => code !== 'power.adapter') as finding, n (n)}
      <p class="quiet">{findingWords(finding)}</p>
    {/each}
    {#each worth(money, { ...job, budgetCents: null }) as finding, n (n)}
      <p class="quiet">{findingWords(finding)}</p>
    {/each}
    {#each proposal.unmet as need (need.id)}
      <p class="warn">
        <strong>{need.must ? texts.mustNotMet : texts.wishNotMet}: {KIND_WORDS[need.kind]}</strong>
        – {needWords(need)}
      </p>
    {/each}
    {@const refusals = planning.choice?.refusals ?? []}
    {#if refusals.length > 0}
      <details bind:open={asksWhy}>
        <summary>{texts.whyNotTheOtherCards(refusals.length)}</summary>
        {#if asksWhy}
          <Fetched load={() => import('./Refusals.svelte')}>
            {#snippet shown(Refusals)}<Refusals {refusals} {select} />{/snippet}
          </Fetched>
        {/if}
      </details>
    {/if}
  {/if}
</section>

<style>
  h2 {
    font-size: 1.25rem;
  }
  .head {
    display: flex;
    justify-content: space-between;
    align-items: center;
    gap: 1rem;
    margin-bottom: 0.5rem;
  }
  li {
    padding: 0.3rem 0;
    font-size: 0.875rem;
  }
  .line {
    display: flex;
    align-items: center;
    gap: 0.5rem;
  }
  .line .number {
    margin-left: auto;
  }
  .out {
    font-size: 0.75rem;
    border: 1px dashed var(--cds-text-02);
    padding: 0 0.25rem;
  }
  .extra {
    padding: 0.125rem 0 0.125rem 1.5rem;
    color: var(--cds-text-02);
  }
  li .quiet {
    margin-left: 1.5rem;
  }
  .sum {
    font-size: 0.8125rem;
    margin-top: 0.25rem;
  }
  .warn {
    border-left: 4px solid var(--tenant-limited);
    padding-left: 0.5rem;
    margin: 0.5rem 0;
    font-size: 0.875rem;
  }
</style>
