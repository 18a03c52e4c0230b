<script lang="ts">
  /** What stands between the work and its safety: a full or blocked store, another window, what was undone. */
  import { InlineNotification, NotificationActionButton } from 'carbon-components-svelte';
  import { jobFileName, writeJobFile } from '$core';
  import type { OpenJob, Saving } from '$lib/state/openJob.svelte';
  import { shop } from '$lib/state/shop.svelte';
  import { download } from '$lib/shop/download';

  let { open }: { open: OpenJob } = $props();

  interface Notice {
    readonly kind: 'error' | 'warning';
    readonly title: string;
    readonly subtitle: string;
    readonly actions: readonly (readonly [word: string, act: () => unknown])[];
  }

  const exportJob = () => download(jobFileName(open.job), writeJobFile(open.job));
  const exportOrRetry = [
    ['Export', exportJob],
    ['Try again', () => open.save()],
  ] as const;

  async function keepCopy() {
    await shop.duplicate(open.job);
    await open.takeStored();
  }

  const NOTICES: Readonly<Partial<Record<Saving, Notice>>> = {
    full: {
      kind: 'error',
      title: 'Not saved: the browser’s store is full.',
      subtitle:
        'Your work is kept in this window. Export it, make room in the list of jobs, then try again.',
      actions: exportOrRetry,
    },
    blocked: {
      kind: 'warning',
      title: 'Not saved: this browser keeps nothing.',
      subtitle:
        'Its store is blocked. Work goes on in this window; export the job before you close it.',
      actions: exportOrRetry,
    },
    changedElsewhere: {
      kind: 'error',
      title: 'Not saved: another window changed this job meanwhile.',
      subtitle:
        'Nothing has been overwritten. Keep what is here as a copy, or go on with the other version.',
      actions: [
        ['Keep as a copy', keepCopy],
        ['Take the other', () => open.takeStored()],
      ],
    },
  };
  const notice = $derived(NOTICES[open.saving]);
</script>

<div class="notices">
  {#if notice}
    <InlineNotification
      lowContrast
      hideCloseButton
      kind={notice.kind}
      title={notice.title}
      subtitle={notice.subtitle}
    >
      <svelte:fragment slot="actions">
        {#each notice.actions as [word, act] (word)}
          <NotificationActionButton on:click={act}>{word}</NotificationActionButton>
        {/each}
      </svelte:fragment>
    </InlineNotification>
  {/if}
  {#if open.alsoOpenIn.length > 0 && notice === undefined}
    <p role="status">This job is open in another window too. Both stay in step.</p>
  {/if}
  <p role="status" class:empty={open.said === ''}>{open.said}</p>
</div>

<style>
  .notices :global(.bx--inline-notification) {
    max-width: none;
    margin: 0;
  }
  p {
    padding: 0.25rem 1rem;
    font-size: 0.8125rem;
    background: var(--tenant-selected);
  }
  .empty {
    display: none;
  }
  @media print {
    .notices {
      display: none;
    }
  }
</style>
