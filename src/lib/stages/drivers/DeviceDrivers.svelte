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
  } from '$words/driverStates';
  import { atMoment, linkWords } from '$words/figures';
  import type { JobModel } from '../jobModel.svelte';
  import ReadResult from '../ReadResult.svelte';
  import ReportDrop from '../ReportDrop.svelte';
  import { Reading } from '../reading.svelte';
  import { deviceDrivers as texts } from '$words/stages/drivers';

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
                > <span class="quiet">{texts.newCard}</span>
              {:else}
                <strong>{deviceName(state)}.</strong>
              {/if}
              {outcomeWords(state)}
            </span>
          </span>
        </th>
      </tr>
      <tr>
        <td>{seenDriverWords(state.before, texts.wasNotThere)}</td>
        <td>
          {plannedWords(state)}
          {#if instead !== ''}<br /><span class="quiet">{instead}</span>{/if}
        </td>
        <td>
          {seenDriverWords(state.now, report === null ? '' : texts.notInTheReport)}
          {#if state.link !== null}<br />{texts.link(linkWords(state.link))}{/if}
        </td>
      </tr>
    </tbody>
  {/each}
{/snippet}

<section aria-labelledby="devices-heading">
  <h2 id="devices-heading">{texts.everyDeviceAndItsDriver}</h2>
  <p class="answer" role="status">
    {#if report === null}
      {texts.deviceToSeeToDrop(told.length)}
    {:else if wrong > 0}
      <VerdictMark
        verdict={OUTCOME_VERDICT[states[0]?.outcome ?? 'same'] ?? 'limited'}
        withWord={false}
      />
      {texts.devicesAreNotRightYet(wrong, wrong)}
    {:else}
      <VerdictMark verdict="clear" withWord={false} /> {texts.nothingIsWrongInThe}
    {/if}
    {#if report !== null}
      <span class="quiet"
        >{texts.read(atMoment(report.at), report.conditions && `, ${report.conditions}`)}</span
      >
    {/if}
  </p>
  {#if states.length > 0}
    <table class="plain">
      <thead>
        <tr>
          <th scope="col">{texts.before}</th>
          <th scope="col">{texts.planned}</th>
          <th scope="col">{texts.now}</th>
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
          >{texts.hideDeviceWithNothingTo(areAllShown, quiet.length)}</button
        >
      </p>
    {/if}
  {/if}
  <ReportDrop
    label={texts.dropTheReportTakenNow}
    placeholder={texts.orPasteIt}
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
