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
  import { findingTopic, findingWords, remedyWords } from '$lib/wording/findings';
  import { inMoney } from '$lib/wording/figures';
  import { needWords } from '$lib/wording/needs';
  import { KIND_WORDS } from '$lib/wording/kinds/words';
  import { PLAN_WORDS, extraWords } from '$lib/wording/plans';
  import { EXTRA_KIND_WORDS } from '$lib/wording/things';
  import type { JobModel } from '../jobModel.svelte';
  import { accept } from './accept';
  import Running from './Running.svelte';
  import Fetched from '$lib/ui/Fetched.svelte';

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
    job.machine.slots.find(({ id }) => id === slotId)?.occupant?.value?.name ?? 'the card';
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
    <p class="quiet">Not known yet; find out first: {unknownTopics(findings)}.</p>
  {/if}
{/snippet}

<section class="part" aria-labelledby="plan-heading">
  <div class="head">
    <h2 id="plan-heading">
      {proposal !== null && !isAcceptable(proposal, job.machine)
        ? 'No plan serves anything'
        : title === 'best'
          ? 'Best plan for all needs together'
          : PLAN_WORDS[title]}
    </h2>
    {#if proposal && isAcceptable(proposal, job.machine)}
      <Button
        size="small"
        class="main-act"
        disabled={!planning.isCurrent}
        on:click={() => accept(model)}
        >{proposal.cost.mustsUnmet > 0
          ? 'Accept it without that (A)'
          : 'Accept this plan (A)'}</Button
      >
    {/if}
  </div>

  {#if planning.progress !== null}
    <Running {planning} />
  {:else if proposal !== null && isAcceptable(proposal, job.machine)}
    <p class="quiet" role="status">
      {#if proposal.proven}
        Proven{model.unknown.length > 0 ? ' on what is known' : ''}: no plan is better {title ===
        'best'
          ? ''
          : 'in that '}by the weights below.
      {:else if proposal.least.mustsUnmet < proposal.cost.mustsUnmet}
        Not proven: stopped while a plan that leaves fewer musts was still possible.
      {:else}
        Not proven: stopped. Another plan could count {inMoney(
          (proposal.cost.score - proposal.least.score) / 100,
        )} less at most.
      {/if}
      {#if proposal.searched > 0}
        {proposal.searched.toLocaleString('en-GB')} partial plans examined.
      {/if}
    </p>
  {/if}

  {#if job.needs.length === 0 && job.pins.length === 0}
    <p>There is nothing to plan for.</p>
  {:else if planning.failed !== ''}
    <p role="alert">The planner stopped: {planning.failed}</p>
  {:else if proposal === null}
    <p class="quiet">
      {planning.isStopped ? 'Stopped before a first plan was found.' : 'No plan yet.'}
    </p>
    {#if planning.isStopped}
      <Button size="small" kind="tertiary" on:click={() => planning.ask()}>Plan again</Button>
    {/if}
  {:else}
    <ul>
      {#each proposal.givenUp as slotId (slotId)}
        <li>
          <div class="line">
            <span class="out">out</span>
            <span>{occupant(slotId)} is removed from {label(slotId)}</span>
          </div>
        </li>
      {/each}
      {#each proposal.moves as { card, slot, fromSlotId, findings } (fromSlotId)}
        <li>
          <div class="line">
            <VerdictMark verdict={worstVerdict(findings)} withWord={false} />
            <span>{cardName(card)} moves from {label(fromSlotId)} to {slot.label}</span>
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
              in {slot.label}{isLater(slot.id)
                ? `: kept for later, ${inMoney(card.priceCents)} today`
                : ''}
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
                ? ' (not in the catalogue)'
                : ''}</span
            >
            <span class="number">{inMoney(extra.cents)}</span>
          </div>
        </li>
      {/each}
      {#each job.bought as extra (extra.id)}
        <li class="extra">
          <div class="line">
            <span>{EXTRA_KIND_WORDS[extra.kind]} for the machine: {extra.maker} {extra.model}</span>
            <button
              type="button"
              class="text"
              onclick={() => model.open.run({ name: 'dropBought', extraId: extra.id })}
              >It is there already</button
            >
            <span class="number">{inMoney(extra.priceCents)}</span>
          </div>
        </li>
      {/each}
      {#if proposal.placements.length + proposal.moves.length + proposal.givenUp.length === 0}
        <li>
          {proposal.unmet.length === 0
            ? 'The machine meets every need as it stands: no card is bought.'
            : 'No card can serve any of the needs in this machine. The reasons are below.'}
        </li>
      {/if}
    </ul>
    <p class="sum">
      <Total cents={money} />
      {#if proposal.cost.parts.later !== undefined}
        · {inMoney(proposal.cost.parts.later)} later, at today’s prices
      {/if}
      {#if job.budgetCents !== null}
        · budget {inMoney(job.budgetCents)}{#if money > job.budgetCents}: <strong
            >{inMoney(money - job.budgetCents)} over the budget</strong
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
        <strong>{need.must ? 'Must not met' : 'Wish not met'}: {KIND_WORDS[need.kind]}</strong> – {needWords(
          need,
        )}
      </p>
    {/each}
    {@const refusals = planning.choice?.refusals ?? []}
    {#if refusals.length > 0}
      <details bind:open={asksWhy}>
        <summary>Why not the other {refusals.length} cards of these kinds</summary>
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
