<script lang="ts" module>
  import type { Verdict } from '$core/rules';

  /** The mark is a connector, more or less filled: shape and pattern carry it, colour only helps. */
  const FILL: Readonly<Record<Verdict, number>> = {
    clear: 12,
    limited: 6,
    needs: 0,
    unknown: 0,
    blocked: 0,
  };
</script>

<script lang="ts">
  import { VERDICT_WORDS } from '$words/findings';

  let {
    verdict,
    withWord = true,
    x,
    y,
  }: { verdict: Verdict; withWord?: boolean; x?: number; y?: number } = $props();
</script>

{#snippet mark()}
  <rect class="frame" x="1" y="4" width="14" height="8" rx="1" />
  {#if FILL[verdict] > 0}
    <rect class="fill" x="2" y="5" width={FILL[verdict]} height="6" />
  {:else if verdict === 'needs'}
    <path class="stroke" d="M5 5v6M8 5v6M11 5v6" />
  {:else if verdict === 'blocked'}
    <path class="stroke" d="M2 14 14 2M5 14.5 15.5 4M.5 12 11 1.5" />
  {/if}
{/snippet}

{#if x !== undefined && y !== undefined}
  <g class={verdict} transform="translate({x} {y})">{@render mark()}</g>
{:else}
  <span class="mark {verdict}">
    <svg
      viewBox="0 0 16 16"
      width="16"
      height="16"
      aria-hidden={withWord}
      role={withWord ? undefined : 'img'}
      aria-label={withWord ? undefined : VERDICT_WORDS[verdict]}
    >
      {@render mark()}
    </svg>
    {#if withWord}<span>{VERDICT_WORDS[verdict]}</span>{/if}
  </span>
{/if}

<style>
  .mark {
    display: inline-flex;
    align-items: center;
    gap: 0.375rem;
    white-space: nowrap;
    font-weight: 600;
  }
  .frame {
    fill: none;
    stroke: currentcolor;
    stroke-width: 1.5;
  }
  .unknown .frame {
    stroke-dasharray: 2 2;
  }
  .fill {
    fill: currentcolor;
  }
  .stroke {
    fill: none;
    stroke: currentcolor;
    stroke-width: 1.5;
  }
  .clear {
    color: var(--tenant-clear);
  }
  .limited {
    color: var(--tenant-limited);
  }
  .needs {
    color: var(--tenant-needs);
  }
  .unknown {
    color: var(--tenant-unknown);
  }
  .blocked {
    color: var(--tenant-blocked);
  }
</style>
