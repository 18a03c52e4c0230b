<script lang="ts">
  import { cardName, type Refusal } from '$core';
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

{#if refusals.length > 0}
  <details>
    <summary>Why not the other {refusals.length} cards of these kinds</summary>
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
  </details>
{/if}

<style>
  details {
    font-size: 0.8125rem;
    margin-top: 0.5rem;
  }
  summary {
    cursor: pointer;
    color: var(--cds-link-01);
  }
  th {
    white-space: nowrap;
    padding-right: 1rem;
  }
  summary:focus-visible {
    outline: 2px solid var(--cds-focus);
  }
</style>
