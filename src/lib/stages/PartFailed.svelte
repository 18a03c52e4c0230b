<script lang="ts">
  /** In the place of a part that cannot be shown: what goes wrong in one job stays in it, and nothing of it is lost. */
  import { untrack } from 'svelte';
  import type { OpenJob } from '$lib/state/openJob.svelte';
  import Fetched from '$lib/ui/Fetched.svelte';
  import { ran } from '$lib/state/effects';
  import { partFailed as texts } from '$words/stages/all';

  let {
    open,
    what,
    error,
    reset,
  }: { open: OpenJob; what: string; error: unknown; reset: () => void } = $props();

  /** Once the job has changed, the part is tried again: by an undo, or from another window. */
  const failedOf = untrack(() => open.job);
  $effect(() => {
    ran('part: tried again');
    if (open.job !== failedOf) untrack(reset);
  });
</script>

<div role="alert">
  <p>
    <strong>{texts.cannotBeShownForThis(what)}</strong>
    {texts.theJobIsKeptAs(String(error).slice(0, 200))}
  </p>
  <Fetched load={() => import('./WaysOn.svelte')}>
    {#snippet shown(WaysOn)}<WaysOn {open} {reset} />{/snippet}
  </Fetched>
</div>

<style>
  div[role='alert'] {
    border-left: 4px solid var(--tenant-blocked);
    padding: 0.75rem 1rem;
    font-size: 0.875rem;
  }
</style>
