<script lang="ts">
  /** What is expected as a band, what is wanted as a dashed line, and the reading as a full one: on one scale from zero. */
  import { scaleLinear } from 'd3-scale';
  import type { Flow } from '$core';
  import { flowFigure } from '$lib/wording/figures';

  let { flow, reading }: { flow: Flow; reading: number | null } = $props();

  const HEIGHT = 34;
  const BAND_TOP = 8;
  /** Room at the right end for the figure of the scale. */
  const END = 4;
  let width = $state(180);
  const most = $derived(1.1 * Math.max(flow.wanted, flow.high, reading ?? 0));
  const x = $derived(scaleLinear([0, most], [0, Math.max(40, width - END)]));
  const isLeft = $derived(x(flow.wanted) > width / 2);
</script>

<div bind:clientWidth={width}>
  <svg
    {width}
    height={HEIGHT}
    viewBox="0 0 {width} {HEIGHT}"
    role="img"
    aria-label="Expected {flowFigure(flow.low, flow)} to {flowFigure(
      flow.high,
      flow,
    )}, wanted {flowFigure(flow.wanted, flow)}{reading === null
      ? ''
      : `, measured ${flowFigure(reading, flow)}`}"
  >
    <rect class="reach" x="0" y={BAND_TOP} width={x(most)} height="9" />
    <rect
      class="band"
      x={x(flow.low)}
      y={BAND_TOP}
      width={Math.max(3, x(flow.high) - x(flow.low))}
      height="9"
    />
    <path class="wanted" d="M{x(flow.wanted)} 3V{BAND_TOP + 14}" />
    <text class:left={isLeft} x={x(flow.wanted) + (isLeft ? -3 : 3)} y={HEIGHT - 4}
      >{flowFigure(flow.wanted, flow)} wanted</text
    >
    {#if reading !== null}<path class="reading" d="M{x(reading)} 1V{BAND_TOP + 11}" />{/if}
  </svg>
</div>

<style>
  svg {
    display: block;
    max-width: 100%;
  }
  text {
    font-size: 11px;
    fill: var(--cds-text-02);
  }
  .left {
    text-anchor: end;
  }
  .reach {
    fill: var(--cds-ui-03);
  }
  .band {
    fill: var(--tenant-plan);
  }
  .wanted {
    stroke: var(--cds-text-01);
    stroke-dasharray: 3 2;
  }
  .reading {
    stroke: var(--tenant-blocked);
    stroke-width: 2.5;
  }
</style>
