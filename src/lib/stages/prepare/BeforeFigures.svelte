<script lang="ts">
  /** What the machine does before the work, need by need, to stand beside what it does afterwards. */
  import { expectations, type Expectation } from '$core/assembly';
  import { runsOf, type RunObservation } from '$core/document';
  import { flowFigure } from '$words/flowFigures';
  import { needWords } from '$words/needs';
  import { KIND_WORDS } from '$words/kinds/words';
  import type { JobModel } from '../jobModel.svelte';
  import RunForm from '../prove/RunForm.svelte';
  import { beforeFigures as texts } from '$words/stages/prepare';

  let { model }: { model: JobModel } = $props();

  const measurable = $derived(
    expectations(model.job).flatMap((each) =>
      each.flow === null ? [] : { ...each, flow: each.flow },
    ),
  );
  const before = ({ need }: Expectation) => runsOf(model.job.observations, need.id, 'before');

  const remove = (run: RunObservation) =>
    model.open.run({ name: 'removeObservation', observationId: run.id });
</script>

{#if measurable.length === 0}
  <p class="quiet">
    {texts.noNeedOfThisPlan}
  </p>
{:else}
  <ul aria-label={texts.measuredBeforeTheWork}>
    {#each measurable as each (each.need.id)}
      <li>
        <span>
          <strong>{KIND_WORDS[each.need.kind]}</strong>
          <span class="quiet">{needWords(each.need)}</span>
        </span>
        <div>
          <RunForm
            {model}
            need={each.need}
            flow={each.flow}
            id="before-{each.need.id}"
            label={texts.before(KIND_WORDS[each.need.kind])}
            phase="before"
            isBrief
          />
          {#each before(each) as run (run.id)}
            <p>
              <strong>{flowFigure(run.value, each.flow)}</strong>
              <button
                type="button"
                class="text"
                aria-label={texts.removeTheRunOf(flowFigure(run.value, each.flow))}
                onclick={() => remove(run)}>{texts.remove}</button
              >
            </p>
          {/each}
        </div>
      </li>
    {/each}
  </ul>
  <p class="quiet">{texts.whereTheMachineCannotDo}</p>
{/if}

<style>
  ul {
    margin-bottom: 0.5rem;
  }
  li {
    display: grid;
    grid-template-columns: minmax(0, 1fr) minmax(0, 1.4fr);
    gap: 1rem;
    align-items: center;
    padding: 0.375rem 0;
    border-top: 1px solid var(--cds-ui-03);
    font-size: 0.875rem;
  }
  li span {
    display: block;
  }
  p {
    font-size: 0.875rem;
    margin-bottom: 0.5rem;
  }
</style>
