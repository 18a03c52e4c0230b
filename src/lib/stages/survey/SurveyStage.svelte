<script lang="ts">
  import { onMount, untrack } from 'svelte';
  import { Tab, TabContent, Tabs, TextInput } from 'carbon-components-svelte';
  import { housings } from '$core/placement';
  import { partOf, type PartOf } from '$core/units';
  import type { Machine } from '$core/document';
  import { selection, type FactPlace } from '$lib/state/selection.svelte';
  import { contradictionWords } from '$words/contradictions';
  import { answerWords } from '$words/answers';

  import type { JobModel } from '../jobModel.svelte';
  import AnswerLine from '../AnswerLine.svelte';
  import CaseForm from './CaseForm.svelte';
  import Evidence from './Evidence.svelte';
  import EvidenceDrop from './EvidenceDrop.svelte';
  import SlotForm from './SlotForm.svelte';
  import SlotList from './SlotList.svelte';
  import SystemForm from './SystemForm.svelte';
  import Worklist from './Worklist.svelte';
  import Fetched from '$lib/ui/Fetched.svelte';
  import Guarded from '$lib/ui/Guarded.svelte';
  import { ran } from '$lib/state/effects';
  import { surveyStage as texts } from '$words/stages/survey';

  let { model }: { model: JobModel } = $props();

  const SHOWN_AT_ONCE = 4;
  const TICK_MS = 50;
  const COUNTED_AFTER_TICKS = 10;
  /** The part of the survey where each fact is told. */
  const TAB_OF: Readonly<Record<PartOf<FactPlace['code']>, number>> = {
    slots: 0,
    slot: 1,
    occupant: 1,
    case: 2,
    supply: 2,
    board: 2,
    system: 3,
    secondSystem: 3,
    firmware: 3,
    screen: 3,
    path: 4,
    hop: 4,
    lead: 4,
    accessPoint: 4,
  };
  const DETAILS = [
    ['title', texts.whatTheJobIs, texts.twoScreensAndWiFi],
    ['customer', texts.customer, ''],
    ['technician', texts.technician, ''],
  ] as const;
  const job = $derived(model.job);
  // Where to begin is decided once: evidence for a machine not surveyed yet, its slots for another.
  let hadSlots = untrack(() => model.job.machine.slots.length > 0);
  let tab = $state(untrack(() => (model.job.machine.slots.length > 0 ? 1 : 0)));
  let allDisagreements = $state(false);
  /** Whoever has not said yet what the job is sees where to. */
  let isDescribing = $state(untrack(() => model.job.title === ''));
  const shownDisagreements = $derived(
    allDisagreements ? model.disagreements : model.disagreements.slice(0, SHOWN_AT_ONCE),
  );

  const described = $derived(
    [job.title, job.customer, job.machine.name, job.technician]
      .filter((each) => each !== '')
      .join(' · '),
  );

  const answer = $derived.by(() => {
    const said = answerWords({
      stage: 'survey',
      slots: job.machine.slots.length,
      open: model.unknown.length,
    });
    if (!model.isCounted)
      return {
        ...said,
        words: texts.whatIsNotKnownYet,
        verdict: 'unknown' as const,
      };
    const { length: disputed } = model.disagreements;
    if (disputed > 0 && model.unknown.length === 0)
      return {
        ...said,
        words: texts.everyFactIsKnownSources(disputed),
        verdict: 'limited' as const,
      };
    const most = Math.max(0, ...model.unknown.map(({ decides }) => decides));
    const weighty = model.unknown.filter(({ decides }) => decides === most).length;
    return most === 0
      ? said
      : {
          ...said,
          words: texts.factsOpenOfWhich(model.unknown.length, weighty, most),
        };
  });

  const change = (machine: Machine) => model.open.run({ name: 'changeMachine', machine });

  /** What is said of an external box goes back into it. */
  const changeBox = (id: string) => (seen: Machine) =>
    change({
      ...job.machine,
      enclosures: job.machine.enclosures.map((each) =>
        each.id === id ? { ...each, case: seen.case, supply: seen.supply } : each,
      ),
    });

  const describe = (detail: (typeof DETAILS)[number][0], text: string) =>
    model.open.run({ name: 'describeJob', details: { [detail]: text.slice(0, 200) } });

  // A job that was just begun has nothing to look at yet: the first act is to say what it is.
  onMount(() => {
    if (job.log.length === 0 && location.hash === '') document.getElementById('job-title')?.focus();
  });

  // Another stage may have sent the technician here for one fact.
  $effect(() => {
    ran('survey: a fact is wanted');
    const { wantedFact } = selection;
    if (wantedFact === null) return;
    selection.wantedFact = null;
    goTo(wantedFact);
  });

  /** What is left to be told comes next; a survey that has just begun has slots to look at now. */
  async function onread() {
    if (!hadSlots) tab = 1;
    hadSlots = true;
    await focusAnswer();
  }

  /** What is open is counted once the browser has nothing else to do. */
  async function focusAnswer() {
    for (let n = 0; n < COUNTED_AFTER_TICKS; n += 1) {
      const field = document.querySelector<HTMLElement>('[data-answer]');
      const isFree = document.activeElement?.closest('input, select') === null;
      if (field !== null && isFree) field.focus({ preventScroll: true });
      if (field !== null) return;
      await new Promise((resolve) => setTimeout(resolve, TICK_MS));
    }
  }

  /** Takes the technician to the field that settles a fact. */
  function goTo({ code, slotId, enclosureId, screenId, hopId, leadId }: FactPlace) {
    if (slotId !== undefined) selection.slotId = slotId;
    tab = TAB_OF[partOf(code)];
    const part = enclosureId ?? screenId ?? hopId ?? leadId ?? [];
    const field = ['fact', part, code.replace('.', '-')].flat().join('-');
    setTimeout(() => {
      const found = document.getElementById(field);
      found?.closest('details')?.setAttribute('open', '');
      // A form that is fetched first is not there yet; what is asked stands in the list above all of them.
      if (found === null) void focusAnswer();
      else found.focus();
    });
  }
