<script lang="ts">
  /** A job as a file, with what was chosen in it and nothing else; both are shown before it is written. */
  import { Modal } from 'carbon-components-svelte';
  import { exportOf, jobFileName, writeJobFile } from '$core/write';
  import type { Job } from '$core/document';
  import { exportChoice } from '$lib/state/exportChoice.svelte';
  import { picturesOf } from '$lib/state/pictures';
  import { STAYED_WORDS, byPlace } from '$words/exporting';

  import { download } from './download';
  import { opensFor } from './fold';
  import ExportTicks from './ExportTicks.svelte';
  import { exportJob as says } from '$words/ui';

  let { job, onclose }: { job: Job; onclose: () => void } = $props();

  const out = $derived(exportOf(job, exportChoice.current));
  const words = $derived(byPlace(out.words));
  const stayed = $derived(
    byPlace(
      out.stayed.map(({ what, place, text }) => ({
        place,
        text:
          what === 'photograph'
            ? says.photographs
            : what === 'words'
              ? text
              : `${text} (${STAYED_WORDS[what]})`,
      })),
    ),
  );

  async function write() {
    const pictures = exportChoice.current.photographs ? await picturesOf(out.job) : {};
    download(jobFileName(out.job), writeJobFile(out.job, pictures));
    onclose();
  }
</script>

{#snippet list(places: ReturnType<typeof byPlace>)}
  <dl>
    {#each places as [place, texts], n (n)}
      <dt>{place}</dt>
      <dd>{texts.join(' · ')}</dd>
    {/each}
  </dl>
{/snippet}

<Modal
  open
  size="sm"
  iconDescription={says.close}
  modalHeading={says.export(job.title || says.thisJob)}
  primaryButtonText={says.export2}
  secondaryButtonText={says.cancel}
  on:click:button--secondary={onclose}
  on:close={onclose}
  on:submit={write}
>
  <ExportTicks id="export" />
  <p class="quiet">
    {says.theMachineNeedsPlanAnd}
  </p>
  {#if words.length > 0}
    <details {@attach opensFor(true)}>
      <summary>{says.goesOutInWordsRead}</summary>
      {@render list(words)}
    </details>
  {/if}
  {#if stayed.length === 0}
    <p class="quiet">{says.nothingIsLeftOut}</p>
  {:else}
    <details {@attach opensFor(words.length === 0)}>
      <summary>{says.leftOutText(out.stayed.length)}</summary>
      {@render list(stayed)}
    </details>
  {/if}
</Modal>

<style>
  details {
    margin-top: 0.75rem;
    font-size: 0.875rem;
  }
  dl {
    display: grid;
    grid-template-columns: 10rem minmax(0, 1fr);
    gap: 0.25rem 0.75rem;
    max-height: 11rem;
    overflow: auto;
    margin: 0.5rem 0 0;
    border-left: 2px solid var(--cds-ui-04);
    padding-left: 0.75rem;
  }
  dt {
    color: var(--cds-text-02);
  }
  dd {
    overflow-wrap: anywhere;
  }
</style>
