<script lang="ts">
  /** What stands between the work and its safety: a full or blocked store, another window, what was undone. */
  import { InlineNotification, NotificationActionButton } from 'carbon-components-svelte';
  import type { Saving } from '$lib/state/jobKeeper';
  import type { OpenJob } from '$lib/state/openJob.svelte';
  import { shop } from '$lib/state/shop.svelte';
  import type { StorageTrouble } from '$lib/wording/keeping';
  import ExportJob from '$lib/ui/ExportJob.svelte';
  import { TROUBLE_WORDS } from '$lib/wording/keeping';
  import { problemPlace, problemWords } from '$lib/wording/problems';

  let { open }: { open: OpenJob } = $props();

  interface Notice {
    readonly kind: 'error' | 'warning';
    readonly title: string;
    readonly subtitle: string;
    readonly actions: readonly (readonly [word: string, act: () => unknown])[];
  }

  const exportOrRetry = [
    ['Export', () => (exporting = true)],
    ['Try again', () => open.save()],
  ] as const;
  let exporting = $state(false);

  async function keepCopy() {
    await shop.copyOf(open.job);
    await open.takeStored();
  }

  const troubled = (trouble: StorageTrouble, kind: Notice['kind']): Notice => ({
    kind,
    title: `Not saved: ${lowered(TROUBLE_WORDS[trouble].title)}`,
    subtitle: TROUBLE_WORDS[trouble].unsaved,
    actions: exportOrRetry,
  });
  const lowered = (title: string) => title.slice(0, 1).toLowerCase() + title.slice(1);

  const NOTICES: Readonly<Partial<Record<Saving, Notice>>> = {
    full: troubled('full', 'error'),
    blocked: troubled('blocked', 'warning'),
    silent: troubled('silent', 'warning'),
    gone: {
      kind: 'error',
      title: 'Not saved: this job is no longer in the browser’s store.',
      subtitle: 'It was deleted in another window, or the browser’s data was cleared.',
      actions: [
        ['Save it anew', () => open.saveAnew()],
        ['Export', () => (exporting = true)],
      ],
    },
    newer: {
      kind: 'error',
      title: 'Not saved: a newer version of Tenant has changed this job.',
      subtitle:
        'Export what is here if you want to keep it, then reload to take the newer version.',
      actions: [
        ['Export', () => (exporting = true)],
        ['Reload', () => location.reload()],
      ],
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
  {#if open.refused.length > 0}
    <div role="alert" class="refused">
      Not taken, and nothing has changed:
      {#each open.refused as problem, n (n)}
        <span><strong>{problemPlace(problem)}</strong> {problemWords(problem)}</span>
      {/each}
    </div>
  {/if}
</div>
{#if exporting}<ExportJob job={open.job} onclose={() => (exporting = false)} />{/if}

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
  .refused {
    padding: 0.25rem 1rem;
    font-size: 0.8125rem;
    border-left: 4px solid var(--tenant-blocked);
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
