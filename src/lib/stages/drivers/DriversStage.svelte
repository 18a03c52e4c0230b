<script lang="ts">
  /** The steps to the drivers; every device with its driver before, planned and now; packages at hand. */
  import { driverStates, stateOf } from '$core/diagnosis';
  import { drivesNamed, type Stage } from '$core/document';
  import { openSteps, type Step } from '$core/procedure';
  import Guarded from '$lib/ui/Guarded.svelte';
  import VerdictMark from '$lib/ui/VerdictMark.svelte';
  import { OUTCOME_VERDICT, outcomeWords } from '$words/driverStates';
  import type { JobModel } from '../jobModel.svelte';
  import StepStage from '../steps/StepStage.svelte';
  import DeviceDrivers from './DeviceDrivers.svelte';
  import DriveGuard from './DriveGuard.svelte';
  import PackagesAtHand from './PackagesAtHand.svelte';
  import Ways from './Ways.svelte';
  import { driversStage as texts } from '$words/stages/drivers';

  let { model, stage }: { model: JobModel; stage: Stage } = $props();

  const states = $derived(driverStates(model.job));

  const preparing = $derived(openSteps(model.job).filter(({ code }) => code === 'prepareDrives'));
  /** Drives that have to be named by then: those of this step, and of the steps before it for the same card. */
  const namedBy = (step: Step): number =>
    preparing
      .slice(0, preparing.findIndex(({ id }) => id === step.id) + 1)
      .filter(({ slotId }) => slotId === step.slotId)
      .reduce((sum, each) => sum + (each.code === 'prepareDrives' ? each.values.count : 0), 0);

  /** Every drive is named first. */
  const mayTick = (step: Step): boolean =>
    step.code !== 'prepareDrives' ||
    drivesNamed(model.job.observations, step.slotId).length >= namedBy(step);
</script>

{#snippet about(step: Step)}
  {@const state = stateOf(step, model.job)}
  {#if step.code === 'prepareDrives'}
    <DriveGuard {model} slotId={step.slotId} count={namedBy(step)} />
  {:else if state !== null && state.outcome !== 'unseen'}
    {@const verdict = OUTCOME_VERDICT[state.outcome]}
    <p class="seen">
      {#if verdict !== null}<VerdictMark {verdict} withWord={false} />{/if}
      <span><strong>{texts.theLastReport}</strong> {outcomeWords(state)}</span>
    </p>
  {/if}
{/snippet}

<Guarded what={texts.theListOfSteps}><StepStage {model} {stage} {about} {mayTick} /></Guarded>
<Guarded what={texts.howDriversAreDealtWith}><Ways {model} /></Guarded>
{#if model.job.plan !== null}
  <Guarded what={texts.theTableOfDevices}><DeviceDrivers {model} {states} /></Guarded>
{/if}
<Guarded what={texts.theDriverPackagesAtHand}><PackagesAtHand {model} /></Guarded>

<style>
  .seen {
    display: flex;
    gap: 0.5rem;
    align-items: flex-start;
    margin-bottom: 1rem;
  }
</style>
