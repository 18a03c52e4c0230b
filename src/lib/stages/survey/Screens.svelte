<script lang="ts">
  /** The customer's screens: read from their own reports, or added by hand with the best mode they show. */
  import { Button, Select, SelectItem, TextInput } from 'carbon-components-svelte';
  import Add from 'carbon-icons-svelte/lib/Add.svelte';
  import TrashCan from 'carbon-icons-svelte/lib/TrashCan.svelte';
  import { SCREEN_INPUTS, bestMode, tell, valueOf, type Machine, type Screen } from '$core';
  import { INPUT_WORDS } from '$lib/wording/evidence';
  import { modeWords } from '$lib/wording/figures';

  let { machine, change }: { machine: Machine; change: (machine: Machine, what: string) => void } =
    $props();

  const MODE =
    /^(\d{3,5}) ?[x×] ?(\d{3,5})(?: ?(?:at|@|,)? ?(\d{2,3}(?:[.,]\d{1,3})?) ?(?:hz)?)?$/i;
  let refused = $state('');

  const put = (fresh: Screen, what: string) =>
    change(
      { ...machine, screens: machine.screens.map((each) => (each.id === fresh.id ? fresh : each)) },
      `${fresh.name}: ${what}`,
    );

  function setMode(screen: Screen, text: string) {
    const match = MODE.exec(text.trim().replaceAll(/\s+/g, ' '));
    refused = match === null ? screen.id : '';
    if (match === null) return;
    const mode = {
      widthPx: Number(match[1]),
      heightPx: Number(match[2]),
      refreshHz: Number((match[3] ?? '60').replace(',', '.')),
    };
    put({ ...screen, preferred: tell(screen.preferred, mode), modes: [mode] }, 'mode');
  }

  function add() {
    let n = machine.screens.length + 1;
    while (machine.screens.some(({ id }) => id === `screen${n}`)) n += 1;
    const fresh: Screen = {
      id: `screen${n}`,
      name: `Screen ${n}`,
      input: null,
      preferred: null,
      modes: [],
    };
    change({ ...machine, screens: [...machine.screens, fresh] }, `${fresh.name} added`);
  }
</script>

<div class="screens">
  {#each machine.screens as screen (screen.id)}
    {@const best = bestMode(screen)}
    <div class="screen">
      <TextInput
        id="{screen.id}-name"
        size="sm"
        labelText="Screen"
        value={screen.name}
        on:change={(event) =>
          put({ ...screen, name: String(event.detail ?? '').slice(0, 200) || screen.name }, 'name')}
      />
      <Select
        id="{screen.id}-input"
        size="sm"
        labelText="Input"
        selected={valueOf(screen.input) ?? ''}
        on:change={(event) => {
          const value = (event.target as HTMLSelectElement | null)?.value ?? '';
          const input = SCREEN_INPUTS.find((each) => each === value) ?? null;
          put({ ...screen, input: tell(screen.input, input) }, 'input');
        }}
      >
        <SelectItem value="" text="not known" />
        {#each SCREEN_INPUTS as input (input)}
          <SelectItem value={input} text={INPUT_WORDS[input]} />
        {/each}
      </Select>
      <TextInput
        id="{screen.id}-mode"
        size="sm"
        labelText="Best mode"
        placeholder="not known"
        value={best === null ? '' : modeWords(best)}
        invalid={refused === screen.id}
        invalidText="such as 3840 × 2160 at 60 Hz"
        on:change={(event) => setMode(screen, String(event.detail ?? ''))}
      />
      <Button
        kind="ghost"
        size="small"
        icon={TrashCan}
        iconDescription="Remove {screen.name}"
        tooltipAlignment="end"
        on:click={() =>
          change(
            { ...machine, screens: machine.screens.filter(({ id }) => id !== screen.id) },
            `${screen.name} removed`,
          )}
      />
    </div>
  {/each}
  <Button size="small" kind="tertiary" icon={Add} on:click={add}>Screen</Button>
</div>

<style>
  .screens {
    grid-column: 1 / -1;
  }
  .screen {
    display: grid;
    grid-template-columns: 1fr 7rem 11rem auto;
    gap: 0.5rem;
    align-items: end;
    margin-bottom: 0.5rem;
  }
</style>
