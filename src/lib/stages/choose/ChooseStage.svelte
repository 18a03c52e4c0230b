<script lang="ts">
  import Working from '$lib/ui/Working.svelte';
  import { onDestroy, untrack } from 'svelte';
  import type { Change } from '$core/planner';
  import { moneyCents } from '$core/plans';
  import { worstVerdict } from '$core/rules';
  import { Button, ContentSwitcher, Switch } from 'carbon-components-svelte';
  import { isNoCommand } from '$lib/ui/keys';
  import { supplies } from '$lib/state/supplies.svelte';
  import type { JobModel } from '../jobModel.svelte';
  import { accept } from './accept';
  import { chooseWords, proposalWords, trialWords } from '$words/chooseAnswer';
  import AnswerLine from '../AnswerLine.svelte';
  import NeedStrip from './NeedStrip.svelte';
  import PlanBox from './PlanBox.svelte';
  import Fetched from '$lib/ui/Fetched.svelte';
  import Guarded from '$lib/ui/Guarded.svelte';
  import { ran } from '$lib/state/effects';
  import { chooseStage as texts } from '$words/stages/choose';

  let { model }: { model: JobModel } = $props();

  let part = $state(0);
  const WHAT_IF = 4;

  // The planner lives in a worker, outside this screen: whenever what it is asked changes, it is asked again.
  $effect(() => {
    ran('choose: the planner is asked');
    void model.planning.request;
    untrack(() => void model.planning.ask());
  });
  // Left, it needs no answer any more.
  onDestroy(() => model.planning.close());

  const answer = $derived.by(() => {
    const { job, planning, proposal } = model;
    if (job.plan !== null) {
      const { placements, unmet } = job.plan;
      const unmetMusts = job.needs.filter(({ id, must }) => must && unmet.includes(id)).length;
      const accepted = { cards: placements.length, unmetMusts };
      return chooseWords({ stage: 'choose', needs: job.needs.length, accepted });
    }
    if (model.onTrial.length > 0) {
      const musts = model.needsNow.filter(({ need }) => need.must);
      return trialWords(
        model.trialVerdicts.map(({ verdict }) => verdict),
        musts.map(({ then }) => then.state),
        model.trialCents,
        worstVerdict([...model.trialVerdicts, ...musts]),
      );
    }
    // While another plan is looked for the last one stands: a line that came and went would move all below it.
    if (proposal === null || job.needs.length === 0)
      return chooseWords({ stage: 'choose', needs: job.needs.length, accepted: null });
    const cents = planning.boughtCents + moneyCents(proposal.cost.parts);
    const musts = job.needs.filter(({ must }) => must).length;
    return proposalWords(proposal, cents, musts, model.unknown.length);
  });

  function suppose(change: Change) {
    void model.planning.suppose(change);
    part = WHAT_IF;
  }

  function onkeydown(event: KeyboardEvent) {
    if (event.ctrlKey || event.metaKey || event.altKey || isNoCommand(event)) return;
    const to = { p: 0, c: 1, l: 2, w: 3, f: WHAT_IF }[event.key];
    if (to !== undefined) part = to;
    else if (event.key === 'Escape') model.takeAllOff();
    else if (event.key === 'a' && model.job.plan === null) void accept(model);
    else if (event.key === 's' && model.planning.isRunning) void model.planning.stop();
    else if (event.key === 'y' && model.chosenCard !== null && model.chosenSlot !== null)
      void model.planning.whyNot(model.chosenCard, model.chosenSlot);
    else return;
    event.preventDefault();
  }
</script>

<svelte:window {onkeydown} />

{#if supplies.supplierAway}
  <p class="away" role="status">
    <strong>{texts.theSupplierOrTheDriver}</strong>
    {texts.whatWasKeptFromLast}
  </p>
{/if}
{#if model.job.machine.slots.length === 0}
  <h1>{texts.nothingToPlanForYet}</h1>
  <p>
    {texts.surveyTheMachineFirstWithout} <a href="survey">{texts.toTheSurvey}</a>
  </p>
{:else if supplies.cards === null && supplies.supplierAway}
  <h1>{texts.noCatalogueYet}</h1>
  <p>{texts.cardsComeFromTheSupplier}</p>
  <Button size="small" on:click={() => supplies.read()}>{texts.tryAgain}</Button>
{:else if supplies.cards === null}
  <Working words={texts.fetchingTheCatalogue} />
{:else}
  <h1 class="only-read">{texts.choose}</h1>
  <AnswerLine {answer} stage="choose" />
  <div class="strip"><Guarded what={texts.whatEachNeedGets}><NeedStrip {model} /></Guarded></div>
  {#if model.onTrial.length > 0}
    <Fetched load={() => import('./TrialBox.svelte')}>
      {#snippet shown(TrialBox)}<TrialBox {model} />{/snippet}
    </Fetched>
  {/if}
  <div class="parts">
    <ContentSwitcher size="sm" aria-label={texts.partsOfChoosing} bind:selectedIndex={part}>
      <Switch text={texts.plan} />
      <Switch text={texts.cards} />
      <Switch text={texts.links} />
      <Switch text={texts.power} />
      <Switch text={texts.whatIf} />
    </ContentSwitcher>
  </div>
  {#if part === 0}
    {#if model.job.plan === null && model.planning.isImpossible}
      <Fetched load={() => import('./Clash.svelte')}>
        {#snippet shown(Clash)}<Clash {model} {suppose} />{/snippet}
      </Fetched>
    {/if}
    {#if model.job.plan !== null}
      <Fetched load={() => import('./AcceptedPlan.svelte')}>
        {#snippet shown(AcceptedPlan)}<AcceptedPlan {model} />{/snippet}
      </Fetched>
    {:else}
      <Guarded what={texts.thePlan}><PlanBox {model} /></Guarded>
      <Fetched load={() => import('./Weighing.svelte')}>
        {#snippet shown(Weighing)}<Weighing {model} />{/snippet}
      </Fetched>
    {/if}
  {:else if part === 1}
    <Fetched load={() => import('./CardTable.svelte')}>
      {#snippet waiting()}<Working words={texts.layingOutTheCards} />{/snippet}
      {#snippet shown(CardTable)}<CardTable {model} />{/snippet}
    </Fetched>
  {:else if part === 2}
    <Fetched load={() => import('./LinksPicture.svelte')}>
      {#snippet shown(LinksPicture)}<LinksPicture {model} />{/snippet}
    </Fetched>
  {:else if part === WHAT_IF}
    <Fetched load={() => import('./WhatIf.svelte')}>
      {#snippet shown(WhatIf)}<WhatIf {model} />{/snippet}
    </Fetched>
  {:else}
    <Fetched load={() => import('./PowerPicture.svelte')}>
      {#snippet shown(PowerPicture)}<PowerPicture {model} />{/snippet}
    </Fetched>
  {/if}
{/if}

<style>
  .away {
    border-left: 4px solid var(--tenant-limited);
    padding-left: 0.5rem;
    margin-bottom: 0.75rem;
    font-size: 0.875rem;
  }
  .parts {
    max-width: 34rem;
    margin: 0.75rem 0;
  }
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
