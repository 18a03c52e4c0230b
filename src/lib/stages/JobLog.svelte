<script lang="ts">
  import { Modal } from 'carbon-components-svelte';
  import type { Job } from '$core/document';
  import { supplies } from '$lib/state/supplies.svelte';
  import { logWords } from '$lib/wording/commands';
  import { atMoment } from '$lib/wording/figures';
  import { logDetail } from '$lib/wording/logDetail';

  const MANY = 8;

  let { open = $bindable(false), job }: { open: boolean; job: Job } = $props();

  const entries = $derived(
    job.log
      .toReversed()
      .map((entry) => ({ ...entry, about: logDetail(entry, job, supplies.cards ?? []) })),
  );
</script>

<Modal
  bind:open
  modalHeading="Log of this job"
  passiveModal
  size="sm"
  hasScrollingContent={entries.length > MANY}
>
  {#if entries.length === 0}
    <p>Nothing has been changed yet.</p>
  {:else}
    <table class="plain">
      <thead>
        <tr><th scope="col">When</th><th scope="col">Who</th><th scope="col">What</th></tr>
      </thead>
      <tbody>
        {#each entries as entry, n (n)}
          <tr>
            <td>{atMoment(entry.at)}</td>
            <td>{entry.who || '–'}</td>
            <td>{logWords(entry.command)}{entry.about === '' ? '' : `: ${entry.about}`}</td>
          </tr>
        {/each}
      </tbody>
    </table>
  {/if}
</Modal>
