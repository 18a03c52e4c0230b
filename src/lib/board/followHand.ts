/** Follows the hand on the drawing, from where it went down until it lets go. */

/** Less than this is a click. */
const LEAST_DRAG_PX = 3;

interface Drag<Result> {
  readonly pxPerMm: number;
  /** What the hand would do if it let go this far from where it began. */
  readonly edit: (dxMm: number, dyMm: number) => Result;
  /** Told while the hand moves, and null when it has let go or given up. */
  readonly moving: (result: Result | null) => void;
  readonly done: (result: Result) => void;
  readonly clicked: (event: PointerEvent) => void;
}

/** Escape gives up; so does the system taking the pointer away. */
export function followHand<Result>(
  event: PointerEvent,
  { pxPerMm, edit, moving, done, clicked }: Drag<Result>,
): void {
  const target = event.currentTarget as SVGElement;
  const over = new AbortController();
  const { signal } = over;
  const way = (now: PointerEvent) =>
    [now.clientX - event.clientX, now.clientY - event.clientY] as const;
  const result = (now: PointerEvent) => {
    const [dx, dy] = way(now);
    return edit(dx / pxPerMm, dy / pxPerMm);
  };
  const end = () => {
    moving(null);
    over.abort();
  };
  target.setPointerCapture(event.pointerId);
  target.addEventListener('pointermove', (now) => moving(result(now)), { signal });
  target.addEventListener(
    'pointerup',
    (now) => {
      end();
      if (Math.hypot(...way(now)) > LEAST_DRAG_PX) done(result(now));
      else clicked(now);
    },
    { signal },
  );
  target.addEventListener('pointercancel', end, { signal });
  window.addEventListener('keydown', (key) => key.key === 'Escape' && end(), { signal });
  event.preventDefault();
}
