/** The focus is never lost: where an act takes away the control that had it, the nearest one that remains gets it. */
const CONTROLS =
  'a[href], button:not(:disabled), input:not(:disabled), select:not(:disabled), textarea:not(:disabled), summary, [tabindex="0"]';

const isSeen = (element: HTMLElement): boolean => element.offsetParent !== null;

const controlsIn = (area: Element): readonly HTMLElement[] =>
  [...area.querySelectorAll<HTMLElement>(CONTROLS)].filter(isSeen);

/** Watches over an area until what it returns is called. */
export function keepFocus(area: HTMLElement): () => void {
  /** What last had the focus, the parts of the area around it from the inside out, and how many controls of each were before it. */
  let last: HTMLElement | null = null;
  let around: readonly { readonly part: Element; readonly at: number }[] = [];

  const remember = ({ target }: FocusEvent) => {
    if (!(target instanceof HTMLElement)) return;
    last = target;
    const parts: Element[] = [];
    for (let part = target.parentElement; part !== null; part = part.parentElement) {
      parts.push(part);
      if (part === area) break;
    }
    around = parts.map((part) => ({ part, at: controlsIn(part).indexOf(target) }));
  };

  const restore = () => {
    if (last === null || last.isConnected || document.activeElement !== document.body) return;
    for (const { part, at } of around) {
      if (!part.isConnected) continue;
      const controls = controlsIn(part);
      const next = controls[Math.min(Math.max(0, at), controls.length - 1)];
      if (next === undefined) continue;
      next.focus();
      return;
    }
  };

  area.addEventListener('focusin', remember);
  const watch = new MutationObserver(() => {
    // Whoever moves the focus on purpose does so right after the change: that comes first.
    if (last !== null && !last.isConnected) setTimeout(restore);
  });
  watch.observe(area, { childList: true, subtree: true });
  return () => {
    area.removeEventListener('focusin', remember);
    watch.disconnect();
  };
}
