<script lang="ts">
  /** The machine from the side, under the plan, and from behind, beside it: at the plan's own scale. */
  import type { Machine } from '$core/document';
  import type { Need } from '$core/kinds';
  import { elevationRows, elevationsOf, numbersOf, shapesOf } from './elevations';
  import LabelColumn from './LabelColumn.svelte';
  import type { BoardLayout, CardOnSlot } from './layout';
  import { placedRows, type LabelRow } from './rows';
  import type { Views } from './views';
  import { ran } from '$lib/state/effects';
  import { elevationViews as texts } from '$words/board';
  import { belowPlan } from './belowPlan';

  let {
    machine,
    layout,
    placed,
    needs,
    views,
    planned,
    selectedSlotId,
    onselect,
    isBare,
    bottomPx = $bindable(0),
  }: {
    machine: Machine;
    layout: BoardLayout;
    placed: readonly CardOnSlot[];
    needs: readonly Need[];
    views: Views;
    /** Rows of the plan. */
    planned: readonly LabelRow[];
    selectedSlotId: string | null;
    onselect: ((slotId: string) => void) | undefined;
    isBare: boolean;
    /** Where the last row of words ends. */
    bottomPx?: number;
  } = $props();

  const drawn = $derived(elevationsOf(machine, layout, placed, needs));
  const rows = $derived(
    isBare ? [] : placedRows([...planned, ...elevationRows(drawn, layout, views)], views),
  );
  $effect(() => {
    ran('elevations: where the words end');
    bottomPx = (rows.at(-1)?.y ?? 0) + 10;
  });
  const { shapes, lines } = $derived(shapesOf(drawn, layout, views));
</script>

<g class="elevations" aria-hidden="true">
  {#each shapes as { kind, slotId, at, round }, n (n)}
    <rect
      {...at}
      rx={round ? at.width / 2 : undefined}
      ry={round ? at.height / 2 : undefined}
      class={kind}
      class:lit={slotId !== null && slotId === selectedSlotId}
    />
  {/each}
  {#each lines as [kind, d], n (n)}<path class={kind} {d} />{/each}
  <text class="view end" x={views.plan.rightPx} y={views.plan.bottomPx + 23}
    >{belowPlan(views.plan, layout.roomMm).view}</text
  >
  <text class="view" x={views.rearX(0) + 4} y={views.rearNamePx}>{texts.fromBehind}</text>
  <text class="figure" x={views.rearX(50) + 6} y={views.bottomPx - 4}>{texts.n50Mm}</text>
  {#each isBare ? [] : numbersOf(drawn, views) as { number, x, y } (number)}
    <text class="tag" {x} {y}>{number}</text>
  {/each}
</g>
<LabelColumn {rows} {views} {selectedSlotId} {onselect} />

<style>
  .elevations {
    pointer-events: none;
  }
  .view,
  .tag {
    font-size: 11px;
  }
  .end {
    text-anchor: end;
  }
  .tag {
    font-weight: 600;
    text-anchor: middle;
  }
  .level {
    stroke: var(--cds-text-02);
    stroke-dasharray: 1 4;
  }
  .cover {
    stroke: var(--cds-text-01);
    stroke-dasharray: 8 4;
  }
  .base {
    stroke: var(--cds-text-01);
    stroke-width: 2;
  }
  .edge {
    fill: var(--cds-text-01);
  }
  .bend {
    fill: none;
    stroke: var(--tenant-plan);
    stroke-dasharray: 2 2;
  }
  .fan {
    fill: none;
    stroke: var(--cds-text-01);
    stroke-dasharray: 5 2;
  }
  .window,
  .bracket {
    fill: none;
    stroke: var(--cds-text-02);
  }
  .bracket.is-there {
    fill: var(--hatch-there);
  }
  .bracket.is-leaving {
    stroke-dasharray: 2 3;
  }
  .bracket.is-planned {
    fill: var(--tenant-plan-soft);
    stroke: var(--tenant-plan);
    stroke-width: 1.5;
  }
  .bracket.lit {
    stroke-width: 3;
  }
  .socket {
    fill: var(--cds-ui-background);
    stroke: var(--cds-text-01);
  }
  .scale {
    fill: none;
    stroke: var(--cds-text-02);
  }
</style>
