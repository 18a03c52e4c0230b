<script lang="ts">
  /** Parts of the machine itself that are not in it yet, and leads inside of which an end is loose, or may be. */
  import { Button, Checkbox, Select, SelectItem, TextInput } from 'carbon-components-svelte';
  import Add from 'carbon-icons-svelte/lib/Add.svelte';
  import TrashCan from 'carbon-icons-svelte/lib/TrashCan.svelte';
  import {
    BUILD_LEADS,
    LEAD_KINDS,
    MACHINE_PARTS,
    leadRow,
    type LeadKind,
    type MachinePart,
  } from '$core/standards';
  import { freeNumber, type Machine } from '$core/document';
  import { known, looseLead, type InnerLead } from '$core/parts';
  import { opensFor } from '$lib/ui/fold';
  import { capital } from '$words/stepWords';
  import { END_WORDS, LEAD_WORDS, PART_WORDS, leadName, BUILD_LEAD_WORDS } from '$words/leads';
  import { innerWork as texts } from '$words/stages/survey';

  let { machine, change }: { machine: Machine; change: (machine: Machine) => void } = $props();

  const MOST_LEADS = 128;
  const LONGEST = 60;
  const STATES = [
    ['loose', texts.loose],
    ['joined', texts.pluggedIn],
    ['unknown', texts.notKnown],
    ['none', texts.nothingThere],
  ] as const;
  type State = (typeof STATES)[number][0];

  let kind = $state<LeadKind>('front-light');
  let name = $state('');
  const leads = $derived(machine.leads);
  const isFull = $derived(leads.length >= MOST_LEADS);

  const text = (event: Event) =>
    String((event as CustomEvent).detail ?? '')
      .trim()
      .slice(0, LONGEST);
  const idFor = (all: readonly InnerLead[]) => `lead${freeNumber(all, (n) => `lead${n}`)}`;
  const putLeads = (fresh: readonly InnerLead[]) => change({ ...machine, leads: fresh });
  const putLead = (fresh: InnerLead) =>
    putLeads(leads.map((each) => (each.id === fresh.id ? fresh : each)));

  function add() {
    if (isFull) return;
    const fresh = looseLead(idFor(leads), kind, name.trim().slice(0, LONGEST), 'technician');
    putLeads([...leads, fresh]);
    name = '';
  }

  function setPart(part: MachinePart, isMissing: boolean) {
    const toFit = MACHINE_PARTS.filter((each) =>
      each === part ? isMissing : machine.toFit.includes(each),
    );
    change({ ...machine, toFit });
  }

  /** Every part, and the leads that every machine has. */
  function buildFromNothing() {
    const fresh: InnerLead[] = [...leads];
    for (const { kind, name: of } of BUILD_LEADS) {
      const name = BUILD_LEAD_WORDS[of];
      if (!leads.some((other) => other.kind === kind && other.name === name))
        fresh.push(looseLead(idFor(fresh), kind, name, 'technician'));
    }
    change({ ...machine, toFit: [...MACHINE_PARTS], leads: fresh });
  }

  const stateOf = (lead: InnerLead, n: number): State => {
    const end = lead.ends[n];
    if (end === undefined) return 'none';
    return end.joined === null ? 'unknown' : end.joined.value ? 'joined' : 'loose';
  };

  /** Ends stand in their order: what has nothing to go into is the last. */
  function setEnd(lead: InnerLead, n: number, state: State) {
    const joined =
      state === 'unknown' || state === 'none' ? null : known(state === 'joined', 'technician');
    const ends =
      state === 'none'
        ? lead.ends.slice(0, n)
        : [
            ...lead.ends.slice(0, n),
            { at: lead.ends[n]?.at ?? '', joined },
            ...lead.ends.slice(n + 1),
          ];
    putLead({ ...lead, ends });
  }

  const setPlace = (lead: InnerLead, n: number, at: string) =>
    putLead({ ...lead, ends: lead.ends.map((end, m) => (m === n ? { ...end, at } : end)) });
</script>

