<script lang="ts">
  /** Records that do not read as jobs: kept whole, to be exported, repaired, or put into the bin. */
  import { Button } from 'carbon-components-svelte';
  import { writeSetAside } from '$core/write';
  import type { Job } from '$core/document';
  import type { Problem } from '$core/read';
  import type { SetAside } from '$lib/state/jobStore';
  import { shop } from '$lib/state/shop.svelte';
  import { problemPlace, problemWords } from '$words/problems';
  import { download } from '../ui/download';
  import { asRepaired } from './asRepaired';
  import Repair from './Repair.svelte';
  import { setAsideList as texts } from '$words/shop';

  let { records }: { records: readonly SetAside[] } = $props();

  /** What a repair would make of a record, shown before it is done. */
  let mended = $state.raw<{ key: string; job: Job | null; dropped: readonly Problem[] } | null>(
    null,
  );
  let sure = $state('');

  function look({ key, record }: SetAside) {
    const { document, dropped } = asRepaired(record);
    mended = { key, job: document, dropped };
  }
</script>

<section class="aside">
  <h2>{texts.setAside}</h2>
  <p class="quiet">
    {texts.theseRecordsDoNotRead}
  </p>
  <ul>
    {#each records as aside, n (n)}
      {@const { key, record, problems, isNewer } = aside}
      <li>
        <code>{key}</code>
        <span>
          {isNewer
            ? texts.writtenByANewerTenant
            : problems.map((p) => `${problemPlace(p)}: ${problemWords(p)}`).join('; ')}
        </span>
        <Button
          size="small"
          kind="tertiary"
          on:click={() => download(`${key}.set-aside.json`, writeSetAside(record))}
          >{texts.exportAsItIs}</Button
        >
        {#if !isNewer}
          <Button size="small" kind="tertiary" on:click={() => look(aside)}>{texts.repair}</Button>
        {/if}
        {#if sure === key}
          <span role="alert">{texts.putItIntoTheBin}</span>
          <Button size="small" kind="danger" on:click={() => shop.remove(key, texts.record(key))}
            >{texts.delete}</Button
          >
          <Button size="small" kind="ghost" on:click={() => (sure = '')}>{texts.keep}</Button>
        {:else}
          <Button
            size="small"
            kind="danger-ghost"
            on:click={() => (isNewer ? (sure = key) : shop.remove(key, texts.record(key)))}
            >{texts.delete}</Button
          >
        {/if}
      </li>
      {#if mended?.key === key}
        <Repair
          job={mended.job}
          dropped={mended.dropped}
          ontake={(job) => shop.takeRepaired(key, job)}
          onclose={() => (mended = null)}
        />
      {/if}
    {/each}
  </ul>
</section>

<style>
  section {
    margin-top: 2rem;
  }
  li {
    display: flex;
    flex-wrap: wrap;
    gap: 0.75rem;
    align-items: center;
    padding: 0.5rem 0;
    border-bottom: 1px solid var(--cds-ui-03);
  }
</style>
