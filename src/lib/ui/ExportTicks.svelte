<script lang="ts">
  /** What goes out: each a tick, remembered. */
  import { Checkbox } from 'carbon-components-svelte';
  import type { ExportChoice } from '$core/write';
  import { EXPORT_TICKS } from '$words/exporting';
  import { exportChoice } from '$lib/state/exportChoice.svelte';
  import { exportTicks as texts } from '$words/ui';

  let {
    id,
    without = [],
  }: {
    id: string;
    /** What is not asked: it goes, or cannot go, whatever is ticked. */
    without?: readonly (keyof ExportChoice)[];
  } = $props();

  void exportChoice.read();
</script>

<fieldset>
  <legend>{texts.goesOutWithIt}</legend>
  {#each EXPORT_TICKS.filter(([what]) => !without.includes(what)) as [what, label] (what)}
    <Checkbox
      id="{id}-{what}"
      labelText={label}
      checked={exportChoice.current[what]}
      on:check={(event) => exportChoice.tick(what, event.detail)}
    />
  {/each}
</fieldset>

<style>
  fieldset {
    display: flex;
    flex-wrap: wrap;
    gap: 0 1.25rem;
    border: 0;
    padding: 0;
    margin: 0;
  }
  legend {
    font-size: 0.75rem;
    color: var(--cds-text-02);
  }
  fieldset :global(.bx--form-item) {
    flex: none;
    margin: 0;
  }
  fieldset :global(.bx--checkbox-wrapper) {
    margin: 0.25rem 0;
  }
</style>
