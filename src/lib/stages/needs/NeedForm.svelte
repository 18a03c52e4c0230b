<script lang="ts">
  /** One need: in the customer's words, in numbers, and how much it counts. Wrong input changes nothing. */
  import {
    Button,
    Checkbox,
    ContentSwitcher,
    Select,
    SelectItem,
    Switch,
    TextInput,
  } from 'carbon-components-svelte';
  import TrashCan from 'carbon-icons-svelte/lib/TrashCan.svelte';
  import { BACKINGS, type Drive } from '$core/parts';
  import { MANNERS } from '$core/standards';
  import { metByMachine } from '$core/flow';
  import { takesCard, type Need } from '$core/kinds';
  import { worstVerdict } from '$core/rules';
  import type { Card, Machine } from '$core/document';
  import VerdictMark from '$lib/ui/VerdictMark.svelte';
  import { BACKING_WORDS, MANNER_WORDS } from '$words/things';
  import { metByMachineWords, needWords } from '$words/needs';
  import { KIND_WORDS } from '$words/kinds/words';
  import { expected, fieldsOf, readField, typed, writeField, type NeedField } from './needFields';
  import { ownPartOf } from './ownParts';
  import Fetched from '$lib/ui/Fetched.svelte';
  import { needForm as texts } from '$words/stages/needs';

  let {
    need,
    machine,
    cards,
    groups,
    drives,
    put,
    remove,
  }: {
    need: Need;
    machine: Machine;
    cards: readonly Card[];
    /** Names of the groups that other needs are in. */
    groups: readonly string[];
    /** Those of all needs. */
    drives: readonly Drive[];
    put: (need: Need) => void;
    remove: () => void;
  } = $props();

  /** Each group by a letter, and one more to begin a new one with. */
  const letters = $derived(
    [...new Set([...groups, ...'ABCDE'])].slice(0, Math.max(2, groups.length + 1)),
  );
  /** What only its kind has. */
  const own = $derived(ownPartOf(need));
  const SHORT = { short: 'needs', unknown: 'unknown' } as const;

  const now = $derived(metByMachine(need, machine, cards));
  let refused = $state('');

  const idOf = ({ path }: NeedField) => `${need.id}-${path.replace('.', '-')}`;
  const chosen = (event: Event) => String((event.target as HTMLSelectElement | null)?.value ?? '');

  function set(field: NeedField, value: unknown) {
    const fresh = value === null && field.as === 'number' ? null : writeField(need, field, value);
    refused = fresh === null ? field.path : '';
    if (fresh !== null && readField(fresh, field) !== readField(need, field)) put(fresh);
  }

  function tickOne(field: NeedField, option: unknown, on: boolean) {
    const there = readField(need, field) as readonly unknown[];
    if (there.includes(option) !== on)
      set(field, on ? [...there, option] : there.filter((each) => each !== option));
  }
</script>

