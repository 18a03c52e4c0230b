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
  import { atMoment, counted } from '$lib/wording/figures';
  import { STANDING_WORDS, TAKING_WORDS, THING_WORDS } from '$lib/wording/backups';

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
    Made {atMoment(look.manifest.madeAt)} by version {look.manifest.madeBy}: {counted(
      counts.jobs,
      'job',
    )}, {counted(counts.pictures, 'photograph')}. Against what is here: {of('new')} new, {of(
      'same',
    )} the same, {of('newer')} newer, {of('older')} older, {of('bothChanged')} changed in both.
  </p>
  {#if look.leftOut.length > 0}
    <p role="status">
      Left out, because no backup of Tenant makes it or it does not read: {look.leftOut.join(', ')}.
    </p>
  {/if}
  {#if isNothing}
    <p>Everything in it is here already, as it is.</p>
  {/if}
  {#if !isWhole && fresh.length > 0}
    <details>
      <summary>{fresh.length} new, taken in</summary>
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
            ><th scope="col">What</th><th scope="col">In the backup</th><th scope="col">Then</th
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
                    labelText="What becomes of {called}"
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
      Everything becomes as the backup has it. {look.displaced.length === 0
        ? 'Nothing here has to give way.'
        : `${look.displaced.length} here give way and go into the bin for 30 days:`}
    </p>
    <ul class="list">
      {#each look.displaced as { id, kind, name: called } (id)}
        <li><span class="quiet">{THING_WORDS[kind]}</span> {called}</li>
      {/each}
    </ul>
  {/if}
  <div class="row">
    {#if isWhole}
      <Button size="small" kind="danger" on:click={() => ontake('whole')}>Restore whole</Button>
      <Button size="small" kind="tertiary" on:click={() => (isWhole = false)}
        >Back to merging</Button
      >
    {:else}
      <Button size="small" disabled={isNothing} on:click={() => ontake(chosen)}>Merge it in</Button>
      <Button size="small" kind="tertiary" on:click={() => (isWhole = true)}
        >Restore whole instead</Button
      >
    {/if}
    <Button size="small" kind="ghost" on:click={onclose}>Cancel</Button>
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
