<script lang="ts">
  /** Temperature, counts, link speed: read off the machine, each with what it is held against. */
  import { untrack } from 'svelte';
  import { Button, Select, SelectItem, TextInput } from 'carbon-components-svelte';
  import { enteredReading } from '$core/document';
  import { heldReadings, type HeldReading, type ReadingKind } from '$core/diagnosis';
  import { needKindOf } from '$core/kinds';
  import type { Expectation } from '$core/assembly';
  import VerdictMark from '$lib/ui/VerdictMark.svelte';
  import { now } from '$lib/state/now';
  import { READING_WORDS, readingWords } from '$words/readings';
  import { capital } from '$words/stepWords';
  import type { JobModel } from '../jobModel.svelte';
  import { numberTyped } from './runs';
  import { readings as texts } from '$words/stages/prove';

  let { model, expectation }: { model: JobModel; expectation: Expectation } = $props();

  const need = $derived(expectation.need);
  const kinds = $derived(needKindOf(need).readings);
  const held = $derived(heldReadings(expectation, model.job));
  let what = $state<ReadingKind>(untrack(() => kinds[0] ?? 'temperature'));
  let text = $state('');
  let refused = $state('');

  function add() {
    const number = numberTyped(text);
    refused = number === null ? texts.aNumberAboveZeroIs : '';
    if (number === null) return;
    model.open.run({
      name: 'observe',
      observations: [enteredReading(need.id, { what, number }, now())],
    });
    text = '';
  }
  const remove = ({ observation }: HeldReading) =>
    model.open.run({
      name: 'removeObservation',
      observationId: observation.id,
    });
</script>

<form
  onsubmit={(event) => {
    event.preventDefault();
    add();
  }}
>
  <Select id="kind-{need.id}" size="sm" labelText={texts.readOff} bind:selected={what}>
    {#each kinds as kind (kind)}
      <SelectItem value={kind} text={capital(READING_WORDS[kind].name)} />
    {/each}
  </Select>
  <TextInput
    id="number-{need.id}"
    size="sm"
    labelText={texts.number(READING_WORDS[what].unit === '' ? '' : `, ${READING_WORDS[what].unit}`)}
    bind:value={text}
    invalid={refused !== ''}
    invalidText={refused}
    on:input={() => (refused = '')}
  />
  <Button type="submit" kind="tertiary" size="small">{texts.noteIt}</Button>
</form>
<ul>
  {#each held as each (each.observation.id)}
    <li>
      <VerdictMark verdict={each.verdict} withWord={false} />
      <span>{capital(readingWords(each))}.</span>
      <button
        type="button"
        class="text"
        aria-label={texts.remove(readingWords(each))}
        onclick={() => remove(each)}>{texts.remove2}</button
      >
    </li>
  {/each}
</ul>

<style>
  form {
    display: flex;
    flex-wrap: wrap;
    gap: 0.5rem 1rem;
    align-items: end;
    max-width: 40rem;
  }
  form :global(.bx--form-item) {
    flex: 1 1 9rem;
  }
  li {
    display: flex;
    gap: 0.5rem;
    align-items: center;
    padding: 0.25rem 0;
    font-size: 0.8125rem;
  }
  .text {
    font-size: 0.8125rem;
  }
</style>
