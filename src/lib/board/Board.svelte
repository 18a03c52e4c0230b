<script lang="ts">
  import { OPENING_PITCH_MM } from '$core/standards';
  import { valueOf } from '$core/parts';
  import type { Machine } from '$core/document';
  import type { Need } from '$core/kinds';
  import { VERDICT_WORDS } from '$words/findings';
  import { ARROWS, CARD_DRAG } from './keysAndCards';
  import BoardBodies from './BoardBodies.svelte';
  import BoardGround from './BoardGround.svelte';
  import { boardLayout, type CardOnSlot } from './layout';
  import ElevationViews from './ElevationViews.svelte';
  import { shortened } from './labels';
  import { BODY_WORDS, planRows, type Overlay } from './rows';
  import { slotLine } from './slotWords';
  import { viewsOf } from './views';
  import { ran } from '$lib/state/effects';
  import { board as texts } from '$words/board';

  let {
    machine,
    planned = [],
    trials = [],
    overlay = new Map(),
    needs = [],
    selectedSlotId,
    onselect,
    onedit,
    ontry,
    share = 1,
    isBare = false,
    availablePx,
  }: {
    machine: Machine;
    planned?: readonly CardOnSlot[];
    /** Cards that are only tried, drawn over what is planned. */
    trials?: readonly CardOnSlot[];
    /** What the stage has to say of each slot, by slot id. */
    overlay?: ReadonlyMap<string, Overlay>;
    /** What the leads behind the machine are for. */
    needs?: readonly Need[];
    selectedSlotId: string | null;
    /** Absent where the drawing is only looked at, as on the sheet. */
    onselect?: (slotId: string) => void;
    /** Where the survey is corrected on the drawing; absent where it is only looked at. */
    onedit?: (machine: Machine) => void;
    /** Where cards can be dropped on slots; absent where they cannot. */
    ontry?: (cardId: string, slotId: string) => void;
    /** Part of the window's height for this drawing, where there are several. */
    share?: number;
    /** Without words: it stands aside, and what it shows is said elsewhere. */
    isBare?: boolean;
    /** Width that there is for it: measured by who places it, so that a drawing is not made twice. */
    availablePx: number;
  } = $props();

  /** What the bars, the tally and a line of facts take of the window, and where the panel stands below, its half. */
  const OTHERS_PX = 236;
  /** By so much the tally is higher where it stands aside too. */
  const TALLER_PX = 110;
  const STACKED_BELOW_PX = 1200;
  const MOST_STACKED = 0.44;
  /** So low stands the first line of words at least, to be all on the drawing. */
  const HEAD_PX = 12;

  let windowPx = $state(800);
  let innerPx = $state(1280);
  /** The survey as a drag would leave it, until the hand lets go. */
  let draft = $state.raw<Machine | null>(null);
  const layout = $derived(boardLayout(draft ?? machine, planned, trials));
  const high = $derived(
    innerPx < STACKED_BELOW_PX
      ? windowPx * MOST_STACKED
      : Math.max(240, windowPx - OTHERS_PX - (isBare ? TALLER_PX : 0)),
  );
  const views = $derived(viewsOf(machine, layout, availablePx, high * share, isBare));
  const scale = $derived(views.plan);
  const { x, y, rect, rightPx, pxPerMm, bottomPx } = $derived(scale);
  const rows = $derived(planRows(machine, layout, views, overlay));
  const pitchPx = $derived(OPENING_PITCH_MM * pxPerMm);
  /** Where the words end, once they are placed. */
  let wordsPx = $state(0);
  const heightPx = $derived(Math.max(views.bottomPx, wordsPx));
  const order = $derived(layout.slots.map(({ slot }) => slot));
  const tabbable = $derived(
    order.some(({ id }) => id === selectedSlotId) ? selectedSlotId : (order[0]?.id ?? null),
  );

  /** Where what is dragged is now: an obstacle and a socket in millimetres, a slot by the opening it faces. */
  const draftWords = $derived.by(() => {
    const moved = draft?.obstacles.find((obstacle, n) => obstacle !== machine.obstacles[n]);
    if (moved !== undefined) return texts.obstacleAt(moved);
    const slot = draft?.slots.find((each, n) => each !== machine.slots[n]);
    if (slot === undefined) return '';
    const place = slot.bus === 'm2' ? valueOf(slot.place) : null;
    return place == null
      ? texts.facesOpening(slot.label, valueOf(slot.opening))
      : texts.mm(slot.label, place.xMm, place.yMm);
  });

  /** Several drawings may stand on one page, and what is hidden lends nobody its pattern. */
  const hatchId = $props.id();
  const isStill = $derived(onselect === undefined);
  let svg = $state<SVGSVGElement>();
  let hands = $state.raw<typeof import('./hands') | null>(null);
  $effect(() => {
    ran('board: hands');
    if (onedit !== undefined) void import('./hands').then((fetched) => (hands = fetched));
  });

  /** What the hand would do is drawn, and done when it lets go. */
  function drag(event: PointerEvent, edit: (dxMm: number, dyMm: number) => Machine) {
    if (onedit === undefined || hands === null || event.button !== 0) return;
    hands.followHand(event, {
      pxPerMm,
      edit,
      moving: (result) => (draft = result),
      done: onedit,
      clicked: selectBelow,
    });
  }

  function dragSlot(event: PointerEvent, slotId: string) {
    const { movedSlot } = hands ?? {};
    if (movedSlot !== undefined) drag(event, (dx, dy) => movedSlot(machine, slotId, dx, dy));
  }

  /** A click on an obstacle that was not dragged means the slot beneath it. */
  function selectBelow({ clientX, clientY }: PointerEvent) {
    const slotId = document
      .elementsFromPoint(clientX, clientY)
      .map((element) => element.closest('[data-slot]')?.getAttribute('data-slot'))
      .find((id) => id != null);
    if (slotId != null) onselect?.(slotId);
  }

  function onkeydown(event: KeyboardEvent, slotId: string) {
    const at = order.findIndex(({ id }) => id === slotId);
    const arrow = ARROWS[event.key];
    if (onedit !== undefined && hands !== null && event.altKey && arrow !== undefined) {
      const [dx, dy] = arrow;
      const far =
        machine.slots.find(({ id }) => id === slotId)?.bus === 'm2' ? 1 : OPENING_PITCH_MM;
      onedit(hands.movedSlot(machine, slotId, dx * far, dy * far));
      event.preventDefault();
      event.stopPropagation();
      return;
    }
    const step = { ArrowDown: 1, ArrowRight: 1, ArrowUp: -1, ArrowLeft: -1 }[event.key];
    if (event.key === 'Enter' || event.key === ' ') onselect?.(slotId);
    else if (step !== undefined) {
      const next = order[(at + step + order.length) % order.length];
      if (next === undefined) return;
      onselect?.(next.id);
      svg?.querySelector<SVGGElement>(`[data-slot="${next.id}"]`)?.focus();
    } else return;
    event.preventDefault();
    event.stopPropagation();
  }

  /** The slot that a dragged card is held over. */
  let heldOver = $state<string | null>(null);

  function onDragOver(event: DragEvent, slotId: string) {
    if (ontry === undefined || !event.dataTransfer?.types.includes(CARD_DRAG)) return;
    event.preventDefault();
    heldOver = slotId;
  }

  function onDrop(event: DragEvent, slotId: string) {
    const cardId = event.dataTransfer?.getData(CARD_DRAG) ?? '';
    heldOver = null;
    if (ontry === undefined || cardId === '') return;
    event.preventDefault();
    ontry(cardId, slotId);
  }

  const spoken = (slotId: string, label: string, facts: string): string => {
    const says = overlay.get(slotId);
    return [
      label,
      facts,
      ...layout.bodies
        .filter((each) => each.slotId === slotId)
        .map(({ name, kind }) => `${name} ${BODY_WORDS[kind]}`),
      says === undefined ? '' : `${VERDICT_WORDS[says.verdict]}: ${says.reason}`,
    ]
      .filter((part) => part !== '')
      .join('. ');
  };
