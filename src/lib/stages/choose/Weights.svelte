<script lang="ts">
  /** What the chosen plan costs by its score; opened, part by part, and how much each part counts. */
  import { scoreMoney } from '$words/plans';
  import type { JobModel } from '../jobModel.svelte';
  import Fetched from '$lib/ui/Fetched.svelte';
  import { weights as texts } from '$words/stages/choose';

  let { model }: { model: JobModel } = $props();

  const plan = $derived(model.proposal);
  let isOpen = $state(false);
</script>

{#if plan !== null}
  <details bind:open={isOpen}>
    <summary>{texts.scoreItsPartsAndWeights(scoreMoney(plan))}</summary>
    {#if isOpen}
      <Fetched load={() => import('./WeightTable.svelte')}>
        {#snippet shown(WeightTable)}<WeightTable {model} {plan} />{/snippet}
      </Fetched>
    {/if}
  </details>
{/if}

<style>
  details {
    font-size: 0.8125rem;
    margin-bottom: 0.75rem;
  }
</style>
