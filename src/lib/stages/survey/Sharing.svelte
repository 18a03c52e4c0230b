<script lang="ts">
  /** What this slot shares: lanes it loses when another is used, the upstream link, the box it is in. */
  import { Button, Select, SelectItem, TextInput } from 'carbon-components-svelte';
  import Add from 'carbon-icons-svelte/lib/Add.svelte';
  import TrashCan from 'carbon-icons-svelte/lib/TrashCan.svelte';
  import { LINK_WIDTHS, type Generation } from '$core/standards';
  import { emptySupply, freeNumber, type Condition, type Machine, type Slot } from '$core/document';
  import { known, valueOf } from '$core/parts';
  import { override } from '$core/survey';
  import { opensFor } from '$lib/ui/fold';
  import { sharing as texts } from '$words/stages/survey';

  let {
    machine,
    slot,
    change,
  }: { machine: Machine; slot: Slot; change: (machine: Machine) => void } = $props();

  const HOLDS = [
    ['anything', texts.anything],
    ['pcie', texts.aPciExpressModule],
    ['sata', texts.aSataModule],
  ] as const;
  const GENERATIONS = [1, 2, 3, 4, 5] as const;
  const KEEPS = [0, ...LINK_WIDTHS] as const;

  const others = $derived(machine.slots.filter(({ id }) => id !== slot.id));
  const own = $derived(machine.conditions.filter(({ slotId }) => slotId === slot.id));
  const uplink = $derived(valueOf(slot.uplink));
  const sharers = $derived(
    uplink === null ? [] : others.filter((each) => valueOf(each.uplink)?.id === uplink.id),
  );

  const chosen = (event: Event) => String((event.target as HTMLSelectElement | null)?.value ?? '');
  const putConditions = (conditions: readonly Condition[]) => change({ ...machine, conditions });
  const putCondition = (fresh: Condition) =>
    putConditions(machine.conditions.map((each) => (each.id === fresh.id ? fresh : each)));
  const putSlot = (fresh: Slot) =>
    change({
      ...machine,
      slots: machine.slots.map((each) => (each.id === fresh.id ? fresh : each)),
    });

  function add() {
    const [first] = others;
    if (first === undefined) return;
    const n = freeNumber(machine.conditions, (n) => `c${n}`);
    const fresh: Condition = {
      id: `c${n}`,
      slotId: slot.id,
      keepsLanes: 0,
      whenSlotId: first.id,
      holds: 'anything',
    };
    putConditions([...machine.conditions, fresh]);
  }

  function setUplink(generation: string, lanes: string) {
    if (generation === '' || generation === 'none') {
      const uplink = generation === '' ? null : known(null, 'technician');
      putSlot({ ...slot, uplink });
      return;
    }
    const fresh = {
      id: uplink?.id ?? 'chipset',
      name: uplink?.name ?? texts.theBoardsOwnSwitch,
      generation: Number(generation) as Generation,
      lanes: Number(lanes),
    };
    putSlot({ ...slot, uplink: override(slot.uplink, fresh) });
  }

  function addBox() {
    const n = freeNumber(machine.enclosures, (n) => `box${n}`);
    change({
      ...machine,
      enclosures: [
        ...machine.enclosures,
        {
          id: `box${n}`,
          name: texts.externalBox(n),
          chainPosition: machine.enclosures.length + 1,
          case: { ...machine.case, lengthRoomMm: null, openings: null, tightOpenings: [] },
          supply: emptySupply(),
        },
      ],
      slots: machine.slots.map((each) =>
        each.id === slot.id ? { ...each, enclosureId: `box${n}` } : each,
      ),
    });
  }
</script>

<details
  {@attach opensFor(
    own.length > 0 || slot.uplink === null || uplink !== null || slot.enclosureId !== null,
  )}
