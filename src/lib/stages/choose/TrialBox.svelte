<script lang="ts">
  /** What is on trial, with its price, and the way to take it as the plan. */
  import { Button } from 'carbon-components-svelte';
  import { cardName } from '$core/document';
  import { worth } from '$core/rules';
  import Total from '$lib/ui/Total.svelte';
  import VerdictMark from '$lib/ui/VerdictMark.svelte';
  import { selection } from '$lib/state/selection.svelte';
  import { findingWords } from '$words/findings';
  import { inMoney } from '$words/figures';
  import type { JobModel } from '../jobModel.svelte';
  import { accept } from './accept';
  import { trialBox as texts } from '$words/stages/choose';

  let { model }: { model: JobModel } = $props();

  const cents = $derived(model.trialCents);
  const blocked = $derived(model.trialVerdicts.some(({ verdict }) => verdict === 'blocked'));
</script>

<section aria-label={texts.onTrial}>
  <div class="head">
    <h2>{texts.onTrial}</h2>
    <Button size="small" kind="ghost" on:click={() => model.takeAllOff()}
      >{texts.clearTheTrialEsc}</Button
    >
    {#if model.job.plan === null}
      <Button size="small" disabled={blocked} on:click={() => accept(model)}
        >{texts.acceptAsTriedA}</Button
      >
    {/if}
  </div>
  <ul>
    {#each model.trialVerdicts as { card, slot, verdict } (slot.id)}
      <li>
        <VerdictMark {verdict} withWord={false} />
        <button
          type="button"
          class="text"
          onclick={() => {
            selection.cardId = card.id;
            selection.slotId = slot.id;
          }}>{cardName(card)}</button
        >
        {texts.in(slot.label)}
        <span class="number">{inMoney(card.priceCents)}</span>
        <button type="button" class="text" onclick={() => model.takeOff(slot.id)}
          >{texts.takeOff}</button
        >
      </li>
    {/each}
  </ul>
  <p class="quiet">
    <Total {cents} />.
    {#each worth(cents, model.job) as finding, n (n)}{findingWords(finding)}
    {/each}
    {#if blocked}{texts.whatCannotGoIsNot}{/if}
  </p>
</section>

<style>
  section {
    border: 1px dashed var(--tenant-plan);
    padding: 0.5rem 0.75rem;
    margin-bottom: 0.75rem;
  }
  .head,
  li {
    display: flex;
    align-items: center;
    gap: 0.5rem;
    font-size: 0.875rem;
  }
  .head h2,
  li .number {
    margin-left: auto;
  }
  .head {
    margin-bottom: 0.5rem;
  }
  .head h2 {
    margin: 0 auto 0 0;
  }
  li + li {
    margin-top: 0.25rem;
  }
  p {
    margin-top: 0.375rem;
  }
</style>
