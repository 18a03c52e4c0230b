<script lang="ts">
  /** The export of a job, fetched once somebody asks for it. */
  import type { Job } from '$core/document';
  import Fetched from './Fetched.svelte';

  let { job, open = $bindable(false) }: { job: Job; open: boolean } = $props();
</script>

{#if open}
  <Fetched load={() => import('./ExportJob.svelte')}>
    {#snippet shown(ExportJob)}<ExportJob {job} onclose={() => (open = false)} />{/snippet}
  </Fetched>
{/if}
