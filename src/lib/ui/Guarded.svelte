<script lang="ts">
  /** What goes wrong in one part of a page stays in it: the other parts work on. */
  import type { Snippet } from 'svelte';
  import { guarded as texts } from '$words/ui';

  let {
    what = texts.thisPart,
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
        <strong>{texts.cannotBeShown(what)}</strong>
        {texts.nothingOfTheJobIs(String(error).slice(0, 200))}
        <button type="button" class="text" onclick={reset}>{texts.tryAgain}</button>
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
