<script lang="ts">
  /** What stands between the work and its safety: a full or blocked store, another window, what was undone. */
  import type { OpenJob } from '$lib/state/openJob.svelte';
  import Fetched from '$lib/ui/Fetched.svelte';
  import { savingNotice as texts } from '$words/stages/all';

  let { open }: { open: OpenJob } = $props();

  const saved = $derived(open.saving === 'saved' || open.saving === 'saving');
</script>

<div class="notices">
  {#if !saved || open.refused.length > 0}
    <Fetched load={() => import('./SavingTrouble.svelte')}>
      {#snippet shown(SavingTrouble)}<SavingTrouble {open} />{/snippet}
      {#snippet away()}
        <p role="alert">{texts.thisJobIsNotSaved}</p>{/snippet}
    </Fetched>
  {/if}
  {#if open.alsoOpenIn.length > 0 && saved}
    <p role="status">{texts.thisJobIsOpenIn}</p>
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
