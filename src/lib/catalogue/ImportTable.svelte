<script lang="ts">
  /** A table from a file: its columns matched, its rows looked at, and only then taken. */
  import { Button, Select, SelectItem } from 'carbon-components-svelte';
  import {
    CARD_COLUMNS,
    matchColumns,
    missingColumns,
    readCatalogueTable,
    readRows,
    type Matching,
  } from '$core/catalogue';
  import { cardName, type Card } from '$core/document';
  import VerdictMark from '$lib/ui/VerdictMark.svelte';
  import { columnWords, keyWords } from '$words/columns';
  import { deliveryWords } from '$words/deliveries';
  import { inMoney } from '$words/figures';
  import { problemWords } from '$words/problems';
  import { supplies } from '$lib/state/supplies.svelte';
  import { idFor } from './ownParts.svelte';
  import { importTable as texts } from '$words/catalogue';

  let {
    name,
    text,
    take,
    close,
  }: {
    name: string;
    text: string;
    take: (cards: readonly Card[]) => void;
    close: () => void;
  } = $props();

  const read = $derived(readCatalogueTable(text));
  const table = $derived('table' in read ? read.table : null);
  /** Matched by hand; null while the names alone decide. */
  let byHand = $state.raw<Matching | null>(null);
  const matching = $derived(byHand ?? (table === null ? [] : matchColumns(table)));
  const missing = $derived(missingColumns(matching));
  const rows = $derived(
    table === null || missing.length > 0 ? [] : readRows(table, matching, idFor),
  );
  const good = $derived(rows.flatMap(({ card }) => card ?? []));
  const known = $derived(new Set((supplies.cards ?? []).map(({ id }) => id)));

  function match(n: number, key: string) {
    // One column of the catalogue is told by one column of the file.
    byHand = matching.map((each, m) =>
      m === n ? (key === '' ? null : key) : each === key ? null : each,
    );
  }
</script>

<section aria-label={texts.importOf(name)}>
  <div class="head">
    <h2>{name}</h2>
    <Button size="small" kind="ghost" on:click={close}>{texts.takeNothing}</Button>
    <Button size="small" disabled={good.length === 0} on:click={() => take(good)}
      >{good.length === rows.length
        ? texts.takeAll(good.length)
        : good.length === 1
          ? texts.takeTheOneGoodRow
          : texts.takeTheGoodRows(good.length)}</Button
    >
  </div>
  {#if table === null}
    <p role="alert">{'problem' in read ? problemWords(read.problem) : ''}</p>
  {:else}
    <h3>{texts.columnsOfTheFile}</h3>
    <div class="columns">
      {#each table.header as title, n (n)}
        <Select
          id="match-{n}"
          size="sm"
          labelText={title || texts.column(n + 1)}
          selected={matching[n] ?? ''}
          on:change={(event) => match(n, (event.target as HTMLSelectElement).value)}
        >
          <SelectItem value="" text={texts.leftOut} />
          {#each CARD_COLUMNS as column (column.key)}<SelectItem
              value={column.key}
              text={columnWords(column)}
            />{/each}
        </Select>
      {/each}
    </div>
    {#if missing.length > 0}
      <p role="alert">
        {texts.noCardCanBeMade(missing.map(keyWords).join(', '))}
      </p>
    {:else}
      <h3>
        {texts.rowsGoodNotNothingIs(rows.length, good.length, rows.length - good.length)}
      </h3>
      <table class="plain">
        <thead>
          <tr
            ><th scope="col" class="number">{texts.line}</th><th scope="col">{texts.card}</th><th
              scope="col">{texts.whatItIsOrWhat}</th
            ><th scope="col" class="number">{texts.price}</th></tr
          >
        </thead>
        <tbody>
          {#each rows as { line, name: called, card, problems } (line)}
            <tr class:bad={card === null}>
              <td class="number">{line}</td>
              <td>
                <VerdictMark verdict={card === null ? 'blocked' : 'clear'} withWord={false} />
                {card === null ? called || texts.noName : cardName(card)}
              </td>
              <td>
                {#if card}
                  {deliveryWords(card.delivers)}{known.has(card.id) ? texts.takesThePlaceOfThe : ''}
                {:else}
                  {#each problems as problem, n (n)}
                    <p>
                      {problem.at === undefined ? '' : `${keyWords(problem.at)}: `}{problemWords(
                        problem,
                      )}
                    </p>
                  {/each}
                {/if}
              </td>
              <td class="number">{card ? inMoney(card.priceCents) : ''}</td>
            </tr>
          {/each}
        </tbody>
      </table>
    {/if}
  {/if}
</section>

<style>
  .head {
    display: flex;
    align-items: center;
    gap: 0.5rem;
  }
  .head h2 {
    margin-right: auto;
  }
  .columns {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(9rem, 1fr));
    gap: 0.5rem;
    margin: 0.5rem 0 1rem;
  }
  [role='alert'] {
    border-left: 4px solid var(--tenant-blocked);
    padding-left: 0.5rem;
    margin: 0.75rem 0;
  }
  td p {
    font-size: inherit;
  }
  .bad {
    background: var(--cds-ui-01);
  }
</style>
