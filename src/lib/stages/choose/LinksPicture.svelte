<script lang="ts">
  /**
   * What runs over the links: each need as a stream, as thick as the bytes it gets a second, through the gates of
   * its way, each as wide as it carries. Alone, or with all needs of its group at the same time.
   */
  import { ContentSwitcher, Switch } from 'carbon-components-svelte';
  import { scaleLinear } from 'd3-scale';
  import { cardName } from '$core/document';
  import { copyTime, routes, ratesOf, streamsOf, type RouteRates } from '$core/flow';
  import type { FlowStage, StageCode } from '$core/kinds';
  import ScrollArea from '$lib/ui/ScrollArea.svelte';
  import { supplies } from '$lib/state/supplies.svelte';
  import { figure, inMegabytes, inTime } from '$words/figures';
  import { needWords } from '$words/needs';
  import { KIND_WORDS } from '$words/kinds/words';
  import { flowStageWords } from '$words/stages';
  import type { JobModel } from '../jobModel.svelte';
  import { linksPicture as texts } from '$words/stages/choose';

  let { model }: { model: JobModel } = $props();

  /** From the machine's own drive to the far end; what a need does not pass is left out. */
  const ORDER: readonly StageCode[] = [
    'ownDrive',
    'ownDrivePort',
    'processor',
    'uplink',
    'slotLink',
    'cardPort',
    'usbDevice',
    'drivePort',
    'drive',
    'radio',
    'accessWire',
    'internet',
    'farDrive',
  ];
  /** Longer than any path that is kept. */
  const LONGEST_PATH = 100;
  const ROW_PX = 96;
  const STREAM_PX = 34;
  const GATE_PX = 56;
  const LABEL_PX = 4;

  let widthPx = $state(520);
  let part = $state(0);
  let gigabytes = $state(100);
  let files = $state(20_000);
  const rates = $derived(
    ratesOf(
      routes(model.job.needs, model.drawnMachine('choose'), model.working, [
        ...(supplies.cards ?? []),
      ]),
    ),
  );
  const groups = $derived(
    [...new Set(rates.map(({ route }) => route.need.group))].filter(
      (group) =>
        group !== '' && new Set(rates.filter(({ route }) => route.need.group === group)).size > 1,
    ),
  );
  const together = $derived(part === 1 && groups.length > 0);
  const rateOf = ({ alone, together: beside }: RouteRates) => (together ? beside : alone);
  const thickest = $derived(
    Math.max(1, ...rates.map((each) => rateOf(each).high * streamsOf(each.route))),
  );
  const thick = $derived(scaleLinear([0, thickest], [0, STREAM_PX]));

  interface Gate {
    readonly stage: FlowStage;
    readonly words: string;
    readonly x: number;
    /** Half of what it carries, as thick as it is drawn; cut where it is far wider than any stream. */
    readonly half: number;
    readonly cut: boolean;
    readonly limits: boolean;
    /** Narrower than that only while all the others ask for their most. */
    readonly atWorst: boolean;
  }

  /** A lead lies before the device that it leads to. */
  const placeOf = ({ code, hop }: FlowStage): number =>
    hop === undefined
      ? ORDER.indexOf(code)
      : ORDER.indexOf('cardPort') + (hop.position + (code === 'cable' ? 0.25 : 0.5)) / LONGEST_PATH;

  /** Parts of the wire that carry the same, one behind the other, are one gate. */
  function inRuns(stages: readonly FlowStage[]): readonly (readonly [FlowStage, ...FlowStage[]])[] {
    const runs: [FlowStage, ...FlowStage[]][] = [];
    for (const stage of stages) {
      const last = runs.at(-1);
      const isSame =
        stage.hop !== undefined && last?.[0].hop !== undefined && last[0].high === stage.high;
      if (isSame) last.push(stage);
      else runs.push([stage]);
    }
    return runs;
  }

  function gatesOf(each: RouteRates): readonly Gate[] {
    const stages = each.route.flow.stages.toSorted((a, b) => placeOf(a) - placeOf(b));
    const runs = inRuns(stages);
    const step = (widthPx - 24) / Math.max(1, runs.length);
    const isNarrowest = (stage: FlowStage) =>
      stages.every(({ code, high }) => code !== stage.code || high >= stage.high);
    return runs.map(([stage, ...more], n) => {
      const carries = stage.shared?.high ?? stage.high * streamsOf(each.route);
      const drawn = thick(carries * (stage.shared?.copies ?? 1));
      return {
        stage,
        words: more.length === 0 ? flowStageWords(stage) : 'wire',
        x: 12 + step * (n + 0.5),
        half: Math.min(drawn, GATE_PX) / 2,
        cut: drawn > GATE_PX,
        limits: isNarrowest(stage) && rateOf(each).limiting === stage.code,
        atWorst:
          rateOf(each).limitingAtWorst === stage.code && rateOf(each).limiting !== stage.code,
      };
    });
  }

  const providerName = ({ route }: RouteRates) =>
    route.provider.fitted === null
      ? texts.theBoardItself
      : texts.in2(cardName(route.provider.fitted.card), route.provider.fitted.slot.label);
  const per = (each: RouteRates) =>
    streamsOf(each.route) > 1 ? texts.eachAtOnce(streamsOf(each.route)) : '';
  /** How many at once, how far off what is wanted, and what it would be alone. */
  function besideWords(each: RouteRates): string {
    const { high, low } = rateOf(each);
    const { wanted } = each.route.flow;
    const short =
      high < wanted
        ? texts.ofTheWanted(Math.round((high / wanted) * 100), inMegabytes(wanted))
        : '';
    const less = each.alone.high > high * 1.001 || each.alone.low > low * 1.001;
    return `${per(each)}${short}${together && less ? texts.alone2(bandWords(each.alone)) : ''}`;
  }
  const bandWords = ({ low, high }: { low: number; high: number }) =>
    `${Math.round(low / 1e6)}–${inMegabytes(high)}`;
  const times = $derived(
    rates.map((each) => {
      const { leastSeconds, mostSeconds } = copyTime(
        { bytes: gigabytes * 1e9, files },
        rateOf(each),
      );
      return texts.to(inTime(leastSeconds), inTime(mostSeconds));
    }),
  );
  const within = (value: number, most: number) =>
    Math.min(most, Math.max(0, Math.round(value) || 0));
