/**
 * Text that is typed into a field of the job and not yet left: it is taken over once the hand rests, when the page is
 * hidden or left, and until then the window says that it is not saved.
 */

/** So long a hand rests before long texts are taken over. */
const REST_MS = 1_000;

/** Fields that are no part of the job say so. */
const isOfJob = (target: EventTarget | null): target is HTMLInputElement | HTMLTextAreaElement =>
  (target instanceof HTMLTextAreaElement ||
    (target instanceof HTMLInputElement && ['text', 'number'].includes(target.type))) &&
  target.dataset['aside'] === undefined &&
  target.role !== 'searchbox';

/** @param told whether there is such text @returns how to stop */
export function watchTyping(panel: HTMLElement, told: (is: boolean) => void): () => void {
  let field: HTMLInputElement | HTMLTextAreaElement | null = null;
  let rest: ReturnType<typeof setTimeout> | undefined;

  const take = () => {
    clearTimeout(rest);
    field?.dispatchEvent(new Event('change', { bubbles: true }));
  };
  const oninput = ({ target }: Event) => {
    if (!isOfJob(target)) return;
    field = target;
    told(true);
    clearTimeout(rest);
    // A number that is half typed is no number yet; words are words at every moment.
    if (target instanceof HTMLTextAreaElement) rest = setTimeout(take, REST_MS);
  };
  const onchange = ({ target }: Event) => {
    if (target !== field) return;
    clearTimeout(rest);
    field = null;
    told(false);
  };
  const onhide = () => {
    if (document.visibilityState === 'hidden') take();
  };
  panel.addEventListener('input', oninput, true);
  panel.addEventListener('change', onchange, true);
  document.addEventListener('visibilitychange', onhide);
  window.addEventListener('beforeunload', take);
  return () => {
    take();
    panel.removeEventListener('input', oninput, true);
    panel.removeEventListener('change', onchange, true);
    document.removeEventListener('visibilitychange', onhide);
    window.removeEventListener('beforeunload', take);
  };
}
