<script lang="ts">
  /** Every card in every slot, compared by what matters for this job. */
  import { Checkbox, Search, Select, SelectItem } from 'carbon-components-svelte';
  import { scaleLinear } from 'd3-scale';
  import { cardName } from '$core/document';
  import { needKindOf } from '$core/kinds';
  import { CARD_DRAG } from '$lib/board/keysAndCards';
  import VerdictMark from '$lib/ui/VerdictMark.svelte';
  import { isNoCommand } from '$lib/ui/keys';
  import { inSlices } from '$lib/ui/slices';
  import { ran } from '$lib/state/effects';
  import { selection } from '$lib/state/selection.svelte';
  import { supplies } from '$lib/state/supplies.svelte';
  import { busWords, deliveryWords } from '$words/deliveries';
  import { inMoney } from '$words/figures';
  import { flowFigure } from '$words/flowFigures';
  import { CARD_KIND_WORDS } from '$words/kinds/words';
  import type { JobModel } from '../jobModel.svelte';
  import {
    SORTS,
    comparing,
    sifted,
    sortedBy,
    type ComparedCard,
    type Sifting,
    type Sort,
  } from '../../catalogue/comparison';
  import { cardTable as texts } from '$words/stages/choose';

  let { model }: { model: JobModel } = $props();

  /** More rows are drawn only when they are asked for. */
  const SHOWN_AT_ONCE = 40;
  const BAR_PX = 64;

  let sifting = $state<Sifting>({ kind: 'needed', sought: '', goesIn: false, meets: false });
  let sort = $state<Sort>('fit');
  let all = $state(false);
  let table = $state<HTMLTableElement>();
  let search = $state<HTMLInputElement | null>(null);

  const machine = $derived(model.job.machine);
  const needed = $derived(
    new Set(model.job.needs.flatMap((need): readonly string[] => needKindOf(need).servedBy)),
  );
  const cards = $derived(sifted(supplies.cards ?? [], sifting, needed));
  /** As far as they are compared; of what has changed since, the answer is on its way. */
  let rows = $state.raw<readonly ComparedCard[] | null>(null);
  let isComparing = $state(false);
  $effect(() => {
    ran('cards: compared');
    isComparing = true;
    return inSlices(comparing(cards, model.rowOf, model.job.needs, machine), (all) => {
      rows = all;
      isComparing = false;
    });
  });
  const kept = $derived(
    (rows ?? []).filter(
      ({ best, meets }) =>
        (!sifting.goesIn || (best !== null && best.verdict !== 'blocked')) &&
        (!sifting.meets || meets.length > 0),
    ),
  );
  /** Where each card of the plan goes that is drawn. */
  const planned = $derived(
    new Map(model.planned('choose').map(({ card, slot }) => [card.id, slot.label])),
  );
  const tried = $derived(new Map(model.onTrial.map(({ card, slot }) => [card.id, slot.id])));
  const stands = (cardId: string) => planned.has(cardId) || tried.has(cardId);
  // Cards that are planned or tried stand first, whatever the order of the others.
  const sorted = $derived(
    sortedBy(kept, sort).toSorted((a, b) => Number(stands(b.card.id)) - Number(stands(a.card.id))),
  );
  const shown = $derived(all ? sorted : sorted.slice(0, SHOWN_AT_ONCE));

  const SORT_WORDS: Readonly<Record<Sort, string>> = {
    fit: texts.bestForThisJobFirst,
    gets: texts.whatGivesMostFirst,
    price: texts.cheapestFirst,
    days: texts.quickestHereFirst,
    name: texts.byName,
  };
  /** Slots are called by their number where a number is all that tells them apart. */
  const shortLabel = (label: string) => label.replace(/^slot /i, '').replace(/ ?\(PCI\)$/, ' P');

  function onkeydown(event: KeyboardEvent) {
    if (isNoCommand(event)) return;
    if (event.key === '/') {
      event.preventDefault();
      search?.focus();
    } else if (event.key === 't' && model.overlaidCard !== null) {
      event.preventDefault();
      model.tryNext(model.overlaidCard.id);
    }
  }

  /** Arrows go from card to card; Tab goes into the slots of the chosen one. */
  function fromRowToRow(event: KeyboardEvent) {
    const step = { ArrowDown: 1, ArrowUp: -1 }[event.key];
    if (step === undefined) return;
    const names = [...(table?.querySelectorAll<HTMLElement>('button.name') ?? [])];
    names[names.indexOf(event.currentTarget as HTMLElement) + step]?.focus();
    event.preventDefault();
  }

  /** How far the figure reaches, with a line where what is wanted lies. */
  function bar({ flow }: ComparedCard) {
    if (flow === null || flow.unit !== 'B/s') return null;
    const x = scaleLinear([0, 2 * flow.wanted], [0, BAR_PX]).clamp(true);
    return { width: x(flow.high), wanted: x(flow.wanted), enough: flow.units > 0 };
  }
  const gives = ({ flow }: ComparedCard): string =>
    flow === null
      ? ''
      : `${flow.units > 1 && flow.unit !== 'count' ? `${flow.units} × ` : ''}${flowFigure(flow.high, flow)}`;
