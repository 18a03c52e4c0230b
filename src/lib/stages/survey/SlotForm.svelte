<script lang="ts">
  import { Button, Select, SelectItem, TextInput } from 'carbon-components-svelte';
  import { FRONT_LEADS, PLUG_TYPES } from '$core/standards';
  import {
    M2_SIGNALS,
    occupantNamed,
    type Machine,
    type Occupant,
    type Slot,
    DISPOSITIONS,
  } from '$core/document';
  import { disagreeing, override } from '$core/survey';
  import { known, valueOf } from '$core/parts';
  import { selection } from '$lib/state/selection.svelte';
  import { SOURCE_SHORT } from '$words/facts';
  import { DISPOSITION_WORDS } from '$words/choices';
  import { SIGNAL_WORDS } from '$words/things';
  import type { JobModel } from '../jobModel.svelte';
  import { FACT_WORDS } from '$words/facts';
  import FactField from './FactField.svelte';
  import { FIELD } from './factFields';
  import Photos from './Photos.svelte';
  import Sharing from './Sharing.svelte';
  import SlotShapes from './SlotShapes.svelte';
  import { FAN_FIELD, LENGTHS_FIELD, choiceField, numberField, wordsField } from './fields';
  import { slotForm as texts } from '$words/stages/survey';

  let {
    model,
    machine,
    change,
  }: {
    /** Whose photographs are shown; absent where the machine is only supposed. */
    model?: JobModel;
    machine: Machine;
    change: (machine: Machine) => void;
  } = $props();

  const THICKNESS = numberField(texts.aNumberOfOpenings, 'slots.occupant.openings');
  const CARD_WATTS = numberField(texts.aNumberOfWatts, 'slots.occupant.watts');
  const PLUGS = wordsField(PLUG_TYPES.map((type) => [type, type] as const));
  const LEADS = wordsField(FRONT_LEADS.map((type) => [type, type] as const));
  const HOT_PLUG = choiceField([
    [true, texts.worksWhileItRuns],
    [false, texts.offOnly],
  ] as const);
  const SHARES = choiceField([
    [true, texts.sharedWithAnotherSlot],
    [false, texts.itsOwn],
  ] as const);
  const CARD_LENGTH = choiceField([
    ['short', texts.halfLength],
    ['long', texts.fullLength],
  ] as const);
  const LENGTH = numberField(texts.aLength, 'slots.occupant.lengthMm');

  const slot = $derived(machine.slots.find(({ id }) => id === selection.slotId) ?? null);
  const occupant = $derived(slot === null ? null : valueOf(slot.occupant));
  const holds = $derived(slot?.occupant == null ? 'unknown' : occupant === null ? 'empty' : 'card');

  const put = (fresh: Slot) =>
    change({
      ...machine,
      slots: machine.slots.map((each) => (each.id === fresh.id ? fresh : each)),
    });
  const putOccupant = (fresh: Occupant | null) => {
    if (slot !== null) put({ ...slot, occupant: toldOccupant(slot, fresh) });
  };

  /** The value “nothing” is an answer too, so it is told like any other. */
  const toldOccupant = (of: Slot, fresh: Occupant | null): Slot['occupant'] => {
    const others = [of.occupant, ...(of.occupant?.others ?? [])].flatMap((each) =>
      each === null || each.source === 'technician'
        ? []
        : [{ value: each.value, source: each.source }],
    );
    return { ...known(fresh, 'technician'), ...(others.length === 0 ? {} : { others }) };
  };

  const PLACES = [
    ['xMm', texts.fromTheRear, numberField(texts.aPlace, 'slots.place.xMm')],
    ['yMm', texts.fromTheBoardsTop, numberField(texts.aPlace, 'slots.place.yMm')],
  ] as const;
  const placeFact = (of: Slot, key: 'xMm' | 'yMm') =>
    of.place === null ? null : { value: of.place.value[key], source: of.place.source };
  const putPlace = (of: Slot, key: 'xMm' | 'yMm', value: number | null) => {
    const place = { ...(valueOf(of.place) ?? { xMm: 0, yMm: 0 }), [key]: value ?? 0 };
    put({ ...of, place: override(of.place, value === null ? null : place) });
  };

  function occupantSays(of: Slot): string {
    if (of.occupant === null) return texts.notKnown;
    const against = disagreeing(of.occupant).filter(
      ({ value }) => (value === null) !== (of.occupant?.value === null),
    );
    return [
      SOURCE_SHORT[of.occupant.source],
      ...against.map(({ source, value }) => texts.saysNothing(SOURCE_SHORT[source], value?.name)),
    ].join('; ');
  }

  function setHolds(what: string) {
    if (slot === null) return;
    if (what === 'unknown') put({ ...slot, occupant: null });
    else if (what === 'empty') putOccupant(null);
    else putOccupant(occupantNamed(texts.card));
  }
