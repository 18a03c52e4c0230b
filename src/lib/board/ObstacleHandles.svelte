<script lang="ts">
  /** Obstacles that stand in the way, to be moved and stretched by hand or by key. */
  import type { Obstacle, Machine } from '$core/document';
  import { ARROWS } from './keysAndCards';
  import { movedObstacle, stretchedObstacle } from './edits';
  import { obstacleHandles as texts } from '$words/board';

  let {
    machine,
    obstacles,
    place,
    ondrag,
    onedit,
  }: {
    machine: Machine;
    obstacles: readonly Obstacle[];
    /** Where an obstacle lies on the screen. */
    place: (obstacle: Obstacle) => { x: number; y: number; width: number; height: number };
    ondrag: (event: PointerEvent, edit: (dxMm: number, dyMm: number) => Machine) => void;
    onedit: (machine: Machine) => void;
  } = $props();

  const CORNER_PX = 10;
  const CORNER_INSIDE_PX = 7;

  /** The obstacle that shows its corner for stretching. */
  let near = $state('');

  function onkeydown(event: KeyboardEvent, id: string) {
    const [dx, dy] = ARROWS[event.key] ?? [0, 0];
    if (dx === 0 && dy === 0) return;
    const far = event.shiftKey ? 10 : 1;
    onedit((event.altKey ? stretchedObstacle : movedObstacle)(machine, id, dx * far, dy * far));
    event.preventDefault();
    event.stopPropagation();
  }
</script>

{#each obstacles as obstacle (obstacle.id)}
  {@const at = place(obstacle)}
  <rect
    {...at}
    class="handle"
    role="button"
    tabindex="0"
    aria-label={texts.obstacleHandle(obstacle)}
    onpointerenter={() => (near = obstacle.id)}
    onfocus={() => (near = obstacle.id)}
    onpointerdown={(event) =>
      ondrag(event, (dx, dy) => movedObstacle(machine, obstacle.id, dx, dy))}
    onkeydown={(event) => onkeydown(event, obstacle.id)}
  />
  {#if near === obstacle.id}
    <rect
      x={at.x + at.width - CORNER_INSIDE_PX}
      y={at.y + at.height - CORNER_INSIDE_PX}
      width={CORNER_PX}
      height={CORNER_PX}
      class="handle stretch"
      aria-hidden="true"
      onpointerdown={(event) =>
        ondrag(event, (dx, dy) => stretchedObstacle(machine, obstacle.id, dx, dy))}
    />
  {/if}
{/each}

<style>
  .handle {
    fill: transparent;
    cursor: move;
    outline: none;
  }
  .handle:hover {
    fill: var(--cds-hover-ui);
    fill-opacity: 0.4;
  }
  .handle:focus-visible {
    stroke: var(--cds-focus);
    stroke-width: 2;
  }
  .stretch,
  .stretch:hover {
    fill: var(--cds-text-02);
    fill-opacity: 1;
    cursor: nwse-resize;
  }
</style>
