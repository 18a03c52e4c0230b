<script lang="ts">
  /** What the board delivers without any card, kind by kind: with it a need shows at once whether it is met. */
  import { Button, Select, SelectItem } from 'carbon-components-svelte';
  import TrashCan from 'carbon-icons-svelte/lib/TrashCan.svelte';
  import { CARD_KINDS, type Delivery, type DeliveryKind } from '$core/kinds';
  import { columnsOf } from '$core/catalogue';
  import { known, valueOf } from '$core/parts';
  import { override } from '$core/survey';
  import type { Machine } from '$core/document';
  import CellField from '$lib/ui/CellField.svelte';
  import { SOURCE_SHORT } from '$words/facts';
  import { CARD_KIND_WORDS } from '$words/kinds/words';
  import { builtIn as texts } from '$words/stages/survey';

  let { machine, change }: { machine: Machine; change: (machine: Machine) => void } = $props();

  const own = $derived(valueOf(machine.builtIn) ?? []);
  const kinds = Object.keys(CARD_KIND_WORDS) as DeliveryKind[];

  /** A board has no place for modules that it leads to itself. */
  const ofBoard = (kind: DeliveryKind) =>
    columnsOf(kind).filter(({ path }) => path !== 'delivers.sataModules');

  const put = (deliveries: readonly Delivery[]) =>
    change({ ...machine, builtIn: override(machine.builtIn, deliveries) });
  const at = (n: number, delivery: Delivery) =>
    put(own.map((each, m) => (m === n ? delivery : each)));

  /** What is picked in the list: nothing again, once it is put in. */
  let adding = $state('');
  function add() {
    const kind = kinds.find((each) => each === adding);
    adding = '';
    if (kind !== undefined) put([...own, CARD_KINDS[kind].plain]);
  }
</script>

<div class="built-in">
  <h3>{texts.onTheBoardItself}</h3>
  <p class="quiet">
    {#if machine.builtIn === null}
      {texts.notKnownNeedsCannotSay}
    {:else}
      {own.length === 0 ? texts.nothingUseful : texts.kinds(own.length)}, {SOURCE_SHORT[
        machine.builtIn.source
      ]}.
    {/if}
  </p>
  {#each own as delivery, n (n)}
    <fieldset>
      <legend>{CARD_KIND_WORDS[delivery.kind]}</legend>
      {#each ofBoard(delivery.kind) as column (column.path)}
        <CellField
          id="built-in-{n}-{column.path.replace('.', '-')}"
          of={{ delivers: delivery }}
          {column}
          onchange={({ delivers }) => at(n, delivers)}
        />
      {/each}
      <Button
        kind="ghost"
        size="small"
        icon={TrashCan}
        iconDescription={texts.notOnTheBoard(CARD_KIND_WORDS[delivery.kind])}
        tooltipAlignment="end"
        on:click={() => put(own.filter((_, m) => m !== n))}
      />
    </fieldset>
  {/each}
  <div class="row">
    <Select
      id="built-in-add"
      size="sm"
      labelText={texts.theBoardAlsoHas}
      bind:selected={adding}
      on:update={add}
    >
      <SelectItem value="" text={texts.choose} />
      {#each kinds as kind (kind)}<SelectItem value={kind} text={CARD_KIND_WORDS[kind]} />{/each}
    </Select>
    {#if machine.builtIn === null}
      <Button
        size="small"
        kind="ghost"
        on:click={() => change({ ...machine, builtIn: known([], 'technician') })}
        >{texts.nothingUseful}</Button
      >
    {/if}
  </div>
</div>

<style>
  .built-in {
    grid-column: 1 / -1;
  }
  fieldset {
    position: relative;
    border: 1px solid var(--cds-ui-03);
    padding: 0.5rem 0.75rem;
    margin-top: 0.5rem;
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(7rem, 1fr));
    gap: 0.5rem;
    align-items: end;
  }
  fieldset > :global(.bx--btn) {
    position: absolute;
    top: -1.25rem;
    right: 0;
  }
  legend {
    font-size: 0.8125rem;
    font-weight: 600;
    padding-inline: 0.25rem;
  }
  .row {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 0.75rem;
    align-items: end;
    margin-top: 0.75rem;
  }
</style>
