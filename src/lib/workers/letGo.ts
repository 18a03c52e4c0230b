/** A callback from the page is let go of once the work is done: its port holds all that it knows until then. */
import { releaseProxy, type ProxyMethods } from 'comlink';

export async function thenLetGo<Answer>(callback: unknown, work: Promise<Answer>): Promise<Answer> {
  try {
    return await work;
  } finally {
    (callback as ProxyMethods)[releaseProxy]();
  }
}
