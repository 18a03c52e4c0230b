<script lang="ts">
  /** What a repair leaves out of a record, shown before anything is changed. */
  import { Button } from 'carbon-components-svelte';
  import type { Job } from '$core/document';
  import type { Problem } from '$core/read';
  import ProblemLines from '../ui/ProblemLines.svelte';

  let {
    job,
    dropped,
    ontake,
    onclose,
  }: {
    job: Job | null;
    dropped: readonly Problem[];
    ontake: (job: Job) => unknown;
    onclose: () => void;
  } = $props();

  async function take() {
    if (job !== null) await ontake(job);
    onclose();
  }
</script>

<div class="repair" role="status">
  {#if job === null}
    <p>Nothing sound is left of this record. Export it as it is.</p>
  {:else}
    <p>
      “{job.title || 'Untitled job'}” can be read again once this is left out of it. The record
      stays in the bin as it was.
    </p>
    <ProblemLines problems={dropped} />
    <Button size="small" on:click={take}>Repair it so</Button>
  {/if}
  <Button size="small" kind="ghost" on:click={onclose}>Close</Button>
</div>

<style>
  .repair {
    border-left: 4px solid var(--tenant-limited);
    padding: 0.75rem 1rem;
    background: var(--cds-ui-01);
    font-size: 0.875rem;
  }
</style>
