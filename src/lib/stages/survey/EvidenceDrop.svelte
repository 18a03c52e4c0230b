<script lang="ts">
  /** The way in: files that the machine itself wrote, dropped, chosen or pasted, and what came of them. */
  import { Button } from 'carbon-components-svelte';
  import { onMount, untrack } from 'svelte';
  import { sameMachine } from '$core/survey';
  import type { Job } from '$core/document';
  import { shop } from '$lib/state/shop.svelte';
  import type { DroppedFile } from '$lib/workers/packageFiles';
  import type { JobModel } from '../jobModel.svelte';
  import ReadResult from '../ReadResult.svelte';
  import ReportDrop from '../ReportDrop.svelte';
  import { Reading } from '../reading.svelte';
  import { ran } from '$lib/state/effects';
  import { evidenceDrop as texts } from '$words/stages/survey';

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
    ran('evidence: machines of earlier jobs');
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
  label={texts.dropFilesOrAFolder}
  isFolded={machine.slots.length > 0}
  progress={reading.progress}
  onfiles={read}
/>
<ReadResult {reading} ontaken={onread} />
{#if reading.observed !== null && reading.observed.length > 0}
  <p class="held"><a href="prove">{texts.seeInProveWhatDiffers}</a></p>
{/if}

{#if before && machine.case.lengthRoomMm === null}
  <p class="before" role="status">
    {texts.thisMachineWasHereBefore(
      before.customer || texts.noCustomer,
      before.title || texts.untitledJob,
    )}
    <Button size="small" kind="tertiary" on:click={takeMeasures}
      >{texts.takeWhatWasMeasuredThen}</Button
    >
  </p>
{/if}

<style>
  .held {
    margin-top: 0.5rem;
    font-size: 0.8125rem;
  }
  .before {
    margin: 0.75rem 0;
    padding-left: 0.75rem;
    display: grid;
    gap: 0.375rem;
    justify-items: start;
    border-left: 4px solid var(--tenant-plan);
    font-size: 0.8125rem;
  }
</style>
