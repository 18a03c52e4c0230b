/** The worker that looks at driver packages. Reading other evidence is another's: stopping that leaves these alone. */
import type { PackageWork } from './packages.worker';
import { stoppable } from './stoppable';

export const { ask: askPackages, end: stopPackages } = stoppable<PackageWork>(
  () => new Worker(new URL('./packages.worker.ts', import.meta.url), { type: 'module' }),
);
