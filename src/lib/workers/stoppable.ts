/** A worker that is started when it is first asked, and ended with whatever it is at when that is to stop. */
import { wrap, type Remote } from 'comlink';

interface Stoppable<Work> {
  /** The answer, or null where it was stopped before there was one. */
  readonly ask: <Answer>(
    question: (work: Remote<Work>) => Promise<Answer>,
  ) => Promise<Answer | null>;
  readonly end: () => void;
}

export function stoppable<Work>(start: () => Worker): Stoppable<Work> {
  let running: { readonly worker: Worker; readonly remote: Remote<Work> } | null = null;
  let abandon: (() => void) | null = null;
  return {
    ask(question) {
      if (running === null) {
        const worker = start();
        running = { worker, remote: wrap<Work>(worker) };
      }
      const stopped = new Promise<null>((resolve) => (abandon = () => resolve(null)));
      return Promise.race([question(running.remote), stopped]);
    },
    end() {
      running?.worker.terminate();
      running = null;
      abandon?.();
    },
  };
}
