<script lang="ts">
  import { Button, Checkbox, Select, SelectItem, TextInput } from 'carbon-components-svelte';
  import Add from 'carbon-icons-svelte/lib/Add.svelte';
  import TrashCan from 'carbon-icons-svelte/lib/TrashCan.svelte';
  import { OBSTACLE_KINDS, freeNumber, type Obstacle, type Machine } from '$core/document';
  import { known, valueOf } from '$core/parts';
  import FactField from './FactField.svelte';
  import FittingFacts from './FittingFacts.svelte';
  import { FIELD } from './factFields';
  import { capital } from '$words/stepWords';
  import { OBSTACLE_KIND_WORDS } from '$words/facts';
  import {
    BAYS_FIELD,
    FRONT_LEADS_FIELD,
    HEADERS_FIELD,
    PLUGS_FIELD,
    PLUGS_IN_USE_FIELD,
    ROOMS_FIELD,
    numberField,
  } from './fields';
  import { caseForm as texts } from '$words/stages/survey';

  let {
    machine,
    room = null,
    change,
  }: {
    /** As it is seen from in the case, or from in the external inside. */
    machine: Machine;
    /** The external box this is about; null for the machine's own case. */
    room?: { readonly id: string; readonly name: string } | null;
    change: (machine: Machine) => void;
  } = $props();

  const prefix = $derived(room === null ? 'fact' : `fact-${room.id}`);

  const SCREWS = numberField(texts.aNumber, 'case.spareScrews');
  const HEIGHT = numberField(texts.aHeight, 'case.heightRoomMm');
  const MEASURES: readonly (readonly [
    keyof Obstacle & ('xMm' | 'yMm' | 'widthMm' | 'depthMm' | 'heightMm'),
    string,
  ])[] = [
    ['xMm', texts.rear],
    ['yMm', texts.top],
    ['widthMm', texts.along],
    ['depthMm', texts.across],
    ['heightMm', texts.high],
  ];
  const sideOf = (key: (typeof MEASURES)[number][0]) =>
    numberField(texts.aLength, `obstacles.${key}`);

  const inside = $derived(machine.case);
  const supply = $derived(machine.supply);
  const putCase = (fresh: Partial<Machine['case']>) =>
    change({ ...machine, case: { ...inside, ...fresh } });
  const putSupply = (fresh: Partial<Machine['supply']>) =>
    change({ ...machine, supply: { ...supply, ...fresh } });
  const putObstacle = (fresh: Obstacle) =>
    change({
      ...machine,
      obstacles: machine.obstacles.map((each) => (each.id === fresh.id ? fresh : each)),
    });

  let refused = $state('');

  function measure(of: Obstacle, key: (typeof MEASURES)[number][0], text: string) {
    const value = sideOf(key).parse(text);
    refused = value === null ? `${of.id}-${key}` : '';
    if (value !== null && value !== of[key]) putObstacle({ ...of, [key]: value });
  }

  /** Led round, its plug goes in again where its middle was; or it stays where it was moved to. */
  function plugging(of: Obstacle, goesBack: boolean): Obstacle {
    const fresh: { -readonly [Key in keyof Obstacle]: Obstacle[Key] } = { ...of };
    if (goesBack) fresh.plugAt = { xMm: of.xMm + of.widthMm / 2, yMm: of.yMm + of.depthMm / 2 };
    else delete fresh.plugAt;
    return fresh;
  }

  function addObstacle() {
    const n = freeNumber(machine.obstacles, (n) => `obstacle${n}`);
    const fresh: Obstacle = {
      id: `obstacle${n}`,
      name: texts.thing(n),
      kind: 'other',
      moving: '',
      xMm: 120,
      yMm: 200,
      widthMm: 30,
      depthMm: 12,
      heightMm: 15,
      movable: true,
    };
    change({ ...machine, obstacles: [...machine.obstacles, fresh] });
  }
</script>

