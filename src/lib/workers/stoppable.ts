/** A worker that is started when it is first asked, and ended with whatever it is at when that is to stop. */
import { wrap, type Remote } from 'comlink';

interface Stoppable<Work> {
  /** The answer, or null where it was stopped before there was one. @throws where the worker cannot be started, or dies */
  readonly ask: <Answer>(
    question: (work: Remote<Work>) => Promise<Answer>,
  ) => Promise<Answer | null>;
  readonly end: () => void;
}

interface Running<Work> {
  readonly worker: Worker;
  readonly remote: Remote<Work>;
  /** Ended before all were answered: each question that waits is told so. */
  readonly stopped: Promise<null>;
  readonly stop: () => void;
}

export function stoppable<Work>(start: () => Worker): Stoppable<Work> {
  let running: Running<Work> | null = null;

  function started(): Running<Work> {
    const worker = start();
    let stop: () => void = () => undefined;
    const stopped = new Promise<null>((resolve, reject) => {
      stop = () => resolve(null);
      worker.addEventListener('error', ({ message }) => {
        if (running?.worker === worker) running = null;
        reject(new Error(message));
      });
    });
    // Nobody may be waiting when it dies.
    stopped.catch(() => undefined);
    return { worker, remote: wrap<Work>(worker), stopped, stop };
  }

  return {
    ask(question) {
      running ??= started();
      return Promise.race([question(running.remote), running.stopped]);
    },
    end() {
      running?.worker.terminate();
      running?.stop();
      running = null;
    },
  };
}
