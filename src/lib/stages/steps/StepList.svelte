<script lang="ts">
  import type { DoneAct } from '$core/document';
  import type { Step } from '$core/procedure';
  import { atMoment } from '$words/figures';
  import { ROUND_WORDS, stepWords } from '$words/steps';
  import { stepList as texts } from '$words/stages/steps';

  let {
    steps,
    done,
    current,
    pick,
    untick,
    mayUntick = () => true,
  }: {
    steps: readonly Step[];
    done: ReadonlyMap<string, DoneAct>;
    current: string | null;
    pick: (step: Step) => void;
    untick: (step: Step) => void;
    /** False where another round was built on it. */
    mayUntick?: (step: Step) => boolean;
  } = $props();
</script>

<ol aria-label={texts.allStepsOfThisStage}>
  {#each steps as step, n (step.id)}
    {@const at = step.isOpen ? undefined : done.get(step.id)?.at}
    {#if step.round !== (steps[n - 1]?.round ?? 1)}
      <li class="round">{ROUND_WORDS[step.round]}</li>
    {/if}
    <li class:current={step.id === current} class:done={at !== undefined}>
      <span class="order">{n + 1}</span>
      <button
        type="button"
        aria-current={step.id === current ? 'step' : undefined}
        onclick={() => pick(step)}>{stepWords(step).title}</button
      >
      {#if at !== undefined}
        <span class="at">{texts.done(atMoment(at))}</span>
        {#if mayUntick(step)}
          <button type="button" class="back" onclick={() => untick(step)}
            >{texts.takeBack}<span class="only-read"> {stepWords(step).title}</span></button
          >
        {/if}
      {/if}
    </li>
  {/each}
</ol>

<style>
  ol {
    margin-top: 1.25rem;
    border-top: 1px solid var(--cds-ui-04);
  }
  li {
    display: flex;
    align-items: baseline;
    gap: 0.5rem;
    padding: 0.375rem 0.5rem;
    border-bottom: 1px solid var(--cds-ui-03);
    font-size: 0.875rem;
  }
  .round {
    font-weight: 600;
    padding-top: 0.875rem;
  }
  li.current {
    background: var(--tenant-selected);
  }
  .order {
    min-width: 1.25rem;
    color: var(--cds-text-02);
    font-variant-numeric: tabular-nums;
  }
  .done button:first-of-type {
    text-decoration: line-through;
    text-decoration-color: var(--cds-text-02);
  }
  button {
    border: 0;
    padding: 0;
    background: none;
    font: inherit;
    color: inherit;
    text-align: left;
    cursor: pointer;
    flex: 1;
  }
  .back {
    flex: none;
    color: var(--cds-link-01);
    font-size: 0.75rem;
    text-decoration: underline;
  }
  .at {
    font-size: 0.75rem;
    color: var(--cds-text-02);
    white-space: nowrap;
  }
  button:focus-visible {
    outline: 2px solid var(--cds-focus);
  }
</style>
