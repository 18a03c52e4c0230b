<script lang="ts">
  /** Cards and extras: what the supplier sells, and what the shop has made of it. */
  import {
    Button,
    ContentSwitcher,
    FileUploaderButton,
    InlineLoading,
    InlineNotification,
    Search,
    Select,
    SelectItem,
    Switch,
    TextInput,
  } from 'carbon-components-svelte';
  import Add from 'carbon-icons-svelte/lib/Add.svelte';
  import Download from 'carbon-icons-svelte/lib/Download.svelte';
  import Undo from 'carbon-icons-svelte/lib/Undo.svelte';
  import { EXTRA_COLUMNS, columnsFor, plainCard, writeCatalogue } from '$core/catalogue';
  import { EXTRA_LIMIT_UNITS } from '$core/standards';
  import { cardName, type Card } from '$core/document';
  import type { Extra } from '$core/parts';
  import { typedNumber } from '$core/read';
  import { sifted } from '$lib/catalogue/comparison';
  import { isCurrency, isTax, money } from '$lib/state/money.svelte';
  import { supplies } from '$lib/state/supplies.svelte';
  import { busWords, deliveryWords } from '$words/deliveries';
  import { CARD_KIND_WORDS } from '$words/kinds/words';
  import { EXTRA_KIND_WORDS, fitsWords } from '$words/things';
  import { download } from '../ui/download';
  import { isNoCommand } from '../ui/keys';
  import { idFor, ownParts } from './ownParts.svelte';
  import ImportTable from './ImportTable.svelte';
  import LearnCard from './LearnCard.svelte';
  import PartForm from './PartForm.svelte';
  import PartTable from './PartTable.svelte';
  import { catalogueView as texts } from '$words/catalogue';

  type Shown = 'cards' | 'extras';
  let shown = $state<Shown>('cards');
  let sought = $state('');
  let kind = $state('all');
  let card = $state.raw<Card | null>(null);
  let extra = $state.raw<Extra | null>(null);
  let imported = $state.raw<{ name: string; text: string } | null>(null);
  let learning = $state(false);
  let refused = $state('');
  let search = $state<HTMLInputElement | null>(null);

  const cards = $derived(
    sifted(supplies.cards ?? [], { kind, sought, goesIn: false, meets: false }, new Set()),
  );
  const extras = $derived(
    supplies.extras.filter((each) =>
      sought
        .toLowerCase()
        .split(/\s+/)
        .every((word) => extraText(each).includes(word)),
    ),
  );
  const extraText = (each: Extra) =>
    `${each.maker} ${each.model} ${EXTRA_KIND_WORDS[each.kind]} ${fitsWords(each.fits)}`.toLowerCase();

  function show(what: Shown) {
    shown = what;
    closeAll();
  }

  function closeAll() {
    card = null;
    extra = null;
    imported = null;
    learning = false;
  }

  function edit(of: Card) {
    closeAll();
    card = of;
  }

  const freshId = <Part extends Card | Extra>(part: Part): Part =>
    part.id === 'new' ? { ...part, id: idFor(part.maker, part.model) } : part;

  async function saveCard(fresh: Card) {
    const saved = freshId(fresh);
    const edited = card;
    await ownParts.putCards([saved], texts.saved(cardName(saved)));
    // Whoever has gone on to another one meanwhile stays there.
    if (card === edited) card = saved;
  }

  async function saveExtra(fresh: Extra) {
    const saved = freshId(fresh);
    const edited = extra;
    await ownParts.putExtra(saved, texts.saved(cardName(saved)));
    if (extra === edited) extra = saved;
  }

  async function take(fresh: readonly Card[]) {
    const table = imported;
    await ownParts.putCards(fresh, texts.cardsTakenFromAFile(fresh.length, table?.name));
    if (imported === table) imported = null;
  }

  async function drop(id: string, name: string) {
    closeAll();
    await ownParts.drop(id, texts.takenBack(name));
    // Opened again meanwhile it shows what it is now.
    if (card?.id === id) card = supplies.cards?.find((each) => each.id === id) ?? null;
    if (extra?.id === id) extra = supplies.extras.find((each) => each.id === id) ?? null;
  }

  async function importFile(files: readonly File[]) {
    const [file] = files;
    if (file === undefined) return;
    closeAll();
    imported = { name: file.name, text: await file.text() };
  }

  function setMoney(currency: string, percent: string) {
    const points = Math.round((typedNumber(percent) ?? -1) * 100);
    refused = !isCurrency(currency) ? 'currency' : !isTax(points) ? 'tax' : '';
    isMoneyKept = null;
    if (refused === '') void money.set(currency, points).then((is) => (isMoneyKept = is));
  }
  /** Null until it was changed here. */
  let isMoneyKept = $state<boolean | null>(null);

  const dropWords = (id: string) =>
    supplies.isSuppliers(id) ? texts.asTheSupplierSays : texts.remove;

  function onkeydown(event: KeyboardEvent) {
    if (isNoCommand(event)) return;
    if (event.key === '/') search?.focus();
    else if (event.key === 'z' && (event.ctrlKey || event.metaKey)) void ownParts.undo();
    else if (event.key === 'Escape') closeAll();
    else return;
    event.preventDefault();
  }
