<script lang="ts">
  /** Settings of the firmware as they are before the work: by the name that stands there, and what it is set to. */
  import { Button, TextInput } from 'carbon-components-svelte';
  import { notedSetting, settingsNoted } from '$core/document';
  import { now } from '$lib/state/now';
  import type { JobModel } from '../jobModel.svelte';
  import { firmwareSettings as texts } from '$words/stages/prepare';

  let { model }: { model: JobModel } = $props();

  /** What is most often lost. Common practice, no source. */
  const USUAL = [
    texts.startUpOrder,
    texts.storageMode,
    texts.secureBoot,
    texts.slotSplitting,
    texts.fanCurve,
  ];
  const noted = $derived(settingsNoted(model.job.observations));
  const left = $derived(USUAL.filter((name) => !noted.some(({ value }) => value.name === name)));
  let name = $state('');
  let setTo = $state('');

  function add(event: SubmitEvent) {
    event.preventDefault();
    const [called, value] = [name.trim().slice(0, 60), setTo.trim().slice(0, 120)];
    if (called === '' || value === '') return;
    const observations = [notedSetting(called, value, now())];
    model.open.run({ name: 'observe', observations });
    name = '';
    setTo = '';
  }
  const remove = (observationId: string) =>
    model.open.run({ name: 'removeObservation', observationId });
</script>

{#if noted.length > 0}
  <dl aria-label={texts.settingsNoted}>
    {#each noted as { id, value } (id)}
      <dt>{value.name}</dt>
      <dd>
        {value.setTo}
        <button type="button" class="text" onclick={() => remove(id)}
          >{texts.remove}<span class="only-read"> {value.name}</span></button
        >
      </dd>
    {/each}
  </dl>
{/if}
<form onsubmit={add}>
  <TextInput size="sm" labelText={texts.setting} bind:value={name} maxlength={60} />
  <TextInput size="sm" labelText={texts.setTo} bind:value={setTo} maxlength={120} />
  <Button
    size="small"
    kind="tertiary"
    type="submit"
    disabled={name.trim() === '' || setTo.trim() === ''}>{texts.noteIt}</Button
  >
</form>
{#if left.length > 0}
  <p>
    {texts.oftenLost}
    {#each left as each, n (n)}
      <button type="button" class="text" onclick={() => (name = each)}>{each}</button>
    {/each}
  </p>
{/if}

<style>
  form {
    display: grid;
    grid-template-columns: 1fr 1fr auto;
    gap: 0.75rem;
    align-items: end;
    margin-bottom: 0.5rem;
  }
  dl {
    display: grid;
    grid-template-columns: max-content 1fr;
    gap: 0.25rem 1rem;
    margin-bottom: 0.75rem;
    font-size: 0.875rem;
  }
  dt {
    color: var(--cds-text-02);
  }
  p {
    font-size: 0.8125rem;
    margin-bottom: 0.75rem;
  }
  p button {
    margin-right: 0.5rem;
  }
</style>
