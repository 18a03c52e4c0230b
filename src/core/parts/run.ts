/** One measurement of a need: what was copied or shown, which way, how much of it in what time. */
import * as z from 'zod/mini';
import * as limits from './limits.ts';
import { text } from './limits.ts';
import type { DeepReadonly } from '../units.ts';

/**
 * `large`: one large file; `small`: many small ones; `own`: the customer's own files, whatever they are; `wire`: from memory to memory,
 * without any drive; `work`: seen at work, where nothing is copied.
 */
const RUN_KINDS = ['large', 'small', 'own', 'wire', 'work'] as const;
export type RunKind = (typeof RUN_KINDS)[number];

/** As the machine sees it: `write` goes out of it or onto its drives. */
const RUN_DIRECTIONS = ['read', 'write'] as const;
export type RunDirection = (typeof RUN_DIRECTIONS)[number];

export const runFields = {
  what: z.enum(RUN_KINDS),
  /** Null: the way that the need asks for, or none. */
  direction: z.nullable(z.enum(RUN_DIRECTIONS)),
  /** One drive or one copy while the others rest, although the need asks for all at once. */
  alone: z.boolean(),
  /** Where it was counted: how much, in how many files, in what time; null: nobody said. */
  bytes: z.nullable(limits.bytesCounted),
  files: z.nullable(limits.filesCounted),
  seconds: z.nullable(limits.secondsMeasured),
  /** The first after the machine was without power. */
  isCold: z.boolean(),
  /** The setting that was tried, where several are held against each other; empty: as it stands. */
  variant: text,
};

/** How a figure was measured. */
export type RunConditions = DeepReadonly<z.infer<z.ZodMiniObject<typeof runFields>>>;

export const PLAIN_RUN: RunConditions = {
  what: 'own',
  direction: null,
  alone: false,
  bytes: null,
  files: null,
  seconds: null,
  isCold: false,
  variant: '',
};

/** How something was measured, as far as it decides what is to be expected. */
export interface RunTest extends Pick<RunConditions, 'what' | 'alone' | 'variant' | 'isCold'> {
  /** Null where the need has no way. */
  readonly direction: RunDirection | null;
  /** Of many small files; null of everything else. */
  readonly fileBytes: number | null;
}
