<script lang="ts">
  /**
   * What may hold a figure back: the next check with its answers as large targets, what agrees with all that was seen, and what is
   * cleared. A cause that is named becomes a task.
   */
  import { answeredCheck, checksFor, foundCause } from '$core/document';
  import { checkCautions } from '$core/procedure';
  import {
    cleared,
    possibleAnswers,
    reasonsFor,
    ruledOut,
    type Answer,
    type CauseAt,
    type Explanation,
    type NeedDiagnosis,
  } from '$core/diagnosis';
  import { valueOf } from '$core/parts';
  import type { Check } from '$core/standards';
  import type { Flow, Measure } from '$core/kinds';
  import { now } from '$lib/state/now';
  import { componentWords } from '$words/causes';
  import { CHECK_WORDS, answerTo, howTo } from '$words/checks';
  import { capital } from '$words/stepWords';
  import {
    MEASURE_WORDS,
    againstWords,
    causeLines,
    causeWords,
    lineWords,
    reasonWords,
  } from '$words/proof';
  import type { JobModel } from '../jobModel.svelte';
  import Cautions from '../steps/Cautions.svelte';
  import { diagnosis as texts } from '$words/stages/prove';

  let {
    model,
    flow,
    diagnosis,
    figure,
    measure,
  }: {
    model: JobModel;
    flow: Flow;
    diagnosis: NeedDiagnosis;
    /** What was measured, in the unit of the flow. */
    figure: number | null;
    /** Opens the form for a measurement that is asked for. */
    measure: (which: Measure) => void;
  } = $props();

  /** Explanations less likely than this are not worth a line. */
  const LEAST_SHOWN = 0.02;
  const MOST_SHOWN = 5;
  const BAR_PX = 48;

  const need = $derived(flow.need);
  const family = $derived(valueOf(model.job.machine.system.family));
  const components = $derived(diagnosis.components);
  const next = $derived(diagnosis.next);
  const shown = $derived(
    diagnosis.explanations
      .filter(({ causes, probability }) => causes.length > 0 && probability >= LEAST_SHOWN)
      .slice(0, MOST_SHOWN),
  );
  /** One line a cause, wherever it may be. */
  const lines = $derived(causeLines(diagnosis.explanations, LEAST_SHOWN, MOST_SHOWN));
  const asked = $derived(
    next?.kind === 'check' ? components.find(({ id }) => id === next.part) : undefined,
  );
  const out = $derived(ruledOut(components, diagnosis.observed, diagnosis.explanations));
  let asksOut = $state(false);
  const said = $derived(cleared(components, diagnosis.observed));
  const answers = $derived(checksFor(model.job.observations, need.id));

  const place = (part: string): string => {
    const component = components.find(({ id }) => id === part);
    return component === undefined ? part : componentWords(component);
  };
  const explained = ({ causes }: Explanation): string =>
    capital(causes.map((each) => causeWords(each, components)).join('; and '));
  const isCleared = ({ part, check }: Answer): boolean =>
    said.some((each) => each.part === part && each.check === check);

  /** “As planned” need not be said twice. */
  const isSaid = ({ check, answer: given }: Answer): boolean =>
    /planned/.test(answerTo(check, given));

  function answer(part: string, check: Check, given: string) {
    model.open.run({
      name: 'observe',
      observations: [answeredCheck(need.id, { part, check, answer: given }, now())],
    });
  }

  function makeTask(causes: readonly CauseAt[]) {
    const at = now();
    model.open.run({
      name: 'observe',
      observations: causes.map((each) => foundCause(need.id, { ...each, figure }, at)),
    });
  }

  const takeBack = (observationId: string) =>
    model.open.run({ name: 'removeObservation', observationId });
</script>

