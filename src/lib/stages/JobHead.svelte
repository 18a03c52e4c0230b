<script lang="ts">
  /** Whose job it is, whether it is kept, and what holds in every stage: undo, redo, the log. */
  import { Button } from 'carbon-components-svelte';
  import ListChecked from 'carbon-icons-svelte/lib/ListChecked.svelte';
  import Redo from 'carbon-icons-svelte/lib/Redo.svelte';
  import Undo from 'carbon-icons-svelte/lib/Undo.svelte';
  import type { Saving } from '$lib/state/jobKeeper';
  import type { OpenJob } from '$lib/state/openJob.svelte';
  import TopBar from '$lib/ui/TopBar.svelte';
  import Fetched from '$lib/ui/Fetched.svelte';
  import { jobHead as texts } from '$words/stages/all';

  let { open }: { open: OpenJob } = $props();

  const job = $derived(open.job);
  let logOpen = $state(false);
  const SAVING_WORDS: Readonly<Partial<Record<Saving, string>>> = {
    saved: texts.saved,
    saving: texts.saving,
  };
</script>

<TopBar>
  {#snippet middle()}
    <div class="of">
      <strong>{job.title || texts.untitledJob}</strong>
      <span>{job.customer || texts.noCustomerYet}</span>
      <span>{job.machine.name || texts.machineNotSurveyed}</span>
    </div>
  {/snippet}
  {#snippet tools()}
    <span class="saving" role="status">
      {open.isTyping ? texts.notSavedYet : (SAVING_WORDS[open.saving] ?? texts.notSaved)}
    </span>
    <Button
      kind="ghost"
      size="small"
      icon={Undo}
      iconDescription={open.canUndo === null ? texts.nothingToUndo : texts.undo(open.canUndo)}
      disabled={open.canUndo === null}
      on:click={() => open.undo()}
    />
    <Button
      kind="ghost"
      size="small"
      icon={Redo}
      iconDescription={open.canRedo === null ? texts.nothingToRedo : texts.redo(open.canRedo)}
      disabled={open.canRedo === null}
      on:click={() => open.redo()}
    />
    <Button
      kind="ghost"
      size="small"
      icon={ListChecked}
      iconDescription={texts.logOfThisJob}
      on:click={() => (logOpen = true)}
    />
  {/snippet}
</TopBar>

{#if logOpen}
  <Fetched load={() => import('./JobLog.svelte')}>
    {#snippet shown(JobLog)}<JobLog bind:open={logOpen} {job} />{/snippet}
  </Fetched>
{/if}

<style>
  .of {
    display: flex;
    gap: 1rem;
    white-space: nowrap;
    overflow: hidden;
    font-size: 0.875rem;
    line-height: 1.5;
  }
  .of span {
    opacity: 0.85;
    overflow: hidden;
    text-overflow: ellipsis;
  }
  .of span::before {
    content: '·';
    margin-right: 1rem;
  }
  .saving {
    font-size: 0.75rem;
    margin-right: 0.5rem;
    min-width: 3.5rem;
    text-align: right;
  }
</style>
