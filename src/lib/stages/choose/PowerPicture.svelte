<script lang="ts">
  /** Watts against every limit they meet: slots, plugs, shared leads, 12 V; and the three answers for the supply. */
  import { scaleLinear } from 'd3-scale';
  import { housings, powerLoads, type PowerLimit } from '$core/placement';
  import { supplySize, type SizingMethod } from '$core/rules';
  import VerdictMark from '$lib/ui/VerdictMark.svelte';
  import { figure } from '$words/figures';
  import type { JobModel } from '../jobModel.svelte';
  import { powerPicture as texts } from '$words/stages/choose';

  let { model }: { model: JobModel } = $props();

  const ROW_PX = 34;
  const LABEL_PX = 96;
  const KIND: Readonly<Record<PowerLimit['kind'], string>> = {
    slot: texts.slot,
    plug: texts.plug,
    lead: texts.lead,
    sum: texts.supply,
  };
  const METHOD: Readonly<Record<SizingMethod, readonly [string, string]>> = {
    maker: [texts.theMakersFigure, texts.whatTheCardsMakersAsk],
    sum: [texts.addingUpTheLoads, texts.withAQuarterOfHeadroom],
    measured: [texts.aGoodSmallerOneWill, texts.the12VLoadMeasured],
  };

  let widthPx = $state(420);
  const rooms = $derived(
    housings(model.job.machine)
      .map(({ id, name, machine }) => {
        const placed = model.considered.filter(({ slot }) => slot.enclosureId === id);
        return {
          id,
          name,
          limits: powerLoads(placed, machine),
          answers: supplySize(
            placed.map(({ card }) => card),
            machine,
          ),
        };
      })
      .filter(({ limits }) => limits.length > 0),
  );

  const total = ({ parts }: PowerLimit) => parts.reduce((sum, { watts }) => sum + watts, 0);
  const over = (limit: PowerLimit) =>
    limit.limitWatts !== null && total(limit) > limit.limitWatts + 1e-6;

  /** Each row has a scale of its own: a slot's 75 W beside a supply's 800 would be no picture. */
  function drawn(limit: PowerLimit) {
    const most = Math.max(total(limit), limit.limitWatts ?? 0) * 1.08 || 1;
    const x = scaleLinear([0, most], [0, widthPx - LABEL_PX - 4]);
    let from = 0;
    return {
      x,
      parts: limit.parts.map(({ name, watts }) => {
        const part = { name, watts, at: x(from), width: x(watts) };
        from += watts;
        return part;
      }),
    };
  }
</script>

<section aria-labelledby="power-heading" bind:clientWidth={widthPx}>
  <h2 id="power-heading">{texts.wattsAgainstEveryLimit}</h2>
  {#if model.considered.length === 0}
    <p class="quiet">
      {texts.noCardIsPlannedOr}
    </p>
  {/if}
  {#each rooms as { id, name, limits, answers } (id)}
    {#if rooms.length > 1}<h3>{name}</h3>{/if}
    <svg
      width={widthPx}
      height={limits.length * ROW_PX + 4}
      role="img"
      aria-label={texts.wattsDrawn}
    >
      {#each limits as limit, n (n)}
        {@const { x, parts } = drawn(limit)}
        <g transform="translate(0 {n * ROW_PX})">
          <text x="0" y="14" class="name">{KIND[limit.kind]}</text>
          <text x="0" y="27" class="figure">{limit.name}</text>
          {#each parts as part, m (m)}
            <rect
              class="part"
              class:there={part.name === ''}
              class:over={over(limit)}
              x={LABEL_PX + part.at}
              y="4"
              width={Math.max(1, part.width - 1)}
              height="15"
            />
            {#if part.width > 34}
              <text class="inside" x={LABEL_PX + part.at + 4} y="16">{figure(part.watts, 'W')}</text
              >
            {/if}
          {/each}
          {#if limit.comfortWatts !== null}
            <path class="comfort" d="M{LABEL_PX + x(limit.comfortWatts)} 2v19" />
          {/if}
          {#if limit.limitWatts !== null}
            <path class="limit" d="M{LABEL_PX + x(limit.limitWatts)} 1v21" />
          {/if}
          <text x={LABEL_PX} y="30" class="figure"
            >{texts.ofAnUnknownLimitToo({
              total: figure(total(limit), 'W'),
              limitWatts: limit.limitWatts === null ? null : figure(limit.limitWatts, 'W'),
              over: over(limit),
            })}</text
          >
        </g>
      {/each}
    </svg>
    <details>
      <summary>{texts.theSameAsATable}</summary>
      <table class="plain">
        <thead>
          <tr
            ><th scope="col">{texts.limit}</th><th scope="col">{texts.loadedBy}</th><th
              scope="col"
              class="number">{texts.w}</th
            ><th scope="col" class="number">{texts.of}</th></tr
          >
        </thead>
        <tbody>
          {#each limits as limit, n (n)}
            <tr>
              <th scope="row">{KIND[limit.kind]} {limit.name}</th>
              <td
                >{limit.parts
                  .map((part) => `${part.name || texts.whatIsThere} ${figure(part.watts, 'W')}`)
                  .join(', ') || texts.nothing}</td
              >
              <td class="number">{Math.round(total(limit) * 10) / 10}</td>
              <td class="number">{limit.limitWatts ?? '?'}</td>
            </tr>
          {/each}
        </tbody>
      </table>
    </details>
    <table class="plain answers">
      <caption>{texts.isTheSupplyLargeEnough}</caption>
      <tbody>
        {#each answers as { method, neededWatts, availableWatts, verdict } (method)}
          <tr>
            <th scope="row">{METHOD[method][0]}<span class="quiet">{METHOD[method][1]}</span></th>
            <td class="number"
              >{texts.of2(
                neededWatts === null ? '?' : figure(neededWatts, 'W'),
                availableWatts === null ? '?' : figure(availableWatts, 'W'),
              )}</td
            >
            <td
              ><VerdictMark {verdict} withWord={false} />
              {verdict === 'clear'
                ? texts.enough
                : verdict === 'unknown'
                  ? texts.notKnown
                  : texts.tooSmall}</td
            >
          </tr>
        {/each}
      </tbody>
    </table>
  {/each}
</section>

<style>
  svg {
    display: block;
    margin: 0.5rem 0;
  }
  text {
    font-size: 12px;
    fill: var(--cds-text-01);
  }
  .name {
    font-weight: 600;
  }
  .figure {
    font-size: 11px;
    fill: var(--cds-text-02);
  }
  .inside {
    font-size: 11px;
    font-weight: 600;
    fill: var(--cds-ui-background);
  }
  .part {
    fill: var(--tenant-plan);
  }
  .part.there {
    fill: var(--cds-text-02);
  }
  .part.over {
    fill: var(--tenant-blocked);
  }
  .limit {
    stroke: var(--cds-text-01);
    stroke-width: 2.5;
  }
  .comfort {
    stroke: var(--cds-text-01);
    stroke-width: 1;
    stroke-dasharray: 3 2;
  }
  details {
    font-size: 0.8125rem;
  }
  .answers {
    margin-top: 0.75rem;
  }
  .answers .quiet {
    display: block;
    font-weight: 400;
  }
  .answers td {
    white-space: nowrap;
  }
</style>
