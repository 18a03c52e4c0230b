<script lang="ts" generics="Part extends Component<never>">
  /** A part of a page that is fetched when it is first shown; where it is not to be had, or dies, its place says so. */
  import { onMount, type Component, type Snippet } from 'svelte';
  import { renewal } from '$lib/state/renewal.svelte';
  import Guarded from './Guarded.svelte';
  import { fetched as texts } from '$words/ui';

  let {
    load,
    what = texts.thisPart,
    shown,
    waiting,
    away,
    failed,
  }: {
    load: () => Promise<{ readonly default: Part }>;
    /** As the beginning of a sentence. */
    what?: string;
    shown: Snippet<[Part]>;
    /** While it is on its way. */
    waiting?: Snippet;
    /** Where it is not to be had, and something else has to be said. */
    away?: Snippet;
    failed?: Snippet<[error: unknown, reset: () => void]>;
  } = $props();

  let part = $state.raw<Part | null>(null);
  let isAway = $state(false);

  // What is drawn once it is there is drawn from here, not from within the promise: only then is what goes wrong caught.
  function fetch() {
    isAway = false;
    load().then(
      (fetched) => (part = fetched.default),
      () => (isAway = true),
    );
  }
  onMount(fetch);
</script>

{#if part !== null}
  <Guarded {what} {failed}>{@render shown(part)}</Guarded>
{:else if isAway && away}
  {@render away()}
{:else if isAway}
  <p role="alert">
    {texts.couldNotBeFetchedTenant(what, renewal.isOvertaken)}
    <button type="button" class="text" onclick={fetch}>{texts.tryAgain}</button>
  </p>
{:else}
  {@render waiting?.()}
{/if}

<style>
  .text {
    text-decoration: underline;
  }
</style>
