<script lang="ts">
  /** The way in: files that the machine itself wrote, dropped, chosen or pasted; or a machine like it. */
  import { Button, CodeSnippet } from 'carbon-components-svelte';
  import Download from 'carbon-icons-svelte/lib/Download.svelte';
  import { onMount, untrack } from 'svelte';
  import { sameMachine, type Job } from '$core';
  import { shop } from '$lib/state/shop.svelte';
  import type { DroppedFile } from '$lib/workers/readWork';
  import { LINUX_COMMANDS, OTHER_SYSTEM_COMMAND } from '$lib/wording/evidence';
  import type { JobModel } from '../jobModel.svelte';
  import ReadResult from '../ReadResult.svelte';
  import ReportDrop from '../ReportDrop.svelte';
  import { Reading } from '../reading.svelte';
  import Devices from './Devices.svelte';
  import Templates from './Templates.svelte';

  let { model, onread }: { model: JobModel; onread: () => void } = $props();

  // An empty bench offers ways to begin, and this is where they lead.
  onMount(() => {
    const wanted = { '#from-files': 'evidence-text', '#from-template': 'template' }[location.hash];
    // The tab that it lies in is shown only after it is there.
    if (wanted !== undefined) setTimeout(() => document.getElementById(wanted)?.focus());
  });

  const reading = untrack(() => new Reading(model));
  const machine = $derived(model.job.machine);
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
    if (reading.result !== null) await reading.takeIntoSurvey();
    onread();
  }

  async function read(files: readonly DroppedFile[]): Promise<boolean> {
    const taken = await reading.read(files);
    // The board is drawn, and a key may be heard, before the forms are.
    await new Promise((resolve) => setTimeout(resolve));
    if (taken && !reading.troubled && reading.observed === null) onread();
    return taken;
  }
</script>

<ReportDrop
  label="Drop files or a folder here, or paste a report"
  progress={reading.progress}
  onfiles={read}
/>
<ReadResult {reading} ontaken={onread} />
{#if reading.observed !== null && reading.observed.length > 0}
  <p class="held"><a href="prove">See in Prove what differs from the plan</a></p>
{/if}

{#if before && machine.case.lengthRoomMm === null}
  <p class="before" role="status">
    This machine was here before: {before.customer || 'no customer'}, {before.title ||
      'untitled job'}.
    <Button size="small" kind="tertiary" on:click={takeMeasures}>Take what was measured then</Button
    >
  </p>
{/if}

<h3>How to get the report</h3>
<details open={machine.functions.length === 0}>
  <summary>Linux: installed, or from a live USB stick</summary>
  <p class="quiet">
    The survey script runs as it is, changes nothing, leaves serial numbers out, and writes one
    file:
  </p>
  <div class="acts">
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
  <p class="quiet">One line in its shell, as administrator; it writes machine.json:</p>
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
  .held {
    margin-top: 0.5rem;
    font-size: 0.8125rem;
  }
  .before {
    margin-top: 0.75rem;
    padding-left: 0.75rem;
    border-left: 4px solid var(--tenant-plan);
    font-size: 0.8125rem;
  }
  details {
    margin-top: 0.375rem;
    font-size: 0.8125rem;
  }
  details > :global(.bx--snippet) {
    margin-top: 0.25rem;
    max-width: none;
  }
</style>
