<script lang="ts">
  /** What was deleted and can still be put back. */
  import { Button } from 'carbon-components-svelte';
  import { BIN_DAYS, bin, type Binned } from '$lib/state/bin.svelte';
  import { shop } from '$lib/state/shop.svelte';
  import { writeSetAside } from '$core/write';
  import { download } from '../ui/download';
  import { atMoment } from '$words/figures';
  import { binList as texts } from '$words/shop';

  const KINDS: Readonly<Record<Binned['kind'], string>> = {
    job: texts.job,
    card: texts.card,
    extra: texts.extra,
    template: texts.template,
    setting: texts.settingThatDidNotRead,
    unreadable: texts.notAnEntryOfThe,
  };
  let failed = $state('');

  async function putBack(binned: Binned) {
    failed = '';
    if (!(await shop.putBack(binned))) failed = texts.couldNotBePutBack(binned.name);
  }
</script>

<details>
  <summary>{texts.binThingsDeleted(bin.things.length)}</summary>
  <p class="quiet">{texts.whatIsDeletedStaysHere(BIN_DAYS)}</p>
  {#if failed}<p role="alert">{failed}</p>{/if}
  <ul>
    {#each bin.things as binned (binned.key)}
      <li>
        <span class="kind">{KINDS[binned.kind]}</span>
        <span class="name">{binned.name || texts.withoutAName}</span>
        <span>{binned.deletedAt === null ? texts.noDate : atMoment(binned.deletedAt)}</span>
        {#if binned.kind === 'setting' || binned.kind === 'unreadable'}
          <Button
            size="small"
            kind="tertiary"
            on:click={() =>
              download(`${binned.name.slice(0, 60)}.json`, writeSetAside(binned.record))}
            >{texts.exportAsItIs}</Button
          >
        {:else}
          <Button size="small" kind="tertiary" on:click={() => putBack(binned)}
            >{texts.putBack}</Button
          >
        {/if}
        <Button size="small" kind="danger-ghost" on:click={() => bin.takeOut(binned)}
          >{texts.deleteForGood}</Button
        >
      </li>
    {/each}
  </ul>
</details>

<style>
  li {
    display: flex;
    gap: 0.75rem;
    align-items: center;
    padding: 0.25rem 0;
    border-bottom: 1px solid var(--cds-ui-03);
    font-size: 0.875rem;
  }
  .kind {
    width: 5rem;
    color: var(--cds-text-02);
  }
  .name {
    flex: 1;
    overflow-wrap: anywhere;
  }
</style>
