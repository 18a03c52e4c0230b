<script lang="ts">
  /** What goes wrong in one part of a page stays in it: the other parts work on. */
  import type { Snippet } from 'svelte';

  let {
    what = 'This part',
    failed: instead,
    children,
  }: {
    /** As the beginning of a sentence. */
    what?: string;
    /** In the place of it, where more can be said than that. */
    failed?: Snippet<[error: unknown, reset: () => void]> | undefined;
    children: Snippet;
  } = $props();
</script>

<!-- For whoever looks into it: the page itself says it in words. -->
<svelte:boundary onerror={(error) => console.error(error)}>
  {@render children()}
  {#snippet failed(error, reset)}
    {#if instead}
      {@render instead(error, reset)}
    {:else}
      <div role="alert" class="broken">
        <strong>{what} cannot be shown.</strong> Nothing of the job is lost, and the other parts
        work on. ({String(error).slice(0, 200)})
        <button type="button" class="text" onclick={reset}>Try again</button>
      </div>
    {/if}
  {/snippet}
</svelte:boundary>

<style>
  .broken {
    border-left: 4px solid var(--tenant-blocked);
    padding: 0.5rem 0.75rem;
    margin: 0.75rem 0;
    font-size: 0.875rem;
  }
  .text {
    text-decoration: underline;
  }
</style>
