<script lang="ts">
  /** The steps of the physical work: why each is done now, what lies on the tray, and one at a time at the bench. */
  import { onMount } from 'svelte';
  import { Button } from 'carbon-components-svelte';
  import Printer from 'carbon-icons-svelte/lib/Printer.svelte';
  import {
    estimateOf,
    movesDone,
    onTray,
    openSteps,
    steps as stepsOf,
    type SpentByAct,
    type Step,
  } from '$core/procedure';
  import type { Stage } from '$core/document';
  import { estimateWords, seenWords, trayWords, whyLines } from '$words/bench';
  import { TOOL_WORDS } from '$words/tools';
  import { readLogbook } from '$lib/state/logbook';
  import type { JobModel } from '../jobModel.svelte';
  import StepStage from '../steps/StepStage.svelte';
  import { numberWords } from '$words/rear';
  import { rearNumbers } from './rearNumbers';
  import Procedure from './Procedure.svelte';
  import StaticWays from './StaticWays.svelte';
  import Photos from '../survey/Photos.svelte';
  import Fetched from '$lib/ui/Fetched.svelte';
  import Guarded from '$lib/ui/Guarded.svelte';
  import { fitStage as texts } from '$words/stages/fit';

  let { model, stage }: { model: JobModel; stage: Stage } = $props();

  const steps = $derived(stepsOf(model.job).filter((step) => step.stage === stage));
  const tray = $derived(onTray(movesDone(model.job, steps)));
  let isAtBench = $state(false);
  let logbook = $state.raw<SpentByAct>({});
  onMount(async () => {
    logbook = await readLogbook();
  });

  const socketsOf = (step: Step) =>
    rearNumbers(step, model.planned('fit'), model.job.needs, model.assembly.machine);

  /** Nothing inside is touched before one of the two ways is chosen. */
  const mayTick = (step: Step): boolean => step.code !== 'earth' || model.job.staticWay !== null;
</script>

{#snippet about(step: Step)}
  {#if step.code === 'earth'}<StaticWays {model} />{/if}
  {#if step.code === 'photoInside'}<Photos {model} slotId={null} />{/if}
  <dl>
    {#each whyLines(step, steps) as line, n (n)}
      {#if n === 0}<dt>{texts.whyNow}</dt>{/if}
      <dd>{line}</dd>
    {/each}
    {#if socketsOf(step).length > 0}
      <dt>{texts.fromBehind}</dt>
      <dd>{texts.inTheViewOfThe(numberWords(socketsOf(step)))}</dd>
    {/if}
    <dt>{texts.youShouldSee}</dt>
    <dd>{seenWords(step)}</dd>
    {#if step.task}
      <dt>{texts.takes}</dt>
      <dd>
        {estimateWords(estimateOf(step.code, logbook, step.task.minutes))}{step.task.tool === null
          ? ''
          : `; ${TOOL_WORDS[step.task.tool]}`}
      </dd>
    {/if}
    <dt>{texts.onTheTrayNow}</dt>
    <dd>{trayWords(tray)}</dd>
  </dl>
  <div class="to-bench">
    <Button size="small" kind="tertiary" on:click={() => (isAtBench = true)}
      >{texts.atTheBenchOneTask}</Button
    >
  </div>
{/snippet}

<div class="on-screen">
  <StepStage {model} {stage} {about} {mayTick} />
  {#if steps.length > 0}
    <Button size="small" kind="ghost" icon={Printer} on:click={() => window.print()}
      >{texts.printTheList}</Button
    >
  {/if}
</div>
{#if steps.length > 0}
  <Guarded what={texts.theListToPrint}>
    <Procedure {steps} {logbook} staticWay={model.job.staticWay} />
  </Guarded>
{/if}

{#if isAtBench}
  <Fetched load={() => import('./Bench.svelte')}>
    {#snippet shown(Bench)}<Bench
        {model}
        {logbook}
        steps={openSteps(model.job).filter((step) => step.stage === stage)}
        leave={() => (isAtBench = false)}
      />{/snippet}
  </Fetched>
{/if}

<style>
  .to-bench {
    margin-bottom: 1rem;
  }
  @media print {
    .on-screen {
      display: none;
    }
  }
  dl {
    display: grid;
    grid-template-columns: max-content 1fr;
    gap: 0.25rem 1rem;
    margin-bottom: 1rem;
    font-size: 0.875rem;
  }
  dt {
    grid-column: 1;
    color: var(--cds-text-02);
  }
  dd {
    grid-column: 2;
  }
</style>
