<script lang="ts">
  /** What stands on the board and over it: obstacles, cards that are there, planned or tried, and where two claim the same ground. */
  import type { BoardLayout } from './layout';
  import type { BoardScale } from './scale';

  let {
    layout,
    scale,
    selectedSlotId,
    hatchId,
  }: {
    layout: BoardLayout;
    scale: BoardScale;
    selectedSlotId: string | null;
    hatchId: string;
  } = $props();
</script>

<defs>
  <pattern
    id="{hatchId}-conflict"
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
  {/each}
  {#each layout.bodies as body, n (n)}
    <rect
      {...scale.rect(body)}
      class="body {body.kind}"
      class:lit={body.slotId === selectedSlotId}
    />
  {/each}
  {#each layout.conflicts as conflict, n (n)}
    <rect {...scale.rect(conflict)} class="conflict" />
  {/each}
</g>

<style>
  .bodies {
    pointer-events: none;
  }
  .hatch-line {
    stroke: var(--tenant-blocked);
    stroke-width: 2;
  }
</style>
