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
  import { driveGuard as texts } from '$words/stages/drivers';

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
    if (wanted === '') return texts.enterTheSerialNumberThat;
    if (named.some(({ value }) => value.drive.serial === wanted))
      return texts.thisDriveIsNamedAlready;
    if (gigabytes === null || gigabytes <= 0) return texts.enterItsSizeAsThe;
    if (holds === 'unknown') return texts.lookAtWhatIsOn;
    if (holds === 'nothing') return null;
    if (typedAgain.trim() !== wanted) return texts.itHoldsSomethingTypeIts;
    return isAgreed ? null : texts.askTheCustomerASecond;
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

<section aria-label={texts.drivesToBePrepared}>
  <p>
    <strong>{texts.ofNamed(named.length, count)}</strong>
    {named.length < count ? texts.theStepIsDoneOnly : ''}
  </p>
  {#if named.length > 0}
    <ul>
      {#each named as { id, value } (id)}
        <li>
          {texts.gbEmpty({
            serial: value.drive.serial,
            driveName: driveName(value.drive) && `${driveName(value.drive)}, `,
            gigabytes: value.drive.gigabytes,
            isNothing: value.holds === 'nothing',
          })}
          <button type="button" class="text" onclick={() => remove(id)}
            >{texts.takeBack}<span class="only-read"> {value.drive.serial}</span></button
          >
        </li>
      {/each}
    </ul>
  {/if}
  {#if named.length < count}
    {#if known.length > 0}
      <p class="quiet">
        {texts.fromTheNeeds}
        {#each known as drive (drive.id)}
          <button type="button" class="text" onclick={() => fillIn(drive)}
            >{texts.gb(
              driveName(drive) || texts.aDrive,
              drive.gigabytes,
              drive.serial === '' ? '' : `, ${drive.serial}`,
            )}</button
          >
        {/each}
      </p>
    {/if}
    <div class="fields">
      <TextInput id="drive-serial" size="sm" labelText={texts.serialNumber} bind:value={serial} />
      <NumberInput
        id="drive-size"
        size="sm"
        labelText={texts.sizeGb}
        allowEmpty
        min={0}
        hideSteppers
        bind:value={gigabytes}
      />
      <Select id="drive-holds" size="sm" labelText={texts.whatIsOnIt} bind:selected={holds}>
        <SelectItem value="unknown" text={texts.notLookedAt} />
        <SelectItem value="nothing" text={texts.nothing} />
        <SelectItem value="something" text={texts.something} />
      </Select>
    </div>
    {#if holds === 'something'}
      <div class="guards">
        <TextInput
          id="drive-again"
          size="sm"
          labelText={texts.serialNumberOnceMore}
          bind:value={typedAgain}
        />
        <Checkbox
          id="drive-agreed"
          labelText={texts.theCustomerWasAskedTwice}
          bind:checked={isAgreed}
        />
      </div>
    {/if}
    {#if missing !== null}<p class="quiet" role="status">{missing}</p>{/if}
    <Button size="small" kind="tertiary" disabled={missing !== null} on:click={add}
      >{texts.nameThisDrive}</Button
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
