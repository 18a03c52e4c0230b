<script lang="ts">
  /** What a repair leaves out of a record, shown before anything is changed. */
  import { Button } from 'carbon-components-svelte';
  import type { Job } from '$core/document';
  import type { Problem } from '$core/read';
  import ProblemLines from '../ui/ProblemLines.svelte';
  import { repair as texts } from '$words/shop';

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
    <p>{texts.nothingSoundIsLeftOf}</p>
  {:else}
    <p>
      {texts.canBeReadAgainOnce(job.title || texts.untitledJob)}
    </p>
    <ProblemLines problems={dropped} />
    <Button size="small" on:click={take}>{texts.repairItSo}</Button>
  {/if}
  <Button size="small" kind="ghost" on:click={onclose}>{texts.close}</Button>
</div>

<style>
  .repair {
    border-left: 4px solid var(--tenant-limited);
    padding: 0.75rem 1rem;
    background: var(--cds-ui-01);
    font-size: 0.875rem;
  }
</style>
