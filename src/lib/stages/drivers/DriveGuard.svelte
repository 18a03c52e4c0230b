<script lang="ts">
  /** Drives are named before anything on them is erased; one that holds something only on the customer's word, twice. */
  import {
    Button,
    Checkbox,
    NumberInput,
    Select,
    SelectItem,
    TextInput,
  } from 'carbon-components-svelte';
  import { driveName, emptyDrive, type Drive } from '$core/parts';
  import { drivesNamed, namedDrive } from '$core/document';
  import { drivesWanted } from '$core/kinds';
  import { now } from '$lib/state/now';
  import type { JobModel } from '../jobModel.svelte';

  let { model, slotId, count }: { model: JobModel; slotId: string | null; count: number } =
    $props();

  const named = $derived(drivesNamed(model.job.observations, slotId));
  /** The drive of the needs that this is; null: another one. */
  let chosen = $state.raw<Drive | null>(null);
  let serial = $state('');
  let gigabytes = $state<number | null>(null);
  let holds = $state<'unknown' | 'nothing' | 'something'>('unknown');
  let typedAgain = $state('');
  let isAgreed = $state(false);

  /** Drives that the needs name, and nobody named here yet. */
  const known = $derived(
    drivesWanted(model.job.needs).filter(
      (drive) => !named.some(({ value }) => value.drive.id === drive.id),
    ),
  );
  function fillIn(drive: Drive) {
    chosen = drive;
    serial = drive.serial;
    gigabytes = drive.gigabytes;
  }

  const missing = $derived.by(() => {
    const wanted = serial.trim();
    if (wanted === '') return 'Enter the serial number that stands on it.';
    if (named.some(({ value }) => value.drive.serial === wanted))
      return 'This drive is named already.';
    if (gigabytes === null || gigabytes <= 0) return 'Enter its size, as the system shows it.';
    if (holds === 'unknown') return 'Look at what is on it: nothing is prepared unseen.';
    if (holds === 'nothing') return null;
    if (typedAgain.trim() !== wanted)
      return 'It holds something. Type its serial number once more: all of that will be gone.';
    return isAgreed ? null : 'Ask the customer a second time.';
  });

  function add() {
    if (missing !== null || gigabytes === null || holds === 'unknown') return;
    const told = { serial: serial.trim(), gigabytes };
    const drive = { ...(chosen ?? emptyDrive(crypto.randomUUID(), gigabytes)), ...told };
    const observation = namedDrive(slotId, { drive, holds }, now());
    model.open.run({ name: 'observe', observations: [observation] });
    chosen = null;
    serial = '';
    gigabytes = null;
    holds = 'unknown';
    typedAgain = '';
    isAgreed = false;
  }

  const remove = (observationId: string) =>
    model.open.run({ name: 'removeObservation', observationId });
</script>

<section aria-label="Drives to be prepared">
  <p>
    <strong>{named.length} of {count} named.</strong>
    {named.length < count ? 'The step is done only once each of them is.' : ''}
  </p>
  {#if named.length > 0}
    <ul>
      {#each named as { id, value } (id)}
        <li>
          {value.drive.serial}, {driveName(value.drive) && `${driveName(value.drive)}, `}{value
            .drive.gigabytes} GB, {value.holds === 'nothing'
            ? 'empty'
            : 'holds something; the customer has agreed twice'}
          <button type="button" class="text" onclick={() => remove(id)}
            >take back<span class="only-read"> {value.drive.serial}</span></button
          >
        </li>
      {/each}
    </ul>
  {/if}
  {#if named.length < count}
    {#if known.length > 0}
      <p class="quiet">
        From the needs:
        {#each known as drive (drive.id)}
          <button type="button" class="text" onclick={() => fillIn(drive)}
            >{driveName(drive) || 'a drive'}, {drive.gigabytes} GB{drive.serial === ''
              ? ''
              : `, ${drive.serial}`}</button
          >
        {/each}
      </p>
    {/if}
    <div class="fields">
      <TextInput id="drive-serial" size="sm" labelText="Serial number" bind:value={serial} />
      <NumberInput
        id="drive-size"
        size="sm"
        labelText="Size, GB"
        allowEmpty
        min={0}
        hideSteppers
        bind:value={gigabytes}
      />
      <Select id="drive-holds" size="sm" labelText="What is on it" bind:selected={holds}>
        <SelectItem value="unknown" text="not looked at" />
        <SelectItem value="nothing" text="nothing" />
        <SelectItem value="something" text="something" />
      </Select>
    </div>
    {#if holds === 'something'}
      <div class="guards">
        <TextInput
          id="drive-again"
          size="sm"
          labelText="Serial number once more"
          bind:value={typedAgain}
        />
        <Checkbox
          id="drive-agreed"
          labelText="The customer was asked twice, and wants it erased"
          bind:checked={isAgreed}
        />
      </div>
    {/if}
    {#if missing !== null}<p class="quiet" role="status">{missing}</p>{/if}
    <Button size="small" kind="tertiary" disabled={missing !== null} on:click={add}
      >Name this drive</Button
    >
  {/if}
</section>

<style>
  section {
    margin-bottom: 1rem;
    font-size: 0.875rem;
  }
  .fields,
  .guards {
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(11rem, 1fr));
    gap: 0.75rem;
    margin: 0.5rem 0;
    align-items: end;
  }
  .text {
    text-decoration: underline;
  }
</style>
