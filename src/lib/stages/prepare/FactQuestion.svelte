<script lang="ts">
  /** A fact that the plan waits for: it is told in the survey, or gone on without, with a reason. Ticking it would answer nothing. */
  import { Button, TextInput } from 'carbon-components-svelte';
  import { goto } from '$app/navigation';
  import type { Step } from '$core/procedure';
  import { selection } from '$lib/state/selection.svelte';
  import { FACT_WORDS } from '$words/facts';
  import type { JobModel } from '../jobModel.svelte';
  import { factQuestion as texts } from '$words/stages/prepare';

  let {
    model,
    step,
    letGo,
  }: {
    model: JobModel;
    step: Extract<Step, { readonly code: 'settle' }>;
    letGo: () => void;
  } = $props();

  const LONGEST = 120;
  let reason = $state('');
  const name = $derived(FACT_WORDS[step.values.fact].name);

  function tell() {
    const { slot, box } = step.on;
    selection.wantedFact = { code: step.values.fact, slotId: slot, enclosureId: box };
    void goto(`/jobs/${model.job.id}/survey`);
  }

  function goOn() {
    const said = reason.trim().slice(0, LONGEST);
    if (said === '') return;
    model.open.run({ name: 'tickStep', of: step, reason: said });
    reason = '';
    letGo();
  }
</script>

<div class="asked">
  <Button size="small" on:click={tell}>{texts.enterIt(name)}</Button>
  <form
    onsubmit={(event) => {
      event.preventDefault();
      goOn();
    }}
  >
    <TextInput
      id="settle-reason"
      data-aside
      size="sm"
      labelText={texts.orGoOnWithoutIt}
      placeholder={texts.nobodyCanTellYet}
      maxlength={LONGEST}
      bind:value={reason}
    />
    <Button size="small" kind="tertiary" type="submit" disabled={reason.trim() === ''}
      >{texts.goOnWithoutIt}</Button
    >
  </form>
</div>

<style>
  .asked {
    display: grid;
    gap: 0.75rem;
    justify-items: start;
    margin-bottom: 1rem;
  }
  form {
    display: grid;
    grid-template-columns: minmax(16rem, 1fr) auto;
    gap: 0.5rem;
    align-items: end;
    width: 100%;
  }
</style>
