<script lang="ts">
  /** What goes on a stick for a machine that is off-line: the fewest of the packages at hand, in an order that works. */
  import { Button } from 'carbon-components-svelte';
  import Download from 'carbon-icons-svelte/lib/Download.svelte';
  import { stickOf, type PackagesLook } from '$core';
  import { downloadFile } from '$lib/ui/download';
  import { inBytes } from '$lib/wording/figures';
  import { STICK_STAGE_WORDS, stickPage, stickWords } from '$lib/wording/stick';
  import type { JobModel } from '../jobModel.svelte';
  import type { PackagesAtHand } from './packagesAtHand.svelte';

  let { model, look, atHand }: { model: JobModel; look: PackagesLook; atHand: PackagesAtHand } =
    $props();

  const stick = $derived(stickOf(look));
  const bytes = $derived(stick.reduce((sum, each) => sum + each.package.bytes, 0));
  let isWriting = $state(false);

  async function write() {
    isWriting = true;
    const archive = await atHand.stick(stickPage(model.job, stick, look.undriven));
    isWriting = false;
    if (archive === null) return;
    const name = (model.job.title || 'job').toLowerCase().replaceAll(/[^a-z0-9]+/g, '-');
    downloadFile(
      `${name}-drivers.zip`,
      new Blob([archive as BlobPart], { type: 'application/zip' }),
    );
  }
</script>

<section aria-labelledby="stick-heading">
  <h3 id="stick-heading">For a stick</h3>
  {#if stick.length === 0}
    <p>No package at hand is wanted by this plan or by a device that nothing drives.</p>
  {:else}
    <ol>
      {#each stick as each (each.folder)}
        <li>
          <strong>{STICK_STAGE_WORDS[each.stage]}</strong>: {stickWords(each)}
          <span class="quiet">{each.package.name}, {inBytes(each.package.bytes)}</span>
        </li>
      {/each}
    </ol>
    <Button size="small" icon={Download} disabled={isWriting} on:click={write}
      >Write the stick ({inBytes(bytes)})</Button
    >
    <p class="quiet">
      An archive to unpack onto a stick, with the sum of each file, a script for either system that
      checks them, and a page to read on the bench.
    </p>
  {/if}
  {#if look.undriven.length > 0}
    <p class="short">None of these packages drives: {look.undriven.join(', ')}.</p>
  {/if}
</section>

<style>
  section {
    margin-top: 1rem;
    padding-top: 0.75rem;
    border-top: 1px solid var(--cds-ui-04);
  }
  section,
  p {
    font-size: 0.8125rem;
  }
  h3 {
    font-size: 1rem;
    font-weight: 600;
  }
  ol {
    list-style: decimal;
    padding-left: 1.5rem;
    margin: 0.5rem 0;
  }
  li .quiet {
    display: block;
  }
  .short {
    border-left: 4px solid var(--tenant-limited);
    padding-left: 0.5rem;
    margin-top: 0.75rem;
  }
</style>
