<script lang="ts">
  /** Something wider than its place: it scrolls, also by key. */
  import type { Snippet } from 'svelte';

  let { label, children }: { label: string; children: Snippet } = $props();
</script>

<!-- What scrolls must be reached by key. -->
<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
<div role="region" aria-label={label} tabindex="0">{@render children()}</div>

<style>
  div {
    overflow-x: auto;
  }
  div:focus-visible {
    outline: 2px solid var(--cds-focus);
  }
</style>
