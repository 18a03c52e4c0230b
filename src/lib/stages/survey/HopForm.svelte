<script lang="ts">
  /** One device of the network path, and the leads that go to it. */
  import { Button, Select, SelectItem, TextInput } from 'carbon-components-svelte';
  import Add from 'carbon-icons-svelte/lib/Add.svelte';
  import TrashCan from 'carbon-icons-svelte/lib/TrashCan.svelte';
  import { HOP_KINDS, LEAD_PLACES, emptyLead, type Hop, type Lead } from '$core/parts';
  import { freeNumber } from '$core/document';
  import { HOP_WORDS, LEAD_WORDS, hopFacts, hopName } from '$words/networkPath';
  import { opensFor } from '$lib/ui/fold';
  import FactField from './FactField.svelte';
  import { FIELD } from './factFields';
  import { numberField } from './fields';
  import { hopForm as texts } from '$words/stages/survey';

  let {
    hop,
    position,
    isLast,
    isOpen,
    onchange,
    onremove,
    oninsert,
  }: {
    hop: Hop;
    /** Counted from the machine. */
    position: number;
    isLast: boolean;
    isOpen: boolean;
    onchange: (hop: Hop) => void;
    /** Absent for the only one. */
    onremove?: (() => void) | undefined;
    /** Another device before this one. */
    oninsert: () => void;
  } = $props();

  const METRES = numberField(texts.aLength, 'path.hops.leads.metres');
  const LINK = FIELD['path.internetMegabits'];
  const name = $derived(hopName(hop, isLast));

  const putLead = (fresh: Lead) =>
    onchange({ ...hop, leads: hop.leads.map((lead) => (lead.id === fresh.id ? fresh : lead)) });

  function addLead() {
    const idOf = (n: number) => `${hop.id}-lead${n}`;
    const lead = emptyLead(idOf(freeNumber(hop.leads, idOf)), 'wall');
    onchange({ ...hop, leads: [...hop.leads, lead] });
  }
</script>

<details {@attach opensFor(isOpen)}>
  <summary>
    <span class="at">{position}</span>
    <strong>{name}</strong>
    <span class="told">{hopFacts(hop)}</span>
  </summary>
  {#each hop.leads as lead (lead.id)}
    <div class="lead" role="group" aria-label={texts.to(LEAD_WORDS[lead.place], name)}>
      <Select
        id="{lead.id}-place"
        size="sm"
        labelText={texts.lead}
        selected={lead.place}
        on:change={(event) =>
          putLead({
            ...lead,
            place: (event.target as HTMLSelectElement).value === 'wall' ? 'wall' : 'patch',
          })}
      >
        {#each LEAD_PLACES as place (place)}<SelectItem
            value={place}
            text={LEAD_WORDS[place]}
          />{/each}
      </Select>
      <FactField
        id="fact-{lead.id}-lead-cable"
        label={texts.cableClass}
        fact={lead.cable}
        kind={FIELD['lead.cable']}
        onchange={(cable) => putLead({ ...lead, cable })}
      />
      <FactField
        id="fact-{lead.id}-lead-metres"
        label={texts.length}
        fact={lead.metres}
        kind={METRES}
        onchange={(metres) => putLead({ ...lead, metres })}
      />
      <FactField
        id="fact-{lead.id}-lead-condition"
        label={texts.condition}
        fact={lead.condition}
        kind={FIELD['lead.condition']}
        onchange={(condition) => putLead({ ...lead, condition })}
      />
      {#if hop.leads.length > 1}
        <Button
          kind="ghost"
          size="small"
          icon={TrashCan}
          iconDescription={texts.removeThisLead}
          tooltipAlignment="end"
          on:click={() => onchange({ ...hop, leads: hop.leads.filter(({ id }) => id !== lead.id) })}
        />
      {/if}
    </div>
  {/each}
  <div class="device">
    <Select
      id="{hop.id}-kind"
      size="sm"
      labelText={texts.endsIn}
      selected={hop.kind}
      on:change={(event) => {
        const kind = HOP_KINDS.find((each) => each === (event.target as HTMLSelectElement).value);
        if (kind !== undefined) onchange({ ...hop, kind });
      }}
    >
      {#each HOP_KINDS as kind (kind)}<SelectItem value={kind} text={HOP_WORDS[kind]} />{/each}
    </Select>
    <TextInput
      id="{hop.id}-name"
      size="sm"
      labelText={texts.name}
      placeholder={name}
      value={hop.name}
      on:change={(event) => onchange({ ...hop, name: String(event.detail ?? '').slice(0, 200) })}
    />
    <FactField
      id="fact-{hop.id}-hop-portMegabits"
      label={texts.portSpeeds}
      fact={hop.portMegabits}
      kind={FIELD['hop.portMegabits']}
      onchange={(portMegabits) => onchange({ ...hop, portMegabits })}
    />
    <FactField
      id="fact-{hop.id}-hop-linkMegabits"
      label={texts.cameUpAt}
      fact={hop.linkMegabits}
      kind={LINK}
      onchange={(linkMegabits) => onchange({ ...hop, linkMegabits })}
    />
  </div>
  <div class="tools">
    <Button kind="ghost" size="small" icon={Add} on:click={addLead}>{texts.lead}</Button>
    <Button kind="ghost" size="small" icon={Add} on:click={oninsert}
      >{texts.deviceBeforeThisOne}</Button
    >
    {#if onremove}
      <Button kind="ghost" size="small" icon={TrashCan} on:click={onremove}
        >{texts.remove(name)}</Button
      >
    {/if}
  </div>
</details>

<style>
  details {
    grid-column: 1 / -1;
    border-top: 1px solid var(--cds-ui-03);
    padding: 0.25rem 0;
  }
  details[open] {
    padding-bottom: 0.5rem;
  }
  summary {
    font-size: 0.8125rem;
    padding: 0.125rem 0;
  }
  .at {
    display: inline-block;
    min-width: 1.375rem;
    margin: 0 0.375rem;
    border: 1.5px solid var(--cds-text-01);
    text-align: center;
    font-size: 0.75rem;
    font-weight: 600;
  }
  .told {
    color: var(--cds-text-02);
    margin-left: 0.375rem;
  }
  .tools {
    display: flex;
    flex-wrap: wrap;
  }
  .lead,
  .device {
    display: grid;
    grid-template-columns: 1fr 1.25fr 0.8fr 1.2fr 2rem;
    gap: 0.5rem;
    align-items: start;
    margin-top: 0.5rem;
  }
  .device {
    grid-template-columns: 1fr 1fr;
    margin-right: 2.5rem;
  }
  .lead :global(.bx--btn) {
    margin-top: 1.25rem;
  }
  .lead :global(.bx--select-input) {
    padding-right: 1.75rem;
  }
  @media (max-width: 30rem) {
    .lead {
      grid-template-columns: 1fr 1fr;
    }
  }
</style>
