<script lang="ts">
  import { diagnoses, provings, stageAnswer } from '$core/diagnosis';
  import { doneActs } from '$core/document';
  import { steps, type Step } from '$core/procedure';
  import type { JobModel } from '../jobModel.svelte';
  import { answerWords } from '$words/answers';
  import AnswerLine from '../AnswerLine.svelte';
  import StepList from '../steps/StepList.svelte';
  import MachineReport from './MachineReport.svelte';
  import NeedProof from './NeedProof.svelte';
  import Guarded from '$lib/ui/Guarded.svelte';
  import { proveStage as texts } from '$words/stages/prove';

  let { model }: { model: JobModel } = $props();

  /** What was found to hold a figure back stands with its need. */
  const toTick = $derived(
    steps(model.job).filter((step: Step) => step.stage === 'prove' && step.code !== 'mend'),
  );
  const found = $derived(diagnoses(model.job));

  /** A link is read off the screen: picking it in the list ticks it. */
  function toggle(step: Step) {
    model.open.run({ name: step.isOpen ? 'tickStep' : 'untickStep', of: step });
  }
</script>

<AnswerLine answer={answerWords(stageAnswer(model.job, 'prove'))} stage="prove" />
{#if model.job.plan === null}
  <h1>{texts.noPlanYet}</h1>
  <p>{texts.whatIsExpectedFollowsFrom} <a href="choose">{texts.toChoose}</a></p>
{:else}
  <h1 class="only-read">{texts.measuredAgainstWhatWasExpected}</h1>
  <p class="key quiet" aria-hidden="true">
    <span class="band"></span>
    {texts.expected}
    <span class="wanted"></span>
    {texts.wanted}
    <span class="reading"></span>
    {texts.oneRun}
    <span class="median"></span>
    {texts.median}
  </p>
  {#each provings(model.job) as proving (proving.expectation.need.id)}
    {@const { need } = proving.expectation}
    <Guarded what={texts.oneOfTheNeeds}>
      <NeedProof {model} {proving} diagnosis={found.get(need.id) ?? null} />
    </Guarded>
  {/each}
  {#if toTick.length > 0}
    <h2>{texts.toLookAtBeforeAnything}</h2>
    <p class="quiet">{texts.pickOneWhenItIs}</p>
    <StepList
      steps={toTick}
      done={doneActs(model.job.acts)}
      current={null}
      pick={toggle}
      untick={toggle}
    />
  {/if}
  <Guarded what={texts.theReportOfTheMachine}><MachineReport {model} /></Guarded>
{/if}

<style>
  h2 {
    margin-top: 1rem;
  }
  .key {
    display: flex;
    align-items: center;
    gap: 0.375rem;
    margin-bottom: 0.375rem;
  }
  .key span:not(:first-child) {
    margin-left: 0.75rem;
  }
  .band {
    width: 1.25rem;
    height: 9px;
    background: var(--tenant-plan);
    opacity: 0.35;
  }
  .wanted {
    height: 14px;
    border-left: 2px dashed var(--cds-text-01);
  }
  .reading {
    width: 8px;
    height: 8px;
    background: var(--cds-text-01);
    border-radius: 50%;
  }
  .median {
    height: 14px;
    border-left: 3px solid var(--cds-text-01);
  }
</style>
