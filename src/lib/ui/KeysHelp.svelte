<script lang="ts">
  import { Checkbox, Modal } from 'carbon-components-svelte';
  import { letters } from '$lib/state/letters.svelte';

  let { open = $bindable(false) }: { open: boolean } = $props();

  const KEYS: readonly (readonly [string, string])[] = [
    ['?', 'this list'],
    ['/', 'search in the list on the screen'],
    ['1 … 8', 'go to the stage: Survey, Needs, Choose, Prepare, Fit, Drivers, Prove, Hand over'],
    ['Ctrl Z', 'undo, in every stage'],
    ['Ctrl Shift Z', 'redo'],
    ['N', 'a new job, in the list of jobs'],
    ['B', 'to the board; arrows then move from slot to slot'],
    ['Alt ↑ ↓', 'the slot faces the next opening, in Survey'],
    [
      'Arrows',
      'on an obstacle in the drawing, in Survey: a millimetre that way; with Shift ten; with Alt it stretches',
    ],
    ['P  C  W', 'to the best plan, the cards, the watts, in Choose'],
    [
      'T',
      'try the card that has the focus where it does best, and again in the next slot, in Choose',
    ],
    ['Esc', 'take everything on trial off again, in Choose'],
    ['↑ ↓', 'from card to card in the list, in Choose'],
    ['A', 'accept the proposed plan, or what is on trial, in Choose'],
    ['Space', 'tick the step and go to the next, in Prepare, Fit, Drivers and Hand over'],
    ['Backspace', 'take back the last tick there'],
  ];
</script>

<Modal bind:open modalHeading="Keys" passiveModal size="sm" hasScrollingContent>
  <Checkbox
    labelText="Single letters and digits act"
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
