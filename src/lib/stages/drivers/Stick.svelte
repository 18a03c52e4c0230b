<script lang="ts">
  /** What goes on a stick for a machine that is off-line: the fewest of the packages at hand, in an order that works. */
  import { Button } from 'carbon-components-svelte';
  import Download from 'carbon-icons-svelte/lib/Download.svelte';
  import type { PackagesInspection } from '$core/drivers';
  import { downloadFile } from '$lib/ui/download';
  import Working from '$lib/ui/Working.svelte';
  import { inBytes } from '$words/figures';
  import { STICK_NAME, STICK_STAGE_WORDS, stickPage, stickWords } from '$words/stick';
  import { now } from '$lib/state/now';
  import { stopPackages } from '$lib/workers/packages';
  import type { JobModel } from '../jobModel.svelte';
  import type { PackagesAtHand } from './packagesAtHand.svelte';
  import { stick as texts } from '$words/stages/drivers';

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
  <h3 id="stick-heading">{texts.forAStick}</h3>
  {#if soFar === null}
    <Working words={texts.choosingTheFewestPackages} />
  {:else if stick.length === 0}
    <p>{texts.noPackageAtHandIs}</p>
  {:else}
    <ol>
      {#each stick as each (each.folder)}
        <li>
          <strong>{STICK_STAGE_WORDS[each.stage]}</strong>: {stickWords(each)}
          <span class="quiet"
            >{each.package.name}, {texts.file(each.package.files)}, {inBytes(
              each.package.bytes,
            )}</span
          >
        </li>
      {/each}
    </ol>
    {#if atHand.isChoosing}
      <Working words={texts.packageSoFarLookingWhether(stick.length)} />
      <Button size="small" kind="ghost" on:click={atHand.stopChoosing}>{texts.theseWillDo}</Button>
    {:else if !soFar.isFewest}
      <p class="quiet">{texts.theyDriveAllThatThese}</p>
    {/if}
    <Button size="small" icon={Download} disabled={atHand.written !== null} on:click={write}
      >{texts.writeTheStickFile(files, inBytes(bytes))}</Button
    >
    {#if atHand.written !== null}
      <Working words={texts.ofWritten(inBytes(atHand.written), inBytes(bytes))} />
      <Button size="small" kind="ghost" on:click={stopPackages}>{texts.stopWriting}</Button>
    {/if}
    <p class="quiet">
      {texts.anArchiveToUnpackOnto}
    </p>
  {/if}
  {#if look.undriven.length > 0}
    <p class="short">{texts.noneOfThesePackagesDrives(look.undriven.join(', '))}</p>
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
