<script lang="ts">
  /** In the place of a part that cannot be shown: what goes wrong in one job stays in it, and nothing of it is lost. */
  import { untrack } from 'svelte';
  import { goto } from '$app/navigation';
  import { Button } from 'carbon-components-svelte';
  import Exporting from '$lib/ui/Exporting.svelte';
  import type { OpenJob } from '$lib/state/openJob.svelte';
  import { shop } from '$lib/state/shop.svelte';

  let {
    open,
    what,
    error,
    reset,
  }: { open: OpenJob; what: string; error: unknown; reset: () => void } = $props();

  let exporting = $state(false);

  /** Once the job has changed, the part is tried again: by an undo, or from another window. */
  const failedOf = untrack(() => open.job);
  $effect(() => {
    if (open.job !== failedOf) untrack(reset);
  });

  async function setAside() {
    await shop.remove(open.job.id, open.job.title || 'untitled job');
    await goto('/');
  }
</script>

<div role="alert">
  <p>
    <strong>{what} cannot be shown for this job.</strong> The job is kept as it is, and the other
    parts work on. ({String(error).slice(0, 200)})
  </p>
  <div class="row">
    {#if open.canUndo !== null}
      <Button size="small" on:click={() => open.undo()}>Undo: {open.canUndo}</Button>
    {/if}
    <Button size="small" kind="tertiary" on:click={reset}>Try again</Button>
    <Button size="small" kind="tertiary" on:click={() => (exporting = true)}>Export</Button>
    <Button size="small" kind="danger-ghost" on:click={setAside}
      >Set the job aside in the bin</Button
    >
  </div>
</div>
<Exporting job={open.job} bind:open={exporting} />

<style>
  div[role='alert'] {
    border-left: 4px solid var(--tenant-blocked);
    padding: 0.75rem 1rem;
    font-size: 0.875rem;
  }
  .row {
    display: flex;
    flex-wrap: wrap;
    gap: 0.5rem;
    margin-top: 0.5rem;
  }
</style>
