<script lang="ts">
  /** The other plans with their prices, one key away; opened, beside each other. */
  import { moneyCents } from '$core/plans';
  import { inMoney } from '$words/figures';
  import { PLAN_WORDS } from '$words/plans';
  import type { JobModel } from '../jobModel.svelte';
  import Fetched from '$lib/ui/Fetched.svelte';
  import { alternatives as texts } from '$words/stages/choose';

  let { model }: { model: JobModel } = $props();

  const planning = $derived(model.planning);
  let areBeside = $state(false);
</script>

{#if planning.plans.length > 1}
  <section aria-labelledby="others-heading">
    <h2 id="others-heading">{texts.otherPlans}</h2>
    <div class="switch" role="group" aria-label={texts.whichPlanIsShown}>
      {#each planning.plans as { key, plan } (key)}
        <button
          type="button"
          aria-pressed={planning.chosen === plan}
          onclick={() => (planning.chosenKey = key)}
          onmouseenter={() => (planning.glancedKey = key)}
          onmouseleave={() => (planning.glancedKey = null)}
          onfocus={() => (planning.glancedKey = key)}
          onblur={() => (planning.glancedKey = null)}
        >
          {PLAN_WORDS[key]} <span>{inMoney(moneyCents(plan.cost.parts))}</span>
        </button>
      {/each}
    </div>
    <details bind:open={areBeside}>
      <summary>{texts.whatDiffersAndWhatEach}</summary>
      {#if areBeside}
        <Fetched load={() => import('./PlansBeside.svelte')}>
          {#snippet shown(PlansBeside)}<PlansBeside {model} />{/snippet}
        </Fetched>
      {/if}
    </details>
  </section>
{/if}

<style>
  section {
    margin-bottom: 0.75rem;
  }
  details {
    font-size: 0.8125rem;
  }
  .switch {
    display: flex;
    flex-wrap: wrap;
    gap: 0.25rem;
    margin: 0.25rem 0 0.5rem;
  }
  .switch button {
    font: inherit;
    font-size: 0.8125rem;
    color: var(--cds-text-01);
    background: var(--cds-ui-01);
    border: 1px solid var(--cds-ui-04);
    padding: 0.25rem 0.6rem;
    cursor: pointer;
  }
  .switch span {
    margin-left: 0.6rem;
    color: var(--cds-text-02);
    font-variant-numeric: tabular-nums;
  }
  .switch button[aria-pressed='true'] {
    border-color: var(--cds-text-01);
    border-bottom-width: 3px;
    font-weight: 600;
  }
  .switch button:focus-visible {
    outline: 2px solid var(--cds-focus);
    outline-offset: 1px;
  }
</style>
