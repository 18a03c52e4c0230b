<script lang="ts">
  /** How to measure a need on this very system: what first, which commands, how much, how often. */
  import { copyGigabytes } from '$core/diagnosis';
  import { valueOf } from '$core/parts';
  import type { Flow, Need } from '$core/kinds';
  import { download } from '$lib/ui/download';
  import { needWordsOf } from '$words/kinds/words';
  import { scriptOf } from '$words/measuring';
  import type { JobModel } from '../jobModel.svelte';
  import { measureGuide as texts } from '$words/stages/prove';

  let { model, need, flow }: { model: JobModel; need: Need; flow: Flow } = $props();

  const family = $derived(valueOf(model.job.machine.system.family));
  const guide = $derived(
    needWordsOf(need).guide(need, { family, gigabytes: copyGigabytes(flow), unit: flow.unit }),
  );
  let said = $state('');

  async function copy(command: string) {
    try {
      await navigator.clipboard.writeText(command);
      said = texts.copied;
    } catch {
      said = texts.theBrowserDoesNotLet;
    }
  }
</script>

{#snippet line(command: string, where: string)}
  <p class="command">
    {#if where !== ''}<span class="where">{where}</span>{/if}
    <code>{command}</code>
    <button
      type="button"
      class="text"
      aria-label={texts.copy(command)}
      onclick={() => copy(command)}>{texts.copy2}</button
    >
  </p>
{/snippet}

<ul>
  {#each guide.first as words, n (n)}<li>{words}</li>{/each}
</ul>
{#each guide.ways as way, n (n)}
  <h4>{way.title}</h4>
  {#if way.atFarEnd !== undefined}{@render line(way.atFarEnd, texts.atTheFarEnd)}{/if}
  {#each way.commands as command, m (m)}
    {@render line(command, way.atFarEnd === undefined ? '' : texts.here)}
  {/each}
  <p class="quiet">
    {way.reads}
    {#if way.commands.length > 1}
      <button
        type="button"
        class="text"
        onclick={() => {
          const { name, text } = scriptOf(way, family);
          download(name, text, 'text/plain');
        }}>{texts.saveAsAFileTo}</button
      >
    {/if}
  </p>
{/each}
<p class="quiet" role="status">{said}</p>

<style>
  .where {
    flex: none;
    font-weight: 600;
  }
  ul {
    margin: 0 0 0.5rem 1rem;
    list-style: disc;
  }
  h4 {
    margin-top: 0.5rem;
    font-size: 0.8125rem;
    font-weight: 600;
  }
  .command {
    display: flex;
    gap: 0.75rem;
    align-items: baseline;
  }
  code {
    flex: 0 1 auto;
    padding: 0.125rem 0.375rem;
    font-family: 'IBM Plex Mono', monospace;
    font-size: 0.75rem;
    overflow-wrap: anywhere;
    background: var(--cds-ui-01);
    user-select: all;
  }
  button {
    font-size: 0.75rem;
  }
</style>
