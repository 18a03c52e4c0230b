<script lang="ts">
  /** The machine from the side, under the plan, and from behind, beside it: at the plan's own scale. */
  import {
    BRACKET_LENGTH_MM,
    BRACKET_WIDTH_MM,
    CONNECTOR_START_MM,
    PORTS_WINDOW_MM,
    type Machine,
    type Need,
  } from '$core';
  import { elevationRows, elevationsOf, numbersOf } from './elevations';
  import LabelColumn from './LabelColumn.svelte';
  import type { BoardLayout, CardOnSlot } from './layout';
  import { placedRows, type LabelRow } from './rows';
  import type { Views } from './views';

  let {
    machine,
    layout,
    placed,
    needs,
    views,
    planned,
    selectedSlotId,
    onselect,
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
    onselect: (slotId: string) => void;
    /** Where the last row of words ends. */
    bottomPx?: number;
  } = $props();

  const scale = $derived(views.plan);
  const px = (mm: number) => mm * scale.pxPerMm;
  const drawn = $derived(elevationsOf(machine, layout, placed, needs));
  const rows = $derived(placedRows([...planned, ...elevationRows(drawn, layout, views)], views));
  $effect(() => {
    bottomPx = (rows.at(-1)?.y ?? 0) + 10;
  });
  /** From the side a thing reaches from one height over the board to another. */
  const upright = (xMm: number, widthMm: number, fromMm: number, toMm: number) => ({
    x: scale.x(xMm),
    y: views.sideY(toMm),
    width: px(widthMm),
    height: px(toMm - fromMm),
  });
  /** From behind. */
  const behind = (zMm: number, yMm: number, highMm: number, alongMm: number) => ({
    x: views.rearX(zMm),
    y: views.rearY(yMm),
    width: px(highMm),
    height: px(alongMm),
  });
  const endMm = $derived(layout.leftMm + layout.widthMm);
  /** Whose height nobody told is drawn as high as its bracket, and open. */
  const topOf = (heightMm: number | null) => heightMm ?? BRACKET_LENGTH_MM.low;
</script>

<g class="side bodies" aria-hidden="true">
  <text class="view end" x={scale.rightPx} y={scale.bottomPx + 23}>From the side</text>
  {#each ['low', 'full'] as const as height (height)}
    <path
      class="level"
      d="M{scale.x(0)} {views.sideY(BRACKET_LENGTH_MM[height])}H{scale.x(endMm)}"
    />
  {/each}
  {#if drawn.coverMm !== null}
    <path class="cover" d="M{scale.x(0)} {views.sideY(drawn.coverMm)}H{scale.x(endMm)}" />
  {/if}
  {#each layout.obstacles as each (each.id)}
    <rect
      {...upright(each.xMm, each.widthMm, 0, each.heightMm)}
      class="obstacle"
      class:movable={each.movable}
    />
  {/each}
  {#each layout.bodies as body, n (n)}
    <g class:lit={body.slotId === selectedSlotId}>
      <rect
        {...upright(body.xMm, body.widthMm, body.fromMm, topOf(body.heightMm))}
        class="body {body.kind}"
        class:open={body.heightMm === null}
      />
      {#if body.edgeEndMm !== null}
        <rect
          {...upright(CONNECTOR_START_MM, body.edgeEndMm - CONNECTOR_START_MM, 0, body.fromMm)}
          class="edge"
        />
      {/if}
      {#if body.bendMm > 0 && body.heightMm !== null}
        <rect
          {...upright(
            body.widthMm - body.bendMm,
            body.bendMm,
            body.heightMm,
            body.heightMm + body.bendMm,
          )}
          class="bend"
        />
      {/if}
    </g>
  {/each}
  {#each drawn.airs as { body, fan }, n (n)}
    <ellipse
      class="fan"
      cx={scale.x((fan.fromMm + fan.toMm) / 2)}
      cy={views.sideY((body.fromMm + topOf(body.heightMm)) / 2)}
      rx={px(fan.toMm - fan.fromMm) / 2}
      ry={Math.min(px(fan.toMm - fan.fromMm), px(topOf(body.heightMm) - body.fromMm) - 4) / 2}
    />
  {/each}
  {#each layout.conflicts as { xMm, widthMm, fromMm, toMm }, n (n)}
    <rect {...upright(xMm, widthMm, fromMm, toMm)} class="conflict" />
  {/each}
  {#if drawn.coverMm !== null}
    {#each layout.bodies as { kind, heightMm, xMm, widthMm }, n (n)}
      {#if kind !== 'leaving' && heightMm !== null && heightMm > drawn.coverMm}
        <rect {...upright(xMm, widthMm, drawn.coverMm, heightMm)} class="conflict" />
      {/if}
    {/each}
  {/if}
  <path
    class="ground"
    d="M{scale.x(0)} {views.sideY(0)}H{scale.x(layout.board?.widthMm ?? endMm)}"
  />
  <path class="rear" d="M{scale.x(0)} {views.sideTopPx}V{views.sideY(0)}" />
</g>

<g class="behind bodies" aria-hidden="true">
  {#if layout.ports}
    <rect
      {...behind(0, layout.ports.yMm, PORTS_WINDOW_MM.high, layout.ports.depthMm)}
      class="window"
    />
  {/if}
  {#each drawn.brackets as { number, yMm, lengthMm, state, slotId } (number)}
    <rect
      {...behind(0, yMm, lengthMm, BRACKET_WIDTH_MM)}
      class="bracket is-{state}"
      class:lit={slotId !== null && slotId === selectedSlotId}
    />
  {/each}
  {#each drawn.sockets as { number, faces, slotId } (number)}
    {#each faces as { zMm, yMm, highMm, alongMm }, n (n)}
      <rect
        {...behind(zMm, yMm, highMm, alongMm)}
        class="socket"
        class:lit={slotId !== null && slotId === selectedSlotId}
      />
    {/each}
  {/each}
  {#each numbersOf(drawn, views) as { number, x, y } (number)}
    <text class="tag" {x} {y}>{number}</text>
  {/each}
  <path
    class="rear"
    d="M{views.rearX(0)} {views.rearY(layout.topMm)}V{views.rearY(layout.topMm) +
      px(layout.heightMm)}"
  />
  <text class="view" x={views.rearX(0) + 4} y={views.rearNamePx}>From behind</text>
</g>
<g aria-hidden="true">
  <path
    class="measure"
    d="M{views.rearX(0)} {views.bottomPx - 8}h{px(50)}m0 -4v8M{views.rearX(0)} {views.bottomPx -
      12}v8"
  />
  <text class="figure" x={views.rearX(50) + 6} y={views.bottomPx - 4}>50 mm</text>
</g>
<LabelColumn {rows} {views} {selectedSlotId} {onselect} />

<style>
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
  .ground,
  .rear {
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
    fill: url(#hatch-there);
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
  .measure {
    stroke: var(--cds-text-02);
  }
</style>