</script>

<svelte:window {onkeydown} />

<section aria-labelledby="cards-heading">
  <h2 id="cards-heading" class="only-read">{texts.everyCardInEverySlot}</h2>
  <div class="sift">
    <Search
      id="card-search"
      size="sm"
      labelText={texts.searchCards}
      closeButtonLabelText={texts.clear}
      placeholder={texts.namePlugBusIdentity}
      value={sifting.sought}
      on:input={(event) =>
        (sifting = { ...sifting, sought: (event.target as HTMLInputElement).value })}
      on:clear={() => (sifting = { ...sifting, sought: '' })}
      bind:ref={search}
    />
    <Select
      id="card-kind"
      size="sm"
      hideLabel
      labelText={texts.kindOfCard}
      selected={sifting.kind}
      on:change={(event) =>
        (sifting = { ...sifting, kind: (event.target as HTMLSelectElement).value })}
    >
      <SelectItem value="needed" text={texts.kindsNeeded} />
      <SelectItem value="all" text={texts.allKinds} />
      {#each Object.entries(CARD_KIND_WORDS) as [value, text] (value)}
        <SelectItem {value} {text} />
      {/each}
    </Select>
    <Select
      id="card-sort"
      size="sm"
      hideLabel
      labelText={texts.order}
      selected={sort}
      on:change={(event) =>
        (sort = SORTS.find((each) => each === (event.target as HTMLSelectElement).value) ?? 'fit')}
    >
      {#each SORTS as by (by)}<SelectItem value={by} text={SORT_WORDS[by]} />{/each}
    </Select>
  </div>
  <div class="only">
    <Checkbox
      labelText={texts.goesInSomewhere}
      checked={sifting.goesIn}
      on:check={(event) => (sifting = { ...sifting, goesIn: event.detail })}
    />
    <Checkbox
      labelText={texts.meetsANeedAlone}
      checked={sifting.meets}
      on:check={(event) => (sifting = { ...sifting, meets: event.detail })}
    />
  </div>
  <p class="quiet" role="status">
    {texts.comparingOfCardsDragOne(sorted.length, rows === null, supplies.cards?.length ?? 0)}
  </p>
  <div class="scroll">
    <table class="plain cells" aria-busy={isComparing} bind:this={table}>
      <thead>
        <tr>
          <th scope="col">{texts.card}</th>
          <th scope="col" class="number">{texts.price}</th>
          <th scope="col">{texts.gives}</th>
          {#each machine.slots as slot (slot.id)}
            <th scope="col" class="slot" title={slot.label}
              ><span class="only-read">{slot.label}</span><span aria-hidden="true"
                >{shortLabel(slot.label)}</span
              ></th
            >
          {/each}
        </tr>
      </thead>
      <tbody>
        {#each shown as each (each.card.id)}
          {@const card = each.card}
          {@const drawn = bar(each)}
          <tr
            class:selected={card.id === selection.cardId}
            draggable="true"
            ondragstart={(event) => event.dataTransfer?.setData(CARD_DRAG, card.id)}
            onpointerenter={() => (selection.glancedId = card.id)}
            onpointerleave={() => (selection.glancedId = null)}
            onfocusin={() => (selection.glancedId = card.id)}
            onfocusout={() => (selection.glancedId = null)}
          >
            <th scope="row">
              <button
                type="button"
                class="text name"
                aria-pressed={card.id === selection.cardId}
                onclick={() => (selection.cardId = card.id)}
                onkeydown={fromRowToRow}>{cardName(card)}</button
              >
              <span>{deliveryWords(card.delivers)} · {busWords(card)}</span>
              {#if tried.has(card.id)}<span class="tried">{texts.onTrial}</span>
              {:else if planned.has(card.id)}<span class="tried"
                  >{texts.plannedIn(planned.get(card.id))}</span
                >{/if}
            </th>
            <td class="number"
              >{inMoney(card.priceCents)}<span class="days"
                >{card.leadDays === null ? texts.inTheDrawer : texts.days(card.leadDays)}</span
              ></td
            >
            <td class="gives">
              {gives(each)}{drawn !== null && !drawn.enough ? texts.short : ''}
              {#if drawn}
                <svg width={BAR_PX} height="8" aria-hidden="true">
                  <rect class="bar" class:short={!drawn.enough} width={drawn.width} height="8" />
                  <path class="wanted" d="M{drawn.wanted} 0v8" />
                </svg>
              {/if}
              {#if model.job.needs.length > 1}
                <span class="days"
                  >{each.meets.length === 0
                    ? texts.meetsNoneAlone
                    : texts.meetsOf(each.meets.length, model.job.needs.length)}</span
                >
              {/if}
            </td>
            {#each each.row as { slot, verdict } (slot.id)}
              <td class="slot">
                <button
                  type="button"
                  class="cell"
                  tabindex={card.id === selection.cardId ? 0 : -1}
                  class:selected={card.id === selection.cardId && slot.id === selection.slotId}
                  class:tried={tried.get(card.id) === slot.id}
                  onclick={() => {
                    selection.cardId = card.id;
                    selection.slotId = slot.id;
                  }}
                >
                  <VerdictMark {verdict} withWord={false} />
                  <span class="only-read">{texts.in(cardName(card), slot.label)}</span>
                </button>
              </td>
            {/each}
          </tr>
        {:else}
          <tr
            ><td colspan={machine.slots.length + 3}
              >{rows === null ? texts.eachCardIsTriedIn : texts.noCardMatchesFewerWords}</td
            ></tr
          >
        {/each}
      </tbody>
    </table>
  </div>
  {#if sorted.length > SHOWN_AT_ONCE}
    <button type="button" class="text" onclick={() => (all = !all)}
      >{all ? texts.onlyTheFirst(SHOWN_AT_ONCE) : texts.all(sorted.length)}</button
    >
  {/if}
  <p class="legend">
    {#each ['clear', 'limited', 'needs', 'unknown', 'blocked'] as const as verdict (verdict)}
      <VerdictMark {verdict} />
    {/each}
  </p>
</section>

<style>
  .sift {
    display: grid;
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
    align-items: center;
    gap: 0.5rem 0.75rem;
  }
  .sift > :global(:first-child) {
    grid-column: 1 / -1;
  }
  .only {
    display: flex;
    gap: 0 1.5rem;
  }
  .only :global(.bx--form-item) {
    flex: none;
    margin: 0;
  }
  .quiet {
    margin: 0.25rem 0 0.5rem;
  }
  .scroll {
    overflow-x: auto;
  }
  th span {
    display: block;
    font-weight: 400;
    font-size: 0.75rem;
  }
  th .tried {
    color: var(--tenant-plan);
    font-weight: 600;
  }
  td {
    white-space: nowrap;
  }
  .days {
    display: block;
    color: var(--cds-text-02);
    font-size: 0.75rem;
  }
  .gives svg {
    display: block;
  }
  .bar {
    fill: var(--tenant-plan);
  }
  .bar.short {
    fill: none;
    stroke: var(--tenant-blocked);
    stroke-dasharray: 3 2;
  }
  .wanted {
    stroke: var(--cds-text-01);
    stroke-width: 1.5;
  }
  .slot {
    text-align: center;
    padding-inline: 0.125rem;
  }
  tbody tr {
    cursor: grab;
  }
  tbody tr:hover {
    background: var(--cds-hover-ui);
  }
  tr.selected {
    background: var(--tenant-selected);
  }
  .cell {
    border: 1px solid transparent;
    background: none;
    padding: 0.25rem 0.25rem;
    cursor: pointer;
    line-height: 0;
  }
  .cell:hover {
    border-color: var(--cds-text-02);
  }
  .cell.tried {
    border: 2px dashed var(--tenant-plan);
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
