<script lang="ts">
  /** Settings tried one after another, each with its runs; the best is kept, with why. */
  import type { Flow } from '$core/kinds';
  import type { Variants } from '$core/diagnosis';
  import VerdictMark from '$lib/ui/VerdictMark.svelte';
  import { flowFigure } from '$lib/wording/flowFigures';
  import { spreadWords } from '$lib/wording/proof';
  import RunStrip from './RunStrip.svelte';

  let { variants, flow }: { variants: Variants; flow: Flow } = $props();

  const second = $derived(
    variants.groups
      .filter((group) => group !== variants.best)
      .toSorted((a, b) => b.median - a.median)[0] ?? null,
  );
  const name = (variant: string): string => (variant === '' ? 'as it stands' : variant);
</script>

<table class="plain">
  <caption>Settings tried</caption>
  <thead>
    <tr>
      <th scope="col">Setting</th>
      <th scope="col">Median</th>
      <th scope="col">Runs</th>
    </tr>
  </thead>
  <tbody>
    {#each variants.groups as group, n (n)}
      <tr class:best={group === variants.best}>
        <th scope="row">
          {name(group.test.variant)}
          {#if group === variants.best}<VerdictMark verdict="clear" withWord={false} /> best{/if}
        </th>
        <td>
          <strong>{flowFigure(group.median, flow)}</strong>
          <span class="quiet">{spreadWords(group, flow)}</span>
        </td>
        <td class="strip"><RunStrip {flow} rows={[{ name: name(group.test.variant), group }]} /></td
        >
      </tr>
    {/each}
  </tbody>
</table>
<p class="quiet">
  {#if variants.best && second}
    Keep “{name(variants.best.test.variant)}”: its slower runs still lie above the median of “{name(
      second.test.variant,
    )}”.
  {:else}
    No setting is clearly the best: their runs overlap. Measure each three times.
  {/if}
</p>

<style>
  table {
    font-size: 0.8125rem;
  }
  .best {
    background: var(--tenant-selected);
  }
  .strip {
    width: 45%;
  }
</style>