</script>

<AnswerLine {answer} stage="survey" />

<h1 class="only-read">{texts.survey}</h1>
<details class="who" bind:open={isDescribing}>
  <summary>{described || texts.whatTheJobIsAnd}</summary>
  <div class="pairs">
    {#each DETAILS as [detail, label, placeholder] (detail)}
      <TextInput
        id="job-{detail}"
        size="sm"
        labelText={label}
        {placeholder}
        value={job[detail]}
        on:change={(event) => describe(detail, String(event.detail ?? ''))}
      />
    {/each}
    <TextInput
      id="machine-name"
      size="sm"
      labelText={texts.machine}
      value={job.machine.name}
      on:change={(event) =>
        change({ ...job.machine, name: String(event.detail ?? '').slice(0, 200) })}
    />
  </div>
</details>

{#if model.chosenSlot !== null}
  <section class="slot" aria-label={texts.slot(model.chosenSlot.label)}>
    <Guarded what={texts.thisSlot}><SlotForm {model} machine={job.machine} {change} /></Guarded>
  </section>
{/if}
<Guarded what={texts.theDropForEvidence}><EvidenceDrop {model} {onread} /></Guarded>
<Guarded what={texts.theListOfWhatIs}><Worklist {model} {change} {goTo} /></Guarded>

{#if model.disagreements.length > 0}
  <section class="disagree" aria-labelledby="disagree-heading">
    <h2 id="disagree-heading">
      {model.disagreements.length === 1
        ? texts.sourcesDisagreeOnOneFact
        : texts.sourcesDisagreeOnFacts(model.disagreements.length)}
    </h2>
    <p class="quiet">{texts.theFirstOneNamedIs}</p>
    <ul>
      {#each shownDisagreements as each (each.path.join('.'))}
        {@const words = contradictionWords(each, job.machine)}
        <li>
          <button type="button" class="text" onclick={() => goTo(words)}>{words.name}</button>
          <span>{words.says}</span>
        </li>
      {/each}
    </ul>
    {#if model.disagreements.length > SHOWN_AT_ONCE}
      <button type="button" class="text more" onclick={() => (allDisagreements = !allDisagreements)}
        >{allDisagreements ? texts.onlyTheFirst : texts.all(model.disagreements.length)}</button
      >
    {/if}
  </section>
{/if}

<Tabs bind:selected={tab} aria-label={texts.partsOfTheSurvey}>
  <Tab label={texts.evidence} />
  <Tab label={texts.slots} />
  <Tab label={texts.case} />
  <Tab label={texts.system} />
  <Tab label={texts.path} />
  <svelte:fragment slot="content">
    <TabContent><Guarded><Evidence {model} {onread} /></Guarded></TabContent>
    <!-- A form that is not looked at is not drawn: reading a report would wait for all of them. -->
    <TabContent>
      {#if tab === 1}<Guarded><SlotList machine={job.machine} {change} /></Guarded>{/if}
    </TabContent>
    <TabContent>
      {#if tab === 2}
        <Fetched load={() => import('./AsItCame.svelte')}>
          {#snippet shown(AsItCame)}<AsItCame {model} machine={job.machine} {change} />{/snippet}
        </Fetched>
        <Fetched load={() => import('./InnerWork.svelte')}>
          {#snippet shown(InnerWork)}<InnerWork machine={job.machine} {change} />{/snippet}
        </Fetched>
        {#each housings(job.machine) as { id, name, machine } (id)}
          <Guarded what={id === null ? texts.theCase : name}>
            {#if id === null}
              <CaseForm machine={job.machine} {change} />
            {:else}
              <CaseForm {machine} room={{ id, name }} change={changeBox(id)} />
            {/if}
          </Guarded>
        {/each}
      {/if}
    </TabContent>
    <TabContent>
      {#if tab === 3}<Guarded><SystemForm machine={job.machine} {change} /></Guarded>{/if}
    </TabContent>
    <TabContent>
      {#if tab === 4}
        <Fetched load={() => import('./PathForm.svelte')}>
          {#snippet shown(PathForm)}<PathForm machine={job.machine} {change} />{/snippet}
        </Fetched>
      {/if}
    </TabContent>
  </svelte:fragment>
</Tabs>

<style>
  .who {
    margin-bottom: 0.75rem;
  }
  .who .pairs {
    margin-top: 0.5rem;
  }
  .slot {
    padding: 0.5rem 0 1rem;
    margin-bottom: 0.75rem;
    border-bottom: 1px solid var(--cds-ui-04);
  }
  .disagree {
    border-left: 4px solid var(--tenant-limited);
    padding: 0.25rem 0 0.25rem 0.75rem;
    margin-bottom: 1rem;
    font-size: 0.8125rem;
  }
  .disagree li {
    margin: 0.25rem 0;
  }
  .disagree span {
    color: var(--cds-text-02);
  }
  .text {
    text-decoration: underline;
  }
  .more {
    margin-top: 0.25rem;
  }
</style>
