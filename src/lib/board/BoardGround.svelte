<script lang="ts">
  /** What lies under everything else: board, ports, openings, room for length, and the measures below. */
  import { OPENING_PITCH_MM } from '$core/standards';
  import type { BoardLayout } from './layout';
  import type { BoardScale } from './scale';
  import { belowPlan } from './belowPlan';

  /** Below this pitch the numbers of openings are smaller. */
  const LINE_PX = 13;
  /** And below this one nobody reads them. */
  const LEAST_PX = 9;

  let { layout, scale, hatchId }: { layout: BoardLayout; scale: BoardScale; hatchId: string } =
    $props();
  const pitchPx = $derived(scale.pxPerMm * OPENING_PITCH_MM);
</script>

<defs>
  <pattern
    id="{hatchId}-there"
    width="5"
    height="5"
    patternUnits="userSpaceOnUse"
    patternTransform="rotate(-45)"
  >
    <path d="M0 0v5" class="there-line" />
  </pattern>
</defs>
<g aria-hidden="true">
  {#if layout.board}<rect {...scale.rect(layout.board)} class="outline" />{/if}
  {#if layout.ports}<rect {...scale.rect(layout.ports)} class="opening" />{/if}
  <path class="rear" d="M{scale.x(0)} {scale.y(layout.topMm)}V{scale.bottomPx}" />
  {#each layout.openings as opening (opening.number)}
    <rect {...scale.rect(opening)} class="opening {opening.takenBy ?? 'free'}" />
    {#if pitchPx >= LEAST_PX}
      <text
        class="number"
        class:small={pitchPx < LINE_PX}
        x={scale.x(opening.xMm + opening.widthMm / 2)}
        y={scale.y(opening.yMm + opening.depthMm / 2) + 4}>{opening.number}</text
      >
    {/if}
  {/each}
  {#if layout.roomMm !== null}
    {@const [from, to, at] = [scale.x(0), scale.x(layout.roomMm), scale.bottomPx + 8]}
    <path class="room" d="M{to} {scale.y(layout.topMm) + 4}V{scale.bottomPx}" />
    <path class="measure" d="M{from} {at}H{to}M{from} {at - 4}v8M{to} {at - 4}v8" />
    <text class="figure" x={from + 4} y={at + 15}>{belowPlan(scale, layout.roomMm).room}</text>
  {/if}
</g>

<style>
  .outline,
  .room,
  .measure,
  .rear {
    fill: none;
    stroke: var(--cds-text-02);
    stroke-width: 1;
  }
  .rear {
    stroke: var(--cds-text-01);
    stroke-width: 2;
  }
  .room {
    stroke-dasharray: 7 4;
  }
  .opening {
    fill: none;
    stroke: var(--cds-text-01);
    stroke-width: 1;
  }
  .opening.card {
    fill: var(--hatch-there);
  }
  .opening.planned {
    fill: var(--tenant-plan-soft);
    stroke: var(--tenant-plan);
  }
  .there-line {
    stroke: var(--cds-ui-04);
    stroke-width: 1;
  }
  .number {
    text-anchor: middle;
  }
  .number.small {
    font-size: 8px;
  }
</style>
