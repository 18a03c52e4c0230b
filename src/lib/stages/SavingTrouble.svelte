<script lang="ts">
  /** Work that is not saved, with what can be done about it; and changes that were refused. */
  import { InlineNotification, NotificationActionButton } from 'carbon-components-svelte';
  import type { Saving } from '$lib/state/jobKeeper';
  import Exporting from '$lib/ui/Exporting.svelte';
  import type { OpenJob } from '$lib/state/openJob.svelte';
  import { shop } from '$lib/state/shop.svelte';
  import type { StorageTrouble } from '$words/keeping';
  import { TROUBLE_WORDS } from '$words/keeping';
  import { problemPlace, problemWords } from '$words/problems';
  import { savingTrouble as texts } from '$words/stages/all';

  let { open }: { open: OpenJob } = $props();

  interface Notice {
    readonly kind: 'error' | 'warning';
    readonly title: string;
    readonly subtitle: string;
    readonly actions: readonly (readonly [word: string, act: () => unknown])[];
  }

  const exportOrRetry = [
    [texts.export, () => (exporting = true)],
    [texts.tryAgain, () => open.save()],
  ] as const;
  let exporting = $state(false);

  async function keepCopy() {
    await shop.copyOf(open.job);
    await open.takeStored();
  }

  const troubled = (trouble: StorageTrouble, kind: Notice['kind']): Notice => ({
    kind,
    title: texts.notSaved(lowered(TROUBLE_WORDS[trouble].title)),
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
      title: texts.notSavedThisJobIs,
      subtitle: texts.itWasDeletedInAnother,
      actions: [
        [texts.saveItAnew, () => open.saveAnew()],
        [texts.export, () => (exporting = true)],
      ],
    },
    newer: {
      kind: 'error',
      title: texts.notSavedANewerVersion,
      subtitle: texts.exportWhatIsHereIf,
      actions: [
        [texts.export, () => (exporting = true)],
        [texts.reload, () => location.reload()],
      ],
    },
    changedElsewhere: {
      kind: 'error',
      title: texts.notSavedAnotherWindowChanged,
      subtitle: texts.nothingHasBeenOverwrittenKeep,
      actions: [
        [texts.keepAsACopy, keepCopy],
        [texts.takeTheOther, () => open.takeStored()],
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
    {texts.notTakenAndNothingHas}
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
