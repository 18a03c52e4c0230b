<script lang="ts">
  /** The slots of the machine, one to be selected, and ways to add another. */
  import { Button } from 'carbon-components-svelte';
  import Add from 'carbon-icons-svelte/lib/Add.svelte';
  import { emptySlot, freeNumber, type Machine, type Slot } from '$core/document';
  import { valueOf } from '$core/parts';
  import { slotLine } from '$lib/board/slotWords';
  import { selection } from '$lib/state/selection.svelte';
  import { slotList as texts } from '$words/stages/survey';

  let { machine, change }: { machine: Machine; change: (machine: Machine) => void } = $props();

  function add(bus: Slot['bus']) {
    const n = freeNumber(machine.slots, (n) => `s${n}`);
    change({ ...machine, slots: [...machine.slots, emptySlot(`s${n}`, texts.slot2(n), bus)] });
    selection.slotId = `s${n}`;
  }
</script>

<table class="plain">
  <caption class="only-read">{texts.slotsOfTheMachine}</caption>
  <thead>
    <tr
      ><th scope="col">{texts.slot}</th><th scope="col">{texts.whatIsKnown}</th><th scope="col"
        >{texts.opening}</th
      ><th scope="col">{texts.holds}</th></tr
    >
  </thead>
  <tbody>
    {#each machine.slots as each (each.id)}
      <tr class:selected={each.id === selection.slotId}>
        <td>
          <button
            type="button"
            class="text"
            aria-pressed={each.id === selection.slotId}
            onclick={() => (selection.slotId = each.id)}>{each.label}</button
          >
        </td>
        <td>{slotLine(each)}</td>
        <td>{each.bus === 'm2' ? '–' : (valueOf(each.opening) ?? '?')}</td>
        <td>{each.occupant === null ? '?' : (each.occupant.value?.name ?? texts.nothing)}</td>
      </tr>
    {:else}
      <tr><td colspan="4">{texts.noSlotsYetReadThe}</td></tr>
    {/each}
  </tbody>
</table>
<div class="row">
  <Button size="small" kind="ghost" icon={Add} on:click={() => add('pcie')}
    >{texts.pciExpressSlot}</Button
  >
  <Button size="small" kind="ghost" icon={Add} on:click={() => add('pci')}
    >{texts.classicPciSlot}</Button
  >
  <Button size="small" kind="ghost" icon={Add} on:click={() => add('m2')}>{texts.m2Socket}</Button>
</div>
{#if machine.slots.length > 0 && selection.slotId === null}
  <p class="quiet">{texts.selectASlotHereOr}</p>
{/if}

<style>
  .text {
    white-space: nowrap;
  }
  .selected {
    background: var(--tenant-selected);
  }
  .row {
    display: flex;
    flex-wrap: wrap;
    gap: 0.5rem;
    margin: 0.75rem 0;
  }
  p {
    margin-top: 0.75rem;
  }
</style>
