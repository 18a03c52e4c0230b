<script lang="ts">
  /** Which of the cards that are there stays. */
  import { Select, SelectItem } from 'carbon-components-svelte';
  import { valueOf } from '$core/parts';
  import type { Machine } from '$core/document';
  import type { NeedOf } from '$core/kinds';
  import { whatStays as texts } from '$words/stages/needs';

  let {
    need,
    machine,
    put,
  }: { need: NeedOf<'keep'>; machine: Machine; put: (need: NeedOf<'keep'>) => void } = $props();

  const taken = $derived(machine.slots.filter(({ occupant }) => valueOf(occupant) !== null));
</script>

<Select
  id="{need.id}-slot"
  size="sm"
  labelText={texts.whatStays}
  selected={need.slotId}
  on:change={(event) =>
    put({ ...need, slotId: String((event.target as HTMLSelectElement | null)?.value ?? '') })}
>
  {#each taken as slot (slot.id)}
    <SelectItem value={slot.id} text="{valueOf(slot.occupant)?.name}, {slot.label}" />
  {:else}
    <SelectItem value={need.slotId} text={texts.nothingIsFitted} />
  {/each}
</Select>
