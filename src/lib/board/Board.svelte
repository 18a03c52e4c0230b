<script lang="ts">
  import { OPENING_PITCH_MM, valueOf, type Machine, type Verdict } from '$core';
  import { VERDICT_WORDS } from '$lib/wording/findings';
  import VerdictMark from '../ui/VerdictMark.svelte';
  import { ARROWS, CARD_DRAG, followHand } from './drag';
  import { movedSlot, type Edit } from './edits';
  import BoardBodies from './BoardBodies.svelte';
  import BoardGround from './BoardGround.svelte';
  import { boardLayout, type CardOnSlot } from './layout';
  import { boardScale } from './scale';
  import { slotLine } from './slotWords';

  interface Overlay {
    readonly verdict: Verdict;
    /** One word for what decides it, beside the drawing, and the whole reason when read aloud. */
    readonly topic: string;
    readonly reason: string;
  }

  let {
    machine,
    planned = [],
    trials = [],
    overlay = new Map(),
    selectedSlotId,
    onselect,
    onedit,
    ontry,
    share = 1,
    availablePx,
  }: {
    machine: Machine;
    planned?: readonly CardOnSlot[];
    /** Cards that are only tried, drawn over what is planned. */
    trials?: readonly CardOnSlot[];
    /** What the stage has to say of each slot, by slot id. */
    overlay?: ReadonlyMap<string, Overlay>;
    selectedSlotId: string | null;
    onselect: (slotId: string) => void;
    /** Where the survey is corrected on the drawing; absent where it is only looked at. */
    onedit?: (edit: Edit) => void;
    /** Where cards can be dropped on slots; absent where they cannot. */
    ontry?: (cardId: string, slotId: string) => void;
    /** Part of the window's height for this drawing, where there are several. */
    share?: number;
    /** Width that there is for it: measured by who places it, so that a drawing is not made twice. */
    availablePx: number;
  } = $props();

  /** Room for the words beside the drawing, in pixels. */
  const LABEL_PX = 176;
  const MOST_PX_PER_MM = 2.4;
  /** The drawing leaves room below it for the facts of what is selected. */
  const MOST_OF_WINDOW = 0.5;
  const MEASURES_PX = 44;
  const TWO_LINES_PX = 29;
  /** About what a letter of a card's name takes. */
  const LETTER_PX = 7;

  let windowPx = $state(800);
  /** The survey as a drag would leave it, until the hand lets go. */
  let draft = $state.raw<Edit | null>(null);
  const layout = $derived(boardLayout(draft?.machine ?? machine, planned, trials));
  const pxPerMm = $derived(
    Math.max(
      0.6,
      Math.min(
        MOST_PX_PER_MM,
        (availablePx - LABEL_PX) / layout.widthMm,
        (windowPx * MOST_OF_WINDOW * share) / layout.heightMm,
      ),
    ),
  );
  const scale = $derived(boardScale(layout, pxPerMm));
  const { x, y, rect, rightPx, bottomPx } = $derived(scale);
  const widthPx = $derived(rightPx + LABEL_PX);
  const pitchPx = $derived(OPENING_PITCH_MM * pxPerMm);
  /** The measures of the drawing stand below it. */
  const heightPx = $derived(bottomPx + MEASURES_PX);
  const order = $derived(layout.slots.map(({ slot }) => slot));
  const tabbable = $derived(
    order.some(({ id }) => id === selectedSlotId) ? selectedSlotId : (order[0]?.id ?? null),
  );

  /** Slots so close to another that two lines beside them would run into its own. */
  const crowded = $derived.by(() => {
    const rows = layout.slots.filter(({ inPlace }) => inPlace === null);
    const near = (a: number, b: number) => Math.abs(a - b) * pxPerMm < TWO_LINES_PX;
    return new Set(
      rows
        .filter((row) => rows.some((other) => other !== row && near(row.middleMm, other.middleMm)))
        .map(({ slot }) => slot.id),
    );
  });

  /** Where a dragged obstacle is now, in millimetres. */
  const draftFigures = $derived.by(() => {
    const moved = draft?.machine.obstacles.find((obstacle, n) => obstacle !== machine.obstacles[n]);
    return moved === undefined
      ? ''
      : `, ${moved.xMm} / ${moved.yMm} mm, ${moved.widthMm} × ${moved.depthMm} mm`;
  });

  let svg = $state<SVGSVGElement>();

  /** What the hand would do is drawn, and done when it lets go. */
  function drag(event: PointerEvent, edit: (dxMm: number, dyMm: number) => Edit) {
    if (onedit === undefined || event.button !== 0) return;
    followHand(event, {
      pxPerMm,
      edit,
      moving: (result) => (draft = result),
      done: onedit,
      clicked: selectBelow,
    });
  }

  /** A click on an obstacle that was not dragged means the slot beneath it. */
  function selectBelow({ clientX, clientY }: PointerEvent) {
    const slotId = document
      .elementsFromPoint(clientX, clientY)
      .map((element) => element.closest('[data-slot]')?.getAttribute('data-slot'))
      .find((id) => id != null);
    if (slotId != null) onselect(slotId);
  }

  function onkeydown(event: KeyboardEvent, slotId: string) {
    const at = order.findIndex(({ id }) => id === slotId);
    const arrow = ARROWS[event.key];
    if (onedit !== undefined && event.altKey && arrow !== undefined) {
      const [dx, dy] = arrow;
      const far =
        machine.slots.find(({ id }) => id === slotId)?.bus === 'm2' ? 1 : OPENING_PITCH_MM;
      onedit(movedSlot(machine, slotId, dx * far, dy * far));
      event.preventDefault();
      event.stopPropagation();
      return;
    }
    const step = { ArrowDown: 1, ArrowRight: 1, ArrowUp: -1, ArrowLeft: -1 }[event.key];
    if (event.key === 'Enter' || event.key === ' ') onselect(slotId);
    else if (step !== undefined) {
      const next = order[(at + step + order.length) % order.length];
      if (next === undefined) return;
      onselect(next.id);
      svg?.querySelector<SVGGElement>(`[data-slot="${next.id}"]`)?.focus();
    } else return;
    event.preventDefault();
    event.stopPropagation();
  }

  /** Whether a slot's name and facts stand beside each other in the room for words. */
  const fits = (label: string, facts: string): boolean =>
    (label.length + facts.length) * LETTER_PX < LABEL_PX + 20;

  const verdictWords = ({ verdict, topic }: Overlay): string =>
    `${VERDICT_WORDS[verdict]}${topic === '' ? '' : `: ${topic}`}`;

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
    const body = layout.bodies.find((each) => each.slotId === slotId);
    return [
      label,
      facts,
      body === undefined ? '' : `${body.name} in it`,
      says === undefined ? '' : `${VERDICT_WORDS[says.verdict]}: ${says.reason}`,
    ]
      .filter((part) => part !== '')
      .join('. ');
  };
