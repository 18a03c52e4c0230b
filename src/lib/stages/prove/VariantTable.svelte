<script lang="ts">
  /** Settings tried one after another, each with its runs; the best is kept, with why. */
  import type { Flow } from '$core/kinds';
  import type { Variants } from '$core/diagnosis';
  import VerdictMark from '$lib/ui/VerdictMark.svelte';
  import { flowFigure } from '$words/flowFigures';
  import { spreadWords } from '$words/proof';
  import RunStrip from './RunStrip.svelte';
  import { variantTable as texts } from '$words/stages/prove';

  let { variants, flow }: { variants: Variants; flow: Flow } = $props();

  const second = $derived(
    variants.groups
      .filter((group) => group !== variants.best)
      .toSorted((a, b) => b.median - a.median)[0] ?? null,
  );
  const name = (variant: string): string => (variant === '' ? texts.asItStands : variant);
</script>

<table class="plain">
  <caption>{texts.settingsTried}</caption>
  <thead>
    <tr>
      <th scope="col">{texts.setting}</th>
      <th scope="col">{texts.median}</th>
      <th scope="col">{texts.runs}</th>
    </tr>
  </thead>
  <tbody>
    {#each variants.groups as group, n (n)}
      <tr class:best={group === variants.best}>
        <th scope="row">
          {name(group.test.variant)}
          {#if group === variants.best}<VerdictMark verdict="clear" withWord={false} />
            {texts.best}{/if}
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
    {texts.keepItsSlowerRunsStill(name(variants.best.test.variant), name(second.test.variant))}
  {:else}
    {texts.noSettingIsClearlyThe}
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
