<script lang="ts">
  /** The physical work on paper: every task with a box to tick, beside the drawing; read without any machine. */
  import { minutesTogether, type SpentByAct, type Step } from '$core/procedure';
  import type { StaticWay } from '$core/document';
  import { ROUND_WORDS, cautionWords, stepWords } from '$words/steps';
  import { minutesWords } from '$words/bench';
  import { TOOL_WORDS } from '$words/tools';
  import { procedure as texts } from '$words/stages/fit';

  let {
    steps,
    staticWay,
    logbook,
  }: {
    steps: readonly Step[];
    staticWay: StaticWay | null;
    logbook: SpentByAct;
  } = $props();

  const tools = $derived([
    ...new Set(steps.flatMap(({ task }) => (task?.tool ? TOOL_WORDS[task.tool] : []))),
  ]);
  const minutes = $derived(minutesTogether(steps, logbook));
  /** Each caution stands once, at the first task that it belongs to. */
  const cautions = $derived(
    steps.map(({ cautions: own }, n) =>
      own.filter((each) => !steps.slice(0, n).some((before) => before.cautions.includes(each))),
    ),
  );
</script>

<section class="paper" aria-label={texts.theListOnPaper}>
  <h1>{texts.fit(minutesWords(minutes))}</h1>
  <p>{texts.haveReady([...tools, texts.tray, texts.bagForWhatComesOut].join(', '))}</p>
  <ol>
    {#each steps as step, n (step.id)}
      {@const { title, detail } = stepWords(step)}
      {#if step.round !== (steps[n - 1]?.round ?? 1)}
        <li class="round"><strong>{ROUND_WORDS[step.round]}</strong></li>
      {/if}
      <li>
        <span class="box">{step.isOpen ? '' : '✓'}</span>
        <div>
          <strong>{title}</strong>
          {#if detail}{detail}{/if}
          {#each cautions[n] ?? [] as caution, m (m)}
            <em>{texts.caution(cautionWords(caution, staticWay))}</em>
          {/each}
        </div>
      </li>
    {/each}
  </ol>
</section>

<style>
  .paper {
    display: none;
  }
  @media print {
    .paper {
      display: block;
      color: #000;
      font-size: 8.5pt;
      line-height: 1.25;
    }
    h1 {
      font-size: 14pt;
      margin-bottom: 2mm;
    }
    ol {
      columns: 2;
      column-gap: 6mm;
      margin-top: 3mm;
    }
    li {
      display: flex;
      gap: 2mm;
      break-inside: avoid;
      margin-bottom: 1.5mm;
    }
    .box {
      flex: none;
      width: 4mm;
      height: 4mm;
      border: 0.3mm solid #000;
      text-align: center;
      line-height: 4mm;
    }
    em {
      display: block;
      font-style: normal;
      font-weight: 600;
    }
  }
</style>
