<script lang="ts">
  /** The divider between the board and the panel: dragged, or moved with the arrows. */
  import { divider as texts } from '$words/stages/all';
  let { px = $bindable() }: { px: number } = $props();

  const LEAST = 340;
  const MOST = 760;
  const STEP = 20;

  const set = (value: number) => (px = Math.min(MOST, Math.max(LEAST, value)));

  function drag(event: PointerEvent) {
    const handle = event.currentTarget as HTMLElement;
    handle.setPointerCapture(event.pointerId);
    const start = px + event.clientX;
    handle.onpointermove = (move) => set(start - move.clientX);
    handle.onpointerup = () => (handle.onpointermove = null);
  }

  function onkeydown(event: KeyboardEvent) {
    if (event.key === 'ArrowLeft') set(px + STEP);
    else if (event.key === 'ArrowRight') set(px - STEP);
    else return;
    event.preventDefault();
  }
</script>

<!-- svelte-ignore a11y_no_noninteractive_tabindex, a11y_no_noninteractive_element_interactions (a separator with a value is a control) -->
<div
  class="divider"
  role="separator"
  aria-orientation="vertical"
  aria-label={texts.widthOfThePanel}
  aria-valuemin={LEAST}
  aria-valuemax={MOST}
  aria-valuenow={px}
  tabindex="0"
  onpointerdown={drag}
  {onkeydown}
></div>

<style>
  .divider {
    width: 7px;
    cursor: col-resize;
    border-left: 1px solid var(--cds-ui-03);
    border-right: 1px solid var(--cds-ui-03);
    background: var(--cds-ui-background);
    touch-action: none;
  }
  .divider:hover,
  .divider:focus-visible {
    background: var(--tenant-plan);
    outline: none;
  }
  @media (max-width: 75rem) {
    .divider {
      display: none;
    }
  }
  @media print {
    .divider {
      display: none;
    }
  }
</style>
