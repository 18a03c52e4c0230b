<script lang="ts">
  /** Screens of the survey, each with the best it can show: one act takes that into the need. */
  import { bestMode } from '$core/survey';
  import { valueOf } from '$core/parts';
  import type { Machine } from '$core/document';
  import type { NeedOf } from '$core/kinds';
  import { modeWords } from '$words/figures';
  import { screensRead as texts } from '$words/stages/needs';

  let {
    need,
    machine,
    put,
  }: { need: NeedOf<'screens'>; machine: Machine; put: (need: NeedOf<'screens'>) => void } =
    $props();

  const read = $derived(
    machine.screens.flatMap((screen) => {
      const mode = bestMode(screen);
      return mode === null
        ? []
        : [{ id: screen.id, name: screen.name, mode, input: valueOf(screen.input) }];
    }),
  );
</script>

{#if read.length > 0}
  <p class="quiet">
    {texts.screensThatWereRead}
    {#each read as { id, name, mode, input } (id)}
      <button type="button" class="text read" onclick={() => put({ ...need, mode, input })}
        >{name}, {modeWords(mode)}</button
      >
    {/each}
  </p>
{/if}

<style>
  .read {
    margin-right: 0.75rem;
    text-decoration: underline;
  }
</style>
