<script lang="ts">
  /** The customer's screens: read from their own reports, or added by hand with the best mode they show. */
  import { Button, TextInput } from 'carbon-components-svelte';
  import Add from 'carbon-icons-svelte/lib/Add.svelte';
  import TrashCan from 'carbon-icons-svelte/lib/TrashCan.svelte';
  import { bestMode, override } from '$core/survey';
  import { emptyScreen, freeNumber, type Machine, type Screen } from '$core/document';
  import { modeWords } from '$words/figures';
  import FactField from './FactField.svelte';
  import { FIELD } from './factFields';
  import { screens as texts } from '$words/stages/survey';

  let { machine, change }: { machine: Machine; change: (machine: Machine) => void } = $props();

  const MODE =
    /^(\d{3,5}) ?[x×] ?(\d{3,5})(?: ?(?:at|@|,)? ?(\d{2,3}(?:[.,]\d{1,3})?) ?(?:hz)?)?$/i;
  let refused = $state('');

  const put = (fresh: Screen) =>
    change({
      ...machine,
      screens: machine.screens.map((each) => (each.id === fresh.id ? fresh : each)),
    });

  function setMode(screen: Screen, text: string) {
    const match = MODE.exec(text.trim().replaceAll(/\s+/g, ' '));
    refused = match === null ? screen.id : '';
    if (match === null) return;
    const mode = {
      widthPx: Number(match[1]),
      heightPx: Number(match[2]),
      refreshHz: Number((match[3] ?? '60').replace(',', '.')),
    };
    put({ ...screen, preferred: override(screen.preferred, mode), modes: [mode] });
  }

  function add() {
    const n = freeNumber(machine.screens, (n) => `screen${n}`);
    const fresh = emptyScreen(`screen${n}`, texts.screen2(n));
    change({ ...machine, screens: [...machine.screens, fresh] });
  }
</script>

<div class="screens">
  {#each machine.screens as screen (screen.id)}
    {@const best = bestMode(screen)}
    <div class="screen">
      <TextInput
        id="{screen.id}-name"
        size="sm"
        labelText={texts.screen}
        value={screen.name}
        on:change={(event) =>
          put({ ...screen, name: String(event.detail ?? '').slice(0, 200) || screen.name })}
      />
      <TextInput
        id="{screen.id}-mode"
        size="sm"
        labelText={texts.bestMode}
        placeholder={texts.notKnown}
        value={best === null ? '' : modeWords(best)}
        invalid={refused === screen.id}
        invalidText={texts.suchAs38402160At}
        on:change={(event) => setMode(screen, String(event.detail ?? ''))}
      />
      <Button
        kind="ghost"
        size="small"
        icon={TrashCan}
        iconDescription={texts.remove(screen.name)}
        tooltipAlignment="end"
        on:click={() =>
          change({ ...machine, screens: machine.screens.filter(({ id }) => id !== screen.id) })}
      />
      <FactField
        id="fact-{screen.id}-screen-input"
        label={texts.input}
        fact={screen.input}
        kind={FIELD['screen.input']}
        onchange={(input) => put({ ...screen, input })}
      />
      <FactField
        id="fact-{screen.id}-screen-otherInputs"
        label={texts.otherInputs}
        fact={screen.otherInputs}
        kind={FIELD['screen.otherInputs']}
        onchange={(otherInputs) => put({ ...screen, otherInputs })}
      />
      {#if screen.tiles.across * screen.tiles.down > 1}
        <p class="quiet">
          {texts.itsWholePictureTakesOutputs(
            screen.tiles.across * screen.tiles.down,
            screen.tiles.across,
            screen.tiles.down,
          )}
        </p>
      {/if}
    </div>
  {/each}
  <Button size="small" kind="tertiary" icon={Add} on:click={add}>{texts.screen}</Button>
</div>

<style>
  .screens {
    grid-column: 1 / -1;
  }
  .screen p {
    grid-column: 1 / -1;
  }
  .screen {
    display: grid;
    grid-template-columns: 1fr 1fr 2rem;
    gap: 0.5rem;
    align-items: start;
    margin-bottom: 1rem;
  }
</style>
