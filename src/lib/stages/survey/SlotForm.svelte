<script lang="ts">
  import { Button, Select, SelectItem, TextInput } from 'carbon-components-svelte';
  import Add from 'carbon-icons-svelte/lib/Add.svelte';
  import {
    CONNECTOR_LANES,
    LINK_WIDTHS,
    emptySlot,
    known,
    vacant,
    valueOf,
    type Generation,
    type Machine,
    type Occupant,
    type Slot,
  } from '$core';
  import { slotLine } from '$lib/board/slotWords';
  import { selection } from '$lib/state/selection.svelte';
  import { WITNESS_SHORT } from '$lib/wording/facts';
  import FactField from './FactField.svelte';
  import { choiceField, numberField } from './fields';

  let { machine, change }: { machine: Machine; change: (machine: Machine, what: string) => void } =
    $props();

  const CONNECTOR = choiceField(CONNECTOR_LANES.map((lanes) => [lanes, `x${lanes}`] as const));
  const WIRED = choiceField(LINK_WIDTHS.map((lanes) => [lanes as number, `x${lanes}`] as const));
  const GENERATION = choiceField(
    ([1, 2, 3, 4, 5] as const).map((n) => [n as Generation, `Gen ${n}`] as const),
  );
  const OPEN_END = choiceField([
    [true, 'open at its end'],
    [false, 'closed'],
  ] as const);
  const OPENING = numberField('an opening', { least: 1, most: 12 });
  const POWER = numberField('a number of watts', { unit: 'W', least: 0, most: 600, whole: false });
  const THICKNESS = numberField('a number of openings', { least: 1, most: 4 });
  const LENGTH = numberField('a length', { unit: 'mm', least: 20, most: 400, whole: false });

  const slot = $derived(machine.slots.find(({ id }) => id === selection.slotId) ?? null);
  const occupant = $derived(slot === null ? null : valueOf(slot.occupant));
  const holds = $derived(slot?.occupant == null ? 'unknown' : occupant === null ? 'empty' : 'card');

  const put = (fresh: Slot, what: string) =>
    change(
      { ...machine, slots: machine.slots.map((each) => (each.id === fresh.id ? fresh : each)) },
      `${fresh.label}: ${what}`,
    );
  const putOccupant = (fresh: Occupant | null, what: string) => {
    if (slot !== null) put({ ...slot, occupant: known(fresh, 'technician') }, what);
  };

  function add(bus: Slot['bus']) {
    let n = machine.slots.length + 1;
    while (machine.slots.some(({ id }) => id === `s${n}`)) n += 1;
    change(
      { ...machine, slots: [...machine.slots, emptySlot(`s${n}`, `Slot ${n}`, bus)] },
      `Slot ${n} added`,
    );
    selection.slotId = `s${n}`;
  }

  function setHolds(what: string) {
    if (slot === null) return;
    if (what === 'unknown') put({ ...slot, occupant: null }, 'what it holds is not known');
    else if (what === 'empty') put({ ...slot, occupant: vacant('technician') }, 'empty');
    else putOccupant({ name: 'Card', openings: null, lengthMm: null }, 'holds a card');
  }
</script>

