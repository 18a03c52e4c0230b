<script lang="ts">
  /** Every run as a point, before the work and after, with median and spread; behind both the expected band and what is wanted. */
  import { scaleLinear } from 'd3-scale';
  import type { Flow } from '$core/kinds';
  import type { RunGroup } from '$core/diagnosis';
  import { flowFigure } from '$words/flowFigures';
  import { runStrip as texts } from '$words/stages/prove';

  let {
    flow,
    rows,
  }: {
    flow: Flow;
    /** In the order in which they are drawn; the last one is that of now. */
    rows: readonly { readonly name: string; readonly group: RunGroup }[];
  } = $props();

  const ROW = 20;
  const TOP = 4;
  const FOOT = 18;
  const NAMES = 76;
  let width = $state(220);
  const left = $derived(rows.length > 1 ? NAMES : 0);
  const values = $derived(rows.flatMap(({ group }) => group.runs.map(({ value }) => value)));
  const most = $derived(1.1 * Math.max(flow.wanted, flow.high, ...values));
  const x = $derived(scaleLinear([0, most], [left + 4, Math.max(left + 40, width - 6)]));
  const height = $derived(TOP + Math.max(1, rows.length) * ROW + FOOT);
  const isLeft = $derived(x(flow.wanted) > (left + width) / 2);
  const words = $derived(
    [
      texts.expectedTo(flowFigure(flow.low, flow), flowFigure(flow.high, flow)),
      texts.wanted2(flowFigure(flow.wanted, flow)),
      ...rows.map(({ name, group }) =>
        texts.medianOf(name, flowFigure(group.median, flow), group.runs.length),
      ),
    ].join(', '),
  );
</script>

<div bind:clientWidth={width}>
  <svg {width} {height} viewBox="0 0 {width} {height}" role="img" aria-label={words}>
    <rect
      class="band"
      x={x(flow.low)}
      y={TOP}
      width={Math.max(3, x(flow.high) - x(flow.low))}
      height={height - TOP - FOOT}
    />
    <path class="wanted" d="M{x(flow.wanted)} {TOP}V{height - FOOT + 3}" />
    {#if rows.length === 0}
      <path class="line" d="M{left + 4} {TOP + ROW / 2}H{width - 6}" />
    {/if}
    {#each rows as { name, group }, n (n)}
      {@const y = TOP + n * ROW + ROW / 2}
      {@const isNow = n === rows.length - 1}
      {#if left > 0}<text x="0" y={y + 4}>{name}</text>{/if}
      <path class="line" d="M{left + 4} {y}H{width - 6}" />
      {#if group.runs.length > 1}
        <rect
          class="half"
          x={x(group.quartiles[0])}
          y={y - 5}
          width={Math.max(2, x(group.quartiles[1]) - x(group.quartiles[0]))}
          height="10"
        />
      {/if}
      {#each group.runs as run (run.id)}
        <circle class:now={isNow} cx={x(run.value)} cy={y} r="3.5" />
      {/each}
      <path class="median" class:now={isNow} d="M{x(group.median)} {y - 8}V{y + 8}" />
    {/each}
    <text class="foot" class:left={isLeft} x={x(flow.wanted) + (isLeft ? -3 : 3)} y={height - 4}
      >{texts.wanted(flowFigure(flow.wanted, flow))}</text
    >
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
  .band {
    fill: var(--tenant-plan);
    opacity: 0.35;
  }
  .line {
    stroke: var(--cds-ui-04);
  }
  .wanted {
    stroke: var(--cds-text-01);
    stroke-dasharray: 3 2;
  }
  .half {
    fill: none;
    stroke: var(--cds-text-02);
  }
  circle {
    fill: var(--cds-ui-background);
    stroke: var(--cds-text-01);
  }
  circle.now {
    fill: var(--cds-text-01);
    fill-opacity: 0.65;
  }
  .median {
    stroke: var(--cds-text-02);
    stroke-width: 2;
  }
  .median.now {
    stroke: var(--cds-text-01);
    stroke-width: 3;
  }
</style>
