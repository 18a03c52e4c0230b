<script lang="ts">
  /** A task does not go: what was found, and the rest planned anew; or it is gone on with a reason. */
  import { onMount } from 'svelte';
  import { findable, type Found, type FoundKind, type Step } from '$core';
  import { FOUND_WORDS } from '$lib/wording/bench';
  import { takesFocus } from '$lib/ui/keys';
  import type { JobModel } from '../jobModel.svelte';
  import { planRest, type RestPlanned } from './rest';

  let { model, step, close }: { model: JobModel; step: Step; close: () => void } = $props();

  const kinds = $derived(findable(step, model.job));
  let kind = $state<FoundKind | 'reason' | null>(null);
  let mm = $state('');
  let heightMm = $state('');
  let what = $state('');
  let isMovable = $state(false);
  let reason = $state('');
  let isPlanning = $state(false);
  let failed = $state('');
  let planned = $state.raw<RestPlanned | null>(null);
  let waiting = new AbortController();
  onMount(() => () => waiting.abort());

  const WORDS: Readonly<Record<FoundKind, string>> = FOUND_WORDS;
  const MOST_MM = 600;
  const number = (text: string): number | null => {
    const value = Number(text.replace(',', '.'));
    return text.trim() !== '' && value > 0 && value <= MOST_MM ? value : null;
  };

  const found = $derived.by((): Found | null => {
    const [one, high] = [number(mm), number(heightMm)];
    switch (kind) {
      case 'leadShort':
      case 'cardLonger':
        return one === null ? null : { kind, mm: one };
      case 'inTheWay':
        return one === null || high === null || what.trim() === ''
          ? null
          : {
              kind,
              what: what.trim().slice(0, 60),
              fromRearMm: one,
              heightMm: high,
              movable: isMovable,
            };
      case 'coverStuck':
      case 'slotBroken':
      case 'bracketWrong':
      case 'screwMissing':
        return { kind };
      case 'reason':
      case null:
        return null;
    }
  });
  const missing = $derived(
    kind === 'leadShort'
      ? 'Measure from the board’s upper edge down to the plug, in millimetres.'
      : kind === 'cardLonger'
        ? 'Measure the card from its bracket to its far end, in millimetres.'
        : 'Say what it is, how far it stands from the rear edge, and how high, in millimetres.',
  );

  async function plan() {
    if (found === null || kind === null || kind === 'reason') return;
    waiting.abort();
    waiting = new AbortController();
    isPlanning = true;
    failed = '';
    planned = null;
    try {
      planned = await planRest(model.job, step, found, WORDS[kind], waiting.signal);
    } catch (error) {
      failed = `The planner failed: ${String(error)}. Nothing was changed.`;
    } finally {
      isPlanning = false;
    }
  }

  function take() {
    if (planned === null) return;
    model.open.run(planned.command);
    close();
  }

  function goOn() {
    if (reason.trim() === '') return;
    model.open.run({ name: 'tickStep', stepId: step.id, reason: reason.trim().slice(0, 120) });
    close();
  }

  function pick(next: typeof kind) {
    kind = next;
    planned = null;
    failed = '';
  }
</script>

<div class="panel" role="group" aria-label="It does not go">
  {#if kind === null}
    <h2>What did you find?</h2>
    <div class="choices" use:takesFocus>
      {#each kinds as each (each)}
        <button type="button" onclick={() => pick(each)}>{WORDS[each]}</button>
      {/each}
      <button type="button" onclick={() => pick('reason')}
        >Something else: go on with a reason</button
      >
    </div>
  {:else if kind === 'reason'}
    <h2>Why do you go on?</h2>
    <label>
      It stays in the log
      <input type="text" bind:value={reason} maxlength="120" use:takesFocus />
    </label>
    <button type="button" class="act" disabled={reason.trim() === ''} onclick={goOn}
      >Go on with this reason</button
    >
  {:else}
    <h2>{WORDS[kind]}</h2>
    {#if kind === 'inTheWay'}
      <label>What it is <input type="text" bind:value={what} maxlength="60" use:takesFocus /></label
      >
      <label>From the rear edge, mm <input inputmode="decimal" bind:value={mm} /></label>
      <label>Height over the board, mm <input inputmode="decimal" bind:value={heightMm} /></label>
      <label class="tick"
        ><input type="checkbox" bind:checked={isMovable} /> It can be moved aside</label
      >
    {:else if kind === 'leadShort' || kind === 'cardLonger'}
      <label
        >{kind === 'leadShort' ? 'It reaches, mm' : 'The card is, mm'}
        <input inputmode="decimal" bind:value={mm} use:takesFocus /></label
      >
    {/if}
    {#if planned === null}
      {#if found === null}<p role="status">{missing}</p>{/if}
      {#if failed}<p role="alert">{failed}</p>{/if}
      <button
        type="button"
        class="act"
        disabled={found === null || isPlanning}
        onclick={() => void plan()}
        >{isPlanning ? 'Planning the rest' : 'Plan the rest anew; what is done stays done'}</button
      >
    {:else}
      <ul aria-label="What changes">
        {#each planned.differences as line, n (n)}<li>{line}</li>{/each}
        {#if planned.unmet > 0}
          <li><strong>{planned.unmet} of the must-haves can no longer be met.</strong></li>
        {/if}
      </ul>
      <button type="button" class="act" onclick={take} use:takesFocus>Take this list</button>
    {/if}
  {/if}
  <button type="button" onclick={() => (kind === null ? close() : pick(null))}
    >{kind === null ? 'Back to the task' : 'Something else was found'}</button
  >
</div>

<style>
  .panel {
    display: flex;
    flex-direction: column;
    gap: 0.75rem;
    font-size: 1.5rem;
    overflow-y: auto;
  }
  h2 {
    font-size: 1.75rem;
  }
  .choices {
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(18rem, 1fr));
    gap: 0.75rem;
  }
  button {
    min-height: 4rem;
    padding: 0.5rem 1rem;
    font: inherit;
    font-size: 1.25rem;
    text-align: left;
    color: var(--cds-text-01);
    background: var(--cds-ui-01);
    border: 1px solid var(--cds-ui-04);
    cursor: pointer;
  }
  .act {
    color: var(--cds-text-04);
    background: var(--cds-interactive-01);
    border: 0;
  }
  button:disabled {
    opacity: 0.5;
    cursor: not-allowed;
  }
  button:focus-visible,
  input:focus-visible {
    outline: 3px solid var(--cds-focus);
  }
  label {
    display: grid;
    gap: 0.25rem;
    font-size: 1.25rem;
  }
  .tick {
    display: flex;
    align-items: center;
    gap: 0.75rem;
  }
  input:not([type='checkbox']) {
    font: inherit;
    font-size: 1.5rem;
    padding: 0.5rem;
    border: 1px solid var(--cds-ui-04);
    background: var(--cds-ui-background);
    color: var(--cds-text-01);
  }
  input[type='checkbox'] {
    width: 1.75rem;
    height: 1.75rem;
  }
  ul {
    list-style: disc;
    padding-left: 1.5rem;
  }
</style>
