<script lang="ts">
  import { Button, Checkbox, ContentSwitcher, Switch, TextInput } from 'carbon-components-svelte';
  import Add from 'carbon-icons-svelte/lib/Add.svelte';
  import TrashCan from 'carbon-icons-svelte/lib/TrashCan.svelte';
  import { bestMode, valueOf, type Need, type NeedKind } from '$core';
  import { inMoney, modeWords } from '$lib/wording/figures';
  import { KIND_WORDS, needWords } from '$lib/wording/needs';
  import type { JobModel } from '../jobModel.svelte';
  import { FRESH, NEED_FIELDS } from './needFields';

  let { model }: { model: JobModel } = $props();

  const job = $derived(model.job);
  /** Screens of the survey, each with the best it can show. */
  const read = $derived(
    job.machine.screens.flatMap((screen) => {
      const mode = bestMode(screen);
      return mode === null ? [] : [{ id: screen.id, name: screen.name, mode }];
    }),
  );
  const kinds = Object.keys(KIND_WORDS) as NeedKind[];
  let refused = $state.raw<{ id: string; says: string } | null>(null);

  function add(kind: NeedKind) {
    let n = 1;
    while (job.needs.some(({ id }) => id === `${kind}-${n}`)) n += 1;
    const id = `${kind}-${n}`;
    model.open.run({
      name: 'addNeed',
      need: { id, must: true, words: '', ...FRESH[kind] } as Need,
    });
    setTimeout(() => document.getElementById(`${id}-words`)?.focus());
  }

  const put = (need: Need) => model.open.run({ name: 'changeNeed', need });

  function set(need: Need, field: (typeof NEED_FIELDS)[NeedKind][number], text: string) {
    const fresh = field.write(need, text.trim());
    refused =
      fresh === null
        ? { id: `${need.id}-${field.key}`, says: `${field.expects} is expected` }
        : null;
    if (fresh !== null) put(fresh);
  }

  function answer(need: Need, field: (typeof NEED_FIELDS)[NeedKind][number], yes: boolean) {
    const text = yes ? 'yes' : 'no';
    if (text !== field.read(need)) set(need, field, text);
  }

  function setBudget(text: string) {
    const trimmed = text.trim().replace(',', '.');
    const value = Number(trimmed);
    if (trimmed !== '' && !(value >= 0 && value < 1e6)) {
      refused = { id: 'budget', says: 'An amount such as 180 or 180.50 is expected' };
      return;
    }
    refused = null;
    model.open.run({ name: 'setBudget', cents: trimmed === '' ? null : Math.round(value * 100) });
  }
</script>

<h1>What the customer wants</h1>
<p class="quiet">In the customer’s words, and in numbers that can be proved.</p>

{#each job.needs as need (need.id)}
  <section aria-label={KIND_WORDS[need.kind]}>
    <div class="head">
      <h2>{KIND_WORDS[need.kind]}: {needWords(need)}</h2>
      <Button
        kind="ghost"
        size="small"
        icon={TrashCan}
        iconDescription="Remove this need"
        tooltipAlignment="end"
        on:click={() => model.open.run({ name: 'removeNeed', needId: need.id })}
      />
    </div>
    <TextInput
      id="{need.id}-words"
      size="sm"
      labelText="In the customer’s words"
      value={need.words}
      on:change={(event) => put({ ...need, words: String(event.detail ?? '').slice(0, 200) })}
    />
    <div class="fields">
      {#each NEED_FIELDS[need.kind] as field (field.key)}
        {#if field.yesNo}
          <Checkbox
            id="{need.id}-{field.key}"
            labelText={field.label}
            checked={field.read(need) === 'yes'}
            on:check={(event) => answer(need, field, event.detail)}
          />
        {:else}
          <TextInput
            id="{need.id}-{field.key}"
            size="sm"
            labelText={field.label}
            value={field.read(need)}
            invalid={refused?.id === `${need.id}-${field.key}`}
            invalidText={refused?.says ?? ''}
            on:change={(event) => set(need, field, String(event.detail ?? ''))}
          />
        {/if}
      {/each}
      <div class="must">
        <ContentSwitcher
          size="sm"
          aria-label="Must or nice"
          selectedIndex={need.must ? 0 : 1}
          on:change={(event) =>
            (event.detail === 0) !== need.must && put({ ...need, must: event.detail === 0 })}
        >
          <Switch text="Must" />
          <Switch text="Nice" />
        </ContentSwitcher>
      </div>
    </div>
    {#if need.kind === 'screens' && read.length > 0}
      <p class="quiet">
        Screens that were read:
        {#each read as { id, name, mode } (id)}
          <button type="button" class="text read" onclick={() => put({ ...need, mode })}
            >{name}, {modeWords(mode)}</button
          >
        {/each}
      </p>
    {/if}
    {#if need.kind === 'wifi' && (valueOf(job.machine.path.internetMegabits) ?? Infinity) < need.megabits}
      <p class="warn">
        The internet plan carries only {valueOf(job.machine.path.internetMegabits)} Mb/s: no card makes
        it faster.
      </p>
    {/if}
  </section>
{:else}
  <p class="empty">Nothing is asked for yet. Add what the customer wants.</p>
{/each}

<div class="add" role="group" aria-label="Add a need">
  {#each kinds as kind (kind)}
    <Button size="small" kind="tertiary" icon={Add} on:click={() => add(kind)}
      >{KIND_WORDS[kind]}</Button
    >
  {/each}
</div>

<section class="budget" aria-label="Budget">
  <TextInput
    id="budget"
    size="sm"
    labelText="Budget for cards"
    placeholder="none named"
    value={job.budgetCents === null ? '' : (job.budgetCents / 100).toFixed(2)}
    invalid={refused?.id === 'budget'}
    invalidText={refused?.says ?? ''}
    helperText={job.budgetCents === null
      ? 'Empty: price does not limit the plan'
      : `A plan for all musts may go over ${inMoney(job.budgetCents)}, and says so`}
    on:change={(event) => setBudget(String(event.detail ?? ''))}
  />
</section>

<style>
  .read {
    margin-right: 0.75rem;
    text-decoration: underline;
  }
  section {
    border-top: 1px solid var(--cds-ui-04);
    padding: 0.75rem 0;
    margin-top: 0.75rem;
  }
  .head {
    display: flex;
    justify-content: space-between;
    align-items: center;
    gap: 0.5rem;
  }
  .fields {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(8.5rem, 1fr));
    gap: 0.75rem;
    margin-top: 0.75rem;
    align-items: end;
  }
  .empty {
    padding: 1.5rem 0;
  }
  .add {
    display: flex;
    flex-wrap: wrap;
    gap: 0.5rem;
    margin-top: 1rem;
  }
  .budget {
    max-width: 22rem;
  }
  .warn {
    margin-top: 0.5rem;
    border-left: 4px solid var(--tenant-limited);
    padding-left: 0.5rem;
    font-size: 0.8125rem;
  }
</style>
