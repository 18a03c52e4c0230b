<script lang="ts">
  import Working from '$lib/ui/Working.svelte';
  /** One thing supposed to be otherwise: plan, rates and price beside the plan as it is. The survey is not touched. */
  import { Button, Select, SelectItem } from 'carbon-components-svelte';
  import { cardName, type Machine } from '$core/document';
  import {
    changed,
    changesFor,
    delivered,
    differenceOf,
    priceOfChange,
    type Change,
    type Delivered,
  } from '$core/planner';
  import { moneyCents, type PlanRequest, type Proposal } from '$core/plans';
  import { valueOf } from '$core/parts';
  import ScrollArea from '$lib/ui/ScrollArea.svelte';
  import { supplies } from '$lib/state/supplies.svelte';
  import { inMegabytes, inMoney } from '$words/figures';
  import { KIND_WORDS } from '$words/kinds/words';
  import { changeWords, differenceWords } from '$words/clashes';
  import type { JobModel } from '../jobModel.svelte';
  import { doing } from './doing';
  import Fetched from '$lib/ui/Fetched.svelte';
  import { whatIf as texts } from '$words/stages/choose';

  let { model }: { model: JobModel } = $props();

  const FACTS = 'facts';
  const job = $derived(model.job);
  const planning = $derived(model.planning);
  const request = $derived(planning.request);
  const changes = $derived(request === null ? [] : changesFor(request));
  const words = (change: Change) =>
    changeWords(change, job.machine, job.needs, supplies.cards ?? []);
  const supposed = $derived(planning.supposed);
  const selected = $derived.by(() => {
    if (supposed === null) return '';
    if (facts !== null) return FACTS;
    return String(
      changes.findIndex((each) => JSON.stringify(each) === JSON.stringify(supposed.change)),
    );
  });
  const act = $derived(supposed === null ? null : doing(model, supposed.change));
  const asIs = $derived(planning.choice?.best ?? null);

  /** With the facts that are supposed already: each further one comes to them. */
  const facts = $derived(supposed?.change.kind === 'machine' ? supposed.change : null);
  const suppose = (machine: Machine) => void planning.suppose({ kind: 'machine', machine });
  let isOpen = $state(false);

  function pick(text: string) {
    if (text === FACTS) return;
    const change = changes[Number(text)];
    if (text === '' || change === undefined) planning.supposed = null;
    else void planning.suppose(change);
  }

  const occupantName = (slotId: string) =>
    valueOf(job.machine.slots.find(({ id }) => id === slotId)?.occupant ?? null)?.name ??
    texts.aCard;
  /** What is bought and where it goes, and what becomes of cards that are there. */
  const cardsOf = (plan: Proposal) => [
    ...plan.placements.map(({ card, slot }) => texts.in(cardName(card), slot.label)),
    ...plan.moves.map(({ card, slot }) => texts.movedTo(cardName(card), slot.label)),
    ...plan.givenUp.map((slotId) => texts.outForGood(occupantName(slotId))),
  ];

  /** What each need gets, by its id, in words. */
  const getsOf = (plan: Proposal, asked: PlanRequest): ReadonlyMap<string, string> =>
    new Map(delivered(plan, asked).map((each) => [each.need.id, gets(each)]));
  function gets({ isUnmet, bytesPerSecond }: Delivered): string {
    if (isUnmet) return texts.notMet;
    return bytesPerSecond === null ? texts.met : texts.upTo(inMegabytes(bytesPerSecond));
  }
  const now = $derived(asIs === null || request === null ? null : getsOf(asIs, request));
  const then = $derived(
    supposed?.plan == null || request === null
      ? null
      : getsOf(supposed.plan, changed(request, supposed.change)),
  );
</script>

<section aria-labelledby="what-if-heading">
  <h2 id="what-if-heading">{texts.whatIf}</h2>
  <Select
    id="what-if"
    size="sm"
    labelText={texts.changeOneThingAndSee}
    {selected}
    on:change={(event) => pick(String((event.target as HTMLSelectElement | null)?.value ?? ''))}
  >
    <SelectItem value="" text={texts.nothing} />
    {#if facts !== null}<SelectItem value={FACTS} text={words(facts)} />{/if}
    {#each changes as change, n (n)}<SelectItem value={String(n)} text={words(change)} />{/each}
  </Select>
  {#if supposed !== null && asIs !== null}
    {#if supposed.plan === null}
      <Working words={texts.planningForThat} />
    {:else}
      {@const plan = supposed.plan}
      {@const changeCents = priceOfChange(supposed.change)}
      <ScrollArea label={texts.asItIsAndIf}>
        <table class="plain">
          <thead>
            <tr
              ><td></td><th scope="col">{texts.asItIs}</th><th scope="col"
                >{texts.if(words(supposed.change))}</th
              ></tr
            >
          </thead>
          <tbody>
            <tr>
              <th scope="row">{texts.cards}</th>
              {#each [asIs, plan] as each, n (n)}
                <td>
                  {#each cardsOf(each) as line, m (m)}<div
                      class:differs={!cardsOf(n === 0 ? plan : asIs).includes(line)}
                    >
                      {line}
                    </div>{:else}{texts.nothing}{/each}
                </td>
              {/each}
            </tr>
            {#each job.needs as need (need.id)}
              {@const before = now?.get(need.id) ?? '–'}
              {@const after = then?.get(need.id) ?? texts.noLongerAsked}
              <tr>
                <th scope="row">{KIND_WORDS[need.kind]}</th>
                <td>{before}</td>
                <td class:differs={before !== after}>{after}</td>
              </tr>
            {/each}
            <tr>
              <th scope="row">{texts.priceBeforeTax}</th>
              <td class="number">{inMoney(moneyCents(asIs.cost.parts))}</td>
              <td class="number">{inMoney(moneyCents(plan.cost.parts))}</td>
            </tr>
            <tr>
              <th scope="row">{texts.theChangeItself}</th>
              <td class="number">–</td>
              <td class="number">{changeCents === null ? texts.notKnown : inMoney(changeCents)}</td>
            </tr>
            <tr>
              <th scope="row">{texts.score}</th>
              <td class="number">{inMoney(asIs.cost.score / 100)}</td>
              <td class="number">
                {inMoney(plan.cost.score / 100)}, {differenceWords(
                  differenceOf(plan.cost, asIs.cost),
                )}
              </td>
            </tr>
          </tbody>
        </table>
      </ScrollArea>
      <div class="acts">
        {#if act}
          <Button size="small" kind="tertiary" on:click={act}
            >{'extra' in supposed.change ? texts.buyIt : texts.doIt}</Button
          >
        {/if}
        <Button size="small" kind="ghost" on:click={() => (planning.supposed = null)}
          >{texts.supposeNothing}</Button
        >
      </div>
    {/if}
  {/if}
  <details bind:open={isOpen}>
    <summary>{texts.anyOtherFactOfThe}</summary>
    {#if isOpen && request !== null}
      <Fetched load={() => import('./SupposedFacts.svelte')}>
        {#snippet shown(SupposedFacts)}<SupposedFacts
            machine={facts?.machine ?? request.machine}
            change={suppose}
          />{/snippet}
      </Fetched>
    {/if}
  </details>
</section>

<style>
  table {
    font-size: 0.8125rem;
    margin: 0.75rem 0;
  }
  td,
  th {
    vertical-align: top;
    padding-right: 0.75rem;
  }
  details {
    font-size: 0.8125rem;
    margin: 0.5rem 0;
  }
  .differs {
    font-weight: 600;
    border-left: 3px solid var(--tenant-plan);
    padding-left: 0.375rem;
  }
</style>
