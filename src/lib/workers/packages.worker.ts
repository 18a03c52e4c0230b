/** Looking at driver packages, choosing the fewest, and writing the stick: in a worker of its own, which keeps what was dropped. */
import { expose } from 'comlink';
import { packageWork } from './packageWork';

export type PackageWork = typeof packageWork;

expose(packageWork);
