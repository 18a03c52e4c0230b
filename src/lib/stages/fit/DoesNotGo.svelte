<script lang="ts">
  /** A task does not go, or what came is not what was ordered: what was found, and the rest planned anew; or a reason. */
  import { onMount } from 'svelte';
  import { LEAD_KINDS, type LeadKind } from '$core/standards';
  import { findable, type Found, type FoundKind, type Step } from '$core/procedure';
  import type { Card } from '$core/document';
  import { typedNumber } from '$core/read';
  import { LEAD_WORDS } from '$words/leads';
  import { FOUND_WORDS } from '$words/bench';
  import { extraWords } from '$words/plans';
  import { capital } from '$words/stepWords';
  import { takesFocus } from '$lib/ui/keys';
  import type { JobModel } from '../jobModel.svelte';
  import { planRest, type RestPlanned } from './rest';
  import { doesNotGo as texts } from '$words/stages/fit';

  let {
    model,
    step,
    close,
    order = null,
  }: {
    model: JobModel;
    step: Step;
    close: () => void;
    /** The step that ordered it, where it is about what came. */
    order?: Step | null;
  } = $props();

  /** Only for what is planned by measure: a plug by its reach, a lead by its length; else a longer one is bought. */
  const isMeasured = $derived(['plug', 'joinHeader', 'joinFront'].includes(step.code));
  const kinds = $derived(findable(step, model.job));
  let kind = $state<FoundKind | 'reason' | 'again' | null>(null);
  let missingThing = $state.raw<Card['contents'][number] | null>(null);
  const contents = $derived(step.code === 'checkArrived' ? step.values.contents : []);
  let mm = $state('');
  let heightMm = $state('');
  let what = $state('');
  let isMovable = $state(false);
  let hasPlug = $state(true);
  let lead = $state<LeadKind>('fan-4');
  let leadOf = $state('');
  let reason = $state('');
  let isPlanning = $state(false);
  let failed = $state('');
  let planned = $state.raw<RestPlanned | null>(null);
  let waiting = new AbortController();
  onMount(() => () => waiting.abort());

  const WORDS: Readonly<Record<FoundKind, string>> = FOUND_WORDS;
  const MOST_MM = 600;
  const number = (text: string): number | null => {
    const value = typedNumber(text);
    return value !== null && value > 0 && value <= MOST_MM ? value : null;
  };

  const found = $derived.by((): Found | null => {
    const [one, high] = [number(mm), number(heightMm)];
    switch (kind) {
      case 'leadShort':
        if (!isMeasured) return { kind, mm: 0 };
        return one === null ? null : { kind, mm: one };
      case 'knockedLoose':
        return { kind, lead, name: leadOf.trim().slice(0, 60) };
      case 'noHeader':
      case 'headerTaken':
      case 'pinBent':
      case 'notKeyed':
        return { kind };
      case 'cardLonger':
        return one === null ? null : { kind, mm: one };
      case 'inTheWay':
        return one === null || high === null || what.trim() === ''
          ? null
          : {
              kind,
              what: what.trim().slice(0, 60),
              fromRearMm: one,
              heightMm: high,
              movable: isMovable,
              hasPlug: isMovable && hasPlug,
            };
      case 'coverStuck':
      case 'slotBroken':
      case 'bracketWrong':
      case 'screwMissing':
        return { kind };
      case 'boxShort':
        return missingThing === null ? null : { kind, missing: missingThing };
      case 'reason':
      case 'again':
      case null:
        return null;
    }
  });
  const missing = $derived(
    kind === 'boxShort'
      ? texts.pickWhatIsMissing
      : kind === 'leadShort'
        ? step.code === 'plug'
          ? texts.measureFromTheBoardsUpper
          : step.code === 'joinFront'
            ? texts.measureFromTheRearEdge
            : texts.measureTheLeadFromThe
        : kind === 'cardLonger'
          ? texts.measureTheCardFromIts
          : texts.sayWhatItIsHow,
  );

  async function plan() {
    if (found === null) return;
    waiting.abort();
    waiting = new AbortController();
    isPlanning = true;
    failed = '';
    planned = null;
    try {
      planned = await planRest(model.job, step, found, waiting.signal);
    } catch (error) {
      failed = texts.thePlannerFailedNothingWas(String(error));
    } finally {
      isPlanning = false;
    }
  }

  function take() {
    if (planned === null) return;
    model.open.run(planned.command);
    close();
  }

  function goOn() {
    const said = reason.trim().slice(0, 120);
    if (said === '') return;
    if (kind === 'again' && order !== null)
      model.open.run({ name: 'orderAgain', of: step, order, reason: said });
    else model.open.run({ name: 'tickStep', of: step, reason: said });
    close();
  }

  function pick(next: typeof kind) {
    kind = next;
    planned = null;
    failed = '';
  }
</script>

