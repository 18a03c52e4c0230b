<script lang="ts">
  /** A card learned from the report of a bench machine that holds it. */
  import { Button, TextArea } from 'carbon-components-svelte';
  import { className } from '$core/standards';
  import { deviceId } from '$core/parts';
  import { learnCard, learnable } from '$core/catalogue';
  import { readLspci } from '$core/read';
  import type { Card } from '$core/document';
  import { problemPlace, problemWords } from '$words/problems';
  import { learnCard as texts } from '$words/catalogue';

  let { learned, close }: { learned: (card: Card) => void; close: () => void } = $props();

  let text = $state('');
  const reading = $derived(text.trim() === '' ? null : readLspci(text));
  const devices = $derived(reading === null ? [] : learnable(reading.functions));
</script>

<section aria-label={texts.learnACard}>
  <div class="headed">
    <h2>{texts.learnACardFromA}</h2>
    <Button size="small" kind="ghost" on:click={close}>{texts.close}</Button>
  </div>
  <p class="quiet">
    {texts.pasteWhat} <code>lspci -vvnn</code>
    {texts.or} <code>lspci -xxxx</code>
    {texts.printsThereIdentityBusLanes}
  </p>
  <TextArea id="learn-text" labelText={texts.theReport} rows={6} bind:value={text} />
  {#if reading !== null}
    {#each reading.problems.slice(0, 3) as problem, n (n)}
      <p class="quiet">{problemPlace(problem)}: {problemWords(problem)}</p>
    {/each}
    <ul>
      {#each devices as device, n (n)}
        <li>
          <button type="button" class="text" onclick={() => learned(learnCard(device))}
            >{device.name ?? className(device.classCode)}</button
          >
          <span class="quiet">{device.address}, {deviceId(device)}</span>
        </li>
      {:else}
        <li>{texts.noDeviceInItThat}</li>
      {/each}
    </ul>
  {/if}
</section>

<style>
  p {
    margin: 0.5rem 0;
  }
  li {
    padding: 0.25rem 0;
    font-size: 0.875rem;
  }
</style>
