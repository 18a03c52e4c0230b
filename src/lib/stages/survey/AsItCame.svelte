<script lang="ts">
  /** How the machine came: what was dead or damaged before anybody touched it, with photographs. */
  import { Button, TextInput } from 'carbon-components-svelte';
  import Add from 'carbon-icons-svelte/lib/Add.svelte';
  import TrashCan from 'carbon-icons-svelte/lib/TrashCan.svelte';
  import { freeNumber, type Machine } from '$core/document';
  import type { JobModel } from '../jobModel.svelte';
  import Photos from './Photos.svelte';
  import { asItCame as texts } from '$words/stages/survey';

  let {
    model,
    machine,
    change,
  }: {
    model: JobModel;
    machine: Machine;
    change: (machine: Machine) => void;
  } = $props();

  const MOST = 64;
  let what = $state('');
  const damage = $derived(machine.damage);

  function add() {
    const words = what.trim().slice(0, 200);
    if (words === '' || damage.length >= MOST) return;
    const id = `damage-${freeNumber(damage, (n) => `damage-${n}`, 1)}`;
    change({ ...machine, damage: [...damage, { id, what: words }] });
    what = '';
  }
</script>

<section>
  <h3>{texts.asItCame}</h3>
  <p class="quiet">
    {texts.noteWhatIsDeadOr}
  </p>
  <ul>
    {#each damage as each (each.id)}
      <li>
        <span>{each.what}</span>
        <Button
          kind="ghost"
          size="small"
          icon={TrashCan}
          iconDescription={texts.remove(each.what)}
          tooltipAlignment="end"
          on:click={() => change({ ...machine, damage: damage.filter(({ id }) => id !== each.id) })}
        />
      </li>
    {/each}
  </ul>
  <form
    class="row"
    onsubmit={(event) => {
      event.preventDefault();
      add();
    }}
  >
    <TextInput
      id="damage-what"
      data-aside
      size="sm"
      labelText={texts.deadOrDamaged}
      placeholder={texts.usbPortAtTheBack}
      bind:value={what}
    />
    <Button size="small" kind="tertiary" icon={Add} type="submit" disabled={what.trim() === ''}
      >{texts.noteIt}</Button
    >
  </form>
  <Photos {model} slotId={null} />
</section>

<style>
  section {
    margin-bottom: 1.25rem;
  }
  ul {
    margin-top: 0.25rem;
  }
  li {
    display: flex;
    justify-content: space-between;
    align-items: center;
    font-size: 0.875rem;
  }
  .row {
    display: flex;
    gap: 0.5rem;
    align-items: flex-end;
    margin-bottom: 0.5rem;
  }
</style>
