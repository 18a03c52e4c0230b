<script lang="ts">
  /** The drives themselves, typed or read from what they say: they take the place of number and size in the need. */
  import {
    Button,
    Checkbox,
    FileUploaderButton,
    Select,
    SelectItem,
    TextInput,
  } from 'carbon-components-svelte';
  import Add from 'carbon-icons-svelte/lib/Add.svelte';
  import TrashCan from 'carbon-icons-svelte/lib/TrashCan.svelte';
  import { ProblemList, readSmartctl } from '$core/read';
  import { driveName, emptyDrive, type Drive } from '$core/parts';
  import { freeNumber } from '$core/document';
  import type { NeedOf } from '$core/kinds';
  import { figure } from '$words/figures';
  import { problemWords } from '$words/problems';
  import { opensFor } from '$lib/ui/fold';
  import { DRIVE_FIELDS, shownAs, withField, type DriveField } from './driveFields';
  import { drives as texts } from '$words/stages/needs';

  let {
    need,
    drives: all,
    put,
  }: {
    need: NeedOf<'drives'>;
    /** Those of all needs: no two of a job have one id. */
    drives: readonly Drive[];
    put: (need: NeedOf<'drives'>) => void;
  } = $props();

  const MOST_BYTES = 4e6;
  const MOST_DRIVES = 32;
  let keepsSerials = $state(false);
  let refused = $state('');
  /** The one that was added last. */
  let opened = $state('');
  let says = $state('');

  const drives = $derived(need.these);
  const isFull = $derived(drives.length >= MOST_DRIVES);
  const set = (these: readonly Drive[]) => put({ ...need, these: [...these] });
  const idOf = (drive: Drive, { key }: DriveField) => `${need.id}-${drive.id}-${key}`;

  /** Drives of one need share a kind of socket: another one begins a need of its own. */
  function withNew(found: readonly Drive[]): string {
    const socket = drives[0]?.socket ?? found[0]?.socket;
    const fitting = found.filter((each) => each.socket === socket);
    let fresh: readonly Drive[] = [];
    for (const each of fitting.slice(0, MOST_DRIVES - drives.length)) {
      const id = `drive-${freeNumber([...all, ...fresh], (n) => `drive-${n}`, 1)}`;
      opened = id;
      fresh = [...fresh, { ...each, id, serial: keepsSerials ? each.serial : '' }];
    }
    if (fresh.length > 0) set([...drives, ...fresh]);
    return fitting.length < found.length
      ? texts.driveForAnotherKindOf(found.length - fitting.length)
      : '';
  }

  const addOne = () => {
    const like = drives.at(-1);
    says = withNew([
      like === undefined
        ? emptyDrive('new', need.driveGigabytes, {
            medium: need.medium,
            form: need.drive === 'm2' || need.drive === 'm2Sata' ? 'module' : '2.5',
            socket: need.drive === 'any' ? 'sata' : need.drive,
          })
        : { ...like, serial: '', writtenTerabytes: null, failing: null },
    ]);
  };

  async function read(files: readonly File[]) {
    const problems = new ProblemList();
    const read: Drive[] = [];
    for (const file of files) {
      if (file.size > MOST_BYTES) {
        says = texts.isTooLargeToBe(file.name);
        return;
      }
      read.push(...readSmartctl(await file.text(), problems));
    }
    const [first] = problems.all;
    const leftOut = withNew(read);
    says = [texts.driveRead(read.length), first === undefined ? '' : problemWords(first), leftOut]
      .filter(Boolean)
      .join(' ');
  }

  function change(drive: Drive, field: DriveField, typed: string) {
    const changed = withField(drive, field, typed);
    refused = changed === null ? idOf(drive, field) : '';
    if (changed === null) return;
    // What they plug into is one for all.
    set(
      drives.map((each) =>
        each.id === drive.id
          ? changed
          : field.key === 'socket'
            ? { ...each, socket: changed.socket }
            : each,
      ),
    );
  }
</script>

<details class="drives" {@attach opensFor(drives.length > 0)}>
  <summary>{texts.theDrivesThemselves(drives.length)}</summary>
  {#each drives as drive (drive.id)}
    <details class="drive" {@attach opensFor(opened === drive.id)}>
      <summary
        >{driveName(drive) || texts.drive}, {figure(drive.gigabytes, 'GB')}{drive.failing === true
          ? texts.saysItselfThatItIs
          : ''}</summary
      >
      <div class="fields">
        {#each DRIVE_FIELDS as field (field.key)}
          {#if field.as === 'choice'}
            <Select
              id={idOf(drive, field)}
              size="sm"
              labelText={field.label}
              selected={String(drive[field.key])}
              on:change={(event) =>
                change(
                  drive,
                  field,
                  String((event.target as HTMLSelectElement | null)?.value ?? ''),
                )}
            >
              {#each field.options as [value, label] (label)}
                <SelectItem value={String(value)} text={label} />
              {/each}
            </Select>
          {:else}
            <TextInput
              id={idOf(drive, field)}
              size="sm"
              labelText={field.label}
              placeholder={field.as === 'number' ? texts.notTold : ''}
              value={shownAs(drive, field)}
              invalid={refused === idOf(drive, field)}
              invalidText={texts.aNumberIsExpected}
              on:change={(event) => change(drive, field, String(event.detail ?? ''))}
            />
          {/if}
        {/each}
        {#if keepsSerials || drive.serial !== ''}
          <TextInput
            id="{need.id}-{drive.id}-serial"
            size="sm"
            labelText={texts.serialNumber}
            value={drive.serial}
            on:change={(event) =>
              set(
                drives.map((each) =>
                  each.id === drive.id
                    ? {
                        ...each,
                        serial: String(event.detail ?? '')
                          .trim()
                          .slice(0, 200),
                      }
                    : each,
                ),
              )}
          />
        {/if}
      </div>
      <Button
        kind="ghost"
        size="small"
        icon={TrashCan}
        on:click={() => set(drives.filter(({ id }) => id !== drive.id))}
        >{texts.removeThisDrive}</Button
      >
    </details>
  {/each}
  <div class="row">
    <Button size="small" kind="tertiary" icon={Add} disabled={isFull} on:click={addOne}
      >{drives.length === 0 ? texts.aDrive : texts.oneMoreLikeTheLast}</Button
    >
    <FileUploaderButton
      id="{need.id}-smartctl"
      size="small"
      kind="tertiary"
      labelText={texts.readSmartctlJsonA}
      accept={['.json', '.txt']}
      multiple
      disableLabelChanges
      on:change={(event) => read(event.detail)}
    />
    <Checkbox
      id="{need.id}-serials"
      labelText={texts.keepSerialNumbers}
      bind:checked={keepsSerials}
    />
  </div>
  {#if says !== ''}<p class="quiet" role="status">{says}</p>{/if}
</details>

<style>
  .drives {
    margin-top: 0.75rem;
  }
  .drive {
    border-left: 2px solid var(--cds-ui-04);
    padding-left: 0.75rem;
    margin: 0.5rem 0;
  }
  .drive summary {
    margin-bottom: 0.5rem;
    font-size: 0.875rem;
    font-weight: 600;
  }
  .fields {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(7.5rem, 1fr));
    gap: 0.5rem 0.75rem;
    align-items: start;
  }
  .row {
    display: flex;
    flex-wrap: wrap;
    gap: 0.75rem;
    align-items: center;
    margin-top: 0.5rem;
  }
  .row :global(.bx--form-item) {
    flex: none;
  }
</style>
