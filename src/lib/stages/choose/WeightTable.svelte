<script lang="ts">
  /** The parts of a plan's cost and how much each counts, which may be changed. */
  import { Button } from 'carbon-components-svelte';
  import { COST_PARTS, PLAIN_WEIGHTS, type CostPart, type WeighedPart } from '$core/document';
  import type { Proposal } from '$core/plans';
  import { inMoney } from '$words/figures';
  import { PART_WORDS, scoreMoney } from '$words/plans';
  import type { JobModel } from '../jobModel.svelte';
  import { weightTable as texts } from '$words/stages/choose';

  let { model, plan }: { model: JobModel; plan: Proposal } = $props();

  const weights = $derived(model.job.weights);
  const isPlain = $derived(
    Object.entries(PLAIN_WEIGHTS).every(
      ([part, percent]) => weights[part as WeighedPart] === percent,
    ),
  );
  const isWeighed = (part: CostPart): part is WeighedPart => Object.hasOwn(PLAIN_WEIGHTS, part);
  let refused = $state<CostPart | null>(null);

  function set(part: WeighedPart, input: HTMLInputElement) {
    const percent = Number(input.value);
    const fits =
      input.value.trim() !== '' && Number.isInteger(percent) && percent >= 0 && percent <= 1000;
    refused = fits ? null : part;
    if (fits && percent !== weights[part]) {
      model.open.run({ name: 'setWeights', weights: { ...weights, [part]: percent } });
    }
  }
</script>

<table class="plain">
  <thead>
    <tr>
      <th scope="col">{texts.part}</th><th scope="col" class="number">{texts.reckoned}</th>
      <th scope="col" class="number">{texts.counts}</th><th scope="col" class="number"
        >{texts.weighs}</th
      >
    </tr>
  </thead>
  <tbody>
    {#each COST_PARTS as part (part)}
      {@const cents = plan.cost.parts[part] ?? 0}
      {@const percent = isWeighed(part) ? weights[part] : 100}
      <tr>
        <th scope="row">{PART_WORDS[part]}</th>
        <td class="number">{inMoney(cents)}</td>
        <td class="number">
          {#if isWeighed(part)}
            <input
              class="inline"
              type="number"
              min="0"
              max="1000"
              step="10"
              value={percent}
              aria-label={texts.howMuchCountsInPercent(PART_WORDS[part])}
              aria-invalid={refused === part}
              onchange={(event) => set(part, event.currentTarget)}
            />
          {:else}100{/if}
        </td>
        <td class="number">{inMoney((cents * percent) / 100)}</td>
      </tr>
      {#if refused === part}
        <tr>
          <td colspan="4" class="refused">
            <span role="alert">{texts.aWholeNumberFrom0(PART_WORDS[part])}</span>
          </td>
        </tr>
      {/if}
    {/each}
  </tbody>
  <tfoot>
    <tr>
      <th scope="row" colspan="3">{texts.together}</th>
      <td class="number"><strong>{scoreMoney(plan)}</strong></td>
    </tr>
  </tfoot>
</table>
{#if !isPlain}
  <Button
    size="small"
    kind="ghost"
    on:click={() => model.open.run({ name: 'setWeights', weights: PLAIN_WEIGHTS })}
    >{texts.countEverythingAsUsual}</Button
  >
{/if}
<p class="quiet">
  {texts.whatIsNotMoneyIs}
</p>

<style>
  input {
    width: 4.5rem;
    padding: 0.125rem 0.25rem;
  }
  .refused {
    color: var(--tenant-blocked);
    text-align: right;
  }
  input[aria-invalid='true'] {
    outline: 2px solid var(--cds-support-01);
  }
</style>
