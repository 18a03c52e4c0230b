<script lang="ts">
  import { Button } from 'carbon-components-svelte';
  import { emptySystem, type Machine } from '$core/document';
  import BuiltIn from './BuiltIn.svelte';
  import FactField from './FactField.svelte';
  import { FIELD } from './factFields';
  import { DATE_FIELD, TEXT_FIELD, VERSION_FIELD, choiceField } from './fields';
  import Screens from './Screens.svelte';

  let { machine, change }: { machine: Machine; change: (machine: Machine) => void } = $props();

  const second = $derived(machine.secondSystem);
  const putSecond = (fresh: Partial<Machine['system']> | null) =>
    change({
      ...machine,
      secondSystem: fresh === null ? null : { ...(second ?? emptySystem()), ...fresh },
    });

  const SECURE = choiceField([
    [true, 'on'],
    [false, 'off'],
  ] as const);

  const system = $derived(machine.system);
  const firmware = $derived(machine.firmware);
  const putFirmware = (fresh: Partial<Machine['firmware']>) =>
    change({ ...machine, firmware: { ...firmware, ...fresh } });
  const putSystem = (fresh: Partial<Machine['system']>) =>
    change({ ...machine, system: { ...system, ...fresh } });
</script>

<div class="pairs">
  <h3>System</h3>
  <FactField
    id="fact-system-family"
    label="Family"
    fact={system.family}
    kind={FIELD['system.family']}
    onchange={(family) => putSystem({ family })}
  />
  <FactField
    id="fact-system-version"
    label="Version"
    fact={system.version}
    kind={VERSION_FIELD}
    onchange={(version) => putSystem({ version })}
  />
  <FactField
    id="fact-system-architecture"
    label="Architecture"
    fact={system.architecture}
    kind={FIELD['system.architecture']}
    onchange={(architecture) => putSystem({ architecture })}
  />
  <FactField
    id="fact-system-build"
    label="Build or kernel"
    fact={system.build}
    kind={TEXT_FIELD}
    onchange={(build) => putSystem({ build })}
  />
  <FactField
    id="fact-system-name"
    label="Its own name"
    fact={system.name}
    kind={TEXT_FIELD}
    onchange={(name) => putSystem({ name })}
  />
  <FactField
    id="fact-system-secureBoot"
    label="Secure boot"
    fact={system.secureBoot}
    kind={SECURE}
    onchange={(secureBoot) => putSystem({ secureBoot })}
  />
  {#if second === null}
    <div class="whole">
      <Button size="small" kind="ghost" on:click={() => putSecond({})}
        >It is started with a second system as well</Button
      >
    </div>
  {:else}
    <h3>Second system</h3>
    <FactField
      id="fact-secondSystem-family"
      label="Family"
      fact={second.family}
      kind={FIELD['system.family']}
      onchange={(family) => putSecond({ family })}
    />
    <FactField
      id="fact-secondSystem-version"
      label="Version"
      fact={second.version}
      kind={VERSION_FIELD}
      onchange={(version) => putSecond({ version })}
    />
    <FactField
      id="fact-secondSystem-architecture"
      label="Architecture"
      fact={second.architecture}
      kind={FIELD['system.architecture']}
      onchange={(architecture) => putSecond({ architecture })}
    />
    <FactField
      id="fact-secondSystem-secureBoot"
      label="Secure boot"
      fact={second.secureBoot}
      kind={SECURE}
      onchange={(secureBoot) => putSecond({ secureBoot })}
    />
    <div class="whole">
      <Button size="small" kind="ghost" on:click={() => putSecond(null)}
        >It has only one system</Button
      >
    </div>
  {/if}
  <h3>Firmware</h3>
  <FactField
    id="fact-firmware-kind"
    label="Kind"
    fact={firmware.kind}
    kind={FIELD['firmware.kind']}
    onchange={(kind) => putFirmware({ kind })}
  />
  <FactField
    id="fact-firmware-version"
    label="Version"
    fact={firmware.version}
    kind={TEXT_FIELD}
    onchange={(version) => putFirmware({ version })}
  />
  <FactField
    id="fact-firmware-date"
    label="Released"
    fact={firmware.date}
    kind={DATE_FIELD}
    onchange={(date) => putFirmware({ date })}
  />
  <FactField
    id="fact-firmware-largeWindows"
    label="Above 4G decoding"
    fact={firmware.largeWindows}
    kind={FIELD['firmware.largeWindows']}
    onchange={(largeWindows) => putFirmware({ largeWindows })}
  />
  <BuiltIn {machine} {change} />
  {#if machine.onBoard.length > 0}
    <p class="quiet">
      On the board, switched on: {machine.onBoard.map(({ name, kind }) => name || kind).join(', ')}.
    </p>
  {/if}
  <h3>Screens</h3>
  <Screens {machine} {change} />
</div>

<style>
  h3,
  p,
  .whole {
    grid-column: 1 / -1;
  }
</style>
