<script lang="ts">
  import { Button, TextArea, TextInput } from 'carbon-components-svelte';
  import Printer from 'carbon-icons-svelte/lib/Printer.svelte';
  import { cardName, doneActs, enteredSerial, serialOf } from '$core/document';
  import { forExport, handOverSheet } from '$core/write';
  import { newCardsOf } from '$core/assembly';
  import { stageAnswer, triedIn } from '$core/diagnosis';
  import { steps, type Step } from '$core/procedure';
  import { ownParts } from '$lib/catalogue/ownParts.svelte';
  import { now } from '$lib/state/now';
  import { supplies } from '$lib/state/supplies.svelte';
  import ExportTicks from '$lib/ui/ExportTicks.svelte';
  import { exportChoice } from '$lib/state/exportChoice.svelte';
  import type { JobModel } from '../jobModel.svelte';
  import { answerWords } from '$words/answers';
  import AnswerLine from '../AnswerLine.svelte';
  import StepList from '../steps/StepList.svelte';
  import Sheet from './Sheet.svelte';
  import Guarded from '$lib/ui/Guarded.svelte';
  import { handOverStage as texts } from '$words/stages/handOver';

  let { model }: { model: JobModel } = $props();

  const job = $derived(model.job);
  /** As it goes out of the house. */
  /** A sheet is made of words: they go, without what is not ticked. Whoever did the work stands on it. */
  const out = $derived({
    ...forExport(job, { ...exportChoice.current, words: true }),
    technician: job.technician,
  });
  /** Cards that were measured here and came out well, and whose records do not say so yet. */
  const tried = $derived(triedIn(job, supplies.cards ?? [], now().slice(0, 10)));
  let notedLast = $state('');
  async function noteTried() {
    const names = tried.map(cardName).join(', ');
    await ownParts.putCards(tried, texts.tried(names));
    notedLast = ownParts.notKept
      ? texts.theBrowsersStoreRefusedIt
      : texts.notedInTheCatalogueTried(names);
  }
  const toTick = $derived(steps(model.job).filter(({ stage }) => stage === 'hand-over'));

  function serial(slotId: string, value: string) {
    const { id } = enteredSerial(slotId, value, now());
    if (value === '') {
      if (serialOf(job.observations, slotId) !== null)
        model.open.run({ name: 'removeObservation', observationId: id });
      return;
    }
    const observations = [enteredSerial(slotId, value, now())];
    model.open.run({ name: 'observe', observations });
  }

  function toggle(step: Step) {
    model.open.run({ name: step.isOpen ? 'tickStep' : 'untickStep', of: step });
  }
</script>

<div class="on-screen">
  <AnswerLine answer={answerWords(stageAnswer(job, 'hand-over'))} stage="hand-over" />
</div>
{#if job.plan === null}
  <h1>{texts.nothingToHandOverYet}</h1>
  <p>{texts.theSheetFollowsFromAn} <a href="choose">{texts.toChoose}</a></p>
{:else}
  <h1 class="only-read">{texts.handOver}</h1>
  <div class="beside">
    <div class="page">
      <Guarded what={texts.theSheet}><Sheet job={out} sheet={handOverSheet(out)} {model} /></Guarded
      >
    </div>
    <div class="controls">
      <div class="acts">
        <Button size="small" icon={Printer} on:click={() => window.print()}
          >{texts.printTheSheet}</Button
        >
      </div>
      <StepList
        steps={toTick}
        done={doneActs(job.acts)}
        current={null}
        pick={toggle}
        untick={toggle}
      />
      <div class="serials">
        {#each newCardsOf(model.assembly) as { card, slot } (slot.id)}
          <TextInput
            id="serial-{slot.id}"
            size="sm"
            labelText={texts.serialNumberOfIn(cardName(card), slot.label)}
            placeholder={texts.asItStandsOnThe}
            value={serialOf(job.observations, slot.id) ?? ''}
            on:change={(event) =>
              serial(
                slot.id,
                String(event.detail ?? '')
                  .trim()
                  .slice(0, 200),
              )}
          />
        {/each}
      </div>
      {#if tried.length > 0}
        <div class="tried">
          <p class="quiet">
            {texts.measuredAndFineHereThe(tried.map(cardName).join(', '))}
          </p>
          <Button size="small" kind="tertiary" on:click={noteTried}
            >{texts.noteItInTheCatalogue}</Button
          >
        </div>
      {/if}
      {#if notedLast !== ''}<p class="quiet" role="status">{notedLast}</p>{/if}
      <ExportTicks id="sheet" without={['photographs', 'words']} />
      <TextArea
        id="job-notes"
        labelText={texts.notesForTheNextTechnician}
        rows={2}
        value={job.notes}
        on:change={(event) =>
          model.open.run({
            name: 'describeJob',
            details: {
              notes: ((event.target as HTMLTextAreaElement | null)?.value ?? '').slice(0, 5000),
            },
          })}
      />
    </div>
  </div>
{/if}

<style>
  .beside {
    display: grid;
    grid-template-columns: minmax(0, 1fr) minmax(14rem, 20rem);
    gap: 1.25rem;
    align-items: start;
  }
  .page {
    max-width: 52rem;
    border: 1px solid var(--cds-ui-04);
  }
  .controls {
    display: grid;
    gap: 0.75rem;
  }
  .serials {
    display: grid;
    gap: 0.75rem;
  }
  .controls :global(ol) {
    margin-top: 0;
  }
  @media (max-width: 62rem) {
    .beside {
      grid-template-columns: minmax(0, 1fr);
    }
    .controls {
      order: -1;
    }
  }
  @media print {
    .controls,
    .on-screen {
      display: none;
    }
    .beside {
      display: block;
    }
    .page {
      border: 0;
      max-width: none;
    }
  }
</style>
