<script lang="ts" generics="Value">
  /** One fact: its value or “not known”, who says so, and a way to tell it. Wrong input changes nothing. */
  import { Select, SelectItem, TextInput } from 'carbon-components-svelte';
  import { disagreeing, override } from '$core/survey';
  import type { Fact } from '$core/parts';
  import { SOURCE_SHORT } from '$words/facts';
  import { UNIT_WORDS } from '$words/figures';
  import type { FieldKind } from './fields';
  import { factField as texts } from '$words/stages/survey';

  let {
    id,
    label,
    fact,
    kind,
    onchange,
  }: {
    id: string;
    label: string;
    fact: Fact<Value>;
    kind: FieldKind<Value>;
    onchange: (fact: Fact<Value>) => void;
  } = $props();

  const printed = $derived(fact === null ? '' : kind.print(fact.value));
  const shown = (value: Value): string => {
    const text = kind.print(value);
    return kind.options?.find((option) => option.text === text)?.label ?? text;
  };
  const against = $derived(
    disagreeing(fact).map(({ source, value }) => texts.says(SOURCE_SHORT[source], shown(value))),
  );
  const from = $derived(
    fact === null ? texts.notKnown : [SOURCE_SHORT[fact.source], ...against].join('; '),
  );
  let refused = $state('');

  function take(text: string) {
    refused = '';
    const trimmed = text.trim();
    if (trimmed === printed) return;
    if (trimmed === '') {
      onchange(override(fact, null));
      return;
    }
    const value = kind.parse(trimmed);
    if (value === null) refused = texts.isNot(trimmed.slice(0, 30), kind.expects);
    else onchange(override(fact, value));
  }
</script>

<div class="field" class:unknown={fact === null} class:doubted={against.length > 0}>
  {#if kind.options}
    <Select
      {id}
      size="sm"
      labelText={label}
      selected={printed}
      helperText={from}
      on:change={(event) => take(String((event.target as HTMLSelectElement | null)?.value ?? ''))}
    >
      <SelectItem value="" text={texts.notKnown} />
      {#each kind.options as option (option.text)}
        <SelectItem value={option.text} text={option.label} />
      {/each}
    </Select>
  {:else}
    <TextInput
      {id}
      size="sm"
      labelText={kind.unit ? texts.inUnit(label, UNIT_WORDS[kind.unit]) : label}
      value={printed}
      placeholder={texts.notKnown}
      invalid={refused !== ''}
      invalidText={refused}
      helperText={from}
      on:change={(event) => take(String(event.detail ?? ''))}
    />
  {/if}
</div>

<style>
  .unknown :global(input),
  .unknown :global(select) {
    border-bottom: 1px dashed var(--cds-text-02);
  }
  .field :global(.bx--form__helper-text) {
    margin: 0;
    font-size: 0.6875rem;
    color: var(--cds-text-02);
  }
</style>
