<script lang="ts">
  /** Boxes that stand in the way, to be moved and stretched by hand or by key. */
  import type { Box, Machine } from '$core';
  import { ARROWS } from './drag';
  import { movedBox, stretchedBox, type Edit } from './edits';

  let {
    machine,
    boxes,
    place,
    ondrag,
    onedit,
  }: {
    machine: Machine;
    boxes: readonly Box[];
    /** Where a box lies on the screen. */
    place: (box: Box) => { x: number; y: number; width: number; height: number };
    ondrag: (event: PointerEvent, edit: (dxMm: number, dyMm: number) => Edit) => void;
    onedit: (edit: Edit) => void;
  } = $props();

  const CORNER_PX = 10;
  const CORNER_INSIDE_PX = 7;

  /** The box that shows its corner for stretching. */
  let near = $state('');

  function onkeydown(event: KeyboardEvent, id: string) {
    const [dx, dy] = ARROWS[event.key] ?? [0, 0];
    if (dx === 0 && dy === 0) return;
    const far = event.shiftKey ? 10 : 1;
    onedit((event.altKey ? stretchedBox : movedBox)(machine, id, dx * far, dy * far));
    event.preventDefault();
    event.stopPropagation();
  }
</script>

{#each boxes as box (box.id)}
  {@const at = place(box)}
  <rect
    {...at}
    class="handle"
    role="button"
    tabindex="0"
    aria-label="{box.name}: {box.xMm} mm from the rear, {box.yMm} mm down, {box.widthMm} by {box.depthMm} mm. Arrows move it, with Alt they stretch it, with Shift by ten"
    onpointerenter={() => (near = box.id)}
    onfocus={() => (near = box.id)}
    onpointerdown={(event) => ondrag(event, (dx, dy) => movedBox(machine, box.id, dx, dy))}
    onkeydown={(event) => onkeydown(event, box.id)}
  />
  {#if near === box.id}
    <rect
      x={at.x + at.width - CORNER_INSIDE_PX}
      y={at.y + at.height - CORNER_INSIDE_PX}
      width={CORNER_PX}
      height={CORNER_PX}
      class="handle stretch"
      aria-hidden="true"
      onpointerdown={(event) => ondrag(event, (dx, dy) => stretchedBox(machine, box.id, dx, dy))}
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
