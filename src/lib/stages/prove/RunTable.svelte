<script lang="ts">
  /** Every run with how it was measured, held against what is expected of that way of measuring. */
  import type { Flow } from '$core/kinds';
  import type { JudgedGroup, RunGroup } from '$core/diagnosis';
  import type { RunObservation } from '$core/document';
  import VerdictMark from '$lib/ui/VerdictMark.svelte';
  import { atMoment, inBytes, inTime } from '$words/figures';
  import { band, flowFigure } from '$words/flowFigures';
  import { isFew, spreadWords, testWords } from '$words/proof';
  import { runTable as texts } from '$words/stages/prove';

  let {
    groups,
    earlier,
    flow,
    remove,
  }: {
    groups: readonly JudgedGroup[];
    /** What it showed before, in the order in which it was measured. */
    earlier: readonly { readonly name: string; readonly group: RunGroup }[];
    flow: Flow;
    remove: (run: RunObservation) => void;
  } = $props();

  const sized = ({ bytes, seconds, files }: RunObservation): string =>
    [
      bytes === null ? '' : inBytes(bytes),
      files === null ? '' : texts.files(files),
      seconds === null ? '' : inTime(seconds),
    ]
      .filter((each) => each !== '')
      .join(', ');
</script>

{#snippet runsOf(group: RunGroup)}
  <ol>
    {#each group.runs as run (run.id)}
      <li>
        <strong>{flowFigure(run.value, flow)}</strong>
        <span class="quiet">
          {[sized(run), run.conditions, atMoment(run.at)].filter((each) => each !== '').join(' · ')}
          {#if group.outliers.includes(run)}{texts.farFromTheRest}{/if}
        </span>
        <button
          type="button"
          class="text"
          aria-label={texts.removeTheRunOf(flowFigure(run.value, flow))}
          onclick={() => remove(run)}>{texts.remove}</button
        >
      </li>
    {/each}
  </ol>
{/snippet}

<table class="plain">
  <caption class="only-read">{texts.runsByHowTheyWere}</caption>
  <thead>
    <tr>
      <th scope="col">{texts.how}</th>
      <th scope="col">{texts.expected}</th>
      <th scope="col">{texts.measured}</th>
      <th scope="col">{texts.runs}</th>
    </tr>
  </thead>
  <tbody>
    {#each earlier as { name, group }, n (n)}
      <tr>
        <td>{testWords(group.test, flow)} <span class="quiet">{name}</span></td>
        <td>–</td>
        <td>
          <strong>{flowFigure(group.median, flow)}</strong>
          <span class="quiet">{spreadWords(group, flow)}</span>
        </td>
        <td>{@render runsOf(group)}</td>
      </tr>
    {/each}
    {#each groups as group, n (n)}
      <tr>
        <td>{testWords(group.test, flow) || texts.seenAtWork}</td>
        <td>{band(group.expected)}</td>
        <td>
          <VerdictMark verdict={group.judgement.verdict} withWord={false} />
          <strong>{flowFigure(group.median, flow)}</strong>
          <span class="quiet">
            {spreadWords(
              group,
              flow,
            )}{#if isFew(group)}{texts.measureThreeTimes}{/if}{#if group.falls}{texts.itBeganWellAndThen}{/if}
          </span>
        </td>
        <td>{@render runsOf(group)}</td>
      </tr>
    {/each}
  </tbody>
</table>

<style>
  table {
    font-size: 0.8125rem;
  }
  td {
    vertical-align: top;
  }
  th:last-child {
    width: 42%;
  }
  ol {
    margin: 0;
    padding: 0;
    list-style: none;
  }
  li {
    display: flex;
    flex-wrap: wrap;
    gap: 0 0.5rem;
    align-items: baseline;
  }
  .text {
    text-decoration: underline;
  }
</style>
