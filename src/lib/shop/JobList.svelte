<script lang="ts">
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
  import Copy from 'carbon-icons-svelte/lib/Copy.svelte';
  import Download from 'carbon-icons-svelte/lib/Download.svelte';
  import ImageReference from 'carbon-icons-svelte/lib/ImageReference.svelte';
  import TrashCan from 'carbon-icons-svelte/lib/TrashCan.svelte';
  import {
    STAGES,
    jobFileName,
    openItems,
    standing,
    writeJobFile,
    type Job,
    type Problem,
  } from '$core';
  import { picturesOf } from '$lib/state/pictures';
  import { held } from '$lib/state/openJob.svelte';
  import { shop } from '$lib/state/shop.svelte';
  import { atMoment } from '$lib/wording/figures';
  import { problemPlace, problemWords } from '$lib/wording/problems';
  import { STAGE_WORDS } from '$lib/wording/stages';
  import { download } from './download';
  import { isTyping } from './keys';

  let sought = $state('');
  let removed = $state.raw<Job | null>(null);
  let refused = $state.raw<{ name: string; problems: readonly Problem[] } | null>(null);
  let search = $state<HTMLInputElement | null>(null);

  const shown = $derived(
    shop.jobs
      .map((job) => held.get(job.id)?.job ?? job)
      .filter((job) =>
        [job.title, job.customer, job.machine.name]
          .join(' ')
          .toLowerCase()
          .includes(sought.trim().toLowerCase()),
      )
      .map((job) => ({ job, at: standing(job), open: openItems(job) })),
  );

  const unsaved = (id: string) => !['saved', 'saving'].includes(held.get(id)?.saving ?? 'saved');
  const placeOf = (job: Job) => `/jobs/${job.id}/${standing(job) ?? 'hand-over'}`;

  async function begin() {
    const job = await shop.create();
    await goto(`/jobs/${job.id}/survey`);
  }

  async function remove(job: Job) {
    await shop.remove(job);
    removed = job;
  }

  async function putBack() {
    if (removed !== null) await shop.create(removed);
    removed = null;
  }

  async function importFiles(files: readonly File[]) {
    refused = null;
    for (const file of files) {
      const { job, problems } = await shop.importFile(await file.text());
      if (job === null) refused = { name: file.name, problems };
      else await goto(placeOf(job));
    }
  }

  function onkeydown(event: KeyboardEvent) {
    if (isTyping(event) || event.ctrlKey || event.metaKey || event.altKey) return;
    if (event.key === 'n') void begin();
    else if (event.key === '/') search?.focus();
    else return;
    event.preventDefault();
  }
</script>

<svelte:window {onkeydown} />

