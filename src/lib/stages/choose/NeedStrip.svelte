<script lang="ts">
  /** The needs beside the board: what each gets now, and what it gets with what is drawn. */
  import { unitsNeeded } from '$core/kinds';
  import VerdictMark from '$lib/ui/VerdictMark.svelte';
  import { flowFigure } from '$words/flowFigures';
  import { catchWords, needWords } from '$words/needs';
  import { KIND_WORDS } from '$words/kinds/words';
  import { limitWords } from '$words/stages';
  import type { JobModel } from '../jobModel.svelte';
  import { needStrip as texts } from '$words/stages/choose';

  let { model }: { model: JobModel } = $props();

  type Row = (typeof model.needsNow)[number];

  function gets({ need, then, now }: Row): string {
    if (now.state === 'met') return texts.metByTheMachineAs;
    if (then.flow === null)
      return then.state === 'unknown' ? texts.notKnown : texts.nothingServesItYet;
    const { high, unit } = then.flow;
    const wanted = unitsNeeded(need);
    const units = wanted > 1 ? texts.of(Math.min(then.units, wanted), wanted) : null;
    const limit = unit === 'B/s' ? limitWords(then.flow) : '';
    if (unit === 'count') return units ?? texts.served;
    return [units ?? [], texts.upTo(flowFigure(high, then.flow)), limit === '' ? [] : limit]
      .flat()
      .join(', ');
  }
</script>

<section aria-label={texts.needs}>
  {#if model.needsNow.length === 0}
    <p>{texts.noNeedsYetThePlanner} <a href="needs">{texts.toTheNeeds}</a></p>
  {:else}
    <ul>
      {#each model.needsNow as row (row.need.id)}
        <li>
          <VerdictMark verdict={row.verdict} withWord={false} />
          <span class="what">
            <strong>{KIND_WORDS[row.need.kind]}</strong>
            <span>{needWords(row.need)}{row.need.must ? '' : texts.nice}</span>
          </span>
          <span class="gets">{gets(row)}</span>
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
