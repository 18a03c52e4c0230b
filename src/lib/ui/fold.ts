/**
 * A fold belongs to the hand. What it is about may open it, and nothing but the hand closes it: whoever works in it would
 * lose the place, and a browser dies of a fold that closes over the very field that is getting the focus.
 * To be attached to a `details` element; asked again whenever the reason changes.
 */
export const opensFor =
  (reason: boolean) =>
  (fold: HTMLDetailsElement): void => {
    if (reason) fold.open = true;
  };
