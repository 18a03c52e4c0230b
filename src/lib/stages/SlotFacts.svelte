<script lang="ts">
  /** Under the board: all that is known of the chosen slot, each fact with where it comes from. */
  import { cardName, type Slot } from '$core/document';
  import { disagreeing } from '$core/survey';
  import { portsWithSlots } from '$core/read';
  import { valueOf, type Fact } from '$core/parts';
  import type { JobModel } from '$lib/stages/jobModel.svelte';
  import { SOURCE_SHORT, SOURCE_WORDS } from '$lib/wording/facts';
  import { linkWords } from '$lib/wording/figures';
  import { selection } from '$lib/state/selection.svelte';
  import type { CardOnSlot } from '../board/layout';
  import { SLOT_STATE_WORDS } from '$lib/wording/choices';
  import { SIGNAL_WORDS } from '$lib/wording/things';

  let {
    model,
    chosen: slot,
    planned,
  }: { model: JobModel; chosen: Slot; planned: readonly CardOnSlot[] } = $props();

  type Row = readonly [name: string, value: string, from: string];

  const cards = $derived(planned.filter((each) => each.slot.id === slot.id));
  const port = $derived(
    portsWithSlots(model.job.machine.functions).find(
      (each) => each.port.address === valueOf(slot.port),
    ),
  );

  /** The link between the slot and the processor, and how many hang on it. */
  function uplinkWords(uplink: NonNullable<Slot['uplink']>['value']): string {
    if (uplink === null) return 'nothing';
    const sharers = model.job.machine.slots.filter(
      (each) => valueOf(each.uplink)?.id === uplink.id,
    );
    const link = linkWords({ generation: uplink.generation, width: uplink.lanes });
    return `${link} with ${sharers.length - 1} more`;
  }

  function rows(of: Slot): readonly Row[] {
    const row = <Value,>(name: string, fact: Fact<Value>, print: (value: Value) => string): Row => {
      if (fact === null) return [name, 'not known', ''];
      const against = disagreeing(fact)
        .map(({ value, source }) => `${SOURCE_SHORT[source]}: ${print(value)}`)
        .filter((said) => !said.endsWith(`: ${print(fact.value)}`));
      return [name, print(fact.value), [SOURCE_WORDS[fact.source], ...against].join('; ')];
    };
    /** What is asked of few slots is shown once it is known. */
    const told = <Value,>(...of: Parameters<typeof row<Value>>): readonly Row[] =>
      of[1] === null ? [] : [row(...of)];
    const place: readonly Row[] = [
      row('Opening', of.opening, String),
      row('Holds', of.occupant, (occupant) => occupant?.name ?? 'nothing'),
    ];
    if (of.bus === 'm2') {
      return [
        row('Key', of.key, String),
        row('Wired', of.wired, (signals) => signals.map((each) => SIGNAL_WORDS[each]).join(', ')),
        row('Lengths', of.moduleLengthsMm, (lengths) => `${lengths.join(', ')} mm`),
        row('Lanes wired', of.lanes, (lanes) => `x${lanes}`),
        row('Generation', of.generation, String),
        ...place.slice(1),
      ];
    }
    return of.bus === 'pci'
      ? [row('Key', of.keying, String), ...place]
      : [
          row('Length', of.connectorLanes, (lanes) => `x${lanes}`),
          row('Lanes wired', of.lanes, (lanes) => `x${lanes}`),
          row('Generation', of.generation, String),
          row('Power limit', of.powerWatts, (watts) => `${watts} W`),
          ...place,
          ...told('Port', of.port, (address) => address.slice(5)),
          ...(valueOf(of.uplink) === null ? [] : [row('Shares', of.uplink, uplinkWords)]),
          ...told('State', of.state, (state) => SLOT_STATE_WORDS[state]),
          ...told('Hot-plug', of.hotPlug, (can) => (can ? 'yes' : 'no')),
          ...told(
            'Cards up to',
            of.cardLength,
            (most) => `${most === 'short' ? 'half' : 'full'} length`,
          ),
          ...told('Opening is', of.sharesOpening, (is) => (is ? 'shared' : 'its own')),
        ];
  }
</script>

<div class="facts">
  <div class="head">
    <h2>{slot.label}</h2>
    <button type="button" class="text" onclick={() => (selection.slotId = null)}>All slots</button>
  </div>
  <dl>
    {#each rows(slot) as [name, value, from], n (n)}
      <div>
        <dt>{name}</dt>
        <dd class:missing={from === ''}>{value}</dd>
        <dd class="from">{from}</dd>
      </div>
    {/each}
  </dl>
  {#if port?.trained && port.bothAble}
    <p class:below={port.belowAble}>
      Its link trained to {linkWords(port.trained)}{#if port.belowAble}, less than both ends could
        do: {linkWords(port.bothAble)}. An idle card may save power; look again while it is busy,
        then at its seat and its contacts{:else}, all that both ends can do{/if}.
    </p>
  {/if}
  {#each cards as { card }, n (n)}
    <p>
      Planned here: <strong>{cardName(card)}</strong>, {card.lengthMm} mm long, {card.peakWatts} W at
      most.
    </p>
  {/each}
</div>

<style>
  .facts {
    font-size: 0.8125rem;
    border-top: 1px solid var(--cds-ui-03);
    padding-top: 0.5rem;
  }
  .facts p {
    font-size: inherit;
    line-height: 1.4;
  }
  .head {
    display: flex;
    justify-content: space-between;
  }
  .below {
    border-left: 4px solid var(--tenant-limited);
    padding-left: 0.5rem;
  }
  dl {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(8.5rem, 1fr));
    gap: 0.5rem 0.75rem;
    margin: 0.375rem 0;
  }
  dt {
    color: var(--cds-text-02);
  }
  dd {
    font-weight: 600;
  }
  dd.missing {
    font-weight: 400;
    border-bottom: 1px dashed var(--cds-text-02);
    display: inline-block;
  }
  dd.from {
    font-weight: 400;
    color: var(--cds-text-02);
    font-size: 0.75rem;
  }
</style>
