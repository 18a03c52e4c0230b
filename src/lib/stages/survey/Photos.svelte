<script lang="ts">
  /** Photographs as notes on a slot, or on how the machine came: shrunk here, kept in this browser, in the job file when wanted. */
  import { Button, FileUploaderButton, TextInput } from 'carbon-components-svelte';
  import TrashCan from 'carbon-icons-svelte/lib/TrashCan.svelte';
  import { now } from '$lib/state/now';
  import { keepPicture, readPicture, shrunk } from '$lib/state/pictures';
  import { opensFor } from '$lib/ui/fold';
  import type { JobModel } from '../jobModel.svelte';
  import { photos as texts } from '$words/stages/survey';

  /** Null: of how the machine came. */
  let { model, slotId }: { model: JobModel; slotId: string | null } = $props();
  const key = $derived(slotId === null ? 'photo-came' : 'photo');

  let words = $state('');
  let failed = $state('');
  const photos = $derived(model.job.photos.filter((photo) => photo.slotId === slotId));

  async function take(files: readonly File[]) {
    failed = '';
    for (const file of files) {
      try {
        const id = crypto.randomUUID();
        await keepPicture(id, await shrunk(file));
        const photo = { id, slotId, words: words.trim().slice(0, 200), takenAt: now() };
        model.open.run({ name: 'addPhoto', photo });
        words = '';
      } catch {
        failed = texts.couldNotBeKeptIt(file.name);
      }
    }
  }
</script>

<details {@attach opensFor(photos.length > 0)}>
  <summary>{texts.photographs(photos.length > 0 ? ` (${photos.length})` : '')}</summary>
  <ul>
    {#each photos as photo (photo.id)}
      <li>
        {#await readPicture(photo.id) then picture}
          {#if picture}
            <img
              src={picture}
              alt={photo.words ||
                (slotId === null ? texts.photographOfTheMachine : texts.photographOfTheSlot)}
            />
          {:else}
            <span class="gone">{texts.thePictureIsNotIn}</span>
          {/if}
        {/await}
        <span>{photo.words || texts.noWords}</span>
        <Button
          kind="ghost"
          size="small"
          icon={TrashCan}
          iconDescription={texts.removeThePhotograph}
          tooltipAlignment="end"
          on:click={() => model.open.run({ name: 'removePhoto', photoId: photo.id })}
        />
      </li>
    {/each}
  </ul>
  <div class="row">
    <TextInput
      id="{key}-words"
      data-aside
      size="sm"
      labelText={texts.whatItShows}
      bind:value={words}
    />
    <FileUploaderButton
      id="{key}-file"
      size="small"
      kind="tertiary"
      labelText={texts.addAPhotograph}
      accept={['image/*']}
      disableLabelChanges
      on:change={(event) => take(event.detail)}
    />
  </div>
  {#if failed}<p role="alert" class="failed">{failed}</p>{/if}
</details>

<style>
  li {
    display: grid;
    grid-template-columns: 8rem 1fr auto;
    gap: 0.5rem;
    align-items: center;
    margin-top: 0.5rem;
    font-size: 0.8125rem;
  }
  img {
    width: 100%;
    border: 1px solid var(--cds-ui-03);
  }
  .row {
    display: flex;
    gap: 0.5rem;
    align-items: flex-end;
    margin-top: 0.5rem;
  }
  .failed,
  .gone {
    color: var(--tenant-blocked);
  }
</style>
