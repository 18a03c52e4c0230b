<script lang="ts">
  /** The needs beside the board: what each gets now, and what it gets with what is drawn. */
  import {
    SERVED_BY,
    metTogether,
    unitsNeeded,
    withOccupants,
    worstVerdict,
    type Need,
    type Verdict,
  } from '$core';
  import VerdictMark from '$lib/ui/VerdictMark.svelte';
  import { supplies } from '$lib/state/supplies.svelte';
  import { flowFigure } from '$lib/wording/figures';
  import { KIND_WORDS, catchWords, needWords } from '$lib/wording/needs';
  import { FLOW_WORDS } from '$lib/wording/stages';
  import type { JobModel } from '../jobModel.svelte';

  let { model }: { model: JobModel } = $props();

  const UNMET = { short: 'blocked', unknown: 'unknown' } as const;
  const fitted = $derived(withOccupants(model.drawnMachine('choose'), model.working));
  const { needs, machine } = $derived(model.job);
  const cards = $derived([...(supplies.cards ?? []), ...model.working.map(({ card }) => card)]);
  const nowMet = $derived(metTogether(needs, machine, supplies.cards ?? []));
  const thenMet = $derived(metTogether(needs, fitted, cards));
  const rows = $derived(
    needs.flatMap((need, n) => {
      const [now, then] = [nowMet[n], thenMet[n]];
      return now === undefined || then === undefined
        ? []
        : [{ need, now, then: now.state === 'met' ? now : then }];
    }),
  );

  /** A need is never greener than the cards that serve it: what they want first, or do not know, it wants too. */
  function verdictOf({ need, now, then }: (typeof rows)[number]): Verdict {
    if (then.state !== 'met') return UNMET[then.state];
    const serving =
      now.state === 'met'
        ? []
        : model.workingVerdicts.filter(({ card }) =>
            SERVED_BY[need.kind].includes(card.delivers.kind),
          );
    return worstVerdict([...then.catches, ...serving]);
  }

  function gets(need: Need, { then, now }: (typeof rows)[number]): string {
    if (now.state === 'met') return 'met by the machine as it is';
    if (then.flow === null) return then.state === 'unknown' ? 'not known' : 'nothing serves it yet';
    const { high, unit, limiting } = then.flow;
    const wanted = unitsNeeded(need);
    const units = wanted > 1 ? `${Math.min(then.units, wanted)} of ${wanted}, ` : '';
    const limit =
      limiting === null || unit !== 'B/s' ? '' : `, limited by the ${FLOW_WORDS[limiting]}`;
    if (unit === 'count') return units === '' ? 'served' : units.slice(0, -2);
    return `${units}up to ${flowFigure(high, then.flow)}${limit}`;
  }
</script>

<section aria-label="Needs">
  {#if rows.length === 0}
    <p>No needs yet: the planner has nothing to plan for. <a href="needs">To the needs</a></p>
  {:else}
    <ul>
      {#each rows as row (row.need.id)}
        <li>
          <VerdictMark verdict={verdictOf(row)} withWord={false} />
          <span class="what">
            <strong>{KIND_WORDS[row.need.kind]}</strong>
            <span>{needWords(row.need)}{row.need.must ? '' : ' – nice'}</span>
          </span>
          <span class="gets">{gets(row.need, row)}</span>
          {#each catchWords(row.then) as words, n (n)}<span class="catch">{words}</span>{/each}
        </li>
      {/each}
    </ul>
  {/if}
</section>

<style>
  section {
    border-bottom: 1px solid var(--cds-ui-04);
    padding-bottom: 0.5rem;
    margin-bottom: 0.5rem;
  }
  li {
    display: grid;
    grid-template-columns: auto 1fr auto;
    gap: 0.5rem;
    align-items: center;
    padding: 0.125rem 0;
    font-size: 0.8125rem;
    line-height: 1.35;
  }
  .what span {
    color: var(--cds-text-02);
  }
  .catch {
    grid-column: 2 / -1;
    color: var(--cds-text-02);
  }
  .gets {
    text-align: right;
    max-width: 15rem;
    font-variant-numeric: tabular-nums;
  }
</style>
