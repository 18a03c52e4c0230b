<script lang="ts">
  /** One job in the list. What goes wrong in it stays in it. */
  import { Button } from 'carbon-components-svelte';
  import Copy from 'carbon-icons-svelte/lib/Copy.svelte';
  import Download from 'carbon-icons-svelte/lib/Download.svelte';
  import TrashCan from 'carbon-icons-svelte/lib/TrashCan.svelte';
  import { STAGES } from '$core/document';
  import type { JobRow } from '$lib/state/jobStore';
  import { shop } from '$lib/state/shop.svelte';
  import VerdictMark from '$lib/ui/VerdictMark.svelte';
  import { answerWords } from '$words/answers';
  import { atMoment } from '$words/figures';
  import { STAGE_WORDS } from '$words/stages';
  import { jobTableRow as texts } from '$words/shop';

  let {
    row,
    unsaved,
    onexport,
    onremove,
  }: { row: JobRow; unsaved: boolean; onexport: () => void; onremove: () => void } = $props();

  const at = $derived(row.standing);
  /** Rows of an earlier version have none. */
  const answer = $derived(row.answer == null ? null : answerWords(row.answer));
  const factsOpen = $derived(
    row.unknown > 0 && at !== 'survey' ? texts.factUnknown(row.unknown) : '',
  );
  const place = $derived(`/jobs/${row.id}/${at ?? 'hand-over'}`);
</script>

<tr>
  <td><a href={place}>{row.title || texts.untitledJob}</a></td>
  <td>{row.customer || '–'}</td>
  <td>{row.machine || texts.notSurveyed}</td>
  <td class="standing">
    {#if row.isBroken}
      <strong class="unsaved">{texts.cannotBeComputed}</strong>
    {:else}
      <span class="track" aria-hidden="true">
        {#each STAGES as stage (stage)}
          <i
            class:done={at === null || STAGES.indexOf(stage) < STAGES.indexOf(at)}
            class:here={stage === at}
          ></i>
        {/each}
      </span>
      {at === null ? texts.done : STAGE_WORDS[at]}
    {/if}
  </td>
  <td>
    {#if answer === null}
      {at === null ? texts.nothing : texts.notKnownHowMuch}
    {:else}
      <span class="answer">
        {#if answer.verdict !== null}<VerdictMark verdict={answer.verdict} withWord={false} />{/if}
        <span>{[answer.words, factsOpen].filter((part) => part !== '').join(' ')}</span>
      </span>
    {/if}
  </td>
  <td class="moment">
    {atMoment(row.changedAt)}
    {#if unsaved}<strong class="unsaved">{texts.notSaved}</strong>{/if}
  </td>
  <td class="actions">
    <Button
      kind="ghost"
      size="small"
      icon={Copy}
      iconDescription={texts.duplicate}
      on:click={() => shop.duplicate(row.id)}
    />
    <Button
      kind="ghost"
      size="small"
      icon={Download}
      iconDescription={texts.export}
      on:click={onexport}
    />
    <Button
      kind="ghost"
      size="small"
      icon={TrashCan}
      iconDescription={texts.delete}
      tooltipAlignment="end"
      on:click={onremove}
    />
  </td>
</tr>

<style>
  .answer {
    display: flex;
    gap: 0.5rem;
    align-items: flex-start;
  }
  tr td {
    padding-block: 0.375rem;
    vertical-align: middle;
    font-size: 0.875rem;
  }
  a {
    color: var(--cds-link-01);
    font-weight: 600;
  }
  tr:hover {
    background: var(--cds-hover-ui);
  }
  .track {
    display: inline-flex;
    gap: 2px;
    margin-right: 0.5rem;
  }
  .track i {
    width: 8px;
    height: 12px;
    border: 1px solid var(--cds-text-02);
  }
  .track .done {
    background: var(--cds-text-02);
  }
  .track .here {
    border-color: var(--tenant-plan);
    background: var(--tenant-plan-soft);
    height: 16px;
    margin-top: -2px;
  }
  .moment,
  .standing {
    white-space: nowrap;
  }
  .unsaved {
    display: block;
    color: var(--tenant-blocked);
  }
  .actions {
    white-space: nowrap;
    text-align: right;
  }
</style>
