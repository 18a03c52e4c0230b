import { letters } from '$lib/state/letters.svelte';

/**
 * Keys that are letters must not act while something is being typed, nor while a dialog is open, nor where single keys
 * were switched off.
 */
export function isNoCommand(event: KeyboardEvent): boolean {
  const { target, key, ctrlKey, metaKey, altKey } = event;
  const isSingle = key.length === 1 && key !== ' ' && !ctrlKey && !metaKey && !altKey;
  return (
    (isSingle && !letters.act) ||
    (target instanceof HTMLElement &&
      target.closest(
        'input:not([type="checkbox"], [type="radio"]), textarea, select, dialog, [role="dialog"]',
      ) !== null)
  );
}

/** Space and Enter belong to the control that has the focus. */
export function isOnControl(event: KeyboardEvent): boolean {
  const { target } = event;
  return (
    target instanceof HTMLElement && target.closest('button, a, input, label, summary') !== null
  );
}

/** What has just appeared takes the focus, or the first button in it does: a hand on the keyboard goes on from there. */
export function takesFocus(appeared: HTMLElement): void {
  const first = appeared.tabIndex >= 0 || appeared.hasAttribute('tabindex');
  (first ? appeared : appeared.querySelector('button'))?.focus();
}
