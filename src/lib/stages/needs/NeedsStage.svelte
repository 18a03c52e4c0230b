<script lang="ts">
  import { Button, TextInput } from 'carbon-components-svelte';
  import Add from 'carbon-icons-svelte/lib/Add.svelte';
  import { MONEY_CELL } from '$core/catalogue';
  import { begunFor, drivesWanted, plainNeed, type NeedKind } from '$core/kinds';
  import { deservedCents } from '$core/rules';
  import { freeNumber } from '$core/document';
  import { supplies } from '$lib/state/supplies.svelte';
  import { answerWords } from '$words/answers';
  import { inMoney } from '$words/figures';
  import { KIND_WORDS } from '$words/kinds/words';
  import type { JobModel } from '../jobModel.svelte';
  import AnswerLine from '../AnswerLine.svelte';
  import NeedForm from './NeedForm.svelte';
  import Guarded from '$lib/ui/Guarded.svelte';
  import { needsStage as texts } from '$words/stages/needs';

  let { model }: { model: JobModel } = $props();

  const job = $derived(model.job);
  const answer = $derived(
    answerWords({
      stage: 'needs',
      needs: job.needs.length,
      musts: job.needs.filter(({ must }) => must).length,
    }),
  );
  const kinds = Object.keys(KIND_WORDS) as NeedKind[];
  const groups = $derived([...new Set(job.needs.map(({ group }) => group))].filter(Boolean));
  const drives = $derived(drivesWanted(job.needs));
  const deserved = $derived(deservedCents(job.replacementCents, job.deservesPercent));
  let refused = $state.raw<{ id: string; says: string } | null>(null);

  function add(kind: NeedKind) {
    const id = `${kind}-${freeNumber(job.needs, (n) => `${kind}-${n}`, 1)}`;
    model.open.run({ name: 'addNeed', need: begunFor(plainNeed(kind, id), job.machine) });
    setTimeout(() => document.getElementById(`${id}-words`)?.focus());
  }

  function setMoney(id: 'budget' | 'replacement', text: string) {
    const amount = text.trim() === '' ? null : MONEY_CELL.parse(text.trim());
    refused = amount === undefined ? { id, says: texts.anAmountSuchAs180 } : null;
    if (amount === undefined) return;
    model.open.run(
      id === 'budget'
        ? { name: 'setBudget', cents: amount }
        : { name: 'setWorth', replacementCents: amount, deservesPercent: job.deservesPercent },
    );
  }

  function setShare(text: string) {
    const percent = Number(text);
    const fits = Number.isInteger(percent) && percent >= 1 && percent <= 100;
    refused = fits ? null : { id: 'share', says: texts.aPercentageFrom1To };
    if (fits)
      model.open.run({
        name: 'setWorth',
        replacementCents: job.replacementCents,
        deservesPercent: percent,
      });
  }

  const money = (amount: number | null) => (amount === null ? '' : MONEY_CELL.print(amount));
  const says = (id: string) => (refused?.id === id ? refused.says : '');
</script>

<AnswerLine {answer} stage="needs" />
<h1>{texts.whatTheCustomerWants}</h1>
<p class="quiet">{texts.inTheCustomersWordsAnd}</p>

{#each job.needs as need (need.id)}
  <Guarded what={texts.thisNeed}>
    <NeedForm
      {need}
      machine={job.machine}
      cards={supplies.cards ?? []}
      {groups}
      {drives}
      put={(fresh) => model.open.run({ name: 'changeNeed', need: fresh })}
      remove={() => model.open.run({ name: 'removeNeed', needId: need.id })}
    />
  </Guarded>
{:else}
  <p class="empty">{texts.nothingIsAskedForYet}</p>
{/each}

<div class="add" role="group" aria-label={texts.addANeed}>
  {#each kinds as kind (kind)}
    <Button size="small" kind="tertiary" icon={Add} on:click={() => add(kind)}
      >{KIND_WORDS[kind]}</Button
    >
  {/each}
</div>

<section class="worth" aria-label={texts.whatItMayCost}>
  <h2>{texts.whatItMayCost}</h2>
  <TextInput
    id="budget"
    size="sm"
    labelText={texts.budgetForCards}
    placeholder={texts.noneNamed}
    value={money(job.budgetCents)}
    invalid={says('budget') !== ''}
    invalidText={says('budget')}
    helperText={job.budgetCents === null
      ? texts.emptyPriceDoesNotLimit
      : texts.aPlanForAllMusts(inMoney(job.budgetCents))}
    on:change={(event) => setMoney('budget', String(event.detail ?? ''))}
  />
  <TextInput
    id="replacement"
    size="sm"
    labelText={texts.priceOfAReplacement}
    placeholder={texts.notAsked}
    value={money(job.replacementCents)}
    invalid={says('replacement') !== ''}
    invalidText={says('replacement')}
    helperText={deserved === null
      ? texts.withItTheCeilingFor
      : texts.theCeilingIsMoreIs(inMoney(deserved))}
    on:change={(event) => setMoney('replacement', String(event.detail ?? ''))}
  />
  <TextInput
    id="share"
    size="sm"
    labelText={texts.ceilingOfIt}
    value={String(job.deservesPercent)}
    invalid={says('share') !== ''}
    invalidText={says('share')}
    on:change={(event) => setShare(String(event.detail ?? ''))}
  />
</section>

<style>
  .empty {
    padding: 1.5rem 0;
  }
  .add {
    display: flex;
    flex-wrap: wrap;
    gap: 0.5rem;
    margin-top: 1rem;
  }
  .worth {
    display: grid;
    grid-template-columns: 1fr 1fr 7rem;
    gap: 0.75rem;
    border-top: 1px solid var(--cds-ui-04);
    padding: 0.75rem 0;
    margin-top: 0.75rem;
    align-items: start;
  }
  .worth h2 {
    grid-column: 1 / -1;
  }
</style>
