<script lang="ts">
  /** What each need gets now: expected, measured before and after, and what was mended on the way. */
  import { cardName } from '$core/document';
  import type { SheetFigure } from '$core/write';
  import { CAUSE_WORDS } from '$words/causes';
  import { band, flowFigure } from '$words/flowFigures';
  import { catchWords, needWords } from '$words/needs';
  import { KIND_WORDS } from '$words/kinds/words';
  import { judgementWords, ratioWords, spreadWords, testWords } from '$words/proof';
  import { readingWords } from '$words/readings';
  import { capital } from '$words/stepWords';
  import { sheetFigures as texts } from '$words/stages/handOver';

  let { figures }: { figures: readonly SheetFigure[] } = $props();

  function expected({ expectation: { flow, isMet } }: SheetFigure): string {
    if (flow === null) return isMet ? texts.metByTheMachine : texts.notServed;
    return `${band(flow)}${isMet ? texts.byTheMachineItself : ''}`;
  }

  /** What it showed before, in the order in which it was measured. */
  const earlier = ({ before, untilMended }: SheetFigure) => [
    ...(before === null ? [] : [{ name: 'before', group: before }]),
    ...untilMended.map((group) => ({ name: texts.untilMended, group })),
  ];

  /** What else there is to say of it, a line each. */
  const remarks = ({ main, before, kept, readings, mended }: SheetFigure): readonly string[] => [
    ...(before !== null && main !== null
      ? [`${capital(ratioWords(before.median, main.median))}.`]
      : []),
    ...(kept === null ? [] : [texts.keptTheBestOfThe(kept.test.variant || texts.asItWas)]),
    ...readings.map((each) => `${capital(readingWords(each))}.`),
    ...mended.map(({ cause }) => texts.mended(CAUSE_WORDS[cause].is)),
  ];
</script>

<h3>{texts.whatItDoesNow}</h3>
<table class="plain">
  <thead>
    <tr
      ><th scope="col">{texts.wanted}</th><th scope="col">{texts.expected}</th><th scope="col"
        >{texts.measured}</th
      ><th scope="col">{texts.meaning}</th></tr
    >
  </thead>
  <tbody>
    {#each figures as each (each.expectation.need.id)}
      {@const { expectation, main, groups } = each}
      {@const { need, flow, card } = expectation}
      <tr>
        <td>
          <strong>{KIND_WORDS[need.kind]}</strong>: {needWords(need)}
          {#if card}<br /><span class="quiet">{cardName(card.card)}</span>{/if}
        </td>
        <td>
          {expected(each)}
          {#each catchWords(expectation) as words, n (n)}<br /><span class="quiet">{words}</span
            >{/each}
        </td>
        <td>
          {#if flow === null || (main === null && earlier(each).length === 0)}{texts.notMeasured}{:else}
            {#each earlier(each) as { name, group }, n (n)}
              <span class="quiet">{flowFigure(group.median, flow)} {name}</span><br />
            {/each}
            {#if main}
              <strong>{flowFigure(main.median, flow)}</strong>
              <span class="quiet">{spreadWords(main, flow)}</span>
            {:else}{texts.notMeasuredSince}{/if}
            {#each groups.filter((group) => group !== main) as group, n (n)}
              <br /><span class="quiet"
                >{flowFigure(group.median, flow)}, {testWords(group.test, flow)}</span
              >
            {/each}
          {/if}
        </td>
        <td>
          {main === null ? '–' : capital(judgementWords(main.judgement, main.expected))}
          {#each remarks(each) as words, n (n)}<br /><span class="quiet">{words}</span>{/each}
        </td>
      </tr>
    {/each}
  </tbody>
</table>
