<script lang="ts">
  import { Button } from 'carbon-components-svelte';
  import { tick as settled, type Snippet } from 'svelte';
  import { STAGES, doneActs, type Stage } from '$core/document';
  import {
    lastDone,
    mayTakeBack,
    openRound,
    stageOfRound,
    steps as stepsOf,
    type Step,
  } from '$core/procedure';
  import { stageAnswer } from '$core/diagnosis';
  import { isOnControl, isNoCommand } from '$lib/ui/keys';
  import { selection } from '$lib/state/selection.svelte';
  import { answerWords } from '$words/answers';
  import { STAGE_WORDS } from '$words/stages';
  import { stepWords } from '$words/steps';
  import type { JobModel } from '../jobModel.svelte';
  import AnswerLine from '../AnswerLine.svelte';
  import Cautions from './Cautions.svelte';
  import { WAY_ON, focusWayOn } from '../wayOn';
  import StepList from './StepList.svelte';
  import Guarded from '$lib/ui/Guarded.svelte';
  import { ran } from '$lib/state/effects';
  import { stepStage as texts } from '$words/stages/steps';

  let {
    model,
    stage,
    about,
    mayTick = () => true,
  }: {
    model: JobModel;
    stage: Stage;
    /** What is known of a step besides, or asked before it is done; `letGo` leaves a picked step for the next open one. */
    about?: Snippet<[step: Step, letGo: () => void]>;
    /** False while something is asked before. */
    mayTick?: (step: Step) => boolean;
  } = $props();

  let article = $state<HTMLElement>();
  const steps = $derived(stepsOf(model.job).filter((step) => step.stage === stage));
  const made = $derived(doneActs(model.job.acts));
  const open = $derived(openRound(model.job));
  /** Preparing is done once, for all rounds. */
  const isOfRound = $derived(stage !== 'prepare');
  /** A step picked from the list; otherwise the first that is not ticked. */
  let picked = $state<string | null>(null);
  const current = $derived(
    steps.find(({ id }) => id === picked) ??
      steps.find(({ isOpen, round }) => isOpen && (round <= open || !isOfRound)) ??
      null,
  );
  /** Where the round that is worked on goes on, if it is not here. */
  const goesOn = $derived(
    isOfRound && steps.some(({ round }) => round > open) ? stageOfRound(model.job) : null,
  );
  const waits = $derived(isOfRound && current !== null && current.round > open);
  const position = $derived(current === null ? steps.length : steps.indexOf(current) + 1);
  const words = $derived(current === null ? null : stepWords(current));
  const next = $derived(goesOn ?? STAGES[STAGES.indexOf(stage) + 1]);
  const done = $derived(current !== null && !current.isOpen);

  // The board lies outside this stage: the spot of the current step is lit there.
  $effect(() => {
    ran('steps: the slot that is lit');
    selection.slotId = current?.slotId ?? null;
  });

  /** The next open step again, whatever was picked. */
  const letGo = () => (picked = null);
  const canTick = (step: Step): boolean => !waits && mayTick(step);

  function tick() {
    if (current === null || (!done && !canTick(current))) return;
    if (!done) model.open.run({ name: 'tickStep', of: current });
    picked = null;
    // The button of the last step is gone with it; at a step that asks something first it takes no focus.
    if (current === null) void focusWayOn();
    else if (!canTick(current)) void focusAsked();
  }

  const isAsked = $derived(current !== null && !done && !waits && !mayTick(current));
  let wasAsked = false;
  // What was asked is answered: the hand that answered goes on to the button that waited for it.
  $effect(() => {
    ran('steps: an answer');
    const isAnswered = wasAsked && !isAsked;
    wasAsked = isAsked;
    if (isAnswered && article?.contains(document.activeElement) === true)
      void settled().then(() => article?.querySelector<HTMLElement>('.tick')?.focus());
  });

  async function focusAsked() {
    await settled();
    article?.querySelector<HTMLElement>('button:enabled, input:enabled')?.focus();
  }

  function takeBack() {
    const last = lastDone(model.job, steps);
    if (last !== undefined && mayTakeBack(model.job, last))
      model.open.run({ name: 'untickStep', of: last });
    picked = null;
  }

  function onkeydown(event: KeyboardEvent) {
    if (isNoCommand(event) || isOnControl(event) || event.ctrlKey || event.metaKey || event.altKey)
      return;
    if (event.key === ' ') tick();
    else if (event.key === 'Backspace') takeBack();
    else return;
    event.preventDefault();
  }
</script>

<svelte:window {onkeydown} />

<AnswerLine
  answer={answerWords(stageAnswer(model.job, stage))}
  {stage}
  isWayOn={model.job.plan === null || current !== null}
/>
{#if model.job.plan === null}
  <h1>{texts.noPlanYet}</h1>
  <p>{texts.theStepsFollowFromAn} <a href="choose">{texts.toChoose}</a></p>
{:else}
  <article bind:this={article} aria-live="polite" class:working={current !== null}>
    {#if current && words}
      <p class="quiet">{texts.stepOf(STAGE_WORDS[stage], position, steps.length)}</p>
      <h1>{words.title}</h1>
      {#if words.detail}<p class="detail">{words.detail}</p>{/if}
      <Cautions cautions={current.cautions} staticWay={model.job.staticWay} />
      <Guarded what={texts.whatBelongsToThisStep}>{@render about?.(current, letGo)}</Guarded>
      <Button class="tick main-act" disabled={!done && !canTick(current)} on:click={tick}
        >{done
          ? texts.doneAlreadyNext
          : waits
            ? texts.waitsUntilTheRoundBefore
            : texts.doneNextSpace}</Button
      >
    {:else}
      <h1 class:only-read={goesOn === null}>
        {texts.nothingIsLeftHere(STAGE_WORDS[stage], goesOn === null)}
      </h1>
      {#if next}
        <Button class="tick main-act" id={WAY_ON} href={next}
          >{texts.onTo(STAGE_WORDS[next], STAGES.indexOf(next) + 1)}</Button
        >
      {/if}
    {/if}
  </article>
  <StepList
    {steps}
    done={made}
    current={current?.id ?? null}
    pick={({ id }) => (picked = id)}
    mayUntick={(step) => mayTakeBack(model.job, step)}
    untick={(step) => model.open.run({ name: 'untickStep', of: step })}
  />
{/if}

<style>
  /* The list below stays where it is from step to step. */
  .working {
    min-height: 14rem;
  }
  article h1 {
    font-size: 1.75rem;
    line-height: 1.25;
    margin: 0.25rem 0 0.75rem;
  }
  .detail {
    font-size: 1.125rem;
    line-height: 1.45;
    margin-bottom: 1rem;
  }
  article :global(.tick) {
    width: 100%;
    max-width: none;
    min-height: 4rem;
    font-size: 1.125rem;
    margin-top: 0.5rem;
  }
</style>
