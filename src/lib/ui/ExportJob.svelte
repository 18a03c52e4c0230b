<script lang="ts">
  /** A job as a file, with what was chosen in it and nothing else. */
  import { Modal } from 'carbon-components-svelte';
  import { forExport, jobFileName, writeJobFile, type Job } from '$core';
  import { exportChoice } from '$lib/state/exportChoice.svelte';
  import { picturesOf } from '$lib/state/pictures';
  import { download } from './download';
  import ExportTicks from './ExportTicks.svelte';

  let { job, onclose }: { job: Job; onclose: () => void } = $props();

  async function write() {
    const choice = exportChoice.current;
    const out = forExport(job, choice);
    download(jobFileName(out), writeJobFile(out, choice.photographs ? await picturesOf(out) : {}));
    onclose();
  }
</script>

<Modal
  open
  size="xs"
  modalHeading="Export {job.title || 'this job'}"
  primaryButtonText="Export"
  secondaryButtonText="Cancel"
  on:click:button--secondary={onclose}
  on:close={onclose}
  on:submit={write}
>
  <ExportTicks id="export" />
  <p class="quiet">
    What is not ticked is left out, in titles, notes and log as well. A backup holds everything.
  </p>
</Modal>