</script>

<svelte:window bind:innerHeight={windowPx} bind:innerWidth={innerPx} />

<div class="board">
  <svg
    bind:this={svg}
    data-drawing={isStill ? undefined : ''}
    class:still={isStill}
    style:--hatch-there="url(#{hatchId}-there)"
    style:--hatch-conflict="url(#{hatchId}-conflict)"
    width={availablePx}
    height={heightPx}
    viewBox="0 0 {availablePx} {heightPx}"
    role={isStill ? 'img' : 'group'}
    aria-label={isStill ? texts.theMachineToScaleFrom : texts.theBoardToScale}
  >
    <BoardGround {layout} {scale} {hatchId} />

    <g
      role={isStill ? undefined : 'listbox'}
      aria-label={isStill ? undefined : texts.slotsFromTheProcessorsEnd}
    >
      {#each layout.slots as drawn (drawn.slot.id)}
        {@const slot = drawn.slot}
        {@const middle = y(drawn.middleMm)}
        <g
          class="slot"
          class:selected={slot.id === selectedSlotId}
          class:held={slot.id === heldOver}
          {...isStill
            ? {}
            : {
                'data-slot': slot.id,
                role: 'option',
                'aria-selected': slot.id === selectedSlotId,
                'aria-label': spoken(slot.id, slot.label, slotLine(slot)),
                tabindex: slot.id === tabbable ? 0 : -1,
              }}
          onclick={() => onselect?.(slot.id)}
          onpointerdown={(event) => dragSlot(event, slot.id)}
          onkeydown={(event) => onkeydown(event, slot.id)}
          ondragover={(event) => onDragOver(event, slot.id)}
          ondragleave={() => (heldOver = null)}
          ondrop={(event) => onDrop(event, slot.id)}
        >
          {#if drawn.inPlace}
            <rect class="lane reach" {...rect(drawn.inPlace)} />
          {:else}
            <rect
              class="lane"
              x={x(0)}
              y={middle - pitchPx / 2}
              width={rightPx - x(0)}
              height={pitchPx}
            />
          {/if}
          <rect {...rect(drawn.connector)} class="connector" class:open={!drawn.lengthKnown} />
          {#if drawn.wired}<rect {...rect(drawn.wired)} class="wired" />{/if}
          {#if valueOf(slot.openEnd) === true}
            {@const end = rect(drawn.connector)}
            <path class="open-end" d="M{end.x + end.width} {end.y}v{end.height}" />
          {/if}
        </g>
      {/each}
    </g>
    <BoardBodies {layout} {scale} {selectedSlotId} {hatchId} />

    {#if onedit && hands}
      <hands.ObstacleHandles
        {machine}
        obstacles={layout.obstacles}
        place={rect}
        ondrag={drag}
        {onedit}
      />
    {/if}
    {#if draft}
      <text class="draft" x={rightPx / 2} y={bottomPx - 8}>{draftWords}</text>
    {/if}

    {#if layout.trayMm !== null}
      <text class="figure" x={x(0) + 8} y={Math.max(HEAD_PX, y(layout.trayMm) - 6)}
        >{shortened(texts.openingNotToldYet, rightPx - x(0) - 12)}</text
      >
    {/if}
    <ElevationViews
      {machine}
      {layout}
      placed={[...planned, ...trials]}
      {needs}
      {views}
      planned={rows}
      {selectedSlotId}
      {onselect}
      {isBare}
      bind:bottomPx={wordsPx}
    />
  </svg>
</div>

<style>
  .board {
    flex: none;
    overflow: hidden;
  }
  svg {
    display: block;
    max-width: 100%;
    color: var(--cds-text-01);
  }
  /** On paper and on a sheet it takes whatever width there is. */
  svg.still {
    width: 100%;
    height: auto;
  }
  svg :global(text) {
    font-size: 12px;
    fill: var(--cds-text-01);
    pointer-events: none;
  }
  svg :global(.figure) {
    fill: var(--cds-text-02);
    font-size: 11px;
  }
  .lane {
    fill: transparent;
  }
  .slot {
    cursor: pointer;
    outline: none;
  }
  .slot:hover .lane {
    fill: var(--cds-hover-ui);
  }
  .slot.selected .lane {
    fill: var(--tenant-selected);
  }
  .slot.held .lane {
    fill: var(--tenant-plan-soft);
    stroke: var(--tenant-plan);
  }
  .slot:focus-visible .lane {
    stroke: var(--cds-focus);
    stroke-width: 2;
  }
  .connector {
    fill: var(--cds-ui-01);
    stroke: var(--cds-text-01);
    stroke-width: 1;
  }
  .connector.open {
    stroke-dasharray: 3 3;
  }
  .wired {
    fill: var(--cds-text-01);
  }
  .open-end {
    stroke: var(--cds-ui-01);
    stroke-width: 3;
  }
  .reach {
    stroke: var(--cds-text-02);
    stroke-dasharray: 3 3;
  }
  svg :global(.obstacle) {
    fill: var(--cds-ui-03);
    fill-opacity: 0.55;
    stroke: var(--cds-text-02);
  }
  svg :global(.obstacle.movable) {
    stroke-dasharray: 4 3;
  }
  svg :global(.body) {
    stroke: var(--cds-text-01);
    stroke-width: 1;
  }
  svg :global(.body.there) {
    fill: var(--hatch-there);
  }
  svg :global(.body.leaving) {
    fill: none;
    stroke: var(--cds-text-02);
    stroke-dasharray: 2 3;
  }
  svg :global(.body.later) {
    fill: none;
    stroke: var(--tenant-plan);
    stroke-dasharray: 1 4;
    stroke-width: 1.5;
  }
  svg :global(.body.planned),
  svg :global(.body.fitted),
  svg :global(.body.trial) {
    fill: var(--tenant-plan-soft);
    fill-opacity: 0.8;
    stroke: var(--tenant-plan);
    stroke-width: 1.5;
  }
  svg :global(.body.trial) {
    stroke-dasharray: 6 3;
  }
  svg :global(.body.lit) {
    stroke-width: 3;
  }
  svg :global(.conflict) {
    fill: var(--hatch-conflict);
    stroke: var(--tenant-blocked);
  }
  .draft {
    text-anchor: middle;
    font-weight: 600;
    paint-order: stroke;
    stroke: var(--cds-ui-background);
    stroke-width: 4px;
  }
</style>
