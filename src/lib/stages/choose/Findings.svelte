<script lang="ts">
  /** Why here, or why not: the findings in order of weight, each with what would change it. */
  import { goto } from '$app/navigation';
  import { byWeight, factBehind, type Finding, type Verdict } from '$core/rules';
  import { cardName } from '$core/document';
  import { flowOf } from '$core/flow';
  import VerdictMark from '$lib/ui/VerdictMark.svelte';
  import { selection } from '$lib/state/selection.svelte';
  import { FACT_WORDS, adviceWords } from '$words/facts';
  import { findingWords } from '$words/findings';
  import type { JobModel } from '../jobModel.svelte';
  import { findings as texts } from '$words/stages/choose';

  let { model }: { model: JobModel } = $props();

  const QUESTION: Readonly<Record<Verdict, string>> = {
    clear: '',
    limited: texts.withWhatCatch,
    needs: texts.whatDoesItTake,
    unknown: texts.whatIsNotKnown,
    blocked: texts.whyNotHere,
  };

  const card = $derived(model.overlaidCard);
  const slot = $derived(model.chosenSlot);
  const verdict = $derived(model.overlaid.find((each) => each.slot.id === slot?.id) ?? null);
  const flows = $derived(
    card === null || slot === null
      ? []
      : model.job.needs.flatMap((need) => flowOf(card, slot, need, model.job.machine) ?? []),
  );
  const findings = $derived(
    byWeight([
      ...(verdict?.findings ?? []),
      ...flows.flatMap(({ finding, catches }) => [finding, ...catches]),
    ]),
  );
  const weighty = $derived(findings.filter((each) => each.verdict !== 'clear'));
  const fine = $derived(findings.filter((each) => each.verdict === 'clear'));

  function mend(finding: Finding) {
    selection.wantedFact = slot === null ? null : factBehind(finding, slot);
    void goto(`/jobs/${model.job.id}/survey`);
  }
</script>

{#snippet line(finding: Finding)}
  {@const remedy = adviceWords(finding)}
  {@const fact = slot === null ? null : factBehind(finding, slot)}
  <li>
    <VerdictMark verdict={finding.verdict} withWord={false} />
    <span>
      {findingWords(finding)}
      {#if remedy}<em>{remedy}</em>{/if}
      {#if fact !== null && finding.verdict !== 'clear'}
        <button type="button" class="text" onclick={() => mend(finding)}
          >{finding.verdict === 'unknown' ? texts.tell : texts.correct}: {FACT_WORDS[fact.code]
            .name}</button
        >
      {/if}
    </span>
  </li>
{/snippet}

<section aria-live="polite" aria-label={texts.findings}>
  {#if card === null}
    <p class="quiet">{texts.selectACardToSee}</p>
  {:else if slot === null || verdict === null}
    <p class="quiet">
      {texts.isLaidOverTheBoard(cardName(card))}
    </p>
  {:else}
    <h2>
      {texts.in(QUESTION[verdict.verdict], cardName(card), slot.label)}
      <VerdictMark verdict={verdict.verdict} />
    </h2>
    <ul>
      {#each weighty as finding, n (n)}{@render line(finding)}{/each}
      {#each fine as finding, n (n)}{@render line(finding)}{/each}
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
    flex-wrap: wrap;
    gap: 0 0.75rem;
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
