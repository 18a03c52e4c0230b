<script lang="ts">
  /** What is done before the machine is opened; at some steps something is entered, or found to be other than ordered. */
  import { Button } from 'carbon-components-svelte';
  import { onId, type Stage } from '$core/document';
  import { steps, type Step } from '$core/procedure';
  import type { JobModel } from '../jobModel.svelte';
  import DoesNotGo from '../fit/DoesNotGo.svelte';
  import StepStage from '../steps/StepStage.svelte';
  import Photos from '../survey/Photos.svelte';
  import FactQuestion from './FactQuestion.svelte';
  import BeforeFigures from './BeforeFigures.svelte';
  import FirmwareSettings from './FirmwareSettings.svelte';
  import { prepareStage as texts } from '$words/stages/prepare';

  let { model, stage }: { model: JobModel; stage: Stage } = $props();

  const ORDERS: readonly Step['code'][] = ['order', 'orderExtra', 'orderNamed'];

  /** The step at which something came that is not as ordered. */
  let amiss = $state<string | null>(null);

  /** What ordered the part that a step looks at; null: it lay in the drawer. */
  const orderOf = ({ on }: Step): Step | null =>
    steps(model.job).find((step) => ORDERS.includes(step.code) && onId(step.on) === onId(on)) ??
    null;
</script>

{#snippet about(step: Step, letGo: () => void)}
  {#if step.code === 'checkArrived' || step.code === 'checkExtra'}
    {#if amiss === step.id}
      <div class="amiss">
        <DoesNotGo
          {model}
          {step}
          order={orderOf(step)}
          close={() => {
            amiss = null;
            letGo();
          }}
        />
      </div>
    {:else}
      <div class="amiss">
        <Button size="small" kind="tertiary" on:click={() => (amiss = step.id)}
          >{texts.itIsNotAsOrdered}</Button
        >
      </div>
    {/if}
  {:else if step.code === 'settle'}
    <FactQuestion {model} {step} {letGo} />
  {:else if step.code === 'before'}
    <BeforeFigures {model} />
  {:else if step.code === 'noteSettings'}
    <FirmwareSettings {model} />
  {:else if step.code === 'photoBehind'}
    <Photos {model} slotId={null} />
  {/if}
{/snippet}

<StepStage {model} {stage} {about} mayTick={({ id, code }) => amiss !== id && code !== 'settle'} />

<style>
  .amiss {
    margin-bottom: 1rem;
  }
</style>