<div class="panel" role="group" aria-label={texts.itDoesNotGo}>
  {#if kind === null}
    <h2>{texts.whatDidYouFind}</h2>
    <div class="choices" use:takesFocus>
      {#each kinds as each (each)}
        <button type="button" onclick={() => pick(each)}>{WORDS[each]}</button>
      {/each}
      {#if order !== null}
        <button type="button" onclick={() => pick('again')}>{texts.anotherPartCameItIs}</button>
      {/if}
      <button type="button" onclick={() => pick('reason')}>{texts.somethingElseGoOnWith}</button>
    </div>
  {:else if kind === 'reason' || kind === 'again'}
    <h2>{kind === 'again' ? texts.whatIsWrongWithIt : texts.whyDoYouGoOn}</h2>
    <label>
      {texts.itStaysInTheLog}
      <input type="text" bind:value={reason} maxlength="120" use:takesFocus />
    </label>
    <button type="button" class="act" disabled={reason.trim() === ''} onclick={goOn}
      >{kind === 'again' ? texts.putItOnOrderAgain : texts.goOnWithThisReason}</button
    >
  {:else}
    <h2>{WORDS[kind]}</h2>
    {#if kind === 'inTheWay'}
      <label
        >{texts.whatItIs}
        <input type="text" bind:value={what} maxlength="60" use:takesFocus /></label
      >
      <label>{texts.fromTheRearEdgeMm} <input inputmode="decimal" bind:value={mm} /></label>
      <label>{texts.heightOverTheBoardMm} <input inputmode="decimal" bind:value={heightMm} /></label
      >
      <label class="tick"
        ><input type="checkbox" bind:checked={isMovable} /> {texts.itCanBeMovedAside}</label
      >
      {#if isMovable}
        <label class="tick"
          ><input type="checkbox" bind:checked={hasPlug} /> {texts.itsPlugIsPulledFor}</label
        >
      {/if}
    {:else if kind === 'knockedLoose'}
      <label
        >{texts.whichKind}
        <select bind:value={lead} use:takesFocus>
          {#each LEAD_KINDS as each (each)}<option value={each}>{LEAD_WORDS[each]}</option>{/each}
        </select></label
      >
      <label>{texts.whichOne} <input type="text" bind:value={leadOf} maxlength="60" /></label>
    {:else if (kind === 'leadShort' && isMeasured) || kind === 'cardLonger'}
      <label
        >{kind === 'leadShort' ? texts.itReachesMm : texts.theCardIsMm}
        <input inputmode="decimal" bind:value={mm} use:takesFocus /></label
      >
    {/if}
    {#if kind === 'boxShort'}
      <div class="choices">
        {#each contents as each, n (n)}
          <button
            type="button"
            aria-pressed={missingThing === each}
            onclick={() => {
              missingThing = each;
              planned = null;
            }}>{capital(extraWords(each))}</button
          >
        {/each}
      </div>
    {/if}
    {#if planned === null}
      {#if found === null}<p role="status">{missing}</p>{/if}
      {#if failed}<p role="alert">{failed}</p>{/if}
      <button
        type="button"
        class="act"
        disabled={found === null || isPlanning}
        onclick={() => void plan()}
        >{isPlanning ? texts.planningTheRest : texts.planTheRestAnewWhat}</button
      >
    {:else}
      <ul aria-label={texts.whatChanges}>
        {#each planned.differences as line, n (n)}<li>{line}</li>{/each}
        {#if planned.unmet > 0}
          <li><strong>{texts.ofTheMustHavesCan(planned.unmet)}</strong></li>
        {/if}
      </ul>
      <button type="button" class="act" onclick={take} use:takesFocus>{texts.takeThisList}</button>
    {/if}
  {/if}
  <button type="button" onclick={() => (kind === null ? close() : pick(null))}
    >{kind === null ? texts.backToTheTask : texts.somethingElseWasFound}</button
  >
</div>

<style>
  .panel {
    display: flex;
    flex-direction: column;
    gap: 0.75rem;
    font-size: var(--panel-text, 1rem);
    overflow-y: auto;
  }
  h2 {
    font-size: 1.15em;
  }
  .choices {
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(18rem, 1fr));
    gap: 0.75rem;
  }
  button {
    min-height: 2.75em;
    padding: 0.5rem 1rem;
    font: inherit;
    font-size: 0.875em;
    text-align: left;
    color: var(--cds-text-01);
    background: var(--cds-ui-01);
    border: 1px solid var(--cds-ui-04);
    cursor: pointer;
  }
  button[aria-pressed='true'] {
    background: var(--tenant-selected);
    border-left: 6px solid var(--cds-interactive-01);
  }
  .act {
    color: var(--cds-text-04);
    background: var(--cds-interactive-01);
    border: 0;
  }
  button:disabled {
    opacity: 0.5;
    cursor: not-allowed;
  }
  button:focus-visible,
  input:focus-visible {
    outline: 3px solid var(--cds-focus);
  }
  label {
    display: grid;
    gap: 0.25rem;
    font-size: 0.875em;
  }
  .tick {
    display: flex;
    align-items: center;
    gap: 0.75rem;
  }
  select,
  input:not([type='checkbox']) {
    font: inherit;
    padding: 0.5rem;
    border: 1px solid var(--cds-ui-04);
    background: var(--cds-ui-background);
    color: var(--cds-text-01);
  }
  input[type='checkbox'] {
    width: 1.75rem;
    height: 1.75rem;
  }
  ul {
    list-style: disc;
    padding-left: 1.5rem;
  }
</style>
