<script lang="ts" generics="Part extends Card | Extra">
  /** Parts of the catalogue in a table: what is told of each kind, then price, delivery and where its record is from. */
  import type { Snippet } from 'svelte';
  import { cardName, type Card } from '$core/document';
  import type { Extra } from '$core/parts';
  import { money } from '$lib/state/money.svelte';
  import { supplies } from '$lib/state/supplies.svelte';
  import { inMoney } from '$words/figures';
  import { partTable as texts } from '$words/catalogue';

  let {
    heads,
    parts,
    chosenId,
    pick,
    none,
    cells,
  }: {
    heads: readonly string[];
    parts: readonly Part[];
    chosenId: string | null;
    pick: (part: Part) => void;
    /** What is said where there are no parts. */
    none: string;
    /** The cells between the name and the price. */
    cells: Snippet<[Part]>;
  } = $props();

  const from = (id: string) =>
    !supplies.isOwn(id)
      ? texts.supplier
      : supplies.isSuppliers(id)
        ? texts.supplierChangedHere
        : texts.own;
</script>

<table class="plain">
  <thead>
    <tr>
      {#each heads as head, n (n)}<th scope="col">{head}</th>{/each}
      <th scope="col" class="number">{texts.price(money.currency)}</th>
      <th scope="col" class="number">{texts.days}</th>
      <th scope="col">{texts.from}</th>
    </tr>
  </thead>
  <tbody>
    {#each parts as each (each.id)}
      <tr class:selected={each.id === chosenId}>
        <th scope="row">
          <button type="button" class="text" onclick={() => pick(each)}>{cardName(each)}</button>
        </th>
        {@render cells(each)}
        <td class="number">{inMoney(each.priceCents)}</td>
        <td class="number">{each.leadDays ?? texts.here}</td>
        <td>{from(each.id)}</td>
      </tr>
    {:else}
      <tr><td colspan={heads.length + 3}>{none}</td></tr>
    {/each}
  </tbody>
</table>

<style>
  tr.selected {
    background: var(--tenant-selected);
  }
</style>