</script>

{#if rates.length === 0}
  <p>
    {texts.noNeedHereIsA}
  </p>
{:else}
  <div class="head">
    {#if groups.length > 0}
      <ContentSwitcher size="sm" aria-label={texts.howTheNeedsAreUsed} bind:selectedIndex={part}>
        <Switch text={texts.eachAlone} />
        <Switch text={texts.together} />
      </ContentSwitcher>
    {:else}
      <p class="quiet">
        {texts.eachNeedByItselfNeeds}
      </p>
    {/if}
  </div>
  <div bind:clientWidth={widthPx}>
    {#each rates as each, n (n)}
      {@const rate = rateOf(each)}
      {@const gates = gatesOf(each)}
      {@const half = Math.max(0.5, thick(rate.high * streamsOf(each.route)) / 2)}
      <h3>
        {KIND_WORDS[each.route.need.kind]}: {needWords(each.route.need)}
        <span class="quiet">{texts.over(providerName(each))}</span>
      </h3>
      <svg
        width={widthPx}
        height={ROW_PX}
        viewBox="0 0 {widthPx} {ROW_PX}"
        role="img"
        aria-label={texts.theTableBelowHasEvery(
          KIND_WORDS[each.route.need.kind],
          bandWords(rate),
          per(each),
        )}
      >
        <rect class="stream" x="0" y={48 - half} width={widthPx} height={half * 2} />
        {#each gates as gate, g (g)}
          <g class="gate" class:limits={gate.limits} class:worst={gate.atWorst}>
            <path d="M{gate.x - 4} {48 - gate.half}h8M{gate.x - 4} {48 + gate.half}h8" />
            <path
              d="M{gate.x} {48 - gate.half}V18M{gate.x} {48 + gate.half}V78"
              class:cut={gate.cut}
            />
            <text x={gate.x} y={12} text-anchor="middle">{gate.words}</text>
            <text class="figure" x={gate.x} y={ROW_PX - LABEL_PX} text-anchor="middle"
              >{figure(gate.stage.shared?.high ?? gate.stage.high, 'B/s')}{gate.limits
                ? texts.limits
                : gate.atWorst
                  ? texts.atWorst
                  : ''}</text
            >
          </g>
        {/each}
      </svg>
      <p class="gets">
        <strong>{bandWords(rate)}</strong>{besideWords(each)}
        <span class="quiet">
          {texts.gbInFiles(gigabytes, files.toLocaleString('en-GB'), times[n])}</span
        >
      </p>
    {/each}
  </div>
  <form class="size" onsubmit={(event) => event.preventDefault()}>
    <label
      >{texts.aCopyOf}
      <input
        class="inline"
        type="number"
        data-aside
        min="0"
        max="100000"
        value={gigabytes}
        onchange={(event) => (gigabytes = within(event.currentTarget.valueAsNumber, 100_000))}
      />
      {texts.gb}</label
    >
    <label
      >{texts.in}
      <input
        class="inline"
        type="number"
        data-aside
        min="0"
        max="100000000"
        value={files}
        onchange={(event) => (files = within(event.currentTarget.valueAsNumber, 100_000_000))}
      />
      {texts.files}</label
    >
  </form>
  <details>
    <summary>{texts.allStagesAsATable}</summary>
    <ScrollArea label={texts.allStages}>
      <table class="plain">
        <thead>
          <tr>
            <th scope="col">{texts.need}</th><th scope="col">{texts.stage}</th>
            <th scope="col" class="number">{texts.carries}</th><th scope="col">{texts.shared}</th>
            <th scope="col" class="number">{texts.alone}</th><th scope="col" class="number"
              >{texts.together}</th
            >
          </tr>
        </thead>
        <tbody>
          {#each rates as each, k (k)}
            {#each each.route.flow.stages as stage, n (n)}
              <tr>
                {#if n === 0}
                  <th scope="row" rowspan={each.route.flow.stages.length}
                    >{KIND_WORDS[each.route.need.kind]}</th
                  >
                {/if}
                <td>{flowStageWords(stage)}</td>
                <td class="number">{figure(stage.shared?.high ?? stage.high, 'B/s')}</td>
                <td>{stage.shared === undefined ? texts.no : texts.yes}</td>
                <td class="number"
                  >{each.alone.limiting === stage.code ? bandWords(each.alone) : ''}</td
                >
                <td class="number"
                  >{each.together.limiting === stage.code ? bandWords(each.together) : ''}</td
                >
              </tr>
            {/each}
          {/each}
        </tbody>
      </table>
    </ScrollArea>
  </details>
{/if}

<style>
  .head {
    max-width: 20rem;
    margin-bottom: 0.5rem;
  }
  h3 {
    font-size: 0.875rem;
    font-weight: 600;
    margin-top: 0.5rem;
  }
  h3 .quiet {
    font-weight: 400;
  }
  .stream {
    fill: var(--tenant-plan);
    fill-opacity: 0.28;
  }
  .gate path {
    stroke: var(--cds-text-02);
    stroke-width: 1.25;
    fill: none;
  }
  .gate path.cut {
    stroke-dasharray: 2 3;
  }
  .gate.limits path {
    stroke: var(--cds-text-01);
    stroke-width: 3.5;
  }
  .gate.worst path {
    stroke: var(--cds-text-01);
    stroke-width: 2.25;
  }
  .worst text {
    fill: var(--cds-text-01);
  }
  text {
    font-size: 0.6875rem;
    fill: var(--cds-text-02);
  }
  .limits text {
    fill: var(--cds-text-01);
    font-weight: 600;
  }
  .gets {
    font-size: 0.875rem;
    margin-bottom: 0.5rem;
  }
  .size {
    display: flex;
    gap: 0.75rem;
    font-size: 0.8125rem;
    margin: 0.75rem 0;
  }
  .size input {
    width: 6rem;
  }
  table {
    font-size: 0.8125rem;
  }
  td,
  th {
    padding-right: 0.75rem;
    vertical-align: top;
  }
</style>
