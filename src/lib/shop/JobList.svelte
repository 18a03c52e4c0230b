<script lang="ts">
  import { onMount } from 'svelte';
  import { goto } from '$app/navigation';
  import {
    Button,
    FileUploaderButton,
    InlineLoading,
    InlineNotification,
    NotificationActionButton,
    Search,
  } from 'carbon-components-svelte';
  import Add from 'carbon-icons-svelte/lib/Add.svelte';
  import type { Job } from '$core/document';
  import type { Problem } from '$core/read';
  import type { Binned } from '$lib/state/bin.svelte';
  import { asRow, type JobRow } from '$lib/state/jobStore';
  import { keeping } from '$lib/state/keeping.svelte';
  import { held } from '$lib/state/openJob.svelte';
  import { shop } from '$lib/state/shop.svelte';
  import { supplies } from '$lib/state/supplies.svelte';
  import { TROUBLE_WORDS } from '$words/keeping';
  import ExportJob from '../ui/ExportJob.svelte';
  import { asRepaired } from './asRepaired';
  import JobTableRow from './JobTableRow.svelte';
  import { isNoCommand, takesFocus } from '../ui/keys';
  import ProblemLines from '../ui/ProblemLines.svelte';
  import Repair from './Repair.svelte';
  import SetAsideList from './SetAsideList.svelte';
  import Guarded from '../ui/Guarded.svelte';
  import Fetched from '$lib/ui/Fetched.svelte';
  import { ran } from '$lib/state/effects';
  import { jobList as texts } from '$words/shop';

  /** As many rows as a screen holds, at once; then as many as a few screens do. A search finds the others. */
  const SHOWN_AT_ONCE = 15;
  const SHOWN_MORE = 50;

  let sought = $state('');
  let most = $state(SHOWN_AT_ONCE);
  let removed = $state.raw<Binned | null>(null);
  let exported = $state.raw<Job | null>(null);
  let refused = $state.raw<{
    readonly name: string;
    readonly problems: readonly Problem[];
    readonly mended: ReturnType<typeof asRepaired> | null;
  } | null>(null);
  let search = $state<HTMLInputElement | null>(null);

  void keeping.read();

  onMount(() => void shop.tidy().catch(() => undefined));
  $effect(() => {
    ran('jobs: more rows');
    if (!shop.ready) return;
    const shownMore = setTimeout(() => (most = Math.max(most, SHOWN_MORE)), 100);
    return () => clearTimeout(shownMore);
  });

  const words = $derived(sought.trim().toLowerCase());
  /** As they are in this window, where one is open. */
  const rows = $derived(
    held.size === 0
      ? shop.rows
      : shop.rows.map((row): JobRow => {
          const here = held.get(row.id)?.job;
          return here === undefined || here.revision === row.revision ? row : asRow(here);
        }),
  );
  const found = $derived(
    words === ''
      ? rows
      : rows.filter(({ title, customer, machine }) =>
          `${title} ${customer} ${machine}`.toLowerCase().includes(words),
        ),
  );
  const shown = $derived(found.slice(0, most));

  const unsaved = (id: string) => !['saved', 'saving'].includes(held.get(id)?.saving ?? 'saved');

  /** @param at what of the survey is looked at first */
  async function begin(at: '' | '#from-files' | '#from-template' = '') {
    const job = await shop.create();
    await goto(`/jobs/${job.id}/survey${at}`);
  }

  let demoFailed = $state(false);
  async function walk() {
    demoFailed = !(await shop.walkDemo());
  }

  async function remove({ id, title }: JobRow) {
    removed = await shop.remove(id, title || texts.untitledJob);
  }

  async function putBack() {
    if (removed !== null) await shop.putBack(removed);
    removed = null;
  }

  const jobOf = async (id: string): Promise<Job | null> =>
    held.get(id)?.job ?? (await shop.job(id));

  const openImported = (job: Job) => goto(`/jobs/${job.id}/${asRow(job).standing ?? 'hand-over'}`);

  async function importFiles(files: readonly File[]) {
    refused = null;
    for (const file of files) {
      const reading = await shop.importFile(await file.text());
      if (reading.job !== null) await openImported(reading.job);
      else {
        const { problems, record } = reading;
        const mended = record === undefined ? null : asRepaired(record);
        refused = { name: file.name, problems, mended };
      }
    }
  }

  function onkeydown(event: KeyboardEvent) {
    if (isNoCommand(event) || event.ctrlKey || event.metaKey || event.altKey) return;
    if (event.key === 'n') void begin();
    else if (event.key === '/') search?.focus();
    else return;
    event.preventDefault();
  }
</script>

<svelte:window {onkeydown} />

