<script lang="ts" generics="Part extends Card | Extra">
  /** A card or an extra as a form, made of the columns of its table. Nothing is kept before it is saved. */
  import { untrack } from 'svelte';
  import { Button } from 'carbon-components-svelte';
  import { CARD_KINDS } from '$core/kinds';
  import { contradictionsIn, type Column } from '$core/catalogue';
  import type { Card } from '$core/document';
  import type { Extra } from '$core/parts';
  import CellField from '../ui/CellField.svelte';
  import Statements from './Statements.svelte';
  import { problemPlace, problemWords } from '$words/problems';
  import { partForm as texts } from '$words/catalogue';

  let {
    part,
    columnsFor,
    heading,
    save,
    close,
    duplicate,
    drop,
    dropWords,
  }: {
    part: Part;
    columnsFor: (part: Part) => readonly Column[];
    heading: string;
    save: (part: Part) => void;
    close: () => void;
    duplicate?: (() => void) | undefined;
    drop?: (() => void) | undefined;
    dropWords: string;
  } = $props();

  let draft = $state.raw(untrack(() => part));
  const columns = $derived(columnsFor(draft));
  const missing = $derived(
    (['maker', 'model'] as const).filter((key) => draft[key].trim() === '').join(' and '),
  );
  const wrong = $derived('delivers' in draft ? contradictionsIn(draft as Card) : []);
  const changed = $derived(draft !== part || part.id === 'new');

  function take(fresh: Part) {
    // Another kind of card delivers other things: it starts from the plainest of its kind.
    if ('delivers' in fresh && 'delivers' in draft && fresh.delivers.kind !== draft.delivers.kind)
      draft = { ...fresh, delivers: CARD_KINDS[fresh.delivers.kind].plain };
    else draft = fresh;
  }
</script>

<section aria-label={heading}>
  <div class="headed">
    <h2>{heading}</h2>
    <Button size="small" kind="ghost" on:click={close}>{texts.close}</Button>
  </div>
  <div class="fields">
    {#each columns as column (column.path)}
      {#if column.path === 'statements' && 'statements' in draft}
        <Statements
          statements={draft.statements}
          onchange={(statements) => take({ ...draft, statements })}
        />
      {:else}
        <CellField
          id="part-{column.path.replaceAll('.', '-')}"
          of={draft}
          {column}
          onchange={take}
        />
      {/if}
    {/each}
  </div>
  {#if missing !== ''}<p class="wrong">{texts.stillToBeTold(missing)}</p>{/if}
  {#each wrong as problem, n (n)}
    <p class="wrong">{problemPlace(problem)}: {problemWords(problem)}</p>
  {/each}
  <div class="row">
    <Button
      size="small"
      disabled={missing !== '' || wrong.length > 0 || !changed}
      on:click={() => save(draft)}>{texts.save}</Button
    >
    {#if duplicate}<Button size="small" kind="tertiary" on:click={duplicate}
        >{texts.duplicate}</Button
      >{/if}
    {#if drop}<Button size="small" kind="danger-ghost" on:click={drop}>{dropWords}</Button>{/if}
  </div>
</section>

<style>
  .fields {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 0.625rem;
    align-items: end;
  }
  .wrong {
    margin-top: 0.5rem;
    border-left: 4px solid var(--tenant-blocked);
    padding-left: 0.5rem;
    font-size: 0.8125rem;
  }
  .row {
    position: sticky;
    bottom: -1rem;
    display: flex;
    gap: 0.5rem;
    padding: 0.75rem 0;
    background: var(--cds-ui-01);
  }
</style>
