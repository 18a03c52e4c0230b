/**
 * What is known of one kind of need once there are cards in slots: what comes through, and where leads go. Each kind has one of
 * these, whole, in its folder.
 */
import type { Machine } from '../document/machine.ts';
import type { RearSocketKind } from '../standards/rearSockets.ts';
import type { Flow, Provider } from './flow.ts';
import type { LeadEnd } from './leadEnd.ts';

export interface Standing {
  readonly state: 'met' | 'short' | 'unknown';
  readonly units: number;
}

/** Takes the first socket that is free and of one of these kinds. */
export type Join = (kinds: readonly RearSocketKind[], end: LeadEnd) => boolean;

export interface Way<Asks> {
  /** What comes through from whatever delivers; null: it delivers something else. */
  flow(from: Provider, need: Asks, machine: Machine): Flow | null;
  /** How it stands where no card serves it; null: cards do. */
  stands(need: Asks, machine: Machine): Standing | null;
  /** The flow in what it is proven by. */
  proven(flow: Flow): Flow;
  /** Leads at the back to so many of its units, after those that were joined before. */
  join(need: Asks, flow: Flow, units: Joined, machine: Machine, join: Join): void;
}

export interface Joined {
  /** Units that cards before this one give. */
  readonly before: number;
  readonly count: number;
}

/** Of kinds that know nothing of the kind. */
export const servedByCards = (): null => null;
export const asItIs = (flow: Flow): Flow => flow;
export const joinsNothing = (): void => undefined;

/** Each unit by a lead of its own from such a socket. */
export const joinEach =
  (kinds: readonly RearSocketKind[], to: 'farEnd' | 'usbDevice' | 'speakers' | 'device' | 'box') =>
  (_need: unknown, _flow: Flow, { count }: Joined, _machine: Machine, join: Join): void => {
    for (let n = 0; n < count; n += 1) join(kinds, { to });
  };
