<script lang="ts">
  import Working from '$lib/ui/Working.svelte';
  /** Why no plan meets all musts, and the single changes that would free it. */
  import { Button } from 'carbon-components-svelte';
  import type { Change, Repair } from '$core/planner';
  import { moneyCents } from '$core/plans';
  import { supplies } from '$lib/state/supplies.svelte';
  import { inMoney } from '$words/figures';
  import { changeWords, memberWords } from '$words/clashes';
  import type { JobModel } from '../jobModel.svelte';
  import { doing } from './doing';
  import { clash as texts } from '$words/stages/choose';

  let { model, suppose }: { model: JobModel; suppose: (change: Change) => void } = $props();

  const job = $derived(model.job);
  const planning = $derived(model.planning);
  const explanation = $derived(planning.explanation);

  const words = (change: Change) =>
    changeWords(change, job.machine, job.needs, supplies.cards ?? []);

  function price({ cents, plan }: Repair): string {
    const parts = inMoney(moneyCents(plan.cost.parts));
    if (cents === 0) return texts.thePlanThenCosts(parts);
    return cents === null
      ? texts.priceNotKnownThePlan(parts)
      : texts.costsThePlanThenCosts(inMoney(cents), parts);
  }
</script>

<section aria-labelledby="clash-heading">
  <h2 id="clash-heading">{texts.whyNotEverythingFits}</h2>
  {#if explanation === null}
    <Working words={texts.findingOutWhatConflicts} />
  {:else}
    {#each explanation.sets as { members }, n (n)}
      <p>
        {texts.theseDoNotGoTogether(explanation.sets.length > 1 ? `${n + 1}. ` : '')}
      </p>
      <ul class="set">
        {#each members as member, n (n)}
          <li>{memberWords(member, job.machine, supplies.cards ?? [])}</li>
        {/each}
      </ul>
    {/each}
    {#if explanation.repairs.length > 0}
      <h3>{texts.anyOneOfTheseWould}</h3>
      <ul class="changes">
        {#each explanation.repairs as each, n (n)}
          {@const act = doing(model, each.change)}
          <li>
            <span>{words(each.change)}</span>
            <span class="quiet">{price(each)}</span>
            <span class="acts">
              <Button size="small" kind="ghost" on:click={() => suppose(each.change)}
                >{texts.seeItFirst}</Button
              >
              {#if act}<Button size="small" kind="tertiary" on:click={act}
                  >{'extra' in each.change ? texts.buyIt : texts.doIt}</Button
                >{/if}
            </span>
          </li>
        {/each}
      </ul>
    {:else}
      <p>{texts.noSingleChangeThatTenant}</p>
    {/if}
  {/if}
</section>

<style>
  section {
    border-left: 4px solid var(--tenant-limited);
    padding: 0 0 0.5rem 0.75rem;
    margin-bottom: 0.75rem;
    font-size: 0.875rem;
  }
  section :global(p) {
    font-size: 0.875rem;
  }
  .set {
    margin: 0.25rem 0 0.5rem;
    list-style: disc inside;
  }
  .set li::first-letter {
    text-transform: uppercase;
  }
  .changes li {
    display: grid;
    grid-template-columns: 1fr auto;
    align-items: center;
    border-top: 1px solid var(--cds-ui-03);
    padding: 0.25rem 0;
  }
  .changes .quiet {
    grid-row: 2;
  }
  .acts {
    grid-row: 1 / 3;
    grid-column: 2;
    white-space: nowrap;
  }
  h3 {
    font-size: 0.875rem;
    font-weight: 600;
    margin-top: 0.5rem;
  }
</style>
