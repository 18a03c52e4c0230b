<script lang="ts">
  /** Machines like this one: templates, machines of earlier jobs, and this one saved as a template. */
  import { Button, Select, SelectItem, SelectItemGroup } from 'carbon-components-svelte';
  import type { Machine } from '$core/document';
  import { shop } from '$lib/state/shop.svelte';
  import { supplies } from '$lib/state/supplies.svelte';
  import type { JobModel } from '../jobModel.svelte';

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
    said = `Deleted: ${template.name || 'template without a name'}. It stays in the bin for 30 days.`;
  }

  async function keep() {
    const kept = await supplies.keepTemplate(model.job.machine);
    said = kept
      ? `Kept as a template: ${model.job.machine.name || 'machine without a name'}.`
      : 'It could not be kept: the browser’s store is full or blocked.';
  }
</script>

<h3>Or start from a machine like it</h3>
<Select
  id="template"
  size="sm"
  labelText="Template, or a machine that was here before"
  selected=""
  on:change={(event) => take(String((event.target as HTMLSelectElement | null)?.value ?? ''))}
>
  <SelectItem
    value=""
    text={supplies.templates.length + known.length === 0
      ? 'no templates at hand'
      : 'choose a machine'}
  />
  <SelectItemGroup label="Templates">
    {#each supplies.templates as template, n (n)}
      <SelectItem value="t{n}" text={template.name} />
    {/each}
  </SelectItemGroup>
  {#if supplies.ownTemplates.length > 0}
    <SelectItemGroup label="Kept on this bench">
      {#each supplies.ownTemplates as template, n (n)}
        <SelectItem value="t{supplies.templates.length + n}" text={template.name} />
      {/each}
    </SelectItemGroup>
  {/if}
  {#if known.length > 0}
    <SelectItemGroup label="Was here before">
      {#each known as { id, customer, machine } (id)}
        <SelectItem value="j{id}" text="{customer || 'no customer'}: {machine || 'no name'}" />
      {/each}
    </SelectItemGroup>
  {/if}
</Select>
<p class="quiet">
  It takes the place of the survey so far; undo brings that back. What the machine reports wins over
  it.
</p>
<div class="row">
  <Button size="small" kind="ghost" disabled={model.job.machine.slots.length === 0} on:click={keep}
    >Keep this machine as a template</Button
  >
  <span role="status">{said}</span>
  {#each supplies.ownTemplates as template, n (n)}
    <Button size="small" kind="danger-ghost" on:click={() => drop(template)}
      >Delete the template {template.name || 'without a name'}</Button
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