<main>
  <div class="head">
    <h1>{texts.jobsOnTheBench}</h1>
    <div class="search">
      <Search
        id="job-search"
        size="lg"
        labelText={texts.searchJobs}
        closeButtonLabelText={texts.clear}
        placeholder={texts.searchCustomerMachineTitle}
        bind:value={sought}
        bind:ref={search}
      />
    </div>
    <FileUploaderButton
      id="import-job"
      kind="tertiary"
      size="field"
      labelText={texts.importAJobFile}
      accept={['.json']}
      disableLabelChanges
      on:change={(event) => importFiles(event.detail)}
    />
    <Button kind="tertiary" size="field" href="/catalogue">{texts.catalogue}</Button>
    <Button size="field" icon={Add} on:click={() => begin()}>{texts.newJob}</Button>
  </div>

  {#if shop.trouble !== null}
    <InlineNotification
      lowContrast
      hideCloseButton
      kind={shop.trouble === 'blocked' || shop.trouble === 'silent' ? 'warning' : 'error'}
      title={TROUBLE_WORDS[shop.trouble].title}
      subtitle={TROUBLE_WORDS[shop.trouble].list}
    />
  {/if}
  {#if removed}
    {#key removed.key}
      <div use:takesFocus>
        <InlineNotification
          lowContrast
          kind="info"
          title={texts.deleted}
          subtitle={texts.itStaysInTheBin(removed.name)}
          on:close={() => (removed = null)}
        >
          <svelte:fragment slot="actions">
            <NotificationActionButton on:click={putBack}>{texts.undo}</NotificationActionButton>
          </svelte:fragment>
        </InlineNotification>
      </div>
    {/key}
  {/if}
  {#if refused}
    <div role="alert" class="refused">
      <h2>{texts.wasNotImportedNothingHas(refused.name)}</h2>
      <ProblemLines problems={refused.problems} />
      {#if refused.mended === null}
        <Button size="small" kind="ghost" on:click={() => (refused = null)}>{texts.close}</Button>
      {/if}
    </div>
    {#if refused.mended !== null}
      <Repair
        job={refused.mended.document}
        dropped={refused.mended.dropped}
        ontake={async (job) => openImported(await shop.importJob(job))}
        onclose={() => (refused = null)}
      />
    {/if}
  {/if}

  {#if !shop.ready}
    <InlineLoading description={texts.readingTheJobsKeptIn} />
  {:else if shop.rows.length === 0}
    <section class="empty">
      <h2>{texts.noJobsYet}</h2>
      <p>
        {texts.aJobTakesOneMachine}
      </p>
      <ul class="ways">
        <li>
          <Button size="field" on:click={() => begin('#from-files')}
            >{texts.dropAMachinesFiles}</Button
          >
          <span>{texts.itsOwnReportsTellSlots}</span>
        </li>
        <li>
          <Button size="field" kind="tertiary" on:click={() => begin('#from-template')}
            >{texts.takeATemplate}</Button
          >
          <span>{texts.aMachineOfItsKind}</span>
        </li>
        <li>
          <Button size="field" kind="tertiary" on:click={walk}>{texts.walkThroughTheDemo}</Button>
          <span>{texts.thirteenInventedJobsAtDifferent}</span>
        </li>
      </ul>
      {#if demoFailed}
        <p role="alert">{texts.theDemoCouldNotBe}</p>
      {/if}
    </section>
  {:else if found.length === 0}
    <p class="empty">{texts.noJobMatches(sought)}</p>
  {:else}
    <table class="plain jobs">
      <thead>
        <tr>
          <th scope="col">{texts.job}</th>
          <th scope="col">{texts.customer}</th>
          <th scope="col">{texts.machine}</th>
          <th scope="col">{texts.standsAt}</th>
          <th scope="col">{texts.stillOpen}</th>
          <th scope="col">{texts.changed}</th>
          <th scope="col"><span class="only-read">{texts.actions}</span></th>
        </tr>
      </thead>
      <tbody>
        {#each shown as row (row.id)}
          <svelte:boundary>
            <JobTableRow
              {row}
              unsaved={unsaved(row.id)}
              onexport={async () => (exported = await jobOf(row.id))}
              onremove={() => remove(row)}
            />
            {#snippet failed()}
              <tr
                ><td colspan="7"
                  >{texts.thisJobCannotBeShown(row.id)}
                  <a href="/jobs/{row.id}/survey">{texts.openIt}</a></td
                ></tr
              >
            {/snippet}
          </svelte:boundary>
        {/each}
      </tbody>
    </table>
    {#if found.length > most}
      <Button size="small" kind="ghost" on:click={() => (most += SHOWN_MORE)}
        >{texts.showMoreOfJobsAre(found.length - most, found.length)}</Button
      >
    {/if}
  {/if}

  {#if shop.setAside.length > 0}
    <Guarded what={texts.whatWasSetAside}><SetAsideList records={shop.setAside} /></Guarded>
  {/if}
  {#if supplies.refused.length > 0}
    <p role="status" class="quiet">
      {texts.ofYourOwnCardsExtras(supplies.refused.length)}
    </p>
  {/if}
  {#if shop.ready && shop.trouble !== 'blocked'}
    <Fetched load={() => import('./KeepingPanel.svelte')}>
      {#snippet shown(KeepingPanel)}<KeepingPanel />{/snippet}
    </Fetched>
  {/if}
  <p class="quiet foot">
    {texts.jobsAreKeptInThis}
  </p>
</main>
{#if exported}
  <ExportJob job={exported} onclose={() => (exported = null)} />
{/if}

<style>
  main {
    max-width: 76rem;
    margin: 0 auto;
    padding: 1.5rem 1.5rem 3rem;
  }
  .head {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 0.75rem;
    margin-bottom: 1.25rem;
  }
  h1 {
    white-space: nowrap;
  }
  .search {
    flex: 1 1 12rem;
  }
  .empty {
    padding: 3rem 0;
    max-width: 36rem;
  }
  .ways {
    margin-top: 1rem;
  }
  .ways li {
    display: flex;
    flex-wrap: wrap;
    gap: 0.5rem 1rem;
    align-items: center;
    padding: 0.375rem 0;
  }
  .refused {
    border-left: 4px solid var(--tenant-blocked);
    padding: 0.75rem 1rem;
    margin-bottom: 1rem;
    background: var(--cds-ui-01);
  }
  .foot {
    margin-top: 1.5rem;
  }
</style>
