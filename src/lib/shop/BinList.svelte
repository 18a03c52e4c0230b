<script lang="ts">
  /** What was deleted and can still be put back. */
  import { Button } from 'carbon-components-svelte';
  import { BIN_DAYS, bin, type Binned } from '$lib/state/bin.svelte';
  import { shop } from '$lib/state/shop.svelte';
  import { writeSetAside } from '$core/write';
  import { download } from '../ui/download';
  import { atMoment } from '$lib/wording/figures';

  const KINDS: Readonly<Record<Binned['kind'], string>> = {
    job: 'Job',
    card: 'Card',
    extra: 'Extra',
    template: 'Template',
    setting: 'Setting that did not read',
    unreadable: 'Not an entry of the bin',
  };
  let failed = $state('');

  async function putBack(binned: Binned) {
    failed = '';
    if (!(await shop.putBack(binned)))
      failed = `${binned.name} could not be put back: its place is taken, or the store is full.`;
  }
</script>

<details>
  <summary>Bin: {bin.things.length} {bin.things.length === 1 ? 'thing' : 'things'} deleted</summary>
  <p class="quiet">What is deleted stays here for {BIN_DAYS} days.</p>
  {#if failed}<p role="alert">{failed}</p>{/if}
  <ul>
    {#each bin.things as binned (binned.key)}
      <li>
        <span class="kind">{KINDS[binned.kind]}</span>
        <span class="name">{binned.name || 'without a name'}</span>
        <span>{binned.deletedAt === null ? 'no date' : atMoment(binned.deletedAt)}</span>
        {#if binned.kind === 'setting' || binned.kind === 'unreadable'}
          <Button
            size="small"
            kind="tertiary"
            on:click={() =>
              download(`${binned.name.slice(0, 60)}.json`, writeSetAside(binned.record))}
            >Export as it is</Button
          >
        {:else}
          <Button size="small" kind="tertiary" on:click={() => putBack(binned)}>Put back</Button>
        {/if}
        <Button size="small" kind="danger-ghost" on:click={() => bin.takeOut(binned)}
          >Delete for good</Button
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
