/** Answers that are asked for again and again, each worked out once. An answer may be null, but not undefined. */

interface Store<Key, Answer> {
  get: (key: Key) => Answer | undefined;
  set: (key: Key, answer: Answer) => unknown;
}

/** What is stored under the key, or else worked out now and stored. */
export function memo<Key, Answer>(
  store: Store<Key, Answer>,
  key: Key,
  workOut: () => Answer,
): Answer {
  const stored = store.get(key);
  if (stored !== undefined) return stored;
  const answer = workOut();
  store.set(key, answer);
  return answer;
}

/** The same function, which answers once for each object, and forgets the answer with the object. */
export function memoOf<Of extends object, Answer>(workOut: (of: Of) => Answer): (of: Of) => Answer {
  const store = new WeakMap<Of, Answer>();
  return (of) => {
    const stored = store.get(of);
    if (stored !== undefined) return stored;
    const answer = workOut(of);
    store.set(of, answer);
    return answer;
  };
}

/** Stores of answers by key, one for each object, forgotten with the object. */
export const memoBy = <Key, Answer>(): ((of: object) => Map<Key, Answer>) =>
  memoOf(() => new Map<Key, Answer>());
