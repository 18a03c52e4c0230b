<script lang="ts">
  import { Button, TextInput } from 'carbon-components-svelte';
  import { cardName, enteredFigure, figureFor, judge, type Expectation } from '$core';
  import VerdictMark from '$lib/ui/VerdictMark.svelte';
  import { now } from '$lib/state/now';
  import { selection } from '$lib/state/selection.svelte';
  import { atMoment, band, flowFigure, linkWords, saidIn } from '$lib/wording/figures';
  import { KIND_WORDS, catchWords, needWords } from '$lib/wording/needs';
  import { judgementWords } from '$lib/wording/proof';
  import { FLOW_WORDS } from '$lib/wording/stages';
  import type { JobModel } from '../jobModel.svelte';
  import BandPicture from './BandPicture.svelte';

  let { model, expectation }: { model: JobModel; expectation: Expectation } = $props();

  const need = $derived(expectation.need);
  const flow = $derived(expectation.flow);
  const fitted = $derived(expectation.card);
  const link = $derived(fitted?.link?.link ?? null);
  const measured = $derived(figureFor(model.job.observations, need.id));
  const judgement = $derived(measured === null ? null : judge(expectation, measured.value));
  const typed = $derived(flow === null ? { words: '', scale: 1 } : saidIn(flow));
  let refused = $state('');

  function record(text: string) {
    const trimmed = text.trim().replace(',', '.');
    refused = '';
    if (trimmed === '') {
      remove();
      return;
    }
    const value = Number(trimmed) * typed.scale;
    if (!(value > 0 && value < 1e12)) refused = 'A number above zero is expected';
    else if (value !== measured?.value)
      model.open.run({
        name: 'observe',
        observations: [enteredFigure(need.id, value, now())],
        what: need.kind,
      });
  }

  function remove() {
    if (measured !== null)
      model.open.run({ name: 'removeObservation', observationId: measured.id, what: need.kind });
  }
</script>

<section aria-label={KIND_WORDS[need.kind]}>
  <h2>{KIND_WORDS[need.kind]}: {needWords(need)}</h2>
  {#if flow === null}
    {#if expectation.isMet}
      <p class="quiet">Met by the machine as it is: nothing was chosen for it.</p>
    {:else}
      <p class="warn">The plan has no card for this need: there is nothing to expect.</p>
    {/if}
  {:else}
    <dl>
      <div>
        <dt>Expected</dt>
        <dd class="big">{band(flow)}</dd>
      </div>
      <div>
        <dt>Served by</dt>
        <dd>
          {#if fitted === null}
            met by the machine as it is
          {:else}
            <button type="button" class="text" onclick={() => (selection.slotId = fitted.slot.id)}
              >{cardName(fitted.card)}</button
            >
            <span class="quiet"
              >{fitted.slot.label}{#if link}, {linkWords(link)}{/if}</span
            >
          {/if}
        </dd>
      </div>
      <div>
        <dt>Limited by</dt>
        <dd>{flow.limiting === null ? '–' : FLOW_WORDS[flow.limiting]}</dd>
      </div>
    </dl>
    {#each catchWords(expectation) as words, n (n)}<p class="quiet">{words}</p>{/each}
    <BandPicture {flow} reading={measured?.value ?? null} />
    <div class="reading">
      <TextInput
        id="reading-{need.id}"
        labelText="Measured, {typed.words}"
        value={measured === null ? '' : String(measured.value / typed.scale)}
        invalid={refused !== ''}
        invalidText={refused}
        on:change={(event) => record(String(event.detail ?? ''))}
      />
      {#if measured}
        <Button kind="ghost" size="field" on:click={remove}>Remove</Button>
      {/if}
    </div>
    <div aria-live="polite">
      {#if measured && judgement}
        <p class="judged">
          <VerdictMark verdict={judgement.verdict} withWord={false} />
          <span
            ><strong>{flowFigure(measured.value, flow)}</strong>
            {judgementWords(judgement, flow)}</span
          >
        </p>
        <p class="quiet">Measured {atMoment(measured.at)}</p>
      {:else}
        <p class="quiet">
          {expectation.isMet ? 'It need not be measured.' : 'Not measured yet.'}
        </p>
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
