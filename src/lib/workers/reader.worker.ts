/** Reading evidence, in a worker of its own, so that planning does not wait behind it. */
import { expose } from 'comlink';
import { readWork } from './readWork';

export type ReaderWork = typeof readWork;

expose(readWork);
