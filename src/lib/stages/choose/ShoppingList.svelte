<script lang="ts">
  /** What has to be ordered for the accepted plan, for a spreadsheet and on paper. */
  import { Button } from 'carbon-components-svelte';
  import Download from 'carbon-icons-svelte/lib/Download.svelte';
  import Printer from 'carbon-icons-svelte/lib/Printer.svelte';
  import { shoppingList, type ShoppingRow } from '$core/write';
  import type { Job } from '$core/document';
  import { download } from '$lib/ui/download';
  import { money } from '$lib/state/money.svelte';
  import { inMoney } from '$words/figures';
  import { extraWords } from '$words/plans';
  import { shoppingList as texts } from '$words/stages/choose';

  let { job }: { job: Job } = $props();

  const list = $derived(shoppingList(job, money.taxPoints));
  /** Before sums that leave out what has no price yet. */
  const least = $derived(list.unpriced > 0 ? texts.atLeast : '');
  const words = ({ name, extra }: ShoppingRow) =>
    extra === null
      ? name
      : `${extraWords(extra)}${name === '' ? texts.notInTheCatalogue : ` – ${name}`}`;
  const days = (leadDays: number | null) => (leadDays === null ? texts.here : texts.days(leadDays));

  async function save() {
    const { shoppingTable } = await import('$core/write');
    const table = shoppingTable(list, texts.table(money.currency), words);
    // It goes to suppliers: its name says nobody's.
    download('shopping-list.csv', table, 'text/csv');
  }

  /** Only the list goes on paper: the page around it is left out while it is printed. */
  function print() {
    document.documentElement.classList.add('prints-list');
    window.print();
    document.documentElement.classList.remove('prints-list');
  }
</script>

<article class="shopping" aria-labelledby="shopping-heading">
  <div class="headed">
    <h3 id="shopping-heading">
      {texts.shoppingList}<span class="on-paper">{texts.for(job.title, job.customer || '–')}</span>
    </h3>
    <span class="tools">
      <Button size="small" kind="ghost" icon={Download} on:click={save}>{texts.asCsv}</Button>
      <Button size="small" kind="ghost" icon={Printer} on:click={print}>{texts.print}</Button>
    </span>
  </div>
  <table class="plain">
    <thead>
      <tr>
        <th scope="col">{texts.what}</th><th scope="col">{texts.for2}</th><th
          scope="col"
          class="number">{texts.count}</th
        >
        <th scope="col">{texts.thereIn}</th><th scope="col" class="number">{texts.each}</th>
        <th scope="col" class="number">{texts.together}</th>
      </tr>
    </thead>
    <tbody>
      {#each list.rows as row, n (n)}
        <tr>
          <td>{words(row)}</td>
          <td>{row.slotLabel}</td>
          <td class="number">{row.count}</td>
          <td>{row.cents === null ? '?' : days(row.leadDays)}</td>
          <td class="number">{row.cents === null ? '?' : inMoney(row.cents)}</td>
          <td class="number">{row.cents === null ? '?' : inMoney(row.cents * row.count)}</td>
        </tr>
      {:else}
        <tr><td colspan="6">{texts.nothingHasToBeBought}</td></tr>
      {/each}
    </tbody>
    <tfoot>
      <tr>
        <th scope="row" colspan="3">{texts.beforeTax}</th>
        <td>{least}{days(list.leadDays)}</td>
        <td colspan="2" class="number">{least}{inMoney(list.netCents)}</td>
      </tr>
      <tr>
        <th scope="row" colspan="4">{texts.tax(money.taxPoints / 100)}</th>
        <td colspan="2" class="number">{least}{inMoney(list.taxCents)}</td>
      </tr>
      <tr>
        <th scope="row" colspan="4">{texts.total(money.currency)}</th>
        <td colspan="2" class="number"><strong>{least}{inMoney(list.grossCents)}</strong></td>
      </tr>
    </tfoot>
  </table>
</article>

<style>
  h3 {
    font-size: 1rem;
    font-weight: 600;
  }
  table {
    font-size: 0.8125rem;
    width: 100%;
  }
  td,
  th {
    padding-right: 0.75rem;
    vertical-align: top;
  }
  tbody td:first-child {
    width: 45%;
  }
  .on-paper {
    display: none;
  }
  @media print {
    .on-paper {
      display: inline;
    }
    .tools {
      display: none;
    }
    :global(html.prints-list body *:not(:has(.shopping)):not(.shopping):not(.shopping *)) {
      display: none !important;
    }
  }
</style>
