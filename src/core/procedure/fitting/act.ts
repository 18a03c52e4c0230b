/** An act of this job before it has its place in the order: what it says, and what decides when it can be done. */
import type { Machine, Slot } from '../../document/machine.ts';
import { valueOf } from '../../parts/fact.ts';
import type { Rectangle } from '../../placement/geometry.ts';
import type { BracketHold, Draft } from '../step.ts';
import { ACTS, type FitCode } from './acts.ts';
import type { Move, Thing, ThingKind, Tool, Whereabouts } from './task.ts';

export type FitDraft = Extract<Draft, { readonly code: FitCode }>;

export interface Act {
  readonly draft: FitDraft;
  /** The external box it is done in; null: the machine's own case. */
  readonly housing: string | null;
  readonly tool: Tool | null;
  readonly moves: readonly Move[];
  /** Openings whose bracket, plate or cover it touches. */
  readonly openings: readonly number[];
  /** Slots whose card it makes room for, or is done to. */
  readonly forSlots: readonly string[];
  /** Where on the board of the own case the hand goes, in millimetres. */
  readonly point: { readonly xMm: number; readonly yMm: number } | null;
  /** What it covers of that board once it is done. */
  readonly ground: Rectangle | null;
}

type More = Partial<Omit<Act, 'draft'>>;

export const act = (draft: Draft, more: More = {}): Act => ({
  draft: draft as FitDraft,
  housing: null,
  tool: ACTS[draft.code as FitCode].tool,
  moves: [],
  openings: [],
  forSlots: [],
  point: null,
  ground: null,
  ...more,
});

export const thing = (kind: ThingKind, id: string | number, name = String(id)): Thing => ({
  id: `${kind}:${id}`,
  kind,
  name,
});

export const move = (of: Thing, to: Whereabouts): Move => ({ thing: of, to });

/** An opening among those of all housings. */
export const openingId = (housing: string | null, number: number): string =>
  housing === null ? `${number}` : `${housing}/${number}`;

/** A screw that holds what is in an opening. */
export const screwOf = (housing: string | null, number: number): Thing =>
  thing('screw', openingId(housing, number), openingName(housing, number));

export const coverOf = (housing: string | null, number: number): Thing =>
  thing('cover', openingId(housing, number), openingName(housing, number));

/** Stands behind the number of an opening that is not in the machine's own case. */
const OF_BOX = '/box';
/** Of the machine's own case by its number alone. */
const openingName = (housing: string | null, number: number): string =>
  housing === null ? String(number) : `${number}${OF_BOX}`;

/** What holds the brackets of a case; null while nobody told. */
export function bracketHold({ case: room }: Pick<Machine, 'case'>): BracketHold | null {
  if (valueOf(room.retentionBar) === true) return 'bar';
  const covers = valueOf(room.covers);
  return covers === null ? null : covers === 'clipped' ? 'clipped' : 'screwed';
}

/** A latch is where a long connector has one; nobody is told of one that is not there. */
export const latchOf = ({ bus, latch, connectorLanes }: Slot): boolean | null =>
  bus !== 'pcie' ? false : (latch?.value ?? (valueOf(connectorLanes) === 16 ? null : false));
