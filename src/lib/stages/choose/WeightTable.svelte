<script lang="ts">
  /** The parts of a plan's cost and how much each counts, which may be changed. */
  import { Button } from 'carbon-components-svelte';
  import { COST_PARTS, PLAIN_WEIGHTS, type CostPart, type WeighedPart } from '$core/document';
  import type { Proposal } from '$core/plans';
  import { inMoney } from '$lib/wording/figures';
  import { PART_WORDS, scoreMoney } from '$lib/wording/plans';
  import type { JobModel } from '../jobModel.svelte';

  let { model, plan }: { model: JobModel; plan: Proposal } = $props();

  const weights = $derived(model.job.weights);
  const isPlain = $derived(
    Object.entries(PLAIN_WEIGHTS).every(
      ([part, percent]) => weights[part as WeighedPart] === percent,
    ),
  );
  const isWeighed = (part: CostPart): part is WeighedPart => part !== 'price' && part !== 'extras';
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
      <th scope="col">Part</th><th scope="col" class="number">Reckoned</th>
      <th scope="col" class="number">Counts, %</th><th scope="col" class="number">Weighs</th>
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
              aria-label="How much “{PART_WORDS[part]}” counts, in percent"
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
            <span role="alert"
              >A whole number from 0 to 1000 is wanted for “{PART_WORDS[part]}”.</span
            >
          </td>
        </tr>
      {/if}
    {/each}
  </tbody>
  <tfoot>
    <tr>
      <th scope="row" colspan="3">Together</th>
      <td class="number"><strong>{scoreMoney(plan)}</strong></td>
    </tr>
  </tfoot>
</table>
{#if !isPlain}
  <Button
    size="small"
    kind="ghost"
    on:click={() => model.open.run({ name: 'setWeights', weights: PLAIN_WEIGHTS })}
    >Count everything as usual</Button
  >
{/if}
<p class="quiet">
  What is not money is reckoned in money by common practice, so that it can be set against a price:
  15.00 for fitting a card, 25.00 for moving one, 1.00 for a day of waiting.
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