<section aria-label={KIND_WORDS[need.kind]}>
  <div class="head">
    <h2>{KIND_WORDS[need.kind]}: {needWords(need)}</h2>
    <Button
      kind="ghost"
      size="small"
      icon={TrashCan}
      iconDescription={texts.removeThisNeed}
      tooltipAlignment="end"
      on:click={remove}
    />
  </div>
  <p class="now">
    <VerdictMark
      verdict={now.state === 'met' ? worstVerdict(now.catches) : SHORT[now.state]}
      withWord={false}
    />
    <span>{metByMachineWords(now, need)}</span>
  </p>
  <TextInput
    id="{need.id}-words"
    size="sm"
    labelText={texts.inTheCustomersWords}
    value={need.words}
    on:change={(event) => put({ ...need, words: String(event.detail ?? '').slice(0, 200) })}
  />
  <div class="fields">
    {#each fieldsOf(need) as field (field.path)}
      {#if field.as === 'number'}
        <TextInput
          id={idOf(field)}
          size="sm"
          labelText={field.label}
          value={String(Number(readField(need, field)) / field.scale)}
          invalid={refused === field.path}
          invalidText={expected(need, field)}
          on:change={(event) => set(field, typed(need, field, String(event.detail ?? '')))}
        />
      {:else if field.as === 'choice'}
        <Select
          id={idOf(field)}
          size="sm"
          labelText={field.label}
          selected={String(readField(need, field))}
          on:change={(event) =>
            set(field, field.options.find(([value]) => String(value) === chosen(event))?.[0])}
        >
          {#each field.options as [value, label] (label)}
            <SelectItem value={String(value)} text={label} />
          {/each}
        </Select>
      {:else if field.as === 'tick'}
        <Checkbox
          id={idOf(field)}
          labelText={field.label}
          checked={readField(need, field) === true}
          on:check={(event) => set(field, event.detail)}
        />
      {:else}
        <fieldset class="ticks">
          <legend class="bx--label">{field.label}</legend>
          {#each field.options as [value, label] (label)}
            <Checkbox
              id="{idOf(field)}-{value}"
              labelText={label}
              checked={(readField(need, field) as readonly unknown[]).includes(value)}
              on:check={(event) => tickOne(field, value, event.detail)}
            />
          {/each}
        </fieldset>
      {/if}
    {/each}
  </div>
  <div class="fields counts">
    <ContentSwitcher
      size="sm"
      aria-label={texts.mustOrNice}
      selectedIndex={need.must ? 0 : 1}
      on:change={(event) =>
        (event.detail === 0) !== need.must && put({ ...need, must: event.detail === 0 })}
    >
      <Switch text={texts.must} />
      <Switch text={texts.nice} />
    </ContentSwitcher>
    <Checkbox
      id="{need.id}-later"
      labelText={texts.forLater}
      checked={need.later}
      on:check={(event) => event.detail !== need.later && put({ ...need, later: event.detail })}
    />
    {#if !need.must}
      <Select
        id="{need.id}-weight"
        size="sm"
        labelText={texts.counts1To5}
        selected={String(need.weight)}
        on:change={(event) => put({ ...need, weight: Number(chosen(event)) })}
      >
        {#each [1, 2, 3, 4, 5] as weight (weight)}
          <SelectItem value={String(weight)} text={String(weight)} />
        {/each}
      </Select>
    {/if}
    {#if takesCard(need)}
      <Select
        id="{need.id}-backing"
        size="sm"
        labelText={texts.backedByAtLeast}
        selected={need.backing}
        on:change={(event) =>
          put({ ...need, backing: BACKINGS.find((each) => each === chosen(event)) ?? 'none' })}
      >
        {#each BACKINGS as backing (backing)}
          <SelectItem value={backing} text={BACKING_WORDS[backing]} />
        {/each}
      </Select>
      <Select
        id="{need.id}-group"
        size="sm"
        labelText={texts.usedTogetherWith}
        selected={need.group}
        on:change={(event) => put({ ...need, group: chosen(event) })}
      >
        <SelectItem value="" text={texts.onItsOwn} />
        {#each letters as letter (letter)}<SelectItem
            value={letter}
            text={texts.group(letter)}
          />{/each}
      </Select>
    {/if}
  </div>
  {#if takesCard(need)}
    {@const of = need}
    <fieldset class="ticks">
      <legend class="bx--label">{texts.alsoWanted}</legend>
      {#each MANNERS as manner (manner)}
        <Checkbox
          id="{need.id}-manner-{manner}"
          labelText={MANNER_WORDS[manner]}
          checked={need.manners.includes(manner)}
          on:check={(event) =>
            event.detail !== of.manners.includes(manner) &&
            put({
              ...of,
              manners: event.detail
                ? [...of.manners, manner]
                : of.manners.filter((each) => each !== manner),
            })}
        />
      {/each}
    </fieldset>
  {/if}
  {#if own !== null}
    <Fetched load={own}>
      {#snippet shown(Own)}<Own {need} {machine} {drives} {put} />{/snippet}
    </Fetched>
  {/if}
</section>

<style>
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
  .now {
    display: flex;
    gap: 0.5rem;
    align-items: flex-start;
    font-size: 0.8125rem;
    margin-bottom: 0.5rem;
  }
  .fields {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(8.5rem, 1fr));
    gap: 0.75rem;
    margin-top: 0.75rem;
    align-items: end;
  }
  section > .ticks {
    margin-top: 0.75rem;
  }
  .ticks {
    grid-column: 1 / -1;
    border: 0;
    display: flex;
    flex-wrap: wrap;
    gap: 0 1rem;
  }
  .ticks legend {
    width: 100%;
    margin-bottom: 0;
  }
  .ticks :global(.bx--form-item) {
    flex: none;
    margin: 0;
  }
</style>
