<script lang="ts">
  /** What the machine does before the work, need by need, to stand beside what it does afterwards. */
  import { expectations, type Expectation } from '$core/assembly';
  import { runsOf, type RunObservation } from '$core/document';
  import { flowFigure } from '$lib/wording/flowFigures';
  import { needWords } from '$lib/wording/needs';
  import { KIND_WORDS } from '$lib/wording/kinds/words';
  import type { JobModel } from '../jobModel.svelte';
  import RunForm from '../prove/RunForm.svelte';

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
    No need of this plan is measured in a figure: the photographs and the device list are enough.
  </p>
{:else}
  <ul aria-label="Measured before the work">
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
            label="{KIND_WORDS[each.need.kind]} before"
            phase="before"
            isBrief
          />
          {#each before(each) as run (run.id)}
            <p>
              <strong>{flowFigure(run.value, each.flow)}</strong>
              <button
                type="button"
                class="text"
                aria-label="Remove the run of {flowFigure(run.value, each.flow)}"
                onclick={() => remove(run)}>Remove</button
              >
            </p>
          {/each}
        </div>
      </li>
    {/each}
  </ul>
  <p class="quiet">Where the machine cannot do it yet, leave it empty.</p>
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
