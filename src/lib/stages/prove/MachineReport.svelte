<script lang="ts">
  /** The machine's report after fitting: of each card of the plan what it shows, and where that differs from the plan. */
  import { untrack } from 'svelte';
  import { cardName, type DeviceObservation } from '$core/document';
  import { reportOnPlan, type ReportDifference } from '$core/diagnosis';
  import { selection } from '$lib/state/selection.svelte';
  import { atMoment } from '$lib/wording/figures';
  import { differenceWords, seenWords } from '$lib/wording/observed';
  import VerdictMark from '$lib/ui/VerdictMark.svelte';
  import type { JobModel } from '../jobModel.svelte';
  import ReadResult from '../ReadResult.svelte';
  import OpenResults from './OpenResults.svelte';
  import ReportDrop from '../ReportDrop.svelte';
  import { Reading } from '../reading.svelte';

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
    Not fitted yet
  {:else}
    <p class="difference">
      <VerdictMark verdict="clear" withWord={false} /> <span>As planned</span>
    </p>
  {/if}
{/snippet}

<section aria-labelledby="report-heading">
  <h2 id="report-heading">What the machine and its tools report</h2>
  {#if last}
    <p class="quiet">Read {atMoment(last.at)}{last.conditions && `, ${last.conditions}`}</p>
    <table class="plain">
      <thead>
        <tr>
          <th scope="col">Card</th>
          <th scope="col">Slot</th>
          <th scope="col">Seen</th>
          <th scope="col">Against the plan</th>
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
            <td>{observation && (seenWords(observation) || 'not in the report')}</td>
            <td>{@render against(differences, observation)}</td>
          </tr>
        {/each}
      </tbody>
    </table>
  {/if}
  <ReportDrop
    label="Drop the report taken after fitting, or the result of a measurement; or paste it"
    placeholder="lspci -vvnn, a device list, the survey file; iperf3 -J, fio JSON, hdparm -t, the last lines of dd, rsync, scp or robocopy, ethtool, iw, smartctl, nvme, a table with a column MB/s"
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
