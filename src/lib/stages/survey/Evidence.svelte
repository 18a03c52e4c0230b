<script lang="ts">
  /** The way in: files that the machine itself wrote, dropped, chosen or pasted; or a machine like it. */
  import {
    Button,
    CodeSnippet,
    FileUploaderButton,
    ProgressBar,
    TextArea,
  } from 'carbon-components-svelte';
  import Download from 'carbon-icons-svelte/lib/Download.svelte';
  import { proxy } from 'comlink';
  import { fromEvent } from 'file-selector';
  import { untrack } from 'svelte';
  import { sameMachine, type Job } from '$core';
  import { nameLists } from '$lib/state/nameLists';
  import { shop } from '$lib/state/shop.svelte';
  import { supplies } from '$lib/state/supplies.svelte';
  import { askReader, stopReader } from '$lib/workers/reader';
  import type { DroppedFile, EvidenceTaken } from '$lib/workers/readWork';
  import { LINUX_COMMANDS, OTHER_SYSTEM_COMMAND, reportWords } from '$lib/wording/evidence';
  import { problemPlace, problemWords } from '$lib/wording/problems';
  import type { JobModel } from '../jobModel.svelte';
  import Devices from './Devices.svelte';
  import Templates from './Templates.svelte';

  let { model, onread }: { model: JobModel; onread: () => void } = $props();

  let pasted = $state('');
  let result = $state.raw<EvidenceTaken | null>(null);
  let stopped = $state(false);
  let failed = $state('');
  let over = $state(false);
  let progress = $state.raw<{ done: number; of: number } | null>(null);

  const machine = $derived(model.job.machine);
  /** Files that were read but say nothing of this machine: lists of names. */
  const told = $derived(
    result !== null && result.files.some(({ kind, found }) => kind !== null && found > 0),
  );
  /** The same machine in an earlier job, with what was measured of it then. */
  let before = $state.raw<Job | null>(null);
  // The jobs lie in the store, outside this screen: they are looked through whenever the devices are others.
  $effect(() => {
    const { functions } = machine;
    let isOver = false;
    before = null;
    if (functions.length > 0)
      void untrack(() => earlier(() => isOver)).then((found) => {
        if (!isOver) before = found;
      });
    return () => (isOver = true);
  });

  async function earlier(isOver: () => boolean): Promise<Job | null> {
    for (const { id } of shop.rows) {
      if (isOver()) return null;
      const job = id === model.job.id ? null : await shop.job(id);
      if (job !== null && sameMachine(machine, job.machine)) return job;
    }
    return null;
  }

  /** What was measured then, and on top of it what the machine says now. */
  async function takeMeasures() {
    if (before === null) return;
    model.open.run({ name: 'takeTemplate', machine: before.machine });
    const again =
      result === null
        ? null
        : await askReader((reader) => reader.takeAgain(machine, supplies.cards ?? []));
    if (again !== null) take(again);
    onread();
  }

  const take = ({ machine: read, devices }: EvidenceTaken) =>
    model.open.run({ name: 'readMachine', machine: read, devices });

  const troubled = $derived(
    (result?.files.some(({ problems }) => problems.length > 0) ?? false) ||
      (result?.problems.length ?? 0) > 0,
  );

  async function read(files: readonly DroppedFile[]) {
    if (files.length === 0) return;
    progress = { done: 0, of: files.length };
    failed = '';
    stopped = false;
    const start = performance.now();
    try {
      const onFile = proxy((done: number) => (progress = { done, of: files.length }));
      const known = { ...(await nameLists()), functions: machine.functions };
      const cards = supplies.cards ?? [];
      let before = machine;
      let answer = await askReader((reader) => reader.read(files, known, before, cards, onFile));
      // What was typed while it read is in the survey already: the reading is taken into that.
      while (answer !== null && before !== machine) {
        before = machine;
        answer = await askReader((reader) => reader.takeAgain(before, cards));
      }
      // For whoever measures how long a bundle takes.
      performance.measure('tenant-evidence', { start });
      stopped = answer === null;
      if (answer === null) return;
      result = answer;
      await nameLists(answer.lists);
      if (!told) return;
      take(answer);
      pasted = '';
      // The board is drawn, and a key may be heard, before the forms are.
      await new Promise((resolve) => setTimeout(resolve));
      if (told && !troubled) onread();
    } catch (error) {
      failed = String(error);
    } finally {
      progress = null;
    }
  }

  const counted = (n: number, thing: string) => `${n} ${thing}${n === 1 ? '' : 's'}`;

  const named = (files: readonly File[]): readonly DroppedFile[] =>
    files.map((content) => ({
      name:
        ('relativePath' in content && String(content.relativePath)) ||
        content.webkitRelativePath ||
        content.name,
      content,
    }));

  const paste = (text: string) =>
    text.trim() === '' ? undefined : read([{ name: 'pasted text', content: text }]);

  async function drop(event: DragEvent) {
    event.preventDefault();
    over = false;
    const text = event.dataTransfer?.getData('text') ?? '';
    const dropped = await fromEvent(event);
    const files = dropped.filter((each): each is File & typeof each => each instanceof File);
    await (files.length > 0 ? read(named(files)) : paste(text));
  }
</script>

<div
  class="drop"
  class:over
  role="group"
  aria-label="Drop the evidence here"
  ondragover={(event) => {
    event.preventDefault();
    over = true;
  }}
  ondragleave={() => (over = false)}
  ondrop={drop}
