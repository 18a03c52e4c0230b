<script lang="ts">
  import { Checkbox, Modal } from 'carbon-components-svelte';
  import { letters } from '$lib/state/letters.svelte';
  import { keysHelp as texts } from '$words/ui';

  let { open = $bindable(false) }: { open: boolean } = $props();

  const KEYS: readonly (readonly [string, string])[] = [
    ['?', texts.thisList],
    ['/', texts.searchInTheListOn],
    ['1 … 8', texts.goToTheStageSurvey],
    [texts.ctrlZ, texts.undoInEveryStage],
    [texts.ctrlShiftZ, texts.redo],
    ['N', texts.aNewJobInThe],
    ['B', texts.toTheBoardArrowsThen],
    [texts.alt, texts.theSlotFacesTheNext],
    [texts.arrows, texts.onAnObstacleInThe],
    ['P  C  W', texts.toTheBestPlanThe],
    ['T', texts.tryTheCardThatHas],
    [texts.esc, texts.takeEverythingOnTrialOff],
    ['↑ ↓', texts.fromCardToCardIn],
    ['A', texts.acceptTheProposedPlanOr],
    ['Space', texts.tickTheStepAndGo],
    ['Backspace', texts.takeBackTheLastTick],
  ];
</script>

<Modal
  iconDescription={texts.close}
  bind:open
  modalHeading={texts.keys}
  passiveModal
  size="sm"
  hasScrollingContent
>
  <Checkbox
    labelText={texts.singleLettersAndDigitsAct}
    checked={letters.act}
    on:check={(event) => letters.switchTo(event.detail)}
  />
  <table class="plain">
    <tbody>
      {#each KEYS as [key, does] (key)}
        <tr><th scope="row"><kbd>{key}</kbd></th><td>{does}</td></tr>
      {/each}
    </tbody>
  </table>
</Modal>

<style>
  th {
    width: 8rem;
  }
  kbd {
    font-family: 'IBM Plex Mono', monospace;
  }
</style>
