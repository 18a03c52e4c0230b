<script lang="ts">
  import { onMount, untrack } from 'svelte';
  import { goto } from '$app/navigation';
  import { tinykeys } from 'tinykeys';
  import { Button, InlineNotification, NotificationActionButton } from 'carbon-components-svelte';
  import ListChecked from 'carbon-icons-svelte/lib/ListChecked.svelte';
  import Redo from 'carbon-icons-svelte/lib/Redo.svelte';
  import Undo from 'carbon-icons-svelte/lib/Undo.svelte';
  import { STAGES, byWeight, jobFileName, writeJobFile, type Stage } from '$core';
  import Board from '$lib/board/Board.svelte';
  import SlotFacts from '$lib/board/SlotFacts.svelte';
  import Tally from '$lib/board/Tally.svelte';
  import type { OpenJob } from '$lib/state/openJob.svelte';
  import { selection } from '$lib/state/selection.svelte';
  import { shop } from '$lib/state/shop.svelte';
  import { download } from '$lib/shop/download';
  import { isTyping } from '$lib/shop/keys';
  import TopBar from '$lib/shop/TopBar.svelte';
  import { findingTopic, findingWords } from '$lib/wording/findings';
  import { STAGE_WORDS } from '$lib/wording/stages';
  import ChooseStage from './choose/ChooseStage.svelte';
  import Findings from './choose/Findings.svelte';
  import HandOverStage from './hand-over/HandOverStage.svelte';
  import NeedsStage from './needs/NeedsStage.svelte';
  import ProveStage from './prove/ProveStage.svelte';
  import StepStage from './steps/StepStage.svelte';
  import SurveyStage from './survey/SurveyStage.svelte';
  import JobLog from './JobLog.svelte';
  import { JobModel } from './jobModel.svelte';
  import Divider from './Divider.svelte';

  let { open, stage }: { open: OpenJob; stage: Stage } = $props();

  const model = new JobModel(untrack(() => open));
  const job = $derived(model.job);
  const here = $derived(`/jobs/${job.id}`);
  const nothingToDraw = $derived(
    job.machine.slots.length === 0 &&
      job.machine.board === null &&
      job.machine.case.openings === null,
  );
  const choosing = $derived(stage === 'choose' && model.chosenCard !== null);
  const overlay = $derived(
    new Map(
      choosing
        ? model.chosenVerdicts.map(({ slot, verdict, findings }) => {
            const worst = byWeight(findings)[0];
            return [
              slot.id,
              {
                verdict,
                topic: verdict === 'clear' || worst === undefined ? '' : findingTopic(worst),
                reason: worst === undefined ? '' : findingWords(worst),
              },
            ] as const;
          })
        : [],
    ),
  );
  const trial = $derived(
    choosing && model.chosenCard !== null && model.chosenSlot !== null
      ? { card: model.chosenCard, slot: model.chosenSlot }
      : null,
  );
  const planned = $derived(
    model
      .planned(stage)
      .filter(
        ({ card, slot }) =>
          trial === null || (card.id !== trial.card.id && slot.id !== trial.slot.id),
      ),
  );

  selection.clear();
  let logOpen = $state(false);
  let panelPx = $state(470);
  let boardArea = $state<HTMLElement>();

  const go = (to: Stage) => goto(`${here}/${to}`);

  onMount(() => {
    const unlessTyping = (act: () => void) => (event: KeyboardEvent) => {
      if (isTyping(event)) return;
      event.preventDefault();
      act();
    };
    return tinykeys(window, {
      '$mod+KeyZ': unlessTyping(() => open.undo()),
      '$mod+Shift+KeyZ': unlessTyping(() => open.redo()),
      b: unlessTyping(() =>
        boardArea?.querySelector<SVGGElement>('[role="option"][tabindex="0"]')?.focus(),
      ),
      ...Object.fromEntries(
        STAGES.map((each, n) => [String(n + 1), unlessTyping(() => void go(each))]),
      ),
    });
  });

  /** The browser asks before a window with unsaved work is closed. */
  function onbeforeunload(event: BeforeUnloadEvent) {
    if (open.saving !== 'saved') event.preventDefault();
  }

  async function keepCopy() {
    await shop.duplicate(job);
    await open.takeStored();
  }
</script>

<svelte:window {onbeforeunload} />

<svelte:head
  ><title>{STAGE_WORDS[stage]} – {job.title || 'Untitled job'} – Tenant</title></svelte:head
>

