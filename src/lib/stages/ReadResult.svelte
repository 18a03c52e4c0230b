<script lang="ts">
  /** What came of reading files: what was taken into the survey, or held against the accepted plan; and every problem. */
  import { Button } from 'carbon-components-svelte';
  import { absentWords, reportWords } from '$words/evidence';
  import { counted } from '$words/figures';
  import { observedWords } from '$words/observed';
  import { problemPlace, problemWords } from '$words/problems';
  import { opensFor } from '$lib/ui/fold';
  import type { Reading } from './reading.svelte';
  import { readResult as texts } from '$words/stages/all';

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
    if (result.apart !== null) return texts.theseFilesAreOfMachines(result.apart.machines.length);
    if (reading.question === 'other') return texts.thisIsAReportOf;
    if (!reading.told) return texts.nothingWasReadTheSurvey;
    if (observed === null)
      return texts.readAndTakenIntoThe(
        [
          [result.devices, 'device'] as const,
          [result.slotRecords, texts.slotRecord] as const,
          [result.screens, 'screen'] as const,
        ]
          .filter(([count], n) => count > 0 || n === 0)
          .map(([count, what]) => counted(count, what))
          .join(', '),
        result.settled,
      );
    return observed.length === 0
      ? reading.open.length > 0
        ? texts.measurementReadSayWhichNeed(reading.open.length)
        : texts.noListOfDevicesIs
      : texts.heldAgainstTheAcceptedPlan(observedWords(observed), reading.proven);
  });
</script>

{#if reading.failed}
  <p role="alert" class="failed">
    {texts.readingBrokeOffTheSurvey(reading.failed)}
  </p>
{/if}
{#if reading.stopped}
  <p role="status">{texts.readingWasStoppedTheSurvey}</p>
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
              >{texts.take(board ?? texts.machine(n + 1))}</Button
            >
            <span>{texts.deviceFrom(devices, fileNames.join(', '))}</span>
          </li>
        {/each}
      </ul>
      {#if result.apart.loose.length > 0}
        <p class="quiet">
          {texts.couldBeOfAnyOf(result.apart.loose.join(', '))}
        </p>
      {/if}
    {:else if reading.question === 'other'}
      <p class="quiet">
        {texts.startAnotherJobForIt}
      </p>
      <Button
        size="small"
        kind="tertiary"
        on:click={async () => (await reading.takeOther()) && ontaken()}
        >{texts.takeItAllTheSame}</Button
      >
    {/if}
    <details {@attach opensFor(troubled)}>
      <summary
        >{result.files.length === 1 ? texts.oneFile : texts.files(result.files.length)}</summary
      >
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
        <p>{texts.leftOutOfTheSurvey}</p>
        <ul class="problems">
          {#each result.problems as problem, at (at)}
            <li><strong>{problemPlace(problem)}</strong> {problemWords(problem)}</li>
          {/each}
        </ul>
      {/if}
    </details>
    {#if reading.told && reading.observed !== null && reading.question === null && result.devices > 0}
      <p class="quiet">
        {texts.ifTheSurveyItselfWas}
      </p>
      <Button size="small" kind="tertiary" on:click={() => reading.takeIntoSurvey()}
        >{texts.takeItIntoTheSurvey}</Button
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