<div class="diagnosis" aria-live="polite">
  {#if next?.kind === 'check' && asked}
    <section class="next" aria-label={texts.nextCheck}>
      <h3>
        {CHECK_WORDS[next.check].title(componentWords(asked))}
      </h3>
      <p class="minutes">{texts.aboutMin(next.minutes)}</p>
      <p>{howTo(next.check, family)}</p>
      <Cautions cautions={checkCautions(next.check)} staticWay={model.job.staticWay} />
      <div class="answers" role="group" aria-label={texts.whatDoesItShow}>
        {#each possibleAnswers(asked, next.check) as each, n (each)}
          <button type="button" onclick={() => answer(next.part, next.check, each)}
            >{answerTo(next.check, each)}{#if n === 0 && !isSaid({ ...next, answer: each })}<span
                class="quiet">{texts.asPlanned}</span
              >{/if}</button
          >
        {/each}
      </div>
    </section>
  {:else if next?.kind === 'measure'}
    <section class="next" aria-label={texts.nextCheck}>
      <h3>
        {MEASURE_WORDS[next.measure].title}
      </h3>
      <p class="minutes">{texts.aboutMin(next.minutes)}</p>
      <p>{MEASURE_WORDS[next.measure].why}</p>
      <div class="answers">
        <button type="button" onclick={() => measure(next.measure)}>{texts.enterWhatItShows}</button
        >
      </div>
    </section>
  {:else if diagnosis.outcome === 'named' && diagnosis.explanations[0]}
    {@const [first] = diagnosis.explanations}
    <section class="next" aria-label={texts.cause}>
      <h3>{texts.found(causeWords(first.causes[0]!, components))}</h3>
      {#each first.causes.slice(1) as each, n (n)}
        <h3>{texts.and(causeWords(each, components))}</h3>
      {/each}
      <div class="answers">
        <button type="button" class="main" onclick={() => makeTask(first.causes)}
          >{texts.makeItATask}</button
        >
      </div>
    </section>
  {:else if diagnosis.outcome === 'alike'}
    <section class="next" aria-label={texts.cause}>
      <h3>{texts.noCheckIsLeftThat}</h3>
      <p>{texts.mendTheOneThatCosts}</p>
      <div class="answers">
        {#each shown as each, n (n)}
          <button type="button" onclick={() => makeTask(each.causes)}>{explained(each)}</button>
        {/each}
      </div>
    </section>
  {:else if diagnosis.outcome === 'healthy'}
    <section class="next" aria-label={texts.cause}>
      <h3>{texts.nothingWasFound}</h3>
      <p>
        {texts.allThatWasLookedAt}
      </p>
    </section>
  {:else}
    <section class="next" aria-label={texts.cause}>
      <h3>{texts.nothingKnownAgreesWithAll}</h3>
      <p>
        {texts.aFigureOrAnAnswer}
      </p>
    </section>
  {/if}
  <div class="beside">
    {#if diagnosis.outcome === 'ask' && lines.length > 0}
      <h4>{texts.whatAgreesSoFar}</h4>
      <ol>
        {#each lines as each, n (n)}
          <li>
            <span
              class="share"
              style:width="{Math.max(2, (each.probability / lines[0]!.probability) * BAR_PX)}px"
            ></span>
            <span class="percent">{Math.round(each.probability * 100)} %</span>
            <span>
              {lineWords(each, components)}
              <span class="quiet"
                >{reasonWords(
                  reasonsFor(each.causes[0]!, components, diagnosis.observed),
                  flow,
                )}</span
              >
            </span>
          </li>
        {/each}
      </ol>
    {/if}
    {#if out.length > 0}
      <details bind:open={asksOut}>
        <summary>{texts.ruledOutAndByWhat(out.length)}</summary>
        {#if asksOut}
          <ul>
            {#each out as each, n (n)}
              <li>
                <span>{capital(causeWords(each, components))}</span>
                <span class="quiet">{againstWords(each, flow, components)}</span>
              </li>
            {/each}
          </ul>
        {/if}
      </details>
    {/if}
    {#if diagnosis.observed.answers.length > 0}
      <h4>{texts.lookedAt}</h4>
      <ul>
        {#each diagnosis.observed.answers as each, n (n)}
          {@const entered = answers.find(
            ({ value }) => value.part === each.part && value.check === each.check,
          )}
          <li>
            <span>
              {capital(place(each.part))}:
              <strong>{answerTo(each.check, each.answer)}</strong>
              {#if isCleared(each) && !isSaid(each)}<span class="quiet">{texts.asPlanned}</span
                >{/if}
            </span>
            {#if entered}
              <button
                type="button"
                class="text"
                aria-label={texts.takeBack(place(each.part))}
                onclick={() => takeBack(entered.id)}>{texts.takeBack2}</button
              >
            {:else}<span class="quiet">{texts.byTheReport}</span>{/if}
          </li>
        {/each}
      </ul>
    {/if}
  </div>
</div>

<style>
  .diagnosis {
    display: grid;
    grid-template-columns: minmax(0, 1.2fr) minmax(0, 1fr);
    gap: 1rem 1.5rem;
    padding: 0.75rem 1rem;
    background: var(--cds-ui-01);
    border-left: 4px solid var(--tenant-limited);
  }
  h3 {
    font-size: 1.125rem;
    font-weight: 600;
  }
  h4 {
    font-size: 0.8125rem;
    font-weight: 600;
  }
  * + h4 {
    margin-top: 0.625rem;
  }
  .next p {
    margin: 0.25rem 0 0.5rem;
    font-size: 0.875rem;
  }
  .next .minutes {
    margin: 0;
    font-size: 0.8125rem;
    color: var(--cds-text-02);
  }
  .answers {
    display: flex;
    flex-wrap: wrap;
    gap: 0.5rem;
    margin-top: 0.5rem;
  }
  .answers button {
    flex: 1 1 9rem;
    min-height: 3.5rem;
    padding: 0.5rem 0.75rem;
    font: inherit;
    font-weight: 600;
    text-align: left;
    color: var(--cds-text-01);
    background: var(--cds-ui-background);
    border: 1px solid var(--cds-ui-04);
    cursor: pointer;
  }
  .answers .main {
    color: var(--cds-text-04);
    background: var(--cds-interactive-01);
    border-color: var(--cds-interactive-01);
  }
  .answers .quiet {
    display: block;
    font-size: 0.75rem;
    font-weight: 400;
  }
  .answers button:hover {
    border-color: var(--cds-interactive-01);
  }
  .answers button:focus-visible {
    outline: 3px solid var(--cds-focus);
  }
  ol,
  ul {
    margin: 0.25rem 0 0.5rem;
    padding: 0;
    list-style: none;
    font-size: 0.8125rem;
    line-height: 1.4;
  }
  ol li {
    margin-bottom: 0.25rem;
    display: grid;
    grid-template-columns: 48px 2.5rem minmax(0, 1fr);
    gap: 0.375rem;
    align-items: baseline;
  }
  ul li {
    display: flex;
    gap: 0.5rem;
    justify-content: space-between;
  }
  .share {
    height: 0.5rem;
    background: var(--cds-text-02);
  }
  .percent {
    font-variant-numeric: tabular-nums;
    text-align: right;
  }
  .text {
    text-decoration: underline;
    white-space: nowrap;
  }
  @media (max-width: 60rem) {
    .diagnosis {
      grid-template-columns: minmax(0, 1fr);
    }
  }
</style>
