<script lang="ts">
  /** One need: what is expected, every run of it, what they mean; and where it falls short, what may hold it back. */
  import {
    cardName,
    causesFor,
    actId,
    type CauseObservation,
    type RunObservation,
  } from '$core/document';
  import { heldReadings, variantsOf, type NeedDiagnosis, type Proving } from '$core/diagnosis';
  import { isMended, mendOf, steps, type Step } from '$core/procedure';
  import { needKindOf, type FlowStage, type Measure } from '$core/kinds';
  import VerdictMark from '$lib/ui/VerdictMark.svelte';
  import { selection } from '$lib/state/selection.svelte';
  import { CAUSE_WORDS } from '$words/causes';
  import { linkWords } from '$words/figures';
  import { band, flowFigure } from '$words/flowFigures';
  import { catchWords, needWords } from '$words/needs';
  import { KIND_WORDS } from '$words/kinds/words';
  import { judgementWords, ratioWords, spreadWords, testWords } from '$words/proof';
  import { readingWords } from '$words/readings';
  import { capital } from '$words/stepWords';
  import { limitWords } from '$words/stages';
  import { stepWords } from '$words/steps';
  import type { JobModel } from '../jobModel.svelte';
  import Cautions from '../steps/Cautions.svelte';
  import BandPicture from './BandPicture.svelte';
  import CopyTimer from './CopyTimer.svelte';
  import Diagnosis from './Diagnosis.svelte';
  import MeasureGuide from './MeasureGuide.svelte';
  import Readings from './Readings.svelte';
  import RunForm from './RunForm.svelte';
  import RunStrip from './RunStrip.svelte';
  import RunTable from './RunTable.svelte';
  import VariantTable from './VariantTable.svelte';
  import { needProof as texts } from '$words/stages/prove';

  let {
    model,
    proving,
    diagnosis,
  }: { model: JobModel; proving: Proving; diagnosis: NeedDiagnosis | null } = $props();

  const expectation = $derived(proving.expectation);
  const need = $derived(expectation.need);
  const flow = $derived(expectation.flow);
  const fitted = $derived(expectation.card);
  const link = $derived(fitted?.link?.link ?? null);
  const main = $derived(proving.main);
  const before = $derived(proving.before);
  const earlier = $derived([
    ...(before === null ? [] : [{ name: 'before', group: before }]),
    ...proving.untilMended.map((group, n) => ({
      name: proving.untilMended.length === 1 ? texts.untilMended : texts.untilMend(n + 1),
      group,
    })),
  ]);
  const rows = $derived([...earlier, ...(main === null ? [] : [{ name: 'now', group: main }])]);
  const held = $derived(heldReadings(expectation, model.job));
  const variants = $derived(variantsOf(model.job, need));
  const found = $derived(causesFor(model.job.observations, need.id));
  const toMend = $derived(found.filter((cause) => !isMended(model.job, cause)));
  let asksParts = $state(false);
  let asksHow = $state(false);
  let asksRuns = $state(false);
  let asksReadings = $state(false);
  let timer = $state(false);
  let asked = $state<Measure | null>(null);

  const mendStep = (cause: CauseObservation): Step | undefined =>
    steps(model.job).find(({ id }) => id === actId(mendOf(cause)));

  /** How likely it is this stage that holds the figure back. */
  function likely({ code, hop }: FlowStage): number {
    if (diagnosis === null) return 0;
    const part = hop === undefined ? code : texts.wire(hop.position);
    return diagnosis.explanations
      .filter(({ causes }) => causes.some((each) => each.part === part))
      .reduce((sum, { probability }) => sum + probability, 0);
  }

  const remove = (run: RunObservation) =>
    model.open.run({ name: 'removeObservation', observationId: run.id });
  const tick = (cause: CauseObservation) => model.open.run({ name: 'tickStep', of: mendOf(cause) });
  const untick = (cause: CauseObservation) =>
    model.open.run({ name: 'untickStep', of: mendOf(cause) });
  const drop = (cause: CauseObservation) =>
    model.open.run({ name: 'removeObservation', observationId: cause.id });
</script>

