<script lang="ts">
  /** Which slot is it? All kinds to scale, seen from above, the rear edge of the machine to the left. */
  import type { Slot } from '$core/document';
  import { LONG_SHAPES, SOCKET_SHAPES, type SlotShape } from './slotShapes';
  import { slotShapes as texts } from '$words/stages/survey';

  let { slot }: { slot: Slot } = $props();

  const PX_PER_MM = 3;
  /** Sockets are small: their keys are told apart only when they are drawn larger. */
  const SOCKET_PX_PER_MM = 9;
  const ROW_PX = 22;
  const BAR_PX = 10;
  const NAMES_PX = 118;
  const WIDTH_PX = 400;

  const heightOf = (shapes: readonly SlotShape[]) => (shapes.length + 1) * ROW_PX;
</script>

{#snippet shapes(all: readonly SlotShape[], pxPerMm: number, label: string)}
  <svg
    viewBox="0 0 {WIDTH_PX} {heightOf(all)}"
    width={WIDTH_PX}
    height={heightOf(all)}
    role="img"
    aria-label={label}
  >
    {#each all as shape, n (shape.name)}
      {@const y = n * ROW_PX + (ROW_PX - BAR_PX) / 2}
      <text x="0" y={y + BAR_PX - 1} class:is={shape.isOf(slot)}>{shape.name}</text>
      <rect
        class="slot"
        class:is={shape.isOf(slot)}
        x={NAMES_PX}
        {y}
        width={shape.lengthMm * pxPerMm}
        height={BAR_PX}
      />
      <rect
        class="key"
        x={NAMES_PX + shape.key.fromMm * pxPerMm}
        {y}
        width={(shape.key.toMm - shape.key.fromMm) * pxPerMm}
        height={BAR_PX}
      />
    {/each}
    <path
      d="M{NAMES_PX} {heightOf(all) - ROW_PX / 2 - 3}v6m0 -3h{10 * pxPerMm}m0 -3v6"
      class="scale"
    />
    <text x={NAMES_PX + 10 * pxPerMm + 6} y={heightOf(all) - ROW_PX / 2 + 4}>{texts.n10Mm}</text>
  </svg>
{/snippet}

<details class="wide">
  <summary>{texts.whichIsItSlotsTo}</summary>
  <p>{texts.fromAboveTheRearOf}</p>
  {@render shapes(LONG_SHAPES, PX_PER_MM, texts.pciAndPciExpressSlots)}
  <p>{texts.m2SocketsThreeTimes}</p>
  {@render shapes(SOCKET_SHAPES, SOCKET_PX_PER_MM, texts.m2SocketsByKey)}
</details>

<style>
  .wide {
    grid-column: 1 / -1;
    font-size: 0.8125rem;
  }
  p {
    margin: 0.25rem 0;
    font-size: 0.8125rem;
  }
  svg {
    display: block;
    max-width: 100%;
    height: auto;
  }
  text {
    font-size: 0.75rem;
    fill: var(--cds-text-02);
  }
  text.is {
    fill: var(--cds-text-01);
    font-weight: 600;
  }
  .slot {
    fill: var(--cds-ui-03);
    stroke: var(--cds-text-02);
  }
  .slot.is {
    fill: var(--cds-text-01);
  }
  .key {
    fill: var(--cds-ui-01);
    stroke: var(--cds-text-02);
  }
  .scale {
    fill: none;
    stroke: var(--cds-text-02);
  }
</style>
