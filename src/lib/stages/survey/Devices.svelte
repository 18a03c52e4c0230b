<script lang="ts">
  /** What the machine reported of its devices: ports with slots, what does not work, and everything as a tree. */
  import { deviceProblemIn } from '$core/standards';
  import {
    functionName,
    portTree,
    portsWithSlots,
    type PortWithSlot,
    type TreeNode,
  } from '$core/read';
  import type { Machine } from '$core/document';
  import { DEVICE_PROBLEM_WORDS, statusWords } from '$words/deviceProblems';
  import { linkWords } from '$words/figures';
  import { devices as texts } from '$words/stages/survey';

  let { machine }: { machine: Machine } = $props();

  const ports = $derived(portsWithSlots(machine.functions));
  /** Hundreds of lines are drawn when they are asked for. */
  let treeShown = $state(false);
  const megabytes = (bytes: number): string => texts.mb(bytes / 2 ** 20);
</script>

{#snippet branch(nodes: readonly TreeNode[])}
  <ul>
    {#each nodes as { function: fn, children }, n (n)}
      <li>
        <code>{fn.address.slice(5)}</code>
        {functionName(fn)}
        <span class="quiet">
          {#if fn.driver}{texts.driver(fn.driver)}{:else if fn.modules?.length}{texts.couldRunOn(
              fn.modules.join(', '),
            )}{/if}
          {#if fn.resizableBar}{texts.memoryWindowOf(
              megabytes(fn.resizableBar.nowBytes),
              megabytes(fn.resizableBar.mostBytes),
            )}{/if}
        </span>
        {#if children.length > 0}{@render branch(children)}{/if}
      </li>
    {/each}
  </ul>
{/snippet}

{#snippet trained(port: PortWithSlot)}
  {port.trained === null ? '–' : linkWords(port.trained)}
  {#if port.belowAble && port.bothAble}
    <strong class="below">{texts.belowWhichBothCouldDo(linkWords(port.bothAble))}</strong>
  {/if}
{/snippet}

{#if machine.inTrouble.length > 0}
  <h3>{texts.devicesThatAreNotWorking}</h3>
  <ul class="trouble">
    {#each machine.inTrouble as { id, name, status }, n (n)}
      {@const problem = deviceProblemIn(status)}
      <li>
        <strong>{name || texts.noName}</strong>
        {statusWords(status)} <code>{id}</code>
        {#if problem !== null}
          <span class="meaning"
            >{DEVICE_PROBLEM_WORDS[problem].means} {DEVICE_PROBLEM_WORDS[problem].next}</span
          >
        {/if}
      </li>
    {/each}
  </ul>
{/if}
{#if ports.length > 0}
  <table class="plain">
    <caption>{texts.portsWithSlotsAsThey}</caption>
    <thead>
      <tr>
        <th scope="col">{texts.slot}</th>
        <th scope="col">{texts.port}</th>
        <th scope="col">{texts.widestLink}</th>
        <th scope="col">{texts.powerLimit}</th>
        <th scope="col">{texts.holds}</th>
        <th scope="col">{texts.trainedTo}</th>
      </tr>
    </thead>
    <tbody>
      {#each ports as port, n (n)}
        <tr>
          <td>{port.slotNumber}</td>
          <td><code>{port.port.address.slice(5)}</code></td>
          <td>{port.able === null ? texts.notTold : linkWords(port.able)}</td>
          <td>{port.powerWatts === 0 ? texts.notSet : texts.w(port.powerWatts)}</td>
          <td>{port.occupant === null ? texts.nothing : functionName(port.occupant)}</td>
          <td>{@render trained(port)}</td>
        </tr>
      {/each}
    </tbody>
  </table>
{/if}
{#if machine.functions.length > 0}
  <details bind:open={treeShown}>
    <summary>{texts.allDevicesAsATree(machine.functions.length)}</summary>
    {#if treeShown}<div class="tree">{@render branch(portTree(machine.functions))}</div>{/if}
  </details>
{/if}

<style>
  h3 {
    margin: 1rem 0 0.25rem;
  }
  .trouble {
    font-size: 0.8125rem;
    border-left: 4px solid var(--tenant-limited);
    padding-left: 0.75rem;
  }
  .below {
    display: block;
    color: var(--tenant-limited);
  }
  .meaning {
    display: block;
    color: var(--cds-text-02);
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
