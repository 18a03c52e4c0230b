/** What becomes of an act, and what every act asks first: that its case is open, and that it has no power. */
import type { Step } from '../procedure/step.ts';
import { valueOf } from '../parts/fact.ts';
import type { Slot } from '../document/machine.ts';
import type { MachinePart } from '../standards/innerLeads.ts';
import { caseId, casesOf, type World } from './world.ts';

export type Refusal =
  | 'power'
  | 'charged'
  | 'tethered'
  | 'closed'
  | 'bar'
  | 'plugged'
  | 'occupied'
  | 'covered'
  | 'capped'
  | 'inTheWay'
  | 'noHand'
  | 'alreadyIn'
  | 'notIn'
  | 'wrongBracket'
  | 'plugInUse'
  | 'noCover'
  | 'gap'
  | 'open'
  | 'notRunning'
  /** Nothing of the kind is there. */
  | 'nothingThere';

export type Outcome =
  | { readonly done: true; readonly world: World }
  | { readonly done: false; readonly because: Refusal };

export type FitStep = Step & { readonly task: NonNullable<Step['task']> };

export const done = (world: World): Outcome => ({ done: true, world });
export const no = (because: Refusal): Outcome => ({ done: false, because });

export type Doing = (world: World, step: FitStep) => Outcome;

/** In an open case, its power off and its supply empty. */
export const inside =
  (doing: Doing): Doing =>
  (world, step) => {
    if (world.hasMains) return no('power');
    if (world.isCharged) return no('charged');
    return world.off.has(`panel ${caseOf(world, step)}`) ? doing(world, step) : no('closed');
  };

/** Where brackets are held by a bar nothing is done to them while it is on. */
export const atBrackets = (doing: Doing): Doing =>
  inside((world, step) => {
    const id = caseOf(world, step);
    const room = casesOf(world.machine).find((each) => caseId(each.id) === id)?.room;
    const isBarred = valueOf(room?.retentionBar ?? null) === true && !world.off.has(`bar ${id}`);
    return isBarred ? no('bar') : doing(world, step);
  });

/** Whether a part of the machine itself is not in it yet. */
export const lacksPart = ({ machine, done: marks }: World, part: MachinePart): boolean =>
  machine.toFit.includes(part) && !marks.has(`part ${part}`);

export const slotOf = ({ machine }: World, slotId: string | null): Slot | undefined =>
  machine.slots.find(({ id }) => id === slotId);

/** The case an act is done in: that of its slot, or the one it names. */
export function caseOf(world: World, { slotId, values }: FitStep): string {
  const named = 'enclosure' in values ? values.enclosure : '';
  const box = world.machine.enclosures.find(({ name }) => name === named);
  return box?.id ?? caseId(slotOf(world, slotId)?.enclosureId ?? null);
}

export const withOut = <Each>(set: ReadonlySet<Each>, each: Each): ReadonlySet<Each> =>
  new Set([...set].filter((other) => other !== each));
export const withIn = <Each>(set: ReadonlySet<Each>, each: Each): ReadonlySet<Each> =>
  new Set([...set, each]);

export const marked = (world: World, mark: string): Outcome =>
  done({ ...world, done: withIn(world.done, mark) });
