<script lang="ts">
  /** A card learned from the report of a bench machine that holds it. */
  import { Button, TextArea } from 'carbon-components-svelte';
  import { className } from '$core/standards';
  import { deviceId } from '$core/parts';
  import { learnCard, learnable } from '$core/catalogue';
  import { readLspci } from '$core/read';
  import type { Card } from '$core/document';
  import { problemPlace, problemWords } from '$lib/wording/problems';

  let { learned, close }: { learned: (card: Card) => void; close: () => void } = $props();

  let text = $state('');
  const reading = $derived(text.trim() === '' ? null : readLspci(text));
  const devices = $derived(reading === null ? [] : learnable(reading.functions));
</script>

<section aria-label="Learn a card">
  <div class="headed">
    <h2>Learn a card from a machine that holds it</h2>
    <Button size="small" kind="ghost" on:click={close}>Close</Button>
  </div>
  <p class="quiet">
    Paste what <code>lspci -vvnn</code> or <code>lspci -xxxx</code> prints there. Identity, bus, lanes
    and generation come from it; sizes, watts and price have to be measured and told.
  </p>
  <TextArea id="learn-text" labelText="The report" rows={6} bind:value={text} />
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
        <li>No device in it that could be a card.</li>
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
