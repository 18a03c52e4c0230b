<script lang="ts">
  import { byWeight, cardName, flowOf } from '$core';
  import VerdictMark from '$lib/board/VerdictMark.svelte';
  import { findingWords, remedyWords } from '$lib/wording/findings';
  import type { JobModel } from '../jobModel.svelte';

  let { model }: { model: JobModel } = $props();

  const card = $derived(model.chosenCard);
  const slot = $derived(model.chosenSlot);
  const verdict = $derived(model.chosenVerdicts.find((each) => each.slot.id === slot?.id) ?? null);
  const flows = $derived(
    card === null || slot === null
      ? []
      : model.job.needs.flatMap((need) => flowOf(card, slot, need, model.job.machine) ?? []),
  );
  const findings = $derived(
    byWeight([...(verdict?.findings ?? []), ...flows.map((flow) => flow.finding)]),
  );
</script>

<section aria-live="polite" aria-label="Findings">
  {#if card === null}
    <p class="quiet">
      Select a card to see it laid over every slot of the board, and a mark to read why.
    </p>
  {:else if slot === null || verdict === null}
    <p class="quiet">{cardName(card)} is laid over the board. Select a slot to read why.</p>
  {:else}
    <h2>{cardName(card)} in {slot.label} <VerdictMark verdict={verdict.verdict} /></h2>
    <ul>
      {#each findings as finding, n (n)}
        {@const remedy = remedyWords(finding)}
        <li>
          <VerdictMark verdict={finding.verdict} withWord={false} />
          <span>
            {findingWords(finding)}
            {#if remedy}<em>{remedy}</em>{/if}
          </span>
        </li>
      {/each}
    </ul>
  {/if}
</section>

<style>
  section {
    padding-top: 0.5rem;
    border-top: 1px solid var(--cds-ui-03);
  }
  h2 {
    display: flex;
    gap: 0.75rem;
    align-items: center;
    font-size: 0.875rem;
  }
  li {
    display: flex;
    gap: 0.5rem;
    padding: 0.2rem 0;
    font-size: 0.8125rem;
    line-height: 1.35;
  }
  em {
    color: var(--cds-text-02);
    font-style: normal;
  }
</style>
