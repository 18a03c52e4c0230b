<script lang="ts">
  /** A trial on another, similar machine before the real build, with the short survey that it needs. */
  import { Button, Checkbox, Select, SelectItem, TextInput } from 'carbon-components-svelte';
  import { SYSTEM_FAMILIES, type SystemFamily } from '$core/standards';
  import { benchTestOf } from '$core/procedure';
  import { cardName } from '$core/document';
  import type { AssembledCard } from '$core/assembly';
  import { SYSTEM_FAMILY_WORDS } from '$words/things';
  import type { JobModel } from '../jobModel.svelte';
  import { trialForm as texts } from '$words/stages/choose';

  let {
    model,
    cards,
    isBegun,
  }: { model: JobModel; cards: readonly AssembledCard[]; isBegun: boolean } = $props();

  const trial = $derived(model.job.benchTest);
  const tried = $derived(
    trial?.trials.flatMap(({ slotId, benchSlotId }) => {
      const card = cards.find(({ slot }) => slot.id === slotId);
      const slot = trial.machine.slots.find(({ id }) => id === benchSlotId);
      return card === undefined || slot === undefined
        ? []
        : texts.in(cardName(card.card), slot.label);
    }) ?? [],
  );

  let isAsked = $state(false);
  let name = $state('');
  let family = $state('');
  let isOpen = $state(false);
  /** What the slot there is called, by the slot of the plan; empty: not tried. */
  let labels = $state<Record<string, string>>({});

  const tries = $derived(
    cards.flatMap(({ card, slot }) => {
      const label = (labels[slot.id] ?? '').trim().slice(0, 60);
      return label === '' ? [] : [{ slotId: slot.id, card, label }];
    }),
  );
  const missing = $derived(
    name.trim() === ''
      ? texts.nameTheOtherMachine
      : tries.length === 0
        ? texts.nameAFreeSlotFor
        : null,
  );

  function keep(event: SubmitEvent) {
    event.preventDefault();
    if (missing !== null) return;
    const benchTest = benchTestOf({
      name: name.trim().slice(0, 60),
      family: family === '' ? null : (family as SystemFamily),
      isOpen,
      tries,
    });
    model.open.run({ name: 'setBenchTest', benchTest });
    isAsked = false;
  }
</script>

{#if trial !== null}
  <p>
    {texts.firstOnTrialIn} <strong>{trial.machine.name}</strong>{texts.whichStandsOpenItComes(
      trial.isOpen,
      tried.join('; '),
    )}
    {#if !isBegun}
      <button
        type="button"
        class="text"
        onclick={() => model.open.run({ name: 'setBenchTest', benchTest: null })}
        >{texts.noTrialAfterAll}</button
      >
    {/if}
  </p>
{:else if !isAsked}
  <Button size="small" kind="ghost" on:click={() => (isAsked = true)}
    >{texts.tryCardsInAnotherMachine}</Button
  >
{:else}
  <form onsubmit={keep} aria-label={texts.theOtherMachine}>
    <p>{texts.ofTheSameKindOf}</p>
    <div class="pair">
      <TextInput size="sm" labelText={texts.theOtherMachine} bind:value={name} maxlength={60} />
      <Select size="sm" labelText={texts.itsSystem} bind:selected={family}>
        <SelectItem value="" text={texts.notKnown} />
        {#each SYSTEM_FAMILIES as each (each)}
          <SelectItem value={each} text={SYSTEM_FAMILY_WORDS[each]} />
        {/each}
      </Select>
    </div>
    <Checkbox labelText={texts.itStandsOpenWithoutA} bind:checked={isOpen} />
    {#each cards as { card, slot } (slot.id)}
      <TextInput
        size="sm"
        labelText={texts.freeSlotThereFor(cardName(card))}
        placeholder={texts.emptyNotTried}
        value={labels[slot.id] ?? ''}
        maxlength={60}
        on:input={(event) => (labels[slot.id] = String(event.detail ?? ''))}
      />
    {/each}
    {#if missing !== null}<p role="status">{missing}</p>{/if}
    <div class="pair">
      <Button size="small" type="submit" disabled={missing !== null}>{texts.keepTheTrial}</Button>
      <Button size="small" kind="ghost" on:click={() => (isAsked = false)}>{texts.noTrial}</Button>
    </div>
  </form>
{/if}

<style>
  p {
    font-size: 0.8125rem;
  }
  form {
    display: grid;
    gap: 0.5rem;
    margin-top: 0.5rem;
  }
  .pair {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 0.75rem;
  }
</style>
