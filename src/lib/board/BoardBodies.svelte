<script lang="ts">
  /** What stands on the board and over it: obstacles, cards that are there, planned or tried, and where two claim the same ground. */
  import type { BoardLayout } from './layout';
  import type { BoardScale } from './scale';
  import { obstacleWords } from './slotWords';

  let {
    layout,
    scale,
    selectedSlotId,
  }: { layout: BoardLayout; scale: BoardScale; selectedSlotId: string | null } = $props();

  /** About what a letter of a card's name takes, in pixels. */
  const LETTER_PX = 7;
</script>

<defs>
  <pattern
    id="hatch-conflict"
    width="6"
    height="6"
    patternUnits="userSpaceOnUse"
    patternTransform="rotate(45)"
  >
    <path d="M0 0v6" class="hatch-line" />
  </pattern>
</defs>
<g class="bodies" aria-hidden="true">
  {#each layout.obstacles as obstacle (obstacle.id)}
    <rect {...scale.rect(obstacle)} class="obstacle" class:movable={obstacle.movable} />
    {@const words = obstacleWords(obstacle, scale.pxPerMm)}
    {#each words as line, n (line)}
      <text
        class="figure"
        x={scale.x(obstacle.xMm) + 3}
        y={scale.y(obstacle.yMm + obstacle.depthMm) - 4 - (words.length - 1 - n) * 12}>{line}</text
      >
    {:else}
      {@const inner = obstacle.xMm > layout.widthMm / 2}
      <text
        class="figure"
        class:end={inner}
        x={scale.x(obstacle.xMm + obstacle.widthMm) + (inner ? 0 : 4)}
        y={inner ? scale.y(obstacle.yMm) - 4 : scale.y(obstacle.yMm + obstacle.depthMm / 2) + 4}
        >{obstacle.name}</text
      >
    {/each}
  {/each}
  {#each layout.bodies as body, n (n)}
    {@const at = scale.rect(body)}
    <rect {...at} class="body {body.kind}" class:lit={body.slotId === selectedSlotId} />
    <text class="name" x={at.x + 8} y={at.y + Math.min(at.height - 5, 15)}>{body.name}</text>
    {#if body.lengthMm !== null}
      <text
        class="figure"
        x={at.x + Math.max(at.width + 5, 14 + body.name.length * LETTER_PX)}
        y={at.y + at.height / 2 + 4}>{body.lengthMm} mm</text
      >
    {/if}
  {/each}
  {#each layout.conflicts as conflict, n (n)}
    <rect {...scale.rect(conflict)} class="conflict" />
  {/each}
</g>

<style>
  .bodies {
    pointer-events: none;
  }
  .obstacle {
    fill: var(--cds-ui-03);
    fill-opacity: 0.55;
    stroke: var(--cds-text-02);
  }
  .obstacle.movable {
    stroke-dasharray: 4 3;
  }
  .body {
    stroke: var(--cds-text-01);
    stroke-width: 1;
  }
  .body.there {
    fill: url(#hatch-there);
  }
  .body.leaving {
    fill: none;
    stroke: var(--cds-text-02);
    stroke-dasharray: 2 3;
  }
  .body.planned {
    fill: var(--tenant-plan-soft);
    fill-opacity: 0.8;
    stroke: var(--tenant-plan);
    stroke-width: 1.5;
  }
  .body.trial {
    fill: var(--tenant-plan-soft);
    fill-opacity: 0.8;
    stroke: var(--tenant-plan);
    stroke-width: 1.5;
    stroke-dasharray: 6 3;
  }
  .body.lit {
    stroke-width: 3;
  }
  .name {
    font-weight: 600;
  }
  .conflict {
    fill: url(#hatch-conflict);
    stroke: var(--tenant-blocked);
  }
  .hatch-line {
    stroke: var(--tenant-blocked);
    stroke-width: 2;
  }
  .name,
  .bodies .figure {
    paint-order: stroke;
    stroke: var(--cds-ui-background);
    stroke-width: 3px;
    stroke-linejoin: round;
  }
  .end {
    text-anchor: end;
  }
</style>
