<script lang="ts">
  /** The planner at work, and the way to stop it. */
  import { Button } from 'carbon-components-svelte';
  import Working from '$lib/ui/Working.svelte';
  import type { Planning } from '../planning.svelte';
  import { running as texts } from '$words/stages/choose';

  let { planning }: { planning: Planning } = $props();

  const searched = $derived(planning.progress?.searched ?? 0);
</script>

<div>
  <Working words={texts.planningPartialPlans(searched.toLocaleString('en-GB'), searched)} />
  <Button size="small" kind="ghost" on:click={() => planning.stop()}>{texts.stopS}</Button>
</div>

<style>
  div {
    display: flex;
    justify-content: space-between;
    align-items: center;
    gap: 1rem;
    margin-bottom: 0.5rem;
  }
</style>
