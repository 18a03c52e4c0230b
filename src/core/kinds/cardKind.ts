/** What is known of one kind of card, whatever machine it is for. Each kind has one of these, whole, in its folder. */
import type * as z from 'zod/mini';
import type { RearSocketKind } from '../standards/rearSockets.ts';

/** What of the survey is asked only where something hangs on it. */
export type SurveyTopic = 'wire' | 'internet' | 'screenInputs';

export interface CardKind<Delivers> {
  /** What a card of it tells of what it delivers; its bounds are the only ones. */
  readonly schema: z.ZodMiniType<Delivers>;
  /** The plainest of its kind, before anything is told of it. */
  readonly plain: Delivers;
  /**
   * Base class and subclass by which a report knows it, with what the class itself says of it. Source: PCI Code and ID Assignment
   * Specification (from memory).
   */
  readonly classes: Readonly<Record<number, Partial<Delivers>>>;
  /** It may be the machine's only way on-line. */
  readonly isWayOnLine: boolean;
  /** What of the survey it gives its all over; null: over nothing beyond its slot. */
  readonly hangsOn: SurveyTopic | null;
  /** Ends that its plates show at the back. */
  readonly plateEnds: readonly ('jack' | 'aerial')[];
  /** The most that it can use of its link with everything on it busy, in bytes per second; zero: nothing is asked of the link. */
  mostBytesPerSecond(delivers: Delivers): number;
  /** Sockets at the back, in the order in which the catalogue lists them. */
  rearSockets(delivers: Delivers): readonly RearSocketKind[];
  /** Ports for drives on cables. */
  cabledPorts(delivers: Delivers): number;
  /** What cannot be true of it at once. */
  contradictions(delivers: Delivers): readonly Contradiction[];
}

/** A number that another one bounds. */
export interface Contradiction {
  /** Within what is delivered. */
  readonly path: string;
  readonly most: number;
  readonly found: number;
}

export const sockets = (kind: RearSocketKind, count: number): readonly RearSocketKind[] =>
  Array.from({ length: Math.max(0, count) }, () => kind);

/** Of a kind that no drive hangs on. */
export const noPorts = (): number => 0;

/** Of a kind whose numbers leave each other alone. */
export const noContradictions = (): readonly Contradiction[] => [];
