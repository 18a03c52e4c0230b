<script lang="ts">
  /** Under the board: all that is known of the chosen slot, each fact with where it comes from. */
  import { cardName, type Slot } from '$core/document';
  import { disagreeing } from '$core/survey';
  import { portsWithSlots } from '$core/read';
  import { valueOf, type Fact } from '$core/parts';
  import type { JobModel } from '$lib/stages/jobModel.svelte';
  import { SOURCE_SHORT, SOURCE_WORDS } from '$words/facts';
  import { linkWords } from '$words/figures';
  import { selection } from '$lib/state/selection.svelte';
  import type { CardOnSlot } from '../board/layout';
  import { SLOT_STATE_WORDS } from '$words/choices';
  import { SIGNAL_WORDS } from '$words/things';
  import { slotFacts as texts } from '$words/stages/all';

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
    if (uplink === null) return texts.nothing;
    const sharers = model.job.machine.slots.filter(
      (each) => valueOf(each.uplink)?.id === uplink.id,
    );
    const link = linkWords({ generation: uplink.generation, width: uplink.lanes });
    return texts.withMore(link, sharers.length - 1);
  }

  function rows(of: Slot): readonly Row[] {
    const row = <Value,>(name: string, fact: Fact<Value>, print: (value: Value) => string): Row => {
      if (fact === null) return [name, texts.notKnown, ''];
      const against = disagreeing(fact)
        .map(({ value, source }) => `${SOURCE_SHORT[source]}: ${print(value)}`)
        .filter((said) => !said.endsWith(`: ${print(fact.value)}`));
      return [name, print(fact.value), [SOURCE_WORDS[fact.source], ...against].join('; ')];
    };
    /** What is asked of few slots is shown once it is known. */
    const told = <Value,>(...of: Parameters<typeof row<Value>>): readonly Row[] =>
      of[1] === null ? [] : [row(...of)];
    const place: readonly Row[] = [
      row(texts.opening, of.opening, String),
      row(texts.holds, of.occupant, (occupant) => occupant?.name ?? texts.nothing),
    ];
    if (of.bus === 'm2') {
      return [
        row(texts.key, of.key, String),
        row(texts.wired, of.wired, (signals) =>
          signals.map((each) => SIGNAL_WORDS[each]).join(', '),
        ),
        row(texts.lengths, of.moduleLengthsMm, (lengths) => texts.mm(lengths.join(', '))),
        row(texts.lanesWired, of.lanes, (lanes) => `x${lanes}`),
        row(texts.generation, of.generation, String),
        ...place.slice(1),
      ];
    }
    return of.bus === 'pci'
      ? [row(texts.key, of.keying, String), ...place]
      : [
          row(texts.length, of.connectorLanes, (lanes) => `x${lanes}`),
          row(texts.lanesWired, of.lanes, (lanes) => `x${lanes}`),
          row(texts.generation, of.generation, String),
          row(texts.powerLimit, of.powerWatts, (watts) => `${watts} W`),
          ...place,
          ...told(texts.port, of.port, (address) => address.slice(5)),
          ...(valueOf(of.uplink) === null ? [] : [row(texts.shares, of.uplink, uplinkWords)]),
          ...told(texts.state, of.state, (state) => SLOT_STATE_WORDS[state]),
          ...told(texts.hotPlug, of.hotPlug, (can) => (can ? texts.yes : texts.no)),
          ...told(texts.cardsUpTo, of.cardLength, (most) => texts.halfLength(most === 'short')),
          ...told(texts.openingIs, of.sharesOpening, (is) => (is ? texts.shared : texts.itsOwn)),
        ];
  }
</script>

<div class="facts">
  <div class="head">
    <h2>{slot.label}</h2>
    <button type="button" class="text" onclick={() => (selection.slotId = null)}
      >{texts.allSlots}</button
    >
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
      {texts.itsLinkTrainedTo(
        linkWords(port.trained),
      )}{#if port.belowAble}{texts.lessThanBothEndsCould(
          linkWords(port.bothAble),
        )}{:else}{texts.allThatBothEndsCan}{/if}.
    </p>
  {/if}
  {#each cards as { card }, n (n)}
    <p>
      {texts.plannedHere} <strong>{cardName(card)}</strong>{texts.mmLongWAtMost(
        card.lengthMm,
        card.peakWatts,
      )}
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
