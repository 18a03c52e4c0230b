<script lang="ts">
  /** Every device: its driver before, the one that is planned, and the one that the last report shows; what is wrong first. */
  import { untrack } from 'svelte';
  import { driversAmiss, lastDevices, type DriverState } from '$core/diagnosis';
  import { selection } from '$lib/state/selection.svelte';
  import VerdictMark from '$lib/ui/VerdictMark.svelte';
  import {
    OUTCOME_VERDICT,
    deviceName,
    outcomeWords,
    outrankedWords,
    plannedWords,
    seenDriverWords,
  } from '$lib/wording/driverStates';
  import { atMoment, counted, linkWords } from '$lib/wording/figures';
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
  const wrong = $derived(driversAmiss(model.job));
  let areAllShown = $state(false);
</script>

{#snippet groups(some: readonly DriverState[])}
  {#each some as state, n (n)}
    {@const verdict = OUTCOME_VERDICT[state.outcome]}
    {@const instead = outrankedWords(state)}
    <tbody>
      <tr class="head">
        <th scope="rowgroup" colspan="3">
          <span class="line">
            {#if verdict !== null}<VerdictMark {verdict} withWord={false} />{/if}
            <span>
              {#if state.slotId !== null}
                {@const slotId = state.slotId}
                <button type="button" class="text" onclick={() => (selection.slotId = slotId)}
                  >{state.name}</button
                > <span class="quiet">new card.</span>
              {:else}
                <strong>{deviceName(state)}.</strong>
              {/if}
              {outcomeWords(state)}
            </span>
          </span>
        </th>
      </tr>
      <tr>
        <td>{seenDriverWords(state.before, 'was not there')}</td>
        <td>
          {plannedWords(state)}
          {#if instead !== ''}<br /><span class="quiet">{instead}</span>{/if}
        </td>
        <td>
          {seenDriverWords(state.now, report === null ? '' : 'not in the report')}
          {#if state.link !== null}<br />link {linkWords(state.link)}{/if}
        </td>
      </tr>
    </tbody>
  {/each}
{/snippet}

<section aria-labelledby="devices-heading">
  <h2 id="devices-heading">Every device and its driver</h2>
  <p class="answer" role="status">
    {#if report === null}
      {counted(told.length, 'device')} to see to. Drop the machine’s report once the drivers are in: each
      check then ticks itself, or says what is wrong.
    {:else if wrong > 0}
      <VerdictMark
        verdict={OUTCOME_VERDICT[states[0]?.outcome ?? 'same'] ?? 'limited'}
        withWord={false}
      />
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
          <th scope="col">Before</th>
          <th scope="col">Planned</th>
          <th scope="col">Now</th>
        </tr>
      </thead>
      {@render groups(told)}
      {#if areAllShown}{@render groups(quiet)}{/if}
    </table>
    {#if quiet.length > 0}
      <p class="more">
        <button
          type="button"
          class="text"
          aria-expanded={areAllShown}
          onclick={() => (areAllShown = !areAllShown)}
          >{areAllShown ? 'Hide' : 'Show'}
          {counted(quiet.length, 'device')} with nothing to do</button
        >
      </p>
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
  .more {
    margin-bottom: 0.5rem;
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
  th[scope='rowgroup'] {
    vertical-align: top;
    overflow-wrap: anywhere;
    text-align: left;
    font-weight: 400;
  }
  .head th {
    border-bottom: 0;
    padding-bottom: 0;
    color: var(--cds-text-01);
  }
  .line {
    display: flex;
    gap: 0.5rem;
    align-items: flex-start;
    font-size: 0.875rem;
  }
  .text {
    text-decoration: underline;
    font-size: 0.8125rem;
    text-align: left;
  }
</style>
