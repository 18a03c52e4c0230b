<script lang="ts">
  /** The stages in the order of the work, and how much is still open in each. */
  import { STAGES, type Stage } from '$core/document';
  import type { OpenCounts } from '$core/procedure';
  import { STAGE_WORDS } from '$words/stages';
  import { stageRail as texts } from '$words/stages/all';

  let { here, stage, open }: { here: string; stage: Stage; open: OpenCounts } = $props();
</script>

<nav aria-label={texts.stagesOfTheWork}>
  <ol>
    {#each STAGES as each, n (each)}
      <li>
        <a href="{here}/{each}" aria-current={each === stage ? 'step' : undefined}>
          <span class="order">{n + 1}</span>
          <span class="word">{STAGE_WORDS[each]}</span>
          {#if open[each] > 0}
            <span class="open">{open[each]}<span class="only-read"> {texts.open}</span></span>
          {/if}
        </a>
      </li>
    {/each}
  </ol>
  <a class="back" href="/">{texts.allJobs}</a>
</nav>

<style>
  nav {
    border-right: 1px solid var(--cds-ui-03);
    padding-top: 0.75rem;
    display: flex;
    flex-direction: column;
    justify-content: space-between;
  }
  nav a {
    display: flex;
    align-items: center;
    gap: 0.5rem;
    min-height: 2.5rem;
    padding: 0.25rem 0.75rem;
    color: var(--cds-text-01);
    text-decoration: none;
    font-size: 0.875rem;
    border-left: 4px solid transparent;
  }
  nav a:hover {
    background: var(--cds-hover-ui);
  }
  nav a:focus-visible {
    outline: 2px solid var(--cds-focus);
    outline-offset: -2px;
  }
  nav a[aria-current] {
    font-weight: 600;
    border-left-color: var(--tenant-plan);
    background: var(--cds-ui-01);
  }
  .order {
    color: var(--cds-text-02);
    font-size: 0.75rem;
    width: 0.75rem;
  }
  .word {
    flex: 1;
  }
  .open {
    min-width: 1.375rem;
    padding: 0 0.3rem;
    text-align: center;
    font-size: 0.75rem;
    line-height: 1.25rem;
    border: 1px solid var(--cds-text-02);
    font-variant-numeric: tabular-nums;
  }
  .back {
    border-top: 1px solid var(--cds-ui-03);
  }
  @media (max-width: 75rem) {
    nav {
      display: block;
      padding: 0;
      border: 0;
      border-bottom: 1px solid var(--cds-ui-03);
    }
    nav ol {
      display: flex;
      flex-wrap: wrap;
    }
    nav li {
      flex: 1 0 auto;
    }
    nav a {
      border-left: 0;
      border-bottom: 4px solid transparent;
      padding: 0.625rem 0.375rem;
      justify-content: center;
    }
    nav a[aria-current] {
      border-bottom-color: var(--tenant-plan);
    }
    .word {
      flex: none;
    }
    .order,
    .back {
      display: none;
    }
  }
  @media print {
    nav {
      display: none;
    }
  }
</style>
