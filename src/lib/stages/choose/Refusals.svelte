<script lang="ts">
  /** Each card that the plan does not have, and what decides against it. */
  import { cardName } from '$core/document';
  import type { Refusal } from '$core/planner';
  import { findingWords } from '$words/findings';
  import { inMoney } from '$words/figures';
  import { refusals as texts } from '$words/stages/choose';

  let {
    refusals,
    select,
  }: { refusals: readonly Refusal[]; select: (cardId: string, slotId: string) => void } = $props();

  function why({ reason, finding, slot, totalCents }: Refusal): string {
    const says = finding === null ? '' : findingWords(finding);
    switch (reason) {
      case 'blocked':
        return texts.whereItComesClosest(says, slot.label);
      case 'short':
      case 'fewer':
        return says;
      case 'displaced':
        return texts.itsOnlyPlaceGoesTo(slot.label);
      case 'dearer':
        return texts.wouldDoInButAt(slot.label, inMoney(totalCents));
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
