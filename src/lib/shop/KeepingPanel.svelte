<script lang="ts">
  /** How safely the work lies here, and the one file that holds all of it. */
  import {
    Button,
    FileUploaderButton,
    InlineNotification,
    ProgressBar,
  } from 'carbon-components-svelte';
  import { proxy } from 'comlink';
  import type { Problem } from '$core/read';
  import {
    canChooseFolder,
    chooseFolder,
    chosenFolder,
    writeToFolder,
  } from '$lib/state/backupFolder';
  import { bin } from '$lib/state/bin.svelte';
  import { keeping } from '$lib/state/keeping.svelte';
  import { now } from '$lib/state/now';
  import { renewal } from '$lib/state/renewal.svelte';
  import { shop } from '$lib/state/shop.svelte';
  import { tellWindows } from '$lib/state/windows';
  import type { Inspection } from '$lib/workers/backup.worker';
  import { askBackups, endBackups } from '$lib/workers/backups';
  import { atMoment, inBytes } from '$words/figures';
  import BackupInspection, { type TakeIn } from './BackupInspection.svelte';
  import BinList from './BinList.svelte';
  import { downloadFile } from '../ui/download';
  import Guarded from '../ui/Guarded.svelte';
  import ProblemLines from '../ui/ProblemLines.svelte';
  import { keepingPanel as texts } from '$words/shop';

  let doing = $state<{ readonly what: string; readonly done: number; readonly of: number } | null>(
    null,
  );
  let said = $state('');
  let wrong = $state.raw<{ name: string; problems: readonly Problem[] } | null>(null);
  let look = $state.raw<{ name: string; look: Inspection } | null>(null);
  let folder = $state('');

  const changes = $derived(keeping.changesSince(shop.rows));
  const wanted = $derived(shop.rows.length > 0 && keeping.wantsBackup(shop.rows));

  void chosenFolder().then((chosen) => (folder = chosen?.name ?? ''));

  const onProgress = (what: string) =>
    proxy((done: number, of: number) => {
      if (doing !== null) doing = { what, done, of };
    });

  /** Null where it was stopped; what goes wrong is said. */
  async function run<Answer>(
    what: string,
    work: () => Promise<Answer | null>,
  ): Promise<Answer | null> {
    doing = { what, done: 0, of: 1 };
    said = '';
    wrong = null;
    try {
      const answer = await work();
      if (answer === null) said = texts.wasStoppedNothingHasChanged(what);
      return answer;
    } catch (error) {
      said = texts.brokeOffNothingHasChanged(what, String(error));
      return null;
    } finally {
      doing = null;
    }
  }

  async function backUp() {
    const rows = shop.rows;
    const made = await run(texts.theBackup, () =>
      askBackups((backups) => backups.make(renewal.version, onProgress(texts.backingUp))),
    );
    endBackups();
    if (made === null) return;
    const { file, leftOut } = made;
    const name = `tenant-backup-${now().slice(0, 16).replaceAll(/[-:T]/g, '')}.zip`;
    const chosen = await chosenFolder();
    const isWritten = chosen !== null && (await writeToFolder(chosen, name, file));
    if (!isWritten) downloadFile(name, file);
    said = isWritten
      ? texts.writtenTo(chosen.name, name, inBytes(file.size))
      : texts.handedToTheBrowsersDownloads(name, inBytes(file.size));
    if (leftOut.length > 0) said += texts.notInItTooLarge(leftOut.join(', '));
    await keeping.backedUp(rows);
  }

  async function read(files: readonly File[]) {
    const [file] = files;
    if (file === undefined) return;
    look = null;
    const found = await run(texts.readingTheBackup, () =>
      askBackups((backups) => backups.look(file)),
    );
    if (found === null) return;
    if (found.look === null) wrong = { name: file.name, problems: found.problems };
    else look = { name: file.name, look: found.look };
  }

  async function takeIn(how: TakeIn) {
    const changed = await run(texts.restoring, () =>
      askBackups((backups) => backups.takeIn(how, onProgress(texts.restoring))),
    );
    endBackups();
    look = null;
    if (changed === null) {
      // Stopped or broken off: it is whole before or after, and the list shows which.
      await shop.renew();
      return;
    }
    tellWindows({ kind: 'listChanged' });
    for (const jobId of changed) tellWindows({ kind: 'saved', jobId, revision: 0 });
    // It is all in the store; the list takes its time to look at each.
    void shop.renew();
    said = texts.restoredJobsChanged(changed.length);
  }

  async function choose() {
    folder = (await chooseFolder())?.name ?? folder;
  }
