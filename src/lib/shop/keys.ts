/** Keys that are letters must not act while something is being typed, nor while a dialog is open. */
export function isTyping(event: KeyboardEvent): boolean {
  const { target } = event;
  return (
    target instanceof HTMLElement &&
    target.closest(
      'input:not([type="checkbox"], [type="radio"]), textarea, select, [role="dialog"]',
    ) !== null
  );
}

/** Space and Enter belong to the control that has the focus. */
export function isOnControl(event: KeyboardEvent): boolean {
  const { target } = event;
  return (
    target instanceof HTMLElement && target.closest('button, a, input, label, summary') !== null
  );
}
