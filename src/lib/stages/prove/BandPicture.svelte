<script lang="ts">
  /** Every stage of the way with what it carries, the wanted figure, and the reading, on one scale; and how likely each holds it back. */
  import { scaleLinear } from 'd3-scale';
  import type { Flow, FlowStage } from '$core/kinds';
  import { flowFigure } from '$words/flowFigures';
  import { flowStageWords } from '$words/stages';
  import { bandPicture as texts } from '$words/stages/prove';

  let {
    flow,
    reading,
    likely = () => 0,
  }: {
    flow: Flow;
    reading: number | null;
    /** How likely a stage is what holds the figure back, from 0 to 1. */
    likely?: (stage: FlowStage) => number;
  } = $props();

  /** Less than this is not worth a word. */
  const LEAST_SAID = 0.02;

  const ROW = 20;
  const TOP = 16;
  const LEFT = 140;
  const RIGHT = 150;
  let width = $state(440);
  /** What all that work as one show over each stage. */
  const stages = $derived(
    flow.stages.map((stage) => ({
      ...stage,
      low: stage.low * flow.gain.low,
      high: stage.high * flow.gain.high,
      likely: likely(stage),
    })),
  );
  const most = $derived(Math.max(flow.wanted, reading ?? 0, ...stages.map(({ high }) => high)));
  const x = $derived(scaleLinear([0, most], [LEFT, Math.max(LEFT + 60, width - RIGHT)]));
  const height = $derived(TOP + stages.length * ROW + 22);
</script>

<div bind:clientWidth={width}>
  <svg
    {width}
    {height}
    viewBox="0 0 {width} {height}"
    role="img"
    aria-label={texts.whatEachStageCarriesThe}
  >
    {#each stages as stage, n (n)}
      {@const y = TOP + n * ROW}
      <text class="name" class:limiting={stage.code === flow.limiting} x={LEFT - 8} y={y + 14}
        >{flowStageWords(stage)}</text
      >
      <rect class="reach" x={LEFT} y={y + 5} width={Math.max(1, x(stage.low) - LEFT)} height="10" />
      <rect
        class="band"
        x={x(stage.low)}
        y={y + 5}
        width={Math.max(2, x(stage.high) - x(stage.low))}
        height="10"
      />
      <text class="figure" x={x(stage.high) + 6} y={y + 14}
        >{flowFigure(stage.high, flow)}{stage.likely >= LEAST_SAID
          ? texts.likely(Math.round(stage.likely * 100))
          : ''}</text
      >
      {#if stage.likely >= LEAST_SAID}
        <rect
          class="suspect"
          x={LEFT}
          y={y + 2.5}
          width={Math.max(2, x(stage.high) - LEFT)}
          height="15"
        />
      {/if}
    {/each}
    <path class="wanted" d="M{x(flow.wanted)} {TOP}V{height - 16}" />
    <text class="below" x={x(flow.wanted)} y={height - 4}>{texts.wanted}</text>
    {#if reading !== null}
      <path class="reading" d="M{x(reading)} {TOP}V{height - 16}" />
      <text class="below strong" x={x(reading)} y={TOP - 5}>{texts.measured}</text>
    {/if}
  </svg>
</div>
<table class="only-read">
  <caption>{texts.whatEachStageCarries}</caption>
  <tbody>
    {#each stages as stage, n (n)}
      <tr>
        <th scope="row">{flowStageWords(stage)}</th>
        <td>{texts.to(flowFigure(stage.low, flow), flowFigure(stage.high, flow))}</td>
        <td>
          {stage.likely >= LEAST_SAID
            ? texts.likelyToHoldItBack(Math.round(stage.likely * 100))
            : ''}
        </td>
      </tr>
    {/each}
  </tbody>
</table>

<style>
  svg {
    display: block;
    max-width: 100%;
  }
  text {
    font-size: 12px;
    fill: var(--cds-text-01);
  }
  .name {
    text-anchor: end;
  }
  .limiting {
    font-weight: 600;
  }
  .figure {
    font-size: 11px;
    fill: var(--cds-text-02);
  }
  .reach {
    fill: var(--cds-ui-03);
  }
  .band {
    fill: var(--tenant-plan);
  }
  .suspect {
    fill: none;
    stroke: var(--tenant-limited);
    stroke-width: 2;
  }
  .wanted {
    stroke: var(--cds-text-01);
    stroke-dasharray: 3 3;
  }
  .reading {
    stroke: var(--tenant-blocked);
    stroke-width: 2;
  }
  .below {
    font-size: 11px;
    text-anchor: middle;
  }
  .strong {
    font-weight: 600;
  }
</style>