<div class="pairs">
  <h3>{room === null ? texts.case : room.name}</h3>
  <FactField
    id="{prefix}-case-bracket"
    label={texts.bracketHeight}
    fact={inside.bracket}
    kind={FIELD['case.bracket']}
    onchange={(bracket) => putCase({ bracket })}
  />
  <FactField
    id="{prefix}-case-openings"
    label={texts.openings}
    fact={inside.openings}
    kind={FIELD['case.openings']}
    onchange={(openings) => putCase({ openings })}
  />
  <FactField
    id="{prefix}-case-lengthRoomMm"
    label={texts.roomForLength}
    fact={inside.lengthRoomMm}
    kind={FIELD['case.lengthRoomMm']}
    onchange={(lengthRoomMm) => putCase({ lengthRoomMm })}
  />
  <FactField
    id="{prefix}-case-covers"
    label={texts.covers}
    fact={inside.covers}
    kind={FIELD['case.covers']}
    onchange={(covers) => putCase({ covers })}
  />
  <FactField
    id="{prefix}-case-heightRoomMm"
    label={texts.roomForHeight}
    fact={inside.heightRoomMm}
    kind={HEIGHT}
    onchange={(heightRoomMm) => putCase({ heightRoomMm })}
  />
  <FactField
    id="{prefix}-case-bays"
    label={texts.freeBays}
    fact={inside.bays}
    kind={BAYS_FIELD}
    onchange={(bays) => putCase({ bays })}
  />
  <FactField
    id="{prefix}-case-tightOpenings"
    label={texts.openingsWithLessRoom}
    fact={inside.tightOpenings.length === 0 ? null : known(inside.tightOpenings, 'technician')}
    kind={ROOMS_FIELD}
    onchange={(rooms) => putCase({ tightOpenings: valueOf(rooms) ?? [] })}
  />
  <FittingFacts {inside} {prefix} isBox={room !== null} put={putCase} />
  <div class="wide">
    <FactField
      id="{prefix}-case-frontLeads"
      label={texts.freeFrontLeads}
      fact={inside.frontLeads}
      kind={FRONT_LEADS_FIELD}
      onchange={(frontLeads) => putCase({ frontLeads })}
    />
  </div>
  {#if room === null}
    <div class="wide">
      <FactField
        id="fact-board-headers"
        label={texts.freeHeadersOfTheBoard}
        fact={machine.headers}
        kind={HEADERS_FIELD}
        onchange={(headers) => change({ ...machine, headers })}
      />
    </div>
  {/if}
  <h3>{texts.powerSupply}</h3>
  <FactField
    id="{prefix}-supply-labelWatts"
    label={texts.wattsOnTheLabel}
    fact={supply.labelWatts}
    kind={FIELD['supply.baseWatts']}
    onchange={(labelWatts) => putSupply({ labelWatts })}
  />
  <FactField
    id="{prefix}-supply-twelveVoltWatts"
    label={texts.n12VLimit}
    fact={supply.twelveVoltWatts}
    kind={FIELD['supply.baseWatts']}
    onchange={(twelveVoltWatts) => putSupply({ twelveVoltWatts })}
  />
  <FactField
    id="{prefix}-supply-baseWatts"
    label={texts.n12VLoadNow}
    fact={supply.baseWatts}
    kind={FIELD['supply.baseWatts']}
    onchange={(baseWatts) => putSupply({ baseWatts })}
  />
  <FactField
    id="{prefix}-supply-ageYears"
    label={texts.yearsInUse}
    fact={supply.ageYears}
    kind={SCREWS}
    onchange={(ageYears) => putSupply({ ageYears })}
  />
  <FactField
    id="{prefix}-supply-measuredWatts"
    label={texts.n12VLoadMeasuredAt}
    fact={supply.measuredWatts}
    kind={FIELD['supply.baseWatts']}
    onchange={(measuredWatts) => putSupply({ measuredWatts })}
  />
  <div class="wide plugs">
    <FactField
      id="{prefix}-supply-plugs"
      label={texts.freePlugs}
      fact={supply.plugs}
      kind={PLUGS_FIELD}
      onchange={(plugs) => putSupply({ plugs })}
    />
    <FactField
      id="{prefix}-supply-plugsInUse"
      label={texts.plugsInUseWhereOne}
      fact={supply.plugsInUse}
      kind={PLUGS_IN_USE_FIELD}
      onchange={(plugsInUse) => putSupply({ plugsInUse })}
    />
  </div>
  {#if room === null}
    <h3>{texts.obstaclesOnTheBoard}</h3>
    <p class="wide quiet">
      {texts.dragThemOnTheDrawing}
    </p>
    {#each machine.obstacles as each (each.id)}
      <div class="wide obstacle">
        <TextInput
          id="{each.id}-name"
          size="sm"
          labelText={texts.whatItIs}
          value={each.name}
          on:change={(event) =>
            putObstacle({ ...each, name: String(event.detail ?? '').slice(0, 200) || each.name })}
        />
        <div class="measures">
          {#each MEASURES as [key, label] (key)}
            <TextInput
              id="{each.id}-{key}"
              size="sm"
              labelText={texts.mm(label)}
              value={String(each[key])}
              invalid={refused === `${each.id}-${key}`}
              invalidText={texts.isExpected(capital(sideOf(key).expects))}
              on:change={(event) => measure(each, key, String(event.detail ?? ''))}
            />
          {/each}
        </div>
        <div class="kind">
          <Select
            id="{each.id}-kind"
            size="sm"
            labelText={texts.kind}
            selected={each.kind}
            on:change={(event) => {
              const value = (event.target as HTMLSelectElement | null)?.value ?? '';
              const kind = OBSTACLE_KINDS.find((each) => each === value) ?? 'other';
              putObstacle({ ...each, kind });
            }}
          >
            {#each OBSTACLE_KINDS as kind (kind)}
              <SelectItem value={kind} text={OBSTACLE_KIND_WORDS[kind]} />
            {/each}
          </Select>
          <TextInput
            id="{each.id}-moving"
            size="sm"
            labelText={texts.howItIsMoved}
            placeholder={texts.whichLeadWhichScrews}
            disabled={!each.movable}
            value={each.moving}
            on:change={(event) =>
              putObstacle({ ...each, moving: String(event.detail ?? '').slice(0, 200) })}
          />
        </div>
        <Checkbox
          id="{each.id}-plugAt"
          labelText={texts.itsPlugGoesInAgain}
          disabled={!each.movable}
          checked={each.plugAt !== undefined}
          on:check={(event) =>
            event.detail !== (each.plugAt !== undefined) &&
            putObstacle(plugging(each, event.detail))}
        />
        <div class="row">
          <Checkbox
            id="{each.id}-movable"
            labelText={texts.canBeMovedAside}
            checked={each.movable}
            on:check={(event) =>
              event.detail !== each.movable && putObstacle({ ...each, movable: event.detail })}
          />
          <Button
            kind="ghost"
            size="small"
            icon={TrashCan}
            iconDescription={texts.remove(each.name)}
            tooltipAlignment="end"
            on:click={() =>
              change({
                ...machine,
                obstacles: machine.obstacles.filter(({ id }) => id !== each.id),
              })}
          />
        </div>
      </div>
    {/each}
    <div class="wide">
      <Button size="small" kind="tertiary" icon={Add} on:click={addObstacle}
        >{texts.headerPlugCageOrHeat}</Button
      >
    </div>
  {/if}
</div>

<style>
  h3,
  .wide {
    grid-column: 1 / -1;
  }
  .plugs {
    display: grid;
    gap: 0.75rem;
  }
  h3 + :global(*) {
    margin-top: 0;
  }
  .obstacle {
    border: 1px solid var(--cds-ui-03);
    padding: 0.75rem;
  }
  .measures {
    display: grid;
    grid-template-columns: repeat(5, 1fr);
    gap: 0.5rem;
    margin-top: 0.5rem;
  }
  .kind {
    display: grid;
    grid-template-columns: 9rem 1fr;
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