>
  <summary>{texts.sharedWithOtherSlots}</summary>
  {#each own as condition (condition.id)}
    <div class="condition">
      <Select
        id="{condition.id}-when"
        size="sm"
        labelText={texts.when}
        selected={condition.whenSlotId}
        on:change={(event) => putCondition({ ...condition, whenSlotId: chosen(event) })}
      >
        {#each others as other (other.id)}<SelectItem value={other.id} text={other.label} />{/each}
      </Select>
      <Select
        id="{condition.id}-holds"
        size="sm"
        labelText={texts.holds}
        selected={condition.holds}
        on:change={(event) => {
          const holds = HOLDS.find(([value]) => value === chosen(event))?.[0] ?? 'anything';
          putCondition({ ...condition, holds });
        }}
      >
        {#each HOLDS as [value, text] (value)}<SelectItem {value} {text} />{/each}
      </Select>
      <Select
        id="{condition.id}-keeps"
        size="sm"
        labelText={texts.thisOne}
        selected={String(condition.keepsLanes)}
        on:change={(event) => putCondition({ ...condition, keepsLanes: Number(chosen(event)) })}
      >
        {#each KEEPS as lanes (lanes)}
          <SelectItem
            value={String(lanes)}
            text={lanes === 0 ? texts.isDead : texts.fallsToX(lanes)}
          />
        {/each}
      </Select>
      <Button
        kind="ghost"
        size="small"
        icon={TrashCan}
        iconDescription={texts.remove}
        tooltipAlignment="end"
        on:click={() => putConditions(machine.conditions.filter(({ id }) => id !== condition.id))}
      />
    </div>
  {/each}
  <Button size="small" kind="ghost" icon={Add} disabled={others.length === 0} on:click={add}
    >{texts.losesLanesWhenAnotherSlot}</Button
  >
  <div class="condition">
    <Select
      id="fact-slot-uplink"
      size="sm"
      labelText={texts.sharesAnUpstreamLinkOf}
      selected={slot.uplink === null ? '' : uplink === null ? 'none' : String(uplink.generation)}
      on:change={(event) => setUplink(chosen(event), String(uplink?.lanes ?? 4))}
    >
      <SelectItem value="" text={texts.notKnown} />
      <SelectItem value="none" text={texts.noneStraightAtTheProcessor} />
      {#each GENERATIONS as n (n)}<SelectItem value={String(n)} text={texts.gen(n)} />{/each}
    </Select>
    <Select
      id="uplink-lanes"
      size="sm"
      labelText={texts.with}
      disabled={uplink === null}
      selected={uplink === null ? '4' : String(uplink.lanes)}
      on:change={(event) => setUplink(String(uplink?.generation ?? ''), chosen(event))}
    >
      {#each LINK_WIDTHS as lanes (lanes)}<SelectItem
          value={String(lanes)}
          text={texts.x(lanes)}
        />{/each}
    </Select>
    <Select
      id="slot-enclosure"
      size="sm"
      labelText={texts.standsIn}
      selected={slot.enclosureId ?? ''}
      on:change={(event) => putSlot({ ...slot, enclosureId: chosen(event) || null })}
    >
      <SelectItem value="" text={texts.theMachinesCase} />
      {#each machine.enclosures as { id, name } (id)}<SelectItem value={id} text={name} />{/each}
    </Select>
  </div>
  {#if uplink !== null}
    <p class="quiet">
      {uplink.name}{sharers.length > 0
        ? texts.sharedWith(sharers.map(({ label }) => label).join(', '))
        : ''}.
    </p>
  {/if}
  {#each machine.enclosures.filter(({ id }) => id === slot.enclosureId) as box (box.id)}
    <TextInput
      id="enclosure-name"
      size="sm"
      labelText={texts.nameOfTheBox}
      value={box.name}
      on:change={(event) =>
        change({
          ...machine,
          enclosures: machine.enclosures.map((each) =>
            each.id === box.id
              ? { ...each, name: String(event.detail ?? '').slice(0, 200) || each.name }
              : each,
          ),
        })}
    />
  {/each}
  <Button size="small" kind="ghost" icon={Add} on:click={addBox}>{texts.itIsInAnExternal}</Button>
</details>

<style>
  .condition {
    display: grid;
    grid-template-columns: 1fr 1fr 1fr auto;
    gap: 0.5rem;
    align-items: end;
    margin-top: 0.5rem;
  }
</style>
