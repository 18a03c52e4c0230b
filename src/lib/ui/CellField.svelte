<script lang="ts" generics="Part extends object">
  /** One column of a card, or of a part of one, as a field. Wrong input changes nothing and says what is expected. */
  import { Select, SelectItem, TextInput } from 'carbon-components-svelte';
  import { columnWords } from '$words/columns';
  import { expectsWords } from '$words/expects';
  import { OPTION_WORDS } from '$words/options';
  import { printCell, takeCell, type Column } from '$core/catalogue';
  import { cellField as texts } from '$words/ui';

  let {
    id,
    of,
    column,
    onchange,
  }: { id: string; of: Part; column: Column; onchange: (fresh: Part) => void } = $props();

  const printed = $derived(printCell(of, column));
  let refused = $state('');

  function take(text: string) {
    refused = '';
    if (text.trim() === printed) return;
    const fresh = takeCell(of, column, text);
    if (fresh === undefined)
      refused = texts.isNot(text.trim().slice(0, 30), expectsWords(column.cell.expects));
    else onchange(fresh);
  }
</script>

{#if column.cell.options}
  <Select
    {id}
    size="sm"
    labelText={columnWords(column)}
    selected={printed}
    invalid={refused !== ''}
    invalidText={refused}
    on:change={(event) => take(String((event.target as HTMLSelectElement | null)?.value ?? ''))}
  >
    {#if takeCell(of, column, '') !== undefined}<SelectItem value="" text={texts.none} />{/if}
    {#each column.cell.options as option (option)}<SelectItem
        value={option}
        text={OPTION_WORDS[option] ?? option}
      />{/each}
  </Select>
{:else}
  <TextInput
    {id}
    size="sm"
    labelText={columnWords(column)}
    value={printed}
    invalid={refused !== ''}
    invalidText={refused}
    on:change={(event) => take(String(event.detail ?? ''))}
  />
{/if}
