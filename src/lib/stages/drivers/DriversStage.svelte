<script lang="ts">
  /** The steps to the drivers; every device with its driver before, planned and now; packages at hand. */
  import { driverStates, drivesNamed, stateOf, type Stage, type Step } from '$core';
  import VerdictMark from '$lib/ui/VerdictMark.svelte';
  import { OUTCOME_VERDICT, outcomeWords } from '$lib/wording/driverStates';
  import type { JobModel } from '../jobModel.svelte';
  import StepStage from '../steps/StepStage.svelte';
  import DeviceDrivers from './DeviceDrivers.svelte';
  import DriveGuard from './DriveGuard.svelte';
  import PackagesAtHand from './PackagesAtHand.svelte';
  import Ways from './Ways.svelte';

  let { model, stage }: { model: JobModel; stage: Stage } = $props();

  const states = $derived(driverStates(model.job));

  /** Every drive is named first. */
  const mayTick = (step: Step): boolean =>
    step.code !== 'prepareDrives' ||
    step.slotId === null ||
    drivesNamed(model.job.observations, step.slotId).length >= step.values.count;
</script>

{#snippet about(step: Step)}
  {@const state = stateOf(step, model.job)}
  {#if step.code === 'prepareDrives' && step.slotId !== null}
    <DriveGuard {model} slotId={step.slotId} count={step.values.count} />
  {:else if state !== null && state.outcome !== 'unseen'}
    {@const verdict = OUTCOME_VERDICT[state.outcome]}
    <p class="seen">
      {#if verdict !== null}<VerdictMark {verdict} withWord={false} />{/if}
      <span><strong>The last report:</strong> {outcomeWords(state)}</span>
    </p>
  {/if}
{/snippet}

<StepStage {model} {stage} {about} {mayTick} />
<Ways {model} />
{#if model.job.plan !== null}
  <DeviceDrivers {model} {states} />
{/if}
<PackagesAtHand {model} />

<style>
  .seen {
    display: flex;
    gap: 0.5rem;
    align-items: flex-start;
    margin-bottom: 1rem;
  }
</style>