</script>

<svelte:window {onkeydown} />

<main class:beside={card !== null || extra !== null || learning}>
  <section class="list" aria-label={texts.catalogue}>
    <div class="head">
      <h1>{texts.catalogue}</h1>
      <a href="/">{texts.toTheJobs}</a>
      <span class="said" role="status">{ownParts.said}</span>
      <Button
        kind="ghost"
        size="small"
        icon={Undo}
        iconDescription={ownParts.canUndo === null
          ? texts.nothingToUndo
          : texts.undo(ownParts.canUndo)}
        tooltipAlignment="end"
        disabled={ownParts.canUndo === null}
        on:click={() => ownParts.undo()}
      />
    </div>
    {#if ownParts.notKept}
      <InlineNotification
        lowContrast
        hideCloseButton
        kind="warning"
        title={texts.theBrowsersStoreDoesNot}
        subtitle={texts.yourChangesLastOnlyAs}
      />
    {/if}
    {#if supplies.supplierAway}
      <InlineNotification
        lowContrast
        hideCloseButton
        kind="warning"
        title={texts.theSupplierCannotBeReached}
        subtitle={texts.whatWasKeptFromLast}
      />
    {/if}
    <div class="tools">
      <ContentSwitcher
        size="sm"
        aria-label={texts.whatIsShown}
        selectedIndex={shown === 'cards' ? 0 : 1}
        on:change={(event) => show(event.detail === 0 ? 'cards' : 'extras')}
      >
        <Switch text={texts.cards} />
        <Switch text={texts.extras} />
      </ContentSwitcher>
      <Search
        id="part-search"
        size="sm"
        labelText={texts.searchTheCatalogue}
        closeButtonLabelText={texts.clear}
        placeholder={texts.namePlugBusIdentity}
        bind:value={sought}
        bind:ref={search}
      />
      {#if shown === 'cards'}
        <Select id="part-kind" size="sm" hideLabel labelText={texts.kind} bind:selected={kind}>
          <SelectItem value="all" text={texts.allKinds} />
          {#each Object.entries(CARD_KIND_WORDS) as [value, text] (value)}
            <SelectItem {value} {text} />
          {/each}
        </Select>
      {/if}
    </div>
    {#if shown === 'cards'}
      <div class="tools">
        <Button
          size="small"
          kind="tertiary"
          icon={Add}
          on:click={() => edit(plainCard(kind in CARD_KIND_WORDS ? (kind as 'usb') : 'usb'))}
          >{texts.newCard}</Button
        >
        <Button
          size="small"
          kind="tertiary"
          on:click={() => {
            closeAll();
            learning = true;
          }}>{texts.learnFromAReport}</Button
        >
        <FileUploaderButton
          id="import-csv"
          kind="tertiary"
          size="small"
          labelText={texts.importCsv}
          accept={['.csv', '.txt']}
          disableLabelChanges
          on:change={(event) => importFile(event.detail)}
        />
        <Button
          size="small"
          kind="tertiary"
          icon={Download}
          disabled={cards.length === 0}
          on:click={() => download('catalogue.csv', writeCatalogue(cards), 'text/csv')}
          >{texts.exportAsCsv(cards.length)}</Button
        >
      </div>
    {/if}

    {#if imported !== null}
      {#key imported}
        <ImportTable {...imported} {take} close={() => (imported = null)} />
      {/key}
    {:else if supplies.cards === null && !supplies.supplierAway}
      <InlineLoading description={texts.fetchingTheCatalogue} />
    {:else if shown === 'cards'}
      <PartTable
        heads={[texts.card, texts.kind, texts.delivers, texts.slot]}
        parts={cards}
        chosenId={card?.id ?? null}
        pick={edit}
        none={texts.noCardMatchesFewerWords}
      >
        {#snippet cells(each)}
          <td>{CARD_KIND_WORDS[each.delivers.kind]}</td>
          <td>{deliveryWords(each.delivers)}</td>
          <td>{busWords(each)}</td>
        {/snippet}
      </PartTable>
    {:else}
      <PartTable
        heads={[texts.extra, texts.kind, texts.for, texts.limit]}
        parts={extras}
        chosenId={extra?.id ?? null}
        pick={(each) => (extra = each)}
        none={texts.noExtraMatches}
      >
        {#snippet cells(each)}
          <td>{EXTRA_KIND_WORDS[each.kind]}</td>
          <td>{fitsWords(each.fits)}</td>
          <td>{each.limit === null ? '' : `${each.limit} ${EXTRA_LIMIT_UNITS[each.kind] ?? ''}`}</td
          >
        {/snippet}
      </PartTable>
    {/if}
    <div class="money" role="group" aria-label={texts.money}>
      <TextInput
        id="currency"
        size="sm"
        labelText={texts.currency}
        value={money.currency}
        invalid={refused === 'currency'}
        invalidText={texts.threeCapitalLetters}
        on:change={(event) =>
          setMoney(String(event.detail ?? '').trim(), String(money.taxPoints / 100))}
      />
      <TextInput
        id="tax"
        size="sm"
        labelText={texts.taxOnTop}
        value={String(money.taxPoints / 100)}
        invalid={refused === 'tax'}
        invalidText={texts.n0To100}
        on:change={(event) => setMoney(money.currency, String(event.detail ?? ''))}
      />
      <p class="quiet">{texts.pricesAreKeptBeforeTax}</p>
      <p class="quiet" role="status">
        {isMoneyKept === null
          ? ''
          : isMoneyKept
            ? texts.currencyAndTaxAreSaved
            : texts.theyCouldNotBeSaved}
      </p>
    </div>
  </section>

  {#if card !== null}
    {@const of = card}
    <aside aria-label={texts.theCard}>
      {#key of.id + of.model}
        <PartForm
          part={of}
          columnsFor={({ delivers }) => columnsFor(delivers.kind)}
          heading={of.id === 'new' ? texts.aNewCard : cardName(of)}
          save={saveCard}
          close={closeAll}
          duplicate={of.id === 'new'
            ? undefined
            : () => edit({ ...of, id: 'new', model: `${of.model} (copy)` })}
          drop={supplies.isOwn(of.id) ? () => drop(of.id, cardName(of)) : undefined}
          dropWords={dropWords(of.id)}
        />
      {/key}
    </aside>
  {:else if extra !== null}
    {@const of = extra}
    <aside aria-label={texts.theExtra}>
      {#key of.id + of.model}
        <PartForm
          part={of}
          columnsFor={() => EXTRA_COLUMNS}
          heading={of.id === 'new' ? texts.aNewExtra : cardName(of)}
          save={saveExtra}
          close={closeAll}
          duplicate={of.id === 'new'
            ? undefined
            : () => (extra = { ...of, id: 'new', model: `${of.model} (copy)` })}
          drop={supplies.isOwn(of.id) ? () => drop(of.id, cardName(of)) : undefined}
          dropWords={dropWords(of.id)}
        />
      {/key}
    </aside>
  {:else if learning}
    <aside aria-label={texts.learn}>
      <LearnCard learned={edit} close={closeAll} />
    </aside>
  {/if}
</main>

<style>
  main {
    height: calc(100vh - 3rem);
    display: grid;
    grid-template-columns: minmax(0, 1fr);
  }
  main.beside {
    grid-template-columns: minmax(0, 1fr) 26rem;
  }
  .list,
  aside {
    overflow: auto;
    padding: 1rem 1.25rem 2rem;
  }
  aside {
    background: var(--cds-ui-01);
    border-left: 1px solid var(--cds-ui-03);
    padding-bottom: 1rem;
  }
  .head,
  .tools {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 0.5rem 1rem;
    margin-bottom: 0.75rem;
  }
  .head a {
    color: var(--cds-link-01);
  }
  .said {
    margin-left: auto;
    font-size: 0.8125rem;
  }
  .tools :global(.bx--search) {
    flex: 1 1 14rem;
  }
  .tools :global(.bx--content-switcher) {
    width: 12rem;
  }
  .tools > :global(.bx--form-item:has(.bx--select)) {
    flex: 0 0 10rem;
  }
  .money {
    display: flex;
    flex-wrap: wrap;
    gap: 1rem;
    align-items: end;
    margin-top: 1.5rem;
    border-top: 1px solid var(--cds-ui-03);
    padding-top: 0.75rem;
  }
  .money > :global(.bx--form-item) {
    flex: 0 0 8rem;
  }
  @media (max-width: 75rem) {
    main.beside {
      grid-template-columns: minmax(0, 1fr);
      height: auto;
    }
  }
</style>
