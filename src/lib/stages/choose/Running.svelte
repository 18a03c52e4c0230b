<script lang="ts">
  /** The planner at work, and the way to stop it. */
  import { Button } from 'carbon-components-svelte';
  import Working from '$lib/ui/Working.svelte';
  import type { Planning } from '../planning.svelte';

  let { planning }: { planning: Planning } = $props();

  const searched = $derived(planning.progress?.searched ?? 0);
</script>

<div>
  <Working
    words="Planning{searched > 0 ? `: ${searched.toLocaleString('en-GB')} partial plans` : ''}"
  />
  <Button size="small" kind="ghost" on:click={() => planning.stop()}>Stop (S)</Button>
</div>

<style>
  div {
    display: flex;
    justify-content: space-between;
    align-items: center;
    gap: 1rem;
    margin-bottom: 0.5rem;
  }
</style>
