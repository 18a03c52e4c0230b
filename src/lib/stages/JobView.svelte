<script lang="ts">
  import { onDestroy } from 'svelte';
  import { Button, InlineLoading } from 'carbon-components-svelte';
  import { OpenJob, held } from '$lib/state/openJob.svelte';
  import { readJob } from '$lib/state/storage';
  import { shop } from '$lib/state/shop.svelte';
  import TopBar from '$lib/shop/TopBar.svelte';
  import type { Stage } from '$core';
  import JobBench from './JobBench.svelte';

  let { id, stage }: { id: string; stage: Stage } = $props();

  let open = $state.raw<OpenJob | null>(null);
  let missing = $state<'no' | 'gone' | 'setAside'>('no');

  async function find() {
    const here = held.get(id);
    if (here !== undefined) {
      open = here;
      void here.save();
      return;
    }
    try {
      const stored = await readJob(id);
      if (stored !== null && 'record' in stored) missing = 'setAside';
      else if (stored !== null) open = new OpenJob(stored, stored.revision);
      else lookInWindow();
    } catch {
      // The store is blocked: the job may still live in this window.
      lookInWindow();
    }
  }

  function lookInWindow() {
    const job = shop.find(id);
    if (job === null) missing = 'gone';
    else open = new OpenJob(job, null);
  }

  void find();
  onDestroy(() => void open?.leave());
</script>

{#if open}
  <JobBench {open} {stage} />
{:else}
  <TopBar />
  <main>
    {#if missing === 'no'}
      <InlineLoading description="Opening the job" />
    {:else}
      <h1>
        {missing === 'gone' ? 'This job is not in this browser' : 'This job cannot be opened'}
      </h1>
      <p>
        {missing === 'gone'
          ? 'It may have been deleted, or kept in another browser. A job file brings it here.'
          : 'Its record no longer reads as a job. It is kept whole in the list of jobs, to be exported.'}
      </p>
      <Button href="/">To the jobs</Button>
    {/if}
  </main>
{/if}

<style>
  main {
    padding: 2rem;
    max-width: 40rem;
  }
  p {
    margin: 0.75rem 0 1.5rem;
  }
</style>
