<script lang="ts">
  /** Every device: its driver before, the one that is planned, and the one that the last report shows; what is wrong first. */
  import { untrack } from 'svelte';
  import { lastDevices, type DriverState } from '$core';
  import { selection } from '$lib/state/selection.svelte';
  import VerdictMark from '$lib/ui/VerdictMark.svelte';
  import {
    OUTCOME_VERDICT,
    amiss,
    deviceName,
    outcomeWords,
    outrankedWords,
    plannedWords,
    seenDriverWords,
  } from '$lib/wording/driverStates';
  import { atMoment, counted } from '$lib/wording/figures';
  import type { JobModel } from '../jobModel.svelte';
  import ReadResult from '../ReadResult.svelte';
  import ReportDrop from '../ReportDrop.svelte';
  import { Reading } from '../reading.svelte';

  let { model, states }: { model: JobModel; states: readonly DriverState[] } = $props();

  const reading = untrack(() => new Reading(model));
  const report = $derived(lastDevices(model.job));
  const isQuiet = ({ outcome, wanted }: DriverState) =>
    outcome === 'same' || (outcome === 'unseen' && wanted === null);
  const told = $derived(states.filter((state) => !isQuiet(state)));
  const quiet = $derived(states.filter(isQuiet));
  const wrong = $derived(amiss(states));
  let areAllShown = $state(false);
</script>

{#snippet rows(some: readonly DriverState[])}
  {#each some as state, n (n)}
    {@const verdict = OUTCOME_VERDICT[state.outcome]}
    {@const before = outrankedWords(state)}
    <tr>
      <th scope="row">
        {#if state.slotId !== null}
          {@const slotId = state.slotId}
          <button type="button" class="text" onclick={() => (selection.slotId = slotId)}
            >{state.name}</button
          ><br /><span class="quiet">new card</span>
        {:else}
          {deviceName(state)}
        {/if}
      </th>
      <td>{seenDriverWords(state.before, 'was not there')}</td>
      <td>
        {plannedWords(state)}
        {#if before !== ''}<br /><span class="quiet">{before}</span>{/if}
      </td>
      <td>
        <span class="now">
          {#if verdict !== null}<VerdictMark {verdict} withWord={false} />{/if}
          <span>
            {#if state.now !== null}{seenDriverWords(state.now, '')}<br />{/if}
            <span class:quiet={verdict === null || verdict === 'clear'}>{outcomeWords(state)}</span>
          </span>
        </span>
      </td>
    </tr>
  {/each}
{/snippet}

<section aria-labelledby="devices-heading">
  <h2 id="devices-heading">Every device and its driver</h2>
  <p class="answer" role="status">
    {#if report === null}
      {counted(told.length, 'device')} to see to. Drop the machine’s report once the drivers are in: each
      check then ticks itself, or says what is wrong.
    {:else if wrong > 0}
      <VerdictMark verdict="blocked" withWord={false} />
      {wrong === 1 ? 'One device is' : `${wrong} devices are`} not right yet.
    {:else}
      <VerdictMark verdict="clear" withWord={false} /> Nothing is wrong in the report.
    {/if}
    {#if report !== null}
      <span class="quiet"
        >Read {atMoment(report.at)}{report.conditions && `, ${report.conditions}`}</span
      >
    {/if}
  </p>
  {#if states.length > 0}
    <table class="plain">
      <thead>
        <tr>
          <th scope="col" class="device">Device</th>
          <th scope="col" class="before">Before</th>
          <th scope="col">Planned</th>
          <th scope="col">Now</th>
        </tr>
      </thead>
      <tbody>
        {@render rows(told)}
        {#if areAllShown}{@render rows(quiet)}{/if}
      </tbody>
    </table>
    {#if quiet.length > 0}
      <button
        type="button"
        class="text"
        aria-expanded={areAllShown}
        onclick={() => (areAllShown = !areAllShown)}
        >{areAllShown ? 'Hide' : 'Show'}
        {counted(quiet.length, 'device')} that stay as they are</button
      >
    {/if}
  {/if}
  <ReportDrop
    label="Drop the report taken now (a device list, lspci -vvnn, the survey file)"
    placeholder="Or paste it"
    progress={reading.progress}
    onfiles={(files) => reading.read(files)}
  />
  <ReadResult {reading} />
</section>

<style>
  section {
    margin-top: 2rem;
    border-top: 1px solid var(--cds-ui-04);
    padding-top: 0.75rem;
  }
  h2 {
    font-size: 1.25rem;
  }
  .answer {
    margin: 0.25rem 0 0.5rem;
  }
  table {
    font-size: 0.8125rem;
    margin-bottom: 0.5rem;
    table-layout: fixed;
    width: 100%;
  }
  td,
  th[scope='row'] {
    vertical-align: top;
    overflow-wrap: anywhere;
    text-align: left;
    font-weight: 400;
  }
  .device {
    width: 24%;
  }
  .before {
    width: 20%;
  }
  .now {
    display: flex;
    gap: 0.5rem;
    align-items: flex-start;
  }
  .text {
    text-decoration: underline;
    font-size: 0.8125rem;
    text-align: left;
  }
</style>
