<script lang="ts">
  import { Button } from 'carbon-components-svelte';
  import { emptySystem, type Machine } from '$core/document';
  import BuiltIn from './BuiltIn.svelte';
  import FactField from './FactField.svelte';
  import { FIELD } from './factFields';
  import { DATE_FIELD, TEXT_FIELD, VERSION_FIELD, choiceField } from './fields';
  import Screens from './Screens.svelte';
  import { systemForm as texts } from '$words/stages/survey';

  let { machine, change }: { machine: Machine; change: (machine: Machine) => void } = $props();

  const second = $derived(machine.secondSystem);
  const putSecond = (fresh: Partial<Machine['system']> | null) =>
    change({
      ...machine,
      secondSystem: fresh === null ? null : { ...(second ?? emptySystem()), ...fresh },
    });

  const SECURE = choiceField([
    [true, texts.on],
    [false, texts.off],
  ] as const);

  const system = $derived(machine.system);
  const firmware = $derived(machine.firmware);
  const putFirmware = (fresh: Partial<Machine['firmware']>) =>
    change({ ...machine, firmware: { ...firmware, ...fresh } });
  const putSystem = (fresh: Partial<Machine['system']>) =>
    change({ ...machine, system: { ...system, ...fresh } });
</script>

<div class="pairs">
  <h3>{texts.system}</h3>
  <FactField
    id="fact-system-family"
    label={texts.family}
    fact={system.family}
    kind={FIELD['system.family']}
    onchange={(family) => putSystem({ family })}
  />
  <FactField
    id="fact-system-version"
    label={texts.version}
    fact={system.version}
    kind={VERSION_FIELD}
    onchange={(version) => putSystem({ version })}
  />
  <FactField
    id="fact-system-architecture"
    label={texts.architecture}
    fact={system.architecture}
    kind={FIELD['system.architecture']}
    onchange={(architecture) => putSystem({ architecture })}
  />
  <FactField
    id="fact-system-build"
    label={texts.buildOrKernel}
    fact={system.build}
    kind={TEXT_FIELD}
    onchange={(build) => putSystem({ build })}
  />
  <FactField
    id="fact-system-name"
    label={texts.itsOwnName}
    fact={system.name}
    kind={TEXT_FIELD}
    onchange={(name) => putSystem({ name })}
  />
  <FactField
    id="fact-system-secureBoot"
    label={texts.secureBoot}
    fact={system.secureBoot}
    kind={SECURE}
    onchange={(secureBoot) => putSystem({ secureBoot })}
  />
  {#if second === null}
    <div class="whole">
      <Button size="small" kind="ghost" on:click={() => putSecond({})}
        >{texts.itIsStartedWithA}</Button
      >
    </div>
  {:else}
    <h3>{texts.secondSystem}</h3>
    <FactField
      id="fact-secondSystem-family"
      label={texts.family}
      fact={second.family}
      kind={FIELD['system.family']}
      onchange={(family) => putSecond({ family })}
    />
    <FactField
      id="fact-secondSystem-version"
      label={texts.version}
      fact={second.version}
      kind={VERSION_FIELD}
      onchange={(version) => putSecond({ version })}
    />
    <FactField
      id="fact-secondSystem-architecture"
      label={texts.architecture}
      fact={second.architecture}
      kind={FIELD['system.architecture']}
      onchange={(architecture) => putSecond({ architecture })}
    />
    <FactField
      id="fact-secondSystem-secureBoot"
      label={texts.secureBoot}
      fact={second.secureBoot}
      kind={SECURE}
      onchange={(secureBoot) => putSecond({ secureBoot })}
    />
    <div class="whole">
      <Button size="small" kind="ghost" on:click={() => putSecond(null)}
        >{texts.itHasOnlyOneSystem}</Button
      >
    </div>
  {/if}
  <h3>{texts.firmware}</h3>
  <FactField
    id="fact-firmware-kind"
    label={texts.kind}
    fact={firmware.kind}
    kind={FIELD['firmware.kind']}
    onchange={(kind) => putFirmware({ kind })}
  />
  <FactField
    id="fact-firmware-version"
    label={texts.version}
    fact={firmware.version}
    kind={TEXT_FIELD}
    onchange={(version) => putFirmware({ version })}
  />
  <FactField
    id="fact-firmware-date"
    label={texts.released}
    fact={firmware.date}
    kind={DATE_FIELD}
    onchange={(date) => putFirmware({ date })}
  />
  <FactField
    id="fact-firmware-largeWindows"
    label={texts.above4gDecoding}
    fact={firmware.largeWindows}
    kind={FIELD['firmware.largeWindows']}
    onchange={(largeWindows) => putFirmware({ largeWindows })}
  />
  <BuiltIn {machine} {change} />
  {#if machine.onBoard.length > 0}
    <p class="quiet">
      {texts.onTheBoardSwitchedOn(machine.onBoard.map(({ name, kind }) => name || kind).join(', '))}
    </p>
  {/if}
  <h3>{texts.screens}</h3>
  <Screens {machine} {change} />
</div>

<style>
  h3,
  p,
  .whole {
    grid-column: 1 / -1;
  }
</style>
