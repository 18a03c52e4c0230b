<script lang="ts">
  import Working from '$lib/ui/Working.svelte';
  import { onMount, untrack } from 'svelte';
  import { afterNavigate, goto } from '$app/navigation';
  import { tinykeys } from 'tinykeys';
  import { Button } from 'carbon-components-svelte';
  import ListChecked from 'carbon-icons-svelte/lib/ListChecked.svelte';
  import Redo from 'carbon-icons-svelte/lib/Redo.svelte';
  import Undo from 'carbon-icons-svelte/lib/Undo.svelte';
  import { STAGES, byWeight, housings, type Stage } from '$core';
  import type { Edit } from '$lib/board/edits';
  import Board from '$lib/board/Board.svelte';
  import type { CardOnSlot } from '$lib/board/layout';
  import Tally from '$lib/board/Tally.svelte';
  import type { Saving } from '$lib/state/jobKeeper';
  import type { OpenJob } from '$lib/state/openJob.svelte';
  import { selection } from '$lib/state/selection.svelte';
  import { isNoCommand } from '$lib/ui/keys';
  import { keepFocus } from '$lib/ui/keepFocus';
  import TopBar from '$lib/ui/TopBar.svelte';
  import { renewal } from '$lib/state/renewal.svelte';
  import { supplies } from '$lib/state/supplies.svelte';
  import { findingTopic, findingWords } from '$lib/wording/findings';
  import { STAGE_WORDS } from '$lib/wording/stages';
  import { JobModel } from './jobModel.svelte';
  import Divider from './Divider.svelte';
  import SavingNotice from './SavingNotice.svelte';
  import { PANELS } from './panels';
  import PartFailed from './PartFailed.svelte';
  import { watchTyping } from './typing';
  import StageRail from './StageRail.svelte';

  let { open, stage }: { open: OpenJob; stage: Stage } = $props();

  const model = new JobModel(untrack(() => open));
  const job = $derived(model.job);
  const here = $derived(`/jobs/${job.id}`);
  const nothingToDraw = $derived(
    job.machine.slots.length === 0 &&
      job.machine.board === null &&
      job.machine.case.openings === null,
  );
  const choosing = $derived(stage === 'choose');
  /** What is proven and handed over wants the width: the drawing stands aside. */
  const isAside = $derived(stage === 'prove' || stage === 'hand-over');
  const overlay = $derived(
    new Map(
      choosing
        ? model.overlaid.map(({ slot, verdict, findings }) => {
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
  const trials = $derived(
    choosing ? [...model.onTrial, ...(model.preview === null ? [] : [model.preview])] : [],
  );
  const drawn = $derived(choosing ? model.considered : model.planned(stage));
  const planned = $derived(drawn.filter((each) => !trials.includes(each)));
  const inRoom = (cards: readonly CardOnSlot[], room: string | null) =>
    cards.filter(({ slot }) => slot.enclosureId === room);

  const rooms = $derived(housings(model.drawnMachine(stage)));

  /** In the survey the drawing of the machine's own case is also the way to correct it. */
  function editing(room: string | null): { onedit?: (edit: Edit) => void } {
    if (stage !== 'survey' || room !== null) return {};
    return {
      onedit: ({ machine, what }) => {
        // Slots of the external boxes are not in this drawing: they stay.
        const elsewhere = job.machine.slots.filter(({ enclosureId }) => enclosureId !== null);
        const all = { ...machine, slots: [...machine.slots, ...elsewhere] };
        open.run({ name: 'changeMachine', machine: all, what });
      },
    };
  }

  selection.clear();
  let logOpen = $state(false);
  let tableOpen = $state(false);
  /** Where drawing and stage stand one below the other. */
  let isFolded = $state(false);
  /** What there is for the drawing, until it is measured. */
  let boardPx = $state(640);
  /** Aside there is no room for words. */
  const NARROW_PX = 320;
  /** Width of the panel where the divider was moved; otherwise the window decides it. */
  let movedPx = $state<number | null>(null);
  let panelPx = $state(0);
  let boardArea = $state<HTMLElement>();

  const go = (to: Stage) => goto(`${here}/${to}`);

  let panel = $state<HTMLElement>();
  onMount(() => panel && watchTyping(panel, (is) => (open.isTyping = is)));
  onMount(() => panel && keepFocus(panel));
  // A stage that was gone to is where keys and reading go on.
  afterNavigate(({ type }) => {
    if (type !== 'enter') panel?.focus({ preventScroll: true });
  });
  const SAVING_WORDS: Readonly<Partial<Record<Saving, string>>> = {
    saved: 'Saved',
    saving: 'Saving',
  };

  onMount(() => {
    const unlessTyping = (act: () => void) => (event: KeyboardEvent) => {
      if (isNoCommand(event)) return;
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
    if (open.saving !== 'saved' || open.isTyping) event.preventDefault();
  }
</script>

<svelte:window {onbeforeunload} />

<svelte:head
  ><title>{STAGE_WORDS[stage]} – {job.title || 'Untitled job'} – Tenant</title></svelte:head
>

<div class="job">
  <a class="skip" href="#stage">Skip to {STAGE_WORDS[stage]}</a>
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
        {open.isTyping ? 'Not saved yet' : (SAVING_WORDS[open.saving] ?? 'Not saved')}
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

  <SavingNotice {open} />

  <main
    class="bench {stage}"
    class:aside={isAside}
    style:--panel={movedPx === null ? undefined : `${movedPx}px`}
  >
    <StageRail {here} {stage} open={model.openCounts} />

    <section class="machine" aria-label="The machine" bind:this={boardArea}>
      <div class="width" bind:clientWidth={boardPx}></div>
      <button
        type="button"
        class="fold"
        aria-expanded={!isFolded}
        onclick={() => (isFolded = !isFolded)}
        >{isFolded ? 'Show the board' : 'Fold the board'}</button
      >
      <svelte:boundary>
        {#snippet failed(error, reset)}
          <PartFailed {open} what="The board" {error} {reset} />
        {/snippet}
        {#if isFolded}
          <!-- It was folded away to make room for the stage. -->
        {:else if nothingToDraw}
          <p class="nothing">
            The board appears here as the survey tells of it: slots, openings, case.
          </p>
        {:else}
          {#each rooms as { id, name, machine } (id)}
            {#if rooms.length > 1}<h2 class="room">{name}</h2>{/if}
            <Board
              {machine}
              planned={inRoom(planned, id)}
              trials={inRoom(trials, id)}
              {overlay}
              needs={job.needs}
              share={1 / rooms.length}
              isBare={isAside && boardPx < NARROW_PX}
              availablePx={boardPx}
              selectedSlotId={selection.slotId}
              onselect={(slotId) => (selection.slotId = slotId)}
              {...editing(id)}
              {...choosing
                ? { ontry: (card: string, slot: string) => model.tryIn(card, slot) }
                : {}}
            />
          {/each}
        {/if}
        <!-- What scrolls must be reached by key. -->
        <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
        <div class="facts-area" role="region" aria-label="Facts of the slot" tabindex="0">
          {#if choosing && model.overlaidCard !== null}
            {#await import('./choose/Findings.svelte') then { default: Findings }}
              <Findings {model} />
            {/await}
          {:else if model.chosenSlot === null}
            <details bind:open={tableOpen}>
              <summary>The board as a table</summary>
              {#if tableOpen}
                {#await import('./SlotTable.svelte') then { default: SlotTable }}
                  <SlotTable {model} {planned} drawn={model.drawnMachine(stage)} />
                {/await}
              {/if}
            </details>
          {:else}
            {#await import('./SlotFacts.svelte') then { default: SlotFacts }}
              <SlotFacts {model} {planned} slot={model.chosenSlot} />
            {/await}
          {/if}
        </div>
        <div class="tally">
          <Tally
            {job}
            machine={model.drawnMachine(stage)}
            cards={supplies.cards ?? []}
            planned={drawn}
            extraCents={model.extraCents(stage)}
            unknown={model.unknown.length}
          />
        </div>
      </svelte:boundary>
    </section>

    {#if !isAside}
      <Divider bind:px={() => panelPx, (px) => (movedPx = px)} />
    {/if}

    <section
      id="stage"
      tabindex="-1"
      class="panel"
      aria-label={STAGE_WORDS[stage]}
      bind:this={panel}
      bind:offsetWidth={panelPx}
    >
      {#key stage}
        <svelte:boundary>
          {#snippet failed(error, reset)}
            <PartFailed {open} what="This stage" {error} {reset} />
          {/snippet}
          {#await PANELS[stage]()}
            <Working words="Opening the stage" />
          {:then { default: Panel }}
            <Panel {model} {stage} />
          {:catch}
            <p role="alert">
              {renewal.isOvertaken
                ? 'This stage could not be fetched: Tenant was renewed in another window. Reload this one to go on with the newer version.'
                : 'This stage could not be fetched: the server is away and nothing is kept of it. Reload the page when it is back.'}
            </p>
          {/await}
        </svelte:boundary>
      {/key}
    </section>
  </main>
</div>

{#if logOpen}
  {#await import('./JobLog.svelte') then { default: JobLog }}
    <JobLog bind:open={logOpen} {job} />
  {/await}
{/if}

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
  .skip {
    position: absolute;
    left: 0.5rem;
    top: -4rem;
    z-index: 10;
    padding: 0.5rem 0.75rem;
    background: var(--cds-ui-background);
  }
  .skip:focus {
    top: 0.25rem;
  }
  .panel:focus {
    outline: none;
  }
  .job {
    display: flex;
    flex-direction: column;
    height: 100vh;
  }
  .bench {
    flex: 1;
    min-height: 0;
    display: grid;
    grid-template-columns: 9.25rem minmax(0, 1fr) auto minmax(
        20rem,
        var(--panel, clamp(26rem, 38vw, 40rem))
      );
    grid-template-rows: minmax(0, 1fr);
  }
  .bench.aside {
    grid-template-columns: 9.25rem 16rem minmax(0, 1fr);
  }
  .aside .machine {
    border-right: 1px solid var(--cds-ui-03);
  }
  .machine {
    position: relative;
    padding: 0.75rem;
    overflow: auto;
    display: flex;
    flex-direction: column;
    gap: 0.75rem;
  }
  .width {
    position: absolute;
    left: 0.75rem;
    right: 0.75rem;
  }
  .room {
    font-size: 0.875rem;
    margin: 0.25rem 0 -0.5rem;
  }
  .fold {
    display: none;
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
  @media (max-width: 75rem) {
    .facts-area {
      min-height: 0;
    }
    .fold {
      display: block;
      min-height: 2.75rem;
      border: 0;
      background: none;
      font: inherit;
      font-size: 0.875rem;
      color: var(--cds-link-01);
      text-align: left;
      cursor: pointer;
    }
    .panel {
      padding-inline: 0.75rem;
    }
    .job,
    .bench {
      display: block;
      height: auto;
    }
    .fit .facts-area,
    .drivers .facts-area,
    .fit .tally,
    .drivers .tally {
      display: none;
    }
  }
  /* A stage is printed with its drawing and without what only a hand can use; the sheet has a drawing of its own. */
  @media print {
    .facts-area,
    .hand-over .machine,
    .panel :global(.bx--btn),
    .panel :global(.drop),
    .panel :global([role='tablist']),
    .panel :global(.bx--content-switcher),
    .panel :global(button.back) {
      display: none;
    }
    .machine {
      overflow: visible;
      padding: 0 0 1rem;
      break-inside: avoid;
    }
    .job,
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