</script>

{#if slot}
  {@const of = slot}
  <div class="form">
    <div class="wide head">
      <h2>{of.label}</h2>
      <Button
        size="small"
        kind="danger-ghost"
        on:click={() =>
          change({ ...machine, slots: machine.slots.filter(({ id }) => id !== of.id) })}
        >{texts.deleteSlot}</Button
      >
    </div>
    <TextInput
      id="slot-label"
      size="sm"
      labelText={texts.name}
      value={of.label}
      on:change={(event) =>
        put({ ...of, label: String(event.detail ?? '').slice(0, 200) || of.label })}
    />
    <SlotShapes slot={of} />
    {#if of.bus === 'm2'}
      <FactField
        id="fact-slot-key"
        label={texts.key}
        fact={of.key}
        kind={FIELD['slot.key']}
        onchange={(key) => put({ ...of, key })}
      />
      <FactField
        id="fact-slot-moduleLengthsMm"
        label={texts.moduleLengthsItHolds}
        fact={of.moduleLengthsMm}
        kind={LENGTHS_FIELD}
        onchange={(moduleLengthsMm) => put({ ...of, moduleLengthsMm })}
      />
      <FactField
        id="fact-slot-wired"
        label={texts.wiredToIt}
        fact={of.wired}
        kind={FIELD['slot.wired']}
        onchange={(wired) => put({ ...of, wired })}
      />
      {#each PLACES as [key, label, kind] (key)}
        <FactField
          id="fact-slot-{key}"
          {label}
          fact={placeFact(of, key)}
          {kind}
          onchange={(value) => putPlace(of, key, valueOf(value))}
        />
      {/each}
    {:else}
      <FactField
        id="fact-slot-opening"
        label={texts.openingItFaces}
        fact={of.opening}
        kind={FIELD['slot.opening']}
        onchange={(opening) => put({ ...of, opening })}
      />
    {/if}
    {#if of.bus === 'pci'}
      <FactField
        id="fact-slot-keying"
        label={texts.key}
        fact={of.keying}
        kind={FIELD['slot.keying']}
        onchange={(keying) => put({ ...of, keying })}
      />
    {/if}
    {#if of.bus === 'pcie'}
      <FactField
        id="fact-slot-connectorLanes"
        label={texts.lengthOfTheSlot}
        fact={of.connectorLanes}
        kind={FIELD['slot.connectorLanes']}
        onchange={(connectorLanes) => put({ ...of, connectorLanes })}
      />
      <FactField
        id="fact-slot-openEnd"
        label={texts.farEnd}
        fact={of.openEnd}
        kind={FIELD['slot.openEnd']}
        onchange={(openEnd) => put({ ...of, openEnd })}
      />
    {/if}
    {#if of.bus !== 'pci'}
      <FactField
        id="fact-slot-lanes"
        label={texts.lanesWired}
        fact={of.lanes}
        kind={FIELD['slot.lanes']}
        onchange={(lanes) => put({ ...of, lanes })}
      />
      <FactField
        id="fact-slot-generation"
        label={texts.generation}
        fact={of.generation}
        kind={FIELD['slot.generation']}
        onchange={(generation) => put({ ...of, generation })}
      />
      {#if of.bus === 'pcie'}
        <FactField
          id="fact-slot-powerWatts"
          label={texts.powerLimit}
          fact={of.powerWatts}
          kind={FIELD['slot.powerWatts']}
          onchange={(powerWatts) => put({ ...of, powerWatts })}
        />
        <FactField
          id="fact-slot-splits"
          label={texts.itsLanes}
          fact={of.splits}
          kind={FIELD['slot.splits']}
          onchange={(splits) => put({ ...of, splits })}
        />
        <FactField
          id="fact-slot-latch"
          label={FACT_WORDS['slot.latch'].name}
          fact={of.latch}
          kind={FIELD['slot.latch']}
          onchange={(latch) => put({ ...of, latch })}
        />
        <FactField
          id="fact-slot-hotPlug"
          label={texts.hotPlug}
          fact={of.hotPlug}
          kind={HOT_PLUG}
          onchange={(hotPlug) => put({ ...of, hotPlug })}
        />
      {/if}
      <FactField
        id="fact-slot-sharesOpening"
        label={texts.openingIs}
        fact={of.sharesOpening}
        kind={SHARES}
        onchange={(sharesOpening) => put({ ...of, sharesOpening })}
      />
      <FactField
        id="fact-slot-cardLength"
        label={texts.cardsUpTo}
        fact={of.cardLength}
        kind={CARD_LENGTH}
        onchange={(cardLength) => put({ ...of, cardLength })}
      />
    {/if}
    <FactField
      id="fact-slot-state"
      label={texts.itsState}
      fact={of.state}
      kind={FIELD['slot.state']}
      onchange={(state) => put({ ...of, state })}
    />
    <Select
      id="fact-slot-occupant"
      size="sm"
      labelText={texts.holds}
      selected={holds}
      helperText={occupantSays(of)}
      on:change={(event) =>
        setHolds(String((event.target as HTMLSelectElement | null)?.value ?? 'unknown'))}
    >
      <SelectItem value="unknown" text={texts.notKnown} />
      <SelectItem value="empty" text={texts.nothing} />
      <SelectItem value="card" text={texts.aCard} />
    </Select>
    {#if occupant}
      {@const card = occupant}
      <TextInput
        id="occupant-name"
        size="sm"
        labelText={texts.theCardInIt}
        value={card.name}
        on:change={(event) =>
          putOccupant({ ...card, name: String(event.detail ?? '').slice(0, 200) || card.name })}
      />
      <Select
        id="occupant-disposition"
        size="sm"
        labelText={texts.it}
        selected={card.disposition}
        on:change={(event) =>
          putOccupant({
            ...card,
            disposition:
              DISPOSITIONS.find(
                (disposition) => disposition === (event.target as HTMLSelectElement | null)?.value,
              ) ?? 'stays',
          })}
      >
        {#each DISPOSITIONS as disposition (disposition)}
          <SelectItem value={disposition} text={DISPOSITION_WORDS[disposition]} />
        {/each}
      </Select>
      {#if of.bus === 'm2'}
        <Select
          id="occupant-signal"
          size="sm"
          labelText={texts.interface}
          selected={card.signal ?? ''}
          on:change={(event) => {
            const value = (event.target as HTMLSelectElement | null)?.value ?? '';
            const signal = M2_SIGNALS.find((each) => each === value) ?? null;
            putOccupant({ ...card, signal });
          }}
        >
          <SelectItem value="" text={texts.notKnown} />
          {#each M2_SIGNALS as signal (signal)}
            <SelectItem value={signal} text={SIGNAL_WORDS[signal]} />
          {/each}
        </Select>
      {/if}
      <FactField
        id="occupant-openings"
        label={texts.openingsItTakes}
        fact={card.openings}
        kind={THICKNESS}
        onchange={(openings) => putOccupant({ ...card, openings })}
      />
      <FactField
        id="occupant-length"
        label={texts.lengthOfTheCard}
        fact={card.lengthMm}
        kind={LENGTH}
        onchange={(lengthMm) => putOccupant({ ...card, lengthMm })}
      />
      <FactField
        id="occupant-height"
        label={texts.heightOfTheCard}
        fact={card.heightMm}
        kind={LENGTH}
        onchange={(heightMm) => putOccupant({ ...card, heightMm })}
      />
      {#if card.disposition !== 'stays'}
        <FactField
          id="occupant-watts"
          label={texts.its12VLoad}
          fact={card.watts}
          kind={CARD_WATTS}
          onchange={(watts) => putOccupant({ ...card, watts })}
        />
      {/if}
      <!-- A card that stays may have to come out for a hand, and its plugs with it. -->
      <FactField
        id="occupant-plugs"
        label={texts.plugsThatFeedIt}
        fact={card.plugs}
        kind={PLUGS}
        onchange={(plugs) => putOccupant({ ...card, plugs })}
      />
      <FactField
        id="occupant-leads"
        label={texts.frontLeadsJoinedToIt}
        fact={card.frontLeads}
        kind={LEADS}
        onchange={(frontLeads) => putOccupant({ ...card, frontLeads })}
      />
      <FactField
        id="fact-slot-fan"
        label={texts.itsFan}
        fact={card.fan === null ? null : known({ fan: card.fan.value }, card.fan.source)}
        kind={FAN_FIELD}
        onchange={(told) =>
          putOccupant({ ...card, fan: told === null ? null : known(told.value.fan, told.source) })}
      />
    {/if}
    <div class="wide"><Sharing {machine} slot={of} {change} /></div>
    {#if model}<div class="wide"><Photos {model} slotId={of.id} /></div>{/if}
  </div>
{/if}

<style>
  .form {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 0.75rem;
  }
  .wide {
    grid-column: 1 / -1;
  }
  .head {
    display: flex;
    justify-content: space-between;
    align-items: center;
  }
</style>
