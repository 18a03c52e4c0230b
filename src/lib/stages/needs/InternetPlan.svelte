<script lang="ts">
  /** What no card mends: an internet plan that carries less than is wanted. */
  import { valueOf } from '$core/parts';
  import type { Machine } from '$core/document';
  import type { NeedOf } from '$core/kinds';
  import { internetPlan as texts } from '$words/stages/needs';

  let { need, machine }: { need: NeedOf<'wifi'>; machine: Machine } = $props();

  const carries = $derived(valueOf(machine.path.internetMegabits));
</script>

{#if carries !== null && carries < need.megabits}
  <p class="warn">{texts.theInternetPlanCarriesOnly(carries)}</p>
{/if}

<style>
  .warn {
    margin-top: 0.5rem;
    border-left: 4px solid var(--tenant-limited);
    padding-left: 0.5rem;
    font-size: 0.8125rem;
  }
</style>
