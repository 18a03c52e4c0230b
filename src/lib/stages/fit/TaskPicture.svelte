<script lang="ts">
  /** A task from above, from the side and from behind: the part lit, its movement drawn, all in millimetres. */
  import type { PictureView } from './taskPicture';
  import { taskPicture as texts } from '$words/stages/fit';

  let { views }: { views: readonly PictureView[] } = $props();

  const id = $props.id();
  const path = (points: readonly (readonly [number, number])[]): string =>
    points.map(([x, y], n) => `${n === 0 ? 'M' : 'L'}${x} ${y}`).join('');
  /** Words keep their size whatever is zoomed to. */
  const textMm = ({ focus }: PictureView): number => Math.max(focus.width, focus.height) / 18;
</script>

<div class="pictures" aria-hidden="true">
  {#each views as view (view.name)}
    {@const { focus, shapes, motions, lead } = view}
    <figure>
      <svg viewBox="{focus.x} {focus.y} {focus.width} {focus.height}">
        <defs>
          <marker
            id="{id}-{view.name.replaceAll(' ', '-')}"
            viewBox="0 0 10 10"
            refX="8"
            refY="5"
            markerWidth="5"
            markerHeight="5"
            orient="auto-start-reverse"><path d="M0 0L10 5L0 10z" /></marker
          >
        </defs>
        {#each shapes as { kind, isLit, ...at }, n (n)}
          <rect {...at} class={kind} class:lit={isLit} />
        {/each}
        {#if lead !== null}
          {@const [x, y] = lead.points[Math.floor(lead.points.length / 2)] ?? [0, 0]}
          <path class="lead" d={path(lead.points)} />
          {@const isRight = x > focus.x + focus.width / 2}
          <text
            {x}
            {y}
            dx={(isRight ? -textMm(view) : textMm(view)) / 3}
            dy={textMm(view)}
            text-anchor={isRight ? 'end' : 'start'}
            font-size={textMm(view)}>{texts.mm(lead.mm)}</text
          >
        {/if}
        {#each motions as { kind, from, to }, n (n)}
          {#if kind === 'arrow'}
            <path
              class="motion"
              d={path([from, to])}
              marker-end="url(#{id}-{view.name.replaceAll(' ', '-')})"
            />
          {:else}
            <path
              class="motion"
              d="M{from[0] - 5} {from[1]}a5 5 0 1 1 5 5"
              marker-end="url(#{id}-{view.name.replaceAll(' ', '-')})"
            />
          {/if}
        {/each}
      </svg>
      <figcaption>{view.name}</figcaption>
    </figure>
  {/each}
</div>

<style>
  .pictures {
    display: grid;
    grid-template: 2fr 1fr / 1fr 1fr;
    gap: 0.5rem;
    min-height: 0;
    height: 100%;
  }
  figure:first-child {
    grid-column: 1 / -1;
  }
  figure {
    display: flex;
    flex-direction: column;
    min-height: 0;
    min-width: 0;
    border: 1px solid var(--cds-ui-03);
  }
  svg {
    flex: 1;
    min-height: 0;
    width: 100%;
  }
  figcaption {
    padding: 0 0.5rem 0.25rem;
    font-size: 0.875rem;
    color: var(--cds-text-02);
  }
  rect,
  path {
    vector-effect: non-scaling-stroke;
    stroke: var(--cds-text-02);
    stroke-width: 1;
    fill: none;
  }
  .body {
    fill: var(--cds-ui-02);
    fill-opacity: 0.85;
  }
  .cover {
    fill: var(--cds-ui-03);
  }
  .obstacle {
    fill: var(--cds-ui-03);
    fill-opacity: 0.6;
  }
  .connector,
  .latch {
    fill: var(--cds-ui-04);
  }
  .plug {
    stroke-width: 2;
  }
  .lit {
    fill: var(--tenant-plan-soft);
    stroke: var(--tenant-plan);
    stroke-width: 3;
  }
  .motion {
    stroke: var(--cds-text-01);
    stroke-width: 4;
  }
  marker path {
    fill: var(--cds-text-01);
    stroke: none;
  }
  .lead {
    stroke: var(--tenant-plan);
    stroke-width: 4;
  }
  text {
    fill: var(--cds-text-01);
  }
</style>
