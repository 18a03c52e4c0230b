<script lang="ts">
  /** The machine beside the stage: its drawings, the facts of the slot that is looked at, and the tally. */
  import { byWeight } from '$core/rules';
  import { housings } from '$core/placement';
  import type { Machine, Stage } from '$core/document';
  import Board from '$lib/board/Board.svelte';
  import type { CardOnSlot } from '$lib/board/layout';
  import Tally from '$lib/board/Tally.svelte';
  import { selection } from '$lib/state/selection.svelte';
  import { supplies } from '$lib/state/supplies.svelte';
  import { findingTopic, findingWords } from '$words/findings';
  import type { JobModel } from './jobModel.svelte';
  import PartFailed from './PartFailed.svelte';
  import Fetched from '$lib/ui/Fetched.svelte';
  import { machineView as texts } from '$words/stages/all';

  let {
    model,
    stage,
    isAside,
    area = $bindable(),
  }: {
    model: JobModel;
    stage: Stage;
    /** The stage wants the width: the drawing stands aside. */
    isAside: boolean;
    area?: HTMLElement | undefined;
  } = $props();

  const job = $derived(model.job);
  const nothingToDraw = $derived(
    job.machine.slots.length === 0 &&
      job.machine.board === null &&
      job.machine.case.openings === null,
  );
  const choosing = $derived(stage === 'choose');
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
  function editing(room: string | null): { onedit?: (machine: Machine) => void } {
    if (stage !== 'survey' || room !== null) return {};
    return {
      onedit: (machine) => {
        // Slots of the external boxes are not in this drawing: they stay.
        const elsewhere = job.machine.slots.filter(({ enclosureId }) => enclosureId !== null);
        const all = { ...machine, slots: [...machine.slots, ...elsewhere] };
        model.open.run({ name: 'changeMachine', machine: all });
      },
    };
  }
  let tableOpen = $state(false);
  /** Where drawing and stage stand one below the other. */
  let isFolded = $state(false);
  /** What there is for the drawing, until it is measured. */
  let boardPx = $state(640);
  /** Aside there is no room for words. */
  const NARROW_PX = 320;
</script>

<section
  class="machine {stage}"
  class:aside={isAside}
  aria-label={texts.theMachine}
  bind:this={area}
>
  <div class="width" bind:clientWidth={boardPx}></div>
  <button
    type="button"
    class="fold"
    aria-expanded={!isFolded}
    onclick={() => (isFolded = !isFolded)}
    >{isFolded ? texts.showTheBoard : texts.foldTheBoard}</button
  >
  <svelte:boundary>
    {#snippet failed(error, reset)}
      <PartFailed open={model.open} what={texts.theBoard} {error} {reset} />
    {/snippet}
    {#if isFolded}
      <!-- It was folded away to make room for the stage. -->
    {:else if nothingToDraw}
      <p class="nothing">
        {texts.theBoardAppearsHereAs}
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
          {...choosing ? { ontry: (card: string, slot: string) => model.tryIn(card, slot) } : {}}
        />
      {/each}
    {/if}
    <!-- What scrolls must be reached by key. -->
    <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
    <div class="facts-area" role="region" aria-label={texts.factsOfTheSlot} tabindex="0">
      {#if choosing && model.overlaidCard !== null}
        <Fetched load={() => import('./choose/Findings.svelte')}>
          {#snippet shown(Findings)}<Findings {model} />{/snippet}
        </Fetched>
      {:else if model.chosenSlot === null}
        <details bind:open={tableOpen}>
          <summary>{texts.theBoardAsATable}</summary>
          {#if tableOpen}
            <Fetched load={() => import('./SlotTable.svelte')}>
              {#snippet shown(SlotTable)}<SlotTable
                  {model}
                  {planned}
                  drawn={model.drawnMachine(stage)}
                />{/snippet}
            </Fetched>
          {/if}
        </details>
      {:else}
        {@const chosen = model.chosenSlot}
        <Fetched load={() => import('./SlotFacts.svelte')}>
          {#snippet shown(SlotFacts)}<SlotFacts {model} {planned} {chosen} />{/snippet}
        </Fetched>
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

<style>
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
  .aside {
    border-right: 1px solid var(--cds-ui-03);
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
    .fit .facts-area,
    .drivers .facts-area,
    .fit .tally,
    .drivers .tally {
      display: none;
    }
  }
  /* A stage is printed with its drawing; the sheet has a drawing of its own. */
  @media print {
    .facts-area,
    .fold,
    .hand-over {
      display: none;
    }
    .machine {
      overflow: visible;
      padding: 0 0 1rem;
      break-inside: avoid;
    }
  }
</style>
