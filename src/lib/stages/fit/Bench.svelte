<script lang="ts">
  /** One task at a time, to be read from a metre away with both hands busy. */
  import { onMount, tick as settled } from 'svelte';
  import {
    lastDone,
    mayTakeBack,
    minutesTogether,
    movesDone,
    onTray,
    type SpentByAct,
    type Step,
  } from '$core/procedure';
  import { valueOf } from '$core/parts';
  import type { Machine } from '$core/document';
  import { ROUND_WORDS, cautionWords, stepWords } from '$words/steps';
  import { minutesWords, seenWords, trayWords, whyLines } from '$words/bench';
  import { TOOL_WORDS } from '$words/tools';
  import type { JobModel } from '../jobModel.svelte';
  import { canSpeak, hush, keepAwake, speak } from './bench';
  import { Stopwatch } from './stopwatch';
  import StaticWays from './StaticWays.svelte';
  import DoesNotGo from './DoesNotGo.svelte';
  import TaskPicture from './TaskPicture.svelte';
  import { numberWords } from '$words/rear';
  import { rearNumbers } from './rearNumbers';
  import { taskPicture } from './taskPicture';
  import { ran } from '$lib/state/effects';
  import { bench as texts } from '$words/stages/fit';

  let {
    model,
    steps,
    logbook,
    leave,
  }: {
    model: JobModel;
    /** Of the rounds that are open. */
    steps: readonly Step[];
    logbook: SpentByAct;
    leave: () => void;
  } = $props();

  const current = $derived(steps.find(({ isOpen }) => isOpen) ?? null);
  const position = $derived(current === null ? steps.length : steps.indexOf(current) + 1);
  const words = $derived(current === null ? null : stepWords(current));
  const why = $derived(current === null ? [] : whyLines(current, steps));
  const tray = $derived(onTray(movesDone(model.job, steps)));
  const left = $derived(
    minutesTogether(
      steps.filter(({ isOpen }) => isOpen),
      logbook,
    ),
  );
  const views = $derived(
    // The other machine of a trial is not drawn: nobody measured it.
    current === null || current.round === 0
      ? []
      : taskPicture(current, asItIs(current), model.planned('fit'), model.assembly),
  );

  /** The card that a task takes from its slot is drawn there, wherever the plan has it by then. */
  function asItIs({ slotId }: Step): Machine {
    const drawn = model.drawnMachine('fit');
    const isEmpty = (machine: Machine) =>
      valueOf(machine.slots.find(({ id }) => id === slotId)?.occupant ?? null) === null;
    const { machine } = model.job;
    const isHere = model.planned('fit').some(({ slot }) => slot.id === slotId);
    return isEmpty(drawn) && !isEmpty(machine) && !isHere ? machine : drawn;
  }

  const sockets = $derived(
    current === null
      ? []
      : rearNumbers(current, model.planned('fit'), model.job.needs, model.assembly.machine),
  );

  let isPaused = $state(false);
  let doesNotGo = $state(false);
  let isSpoken = $state(false);
  let mayBeSpoken = $state(false);
  let bench = $state<HTMLDialogElement>();

  onMount(() => {
    const sleep = keepAwake();
    mayBeSpoken = canSpeak();
    // What lies behind it takes no key and no finger.
    bench?.showModal();
    bench?.focus();
    return () => {
      sleep();
      hush();
    };
  });
  $effect(() => {
    ran('bench: speech');
    if (isSpoken && !isPaused && words !== null) speak([words.title, words.detail].join('. '));
    else hush();
  });

  const stopwatch = new Stopwatch();
  $effect(() => {
    ran('bench: a task begins');
    // Each task from when it is shown.
    void current?.id;
    stopwatch.restart();
  });
  $effect(() => {
    ran('bench: pause');
    stopwatch.isRunning = !isPaused;
  });
  const isAsked = $derived(current?.code === 'earth' && model.job.staticWay === null);

  async function done() {
    if (current === null || isPaused || isAsked) return;
    const { seconds } = stopwatch;
    const timed = seconds === null ? {} : { seconds };
    model.open.run({ name: 'tickStep', of: current, ...timed });
    await settled();
    bench?.focus();
  }
  function stopAsking() {
    doesNotGo = false;
    void settled().then(() => bench?.focus());
  }
  function back() {
    const last = lastDone(model.job, steps);
    if (last !== undefined && !isPaused && mayTakeBack(model.job, last))
      model.open.run({ name: 'untickStep', of: last });
  }

  function onkeydown(event: KeyboardEvent) {
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    if (doesNotGo) {
      if (event.key !== 'Escape') return;
      event.preventDefault();
      event.stopPropagation();
      stopAsking();
      return;
    }
    const isOnButton = event.target instanceof HTMLButtonElement;
    if (event.key === 'Escape') leave();
    else if (event.key === 'p') isPaused = !isPaused;
    else if (event.key === ' ' && !isOnButton) void done();
    else if (event.key === 'Backspace') back();
    else if (event.key === 'n' && current !== null) doesNotGo = true;
    else return;
    event.preventDefault();
    event.stopPropagation();
  }
