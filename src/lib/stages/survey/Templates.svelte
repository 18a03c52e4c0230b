<script lang="ts">
  /** Machines like this one: templates, machines of earlier jobs, and this one saved as a template. */
  import { Button, Select, SelectItem, SelectItemGroup } from 'carbon-components-svelte';
  import type { Machine } from '$core/document';
  import { shop } from '$lib/state/shop.svelte';
  import { supplies } from '$lib/state/supplies.svelte';
  import type { JobModel } from '../jobModel.svelte';
  import { templates as texts } from '$words/stages/survey';

  let { model, onread }: { model: JobModel; onread: () => void } = $props();

  let said = $state('');
  /** Machines of other jobs, the customer's own first. */
  const known = $derived(
    shop.rows
      .filter(({ id, standing }) => id !== model.job.id && standing !== 'survey')
      .toSorted(
        (a, b) =>
          Number(b.customer === model.job.customer) - Number(a.customer === model.job.customer),
      ),
  );

  async function take(choice: string) {
    const [from, key] = [choice.slice(0, 1), choice.slice(1)];
    const machine: Machine | undefined =
      from === 'j'
        ? (await shop.job(key))?.machine
        : [...supplies.templates, ...supplies.ownTemplates][Number(key)];
    if (machine === undefined) return;
    model.open.run({ name: 'takeTemplate', machine });
    onread();
  }

  async function drop(template: Machine) {
    await supplies.keep('templates', [], [template]);
    said = texts.deletedItStaysInThe(template.name || texts.templateWithoutAName);
  }

  async function keep() {
    const kept = await supplies.keepTemplate(model.job.machine);
    said = kept
      ? texts.keptAsATemplate(model.job.machine.name || texts.machineWithoutAName)
      : texts.itCouldNotBeKept;
  }
</script>

<h3>{texts.orStartFromAMachine}</h3>
<Select
  id="template"
  size="sm"
  labelText={texts.templateOrAMachineThat}
  selected=""
  on:change={(event) => take(String((event.target as HTMLSelectElement | null)?.value ?? ''))}
>
  <SelectItem
    value=""
    text={supplies.templates.length + known.length === 0
      ? texts.noTemplatesAtHand
      : texts.chooseAMachine}
  />
  <SelectItemGroup label={texts.templates}>
    {#each supplies.templates as template, n (n)}
      <SelectItem value="t{n}" text={template.name} />
    {/each}
  </SelectItemGroup>
  {#if supplies.ownTemplates.length > 0}
    <SelectItemGroup label={texts.keptOnThisBench}>
      {#each supplies.ownTemplates as template, n (n)}
        <SelectItem value="t{supplies.templates.length + n}" text={template.name} />
      {/each}
    </SelectItemGroup>
  {/if}
  {#if known.length > 0}
    <SelectItemGroup label={texts.wasHereBefore}>
      {#each known as { id, customer, machine } (id)}
        <SelectItem
          value="j{id}"
          text="{customer || texts.noCustomer}: {machine || texts.noName}"
        />
      {/each}
    </SelectItemGroup>
  {/if}
</Select>
<p class="quiet">
  {texts.itTakesThePlaceOf}
</p>
<div class="row">
  <Button size="small" kind="ghost" disabled={model.job.machine.slots.length === 0} on:click={keep}
    >{texts.keepThisMachineAsA}</Button
  >
  <span role="status">{said}</span>
  {#each supplies.ownTemplates as template, n (n)}
    <Button size="small" kind="danger-ghost" on:click={() => drop(template)}
      >{texts.deleteTheTemplate(template.name || texts.withoutAName)}</Button
    >
  {/each}
</div>

<style>
  h3 {
    margin: 1rem 0 0.25rem;
  }
  .row {
    display: flex;
    gap: 0.5rem;
    align-items: center;
    font-size: 0.8125rem;
  }
</style>
