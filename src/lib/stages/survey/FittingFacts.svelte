<script lang="ts">
  /** What fitting has to know of a case: how it opens, what holds its brackets, what is there to spare. */
  import type { Fact } from '$core/parts';
  import type { Machine } from '$core/document';
  import { FACT_WORDS } from '$words/facts';
  import FactField from './FactField.svelte';
  import { FIELD } from './factFields';
  import type { FieldKind } from './fields';

  type Key =
    | 'panelHeld'
    | 'opensBothSides'
    | 'retentionBar'
    | 'frontCovers'
    | 'spareScrews'
    | 'spareCovers'
    | 'spareModuleScrews'
    | 'leadLock';

  let {
    inside,
    prefix,
    isBox,
    put,
  }: {
    inside: Machine['case'];
    prefix: string;
    isBox: boolean;
    put: (fresh: Partial<Machine['case']>) => void;
  } = $props();

  const KEYS: readonly Key[] = [
    'panelHeld',
    'opensBothSides',
    'retentionBar',
    'frontCovers',
    'spareScrews',
    'spareCovers',
    'spareModuleScrews',
  ];
  const keys = $derived<readonly Key[]>(isBox ? [...KEYS, 'leadLock'] : KEYS);
</script>

{#each keys as key (key)}
  {@const { name } = FACT_WORDS[`case.${key}`]}
  <FactField
    id="{prefix}-case-{key}"
    label={name}
    fact={inside[key] as Fact<unknown>}
    kind={FIELD[`case.${key}`] as FieldKind<unknown>}
    onchange={(fact) => put({ [key]: fact })}
  />
{/each}