</script>

<svelte:window bind:innerHeight={windowPx} />

<div class="board">
  <svg
    bind:this={svg}
    width={widthPx}
    height={heightPx}
    viewBox="0 0 {widthPx} {heightPx}"
    role="group"
    aria-label="The board, to scale"
  >
    <BoardGround {layout} {scale} />

    <g role="listbox" aria-label="Slots from the processor’s end">
      {#each layout.slots as drawn (drawn.slot.id)}
        {@const slot = drawn.slot}
        {@const says = overlay.get(slot.id)}
        {@const middle = y(drawn.middleMm)}
        {@const facts = slotLine(slot)}
        <g
          class="slot"
          class:selected={slot.id === selectedSlotId}
          class:held={slot.id === heldOver}
          data-slot={slot.id}
          role="option"
          aria-selected={slot.id === selectedSlotId}
          aria-label={spoken(slot.id, slot.label, facts)}
          tabindex={slot.id === tabbable ? 0 : -1}
          onclick={() => onselect(slot.id)}
          onpointerdown={(event) => drag(event, (dx, dy) => movedSlot(machine, slot.id, dx, dy))}
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
              width={widthPx - x(0) - 2}
              height={pitchPx}
            />
          {/if}
          <rect {...rect(drawn.connector)} class="connector" class:open={!drawn.lengthKnown} />
          {#if drawn.wired}<rect {...rect(drawn.wired)} class="wired" />{/if}
          {#if valueOf(slot.openEnd) === true}
            {@const end = rect(drawn.connector)}
            <path class="open-end" d="M{end.x + end.width} {end.y}v{end.height}" />
          {/if}
          {#if drawn.inPlace}
            <text class="label small" x={x(drawn.inPlace.xMm + 7)} y={middle - 2}>{slot.label}</text
            >
            <text class="figure" x={x(drawn.inPlace.xMm + 7)} y={middle + 11}
              >{says ? VERDICT_WORDS[says.verdict] : `key ${valueOf(slot.key) ?? '?'}`}</text
            >
          {:else if crowded.has(slot.id)}
            {#if says}
              <VerdictMark verdict={says.verdict} withWord={false} x={rightPx + 2} y={middle - 8} />
            {/if}
            <text class="label" x={rightPx + (says ? 22 : 4)} y={middle + 4}
              >{slot.label}<tspan class={says ? 'says' : 'figure'} dx="8"
                >{says ? verdictWords(says) : fits(slot.label, facts) ? facts : ''}</tspan
              ></text
            >
          {:else}
            <text class="label" x={rightPx + 4} y={middle - 2}>{slot.label}</text>
            {#if says}
              <VerdictMark verdict={says.verdict} withWord={false} x={rightPx + 2} y={middle - 1} />
              <text class="says" x={rightPx + 22} y={middle + 11}>{verdictWords(says)}</text>
            {:else}
              <text class="figure" x={rightPx + 4} y={middle + 11}>{facts}</text>
            {/if}
          {/if}
        </g>
      {/each}
    </g>
    <BoardBodies {layout} {scale} {selectedSlotId} />

    {#if onedit}
      {#await import('./ObstacleHandles.svelte') then { default: ObstacleHandles }}
        <ObstacleHandles
          {machine}
          obstacles={layout.obstacles}
          place={rect}
          ondrag={drag}
          {onedit}
        />
      {/await}
    {/if}
    {#if draft}
      <text class="draft" x={rightPx / 2} y={bottomPx - 8}>{draft.what}{draftFigures}</text>
    {/if}

    {#if layout.trayMm !== null}
      <text class="label" x={x(0) + 8} y={y(layout.trayMm) - 6}
        >Slots whose opening is not told yet</text
      >
    {/if}
  </svg>
</div>

<style>
  .board {
    overflow: hidden;
  }
  svg {
    display: block;
    max-width: 100%;
    color: var(--cds-text-01);
  }
  svg :global(text) {
    font-size: 12px;
    fill: var(--cds-text-01);
    pointer-events: none;
  }
  .label {
    font-weight: 600;
  }
  svg :global(.figure) {
    fill: var(--cds-text-02);
    font-size: 11px;
  }
  .says {
    font-size: 11px;
    font-weight: 600;
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
  .small {
    font-size: 11px;
  }
  .draft {
    text-anchor: middle;
    font-weight: 600;
    paint-order: stroke;
    stroke: var(--cds-ui-background);
    stroke-width: 4px;
  }
</style>