</script>

<dialog
  class="bench"
  aria-label={texts.atTheBench}
  tabindex="-1"
  bind:this={bench}
  {onkeydown}
  oncancel={(event) => event.preventDefault()}
>
  <header>
    <p>
      {#if current}{texts.taskOfLeft({
          position,
          steps: steps.length,
          minutesWords: minutesWords(left),
          round: current.round === 1 ? '' : `. ${ROUND_WORDS[current.round]}`,
        })}{:else}{texts.allTasksAreDone(steps.length)}{/if}
    </p>
    <div class="row">
      {#if mayBeSpoken}
        <button type="button" aria-pressed={isSpoken} onclick={() => (isSpoken = !isSpoken)}
          >{isSpoken ? texts.readAloudOn : texts.readAloud}</button
        >
      {/if}
      <button type="button" aria-pressed={isPaused} onclick={() => (isPaused = !isPaused)}
        >{isPaused ? texts.goOnP : texts.pauseP}</button
      >
      <button type="button" onclick={back}>{texts.backBackspace}</button>
      <button type="button" onclick={leave}>{texts.leaveEsc}</button>
    </div>
  </header>

  {#if current && words}
    <div class="task" class:paused={isPaused}>
      <section class="words" aria-live="polite">
        <h1>{words.title}</h1>
        {#if doesNotGo}
          <DoesNotGo {model} step={current} close={stopAsking} />
        {:else}
          {#if words.detail}<p>{words.detail}</p>{/if}
          {#if current.code === 'earth'}
            <StaticWays {model} chosen={() => bench?.focus()} />
          {/if}
          {#each current.cautions as caution, n (n)}
            <p class="caution">
              <strong>{texts.caution}</strong>
              {cautionWords(caution, model.job.staticWay)}
            </p>
          {/each}
          <dl>
            {#if sockets.length > 0}
              <dt>{texts.fromBehind}</dt>
              <dd>{numberWords(sockets)}</dd>
            {/if}
            <dt>{texts.youShouldSee}</dt>
            <dd>{seenWords(current)}</dd>
            {#if current.task?.tool}
              <dt>{texts.inYourHand}</dt>
              <dd>{TOOL_WORDS[current.task.tool]}</dd>
            {/if}
            <!-- Cautions come first where there is little room. -->
            {#each why.slice(0, current.cautions.length > 1 ? 1 : 2) as line, n (n)}
              {#if n === 0}<dt>{texts.whyNow}</dt>{/if}
              <dd>{line}</dd>
            {/each}
          </dl>
        {/if}
      </section>
      {#if views.length > 0}
        <section class="picture"><TaskPicture {views} /></section>
      {/if}
    </div>
  {:else}
    <div class="task">
      <section class="words"><h1>{texts.fitNothingIsLeftHere}</h1></section>
    </div>
  {/if}

  <footer>
    <p class="tray">
      <strong>{texts.onTheTrayNow}</strong>
      {trayWords(tray)}
    </p>
    {#if current}
      <button
        type="button"
        class="not"
        disabled={isPaused || doesNotGo}
        onclick={() => (doesNotGo = true)}>{texts.itDoesNotGoN}</button
      >
      <button type="button" class="done" disabled={isPaused || doesNotGo || isAsked} onclick={done}
        >{texts.doneSpace}</button
      >
    {:else}
      <button type="button" class="done" onclick={leave}>{texts.leaveTheBench}</button>
    {/if}
  </footer>
</dialog>

<style>
  .bench {
    inset: 0;
    width: 100vw;
    height: 100dvh;
    max-width: none;
    max-height: none;
    padding: 0;
    border: 0;
    display: flex;
    flex-direction: column;
    background: var(--cds-ui-background);
    color: var(--cds-text-01);
  }
  .bench:focus {
    outline: none;
  }
  header,
  footer {
    display: flex;
    align-items: center;
    gap: 1rem;
    padding: 0.5rem 1.5rem;
    justify-content: space-between;
    flex-wrap: wrap;
  }
  header {
    border-bottom: 1px solid var(--cds-ui-03);
  }
  footer {
    border-top: 1px solid var(--cds-ui-03);
    align-items: stretch;
  }
  header p,
  .tray {
    font-size: 1.25rem;
  }
  .tray {
    flex: 1;
    min-width: 16rem;
    align-self: center;
  }
  .row {
    display: flex;
    gap: 0.5rem;
    flex-wrap: wrap;
  }
  button {
    min-height: 3rem;
    padding: 0 1rem;
    font: inherit;
    font-size: 1.125rem;
    color: var(--cds-text-01);
    background: var(--cds-ui-01);
    border: 1px solid var(--cds-ui-04);
    cursor: pointer;
  }
  button[aria-pressed='true'] {
    background: var(--tenant-selected);
  }
  button:focus-visible {
    outline: 3px solid var(--cds-focus);
  }
  .not {
    min-height: 5rem;
    min-width: 14rem;
    font-size: 1.5rem;
  }
  .done {
    min-height: 5rem;
    min-width: 16rem;
    font-size: 1.75rem;
    color: var(--cds-text-04);
    background: var(--cds-interactive-01);
    border: 0;
  }
  .not:disabled,
  .done:disabled {
    opacity: 0.5;
    cursor: not-allowed;
  }
  .task {
    flex: 1;
    min-height: 0;
    display: grid;
    grid-template-columns: minmax(0, 1.15fr) minmax(0, 1fr);
    gap: 1.5rem;
    padding: 1rem 1.5rem;
  }
  .task:not(:has(.picture)) {
    grid-template-columns: 1fr;
  }
  .paused {
    opacity: 0.4;
  }
  .words {
    --panel-text: 2rem;
    overflow-y: auto;
    font-size: 1.75rem;
    line-height: 1.3;
  }
  h1 {
    font-size: 2.25rem;
    line-height: 1.2;
    margin-bottom: 0.75rem;
  }
  .words p,
  dd {
    font-size: 1.75rem;
    line-height: 1.3;
  }
  .caution {
    border-left: 6px solid var(--tenant-blocked);
    padding-left: 0.75rem;
    margin-top: 0.75rem;
  }
  .caution strong {
    color: var(--tenant-blocked);
  }
  dl {
    margin-top: 0.75rem;
  }
  dt {
    margin-top: 0.5rem;
    font-size: 1.125rem;
    color: var(--cds-text-02);
  }
  .picture {
    min-height: 0;
  }
  @media (orientation: portrait) {
    footer {
      display: grid;
      grid-template-columns: 1fr 1fr;
    }
    .tray {
      grid-column: 1 / -1;
    }
    .not,
    .done {
      min-width: 0;
    }
    .task {
      grid-template: minmax(0, max-content) minmax(20rem, 1fr) / 1fr;
    }
    .task:not(:has(.picture)) {
      grid-template-rows: 1fr;
    }
  }
</style>
