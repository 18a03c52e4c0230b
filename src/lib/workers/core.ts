/** The one worker, started when first asked. */
import { wrap, type Remote } from 'comlink';
import type { CoreWork } from './core.worker';

let remote: Remote<CoreWork> | null = null;

export function coreWorker(): Remote<CoreWork> {
  remote ??= wrap<CoreWork>(
    new Worker(new URL('./core.worker.ts', import.meta.url), { type: 'module' }),
  );
  return remote;
}
