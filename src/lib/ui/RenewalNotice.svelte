<script lang="ts">
  /** That a newer version waits, and that another window took it over. */
  import { Button } from 'carbon-components-svelte';
  import { held } from '$lib/state/openJob.svelte';
  import { renewal } from '$lib/state/renewal.svelte';
  import { renewalNotice as texts } from '$words/ui';

  const unsaved = $derived(
    [...held.values()].some(({ saving, isTyping }) => saving !== 'saved' || isTyping),
  );
</script>

{#if renewal.isOvertaken}
  <p role="status">
    {texts.tenantWasRenewedInAnother(renewal.version)}
    <Button size="small" kind="ghost" disabled={unsaved} on:click={() => location.reload()}
      >{texts.reload}</Button
    >
  </p>
{:else if renewal.isWaiting}
  <p role="status">
    {texts.aNewerVersionOfTenant(renewal.version)}
    <Button size="small" kind="ghost" disabled={unsaved} on:click={() => renewal.takeOver()}
      >{texts.takeItOver}</Button
    >
    {#if unsaved}{texts.saveFirst}{/if}
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
