<script lang="ts">
  /** What is not known yet: each open fact with its own field, how to find it out, and how many verdicts wait for it. */

  import { opensFor } from '$lib/ui/fold';
  import type { Machine } from '$core/document';
  import { tick } from 'svelte';
  import type { JobModel } from '../jobModel.svelte';
  import { focusWayOn } from '../wayOn';
  import { answered, askedBy, inStableOrder, workRows, type WorkRow } from './worklist';
  import { UNIT_WORDS } from '$words/figures';
  import { worklist as texts } from '$words/stages/survey';

  let {
    model,
    change,
    goTo,
  }: {
    model: JobModel;
    change: (machine: Machine) => void;
    /** Where a fact stands that has no field of its own. */
    goTo: (fact: WorkRow['facts'][number]) => void;
  } = $props();

  const machine = $derived(model.job.machine);
  const fresh = $derived(model.isCounted ? workRows(model.unknown, machine) : []);
  /** The row that has the focus, whether verdicts waited for it when it got it, and the list as it stood then: it stays where it is. */
  let held = $state.raw<{
    readonly key: string;
    readonly isDeciding: boolean;
    readonly rows: readonly WorkRow[];
  } | null>(null);
  /** While somebody works in the list it keeps its order. */
  const listed = $derived(held === null ? fresh : inStableOrder(fresh, held.rows, held.key));
  const isDeciding = ({ decides, key, code }: WorkRow): boolean =>
    key === held?.key ? held.isDeciding : decides > 0 || code === 'slots';
  const deciding = $derived(listed.filter(isDeciding));
  const others = $derived(listed.filter((row) => !deciding.includes(row)));
  let refused = $state.raw<Readonly<Record<string, string>>>({});
  let list = $state<HTMLElement>();
  /** What the field that has the focus was answered with. */
  let lastTaken: string | null = null;

  /** @returns whether there is nothing against going on */
  function take(row: WorkRow, text: string): boolean {
    // Leaving a field with Enter and by moving on is one answer.
    if (text.trim() === '' || text === lastTaken) return true;
    const told = answered(machine, row, text);
    const { several, field } = askedBy(row);
    refused = {
      ...refused,
      [row.key]:
        told === null
          ? texts.isNotOneForAll({
              text: text.trim().slice(0, 30),
              expects: field?.expects ?? '',
              several,
              several2: several,
            })
          : '',
    };
    if (told === null) return false;
    lastTaken = text;
    change(told);
    return true;
  }

  function hold(row: WorkRow) {
    held = { key: row.key, isDeciding: isDeciding(row), rows: listed };
    lastTaken = null;
  }

  let isPressed = false;

  /** A list that moves between pressing and letting go would take the click from what it was meant for. */
  function letGo({ relatedTarget }: FocusEvent) {
    if (list?.contains(relatedTarget as Node | null)) return;
    const release = () => {
      if (!list?.contains(document.activeElement)) held = null;
    };
    if (isPressed) window.addEventListener('pointerup', () => setTimeout(release), { once: true });
    else release();
  }

  /** Enter takes the answer and goes to the next fact; after the last one to the way on. */
  async function onkeydown(event: KeyboardEvent, row: WorkRow) {
    if (event.key !== 'Enter') return;
    event.preventDefault();
    const field = event.currentTarget as HTMLInputElement | HTMLSelectElement;
    const fields = [...(list?.querySelectorAll<HTMLElement>('[data-answer]') ?? [])];
    const next = fields[fields.indexOf(field) + 1];
    if (!take(row, field.value)) return;
    await tick();
    if (next?.isConnected) {
      next.closest('details')?.setAttribute('open', '');
      next.focus();
    } else await focusWayOn();
  }
</script>

<svelte:window
  onpointerdowncapture={() => (isPressed = true)}
  onpointerupcapture={() => (isPressed = false)}
/>

{#snippet rowOf(row: WorkRow)}
  {@const { name, how, several, field } = askedBy(row)}
  {@const [fact] = row.facts}
  <li class:refused={(refused[row.key] ?? '') !== ''}>
    <label for="answer-{row.key}">{name}</label>
    {#if field === null}
      <button type="button" class="text" onclick={() => fact && goTo(fact)}
        >{texts.toTheEvidence}</button
      >
    {:else if field.options && several === 1}
      <select
        id="answer-{row.key}"
        class="answer-field"
        data-answer
        aria-describedby="how-{row.key}"
        onfocus={() => hold(row)}
        onchange={(event) => take(row, event.currentTarget.value)}
        onkeydown={(event) => onkeydown(event, row)}
      >
        <option value="">{texts.notKnown}</option>
        {#each field.options as { text, label } (text)}<option value={text}>{label}</option>{/each}
      </select>
    {:else}
      <span class="entry">
        <input
          id="answer-{row.key}"
          class="answer-field"
          data-answer
          aria-describedby="how-{row.key}"
          aria-invalid={(refused[row.key] ?? '') !== ''}
          placeholder={several > 1 ? texts.oneForAllOrOne : ''}
          autocomplete="off"
          onfocus={() => hold(row)}
          onchange={(event) => take(row, event.currentTarget.value)}
          onkeydown={(event) => onkeydown(event, row)}
        />
        {#if field.unit}<span class="unit">{UNIT_WORDS[field.unit]}</span>{/if}
      </span>
    {/if}
    <p id="how-{row.key}">
      {#if (refused[row.key] ?? '') !== ''}<strong role="alert">{refused[row.key]}</strong>{/if}
      {how}
      {#if row.decides > 0}<strong class="waits"
          >{texts.verdictsWaitForIt(row.decides, row.decides)}</strong
        >{/if}
    </p>
  </li>
{/snippet}

<section aria-labelledby="unknown-heading" bind:this={list} onfocusout={letGo}>
  <h2 id="unknown-heading">
    {!model.isCounted
      ? texts.notKnownYetBeingCounted
      : model.unknown.length === 0
        ? texts.allFactsThatTheRules
        : texts.notKnownYet(model.unknown.length)}
  </h2>
  {#if deciding.length > 0}
    <ul>
      {#each deciding as row (row.key)}{@render rowOf(row)}{/each}
    </ul>
  {/if}
  {#if others.length > 0}
    <details {@attach opensFor(deciding.length === 0)}>
      <summary>{texts.moreFactThatNoVerdict(others.length)}</summary>
      <ul>
        {#each others as row (row.key)}{@render rowOf(row)}{/each}
      </ul>
    </details>
  {/if}
</section>

<style>
  section {
    border-left: 4px solid var(--tenant-unknown);
    padding: 0.25rem 0 0.25rem 0.75rem;
    margin: 0.75rem 0 1rem;
    font-size: 0.8125rem;
  }
  li {
    display: grid;
    grid-template-columns: minmax(0, 1fr) minmax(9rem, 13rem);
    gap: 0.125rem 0.75rem;
    align-items: center;
    padding: 0.375rem 0;
    border-bottom: 1px solid var(--cds-ui-03);
  }
  label {
    font-weight: 600;
    overflow-wrap: anywhere;
  }
  p {
    grid-column: 1 / -1;
    font-size: 0.75rem;
    line-height: 1.35;
    color: var(--cds-text-02);
  }
  .waits {
    color: var(--cds-text-01);
  }
  .refused p strong:first-child {
    display: block;
    color: var(--tenant-blocked);
  }
  .entry {
    display: flex;
    align-items: center;
    gap: 0.375rem;
  }
  .unit {
    flex: none;
    color: var(--cds-text-02);
  }
  details {
    margin-top: 0.5rem;
  }
</style>
