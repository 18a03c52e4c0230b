<script lang="ts">
  /** In which order the cards of the accepted plan go in: all at once, some once the others run, some on trial elsewhere first. */
  import { Checkbox } from 'carbon-components-svelte';
  import { cardName } from '$core/document';
  import { newCardsOf } from '$core/assembly';
  import type { JobModel } from '../jobModel.svelte';
  import TrialForm from './TrialForm.svelte';
  import { rounds as texts } from '$words/stages/choose';

  let { model }: { model: JobModel } = $props();

  const job = $derived(model.job);
  const cards = $derived(newCardsOf(model.assembly));
  const staged = $derived(job.plan?.staged ?? []);
  const begun = $derived(job.acts.map(({ round }) => round));
  /** A card that is in waits for nothing, and a second round that is begun keeps its cards. */
  const isSettled = (slotId: string): boolean =>
    begun.includes(2) || cards.some(({ slot, isIn }) => slot.id === slotId && isIn);
  const waiting = $derived(cards.filter(({ slot }) => staged.includes(slot.id)).length);

  function stage(slotId: string, waits: boolean) {
    const others = staged.filter((each) => each !== slotId);
    model.open.run({ name: 'stageCards', staged: waits ? [...others, slotId] : others });
  }
</script>

<section aria-labelledby="rounds-heading">
  <h3 id="rounds-heading">{texts.inWhichOrder}</h3>
  {#if cards.length > 1}
    <fieldset>
      <legend>{texts.fitTheseOnceTheOthers}</legend>
      {#each cards as { card, slot } (slot.id)}
        <Checkbox
          labelText="{cardName(card)}, {slot.label}"
          checked={staged.includes(slot.id)}
          disabled={isSettled(slot.id) ||
            (!staged.includes(slot.id) && waiting === cards.length - 1)}
          on:check={(event) => stage(slot.id, event.detail)}
        />
      {/each}
    </fieldset>
    <p class="quiet">
      {waiting === 0 ? texts.allAtOnceInA : texts.ofWaitForASecond(waiting, cards.length)}
    </p>
  {/if}
  <TrialForm {model} {cards} isBegun={begun.includes(0)} />
</section>

<style>
  section {
    border-top: 1px solid var(--cds-ui-03);
    padding-top: 0.75rem;
    margin-top: 0.75rem;
  }
  h3 {
    font-size: 1rem;
  }
  fieldset {
    margin-top: 0.5rem;
  }
  legend,
  p {
    font-size: 0.8125rem;
  }
</style>
