<script lang="ts">
  /** What goes on a stick for a machine that is off-line: the fewest of the packages at hand, in an order that works. */
  import { Button } from 'carbon-components-svelte';
  import Download from 'carbon-icons-svelte/lib/Download.svelte';
  import type { PackagesInspection } from '$core/drivers';
  import { downloadFile } from '$lib/ui/download';
  import Working from '$lib/ui/Working.svelte';
  import { counted, inBytes } from '$lib/wording/figures';
  import { STICK_NAME, STICK_STAGE_WORDS, stickPage, stickWords } from '$lib/wording/stick';
  import { now } from '$lib/state/now';
  import { stopPackages } from '$lib/workers/packages';
  import type { JobModel } from '../jobModel.svelte';
  import type { PackagesAtHand } from './packagesAtHand.svelte';

  let {
    model,
    look,
    atHand,
  }: { model: JobModel; look: PackagesInspection; atHand: PackagesAtHand } = $props();

  const soFar = $derived(atHand.stick);
  const stick = $derived(soFar?.packages ?? []);
  const bytes = $derived(stick.reduce((sum, each) => sum + each.package.bytes, 0));
  const files = $derived(stick.reduce((sum, each) => sum + each.package.files, 0));

  async function write() {
    const page = stickPage(model.job.machine, stick, look.undriven, now());
    const archive = await atHand.write(stick, page);
    if (archive !== null) downloadFile(STICK_NAME, archive);
  }
</script>

<section aria-labelledby="stick-heading">
  <h3 id="stick-heading">For a stick</h3>
  {#if soFar === null}
    <Working words="Choosing the fewest packages" />
  {:else if stick.length === 0}
    <p>No package at hand is wanted by this plan or by a device that nothing drives.</p>
  {:else}
    <ol>
      {#each stick as each (each.folder)}
        <li>
          <strong>{STICK_STAGE_WORDS[each.stage]}</strong>: {stickWords(each)}
          <span class="quiet"
            >{each.package.name}, {counted(each.package.files, 'file')}, {inBytes(
              each.package.bytes,
            )}</span
          >
        </li>
      {/each}
    </ol>
    {#if atHand.isChoosing}
      <Working words="{counted(stick.length, 'package')} so far; looking whether fewer would do" />
      <Button size="small" kind="ghost" on:click={atHand.stopChoosing}>These will do</Button>
    {:else if !soFar.isFewest}
      <p class="quiet">They drive all that these packages can. Perhaps fewer would do.</p>
    {/if}
    <Button size="small" icon={Download} disabled={atHand.written !== null} on:click={write}
      >Write the stick ({counted(files, 'file')}, {inBytes(bytes)})</Button
    >
    {#if atHand.written !== null}
      <Working words="{inBytes(atHand.written)} of {inBytes(bytes)} written" />
      <Button size="small" kind="ghost" on:click={stopPackages}>Stop writing</Button>
    {/if}
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
  li {
    line-height: 1.4;
    margin-bottom: 0.25rem;
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
