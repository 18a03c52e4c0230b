<script lang="ts">
  import { Modal } from 'carbon-components-svelte';
  import type { Job } from '$core/document';
  import { supplies } from '$lib/state/supplies.svelte';
  import { logWords } from '$words/commands';
  import { atMoment } from '$words/figures';
  import { logDetail } from '$words/logDetail';
  import { jobLog as texts } from '$words/stages/all';

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
  iconDescription={texts.close}
  modalHeading={texts.logOfThisJob}
  passiveModal
  size="sm"
  hasScrollingContent={entries.length > MANY}
>
  {#if entries.length === 0}
    <p>{texts.nothingHasBeenChangedYet}</p>
  {:else}
    <table class="plain">
      <thead>
        <tr
          ><th scope="col">{texts.when}</th><th scope="col">{texts.who}</th><th scope="col"
            >{texts.what}</th
          ></tr
        >
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
