<script lang="ts">
  /** What stands between the work and its safety: a full or blocked store, another window, what was undone. */
  import type { OpenJob } from '$lib/state/openJob.svelte';
  import Fetched from '$lib/ui/Fetched.svelte';

  let { open }: { open: OpenJob } = $props();

  const saved = $derived(open.saving === 'saved' || open.saving === 'saving');
</script>

<div class="notices">
  {#if !saved || open.refused.length > 0}
    <Fetched load={() => import('./SavingTrouble.svelte')}>
      {#snippet shown(SavingTrouble)}<SavingTrouble {open} />{/snippet}
      {#snippet away()}
        <p role="alert">This job is not saved. Leave this page open until it is.</p>{/snippet}
    </Fetched>
  {/if}
  {#if open.alsoOpenIn.length > 0 && saved}
    <p role="status">This job is open in another window too. Both stay in step.</p>
  {/if}
  <p role="status" class:empty={open.said === ''}>{open.said}</p>
</div>

<style>
  p {
    padding: 0.25rem 1rem;
    font-size: 0.8125rem;
    background: var(--tenant-selected);
  }
  .empty {
    display: none;
  }
  @media print {
    .notices {
      display: none;
    }
  }
</style>
