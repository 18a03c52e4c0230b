<script lang="ts">
  /** The export of a job, fetched once somebody asks for it. */
  import type { Job } from '$core';

  let { job, open = $bindable(false) }: { job: Job; open: boolean } = $props();
</script>

{#if open}
  {#await import('./ExportJob.svelte') then { default: ExportJob }}
    <ExportJob {job} onclose={() => (open = false)} />
  {/await}
{/if}
