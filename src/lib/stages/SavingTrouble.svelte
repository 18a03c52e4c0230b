<script lang="ts">
  /** Work that is not saved, with what can be done about it; and changes that were refused. */
  import { InlineNotification, NotificationActionButton } from 'carbon-components-svelte';
  import type { Saving } from '$lib/state/jobKeeper';
  import Exporting from '$lib/ui/Exporting.svelte';
  import type { OpenJob } from '$lib/state/openJob.svelte';
  import { shop } from '$lib/state/shop.svelte';
  import type { StorageTrouble } from '$lib/wording/keeping';
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
{#if open.refused.length > 0}
  <div role="alert" class="refused">
    Not taken, and nothing has changed:
    {#each open.refused as problem, n (n)}
      <span><strong>{problemPlace(problem)}</strong> {problemWords(problem)}</span>
    {/each}
  </div>
{/if}
<Exporting job={open.job} bind:open={exporting} />

<style>
  :global(.notices .bx--inline-notification) {
    max-width: none;
    margin: 0;
  }
  .refused {
    padding: 0.25rem 1rem;
    font-size: 0.8125rem;
    border-left: 4px solid var(--tenant-blocked);
  }
</style>
