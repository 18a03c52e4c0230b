<script lang="ts">
  /** A measured figure, typed in the unit of its need. */
  import { TextInput } from 'carbon-components-svelte';
  import type { Flow } from '$core';
  import { saidIn } from '$lib/wording/figures';

  let {
    id,
    label,
    flow,
    value,
    set,
    remove,
  }: {
    id: string;
    label: string;
    flow: Flow;
    /** In the unit of the flow; null: not measured. */
    value: number | null;
    set: (value: number) => void;
    remove: () => void;
  } = $props();

  const typed = $derived(saidIn(flow));
  let refused = $state('');

  function record(text: string) {
    const trimmed = text.trim().replace(',', '.');
    refused = '';
    if (trimmed === '') {
      if (value !== null) remove();
      return;
    }
    const entered = Number(trimmed) * typed.scale;
    if (!(entered > 0 && entered < 1e12)) refused = 'A number above zero is expected';
    else if (entered !== value) set(entered);
  }
</script>

<div class="reading">
  <TextInput
    {id}
    size="sm"
    hideLabel
    labelText="{label}, {typed.words}"
    value={value === null ? '' : String(value / typed.scale)}
    invalid={refused !== ''}
    invalidText={refused}
    on:change={(event) => record(String(event.detail ?? ''))}
  />
  <span class="unit">{typed.words}</span>
  {#if value !== null}<button type="button" class="text" onclick={remove}>Remove</button>{/if}
</div>

<style>
  .reading {
    display: flex;
    flex-wrap: wrap;
    gap: 0 0.5rem;
    align-items: center;
  }
  .reading :global(.bx--form-item) {
    flex: 1 1 5rem;
  }
  .unit {
    color: var(--cds-text-02);
  }
</style>
