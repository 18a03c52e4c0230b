<script lang="ts">
  /** The accepted plan: what has to be ordered for it, whether another would be better by now, and the way back. */
  import { Button } from 'carbon-components-svelte';
  import { hasChangedSincePlan } from '$core/commands';
  import type { JobModel } from '../jobModel.svelte';
  import { withdraw } from './accept';
  import Running from './Running.svelte';
  import ShoppingList from './ShoppingList.svelte';
  import Fetched from '$lib/ui/Fetched.svelte';
  import { acceptedPlan as texts } from '$words/stages/choose';

  let { model }: { model: JobModel } = $props();

  const job = $derived(model.job);
  const planning = $derived(model.planning);
  const accepted = $derived(
    keys((job.plan?.placements ?? []).map(({ card, slotId }) => [card.id, slotId])),
  );
  const isStillBest = $derived(
    planning.plans.some(
      ({ plan }) => keys(plan.placements.map(({ card, slot }) => [card.id, slot.id])) === accepted,
    ),
  );

  function keys(pairs: readonly (readonly [string, string])[]): string {
    return pairs
      .map((pair) => pair.join('@'))
      .toSorted()
      .join();
  }
</script>

<section class="part" aria-labelledby="plan-heading">
  <div class="head">
    <h2 id="plan-heading">{texts.theAcceptedPlan}</h2>
    <Button size="small" kind="tertiary" on:click={() => withdraw(model)}>{texts.withdrawIt}</Button
    >
  </div>
  {#if planning.progress !== null}
    <Running {planning} />
  {:else if !isStillBest && planning.plans.length > 0}
    <p class="warn" role="status">
      {texts.sinceItWasAcceptedThe(hasChangedSincePlan(job))}
    </p>
  {/if}
  <ShoppingList {job} />
  <Fetched load={() => import('./Rounds.svelte')}>
    {#snippet shown(Rounds)}<Rounds {model} />{/snippet}
  </Fetched>
</section>

<style>
  h2 {
    font-size: 1.25rem;
  }
  .head {
    display: flex;
    justify-content: space-between;
    align-items: center;
    gap: 1rem;
    margin-bottom: 0.5rem;
  }
  .warn {
    border-left: 4px solid var(--tenant-limited);
    padding-left: 0.5rem;
    margin: 0.5rem 0;
    font-size: 0.875rem;
  }
</style>
