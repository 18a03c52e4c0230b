<script lang="ts">
  /** A sum before tax, and with it. */
  import { money } from '$lib/state/money.svelte';
  import { inMoney } from '$words/figures';
  import { total as texts } from '$words/ui';

  let { cents }: { cents: number } = $props();
</script>

<span class="total"
  >{inMoney(cents)}
  {money.currency}{money.taxPoints === 0
    ? ''
    : texts.withTax(inMoney(money.withTax(cents)), money.taxPoints / 100)}</span
>

<style>
  .total {
    font-variant-numeric: tabular-nums;
  }
</style>
