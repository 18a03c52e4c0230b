<script lang="ts">
  import type { Machine } from '$core';
  import FactField from './FactField.svelte';
  import { SPEEDS_FIELD, VERSION_FIELD, choiceField, numberField } from './fields';

  let { machine, change }: { machine: Machine; change: (machine: Machine, what: string) => void } =
    $props();

  const FAMILY = choiceField([
    ['windows', 'Windows'],
    ['linux', 'Linux'],
  ] as const);
  const ARCHITECTURE = choiceField([
    ['x86-64', 'x86, 64 bit'],
    ['x86-32', 'x86, 32 bit'],
    ['arm64', 'ARM, 64 bit'],
  ] as const);
  const CABLE = choiceField([
    ['cat5e', 'Cat 5e'],
    ['cat6', 'Cat 6'],
    ['cat6a', 'Cat 6A'],
  ] as const);
  const METRES = numberField('a length', { unit: 'm', least: 0.1, most: 200, whole: false });
  const PLAN = numberField('a rate', { unit: 'Mb/s', least: 1, most: 25000, whole: false });

  const system = $derived(machine.system);
  const path = $derived(machine.path);
  const putSystem = (fresh: Partial<Machine['system']>, what: string) =>
    change({ ...machine, system: { ...system, ...fresh } }, what);
  const putPath = (fresh: Partial<Machine['path']>, what: string) =>
    change({ ...machine, path: { ...path, ...fresh } }, what);
</script>

<div class="form">
  <h3>System</h3>
  <FactField
    id="fact-system-family"
    label="Family"
    fact={system.family}
    kind={FAMILY}
    onchange={(family) => putSystem({ family }, 'system')}
  />
  <FactField
    id="fact-system-version"
    label="Version"
    fact={system.version}
    kind={VERSION_FIELD}
    onchange={(version) => putSystem({ version }, 'system version')}
  />
  <FactField
    id="fact-system-architecture"
    label="Architecture"
    fact={system.architecture}
    kind={ARCHITECTURE}
    onchange={(architecture) => putSystem({ architecture }, 'architecture')}
  />
  <h3>The way to what it talks to</h3>
  <FactField
    id="fact-path-cable"
    label="Cable class"
    fact={path.cable}
    kind={CABLE}
    onchange={(cable) => putPath({ cable }, 'cable class')}
  />
  <FactField
    id="fact-path-cableMetres"
    label="Cable length"
    fact={path.cableMetres}
    kind={METRES}
    onchange={(cableMetres) => putPath({ cableMetres }, 'cable length')}
  />
  <FactField
    id="fact-path-farEndMegabits"
    label="Speeds of the far end"
    fact={path.farEndMegabits}
    kind={SPEEDS_FIELD}
    onchange={(farEndMegabits) => putPath({ farEndMegabits }, 'far end')}
  />
  <FactField
    id="fact-path-internetMegabits"
    label="Internet plan"
    fact={path.internetMegabits}
    kind={PLAN}
    onchange={(internetMegabits) => putPath({ internetMegabits }, 'internet plan')}
  />
</div>

<style>
  .form {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 0.75rem;
  }
  h3 {
    grid-column: 1 / -1;
  }
</style>
