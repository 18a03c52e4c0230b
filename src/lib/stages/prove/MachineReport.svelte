<script lang="ts">
  /** The machine's report after fitting: of each card of the plan what it shows, and where that differs from the plan. */
  import { untrack } from 'svelte';
  import { cardName, type DeviceObservation } from '$core/document';
  import { reportOnPlan, type ReportDifference } from '$core/diagnosis';
  import { selection } from '$lib/state/selection.svelte';
  import { atMoment } from '$words/figures';
  import { differenceWords, seenWords } from '$words/observed';
  import VerdictMark from '$lib/ui/VerdictMark.svelte';
  import type { JobModel } from '../jobModel.svelte';
  import ReadResult from '../ReadResult.svelte';
  import OpenResults from './OpenResults.svelte';
  import ReportDrop from '../ReportDrop.svelte';
  import { Reading } from '../reading.svelte';
  import { machineReport as texts } from '$words/stages/prove';

  let { model }: { model: JobModel } = $props();

  const reading = untrack(() => new Reading(model));
  const shown = $derived(reportOnPlan(model.job).filter(({ observation }) => observation !== null));
  const last = $derived(shown[0]?.observation ?? null);
</script>

{#snippet against(differences: readonly ReportDifference[], observation: DeviceObservation | null)}
  {#if differences.length > 0}
    {#each differences as difference, n (n)}
      <p class="difference">
        <VerdictMark
          verdict={difference.code === 'missing' ? 'blocked' : 'limited'}
          withWord={false}
        />
        <span>{differenceWords(difference)}</span>
      </p>
    {/each}
  {:else if observation?.value.place === null}
    {texts.notFittedYet}
  {:else}
    <p class="difference">
      <VerdictMark verdict="clear" withWord={false} /> <span>{texts.asPlanned}</span>
    </p>
  {/if}
{/snippet}

<section aria-labelledby="report-heading">
  <h2 id="report-heading">{texts.whatTheMachineAndIts}</h2>
  {#if last}
    <p class="quiet">{texts.read(atMoment(last.at), last.conditions && `, ${last.conditions}`)}</p>
    <table class="plain">
      <thead>
        <tr>
          <th scope="col">{texts.card}</th>
          <th scope="col">{texts.slot}</th>
          <th scope="col">{texts.seen}</th>
          <th scope="col">{texts.againstThePlan}</th>
        </tr>
      </thead>
      <tbody>
        {#each shown as { card, observation, differences } (card.slot.id)}
          <tr>
            <td>{cardName(card.card)}</td>
            <td>
              <button type="button" class="text" onclick={() => (selection.slotId = card.slot.id)}
                >{card.slot.label}</button
              >
            </td>
            <td>{observation && (seenWords(observation) || texts.notInTheReport)}</td>
            <td>{@render against(differences, observation)}</td>
          </tr>
        {/each}
      </tbody>
    </table>
  {/if}
  <ReportDrop
    label={texts.dropTheReportTakenAfter}
    placeholder={texts.lspciVvnnADeviceList}
    progress={reading.progress}
    onfiles={(files) => reading.read(files)}
  />
  <OpenResults {model} {reading} />
  <ReadResult {reading} />
</section>

<style>
  section {
    margin-top: 1.5rem;
  }
  table {
    margin: 0.5rem 0 1rem;
    font-size: 0.8125rem;
  }
  .text {
    text-decoration: underline;
    white-space: nowrap;
  }
  .difference {
    display: flex;
    align-items: flex-start;
    gap: 0.5rem;
    font-size: 0.8125rem;
  }
</style>
