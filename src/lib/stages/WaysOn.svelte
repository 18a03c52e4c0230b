<script lang="ts">
  /** What can be done where a part of a job cannot be shown. */
  import { goto } from '$app/navigation';
  import { Button } from 'carbon-components-svelte';
  import Exporting from '$lib/ui/Exporting.svelte';
  import type { OpenJob } from '$lib/state/openJob.svelte';
  import { shop } from '$lib/state/shop.svelte';
  import { waysOn as texts } from '$words/stages/all';

  let { open, reset }: { open: OpenJob; reset: () => void } = $props();
  let exporting = $state(false);

  async function setAside() {
    await shop.remove(open.job.id, open.job.title || texts.untitledJob);
    await goto('/');
  }
</script>

<div class="row">
  {#if open.canUndo !== null}
    <Button size="small" on:click={() => open.undo()}>{texts.undo(open.canUndo)}</Button>
  {/if}
  <Button size="small" kind="tertiary" on:click={reset}>{texts.tryAgain}</Button>
  <Button size="small" kind="tertiary" on:click={() => (exporting = true)}>{texts.export}</Button>
  <Button size="small" kind="danger-ghost" on:click={setAside}>{texts.setTheJobAsideIn}</Button>
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
