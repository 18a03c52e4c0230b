<script lang="ts">
  import {
    Button,
    InlineLoading,
    InlineNotification,
    Tab,
    TabContent,
    Tabs,
  } from 'carbon-components-svelte';
  import { isTyping } from '$lib/shop/keys';
  import { shop } from '$lib/state/shop.svelte';
  import type { JobModel } from '../jobModel.svelte';
  import CardTable from './CardTable.svelte';
  import NeedStrip from './NeedStrip.svelte';
  import PlanBox from './PlanBox.svelte';
  import TrialBox from './TrialBox.svelte';

  let { model }: { model: JobModel } = $props();

  let tab = $state(0);

  // The planner lives in a worker, outside this screen: whenever what it is asked changes, it is asked again.
  $effect(() => {
    void [model.job.machine, model.job.needs, model.job.budgetCents, shop.cards, shop.library];
    void model.propose();
  });

  function onkeydown(event: KeyboardEvent) {
    if (event.ctrlKey || event.metaKey || event.altKey || isTyping(event)) return;
    const to = { p: 0, c: 1, w: 2 }[event.key];
    if (to !== undefined) tab = to;
    else if (event.key === 'Escape') model.takeAllOff();
    else if (event.key === 'a' && model.job.plan === null) model.accept();
    else return;
    event.preventDefault();
  }
</script>

<svelte:window {onkeydown} />

{#if shop.supplierAway}
  <InlineNotification
    lowContrast
    hideCloseButton
    kind="warning"
    title="The supplier or the driver library cannot be reached."
    subtitle="What was kept from last time is used; driver verdicts may be missing."
  />
{/if}
{#if model.job.machine.slots.length === 0}
  <h1>Nothing to choose for yet</h1>
  <p>
    Survey the machine first: without slots no card has a place. <a href="survey">To the survey</a>
  </p>
{:else if shop.cards === null && shop.supplierAway}
  <h1>No catalogue yet</h1>
  <p>Cards come from the supplier the first time; after that they are kept in this browser.</p>
  <Button size="small" on:click={() => shop.readSupplies()}>Try again</Button>
{:else if shop.cards === null}
  <InlineLoading description="Fetching the catalogue" />
{:else}
  <h1 class="only-read">Choose</h1>
  <div class="strip"><NeedStrip {model} /></div>
  {#if model.onTrial.length > 0}<TrialBox {model} />{/if}
  <Tabs bind:selected={tab} type="default">
    <Tab label="Best plan" />
    <Tab label="Cards" />
    <Tab label="Power" />
    <svelte:fragment slot="content">
      <TabContent><PlanBox {model} /></TabContent>
      <TabContent
        >{#if tab === 1}<CardTable {model} />{/if}</TabContent
      >
      <TabContent
        >{#if tab === 2}{#await import('./PowerPicture.svelte') then { default: PowerPicture }}<PowerPicture
              {model}
            />{/await}{/if}</TabContent
      >
    </svelte:fragment>
  </Tabs>
{/if}

<style>
  /* The needs stay in sight while cards are compared. */
  .strip {
    position: sticky;
    top: -1rem;
    z-index: 2;
    background: var(--cds-ui-01);
    margin-top: -1rem;
    padding-top: 1rem;
  }
  h1,
  p {
    margin-bottom: 0.5rem;
  }
</style>
