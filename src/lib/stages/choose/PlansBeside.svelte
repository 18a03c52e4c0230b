<script lang="ts">
  /** The plans beside each other: price against what is delivered as a picture, and a table of what differs. */
  import { nice, ticks } from 'd3-array';
  import { COST_PARTS, cardName } from '$core/document';
  import { deliveredShare } from '$core/planner';
  import { moneyCents, type Proposal } from '$core/plans';
  import ScrollArea from '$lib/ui/ScrollArea.svelte';
  import { inMoney } from '$words/figures';
  import { KIND_WORDS } from '$words/kinds/words';
  import { PART_WORDS, PLAN_WORDS, scoreMoney } from '$words/plans';
  import type { JobModel } from '../jobModel.svelte';
  import type { PlanKey } from '../planning.svelte';
  import { plansBeside as texts } from '$words/stages/choose';

  let { model }: { model: JobModel } = $props();

  const HEIGHT_PX = 160;
  const LEFT_PX = 40;
  /** Names stand in a column beside the plot, each led to its point: they never lie over one another. */
  const RIGHT_PX = 178;
  const TOP_PX = 24;
  const BOTTOM_PX = 30;
  const LABEL_PX = 16;

  let widthPx = $state(480);
  const planning = $derived(model.planning);
  const plans = $derived(planning.plans);
  const points = $derived(
    plans.map(({ key, plan }) => ({
      key,
      plan,
      cents: moneyCents(plan.cost.parts),
      share: deliveredShare(plan, model.job.needs),
    })),
  );
  const mostCents = $derived(
    nice(0, Math.max(100, ...points.map(({ cents }) => cents)) * 1.15, 4)[1],
  );
  const x = (cents: number) => LEFT_PX + (cents / mostCents) * (widthPx - RIGHT_PX - LEFT_PX);
  const y = (share: number) => HEIGHT_PX - BOTTOM_PX - share * (HEIGHT_PX - BOTTOM_PX - TOP_PX);
  const labelled = $derived(
    points
      .toSorted((a, b) => b.share - a.share || b.cents - a.cents)
      .map(({ key, cents, share }, n) => ({
        key,
        cents,
        atX: x(cents),
        atY: y(share),
        labelY: TOP_PX - 6 + n * LABEL_PX,
      })),
  );
  const isChosen = (key: PlanKey) => planning.chosen === plans.find((p) => p.key === key)?.plan;

  interface Row {
    readonly name: string;
    readonly values: readonly string[];
    readonly isNumber: boolean;
  }
  const cardsOf = ({ placements, moves }: Proposal) =>
    [
      ...placements.map(({ card, slot }) => texts.in(cardName(card), slot.label)),
      ...moves.map(({ card, slot }) => texts.to(cardName(card), slot.label)),
    ].join('; ') || texts.nothing;
  const rows = $derived.by((): readonly Row[] => {
    const all = plans.map(({ plan }) => plan);
    const costs = COST_PARTS.map((part): Row => ({
      name: PART_WORDS[part],
      values: all.map(({ cost }) => inMoney(cost.parts[part] ?? 0)),
      isNumber: true,
    }));
    return [
      { name: texts.cards, values: all.map(cardsOf), isNumber: false },
      {
        name: texts.left,
        values: all.map(
          ({ unmet }) => unmet.map(({ kind }) => KIND_WORDS[kind]).join(', ') || texts.nothing,
        ),
        isNumber: false,
      },
      ...costs,
      { name: texts.score, values: all.map(scoreMoney), isNumber: true },
    ].filter(({ values }) => new Set(values).size > 1);
  });
</script>

