<script lang="ts">
  /** What came of reading files: what was taken into the survey, or held against the accepted plan; and every problem. */
  import { Button } from 'carbon-components-svelte';
  import { absentWords, reportWords } from '$lib/wording/evidence';
  import { counted } from '$lib/wording/figures';
  import { observedWords } from '$lib/wording/observed';
  import { problemPlace, problemWords } from '$lib/wording/problems';
  import { opensFor } from '$lib/ui/fold';
  import type { Reading } from './reading.svelte';

  let {
    reading,
    ontaken = () => undefined,
  }: {
    reading: Reading;
    /** Something was taken after a question. */
    ontaken?: () => void;
  } = $props();

  const result = $derived(reading.result);
  const troubled = $derived(reading.troubled);
  const head = $derived.by(() => {
    const { result, observed } = reading;
    if (result === null) return '';
    if (result.apart !== null)
      return `These files are of ${result.apart.machines.length} machines. Nothing was taken: which one is this job’s?`;
    if (reading.question === 'other')
      return 'This is a report of another machine: most of its devices are not those of the survey. Nothing was taken.';
    if (!reading.told) return 'Nothing was read; the survey has not changed.';
    if (observed === null)
      return `Read and taken into the survey: ${[
        [result.devices, 'device'] as const,
        [result.slotRecords, 'slot record'] as const,
        [result.screens, 'screen'] as const,
      ]
        .filter(([count], n) => count > 0 || n === 0)
        .map(([count, what]) => counted(count, what))
        .join(', ')}; ${counted(result.settled, 'fact')} settled.`;
    return observed.length === 0
      ? reading.open.length > 0
        ? `${counted(reading.open.length, 'measurement')} read: say which need was measured. The survey has not changed.`
        : 'No list of devices is in it: nothing to hold against the accepted plan. The survey has not changed.'
      : `Held against the accepted plan: ${observedWords(observed)}${reading.proven === 0 ? '' : `, ${counted(reading.proven, 'step')} ticked by it`}. The survey has not changed.`;
  });
</script>

{#if reading.failed}
  <p role="alert" class="failed">
    Reading broke off; the survey has not changed. ({reading.failed})
  </p>
{/if}
{#if reading.stopped}
  <p role="status">Reading was stopped; the survey has not changed.</p>
{/if}
{#if result}
  <div class="result" role="status">
    <strong>{head}</strong>
    {#if reading.told && reading.question === null && reading.observed === null}
      <p class="absent">{absentWords(result.absent)}</p>
    {/if}
    {#if result.apart !== null}
      <ul class="machines">
        {#each result.apart.machines as { board, devices, fileNames }, n (n)}
          <li>
            <Button
              size="small"
              kind="tertiary"
              on:click={async () => (await reading.choose(n)) && ontaken()}
              >Take {board ?? `machine ${n + 1}`}</Button
            >
            <span>{counted(devices, 'device')}, from {fileNames.join(', ')}</span>
          </li>
        {/each}
      </ul>
      {#if result.apart.loose.length > 0}
        <p class="quiet">
          Could be of any of them and stay out: {result.apart.loose.join(', ')}. Drop them again by
          themselves.
        </p>
      {/if}
    {:else if reading.question === 'other'}
      <p class="quiet">
        Start another job for it, or take it where the board of this machine was changed.
      </p>
      <Button
        size="small"
        kind="tertiary"
        on:click={async () => (await reading.takeOther()) && ontaken()}>Take it all the same</Button
      >
    {/if}
    <details {@attach opensFor(troubled)}>
      <summary>{result.files.length === 1 ? 'One file' : `${result.files.length} files`}</summary>
      <ul>
        {#each result.files as file, n (n)}
          <li>
            <code>{file.name}</code>
            {reportWords(file)}
            {#if file.problems.length > 0}
              <ul class="problems">
                {#each file.problems as problem, at (at)}
                  <li><strong>{problemPlace(problem)}</strong> {problemWords(problem)}</li>
                {/each}
              </ul>
            {/if}
          </li>
        {/each}
      </ul>
      {#if result.problems.length > 0}
        <p>Left out of the survey:</p>
        <ul class="problems">
          {#each result.problems as problem, at (at)}
            <li><strong>{problemPlace(problem)}</strong> {problemWords(problem)}</li>
          {/each}
        </ul>
      {/if}
    </details>
    {#if reading.told && reading.observed !== null && reading.question === null && result.devices > 0}
      <p class="quiet">
        If the survey itself was wrong, take this report into it. The plan is then to be made anew.
      </p>
      <Button size="small" kind="tertiary" on:click={() => reading.takeIntoSurvey()}
        >Take it into the survey</Button
      >
    {/if}
  </div>
{/if}

<style>
  .failed,
  .result {
    margin-top: 0.75rem;
    font-size: 0.8125rem;
  }
  .result > strong {
    display: block;
    line-height: 1.4;
  }
  .absent {
    font-size: inherit;
  }
  .quiet {
    margin: 0.5rem 0 0.25rem;
  }
  .failed {
    color: var(--tenant-blocked);
  }
  .machines li {
    display: grid;
    gap: 0.25rem;
    margin-top: 0.75rem;
    justify-items: start;
    overflow-wrap: anywhere;
  }
  details {
    margin-top: 0.375rem;
  }
  li {
    margin-top: 0.25rem;
  }
  .problems {
    padding-left: 1rem;
    border-left: 4px solid var(--tenant-limited);
  }
</style>
