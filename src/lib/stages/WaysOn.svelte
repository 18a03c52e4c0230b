<script lang="ts">
  /** What can be done where a part of a job cannot be shown. */
  import { goto } from '$app/navigation';
  import { Button } from 'carbon-components-svelte';
  import Exporting from '$lib/ui/Exporting.svelte';
  import type { OpenJob } from '$lib/state/openJob.svelte';
  import { shop } from '$lib/state/shop.svelte';

  let { open, reset }: { open: OpenJob; reset: () => void } = $props();
  let exporting = $state(false);

  async function setAside() {
    await shop.remove(open.job.id, open.job.title || 'untitled job');
    await goto('/');
  }
</script>

<div class="row">
  {#if open.canUndo !== null}
    <Button size="small" on:click={() => open.undo()}>Undo: {open.canUndo}</Button>
  {/if}
  <Button size="small" kind="tertiary" on:click={reset}>Try again</Button>
  <Button size="small" kind="tertiary" on:click={() => (exporting = true)}>Export</Button>
  <Button size="small" kind="danger-ghost" on:click={setAside}>Set the job aside in the bin</Button>
</div>
<Exporting job={open.job} bind:open={exporting} />

<style>
  .row {
    display: flex;
    flex-wrap: wrap;
    gap: 0.5rem;
    margin-top: 0.5rem;
  }
</style>
