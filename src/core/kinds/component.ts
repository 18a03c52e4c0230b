/** What a figure goes through, as things that can each be in one of several states: as planned, or fallen back to something less. */
import type { Flow, FlowStage } from './flow.ts';
import type { Band } from '../placement/slotLink.ts';
import { CAUSES, type Cause, type CauseRow } from '../standards/causes.ts';
import { CHECKS, type Check } from '../standards/checks.ts';
import type { RunTest } from '../parts/run.ts';

export type ComponentName =
  | 'slotLink'
  | 'uplink'
  | 'driver'
  | 'firmware'
  | 'power'
  | 'cooling'
  | 'card'
  | 'processor'
  | 'wire'
  | 'largeFrames'
  | 'farEnd'
  | 'files'
  | 'ownDrive'
  | 'farDrive'
  | 'usbLink'
  | 'usbDevice'
  | 'drives'
  | 'driveCount'
  | 'dataLead'
  | 'array'
  | 'radio'
  | 'internet'
  | 'screenLead'
  | 'screenMode'
  | 'portLead'
  /** Stages that nothing falls back of: they are what they are. */
  | 'rest';

/** What it lets through in a measurement of which this is expected; null: as much as anything. */
export type Carries = (test: RunTest, expected: Flow) => Band | null;

export interface ComponentState {
  /** Null: as planned. */
  readonly cause: Cause | null;
  /** How often a fitted machine has it, from 0 to 1. */
  readonly frequency: number;
  readonly carries: Carries;
  /** What each check would answer, where that is not what it answers of a component that is as planned. */
  readonly shows: Answers;
}
type Answers = Partial<Readonly<Record<Check, string>>>;

export interface Component {
  /** The same for the same thing in every diagnosis of a job. */
  readonly id: string;
  readonly what: ComponentName;
  /** Of a wire: which device of the path it leads to, counted from the machine. */
  readonly hop: FlowStage['hop'] | null;
  /** Checks that look at it, each with what it answers when all is as planned. */
  readonly checks: Answers;
  readonly planned: ComponentState;
  readonly fallBacks: readonly ComponentState[];
}

/** How often each cause is met; the shop's own counts may take the place of practice's. */
export type Frequencies = Readonly<Record<Cause, number>>;

export const PRACTICE = Object.fromEntries(
  Object.entries(CAUSES).map(([cause, { perThousand }]) => [cause, perThousand / 1_000]),
) as Frequencies;

/** A component as its family describes it. */
export interface Described {
  readonly what: ComponentName;
  /** Its name where there are several of the kind. */
  readonly id?: string;
  readonly hop?: NonNullable<Component['hop']>;
  /** Stages of the flow that it is; absent: it lets through as much as anything while it is as planned. */
  readonly stages?: (stage: FlowStage) => boolean;
  readonly checks: readonly Check[];
  /** What a check answers of it as planned, where its answers are numbers. */
  readonly plain?: Answers;
  readonly fallBacks: readonly FallBack[];
}

export interface FallBack {
  readonly cause: Cause;
  readonly shows: Answers;
  /** Absent: what practice says is left by it. */
  readonly carries?: Carries;
  /** Measurements that it does not drag down. */
  readonly spares?: (test: RunTest) => boolean;
}

/** Those that can fall back at all, and the stages that none of them is. */
export function componentsFrom(
  described: readonly Described[],
  frequencies: Frequencies,
): readonly Component[] {
  const able = described.filter(({ fallBacks }) => fallBacks.length > 0);
  const rest: Described = {
    what: 'rest',
    stages: (stage) => !able.some(({ stages }) => stages?.(stage) === true),
    checks: [],
    fallBacks: [],
  };
  return [...able, rest].map((each) => componentFrom(each, frequencies));
}

function componentFrom(described: Described, frequencies: Frequencies): Component {
  const { what, id = what, hop = null, stages, checks, plain = {}, fallBacks } = described;
  const asPlanned: Carries = (_, expected) => narrowest(stages, expected);
  return {
    id,
    what,
    hop,
    checks: Object.fromEntries(
      checks.map((check) => [check, plain[check] ?? CHECKS[check].answers[0]]),
    ),
    planned: { cause: null, frequency: 1, carries: asPlanned, shows: {} },
    fallBacks: fallBacks.map(({ cause, shows, carries = leavesOf(cause), spares }) => ({
      cause,
      frequency: frequencies[cause],
      carries: (test, expected) =>
        spares?.(test) === true ? asPlanned(test, expected) : carries(test, expected),
      shows,
    })),
  };
}

/** What is left of what the need would get. */
function leavesOf(cause: Cause): Carries {
  const { leaves }: CauseRow = CAUSES[cause];
  if (leaves === null) throw new Error(`Nothing says what ${cause} leaves`);
  return (_, { low, high }) => ({ low: low * leaves[0], high: high * leaves[1] });
}

/** The narrowest of some stages, as all that work as one show it. */
function narrowest(of: Described['stages'], { stages, gain }: Flow): Band | null {
  const own = of === undefined ? [] : stages.filter(of);
  return own.length === 0
    ? null
    : {
        low: gain.low * Math.min(...own.map(({ low }) => low)),
        high: gain.high * Math.min(...own.map(({ high }) => high)),
      };
}

/** What a check answers of a component in this state; undefined where it does not look at it. */
export const shownBy = (
  { checks }: Component,
  state: ComponentState,
  check: Check,
): string | undefined => state.shows[check] ?? checks[check];
