<script lang="ts">
  import { Search, Select, SelectItem } from 'carbon-components-svelte';
  import { cardName, verdictTable, type DeliveryKind } from '$core';
  import VerdictMark from '$lib/board/VerdictMark.svelte';
  import { isTyping } from '$lib/shop/keys';
  import { selection } from '$lib/state/selection.svelte';
  import { shop } from '$lib/state/shop.svelte';
  import { inMoney } from '$lib/wording/figures';
  import { KIND_WORDS } from '$lib/wording/needs';
  import type { JobModel } from '../jobModel.svelte';
  import { deliveryWords } from './deliveryWords';

  let { model }: { model: JobModel } = $props();

  let kind = $state('needed');
  let sought = $state('');
  let search = $state<HTMLInputElement | null>(null);

  const machine = $derived(model.job.machine);
  const needed = $derived(new Set<string>(model.job.needs.map((need) => need.kind)));
  const cards = $derived(
    (shop.cards ?? []).filter(
      (card) =>
        (kind === 'all' ||
          (kind === 'needed'
            ? needed.size === 0 || needed.has(card.delivers.kind)
            : card.delivers.kind === kind)) &&
        `${cardName(card)} ${deliveryWords(card.delivers)}`
          .toLowerCase()
          .includes(sought.trim().toLowerCase()),
    ),
  );
  const rows = $derived(verdictTable(cards, machine, shop.library));

  function onkeydown(event: KeyboardEvent) {
    if (event.key === '/' && !isTyping(event)) {
      event.preventDefault();
      search?.focus();
    }
  }
</script>

<svelte:window {onkeydown} />

<section aria-labelledby="cards-heading">
  <div class="head">
    <h2 id="cards-heading">Every card in every slot</h2>
    <div class="search">
      <Search
        id="card-search"
        size="sm"
        labelText="Search cards"
        placeholder="Search ( / )"
        bind:value={sought}
        bind:ref={search}
      />
    </div>
    <Select id="card-kind" size="sm" hideLabel labelText="Kind of card" bind:selected={kind}>
      <SelectItem value="needed" text="kinds needed" />
      <SelectItem value="all" text="all kinds" />
      {#each Object.entries(KIND_WORDS) as [value, text] (value as DeliveryKind)}
        <SelectItem {value} {text} />
      {/each}
    </Select>
  </div>
  <div class="scroll">
    <table class="plain">
      <thead>
        <tr>
          <th scope="col">Card</th>
          <th scope="col" class="number">Price</th>
          {#each machine.slots as slot (slot.id)}<th scope="col" class="slot">{slot.label}</th
            >{/each}
        </tr>
      </thead>
      <tbody>
        {#each rows as row, n (cards[n]?.id)}
          {@const card = cards[n]}
          {#if card}
            <tr class:selected={card.id === selection.cardId}>
              <th scope="row">
                <button
                  type="button"
                  class="text"
                  aria-pressed={card.id === selection.cardId}
                  onclick={() => (selection.cardId = card.id)}>{cardName(card)}</button
                >
                <span>{deliveryWords(card.delivers)}</span>
              </th>
              <td class="number">{inMoney(card.priceCents)}</td>
              {#each row as { slot, verdict } (slot.id)}
                <td class="slot">
                  <button
                    type="button"
                    class="cell"
                    class:selected={card.id === selection.cardId && slot.id === selection.slotId}
                    onclick={() => {
                      selection.cardId = card.id;
                      selection.slotId = slot.id;
                    }}
                  >
                    <VerdictMark {verdict} withWord={false} />
                    <span class="only-read">{cardName(card)} in {slot.label}</span>
                  </button>
                </td>
              {/each}
            </tr>
          {/if}
        {:else}
          <tr><td colspan={machine.slots.length + 2}>No card matches.</td></tr>
        {/each}
      </tbody>
    </table>
  </div>
  <p class="legend">
    {#each ['clear', 'limited', 'needs', 'unknown', 'blocked'] as const as verdict (verdict)}
      <VerdictMark {verdict} />
    {/each}
  </p>
</section>

<style>
  .head {
    display: grid;
    grid-template-columns: 1fr 11rem;
    align-items: center;
    gap: 0.25rem 0.75rem;
    margin-bottom: 0.5rem;
  }
  .head h2 {
    grid-column: 1 / -1;
  }
  .scroll {
    overflow-x: auto;
  }
  th span {
    display: block;
    font-weight: 400;
  }
  .slot {
    text-align: center;
    padding-inline: 0.25rem;
  }
  tr.selected {
    background: var(--tenant-selected);
  }
  .cell {
    border: 1px solid transparent;
    background: none;
    padding: 0.25rem 0.375rem;
    cursor: pointer;
    line-height: 0;
  }
  .cell:hover {
    border-color: var(--cds-text-02);
  }
  .cell.selected {
    border: 2px solid var(--tenant-plan);
    background: var(--cds-ui-background);
  }
  .cell:focus-visible {
    outline: 2px solid var(--cds-focus);
  }
  .legend {
    display: flex;
    flex-wrap: wrap;
    gap: 0.25rem 1rem;
    margin-top: 0.5rem;
    font-size: 0.75rem;
  }
</style>
