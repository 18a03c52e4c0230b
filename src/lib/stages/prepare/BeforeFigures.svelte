<script lang="ts">
  /** What the machine does before the work, need by need, to stand beside what it does afterwards. */
  import { enteredFigure, expectations, figureFor, type Expectation } from '$core';
  import { now } from '$lib/state/now';
  import { KIND_WORDS, needWords } from '$lib/wording/needs';
  import type { JobModel } from '../jobModel.svelte';
  import FigureInput from '../prove/FigureInput.svelte';

  let { model }: { model: JobModel } = $props();

  const measurable = $derived(
    expectations(model.job).flatMap((each) =>
      each.flow === null ? [] : { ...each, flow: each.flow },
    ),
  );
  const before = ({ need }: Expectation) => figureFor(model.job.observations, need.id, 'before');

  function set({ need }: Expectation, value: number) {
    const observations = [enteredFigure(need.id, value, now(), 'before')];
    model.open.run({ name: 'observe', observations, what: need.kind });
  }
  function remove(each: Expectation) {
    const figure = before(each);
    if (figure !== null)
      model.open.run({
        name: 'removeObservation',
        observationId: figure.id,
        what: each.need.kind,
      });
  }
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
        <FigureInput
          id="before-{each.need.id}"
          label="{KIND_WORDS[each.need.kind]} before"
          flow={each.flow}
          value={before(each)?.value ?? null}
          set={(value) => set(each, value)}
          remove={() => remove(each)}
        />
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
    grid-template-columns: minmax(0, 1fr) 12rem;
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
