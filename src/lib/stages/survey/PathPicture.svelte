<script lang="ts">
  /**
   * The network path as a row: the machine, the devices on the way and the far end, each with its number; every link as
   * thick as what it carries, with its speed. The narrowest is marked.
   */
  import { scaleSqrt } from 'd3-scale';
  import { ETHERNET_MEGABITS, isFibre } from '$core/standards';
  import { wireLinks } from '$core/kinds';
  import type { Hop, NetworkPath } from '$core/parts';
  import { shortWireWords, wireWords } from '$words/figures';
  import { hopName } from '$words/networkPath';
  import { pathPicture as texts } from '$words/stages/survey';

  let { path }: { path: NetworkPath } = $props();

  const HEIGHT_PX = 76;
  const MIDDLE_PX = 42;
  const NODE_PX = 24;
  const EDGE_PX = 14;
  let widthPx = $state(440);

  const fastest = ETHERNET_MEGABITS.at(-1)!;
  const thick = scaleSqrt([0, fastest], [1.5, 10]);
  const links = $derived(wireLinks(ETHERNET_MEGABITS, path));
  const step = $derived((widthPx - 2 * EDGE_PX - NODE_PX) / links.length);
  const isKnown = ({ portMegabits, leads }: Hop) =>
    portMegabits !== null || leads.some(({ cable }) => cable !== null);
  const narrowest = $derived(
    Math.min(...links.filter(({ hop }) => isKnown(hop)).map(({ megabits }) => megabits)),
  );
  const drawn = $derived(
    links.map(({ hop, megabits }, n) => {
      const fromX = EDGE_PX + NODE_PX + n * step;
      const toX = fromX + step - NODE_PX;
      return {
        hop,
        megabits,
        isKnown: isKnown(hop),
        limits: isKnown(hop) && megabits === narrowest && narrowest < fastest,
        fromX,
        toX,
        /** One stretch for each lead, as the run is joined of them. */
        joints: hop.leads
          .slice(1)
          .map((_, lead) => fromX + ((lead + 1) * (toX - fromX)) / hop.leads.length),
        isFibre: hop.leads.some(({ cable }) => cable !== null && isFibre(cable.value)),
      };
    }),
  );
  const said = $derived(
    links
      .map(({ hop, megabits }, n) => {
        const name = hopName(hop, n === links.length - 1);
        return texts.to(name, wireWords(megabits), isKnown(hop));
      })
      .join(', '),
  );
</script>

<div bind:clientWidth={widthPx}>
  <svg
    width={widthPx}
    height={HEIGHT_PX}
    viewBox="0 0 {widthPx} {HEIGHT_PX}"
    role="img"
    aria-label={texts.theNetworkPathFromThis(said)}
  >
    {#each drawn as { hop, megabits, isKnown, limits, fromX, toX, joints, isFibre } (hop.id)}
      <path
        class="wire"
        class:unknown={!isKnown}
        class:limits
        class:fibre={isFibre}
        d="M{fromX} {MIDDLE_PX}H{toX}"
        stroke-width={isKnown ? thick(megabits) : 1.5}
      />
      {#each joints as x, n (n)}<path class="joint" d="M{x} {MIDDLE_PX - 7}v14" />{/each}
      <text class="speed" class:limits x={(fromX + toX) / 2} y={MIDDLE_PX - 21} text-anchor="middle"
        >{isKnown ? shortWireWords(megabits) : '?'}</text
      >
    {/each}
    {#each [null, ...drawn] as each, n (n)}
      {@const x = EDGE_PX + n * step}
      {@const kind = each?.hop.kind ?? 'machine'}
      {@const tall = kind === 'machine' ? 34 : kind === 'converter' ? 16 : 22}
      <g class="node {kind}">
        <rect {x} y={MIDDLE_PX - tall / 2} width={NODE_PX} height={tall} />
        {#if kind === 'switch' || kind === 'router'}
          <!-- Its row of ports. -->
          {#each [5, 10, 15] as at (at)}<path
              class="port"
              d="M{x + at} {MIDDLE_PX + tall / 2}v3h3v-3"
            />{/each}
        {/if}
        {#if kind === 'router'}<path class="port" d="M{x + 20} {MIDDLE_PX - tall / 2}v-7" />{/if}
        <text x={x + NODE_PX / 2} y={MIDDLE_PX + 4} text-anchor="middle">{n === 0 ? '' : n}</text>
      </g>
    {/each}
    <text class="speed" x={EDGE_PX - 6} y={HEIGHT_PX - 4}>{texts.thisMachine}</text>
    <text class="speed" x={widthPx - EDGE_PX + 6} y={HEIGHT_PX - 4} text-anchor="end"
      >{hopName(path.hops.at(-1)!, true)}</text
    >
  </svg>
</div>

<style>
  div {
    grid-column: 1 / -1;
  }
  .wire {
    stroke: var(--cds-text-01);
  }
  .wire.fibre {
    stroke: var(--tenant-plan);
  }
  .wire.limits {
    stroke: var(--tenant-limited);
  }
  .wire.unknown {
    stroke: var(--cds-text-02);
    stroke-dasharray: 3 3;
  }
  .port {
    fill: none;
    stroke: var(--cds-text-01);
  }
  .joint {
    stroke: var(--cds-ui-01);
    stroke-width: 2;
  }
  rect {
    fill: var(--cds-ui-01);
    stroke: var(--cds-text-01);
    stroke-width: 1.5;
  }
  text {
    font-size: 0.75rem;
    font-weight: 600;
    fill: var(--cds-text-01);
    font-variant-numeric: tabular-nums;
  }
  .speed {
    font-size: 0.6875rem;
    font-weight: 400;
    fill: var(--cds-text-02);
  }
  .speed.limits {
    font-weight: 600;
    fill: var(--cds-text-01);
  }
</style>
