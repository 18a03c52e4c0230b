<script lang="ts">
  /** A sum before tax, and with it. */
  import { money } from '$lib/state/money.svelte';
  import { inMoney } from '$lib/wording/figures';

  let { cents }: { cents: number } = $props();
</script>

<span class="total"
  >{inMoney(cents)}
  {money.currency}{money.taxPoints === 0
    ? ''
    : `, ${inMoney(money.withTax(cents))} with ${money.taxPoints / 100} % tax`}</span
>

<style>
  .total {
    font-variant-numeric: tabular-nums;
  }
</style>