>
  <TextArea
    id="evidence-text"
    data-aside
    labelText="Drop files or a folder here, or paste a report"
    placeholder="Reports of lspci and dmidecode, firmware tables, screens’ EDID, device lists, a survey file: in any mixture"
    rows={3}
    bind:value={pasted}
  />
  <div class="row">
    <Button
      size="small"
      disabled={pasted.trim() === '' || progress !== null}
      on:click={() => paste(pasted)}>Read it</Button
    >
    <FileUploaderButton
      id="evidence-file"
      size="small"
      kind="tertiary"
      labelText="Choose files"
      multiple
      disableLabelChanges
      on:change={(event) => read(named(event.detail))}
    />
    <label class="folder bx--btn bx--btn--tertiary bx--btn--sm">
      Choose a folder
      <input
        id="evidence-folder"
        class="only-read"
        type="file"
        webkitdirectory
        onchange={(event) => read(named([...(event.currentTarget.files ?? [])]))}
      />
    </label>
  </div>
  {#if progress}
    <ProgressBar
      size="sm"
      labelText="Reading"
      helperText="{progress.done} of {progress.of} files"
      value={progress.done}
      max={progress.of}
    />
    <Button size="small" kind="ghost" on:click={stopReader}>Stop reading</Button>
  {/if}
</div>

{#if failed}
  <p role="alert" class="failed">Reading broke off; the survey has not changed. ({failed})</p>
{/if}
{#if stopped}
  <p role="status">Reading was stopped; the survey has not changed.</p>
{/if}
{#if result}
  <div class="result" role="status">
    <strong
      >{told
        ? `Read and taken into the survey: ${counted(result.devices, 'device')}, ${counted(result.slotRecords, 'slot record')}, ${counted(result.screens, 'screen')}.`
        : 'Nothing was read; the survey has not changed.'}</strong
    >
    <details open={troubled}>
      <summary>{result.files.length === 1 ? 'One file' : `${result.files.length} files`}</summary>
      <ul>
        {#each result.files as file, n (n)}
          <li>
            <code>{file.name}</code>
            {reportWords(file)}
            {#if file.problems.length > 0}
              <ul class="problems">
                {#each file.problems as problem, at (at)}
                  <li><strong>{problemPlace(problem)}</strong> {problemWords(problem)}</li>
                {/each}
              </ul>
            {/if}
          </li>
        {/each}
      </ul>
      {#if result.problems.length > 0}
        <p>Left out of the survey:</p>
        <ul class="problems">
          {#each result.problems as problem, at (at)}
            <li><strong>{problemPlace(problem)}</strong> {problemWords(problem)}</li>
          {/each}
        </ul>
      {/if}
    </details>
  </div>
{/if}

{#if before && machine.case.lengthRoomMm === null}
  <p class="before" role="status">
    This machine was here before: {before.customer || 'no customer'}, {before.title ||
      'untitled job'}.
    <Button size="small" kind="tertiary" on:click={takeMeasures}>Take what was measured then</Button
    >
  </p>
{/if}

<h3>How the machine writes it</h3>
<details open={machine.functions.length === 0}>
  <summary>Linux, its own or a live stick</summary>
  <p class="quiet">
    The survey script runs as it is, changes nothing, leaves serial numbers out, and writes one
    file:
  </p>
  <div class="row">
    <Button size="small" kind="tertiary" icon={Download} href="/survey.sh" download="survey.sh"
      >Survey script</Button
    >
    <code>sudo sh survey.sh</code>
  </div>
  <p class="quiet">Or by hand:</p>
  {#each LINUX_COMMANDS as command (command)}
    <CodeSnippet type="single" code={command} feedback="Copied" />
  {/each}
</details>
<details>
  <summary>Windows</summary>
  <p class="quiet">One line in its own shell, as administrator; it writes machine.json:</p>
  <CodeSnippet type="single" code={OTHER_SYSTEM_COMMAND} feedback="Copied" />
</details>
<details>
  <summary>Names of devices</summary>
  <p class="quiet">
    Drop the open lists <code>pci.ids</code> and <code>usb.ids</code> once; they are kept in this browser.
  </p>
</details>

<Templates {model} {onread} />
<Devices {machine} />

<style>
  h3 {
    margin: 1rem 0 0.25rem;
  }
  .drop {
    padding: 0.75rem;
    border: 1px dashed var(--cds-text-02);
  }
  .drop.over {
    border-color: var(--tenant-plan);
    background: var(--tenant-plan-soft);
  }
  .row :global(.bx--btn) {
    min-width: 0;
    padding-right: 1rem;
  }
  .folder:focus-within {
    outline: 2px solid var(--cds-focus);
  }
  .row {
    display: flex;
    flex-wrap: wrap;
    gap: 0.75rem;
    margin: 0.5rem 0;
    align-items: center;
  }
  .failed,
  .result {
    margin-top: 0.75rem;
    font-size: 0.8125rem;
  }
  .before {
    margin-top: 0.75rem;
    padding-left: 0.75rem;
    border-left: 4px solid var(--tenant-plan);
    font-size: 0.8125rem;
  }
  .failed {
    color: var(--tenant-blocked);
  }
  li {
    margin-top: 0.25rem;
  }
  .problems {
    padding-left: 1rem;
    border-left: 4px solid var(--tenant-limited);
  }
  details {
    margin-top: 0.375rem;
    font-size: 0.8125rem;
  }
  summary {
    cursor: pointer;
  }
  details > :global(.bx--snippet) {
    margin-top: 0.25rem;
    max-width: none;
  }
</style>
