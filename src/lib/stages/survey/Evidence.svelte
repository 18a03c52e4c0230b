<script lang="ts">
  /** How the machine is made to write its report; or a machine like it; and what was reported of its devices. */
  import { Button, CodeSnippet } from 'carbon-components-svelte';
  import Download from 'carbon-icons-svelte/lib/Download.svelte';
  import {
    LINUX_COMMANDS,
    OTHER_SYSTEM_COMMAND,
    THIRD_SYSTEM_COMMAND,
  } from '$lib/wording/evidence';
  import { opensFor } from '$lib/ui/fold';
  import type { JobModel } from '../jobModel.svelte';
  import Devices from './Devices.svelte';
  import Templates from './Templates.svelte';

  let { model, onread }: { model: JobModel; onread: () => void } = $props();

  const machine = $derived(model.job.machine);
</script>

<h3>How to get the report</h3>
<details {@attach opensFor(machine.functions.length === 0)}>
  <summary>Linux: installed, or from a live USB stick</summary>
  <p class="quiet">
    The survey script runs as it is, changes nothing, leaves serial numbers out, and writes one
    file:
  </p>
  <div class="acts">
    <Button size="small" kind="tertiary" icon={Download} href="/survey.sh" download="survey.sh"
      >Survey script</Button
    >
    <code>sudo sh survey.sh</code>
  </div>
  <p class="quiet">Or by hand:</p>
  {#each LINUX_COMMANDS as command (command)}
    <CodeSnippet type="single" code={command} feedback="Copied" />
  {/each}
</details>
<details>
  <summary>Windows</summary>
  <p class="quiet">One line in its shell, as administrator; it writes machine.json:</p>
  <CodeSnippet type="single" code={OTHER_SYSTEM_COMMAND} feedback="Copied" />
</details>
<details>
  <summary>macOS</summary>
  <p class="quiet">One line in its terminal; it writes machine.json:</p>
  <CodeSnippet type="single" code={THIRD_SYSTEM_COMMAND} feedback="Copied" />
</details>
<details>
  <summary>Names of devices</summary>
  <p class="quiet">
    Drop the open lists <code>pci.ids</code> and <code>usb.ids</code> once; they are kept in this browser.
  </p>
</details>

<Templates {model} {onread} />
<Devices {machine} />

<style>
  h3 {
    margin: 1rem 0 0.25rem;
  }
  details {
    margin-top: 0.375rem;
    font-size: 0.8125rem;
  }
  details > :global(.bx--snippet) {
    margin-top: 0.25rem;
    max-width: none;
  }
</style>