<TopBar>
  {#snippet middle()}
    <div class="of">
      <strong>{job.title || 'Untitled job'}</strong>
      <span>{job.customer || 'no customer yet'}</span>
      <span>{job.machine.name || 'machine not surveyed'}</span>
    </div>
  {/snippet}
  {#snippet tools()}
    <span class="saving" role="status">
      {open.saving === 'saved' ? 'Saved' : open.saving === 'saving' ? 'Saving' : 'Not saved'}
    </span>
    <Button
      kind="ghost"
      size="small"
      icon={Undo}
      iconDescription={open.canUndo === null ? 'Nothing to undo' : `Undo: ${open.canUndo}`}
      disabled={open.canUndo === null}
      on:click={() => open.undo()}
    />
    <Button
      kind="ghost"
      size="small"
      icon={Redo}
      iconDescription={open.canRedo === null ? 'Nothing to redo' : `Redo: ${open.canRedo}`}
      disabled={open.canRedo === null}
      on:click={() => open.redo()}
    />
    <Button
      kind="ghost"
      size="small"
      icon={ListChecked}
      iconDescription="Log of this job"
      on:click={() => (logOpen = true)}
    />
  {/snippet}
</TopBar>

<div class="notices">
  {#if open.saving === 'full'}
    <InlineNotification
      lowContrast
      hideCloseButton
      kind="error"
      title="Not saved: the browser’s store is full."
      subtitle="Your work is on this screen. Export it, make room in the list of jobs, then try again."
    >
      <svelte:fragment slot="actions">
        <NotificationActionButton on:click={() => download(jobFileName(job), writeJobFile(job))}
          >Export</NotificationActionButton
        >
        <NotificationActionButton on:click={() => open.save()}>Try again</NotificationActionButton>
      </svelte:fragment>
    </InlineNotification>
  {:else if open.saving === 'blocked'}
    <InlineNotification
      lowContrast
      hideCloseButton
      kind="warning"
      title="Not saved: this browser keeps nothing."
      subtitle="Its store is blocked. Work goes on in this window; export the job before you close it."
    >
      <svelte:fragment slot="actions">
        <NotificationActionButton on:click={() => download(jobFileName(job), writeJobFile(job))}
          >Export</NotificationActionButton
        >
        <NotificationActionButton on:click={() => open.save()}>Try again</NotificationActionButton>
      </svelte:fragment>
    </InlineNotification>
  {:else if open.saving === 'changedElsewhere'}
    <InlineNotification
      lowContrast
      hideCloseButton
      kind="error"
      title="Not saved: another window changed this job meanwhile."
      subtitle="Nothing has been overwritten. Keep what is here as a copy, or go on with the other version."
    >
      <svelte:fragment slot="actions">
        <NotificationActionButton on:click={keepCopy}>Keep as a copy</NotificationActionButton>
        <NotificationActionButton on:click={() => open.takeStored()}
          >Take the other</NotificationActionButton
        >
      </svelte:fragment>
    </InlineNotification>
  {/if}
  {#if open.alsoOpenIn.length > 0 && open.saving !== 'changedElsewhere'}
    <p class="note" role="status">This job is open in another window too. Both stay in step.</p>
  {/if}
  <p class="note said" role="status" class:empty={open.said === ''}>{open.said}</p>
</div>

<main class="bench {stage}" style:--panel="{panelPx}px">
  <nav aria-label="Stages of the work">
    <ol>
      {#each STAGES as each, n (each)}
        <li>
          <a href="{here}/{each}" aria-current={each === stage ? 'step' : undefined}>
            <span class="order">{n + 1}</span>
            <span class="word">{STAGE_WORDS[each]}</span>
            {#if model.openCounts[each] > 0}
              <span class="open">{model.openCounts[each]}<span class="only-read"> open</span></span>
            {/if}
          </a>
        </li>
      {/each}
    </ol>
    <a class="back" href="/">All jobs</a>
  </nav>

  <section class="machine" aria-label="The machine" bind:this={boardArea}>
    {#if nothingToDraw}
      <p class="nothing">
        The board appears here as the survey tells of it: slots, openings, case.
      </p>
    {:else}
      <Board
        machine={job.machine}
        {planned}
        {trial}
        {overlay}
        selectedSlotId={selection.slotId}
        onselect={(slotId) => (selection.slotId = slotId)}
      />
    {/if}
    <div class="facts-area">
      {#if choosing}<Findings {model} />{:else}<SlotFacts {model} {planned} />{/if}
    </div>
    <div class="tally">
      <Tally
        {job}
        planned={trial === null ? planned : [...planned, trial]}
        unknown={model.unknown.length}
      />
    </div>
  </section>

  <Divider bind:px={panelPx} />

  <section class="panel" aria-label={STAGE_WORDS[stage]}>
    {#if stage === 'survey'}
      <SurveyStage {model} />
    {:else if stage === 'needs'}
      <NeedsStage {model} />
    {:else if stage === 'choose'}
      <ChooseStage {model} />
    {:else if stage === 'prove'}
      <ProveStage {model} />
    {:else if stage === 'hand-over'}
      <HandOverStage {model} />
    {:else}
      {#key stage}<StepStage {model} {stage} />{/key}
    {/if}
  </section>
</main>

{#if logOpen}<JobLog bind:open={logOpen} log={job.log} />{/if}

<style>
  .of {
    display: flex;
    gap: 1rem;
    white-space: nowrap;
    overflow: hidden;
    font-size: 0.875rem;
    line-height: 1.5;
  }
  .of span {
    opacity: 0.85;
    overflow: hidden;
    text-overflow: ellipsis;
  }
  .of span::before {
    content: '·';
    margin-right: 1rem;
  }
  .saving {
    font-size: 0.75rem;
    margin-right: 0.5rem;
    min-width: 3.5rem;
    text-align: right;
  }
  .notices :global(.bx--inline-notification) {
    max-width: none;
    margin: 0;
  }
  .note {
    padding: 0.25rem 1rem;
    font-size: 0.8125rem;
    background: var(--tenant-selected);
    color: var(--cds-text-01);
  }
  .note.empty {
    display: none;
  }
  .bench {
    display: grid;
    grid-template-columns: 9.25rem minmax(0, 1fr) auto minmax(20rem, var(--panel));
    height: calc(100vh - 3rem);
  }
  nav {
    border-right: 1px solid var(--cds-ui-03);
    padding-top: 0.75rem;
    display: flex;
    flex-direction: column;
    justify-content: space-between;
  }
  nav a {
    display: flex;
    align-items: center;
    gap: 0.5rem;
    min-height: 2.5rem;
    padding: 0.25rem 0.75rem;
    color: var(--cds-text-01);
    text-decoration: none;
    font-size: 0.875rem;
    border-left: 4px solid transparent;
  }
  nav a:hover {
    background: var(--cds-hover-ui);
  }
  nav a:focus-visible {
    outline: 2px solid var(--cds-focus);
    outline-offset: -2px;
  }
  nav a[aria-current] {
    font-weight: 600;
    border-left-color: var(--tenant-plan);
    background: var(--cds-ui-01);
  }
  .order {
    color: var(--cds-text-02);
    font-size: 0.75rem;
    width: 0.75rem;
  }
  .word {
    flex: 1;
  }
  .open {
    min-width: 1.375rem;
    padding: 0 0.3rem;
    text-align: center;
    font-size: 0.75rem;
    line-height: 1.25rem;
    border: 1px solid var(--cds-text-02);
    font-variant-numeric: tabular-nums;
  }
  .back {
    border-top: 1px solid var(--cds-ui-03);
  }
  .machine {
    position: relative;
    padding: 0.75rem;
    overflow: auto;
    display: flex;
    flex-direction: column;
    gap: 0.75rem;
  }
  .nothing {
    padding: 3rem 2rem;
    border: 1px dashed var(--cds-text-02);
    color: var(--cds-text-02);
    text-align: center;
  }
  .facts-area {
    flex: 1 1 0;
    min-height: 7.5rem;
    overflow: auto;
  }
  .panel :global(.bx--label) {
    margin-bottom: 0.25rem;
  }
  .panel :global(.bx--text-input),
  .panel :global(.bx--text-area),
  .panel :global(.bx--select-input) {
    padding-left: 0.5rem;
  }
  .panel :global(.bx--tab-content) {
    padding: 1rem 0 0;
  }
  .panel {
    position: relative;
    overflow: auto;
    padding: 1rem 1.25rem 2rem;
    background: var(--cds-ui-01);
  }
  @media (max-width: 62rem) {
    .bench {
      display: block;
      height: auto;
    }
    nav {
      display: block;
      padding: 0;
      border: 0;
      border-bottom: 1px solid var(--cds-ui-03);
    }
    nav ol {
      display: flex;
      flex-wrap: wrap;
    }
    nav li {
      flex: 1;
    }
    nav a {
      border-left: 0;
      border-bottom: 4px solid transparent;
      padding: 0.625rem 0.375rem;
      justify-content: center;
    }
    nav a[aria-current] {
      border-bottom-color: var(--tenant-plan);
    }
    .order,
    .back,
    .fit .facts-area,
    .drivers .facts-area,
    .fit .tally,
    .drivers .tally {
      display: none;
    }
    .word {
      flex: none;
    }
  }
  @media print {
    nav,
    .machine,
    .notices {
      display: none;
    }
    .bench {
      display: block;
      height: auto;
    }
    .panel {
      padding: 0;
      background: none;
      overflow: visible;
    }
  }
</style>
