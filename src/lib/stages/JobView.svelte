<script lang="ts">
  import Working from '$lib/ui/Working.svelte';
  import { onDestroy } from 'svelte';
  import { Button } from 'carbon-components-svelte';
  import { OpenJob, held } from '$lib/state/openJob.svelte';
  import { isJob, readJob } from '$lib/state/jobStore';
  import { shop } from '$lib/state/shop.svelte';
  import { troubleOf } from '$lib/state/stores';
  import TopBar from '$lib/ui/TopBar.svelte';
  import { stateMark, type Stage } from '$core/document';
  import JobPage from './JobPage.svelte';
  import PartFailed from './PartFailed.svelte';
  import { jobView as texts } from '$words/stages/all';

  let { id, stage }: { id: string; stage: Stage } = $props();

  let open = $state.raw<OpenJob | null>(null);
  let missing = $state<'no' | 'gone' | 'setAside' | 'newer'>('no');

  async function find() {
    const here = held.get(id);
    if (here !== undefined) {
      open = here;
      void here.save();
      return;
    }
    try {
      const stored = await readJob(id);
      if (stored === null) await lookInWindow();
      else if (isJob(stored)) open = await OpenJob.of(stored, stateMark(stored));
      else missing = stored.isNewer ? 'newer' : 'setAside';
    } catch (error) {
      // The store is blocked: the job may still live in this window.
      shop.trouble = await troubleOf(error);
      await lookInWindow();
    }
  }

  async function lookInWindow() {
    const job = shop.find(id);
    if (job === null) missing = 'gone';
    else open = await OpenJob.of(job, null);
  }

  const WORDS = {
    gone: [texts.thisJobIsNotIn, texts.itMayHaveBeenDeleted],
    setAside: [texts.thisJobCannotBeOpened, texts.itsRecordDoesNotRead],
    newer: [texts.thisJobWasChangedBy, texts.anotherWindowRunsANewer],
  } as const;

  void find();
  onDestroy(() => void open?.leave());
</script>

{#if open}
  {@const here = open}
  <svelte:boundary>
    <JobPage open={here} {stage} />
    {#snippet failed(error, reset)}
      <TopBar />
      <main><PartFailed open={here} what={texts.theBench} {error} {reset} /></main>
    {/snippet}
  </svelte:boundary>
{:else}
  <TopBar />
  <main>
    {#if missing === 'no'}
      <Working words={texts.openingTheJob} />
    {:else}
      <h1>{WORDS[missing][0]}</h1>
      <p>{WORDS[missing][1]}</p>
      <Button href="/">{texts.toTheJobs}</Button>
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
