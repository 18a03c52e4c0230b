<script lang="ts">
  /** What has to be ordered for the accepted plan, for a spreadsheet and on paper. */
  import { Button } from 'carbon-components-svelte';
  import Download from 'carbon-icons-svelte/lib/Download.svelte';
  import Printer from 'carbon-icons-svelte/lib/Printer.svelte';
  import { shoppingList, type ShoppingRow } from '$core/write';
  import type { Job } from '$core/document';
  import { download } from '$lib/ui/download';
  import { money } from '$lib/state/money.svelte';
  import { inMoney } from '$lib/wording/figures';
  import { extraWords } from '$lib/wording/plans';

  let { job }: { job: Job } = $props();

  const list = $derived(shoppingList(job, money.taxPoints));
  /** Before sums that leave out what has no price yet. */
  const least = $derived(list.unpriced > 0 ? 'at least ' : '');
  const words = ({ name, extra }: ShoppingRow) =>
    extra === null
      ? name
      : `${extraWords(extra)}${name === '' ? ' – not in the catalogue' : ` – ${name}`}`;
  const days = (leadDays: number | null) =>
    leadDays === null ? 'here' : leadDays === 1 ? '1 day' : `${leadDays} days`;

  async function save() {
    const { shoppingTable } = await import('$core/write');
    const table = shoppingTable(list, { currency: money.currency, words });
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
      Shopping list<span class="on-paper">: {job.title}, for {job.customer || '–'}</span>
    </h3>
    <span class="tools">
      <Button size="small" kind="ghost" icon={Download} on:click={save}>As CSV</Button>
      <Button size="small" kind="ghost" icon={Printer} on:click={print}>Print</Button>
    </span>
  </div>
  <table class="plain">
    <thead>
      <tr>
        <th scope="col">What</th><th scope="col">For</th><th scope="col" class="number">Count</th>
        <th scope="col">There in</th><th scope="col" class="number">Each</th>
        <th scope="col" class="number">Together</th>
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
        <tr><td colspan="6">Nothing has to be bought.</td></tr>
      {/each}
    </tbody>
    <tfoot>
      <tr>
        <th scope="row" colspan="3">Before tax</th>
        <td>{least}{days(list.leadDays)}</td>
        <td colspan="2" class="number">{least}{inMoney(list.netCents)}</td>
      </tr>
      <tr>
        <th scope="row" colspan="4">Tax, {money.taxPoints / 100} %</th>
        <td colspan="2" class="number">{least}{inMoney(list.taxCents)}</td>
      </tr>
      <tr>
        <th scope="row" colspan="4">Total, {money.currency}</th>
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
