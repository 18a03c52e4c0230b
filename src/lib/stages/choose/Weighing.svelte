<script lang="ts">
  /** What a plan can be held against before it is accepted: its cost part by part, other plans, fixed choices. */
  import { Button } from 'carbon-components-svelte';
  import type { JobModel } from '../jobModel.svelte';
  import Alternatives from './Alternatives.svelte';
  import Weights from './Weights.svelte';
  import Fetched from '$lib/ui/Fetched.svelte';
  import { weighing as texts } from '$words/stages/choose';

  let { model }: { model: JobModel } = $props();

  let areAsked = $state(false);
  /** Most plans are taken without: they are fetched once there is something to fix. */
  const arePinsShown = $derived(
    areAsked ||
      model.job.pins.length > 0 ||
      model.chosenCard !== null ||
      model.chosenSlot !== null ||
      model.planning.reason !== null,
  );
</script>

<Weights {model} />
<Alternatives {model} />
{#if arePinsShown}
  <Fetched load={() => import('./Pins.svelte')}>
    {#snippet shown(Pins)}<Pins {model} />{/snippet}
  </Fetched>
{:else}
  <p>
    <Button size="small" kind="ghost" on:click={() => (areAsked = true)}
      >{texts.fixSomethingBeforePlanning}</Button
    >
  </p>
{/if}
