<script lang="ts">
  /** Under the board, where it is asked for while no slot is chosen: all of them as a table, with what they hold and what is planned. */
  import { cardName, type Machine, type Slot } from '$core/document';
  import { valueOf } from '$core/parts';
  import type { JobModel } from '$lib/stages/jobModel.svelte';
  import { selection } from '$lib/state/selection.svelte';
  import type { CardOnSlot } from '../board/layout';
  import { plannedWords, slotLine } from '../board/slotWords';
  import { slotTable as texts } from '$words/stages/all';

  let {
    model,
    planned,
    drawn,
  }: {
    model: JobModel;
    planned: readonly CardOnSlot[];
    /** The machine with its own cards where they are drawn. */
    drawn: Machine;
  } = $props();

  /** What is in it now: what was seated or moved there, and nothing where a card was taken out. */
  function holds({ id, occupant }: Slot): string {
    const { filled, emptied } = model.handled;
    if (filled.has(id)) {
      const seated = planned.find(({ slot }) => slot.id === id)?.card;
      const moved = valueOf(drawn.slots.find((slot) => slot.id === id)?.occupant ?? null);
      return seated === undefined ? (moved?.name ?? texts.nothing) : cardName(seated);
    }
    if (emptied.has(id)) return texts.nothing;
    return occupant === null ? '?' : (occupant.value?.name ?? texts.nothing);
  }
</script>

<table class="plain">
  <caption class="only-read">{texts.theBoardAsATable}</caption>
  <thead>
    <tr>
      <th scope="col">{texts.opening}</th><th scope="col">{texts.slot}</th><th scope="col"
        >{texts.whatIsKnown}</th
      >
      <th scope="col">{texts.holds}</th><th scope="col">{texts.planned}</th>
    </tr>
  </thead>
  <tbody>
    {#each model.job.machine.slots as each (each.id)}
      <tr>
        <td>{each.bus === 'm2' ? '–' : (valueOf(each.opening) ?? '?')}</td>
        <td
          ><button type="button" class="text" onclick={() => (selection.slotId = each.id)}
            >{each.label}</button
          ></td
        >
        <td>{slotLine(each)}</td>
        <td>{holds(each)}</td>
        <td
          >{plannedWords(
            each,
            drawn.slots.find(({ id }) => id === each.id) ?? each,
            planned
              .filter(({ slot: at, isIn }) => at.id === each.id && isIn !== true)
              .map(({ card }) => card),
          )}</td
        >
      </tr>
    {:else}
      <tr><td colspan="5">{texts.noSlotsYetTheSurvey}</td></tr>
    {/each}
  </tbody>
</table>

<style>
  table {
    font-size: 0.8125rem;
    border-top: 1px solid var(--cds-ui-03);
    margin-top: 0.5rem;
  }
  td {
    padding-block: 0.2rem;
  }
  .text {
    white-space: nowrap;
  }
</style>