</script>

{#if wanted}
  <InlineNotification
    lowContrast
    hideCloseButton
    kind="warning"
    title={texts.backUpNow}
    subtitle={texts.changesLieInThisBrowser(changes, keeping.last && atMoment(keeping.last.at))}
  />
{/if}
<section aria-labelledby="keeping-heading">
  <h2 id="keeping-heading">{texts.keptInThisBrowser}</h2>
  <dl>
    <dt>{texts.used}</dt>
    <dd>
      {keeping.used === null ? texts.theBrowserDoesNotSay : inBytes(keeping.used)}{keeping.room ===
      null
        ? ''
        : texts.of(inBytes(keeping.room))}
    </dd>
    <dt>{texts.mayBeEvicted}</dt>
    <dd>
      {keeping.isPersistent === null
        ? texts.theBrowserDoesNotSay
        : keeping.isPersistent
          ? texts.noTheBrowserPromised
          : texts.yesWhenTheDiskIs}
    </dd>
    <dt>{texts.lastBackup}</dt>
    <dd>
      {keeping.last === null ? texts.never : atMoment(keeping.last.at)}, {changes === 0
        ? texts.nothingNewSince
        : texts.changesSince(changes, changes)}
    </dd>
    <dt>{texts.withoutANetwork}</dt>
    <dd>
      {texts.worksEverythingIsKeptVersion(renewal.worksOffline, renewal.version)}
    </dd>
  </dl>
  <div class="row">
    <Button size="small" disabled={doing !== null} on:click={backUp}
      >{texts.backUpEverything}</Button
    >
    <FileUploaderButton
      id="backup-file"
      kind="tertiary"
      size="small"
      labelText={texts.restoreFromABackup}
      accept={['.zip']}
      disabled={doing !== null}
      disableLabelChanges
      on:change={(event) => read(event.detail)}
    />
    {#if canChooseFolder()}
      <Button size="small" kind="ghost" on:click={choose}
        >{folder === '' ? texts.chooseAFolderForBackups : texts.backupsGoTo(folder)}</Button
      >
    {/if}
  </div>
  {#if doing}
    <div class="row">
      <ProgressBar size="sm" labelText={doing.what} value={doing.done} max={doing.of} />
      <Button size="small" kind="ghost" on:click={endBackups}>{texts.stop}</Button>
    </div>
  {/if}
  <p role="status" class:empty={said === ''}>{said}</p>
  {#if wrong}
    <div role="alert" class="wrong">
      <strong>{texts.wasNotRestoredNothingHas(wrong.name)}</strong>
      <ProblemLines problems={wrong.problems} />
      <Button size="small" kind="ghost" on:click={() => (wrong = null)}>{texts.close}</Button>
    </div>
  {/if}
  {#if look}
    <Guarded what={texts.whatTheBackupWouldChange}>
      <BackupInspection
        name={look.name}
        look={look.look}
        ontake={takeIn}
        onclose={() => {
          look = null;
          endBackups();
        }}
      />
    </Guarded>
  {/if}
  {#if bin.things.length > 0}<Guarded what={texts.theBin}><BinList /></Guarded>{/if}
</section>

<style>
  section {
    margin-top: 2rem;
    padding-top: 1rem;
    border-top: 1px solid var(--cds-ui-03);
  }
  dl {
    display: grid;
    grid-template-columns: 10rem 1fr;
    gap: 0.25rem 1rem;
    font-size: 0.875rem;
    margin: 0.5rem 0 1rem;
  }
  dt {
    color: var(--cds-text-02);
  }
  [role='status'] {
    font-size: 0.875rem;
    margin-bottom: 0.75rem;
  }
  .row {
    display: flex;
    flex-wrap: wrap;
    gap: 0.75rem;
    align-items: center;
    margin-bottom: 0.75rem;
  }
  .row :global(.bx--progress-bar) {
    flex: 1;
  }
  .empty {
    display: none;
  }
  .wrong {
    border-left: 4px solid var(--tenant-blocked);
    padding: 0.75rem 1rem;
    background: var(--cds-ui-01);
  }
</style>
