<script lang="ts">
  /** That a newer version waits, and that another window took it over. */
  import { Button } from 'carbon-components-svelte';
  import { held } from '$lib/state/openJob.svelte';
  import { renewal } from '$lib/state/renewal.svelte';

  const unsaved = $derived(
    [...held.values()].some(({ saving, isTyping }) => saving !== 'saved' || isTyping),
  );
</script>

{#if renewal.isOvertaken}
  <p role="status">
    Tenant was renewed in another window. This one goes on with version {renewal.version}; reload it
    to take the newer one.
    <Button size="small" kind="ghost" disabled={unsaved} on:click={() => location.reload()}
      >Reload</Button
    >
  </p>
{:else if renewal.isWaiting}
  <p role="status">
    A newer version of Tenant is here. This window goes on with version {renewal.version} until you take
    it over.
    <Button size="small" kind="ghost" disabled={unsaved} on:click={() => renewal.takeOver()}
      >Take it over</Button
    >
    {#if unsaved}Save first.{/if}
  </p>
{/if}

<style>
  p {
    display: flex;
    gap: 0.5rem;
    align-items: center;
    padding: 0.25rem 1rem;
    font-size: 0.8125rem;
    background: var(--tenant-selected);
  }
  @media print {
    p {
      display: none;
    }
  }
</style>
