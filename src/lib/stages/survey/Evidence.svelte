<script lang="ts">
  /** How the machine is made to write its report; or a machine like it; and what was reported of its devices. */
  import { Button, CodeSnippet } from 'carbon-components-svelte';
  import Download from 'carbon-icons-svelte/lib/Download.svelte';
  import { LINUX_COMMANDS, OTHER_SYSTEM_COMMAND, THIRD_SYSTEM_COMMAND } from '$words/evidence';
  import { opensFor } from '$lib/ui/fold';
  import type { JobModel } from '../jobModel.svelte';
  import Devices from './Devices.svelte';
  import Templates from './Templates.svelte';
  import { evidence as texts } from '$words/stages/survey';

  let { model, onread }: { model: JobModel; onread: () => void } = $props();

  const machine = $derived(model.job.machine);
</script>

<h3>{texts.howToGetTheReport}</h3>
<details {@attach opensFor(machine.functions.length === 0)}>
  <summary>{texts.linuxInstalledOrFromA}</summary>
  <p class="quiet">
    {texts.theSurveyScriptRunsAs}
  </p>
  <div class="acts">
    <Button size="small" kind="tertiary" icon={Download} href="/survey.sh" download="survey.sh"
      >{texts.surveyScript}</Button
    >
    <code>sudo sh survey.sh</code>
  </div>
  <p class="quiet">{texts.orByHand}</p>
  {#each LINUX_COMMANDS as command (command)}
    <CodeSnippet
      type="single"
      code={command}
      feedback={texts.copied}
      copyButtonDescription={texts.copy}
      aria-label={texts.whatToType}
    />
  {/each}
</details>
<details>
  <summary>{texts.windows}</summary>
  <p class="quiet">{texts.oneLineInItsShell}</p>
  <CodeSnippet
    type="single"
    code={OTHER_SYSTEM_COMMAND}
    feedback={texts.copied}
    copyButtonDescription={texts.copy}
    aria-label={texts.whatToType}
  />
</details>
<details>
  <summary>{texts.macos}</summary>
  <p class="quiet">{texts.oneLineInItsTerminal}</p>
  <CodeSnippet
    type="single"
    code={THIRD_SYSTEM_COMMAND}
    feedback={texts.copied}
    copyButtonDescription={texts.copy}
    aria-label={texts.whatToType}
  />
</details>
<details>
  <summary>{texts.namesOfDevices}</summary>
  <p class="quiet">
    {texts.dropTheOpenLists} <code>pci.ids</code>
    {texts.and} <code>usb.ids</code>
    {texts.onceTheyAreKeptIn}
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