<main>
  <div class="head">
    <h1>Jobs on the bench</h1>
    <div class="search">
      <Search
        id="job-search"
        size="lg"
        labelText="Search jobs"
        placeholder="Search customer, machine, title ( / )"
        bind:value={sought}
        bind:ref={search}
      />
    </div>
    <FileUploaderButton
      id="import-job"
      kind="tertiary"
      size="field"
      labelText="Import a job file"
      accept={['.json']}
      disableLabelChanges
      on:change={(event) => importFiles(event.detail)}
    />
    <Button kind="tertiary" size="field" href="/catalogue">Catalogue</Button>
    <Button size="field" icon={Add} on:click={begin}>New job</Button>
  </div>

  {#if shop.trouble === 'blocked'}
    <InlineNotification
      lowContrast
      hideCloseButton
      kind="warning"
      title="This browser keeps nothing."
      subtitle="Its store is blocked or broken. Work goes on in this window; export each job before you close it."
    />
  {:else if shop.trouble === 'full'}
    <InlineNotification
      lowContrast
      hideCloseButton
      kind="error"
      title="The browser’s store is full."
      subtitle="Export old jobs and delete them here; nothing that was saved is lost."
    />
  {/if}
  {#if removed}
    <InlineNotification
      lowContrast
      kind="info"
      title="Deleted:"
      subtitle={removed.title || 'untitled job'}
      on:close={() => (removed = null)}
    >
      <svelte:fragment slot="actions">
        <NotificationActionButton on:click={putBack}>Undo</NotificationActionButton>
      </svelte:fragment>
    </InlineNotification>
  {/if}
  {#if refused}
    <div role="alert" class="refused">
      <h2>{refused.name} was not imported. Nothing has changed.</h2>
      <ul>
        {#each refused.problems as problem, n (n)}
          <li><strong>{problemPlace(problem)}</strong> {problemWords(problem)}</li>
        {/each}
      </ul>
      <Button size="small" kind="ghost" on:click={() => (refused = null)}>Close</Button>
    </div>
  {/if}

  {#if !shop.ready}
    <InlineLoading description="Reading the jobs kept in this browser" />
  {:else if shop.jobs.length === 0}
    <section class="empty">
      <h2>No jobs yet</h2>
      <p>
        A job takes one machine and what its owner wants from survey to hand-over. Begin one, or
        import a job file from another bench.
      </p>
    </section>
  {:else if shown.length === 0}
    <p class="empty">No job matches “{sought}”.</p>
  {:else}
    <table class="plain jobs">
      <thead>
        <tr>
          <th scope="col">Job</th>
          <th scope="col">Customer</th>
          <th scope="col">Machine</th>
          <th scope="col">Stands at</th>
          <th scope="col">Still open</th>
          <th scope="col">Changed</th>
          <th scope="col"><span class="only-read">Actions</span></th>
        </tr>
      </thead>
      <tbody>
        {#each shown as { job, at, open } (job.id)}
          <tr>
            <td><a href={placeOf(job)}>{job.title || 'Untitled job'}</a></td>
            <td>{job.customer || '–'}</td>
            <td>{job.machine.name || 'not surveyed'}</td>
            <td class="standing">
              <span class="track" aria-hidden="true">
                {#each STAGES as stage (stage)}
                  <i
                    class:done={at === null || STAGES.indexOf(stage) < STAGES.indexOf(at)}
                    class:here={stage === at}
                  ></i>
                {/each}
              </span>
              {at === null ? 'Done' : STAGE_WORDS[at]}
            </td>
            <td>
              {at === null
                ? 'nothing'
                : `${open[at]} in ${STAGE_WORDS[at]}`}{#if open.survey > 0 && at !== 'survey'},
                {open.survey} facts unknown{/if}
            </td>
            <td>
              {atMoment(job.changedAt)}
              {#if unsaved(job.id)}<strong class="unsaved">not saved</strong>{/if}
            </td>
            <td class="actions">
              <Button
                kind="ghost"
                size="small"
                icon={Copy}
                iconDescription="Duplicate"
                on:click={() => shop.duplicate(job)}
              />
              {#if job.photos.length > 0}
                <Button
                  kind="ghost"
                  size="small"
                  icon={ImageReference}
                  iconDescription="Export with photographs"
                  on:click={async () =>
                    download(jobFileName(job), writeJobFile(job, await picturesOf(job)))}
                />
              {/if}
              <Button
                kind="ghost"
                size="small"
                icon={Download}
                iconDescription="Export"
                on:click={() => download(jobFileName(job), writeJobFile(job))}
              />
              <Button
                kind="ghost"
                size="small"
                icon={TrashCan}
                iconDescription="Delete"
                tooltipAlignment="end"
                on:click={() => remove(job)}
              />
            </td>
          </tr>
        {/each}
      </tbody>
    </table>
  {/if}

  {#if shop.setAside.length > 0}
    <section class="aside">
      <h2>Set aside</h2>
      <p class="quiet">
        These records no longer read as jobs. They are kept whole: export them before you remove
        them.
      </p>
      <ul>
        {#each shop.setAside as { key, record, problems } (key)}
          <li>
            <code>{key}</code>
            <span>{problems.map((p) => `${problemPlace(p)}: ${problemWords(p)}`).join('; ')}</span>
            <Button
              size="small"
              kind="tertiary"
              on:click={() => download(`${key}.set-aside.json`, JSON.stringify(record, null, 2))}
              >Export as it is</Button
            >
            <Button size="small" kind="danger-ghost" on:click={() => shop.removeSetAside(key)}
              >Remove</Button
            >
          </li>
        {/each}
      </ul>
    </section>
  {/if}
  <p class="quiet foot">
    Jobs are kept in this browser and nowhere else. Export a job to take it elsewhere or to keep a
    copy.
  </p>
</main>

<style>
  main {
    max-width: 76rem;
    margin: 0 auto;
    padding: 1.5rem 1.5rem 3rem;
  }
  .head {
    display: flex;
    align-items: center;
    gap: 0.75rem;
    margin-bottom: 1.25rem;
  }
  h1 {
    white-space: nowrap;
  }
  .search {
    flex: 1;
  }
  .jobs td {
    padding-block: 0.75rem;
    vertical-align: middle;
    font-size: 0.875rem;
  }
  .jobs a {
    color: var(--cds-link-01);
    font-weight: 600;
  }
  .jobs tbody tr:hover {
    background: var(--cds-hover-ui);
  }
  .track {
    display: inline-flex;
    gap: 2px;
    margin-right: 0.5rem;
  }
  .track i {
    width: 8px;
    height: 12px;
    border: 1px solid var(--cds-text-02);
  }
  .track .done {
    background: var(--cds-text-02);
  }
  .track .here {
    border-color: var(--tenant-plan);
    background: var(--tenant-plan-soft);
    height: 16px;
    margin-top: -2px;
  }
  .standing {
    white-space: nowrap;
  }
  .unsaved {
    display: block;
    color: var(--tenant-blocked);
  }
  .actions {
    white-space: nowrap;
    text-align: right;
  }
  .empty {
    padding: 3rem 0;
    max-width: 36rem;
  }
  .refused {
    border-left: 4px solid var(--tenant-blocked);
    padding: 0.75rem 1rem;
    margin-bottom: 1rem;
    background: var(--cds-ui-01);
  }
  .refused li {
    margin: 0.25rem 0;
  }
  .aside {
    margin-top: 2rem;
  }
  .aside li {
    display: flex;
    flex-wrap: wrap;
    gap: 0.75rem;
    align-items: center;
    padding: 0.5rem 0;
    border-bottom: 1px solid var(--cds-ui-03);
  }
  .foot {
    margin-top: 1.5rem;
  }
</style>
