<script lang="ts">
  import {
    Button,
    CodeSnippet,
    FileUploaderButton,
    InlineLoading,
    Select,
    SelectItem,
    TextArea,
  } from 'carbon-components-svelte';
  import { functionName, portTree, portsWithSlots, type PciReading, type TreeNode } from '$core';
  import { shop } from '$lib/state/shop.svelte';
  import { coreWorker } from '$lib/workers/core';
  import { linkWords } from '$lib/wording/figures';
  import { problemPlace, problemWords } from '$lib/wording/problems';
  import type { JobModel } from '../jobModel.svelte';

  let { model, onread }: { model: JobModel; onread: () => void } = $props();

  let pasted = $state('');
  let reading = $state(false);
  let result = $state.raw<PciReading | null>(null);
  let over = $state(false);

  const machine = $derived(model.job.machine);
  const ports = $derived(portsWithSlots(machine.functions));
  const tree = $derived(portTree(machine.functions));

  async function read(text: string) {
    if (text.trim() === '') return;
    reading = true;
    try {
      const answer = await coreWorker().readLspci(text);
      result = answer;
      if (answer.functions.length > 0) {
        model.open.run({ name: 'readMachine', reading: answer });
        pasted = '';
        if (answer.problems.length === 0) onread();
      }
    } finally {
      reading = false;
    }
  }

  async function drop(event: DragEvent) {
    event.preventDefault();
    over = false;
    const files = [...(event.dataTransfer?.files ?? [])];
    const text =
      files.length > 0 ? await joined(files) : (event.dataTransfer?.getData('text') ?? '');
    await read(text);
  }

  /** Several reports of one machine, such as text and registers, are read as one. */
  const joined = async (files: readonly File[]): Promise<string> =>
    (await Promise.all(files.map((file) => file.text()))).join('\n');

  function takeTemplate(name: string) {
    const template = shop.templates.find((each) => each.name === name);
    if (template !== undefined) model.open.run({ name: 'takeTemplate', machine: template });
    onread();
  }
</script>

{#snippet branch(nodes: readonly TreeNode[])}
  <ul>
    {#each nodes as node (node.function.address)}
      <li>
        <code>{node.function.address.slice(5)}</code>
        {functionName(node.function)}
        {#if node.children.length > 0}{@render branch(node.children)}{/if}
      </li>
    {/each}
  </ul>
{/snippet}

<h3>What the machine itself can write</h3>
<p class="quiet">On its own Linux system or a live stick, as root so that nothing is left out:</p>
<CodeSnippet type="single" code="sudo lspci -vvnn > machine.txt" feedback="Copied" />
<p class="quiet">
  or <code>sudo lspci -nn -xxxx</code>, whose registers Tenant reads itself. Nothing leaves this
  browser.
</p>
<div
  class="drop"
  class:over
  role="group"
  aria-label="Drop the report here"
  ondragover={(event) => {
    event.preventDefault();
    over = true;
  }}
  ondragleave={() => (over = false)}
  ondrop={drop}
>
  <TextArea
    id="evidence-text"
    labelText="Drop the file here, or paste its text"
    rows={4}
    bind:value={pasted}
  />
  <div class="row">
    <Button size="small" disabled={pasted.trim() === '' || reading} on:click={() => read(pasted)}
      >Read it</Button
    >
    <FileUploaderButton
      id="evidence-file"
      size="small"
      kind="tertiary"
      labelText="Choose files"
      multiple
      disableLabelChanges
      on:change={async (event) => read(await joined(event.detail))}
    />
    {#if reading}<InlineLoading description="Reading" />{/if}
  </div>
</div>

{#if result}
  <div class="result" role="status">
    <strong
      >{result.functions.length === 0
        ? 'Nothing was read; the survey has not changed.'
        : `${result.functions.length} devices read, ${ports.length} ports with slots.`}</strong
    >
    {#if result.problems.length > 0}
      <ul>
        {#each result.problems as problem, n (n)}
          <li><strong>{problemPlace(problem)}</strong> {problemWords(problem)}</li>
        {/each}
      </ul>
    {/if}
  </div>
{/if}

<h3>Or start from a machine like it</h3>
<Select
  id="template"
  size="sm"
  labelText="Template"
  selected=""
  on:change={(event) =>
    takeTemplate(String((event.target as HTMLSelectElement | null)?.value ?? ''))}
>
  <SelectItem
    value=""
    text={shop.templates.length === 0 ? 'no templates at hand' : 'choose a machine'}
  />
  {#each shop.templates as template (template.name)}
    <SelectItem value={template.name} text={template.name} />
  {/each}
</Select>
<p class="quiet">
  A template replaces the survey so far; undo brings it back. What the machine reports wins over it.
</p>

{#if ports.length > 0}
  <table class="plain">
    <caption>Ports with slots, by their own report</caption>
    <thead>
      <tr>
        <th scope="col">Slot</th>
        <th scope="col">Port</th>
        <th scope="col">Widest link</th>
        <th scope="col">Power limit</th>
        <th scope="col">Holds</th>
        <th scope="col">Trained to</th>
      </tr>
    </thead>
    <tbody>
      {#each ports as port (port.port.address)}
        <tr>
          <td>{port.slotNumber}</td>
          <td><code>{port.port.address.slice(5)}</code></td>
          <td>{port.able === null ? 'not told' : linkWords(port.able)}</td>
          <td>{port.powerWatts === 0 ? 'not set' : `${port.powerWatts} W`}</td>
          <td>{port.occupant === null ? 'nothing' : functionName(port.occupant)}</td>
          <td>
            {port.trained === null ? '–' : linkWords(port.trained)}
            {#if port.belowAble && port.bothAble}
              <strong class="below">below {linkWords(port.bothAble)}, which both could do</strong>
            {/if}
          </td>
        </tr>
      {/each}
    </tbody>
  </table>
  <details>
    <summary>All {machine.functions.length} devices as a tree</summary>
    <div class="tree">{@render branch(tree)}</div>
  </details>
{/if}

<style>
  h3 {
    margin: 1rem 0 0.25rem;
  }
  h3:first-child {
    margin-top: 0;
  }
  .drop {
    margin-top: 0.75rem;
    padding: 0.75rem;
    border: 1px dashed var(--cds-text-02);
  }
  .drop.over {
    border-color: var(--tenant-plan);
    background: var(--tenant-plan-soft);
  }
  .row {
    display: flex;
    gap: 0.75rem;
    margin-top: 0.5rem;
    align-items: center;
  }
  .result {
    margin-top: 0.75rem;
    font-size: 0.8125rem;
  }
  .result li {
    margin-top: 0.25rem;
  }
  .below {
    display: block;
    color: var(--tenant-limited);
  }
  table {
    margin-top: 1.25rem;
  }
  details {
    margin-top: 0.75rem;
    font-size: 0.8125rem;
  }
  .tree :global(ul) {
    list-style: none;
    padding-left: 0.75rem;
    border-left: 1px solid var(--cds-ui-04);
    line-height: 1.5;
  }
</style>
