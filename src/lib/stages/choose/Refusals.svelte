<script lang="ts">
  /** Each card that the plan does not have, and what decides against it. */
  import { cardName } from '$core/document';
  import type { Refusal } from '$core/planner';
  import { findingWords } from '$lib/wording/findings';
  import { inMoney } from '$lib/wording/figures';

  let {
    refusals,
    select,
  }: { refusals: readonly Refusal[]; select: (cardId: string, slotId: string) => void } = $props();

  function why({ reason, finding, slot, totalCents }: Refusal): string {
    const says = finding === null ? '' : findingWords(finding);
    switch (reason) {
      case 'blocked':
        return `${says} (${slot.label}, where it comes closest)`;
      case 'short':
      case 'fewer':
        return says;
      case 'displaced':
        return `Its only place, ${slot.label}, goes to a card for another need.`;
      case 'dearer':
        return `Would do in ${slot.label}, but at ${inMoney(totalCents)} with its trouble counted it is dearer.`;
    }
  }
</script>

<table class="plain">
  <tbody>
    {#each refusals as refusal (refusal.card.id)}
      <tr>
        <th scope="row">
          <button
            type="button"
            class="text"
            onclick={() => select(refusal.card.id, refusal.slot.id)}
            >{cardName(refusal.card)}</button
          >
        </th>
        <td>{why(refusal)}</td>
      </tr>
    {/each}
  </tbody>
</table>

<style>
  table {
    font-size: 0.8125rem;
  }
  th {
    white-space: nowrap;
    padding-right: 1rem;
  }
</style>
