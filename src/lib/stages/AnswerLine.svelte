<script lang="ts">
  /** The stage's answer with its figure, first of all, and beside it the one next act. */
  import { STAGES, type Stage } from '$core/document';
  import VerdictMark from '$lib/ui/VerdictMark.svelte';
  import type { AnswerWords } from '$words/chooseAnswer';
  import { STAGE_WORDS } from '$words/stages';
  import { WAY_ON } from './wayOn';
  import { answerLine as texts } from '$words/stages/all';

  let {
    answer,
    stage,
    isWayOn = true,
  }: {
    answer: AnswerWords;
    stage: Stage;
    /** Whether an act leads the hand here; false where a large button below is the way on. */
    isWayOn?: boolean;
  } = $props();

  const isBack = $derived(
    answer.next !== null && STAGES.indexOf(answer.next) < STAGES.indexOf(stage),
  );
</script>

<div class="answer">
  <p role="status" id={isWayOn && answer.next === null ? WAY_ON : undefined} tabindex="-1">
    {#if answer.verdict !== null}<VerdictMark verdict={answer.verdict} withWord={false} />{/if}
    <span>{answer.words}</span>
  </p>
  {#if answer.next !== null}
    <a id={WAY_ON} class="main-act" href={answer.next}
      >{texts.backTo(isBack, STAGE_WORDS[answer.next])}</a
    >
  {/if}
</div>

<style>
  .answer {
    display: flex;
    align-items: center;
    justify-content: space-between;
    gap: 1rem;
    min-height: 3.5rem;
    margin: -0.5rem 0 0.75rem;
    border-bottom: 1px solid var(--cds-ui-04);
  }
  p {
    display: flex;
    align-items: center;
    gap: 0.625rem;
    font-size: 1.25rem;
    line-height: 1.3;
    font-weight: 600;
    font-variant-numeric: tabular-nums;
  }
  @media print {
    a {
      display: none;
    }
  }
  a {
    white-space: nowrap;
    font-size: 0.875rem;
  }
</style>
