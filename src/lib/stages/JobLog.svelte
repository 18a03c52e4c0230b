<script lang="ts">
  import { Modal } from 'carbon-components-svelte';
  import type { LogEntry } from '$core';
  import { logWords } from '$lib/wording/commands';
  import { atMoment } from '$lib/wording/figures';

  const MANY = 8;

  let { open = $bindable(false), log }: { open: boolean; log: readonly LogEntry[] } = $props();
</script>

<Modal
  bind:open
  modalHeading="Log of this job"
  passiveModal
  size="sm"
  hasScrollingContent={log.length > MANY}
>
  {#if log.length === 0}
    <p>Nothing has been changed yet.</p>
  {:else}
    <table class="plain">
      <thead>
        <tr><th scope="col">When</th><th scope="col">Who</th><th scope="col">What</th></tr>
      </thead>
      <tbody>
        {#each log.toReversed() as entry, n (n)}
          <tr>
            <td>{atMoment(entry.at)}</td>
            <td>{entry.who || '–'}</td>
            <td>{logWords(entry.command)}{entry.detail === '' ? '' : `: ${entry.detail}`}</td>
          </tr>
        {/each}
      </tbody>
    </table>
  {/if}
</Modal>
