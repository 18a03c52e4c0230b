<script lang="ts">
  import { Button, InlineLoading } from 'carbon-components-svelte';
  import { cardName, worstVerdict, worth, type Finding } from '$core';
  import Total from '$lib/shop/Total.svelte';
  import VerdictMark from '$lib/board/VerdictMark.svelte';
  import { selection } from '$lib/state/selection.svelte';
  import { findingTopic, findingWords, remedyWords } from '$lib/wording/findings';
  import { inMoney } from '$lib/wording/figures';
  import { KIND_WORDS, needWords } from '$lib/wording/needs';
  import type { JobModel } from '../jobModel.svelte';
  import Refusals from './Refusals.svelte';

  let { model }: { model: JobModel } = $props();

  const job = $derived(model.job);
  const proposal = $derived(model.proposal);
  const accepted = $derived(job.plan !== null);
  const sameAsAccepted = $derived(
    proposal !== null &&
      job.plan !== null &&
      keys(proposal.placements.map((p) => [p.card.id, p.slot.id])) ===
        keys(job.plan.placements.map((p) => [p.card.id, p.slotId])),
  );
  const catches = (findings: readonly Finding[]) =>
    findings.filter(({ verdict }) => verdict !== 'clear' && verdict !== 'unknown');
  const unknownTopics = (findings: readonly Finding[]) =>
    [...new Set(findings.filter(({ verdict }) => verdict === 'unknown').map(findingTopic))].join(
      ', ',
    );

  function keys(pairs: readonly (readonly [string, string])[]): string {
    return pairs
      .map((pair) => pair.join('@'))
      .toSorted()
      .join();
  }

  function select(cardId: string, slotId: string) {
    selection.cardId = cardId;
    selection.slotId = slotId;
  }
</script>

<section aria-labelledby="plan-heading">
  <div class="head">
    <h2 id="plan-heading">{accepted ? 'The accepted plan' : 'Best plan for all needs together'}</h2>
    {#if accepted}
      <Button size="small" kind="tertiary" on:click={() => model.open.run({ name: 'withdrawPlan' })}
        >Withdraw it</Button
      >
    {:else if proposal && proposal.placements.length > 0}
      <Button size="small" on:click={() => model.accept()}
        >{proposal.cost.mustsUnmet > 0
          ? 'Accept it without that (A)'
          : 'Accept this plan (A)'}</Button
      >
    {/if}
  </div>

  {#if job.needs.length === 0}
    <p>There is nothing to plan for.</p>
  {:else if model.failed !== ''}
    <p role="alert">The planner stopped: {model.failed}</p>
  {:else if proposal === null}
    <InlineLoading description="Planning" />
  {:else}
    {#if accepted && !sameAsAccepted}
      <p class="warn" role="status">
        Since it was accepted, the survey or the needs have changed: another plan is now best.
        Withdraw the accepted one to see it.
      </p>
    {/if}
    {#if accepted}
      <ul>
        {#each model.fitted as { card, slot } (`${card.id}${slot.id}`)}
          <li>
            <button type="button" class="text" onclick={() => select(card.id, slot.id)}
              >{cardName(card)}</button
            >
            in {slot.label}, {inMoney(card.priceCents)}
          </li>
        {/each}
      </ul>
    {:else}
      <ul>
        {#each proposal.placements as { card, slot, findings } (`${card.id}${slot.id}`)}
          <li>
            <div class="line">
              <VerdictMark verdict={worstVerdict(findings)} withWord={false} />
              <span>
                <button type="button" class="text" onclick={() => select(card.id, slot.id)}
                  >{cardName(card)}</button
                >
                in {slot.label}
              </span>
              <span class="number">{inMoney(card.priceCents)}</span>
            </div>
            {#each catches(findings) as finding, n (n)}
              <p class="quiet">{findingWords(finding)} {remedyWords(finding) ?? ''}</p>
            {/each}
            {#if unknownTopics(findings) !== ''}
              <p class="quiet">Not known yet, to be settled first: {unknownTopics(findings)}.</p>
            {/if}
          </li>
        {:else}
          <li>
            {proposal.unmet.length === 0
              ? 'The machine meets every need as it stands: nothing is bought.'
              : 'No card can serve any of the needs in this machine. The reasons are below.'}
          </li>
        {/each}
      </ul>
      <p class="sum">
        <Total cents={proposal.cost.priceCents} />
        {#if job.budgetCents !== null}
          · budget {inMoney(job.budgetCents)}{#if proposal.cost.overBudgetCents > 0}: <strong
              >{inMoney(proposal.cost.overBudgetCents)} over the budget</strong
            >{/if}
        {/if}
        · proven best of {proposal.searched} partial plans looked at
      </p>
      {#each catches(proposal.together) as finding, n (n)}
        <p class="quiet">{findingWords(finding)}</p>
      {/each}
      {#each worth( proposal.cost.priceCents, { ...job, budgetCents: null } ) as finding (finding.code)}
        <p class="quiet">{findingWords(finding)}</p>
      {/each}
      {#each proposal.unmet as need (need.id)}
        <p class="warn">
          <strong>{need.must ? 'Must not met' : 'Wish not met'}: {KIND_WORDS[need.kind]}</strong> – {needWords(
            need,
          )}
        </p>
      {/each}
    {/if}
    <Refusals refusals={proposal.refusals} {select} />
  {/if}
  {#if model.proposing && proposal !== null}<InlineLoading description="Planning again" />{/if}
</section>

<style>
  section {
    padding-bottom: 0.75rem;
    margin-bottom: 0.75rem;
    border-bottom: 1px solid var(--cds-ui-04);
  }
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
