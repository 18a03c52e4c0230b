<script lang="ts">
  /** The two ways against static, as large targets; one is chosen before anything inside is touched. */
  import { STATIC_WAYS } from '$core/document';
  import { STATIC_WAY_WORDS } from '$words/staticWays';
  import type { JobModel } from '../jobModel.svelte';
  import { staticWays as texts } from '$words/stages/fit';

  let { model, chosen }: { model: JobModel; /** Once one is picked. */ chosen?: () => void } =
    $props();
  const way = $derived(model.job.staticWay);
</script>

<div role="group" aria-label={texts.yourWayAgainstStatic}>
  {#each STATIC_WAYS as each (each)}
    <button
      type="button"
      aria-pressed={way === each}
      onclick={() => {
        model.open.run({ name: 'chooseStaticWay', way: each });
        chosen?.();
      }}
    >
      <strong>{STATIC_WAY_WORDS[each].title}</strong>
      <span>{STATIC_WAY_WORDS[each].detail}</span>
    </button>
  {/each}
</div>

<style>
  div {
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(14rem, 1fr));
    gap: 0.75rem;
    margin: 0.75rem 0 1rem;
  }
  button {
    display: flex;
    flex-direction: column;
    gap: 0.25rem;
    min-height: 4.5rem;
    padding: 0.75rem 1rem;
    font: inherit;
    text-align: left;
    color: var(--cds-text-01);
    background: var(--cds-ui-01);
    border: 1px solid var(--cds-ui-04);
    border-left: 6px solid var(--cds-ui-04);
    cursor: pointer;
  }
  button[aria-pressed='true'] {
    background: var(--tenant-selected);
    border-left-color: var(--cds-interactive-01);
  }
  button:focus-visible {
    outline: 3px solid var(--cds-focus);
  }
  strong {
    font-weight: 600;
  }
</style>
