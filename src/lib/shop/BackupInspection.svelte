<script lang="ts" module>
  import type { Taking } from '$core/backup';

  export type TakeIn = ReadonlyMap<string, Taking> | 'whole';
</script>

<script lang="ts">
  /** A backup held against what is here, before anything is changed: every difference by its name. */
  import { Button, Select, SelectItem } from 'carbon-components-svelte';
  import type { BackupDifference } from '$core/backup';
  import type { Inspection } from '$lib/workers/backup.worker';
  import { takesFocus } from '../ui/keys';
  import { atMoment } from '$words/figures';
  import { STANDING_WORDS, TAKING_WORDS, THING_WORDS } from '$words/backups';
  import { backupInspection as texts } from '$words/shop';

  let {
    name,
    look,
    ontake,
    onclose,
  }: { name: string; look: Inspection; ontake: (how: TakeIn) => void; onclose: () => void } =
    $props();

  /** What was chosen otherwise than proposed. */
  let chosen = $state.raw<ReadonlyMap<string, Taking>>(new Map());
  let isWhole = $state(false);

  const of = (standing: BackupDifference['standing']) =>
    look.differences.filter((each) => each.standing === standing).length;
  const fresh = $derived(look.differences.filter(({ standing }) => standing === 'new'));
  /** What is here too, but otherwise. */
  const differing = $derived(
    look.differences.filter(({ standing }) => standing !== 'same' && standing !== 'new'),
  );
  const isNothing = $derived(fresh.length + differing.length === 0);
  const counts = $derived(look.manifest.counts);

  const choose = (id: string, event: Event) =>
    (chosen = new Map([
      ...chosen,
      [id, (event.target as HTMLSelectElement).value as Taking] as const,
    ]));
</script>

<div class="look" role="region" aria-labelledby="look-heading" tabindex="-1" use:takesFocus>
  <h3 id="look-heading">{name}</h3>
  <p>
    {texts.madeByVersionJobPhotograph({
      madeAt: atMoment(look.manifest.madeAt),
      madeBy: look.manifest.madeBy,
      jobs: counts.jobs,
      pictures: counts.pictures,
      fresh: of('new'),
      same: of('same'),
      newer: of('newer'),
      older: of('older'),
      bothChanged: of('bothChanged'),
    })}
  </p>
  {#if look.leftOut.length > 0}
    <p role="status">
      {texts.leftOutBecauseNoBackup(look.leftOut.join(', '))}
    </p>
  {/if}
  {#if isNothing}
    <p>{texts.everythingInItIsHere}</p>
  {/if}
  {#if !isWhole && fresh.length > 0}
    <details>
      <summary>{texts.newTakenIn(fresh.length)}</summary>
      <ul class="list">
        {#each fresh as { id, kind, name: called } (id)}
          <li><span class="quiet">{THING_WORDS[kind]}</span> {called}</li>
        {/each}
      </ul>
    </details>
  {/if}
  {#if !isWhole && differing.length > 0}
    <div class="list">
      <table class="plain">
        <thead>
          <tr
            ><th scope="col">{texts.what}</th><th scope="col">{texts.inTheBackup}</th><th
              scope="col">{texts.then}</th
            ></tr
          >
        </thead>
        <tbody>
          {#each differing as { id, kind, name: called, standing, taking, choices } (id)}
            <tr>
              <td><span class="quiet">{THING_WORDS[kind]}</span> {called}</td>
              <td>{STANDING_WORDS[standing]}</td>
              <td>
                {#if choices.length === 1}{TAKING_WORDS[taking]}{:else}
                  <Select
                    id="take-{id}"
                    size="sm"
                    hideLabel
                    labelText={texts.whatBecomesOf(called)}
                    selected={chosen.get(id) ?? taking}
                    on:change={(event) => choose(id, event)}
                  >
                    {#each choices as choice (choice)}
                      <SelectItem value={choice} text={TAKING_WORDS[choice]} />
                    {/each}
                  </Select>
                {/if}
              </td>
            </tr>
          {/each}
        </tbody>
      </table>
    </div>
  {/if}
  {#if isWhole}
    <p>
      {texts.everythingBecomesAsTheBackup(look.displaced.length)}
    </p>
    <ul class="list">
      {#each look.displaced as { id, kind, name: called } (id)}
        <li><span class="quiet">{THING_WORDS[kind]}</span> {called}</li>
      {/each}
    </ul>
  {/if}
  <div class="row">
    {#if isWhole}
      <Button size="small" kind="danger" on:click={() => ontake('whole')}
        >{texts.restoreWhole}</Button
      >
      <Button size="small" kind="tertiary" on:click={() => (isWhole = false)}
        >{texts.backToMerging}</Button
      >
    {:else}
      <Button size="small" disabled={isNothing} on:click={() => ontake(chosen)}
        >{texts.mergeItIn}</Button
      >
      <Button size="small" kind="tertiary" on:click={() => (isWhole = true)}
        >{texts.restoreWholeInstead}</Button
      >
    {/if}
    <Button size="small" kind="ghost" on:click={onclose}>{texts.cancel}</Button>
  </div>
</div>

<style>
  .look {
    border-left: 4px solid var(--tenant-plan);
    padding: 0.75rem 1rem;
    background: var(--cds-ui-01);
    font-size: 0.875rem;
    margin-bottom: 1rem;
  }
  .list {
    max-height: 22rem;
    overflow: auto;
    margin: 0.75rem 0;
  }
  p {
    font-size: 0.875rem;
  }
  td :global(.bx--select) {
    max-width: 14rem;
  }
  .row {
    display: flex;
    gap: 0.75rem;
    margin-top: 0.75rem;
  }
</style>
