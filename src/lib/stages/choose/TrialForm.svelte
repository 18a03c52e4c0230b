<script lang="ts">
  /** A trial on another, similar machine before the real build, with the short survey that it needs. */
  import { Button, Checkbox, Select, SelectItem, TextInput } from 'carbon-components-svelte';
  import { SYSTEM_FAMILIES, type SystemFamily } from '$core/standards';
  import { benchTestOf } from '$core/procedure';
  import { cardName } from '$core/document';
  import type { AssembledCard } from '$core/assembly';
  import { SYSTEM_FAMILY_WORDS } from '$lib/wording/things';
  import type { JobModel } from '../jobModel.svelte';

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
        : `${cardName(card.card)} in ${slot.label}`;
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
      ? 'Name the other machine.'
      : tries.length === 0
        ? 'Name a free slot for at least one card.'
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
    First on trial in <strong>{trial.machine.name}</strong>{trial.isOpen
      ? ', which stands open'
      : ''}: {tried.join('; ')}. It comes first in Fit.
    {#if !isBegun}
      <button
        type="button"
        class="text"
        onclick={() => model.open.run({ name: 'setBenchTest', benchTest: null })}
        >No trial after all</button
      >
    {/if}
  </p>
{:else if !isAsked}
  <Button size="small" kind="ghost" on:click={() => (isAsked = true)}
    >Try cards in another machine first</Button
  >
{:else}
  <form onsubmit={keep} aria-label="The other machine">
    <p>Of the same kind of slots, with nobody’s data in it. Pick free slots whose cover is off.</p>
    <div class="pair">
      <TextInput size="sm" labelText="The other machine" bind:value={name} maxlength={60} />
      <Select size="sm" labelText="Its system" bind:selected={family}>
        <SelectItem value="" text="not known" />
        {#each SYSTEM_FAMILIES as each (each)}
          <SelectItem value={each} text={SYSTEM_FAMILY_WORDS[each]} />
        {/each}
      </Select>
    </div>
    <Checkbox labelText="It stands open, without a case" bind:checked={isOpen} />
    {#each cards as { card, slot } (slot.id)}
      <TextInput
        size="sm"
        labelText="Free slot there for {cardName(card)}"
        placeholder="empty: not tried"
        value={labels[slot.id] ?? ''}
        maxlength={60}
        on:input={(event) => (labels[slot.id] = String(event.detail ?? ''))}
      />
    {/each}
    {#if missing !== null}<p role="status">{missing}</p>{/if}
    <div class="pair">
      <Button size="small" type="submit" disabled={missing !== null}>Keep the trial</Button>
      <Button size="small" kind="ghost" on:click={() => (isAsked = false)}>No trial</Button>
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