<details {@attach opensFor(machine.toFit.length + leads.length > 0)}>
  <summary>{texts.partsAndLeadsToFit}</summary>
  <p class="quiet">
    {texts.besideTheCardsWhatIs}
  </p>
  <div class="parts" role="group" aria-label={texts.notInTheMachineYet}>
    {#each MACHINE_PARTS as part (part)}
      <Checkbox
        id="to-fit-{part}"
        labelText={capital(PART_WORDS[part])}
        checked={machine.toFit.includes(part)}
        on:change={(event) =>
          setPart(part, (event.target as HTMLInputElement | null)?.checked === true)}
      />
    {/each}
    <Button size="small" kind="ghost" on:click={buildFromNothing}>{texts.builtFromNothing}</Button>
  </div>
  <ul>
    {#each leads as lead (lead.id)}
      {@const { ends } = leadRow(lead.kind)}
      <li>
        <div class="name">
          <span>{capital(LEAD_WORDS[lead.kind])}</span>
          <TextInput
            id="{lead.id}-name"
            size="sm"
            hideLabel
            labelText={texts.which(LEAD_WORDS[lead.kind])}
            placeholder={texts.whichOne}
            value={lead.name}
            on:change={(event) => putLead({ ...lead, name: text(event) })}
          />
          <Button
            kind="ghost"
            size="small"
            icon={TrashCan}
            iconDescription={texts.remove(leadName(lead))}
            tooltipAlignment="end"
            on:click={() => putLeads(leads.filter(({ id }) => id !== lead.id))}
          />
        </div>
        {#each ends as end, n (n)}
          {#if n <= lead.ends.length}
            <div class="end">
              <span>{texts.at(END_WORDS[end])}</span>
              <Select
                id="{lead.id}-end-{n}"
                size="sm"
                hideLabel
                labelText={texts.at2(leadName(lead), END_WORDS[end])}
                selected={stateOf(lead, n)}
                on:update={(event) => {
                  const state = String(event.detail) as State;
                  if (state !== stateOf(lead, n)) setEnd(lead, n, state);
                }}
              >
                {#each STATES as [value, words] (value)}
                  {#if value !== 'none' || n > 0}<SelectItem {value} text={words} />{/if}
                {/each}
              </Select>
              {#if n < lead.ends.length}
                <TextInput
                  id="{lead.id}-at-{n}"
                  size="sm"
                  hideLabel
                  labelText={texts.whatIsPrintedWhereGoes(leadName(lead))}
                  placeholder={end === 'board' ? texts.fan2 : texts.whichOne}
                  value={lead.ends[n]?.at ?? ''}
                  on:change={(event) => setPlace(lead, n, text(event))}
                />
              {/if}
            </div>
          {/if}
        {/each}
      </li>
    {/each}
  </ul>
  <form
    class="row"
    onsubmit={(event) => {
      event.preventDefault();
      add();
    }}
  >
    <Select id="lead-kind" size="sm" labelText={texts.lead} bind:selected={kind}>
      {#each LEAD_KINDS as each (each)}<SelectItem value={each} text={LEAD_WORDS[each]} />{/each}
    </Select>
    <TextInput
      id="lead-name"
      data-aside
      size="sm"
      labelText={texts.whichOne2}
      placeholder={texts.powerLightFrontFanHard}
      bind:value={name}
    />
    <Button size="small" kind="tertiary" icon={Add} type="submit" disabled={isFull}
      >{texts.addTheLead}</Button
    >
  </form>
</details>

<style>
  details {
    margin: 1.25rem 0;
  }
  .parts {
    display: flex;
    flex-wrap: wrap;
    gap: 0 1.25rem;
    align-items: center;
    margin: 0.5rem 0;
  }
  .parts :global(.bx--form-item) {
    flex: none;
  }
  li {
    display: grid;
    gap: 0.25rem;
    padding: 0.5rem 0;
    border-bottom: 1px solid var(--cds-ui-03);
    font-size: 0.875rem;
  }
  .name,
  .end {
    display: grid;
    grid-template-columns: 1fr 1fr 2.5rem;
    gap: 0.5rem;
    align-items: center;
  }
  .name span {
    font-weight: 600;
  }
  .end {
    grid-template-columns: 1fr 8rem 1fr;
    padding-left: 0.75rem;
  }
  .row {
    display: grid;
    grid-template-columns: 1fr 1fr auto;
    gap: 0.5rem;
    align-items: flex-end;
    margin-top: 0.75rem;
  }
</style>
