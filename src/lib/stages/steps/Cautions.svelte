<script lang="ts">
  import type { CautionCode } from '$core/procedure';
  import type { StaticWay } from '$core/document';
  import { cautionWords } from '$words/steps';
  import { cautions as texts } from '$words/stages/steps';

  let { cautions, staticWay }: { cautions: readonly CautionCode[]; staticWay: StaticWay | null } =
    $props();
</script>

{#if cautions.length > 0}
  <ul aria-label={texts.cautions}>
    {#each cautions as caution, n (n)}
      <li><strong>{texts.caution}</strong> {cautionWords(caution, staticWay)}</li>
    {/each}
  </ul>
{/if}

<style>
  ul {
    border: 2px solid var(--tenant-blocked);
    padding: 0.625rem 0.875rem;
    margin-bottom: 1rem;
    background: var(--cds-ui-background);
  }
  li {
    font-size: 1.0625rem;
    line-height: 1.4;
  }
  li + li {
    margin-top: 0.375rem;
  }
  strong {
    color: var(--tenant-blocked);
    font-weight: 600;
  }
</style>
