<script lang="ts">
  /** A stopwatch for a copy: its size, start, stop, and the rate is a run. Large targets, for a hand that holds something else. */
  import { untrack } from 'svelte';
  import { Select, SelectItem, TextInput } from 'carbon-components-svelte';
  import type { Flow, Need } from '$core/kinds';
  import type { RunKind } from '$core/parts';
  import { RUN_KIND_WORDS } from '$words/causes';
  import { inTime } from '$words/figures';
  import { flowFigure } from '$words/flowFigures';
  import type { JobModel } from '../jobModel.svelte';
  import { kindsFor, numberTyped, recordRun } from './runs';
  import { ran } from '$lib/state/effects';
  import { copyTimer as texts } from '$words/stages/prove';

  let { model, need, flow }: { model: JobModel; need: Need; flow: Flow } = $props();

  const MILLISECONDS = 1_000;
  const BYTES = 1e9;
  const kinds = $derived(kindsFor(need, flow));
  let size = $state('');
  let what = $state<RunKind>(untrack(() => kinds[0] ?? 'own'));
  let since = $state<number | null>(null);
  let seconds = $state(0);
  let refused = $state('');
  let said = $state('');

  /** The display runs on while the watch does. */
  $effect(() => {
    ran('copy: the display');
    if (since === null) return;
    const from = since;
    const every = setInterval(() => (seconds = (performance.now() - from) / MILLISECONDS), 100);
    return () => clearInterval(every);
  });

  function press() {
    const gigabytes = numberTyped(size);
    refused = gigabytes === null ? texts.howManyGigabytesAreCopied : '';
    if (gigabytes === null) return;
    if (since === null) {
      seconds = 0;
      said = '';
      since = performance.now();
      return;
    }
    const took = (performance.now() - since) / MILLISECONDS;
    since = null;
    seconds = took;
    const value = (gigabytes * BYTES) / took;
    recordRun(model, need, value, { what, bytes: gigabytes * BYTES, seconds: took });
    said = texts.gbIn(gigabytes, inTime(took), flowFigure(value, flow));
  }
</script>

<div class="timer">
  <TextInput
    id="timer-{need.id}"
    size="sm"
    labelText={texts.sizeOfTheCopyGb}
    bind:value={size}
    disabled={since !== null}
    invalid={refused !== ''}
    invalidText={refused}
    on:input={() => (refused = '')}
  />
  {#if kinds.length > 1}
    <Select id="timer-{need.id}-what" size="sm" labelText={texts.whatIsCopied} bind:selected={what}>
      {#each kinds as kind (kind)}<SelectItem value={kind} text={RUN_KIND_WORDS[kind]} />{/each}
    </Select>
  {/if}
  <button type="button" class:runs={since !== null} onclick={press}>
    {#if since === null}{texts.startWithTheCopy}{:else}{texts.stopItIsDone}
      <span class="clock">{texts.s(seconds.toFixed(1))}</span>{/if}
  </button>
</div>
<p class="quiet" role="status">{said}</p>

<style>
  .timer {
    display: flex;
    flex-wrap: wrap;
    gap: 0.5rem 1rem;
    align-items: end;
  }
  .timer :global(.bx--form-item) {
    flex: 0 1 11rem;
  }
  button {
    flex: 1 1 14rem;
    min-height: 4rem;
    padding: 0.5rem 1rem;
    font: inherit;
    font-size: 1.125rem;
    font-weight: 600;
    color: var(--cds-text-01);
    background: var(--cds-ui-01);
    border: 2px solid var(--cds-interactive-01);
    cursor: pointer;
  }
  button.runs {
    color: var(--cds-text-04);
    background: var(--cds-interactive-01);
  }
  button:focus-visible {
    outline: 3px solid var(--cds-focus);
    outline-offset: 2px;
  }
  .clock {
    margin-left: 0.75rem;
    font-variant-numeric: tabular-nums;
  }
  p {
    min-height: 1.25rem;
  }
</style>