<table class="plain">
  <caption class="only-read">Slots of the machine</caption>
  <thead>
    <tr
      ><th scope="col">Slot</th><th scope="col">What is known</th><th scope="col">Opening</th><th
        scope="col">Holds</th
      ></tr
    >
  </thead>
  <tbody>
    {#each machine.slots as each (each.id)}
      <tr class:selected={each.id === selection.slotId}>
        <td>
          <button
            type="button"
            class="text"
            aria-pressed={each.id === selection.slotId}
            onclick={() => (selection.slotId = each.id)}>{each.label}</button
          >
        </td>
        <td class="line">{slotLine(each)}</td>
        <td>{valueOf(each.opening) ?? '?'}</td>
        <td>{each.occupant === null ? '?' : (each.occupant.value?.name ?? 'nothing')}</td>
      </tr>
    {:else}
      <tr
        ><td colspan="4">No slots yet. Read the machine’s report, take a template, or add them.</td
        ></tr
      >
    {/each}
  </tbody>
</table>
<div class="row">
  <Button size="small" kind="tertiary" icon={Add} on:click={() => add('pcie')}
    >PCI Express slot</Button
  >
  <Button size="small" kind="tertiary" icon={Add} on:click={() => add('pci')}
    >Classic PCI slot</Button
  >
</div>

{#if slot}
  {@const of = slot}
  <div class="form">
    <div class="wide head">
      <h3>{of.label}</h3>
      <Button
        size="small"
        kind="danger-ghost"
        on:click={() =>
          change(
            { ...machine, slots: machine.slots.filter(({ id }) => id !== of.id) },
            `${of.label}: not a slot`,
          )}>This is not a slot</Button
      >
    </div>
    <TextInput
      id="slot-label"
      size="sm"
      labelText="Name"
      value={of.label}
      on:change={(event) =>
        put({ ...of, label: String(event.detail ?? '').slice(0, 200) || of.label }, 'name')}
    />
    <FactField
      id="fact-slot-opening"
      label="Opening it faces"
      fact={of.opening}
      kind={OPENING}
      onchange={(opening) => put({ ...of, opening }, 'opening')}
    />
    {#if of.bus === 'pcie'}
      <FactField
        id="fact-slot-connectorLanes"
        label="Length of the slot"
        fact={of.connectorLanes}
        kind={CONNECTOR}
        onchange={(connectorLanes) => put({ ...of, connectorLanes }, 'length')}
      />
      <FactField
        id="fact-slot-openEnd"
        label="Far end"
        fact={of.openEnd}
        kind={OPEN_END}
        onchange={(openEnd) => put({ ...of, openEnd }, 'far end')}
      />
      <FactField
        id="fact-slot-lanes"
        label="Lanes really wired"
        fact={of.lanes}
        kind={WIRED}
        onchange={(lanes) => put({ ...of, lanes }, 'lanes wired')}
      />
      <FactField
        id="fact-slot-generation"
        label="Generation"
        fact={of.generation}
        kind={GENERATION}
        onchange={(generation) => put({ ...of, generation }, 'generation')}
      />
      <FactField
        id="fact-slot-powerWatts"
        label="Power limit"
        fact={of.powerWatts}
        kind={POWER}
        onchange={(powerWatts) => put({ ...of, powerWatts }, 'power limit')}
      />
    {/if}
    <Select
      id="fact-slot-occupant"
      size="sm"
      labelText="Holds"
      selected={holds}
      helperText={of.occupant === null ? 'not known' : WITNESS_SHORT[of.occupant.witness]}
      on:change={(event) =>
        setHolds(String((event.target as HTMLSelectElement | null)?.value ?? 'unknown'))}
    >
      <SelectItem value="unknown" text="not known" />
      <SelectItem value="empty" text="nothing" />
      <SelectItem value="card" text="a card" />
    </Select>
    {#if occupant}
      {@const card = occupant}
      <TextInput
        id="occupant-name"
        size="sm"
        labelText="The card in it"
        value={card.name}
        on:change={(event) =>
          putOccupant(
            { ...card, name: String(event.detail ?? '').slice(0, 200) || card.name },
            'name of its card',
          )}
      />
      <FactField
        id="occupant-openings"
        label="Openings it takes"
        fact={card.openings}
        kind={THICKNESS}
        onchange={(openings) => putOccupant({ ...card, openings }, 'thickness of its card')}
      />
      <FactField
        id="occupant-length"
        label="How far it reaches"
        fact={card.lengthMm}
        kind={LENGTH}
        onchange={(lengthMm) => putOccupant({ ...card, lengthMm }, 'length of its card')}
      />
    {/if}
  </div>
{:else if machine.slots.length > 0}
  <p class="quiet">Select a slot here or on the board to correct it.</p>
{/if}

<style>
  .text {
    white-space: nowrap;
  }
  .selected {
    background: var(--tenant-selected);
  }
  .line {
    white-space: nowrap;
  }
  .row {
    display: flex;
    gap: 0.5rem;
    margin: 0.75rem 0;
  }
  .form {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 0.75rem;
    margin-top: 1rem;
  }
  .wide {
    grid-column: 1 / -1;
  }
  .head {
    display: flex;
    justify-content: space-between;
    align-items: center;
    border-top: 1px solid var(--cds-ui-03);
    padding-top: 0.5rem;
  }
  p {
    margin-top: 0.75rem;
  }
</style>
