<script lang="ts">
  import { cardName, enteredFigure, figureFor, judge, type Expectation } from '$core';
  import VerdictMark from '$lib/ui/VerdictMark.svelte';
  import { now } from '$lib/state/now';
  import { selection } from '$lib/state/selection.svelte';
  import { atMoment, band, flowFigure, linkWords } from '$lib/wording/figures';
  import { KIND_WORDS, catchWords, needWords } from '$lib/wording/needs';
  import { judgementWords } from '$lib/wording/proof';
  import { limitWords } from '$lib/wording/stages';
  import type { JobModel } from '../jobModel.svelte';
  import BandPicture from './BandPicture.svelte';
  import FigureInput from './FigureInput.svelte';
  import ReadingScale from './ReadingScale.svelte';

  let { model, expectation }: { model: JobModel; expectation: Expectation } = $props();

  const need = $derived(expectation.need);
  const flow = $derived(expectation.flow);
  const fitted = $derived(expectation.card);
  const link = $derived(fitted?.link?.link ?? null);
  const measured = $derived(figureFor(model.job.observations, need.id));
  const before = $derived(figureFor(model.job.observations, need.id, 'before'));
  const judgement = $derived(measured === null ? null : judge(expectation, measured.value));
  let asksParts = $state(false);

  function set(value: number) {
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

<section class="row" aria-label={KIND_WORDS[need.kind]}>
  <div class="what">
    <h2>{KIND_WORDS[need.kind]}{need.must ? '' : ', nice to have'}</h2>
    <p class="quiet">{needWords(need)}</p>
    {#if fitted !== null}
      <p class="quiet">
        by <button type="button" class="text" onclick={() => (selection.slotId = fitted.slot.id)}
          >{cardName(fitted.card)}</button
        >, {fitted.slot.label}{#if link}, {linkWords(link)}{/if}
      </p>
    {/if}
  </div>
  {#if flow === null}
    <p class="none" class:warn={!expectation.isMet}>
      {expectation.isMet
        ? 'Met by the machine as it is: nothing was chosen for it.'
        : 'The plan has no card for this need: there is nothing to expect.'}
    </p>
    <div class="mark">
      <VerdictMark verdict={expectation.isMet ? 'clear' : 'blocked'} withWord={false} />
    </div>
  {:else}
    <div>
      <strong class="figure">{band(flow)}</strong>
      <p class="quiet">
        {expectation.isMet ? 'by the machine as it is' : limitWords(flow)}
      </p>
    </div>
    <FigureInput
      id="reading-{need.id}"
      label="Measured"
      {flow}
      value={measured?.value ?? null}
      {set}
      {remove}
    />
    <ReadingScale {flow} reading={measured?.value ?? null} />
    <div class="mark">
      <VerdictMark
        verdict={judgement?.verdict ?? (expectation.isMet ? 'clear' : 'unknown')}
        withWord={false}
      />
    </div>
    <div class="said" aria-live="polite">
      {#if measured && judgement}
        <p>
          <strong>{flowFigure(measured.value, flow)}</strong>
          {judgementWords(judgement, flow)}
          <span class="quiet">{atMoment(measured.at)}</span>
        </p>
      {:else}
        <p class="quiet">
          {expectation.isMet ? 'It need not be measured.' : 'Not measured yet.'}
        </p>
      {/if}
      {#if before}<p class="quiet">{flowFigure(before.value, flow)} before the work</p>{/if}
      {#each catchWords(expectation) as words, n (n)}<p class="quiet">{words}</p>{/each}
      {#if flow.stages.length > 1}
        <details bind:open={asksParts}>
          <summary>What each part carries</summary>
          {#if asksParts}<BandPicture {flow} reading={measured?.value ?? null} />{/if}
        </details>
      {/if}
    </div>
  {/if}
</section>

<style>
  .row {
    display: grid;
    grid-template-columns:
      minmax(9rem, 1.5fr) minmax(7rem, 1fr) minmax(8rem, 12rem) minmax(9rem, 1.4fr)
      1.5rem;
    gap: 0.25rem 1rem;
    align-items: start;
    padding: 0.5rem 0;
    border-top: 1px solid var(--cds-ui-04);
    font-size: 0.8125rem;
  }
  h2 {
    font-size: 0.9375rem;
  }
  p {
    font-size: inherit;
    line-height: 1.35;
  }
  .what {
    grid-row: 1 / span 2;
  }
  .figure {
    font-size: 1rem;
    white-space: nowrap;
  }
  .mark {
    padding-top: 0.25rem;
  }
  .said {
    grid-column: 2 / -1;
    display: flex;
    flex-wrap: wrap;
    gap: 0.125rem 1rem;
    align-items: baseline;
  }
  .said details[open] {
    flex-basis: 100%;
  }
  .none {
    grid-column: 2 / -2;
  }
  .warn {
    border-left: 4px solid var(--tenant-limited);
    padding-left: 0.5rem;
  }
  @media (max-width: 50rem) {
    .row {
      grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
    }
    .what {
      grid-row: auto;
    }
    .said,
    .none {
      grid-column: 1 / -1;
    }
  }
</style>
