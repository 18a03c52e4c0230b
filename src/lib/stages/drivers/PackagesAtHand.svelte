<script lang="ts">
  /** Dropped driver packages: what each would drive here, by which name it will be listed, and what it takes over besides. */
  import { untrack } from 'svelte';
  import { Button } from 'carbon-components-svelte';
  import Download from 'carbon-icons-svelte/lib/Download.svelte';
  import { packagesWanted } from '$core/assembly';
  import type { DrivenDevice } from '$core/drivers';
  import ProblemLines from '$lib/ui/ProblemLines.svelte';
  import VerdictMark from '$lib/ui/VerdictMark.svelte';
  import { changeWords, matchWords, packageWords, leftOutWords } from '$words/packages';
  import type { JobModel } from '../jobModel.svelte';
  import { stopPackages } from '$lib/workers/packages';
  import ReportDrop from '../ReportDrop.svelte';
  import { packagesAtHand } from './packagesAtHand.svelte';
  import Stick from './Stick.svelte';
  import Guarded from '$lib/ui/Guarded.svelte';
  import { ran } from '$lib/state/effects';
  import { packagesAtHand as texts } from '$words/stages/drivers';

  let { model }: { model: JobModel } = $props();

  const atHand = untrack(() => packagesAtHand(model));
  const look = $derived(atHand.look);
  const wanted = $derived(
    packagesWanted(model.job).filter((each) => each.package.files.length > 0),
  );

  // Another fact of the system, or another plan, and other models of a package count.
  $effect(() => {
    ran('packages: looked at again');
    void model.job.machine;
    void model.assembly;
    untrack(() => void atHand.again());
  });

  const verdictOf = ({ isUnasked, isOutranked, now, isNowGeneric, against }: DrivenDevice) =>
    isUnasked || against === 'older'
      ? 'limited'
      : isOutranked || (now !== null && !isNowGeneric && against !== 'newer')
        ? null
        : 'clear';
</script>

<section aria-labelledby="packages-heading">
  <h2 id="packages-heading">{texts.driverPackagesAtHand}</h2>
  <p class="quiet">
    {texts.dropAFolderAnArchive}
  </p>
  {#if wanted.length > 0}
    <p class="download">
      <Button
        size="small"
        kind="tertiary"
        icon={Download}
        disabled={atHand.progress !== null}
        on:click={() => atHand.download()}>{texts.downloadPlannedPackages(wanted.length)}</Button
      >
    </p>
  {/if}
  {#if model.job.packages.length > 0}
    <h3>{texts.keptWithThisJob}</h3>
    <ul>
      {#each model.job.packages as { id, title, version } (id)}
        <li>
          {title}
          {version === '0' ? '' : version}
          <button
            type="button"
            class="text"
            onclick={() => model.open.run({ name: 'dropPackage', packageId: id })}
            >{texts.remove}<span class="only-read"> {title}</span></button
          >
        </li>
      {/each}
    </ul>
  {/if}
  <ReportDrop
    id="packages"
    label={texts.dropDriverPackagesHere}
    placeholder={texts.orPasteASetupFile}
    progress={atHand.progress}
    unit={atHand.progress?.unit ?? 'files'}
    onfiles={(files) => atHand.read(files)}
    onstop={stopPackages}
  />
  {#if atHand.failed !== ''}
    <p role="alert">{atHand.failed}</p>
  {/if}
  <div aria-live="polite">
    {#if look !== null}
      <p class="sum">
        {look.packages.length === 0
          ? texts.noneOfItIsA
          : texts.packagesRead(look.packages.length)}{look.others > 0 && look.packages.length > 0
          ? texts.otherFilesLeftOut(look.others, look.others)
          : '.'}
      </p>
      {#if atHand.leftOut.length > 0}
        <ul class="left-out" role="alert">
          {#each atHand.leftOut as each, n (n)}
            <li><strong>{each.name}</strong> {leftOutWords(each)}</li>
          {/each}
        </ul>
      {/if}
      {#each look.packages as each, n (n)}
        <article aria-label={each.name}>
          <h3>{each.name}</h3>
          <p class="quiet">{packageWords(each, look)}</p>
          {#if each.drives.length > 0}
            <table class="plain">
              <thead>
                <tr>
                  <th scope="col">{texts.drives}</th>
                  <th scope="col">{texts.listedAs}</th>
                  <th scope="col">{texts.how}</th>
                  <th scope="col">{texts.againstNow}</th>
                </tr>
              </thead>
              <tbody>
                {#each each.drives as driven, m (m)}
                  {@const verdict = verdictOf(driven)}
                  <tr>
                    <td
                      >{driven.name}{#if driven.isPlanned}<br /><span class="quiet"
                          >{texts.planned}</span
                        >{/if}</td
                    >
                    <td>{driven.listedAs}</td>
                    <td>{matchWords(driven.match)}</td>
                    <td>
                      <span class="change">
                        {#if verdict !== null}<VerdictMark {verdict} withWord={false} />{/if}
                        <span>{changeWords(driven)}</span>
                      </span>
                    </td>
                  </tr>
                {/each}
              </tbody>
            </table>
          {:else if each.kind === 'aliases' || look.takesSetup === 'yes'}
            <p>{texts.drivesNothingOfThisMachine}</p>
          {/if}
          {#if each.missing.length > 0}
            <p>
              {texts.namedByItAndNot(each.missing.join(', '))}
            </p>
          {/if}
          <ProblemLines problems={each.problems} />
        </article>
      {/each}
    {/if}
    {#if look !== null && look.packages.some(({ drives }) => drives.length > 0)}
      <p class="keep">
        <Button size="small" kind="tertiary" on:click={() => atHand.keep()}
          >{texts.countThemForThisJob}</Button
        >
        <span class="quiet">{texts.driversAreThenChosenFrom}</span>
      </p>
    {/if}
    {#if look !== null && look.packages.length > 0}
      <Guarded what={texts.theStick}><Stick {model} {look} {atHand} /></Guarded>
    {/if}
  </div>
</section>

<style>
  .left-out {
    border-left: 4px solid var(--tenant-blocked);
    padding: 0.25rem 0 0.25rem 0.75rem;
    margin: 0.5rem 0;
    font-size: 0.8125rem;
    line-height: 1.4;
  }
  section {
    margin-top: 2rem;
    border-top: 1px solid var(--cds-ui-04);
    padding-top: 0.75rem;
  }
  h2 {
    font-size: 1.25rem;
  }
  h3 {
    font-size: 0.875rem;
    font-weight: 600;
    overflow-wrap: anywhere;
  }
  .sum {
    margin-top: 0.75rem;
    font-size: 0.875rem;
  }
  article {
    margin-top: 0.75rem;
    padding-top: 0.5rem;
    border-top: 1px solid var(--cds-ui-03);
    font-size: 0.8125rem;
  }
  article p {
    font-size: inherit;
  }
  table {
    font-size: 0.8125rem;
    margin-top: 0.25rem;
  }
  td {
    vertical-align: top;
  }
  .download {
    margin: 0.5rem 0;
  }
  .keep {
    display: flex;
    gap: 0.75rem;
    align-items: center;
    margin-top: 0.75rem;
  }
  .text {
    text-decoration: underline;
  }
  ul {
    font-size: 0.8125rem;
  }
  .change {
    display: flex;
    gap: 0.5rem;
    align-items: flex-start;
  }
</style>