<div bind:clientWidth={widthPx}>
  <svg
    width={widthPx}
    height={HEIGHT_PX}
    viewBox="0 0 {widthPx} {HEIGHT_PX}"
    role="img"
    aria-label={texts.priceOfEachPlanAgainst}
  >
    {#each [0, 0.5, 1] as share (share)}
      <path class="grid" d="M{LEFT_PX} {y(share)}H{widthPx - RIGHT_PX}" />
      <text class="tick" x={LEFT_PX - 6} y={y(share) + 4} text-anchor="end">{share * 100} %</text>
    {/each}
    {#each ticks(0, mostCents, 4) as cents (cents)}
      <path class="grid" d="M{x(cents)} {y(0)}v4" />
      <text class="tick" x={x(cents)} y={HEIGHT_PX - BOTTOM_PX + 16} text-anchor="middle"
        >{Math.round(cents / 100)}</text
      >
    {/each}
    <text class="tick" x={widthPx - RIGHT_PX} y={HEIGHT_PX - 2} text-anchor="end"
      >{texts.priceBeforeTax}</text
    >
    <text class="tick" x={LEFT_PX} y={TOP_PX - 12}>{texts.deliveredOfWhatTheFastest}</text>
    {#if model.job.budgetCents !== null && x(model.job.budgetCents) < widthPx - RIGHT_PX}
      <path class="budget" d="M{x(model.job.budgetCents)} {TOP_PX}V{y(0)}" />
      <text class="tick" x={x(model.job.budgetCents) + 3} y={y(0) - 4}>{texts.budget}</text>
    {/if}
    {#each labelled as { key, cents, atX, atY, labelY } (key)}
      <path class="leader" d="M{atX} {atY}L{widthPx - RIGHT_PX + 12} {labelY - 4}h6" />
      <circle
        class:chosen={isChosen(key)}
        class:glanced={planning.glancedKey === key}
        cx={atX}
        cy={atY}
        r="5"
      />
      <text class:strong={isChosen(key)} x={widthPx - RIGHT_PX + 21} y={labelY}
        >{PLAN_WORDS[key]}</text
      >
      <text class="tick" x={widthPx} y={labelY} text-anchor="end">{inMoney(cents)}</text>
    {/each}
  </svg>
</div>
<ScrollArea label={texts.whatDiffersBetweenThePlans}>
  <table class="plain">
    <thead>
      <tr>
        <th scope="col"><span class="only-read">{texts.whatDiffers}</span></th>
        {#each plans as { key } (key)}
          <th scope="col" class:chosen={isChosen(key)}>{PLAN_WORDS[key]}</th>
        {/each}
      </tr>
    </thead>
    <tbody>
      {#each rows as { name, values, isNumber }, at (at)}
        <tr>
          <th scope="row">{name}</th>
          {#each values as value, n (n)}
            <td class:number={isNumber} class:chosen={isChosen(plans[n]!.key)}>{value}</td>
          {/each}
        </tr>
      {/each}
    </tbody>
  </table>
</ScrollArea>

<style>
  svg {
    margin-top: 0.5rem;
  }
  .grid {
    stroke: var(--cds-ui-03);
  }
  .budget {
    stroke: var(--cds-text-02);
    stroke-dasharray: 4 3;
  }
  text {
    font-size: 0.75rem;
    fill: var(--cds-text-01);
  }
  .tick {
    fill: var(--cds-text-02);
    font-size: 0.6875rem;
  }
  .leader {
    fill: none;
    stroke: var(--cds-ui-04);
  }
  .strong {
    font-weight: 600;
  }
  circle {
    fill: var(--cds-ui-01);
    stroke: var(--cds-text-01);
    stroke-width: 1.5;
  }
  circle.chosen {
    fill: var(--cds-text-01);
  }
  circle.glanced {
    stroke-width: 3;
  }
  table {
    font-size: 0.8125rem;
  }
  td,
  th {
    vertical-align: top;
    padding-right: 0.75rem;
  }
  table td,
  thead th {
    padding-left: 0.5rem;
  }
  td.chosen,
  th.chosen {
    background: var(--cds-ui-03);
  }
</style>
