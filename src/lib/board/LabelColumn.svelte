<script lang="ts">
  /** Names and figures in one column, each with a line to what it names; what shares a slot with the chosen one is lit. */
  import VerdictMark from '../ui/VerdictMark.svelte';
  import { MARK_PX, type PlacedRow } from './rows';
  import { ROW_PX } from './labels';
  import type { Views } from './views';

  let {
    rows,
    views,
    selectedSlotId,
    onselect,
  }: {
    rows: readonly PlacedRow[];
    views: Views;
    selectedSlotId: string | null;
    onselect: ((slotId: string) => void) | undefined;
  } = $props();

  const textAt = ({ verdict, number }: PlacedRow) =>
    views.columnPx + (verdict === undefined && number === undefined ? 0 : MARK_PX);
</script>

<g class="column" aria-hidden="true">
  {#each rows as row (row.key)}
    {#if row.from !== null}
      <path
        class="leader"
        d="M{row.from.x} {row.from.y}H{Math.max(row.from.x, views.plan.rightPx)}L{views.columnPx -
          3} {row.y}"
      />
      <circle class="end" cx={row.from.x} cy={row.from.y} r="1.5" />
    {/if}
  {/each}
  {#each rows as row (row.key)}
    {@const y = row.y + 4}
    <!-- svelte-ignore a11y_click_events_have_key_events, a11y_no_static_element_interactions (the slots are a list to be walked by key) -->
    <g
      class="row of-{row.kind}"
      class:lit={row.slotId !== null && row.slotId === selectedSlotId}
      class:chooses={row.slotId !== null && onselect !== undefined}
      data-row={row.key}
      onclick={() => row.slotId !== null && onselect?.(row.slotId)}
    >
      <rect
        x={views.columnPx - 2}
        y={row.y - ROW_PX / 2}
        width={views.columnWidthPx + 2}
        height={ROW_PX}
      />
      {#if row.verdict !== undefined}
        <VerdictMark verdict={row.verdict} withWord={false} x={views.columnPx} y={row.y - 8} />
      {:else if row.number !== undefined}
        <text class="number" x={views.columnPx + MARK_PX / 2 - 2} {y}>{row.number}</text>
      {/if}
      <text x={textAt(row)} {y}
        ><tspan class="label">{row.name}</tspan>{#if row.figure !== ''}<tspan class="figure" dx="8"
            >{row.figure}</tspan
          >{/if}</text
      >
    </g>
  {/each}
</g>

<style>
  .leader {
    fill: none;
    stroke: var(--cds-text-02);
    stroke-width: 0.75;
    opacity: 0.7;
    pointer-events: none;
  }
  .end {
    fill: var(--cds-text-02);
    pointer-events: none;
  }
  .row rect {
    fill: transparent;
  }
  .chooses {
    cursor: pointer;
  }
  .chooses:hover rect {
    fill: var(--cds-hover-ui);
  }
  .lit rect {
    fill: var(--tenant-selected);
  }
  .label {
    font-weight: 400;
  }
  .of-slot .label,
  .of-body .label {
    font-weight: 600;
  }
  .number {
    font-weight: 600;
    text-anchor: middle;
  }
</style>
