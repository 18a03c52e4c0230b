<script lang="ts">
  /** What lies under everything else: board, ports, openings, room for length, and the measures below. */
  import type { BoardLayout } from './layout';
  import type { BoardScale } from './scale';

  let { layout, scale }: { layout: BoardLayout; scale: BoardScale } = $props();
</script>

<defs>
  <pattern
    id="hatch-there"
    width="5"
    height="5"
    patternUnits="userSpaceOnUse"
    patternTransform="rotate(-45)"
  >
    <path d="M0 0v5" class="there-line" />
  </pattern>
</defs>
<g aria-hidden="true">
  {#if layout.board}
    {@const outline = scale.rect(layout.board)}
    <rect {...outline} class="outline" />
    <text class="figure" x={outline.x + 6} y={outline.y + 14}
      >board, {layout.board.widthMm} × {layout.board.depthMm} mm; processor’s end</text
    >
  {/if}
  {#if layout.ports}
    {@const ports = scale.rect(layout.ports)}
    <rect {...ports} class="opening" />
    <text
      class="figure number"
      transform="translate({ports.x + ports.width / 2 + 4} {ports.y +
        ports.height / 2}) rotate(-90)">ports of the board</text
    >
  {/if}
  <path class="rear" d="M{scale.x(0)} 0V{scale.bottomPx}" />
  {#each layout.openings as opening (opening.number)}
    <rect {...scale.rect(opening)} class="opening {opening.takenBy ?? 'free'}" />
    <text
      class="number"
      x={scale.x(opening.xMm + opening.widthMm / 2)}
      y={scale.y(opening.yMm + opening.depthMm / 2) + 4}>{opening.number}</text
    >
  {/each}
  {#if layout.roomMm !== null}
    <path class="room" d="M{scale.x(layout.roomMm)} 4V{scale.bottomPx}" />
    <path
      class="measure"
      d="M{scale.x(0)} {scale.bottomPx + 10}H{scale.x(layout.roomMm)}M{scale.x(0)} {scale.bottomPx +
        6}v8M{scale.x(layout.roomMm)} {scale.bottomPx + 6}v8"
    />
    <text class="figure" x={scale.x(layout.roomMm) + 6} y={scale.bottomPx + 14}
      >room for length {layout.roomMm} mm</text
    >
  {/if}
  <path
    class="measure"
    d="M{scale.x(0)} {scale.bottomPx + 30}H{scale.x(50)}M{scale.x(0)} {scale.bottomPx +
      26}v8M{scale.x(50)} {scale.bottomPx + 26}v8"
  />
  <text class="figure" x={scale.x(50) + 6} y={scale.bottomPx + 34}>scale: 50 mm</text>
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
    fill: url(#hatch-there);
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
</style>
