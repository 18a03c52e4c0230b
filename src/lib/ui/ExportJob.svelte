<script lang="ts">
  /** A job as a file, with what was chosen in it and nothing else; both are shown before it is written. */
  import { Modal } from 'carbon-components-svelte';
  import { exportOf, jobFileName, writeJobFile, type Job } from '$core';
  import { exportChoice } from '$lib/state/exportChoice.svelte';
  import { picturesOf } from '$lib/state/pictures';
  import { STAYED_WORDS, placeWords } from '$lib/wording/exporting';
  import { counted } from '$lib/wording/figures';
  import { download } from './download';
  import { opensFor } from './fold';
  import ExportTicks from './ExportTicks.svelte';

  let { job, onclose }: { job: Job; onclose: () => void } = $props();

  const SHOWN_LETTERS = 160;
  const out = $derived(exportOf(job, exportChoice.current));
  /** Each once, however often it stands there. */
  const stayed = $derived([
    ...new Map(
      out.stayed.map((each) => [`${each.what} ${each.place} ${each.text}`, each]),
    ).values(),
  ]);
  const words = $derived([
    ...new Map(out.words.map((each) => [`${each.place} ${each.text}`, each])).values(),
  ]);
  const shown = (text: string): string =>
    text.length > SHOWN_LETTERS ? `${text.slice(0, SHOWN_LETTERS)} …` : text;

  async function write() {
    const pictures = exportChoice.current.photographs ? await picturesOf(out.job) : {};
    download(jobFileName(out.job), writeJobFile(out.job, pictures));
    onclose();
  }
</script>

<Modal
  open
  size="sm"
  modalHeading="Export {job.title || 'this job'}"
  primaryButtonText="Export"
  secondaryButtonText="Cancel"
  on:click:button--secondary={onclose}
  on:close={onclose}
  on:submit={write}
>
  <ExportTicks id="export" />
  <p class="quiet">
    The machine, needs, plan and figures go as they are. What is not ticked stays here, wherever it
    stands. A backup holds everything.
  </p>
  {#if words.length > 0}
    <details {@attach opensFor(true)}>
      <summary
        >Goes out in words: read it before you export ({counted(words.length, 'text')})</summary
      >
      <ul>
        {#each words as { place, text }, n (n)}
          <li><span class="place">{placeWords(place)}</span> {shown(text)}</li>
        {/each}
      </ul>
    </details>
  {/if}
  <details>
    <summary
      >{stayed.length === 0
        ? 'Nothing is left out'
        : `Left out: ${counted(stayed.length, 'thing')}`}</summary
    >
    <ul>
      {#each stayed as { what, place, text }, n (n)}
        <li>
          <span class="place">{placeWords(place)}</span>
          {what === 'photograph' ? '' : shown(text)}
          <span class="quiet">({STAYED_WORDS[what]})</span>
        </li>
      {/each}
    </ul>
  </details>
</Modal>

<style>
  details {
    margin-top: 0.75rem;
    font-size: 0.875rem;
  }
  ul {
    max-height: 12rem;
    overflow: auto;
    margin: 0.5rem 0 0;
    border-left: 2px solid var(--cds-ui-04);
    padding-left: 0.75rem;
  }
  li {
    padding: 0.125rem 0;
    overflow-wrap: anywhere;
  }
  .place {
    color: var(--cds-text-02);
  }
</style>