<section class="row" aria-label={KIND_WORDS[need.kind]}>
  <div class="what">
    <h2>{KIND_WORDS[need.kind]}{need.must ? '' : texts.niceToHave}</h2>
    <p class="quiet">{needWords(need)}</p>
    {#if fitted !== null}
      <p class="quiet">
        {texts.by}
        <button type="button" class="text" onclick={() => (selection.slotId = fitted.slot.id)}
          >{cardName(fitted.card)}</button
        >, {fitted.slot.label}{#if link}, {linkWords(link)}{/if}
      </p>
    {/if}
  </div>
  {#if flow === null}
    <p class="none" class:warn={!expectation.isMet}>
      {expectation.isMet ? texts.metByTheMachineAs : texts.thePlanHasNoCard}
    </p>
    <div class="mark">
      <VerdictMark verdict={expectation.isMet ? 'clear' : 'blocked'} withWord={false} />
    </div>
  {:else}
    <div>
      <strong class="figure">{band(flow)}</strong>
      <p class="quiet">
        {expectation.isMet ? texts.byTheMachineAsIt : limitWords(flow)}
      </p>
    </div>
    <RunStrip {flow} {rows} />
    <div class="mark">
      <VerdictMark
        verdict={main?.judgement.verdict ?? (expectation.isMet ? 'clear' : 'unknown')}
        withWord={false}
      />
    </div>
    <div class="said" aria-live="polite">
      {#if main}
        <p>
          <strong>{flowFigure(main.median, flow)}</strong>
          {judgementWords(main.judgement, main.expected)}
          <span class="quiet">
            {[testWords(main.test, flow), spreadWords(main, flow)]
              .filter((each) => each !== '')
              .join(', ')}
          </span>
        </p>
        {#if before}
          <p>
            {flowFigure(before.median, flow)} → {flowFigure(main.median, flow)}:
            {ratioWords(before.median, main.median)}.
          </p>
        {/if}
      {:else if found.length > 0 && toMend.length === 0}
        <p><strong>{texts.mendedMeasureAgain}</strong></p>
      {:else}
        <p class="quiet">
          {expectation.isMet ? texts.itNeedNotBeMeasured : texts.notMeasuredYet}
          {#if before}{texts.beforeTheWork(flowFigure(before.median, flow))}{/if}
        </p>
      {/if}
      {#each held.filter(({ verdict }) => verdict !== 'clear' && verdict !== 'unknown') as each (each.observation.id)}
        <p>
          <VerdictMark verdict={each.verdict} withWord={false} />
          {capital(readingWords(each))}.
        </p>
      {/each}
      {#each catchWords(expectation) as words, n (n)}<p class="quiet">{words}</p>{/each}
    </div>
    {#each toMend as cause (cause.id)}
      {@const step = mendStep(cause)}
      {#if step}
        {@const words = stepWords(step)}
        <div class="mend">
          <div>
            <strong>{words.title}</strong>
            <p>{words.detail}</p>
            <Cautions cautions={step.cautions} staticWay={model.job.staticWay} />
          </div>
          <button type="button" class="text" onclick={() => drop(cause)}>{texts.itIsNotThis}</button
          >
          <button type="button" class="large" onclick={() => tick(cause)}>{texts.mended}</button>
        </div>
      {/if}
    {/each}
    {#each found.filter((cause) => isMended(model.job, cause)) as cause (cause.id)}
      <p class="mended quiet">
        {texts.mended2(CAUSE_WORDS[cause.value.cause].is)}
        <button type="button" class="text" onclick={() => untick(cause)}>{texts.takeBack}</button>
      </p>
    {/each}
    {#if diagnosis !== null && toMend.length === 0}
      <div class="wide">
        <Diagnosis
          {model}
          {flow}
          {diagnosis}
          figure={main?.median ?? null}
          measure={(which) => {
            asked = which;
            document.getElementById(`reading-${need.id}`)?.focus();
          }}
        />
      </div>
    {/if}
    <div class="wide tools">
      {#key asked}
        <RunForm
          {model}
          {need}
          {flow}
          id="reading-{need.id}"
          label={texts.measured}
          measure={asked}
          recorded={() => (asked = null)}
        />
      {/key}
    </div>
    <div class="ways">
      {#if flow.unit === 'B/s'}
        <details bind:open={timer}>
          <summary>{texts.timeACopy}</summary>
          {#if timer}<CopyTimer {model} {need} {flow} />{/if}
        </details>
      {/if}
      <details bind:open={asksHow}>
        <summary>{texts.howToMeasureItHere}</summary>
        {#if asksHow}<MeasureGuide {model} {need} {flow} />{/if}
      </details>
      {#if needKindOf(need).readings.length > 0}
        <details bind:open={asksReadings}>
          <summary
            >{texts.temperatureCountsSpeeds(held.length > 0 ? ` (${held.length})` : '')}</summary
          >
          {#if asksReadings}<Readings {model} {expectation} />{/if}
        </details>
      {/if}
      {#if proving.groups.length + earlier.length > 0}
        <details bind:open={asksRuns}>
          <summary>{texts.allRuns}</summary>
          {#if asksRuns}
            <RunTable groups={proving.groups} {earlier} {flow} {remove} />
            {#if variants}<VariantTable {variants} {flow} />{/if}
          {/if}
        </details>
      {/if}
      {#if flow.stages.length > 1}
        <details bind:open={asksParts}>
          <summary>{texts.whatEachPartCarries}</summary>
          {#if asksParts}<BandPicture {flow} reading={main?.median ?? null} {likely} />{/if}
        </details>
      {/if}
    </div>
  {/if}
</section>

<style>
  .row {
    display: grid;
    grid-template-columns: minmax(9rem, 1.3fr) minmax(7rem, 0.9fr) minmax(11rem, 2fr) 1.5rem;
    gap: 0.25rem 1rem;
    align-items: start;
    padding: 0.625rem 0 0.75rem;
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
  .wide {
    grid-column: 1 / -1;
    margin-top: 0.375rem;
  }
  .tools,
  .ways {
    grid-column: 2 / -1;
  }
  .ways:has(details[open]) {
    grid-column: 1 / -1;
  }
  .ways {
    display: flex;
    flex-wrap: wrap;
    gap: 0.25rem 1.25rem;
    margin-top: 0.375rem;
  }
  .ways details[open] {
    flex-basis: 100%;
  }
  .mend {
    grid-column: 1 / -1;
    display: flex;
    gap: 1rem;
    align-items: center;
    justify-content: space-between;
    margin-top: 0.375rem;
    padding: 0.75rem 1rem;
    background: var(--cds-ui-01);
    border-left: 4px solid var(--cds-interactive-01);
  }
  .mend > div {
    flex: 1 1 auto;
  }
  .mend :global(ul) {
    margin: 0.5rem 0 0;
  }
  .mended {
    grid-column: 2 / -1;
  }
  .mend .text,
  .mended .text {
    font-size: inherit;
  }
  .large {
    flex: 0 0 auto;
    min-width: 9rem;
    min-height: 3.5rem;
    font: inherit;
    font-weight: 600;
    color: var(--cds-text-04);
    background: var(--cds-interactive-01);
    border: 0;
    cursor: pointer;
  }
  .large:focus-visible {
    outline: 3px solid var(--cds-focus);
    outline-offset: 2px;
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
    .tools,
    .none {
      grid-column: 1 / -1;
    }
  }
</style>
