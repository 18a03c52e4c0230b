<script lang="ts">
  /** Where files that the machine wrote are dropped, chosen or pasted, and how far reading them is. */
  import { Button, FileUploaderButton, ProgressBar, TextArea } from 'carbon-components-svelte';
  import { fromEvent } from 'file-selector';
  import { inBytes } from '$words/figures';
  import { stopReader } from '$lib/workers/reader';
  import type { DroppedFile } from '$lib/workers/packageFiles';
  import { reportDrop as texts } from '$words/stages/all';

  let {
    id = 'evidence',
    label,
    placeholder = texts.reportsOfLspciAndDmidecode,
    isFolded = false,
    progress,
    unit = 'files',
    onfiles,
    onstop = stopReader,
  }: {
    /** Where several of them are on one screen. */
    id?: string;
    label: string;
    placeholder?: string;
    /** Where it is seldom wanted: dropped on all the same, and opened to paste or to choose. */
    isFolded?: boolean;
    /** Null while nothing is read. */
    progress: { readonly done: number; readonly of: number } | null;
    /** What it is counted in. */
    unit?: 'files' | 'bytes';
    /** Says whether anything was taken. */
    onfiles: (files: readonly DroppedFile[]) => Promise<boolean>;
    onstop?: () => void;
  } = $props();

  let pasted = $state('');
  let over = $state(false);
  /** The button keeps what was chosen, and would hand it over again with the next choice. */
  let chosen = $state.raw<readonly File[]>([]);

  const named = (files: readonly File[]): readonly DroppedFile[] =>
    files.map((content) => ({
      name: (
        ('relativePath' in content && String(content.relativePath)) ||
        content.webkitRelativePath ||
        content.name
      ).replace(/^\.\//, ''),
      content,
    }));

  async function paste(text: string) {
    if (text.trim() === '') return;
    if (await onfiles([{ name: texts.pastedText, content: text }])) pasted = '';
  }

  async function drop(event: DragEvent) {
    event.preventDefault();
    over = false;
    const text = event.dataTransfer?.getData('text') ?? '';
    const dropped = await fromEvent(event);
    const files = dropped.filter((each): each is File & typeof each => each instanceof File);
    await (files.length > 0 ? onfiles(named(files)) : paste(text));
  }
</script>

{#snippet controls()}
  <TextArea
    id="{id}-text"
    data-aside
    labelText={label}
    {placeholder}
    rows={3}
    bind:value={pasted}
  />
  <div class="acts">
    <Button
      size="small"
      disabled={pasted.trim() === '' || progress !== null}
      on:click={() => paste(pasted)}>{texts.readIt}</Button
    >
    <FileUploaderButton
      id="{id}-file"
      size="small"
      kind="tertiary"
      labelText={texts.chooseFiles}
      multiple
      disableLabelChanges
      bind:files={chosen}
      on:change={(event) => {
        void onfiles(named(event.detail));
        chosen = [];
      }}
    />
    <label class="folder bx--btn bx--btn--tertiary bx--btn--sm">
      {texts.chooseAFolder}
      <input
        id="{id}-folder"
        class="only-read"
        type="file"
        webkitdirectory
        onchange={(event) => onfiles(named([...(event.currentTarget.files ?? [])]))}
      />
    </label>
  </div>
{/snippet}

<div
  class="drop"
  class:over
  role="group"
  aria-label={texts.dropTheEvidenceHere}
  ondragover={(event) => {
    event.preventDefault();
    over = true;
  }}
  ondragleave={() => (over = false)}
  ondrop={drop}
>
  {#if isFolded}
    <details>
      <summary>{texts.anotherReportDropItHere}</summary>
      {@render controls()}
    </details>
  {:else}
    {@render controls()}
  {/if}
  {#if progress}
    <ProgressBar
      size="sm"
      labelText={texts.reading}
      helperText={unit === 'files'
        ? texts.ofFiles(progress.done, progress.of)
        : texts.of(inBytes(progress.done), inBytes(progress.of))}
      value={progress.done}
      max={progress.of}
    />
    <Button size="small" kind="ghost" on:click={onstop}>{texts.stopReading}</Button>
  {/if}
</div>

<style>
  .drop {
    padding: 0.75rem;
    border: 1px dashed var(--cds-text-02);
  }
  .drop.over {
    border-color: var(--tenant-plan);
    background: var(--tenant-plan-soft);
  }
  .folder:focus-within {
    outline: 2px solid var(--cds-focus);
  }
</style>
