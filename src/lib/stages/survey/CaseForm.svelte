<script lang="ts">
  import { Button, Checkbox, TextInput } from 'carbon-components-svelte';
  import Add from 'carbon-icons-svelte/lib/Add.svelte';
  import TrashCan from 'carbon-icons-svelte/lib/TrashCan.svelte';
  import type { Box, Machine } from '$core';
  import FactField from './FactField.svelte';
  import { PLUGS_FIELD, choiceField, numberField } from './fields';

  let { machine, change }: { machine: Machine; change: (machine: Machine, what: string) => void } =
    $props();

  const BRACKET = choiceField([
    ['full', 'full height'],
    ['low', 'low profile'],
  ] as const);
  const COVERS = choiceField([
    ['screwed', 'screwed'],
    ['clipped', 'clipped'],
    ['snapped', 'snapped off'],
  ] as const);
  const OPENINGS = numberField('a number of openings', { least: 1, most: 12 });
  const ROOM = numberField('a length', { unit: 'mm', least: 60, most: 450, whole: false });
  const WATTS = numberField('a number of watts', { unit: 'W', least: 1, most: 3000, whole: false });
  const MEASURES: readonly (readonly [
    keyof Box & ('xMm' | 'yMm' | 'widthMm' | 'depthMm' | 'heightMm'),
    string,
    number,
  ])[] = [
    ['xMm', 'From the rear', 0],
    ['yMm', 'From the board’s top', -50],
    ['widthMm', 'Along the slot', 1],
    ['depthMm', 'Across it', 1],
    ['heightMm', 'High', 1],
  ];

  const box = $derived(machine.case);
  const supply = $derived(machine.supply);
  const putCase = (fresh: Partial<Machine['case']>, what: string) =>
    change({ ...machine, case: { ...box, ...fresh } }, what);
  const putSupply = (fresh: Partial<Machine['supply']>, what: string) =>
    change({ ...machine, supply: { ...supply, ...fresh } }, what);
  const putBox = (fresh: Box, what: string) =>
    change(
      { ...machine, boxes: machine.boxes.map((each) => (each.id === fresh.id ? fresh : each)) },
      `${fresh.name}: ${what}`,
    );

  let refused = $state('');

  function measure(of: Box, key: (typeof MEASURES)[number][0], least: number, text: string) {
    const value = Number(text.replace(',', '.'));
    refused = text.trim() === '' || !(value >= least && value <= 450) ? `${of.id}-${key}` : '';
    if (refused === '' && value !== of[key]) putBox({ ...of, [key]: value }, 'measured');
  }

  function addBox() {
    let n = machine.boxes.length + 1;
    while (machine.boxes.some(({ id }) => id === `box${n}`)) n += 1;
    const fresh: Box = {
      id: `box${n}`,
      name: `Thing ${n}`,
      xMm: 120,
      yMm: 200,
      widthMm: 30,
      depthMm: 12,
      heightMm: 15,
      movable: true,
    };
    change({ ...machine, boxes: [...machine.boxes, fresh] }, `${fresh.name} added`);
  }
</script>

<div class="form">
  <h3>Case</h3>
  <FactField
    id="fact-case-bracket"
    label="Bracket height"
    fact={box.bracket}
    kind={BRACKET}
    onchange={(bracket) => putCase({ bracket }, 'bracket height')}
  />
  <FactField
    id="fact-case-openings"
    label="Openings"
    fact={box.openings}
    kind={OPENINGS}
    onchange={(openings) => putCase({ openings }, 'openings')}
  />
  <FactField
    id="fact-case-lengthRoomMm"
    label="Room for length"
    fact={box.lengthRoomMm}
    kind={ROOM}
    onchange={(lengthRoomMm) => putCase({ lengthRoomMm }, 'room for length')}
  />
  <FactField
    id="fact-case-covers"
    label="Covers"
    fact={box.covers}
    kind={COVERS}
    onchange={(covers) => putCase({ covers }, 'covers')}
  />
  <h3>Power supply</h3>
  <FactField
    id="fact-supply-twelveVoltWatts"
    label="12 V limit"
    fact={supply.twelveVoltWatts}
    kind={WATTS}
    onchange={(twelveVoltWatts) => putSupply({ twelveVoltWatts }, '12 V limit')}
  />
  <FactField
    id="fact-supply-baseWatts"
    label="12 V load already there"
    fact={supply.baseWatts}
    kind={WATTS}
    onchange={(baseWatts) => putSupply({ baseWatts }, '12 V load')}
  />
  <div class="wide">
    <FactField
      id="fact-supply-plugs"
      label="Free plugs"
      fact={supply.plugs}
      kind={PLUGS_FIELD}
      onchange={(plugs) => putSupply({ plugs }, 'free plugs')}
    />
  </div>
  <h3>Standing in the way</h3>
  {#each machine.boxes as each (each.id)}
    <div class="wide box">
      <TextInput
        id="{each.id}-name"
        size="sm"
        labelText="What it is"
        value={each.name}
        on:change={(event) =>
          putBox({ ...each, name: String(event.detail ?? '').slice(0, 200) || each.name }, 'name')}
      />
      <div class="measures">
        {#each MEASURES as [key, label, least] (key)}
          <TextInput
            id="{each.id}-{key}"
            size="sm"
            labelText="{label}, mm"
            value={String(each[key])}
            invalid={refused === `${each.id}-${key}`}
            invalidText="{least} to 450"
            on:change={(event) => measure(each, key, least, String(event.detail ?? ''))}
          />
        {/each}
      </div>
      <div class="row">
        <Checkbox
          id="{each.id}-movable"
          labelText="can be moved aside"
          checked={each.movable}
          on:check={(event) =>
            event.detail !== each.movable && putBox({ ...each, movable: event.detail }, 'movable')}
        />
        <Button
          kind="ghost"
          size="small"
          icon={TrashCan}
          iconDescription="Remove {each.name}"
          tooltipAlignment="end"
          on:click={() =>
            change(
              { ...machine, boxes: machine.boxes.filter(({ id }) => id !== each.id) },
              `${each.name} removed`,
            )}
        />
      </div>
    </div>
  {/each}
  <div class="wide">
    <Button size="small" kind="tertiary" icon={Add} on:click={addBox}
      >Header, plug, cage or heat sink</Button
    >
  </div>
</div>

<style>
  .form {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 0.75rem;
  }
  h3,
  .wide {
    grid-column: 1 / -1;
  }
  h3 + :global(*) {
    margin-top: 0;
  }
  .box {
    border: 1px solid var(--cds-ui-03);
    padding: 0.75rem;
  }
  .measures {
    display: grid;
    grid-template-columns: repeat(3, 1fr);
    gap: 0.5rem;
    margin-top: 0.5rem;
  }
  .row {
    display: flex;
    justify-content: space-between;
    align-items: center;
    margin-top: 0.5rem;
  }
</style>
