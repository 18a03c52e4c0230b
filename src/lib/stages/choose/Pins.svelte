<script lang="ts">
  /** What is settled before anything is planned, each with what it costs; and why a card is not in the plan. */
  import { Button } from 'carbon-components-svelte';
  import { byWeight } from '$core/rules';
  import { cardName, pinKey, type Pin } from '$core/document';
  import { supplies } from '$lib/state/supplies.svelte';
  import { findingWords } from '$words/findings';
  import { KIND_WORDS } from '$words/kinds/words';
  import { differenceWords, pinWords } from '$words/clashes';
  import type { JobModel } from '../jobModel.svelte';
  import { pins as texts } from '$words/stages/choose';

  let { model }: { model: JobModel } = $props();

  const job = $derived(model.job);
  const planning = $derived(model.planning);
  const card = $derived(model.chosenCard);
  const slot = $derived(model.chosenSlot);
  const has = (pin: Pin) => job.pins.some((each) => pinKey(each) === pinKey(pin));
  const price = (pin: Pin) =>
    planning.pinPrices.find((each) => pinKey(each.pin) === pinKey(pin))?.difference ?? null;
  const offers = $derived.by((): readonly Pin[] => {
    const possible: readonly Pin[] = [
      ...(card !== null && slot !== null
        ? [{ kind: 'cardThere' as const, cardId: card.id, slotId: slot.id }]
        : []),
      ...(card === null ? [] : [{ kind: 'neverCard' as const, cardId: card.id }]),
      ...(slot === null ? [] : [{ kind: 'neverSlot' as const, slotId: slot.id }]),
      { kind: 'noMoves' },
    ];
    return possible.filter((pin) => !has(pin));
  });
  const reason = $derived(planning.reason);
  const told = $derived(
    reason === null
      ? null
      : byWeight(reason.findings).filter(({ verdict }) => verdict === 'blocked')[0],
  );
  const words = (pin: Pin) => pinWords(pin, job.machine, supplies.cards ?? []);
</script>

<section class="part" aria-labelledby="pins-heading">
  <h2 id="pins-heading">{texts.fixedChoices}</h2>
  {#if job.pins.length > 0}
    <ul>
      {#each job.pins as pin (pinKey(pin))}
        {@const difference = price(pin)}
        <li>
          <span>{words(pin)}</span>
          <span class="quiet">
            {#if planning.choice?.best.pinsLeft.some((each) => pinKey(each) === pinKey(pin))}
              {texts.cannotBeKept}
            {:else if difference === null}
              …
            {:else}
              {texts.costsAsWithoutIt(
                differenceWords(difference),
                difference.cents === 0 && difference.musts === 0,
              )}
            {/if}
          </span>
          <button
            type="button"
            class="text"
            aria-label={texts.dropTheFixedChoice(words(pin))}
            onclick={() => model.open.run({ name: 'removePin', pin })}>{texts.takeBack}</button
          >
        </li>
      {/each}
    </ul>
  {/if}
  <div class="offers">
    {#each offers as pin (pinKey(pin))}
      <Button size="small" kind="tertiary" on:click={() => model.open.run({ name: 'addPin', pin })}
        >{words(pin)}</Button
      >
    {/each}
    {#if card !== null && slot !== null && planning.choice !== null}
      <Button size="small" kind="ghost" on:click={() => planning.whyNot(card, slot)}
        >{texts.whyNotInY(cardName(card), slot.label)}</Button
      >
    {/if}
  </div>
  <p class="quiet">
    {card === null || slot === null ? texts.chooseACardAndA : ''}
  </p>
  {#if reason !== null}
    <div class="reason" role="status">
      <strong>{texts.in(cardName(reason.card), reason.slot.label)}</strong>
      {#if reason.forced === null}
        {texts.itCannotGoThere(told == null ? null : findingWords(told))}
      {:else if reason.difference !== null}
        {reason.difference.cents === 0 && reason.difference.musts === 0
          ? texts.thePlanWouldCountThe
          : texts.withItTheBestPlan(differenceWords(reason.difference))}
        {#if reason.displaced.length > 0}
          {texts.itWouldDoWithout(reason.displaced.map((each) => cardName(each.card)).join(', '))}
        {/if}
        {#if reason.left.length > 0}
          {texts.itWouldLeave(reason.left.map(({ kind }) => KIND_WORDS[kind]).join(', '))}
        {/if}
      {/if}
    </div>
  {/if}
</section>

<style>
  li {
    display: flex;
    gap: 0.75rem;
    align-items: baseline;
    font-size: 0.875rem;
    padding: 0.2rem 0;
  }
  li button {
    margin-left: auto;
  }
  .offers {
    display: flex;
    flex-wrap: wrap;
    gap: 0.375rem;
    margin: 0.25rem 0;
  }
  .reason {
    border-left: 4px solid var(--cds-ui-04);
    padding-left: 0.5rem;
    font-size: 0.875rem;
  }
</style>
