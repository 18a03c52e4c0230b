<script lang="ts">
  import { Button, TextInput } from 'carbon-components-svelte';
  import { cardName, judge, type Expectation } from '$core';
  import VerdictMark from '$lib/ui/VerdictMark.svelte';
  import { selection } from '$lib/state/selection.svelte';
  import { atMoment, band, figure, linkWords } from '$lib/wording/figures';
  import { KIND_WORDS, needWords } from '$lib/wording/needs';
  import { judgementWords } from '$lib/wording/proof';
  import { FLOW_WORDS } from '$lib/wording/stages';
  import type { JobModel } from '../jobModel.svelte';
  import BandPicture from './BandPicture.svelte';

  let { model, expectation }: { model: JobModel; expectation: Expectation } = $props();

  const need = $derived(expectation.need);
  const flow = $derived(expectation.flow);
  const fitted = $derived(expectation.card);
  const link = $derived(fitted?.link?.link ?? null);
  const reading = $derived(model.job.readings.find(({ needId }) => needId === need.id) ?? null);
  const judgement = $derived(reading === null ? null : judge(expectation, reading.value));
  /** Rates are typed in MB/s, everything else in its own unit. */
  const scale = $derived(flow?.unit === 'B/s' ? 1e6 : 1);
  const unitWords = $derived(
    flow === null ? '' : flow.unit === 'B/s' ? 'MB/s' : flow.unit === 'Hz' ? 'Hz' : 'number',
  );
  let refused = $state('');

  function record(text: string) {
    const trimmed = text.trim().replace(',', '.');
    refused = '';
    if (trimmed === '') {
      if (reading !== null) model.open.run({ name: 'removeReading', needId: need.id });
      return;
    }
    const value = Number(trimmed) * scale;
    if (!(value > 0 && value < 1e12)) refused = 'A number above zero is expected';
    else if (value !== reading?.value)
      model.open.run({ name: 'recordReading', needId: need.id, value });
  }
</script>

<section aria-label={KIND_WORDS[need.kind]}>
  <h2>{KIND_WORDS[need.kind]}: {needWords(need)}</h2>
  {#if flow === null || fitted === null}
    <p class="warn">The plan has no card for this need: there is nothing to expect.</p>
  {:else}
    <dl>
      <div>
        <dt>Expected</dt>
        <dd class="big">{band(flow)}</dd>
      </div>
      <div>
        <dt>Served by</dt>
        <dd>
          <button type="button" class="text" onclick={() => (selection.slotId = fitted.slot.id)}
            >{cardName(fitted.card)}</button
          >
          <span class="quiet"
            >{fitted.slot.label}{#if link}, {linkWords(link)}{/if}</span
          >
        </dd>
      </div>
      <div>
        <dt>Limited by</dt>
        <dd>{flow.limiting === null ? '–' : FLOW_WORDS[flow.limiting]}</dd>
      </div>
    </dl>
    <BandPicture {flow} reading={reading?.value ?? null} />
    <div class="reading">
      <TextInput
        id="reading-{need.id}"
        labelText="Measured, {unitWords}"
        value={reading === null ? '' : String(reading.value / scale)}
        invalid={refused !== ''}
        invalidText={refused}
        on:change={(event) => record(String(event.detail ?? ''))}
      />
      {#if reading}
        <Button
          kind="ghost"
          size="field"
          on:click={() => model.open.run({ name: 'removeReading', needId: need.id })}>Remove</Button
        >
      {/if}
    </div>
    <div aria-live="polite">
      {#if reading && judgement}
        <p class="judged">
          <VerdictMark verdict={judgement.verdict} withWord={false} />
          <span
            ><strong>{figure(reading.value, flow.unit)}</strong>
            {judgementWords(judgement, flow)}</span
          >
        </p>
        <p class="quiet">Taken {atMoment(reading.takenAt)}</p>
      {:else}
        <p class="quiet">Not measured yet.</p>
      {/if}
    </div>
  {/if}
</section>

<style>
  section {
    border-top: 1px solid var(--cds-ui-04);
    padding: 0.75rem 0;
    margin-top: 0.75rem;
  }
  dl {
    display: grid;
    grid-template-columns: auto 1fr auto;
    gap: 0.25rem 1.5rem;
    margin: 0.5rem 0;
    font-size: 0.875rem;
  }
  dt {
    color: var(--cds-text-02);
    font-size: 0.75rem;
  }
  .big {
    font-size: 1.25rem;
    font-weight: 600;
    white-space: nowrap;
  }
  .reading {
    display: flex;
    align-items: end;
    gap: 0.5rem;
    max-width: 20rem;
    margin-top: 0.75rem;
  }
  .judged {
    display: flex;
    gap: 0.5rem;
    margin-top: 0.5rem;
    font-size: 1rem;
    line-height: 1.4;
  }
  .warn {
    border-left: 4px solid var(--tenant-limited);
    padding-left: 0.5rem;
    margin-top: 0.5rem;
  }
  .text {
    display: block;
  }
</style>
