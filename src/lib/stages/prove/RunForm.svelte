<script lang="ts">
  /** One measurement, typed in the unit of its need: the figure, what was copied, and what else was special about it. */
  import { untrack } from 'svelte';
  import { Button, Checkbox, Select, SelectItem, TextInput } from 'carbon-components-svelte';
  import type { Flow, Measure, Need } from '$core/kinds';
  import type { Phase } from '$core/document';
  import type { RunDirection, RunKind } from '$core/parts';
  import { saidIn } from '$words/flowFigures';
  import { RUN_KIND_WORDS } from '$words/causes';
  import { directionWords } from '$words/proof';
  import { opensFor } from '$lib/ui/fold';
  import type { JobModel } from '../jobModel.svelte';
  import { askedBy, figureTyped, hasDirections, kindsFor, numberTyped, recordRun } from './runs';
  import { runForm as texts } from '$words/stages/prove';

  let {
    model,
    need,
    flow,
    id,
    label,
    phase = 'after',
    isBrief = false,
    measure = null,
    recorded,
  }: {
    model: JobModel;
    need: Need;
    flow: Flow;
    id: string;
    label: string;
    phase?: Phase;
    /** Figure and kind only. */
    isBrief?: boolean;
    /** What a diagnosis asks to be measured. */
    measure?: Measure | null;
    recorded?: () => void;
  } = $props();

  const typed = $derived(saidIn(flow));
  const kinds = $derived(kindsFor(need, flow));
  let text = $state('');
  const asked = untrack(() => askedBy(measure, need));
  let what = $state<RunKind>(untrack(() => asked.what ?? kinds[0] ?? 'own'));
  let direction = $state<RunDirection | ''>(asked.direction ?? '');
  let alone = $state(asked.alone ?? false);
  let isCold = $state(false);
  let variant = $state('');
  let files = $state('');
  let gigabytes = $state('');
  let refused = $state('');

  function add() {
    const value = figureTyped(text, flow);
    refused = value === null ? texts.aNumberAboveZeroIs : '';
    if (value === null) return;
    const count = numberTyped(files);
    const size = numberTyped(gigabytes);
    recordRun(model, need, value, {
      phase,
      what,
      direction: direction === '' ? null : direction,
      alone,
      isCold,
      variant: variant.trim(),
      files: count === null ? null : Math.round(count),
      bytes: size === null ? null : size * 1e9,
    });
    text = '';
    recorded?.();
  }
</script>

<form
  onsubmit={(event) => {
    event.preventDefault();
    add();
  }}
>
  <div class="first">
    <div class="figure">
      <TextInput
        {id}
        size="sm"
        hideLabel
        labelText="{label}, {typed.words}"
        placeholder={texts.measured}
        bind:value={text}
        invalid={refused !== ''}
        invalidText={refused}
        on:input={() => (refused = '')}
      />
    </div>
    <span class="unit">{typed.words}</span>
    {#if kinds.length > 1}
      <div class="what">
        <Select
          id="{id}-what"
          size="sm"
          hideLabel
          labelText={texts.whatWasMeasured}
          bind:selected={what}
        >
          {#each kinds as kind (kind)}<SelectItem value={kind} text={RUN_KIND_WORDS[kind]} />{/each}
        </Select>
      </div>
    {/if}
    <Button type="submit" kind="tertiary" size="small">{texts.addRun}</Button>
  </div>
  {#if !isBrief}
    <details {@attach opensFor(measure !== null)}>
      <summary>{texts.moreAboutThisRun}</summary>
      <div class="more">
        {#if hasDirections(need)}
          <Select id="{id}-way" size="sm" labelText={texts.direction} bind:selected={direction}>
            <SelectItem value="" text={texts.asTheNeedAsks} />
            <SelectItem value="read" text={directionWords('read', { need })} />
            <SelectItem value="write" text={directionWords('write', { need })} />
          </Select>
        {/if}
        {#if kinds.length > 1}
          <TextInput id="{id}-size" size="sm" labelText={texts.copiedGb} bind:value={gigabytes} />
          <TextInput id="{id}-files" size="sm" labelText={texts.numberOfFiles} bind:value={files} />
        {/if}
        <TextInput
          id="{id}-variant"
          size="sm"
          labelText={texts.settingTried}
          placeholder={texts.stripe256Kb}
          bind:value={variant}
        />
        <div class="ticks">
          {#if hasDirections(need)}
            <Checkbox
              id="{id}-alone"
              labelText={texts.oneAloneTheOthersRest}
              bind:checked={alone}
            />
          {/if}
          <Checkbox id="{id}-cold" labelText={texts.firstAfterAColdStart} bind:checked={isCold} />
        </div>
      </div>
    </details>
  {/if}
</form>

<style>
  .first {
    display: flex;
    flex-wrap: wrap;
    gap: 0.375rem 0.5rem;
    align-items: center;
  }
  .figure {
    flex: 0 1 7rem;
  }
  .what {
    flex: 0 1 13rem;
  }
  .unit {
    color: var(--cds-text-02);
  }
  details {
    margin-top: 0.375rem;
  }
  .more {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(9rem, 1fr));
    gap: 0.5rem 1rem;
    padding: 0.5rem 0;
    align-items: end;
  }
  .ticks {
    grid-column: 1 / -1;
    display: flex;
    flex-wrap: wrap;
    gap: 0 1.5rem;
  }
  .ticks :global(.bx--form-item) {
    flex: 0 0 auto;
  }
</style>
