/** What is said of a card, as far as it is about this machine, this slot and this system. */
import type { Card } from '../parts/card.ts';
import { BACKINGS, type Backing, type Statement } from '../parts/statement.ts';
import { valueOf } from '../parts/fact.ts';
import type { Machine, Slot } from '../parts/machine.ts';
import type { Finding } from './finding.ts';

type Said = Pick<Card, 'statements'>;

export function said({ statements }: Said, slot: Slot, machine: Machine): readonly Finding[] {
  const here = statements.filter((statement) => isOfMachine(statement, machine));
  const best = bestFor(here, slot, machine);
  return [
    ...(best === null || best.says === 'problem' || best.says === 'onlyThere'
      ? []
      : [{ code: `said.${best.says}`, verdict: 'clear', subject: sourceOf(best) } as const]),
    ...here.flatMap((statement) => trouble(statement, slot, machine)),
    ...elsewhere(here, slot, machine),
  ];
}

/** How well the card is backed in this slot: by the best that is said for it here. */
export function backingOf({ statements }: Said, slot: Slot, machine: Machine): Backing {
  const here = statements.filter((statement) => isOfMachine(statement, machine));
  return BACKINGS.find((backing) => backing === bestFor(here, slot, machine)?.says) ?? 'none';
}

/** Whether something is said of it in certain slots only. */
export const namesSlots = ({ statements }: Said): boolean =>
  statements.some(({ slot }) => slot !== '');

/** The best that is said for it; what is about another system, or about one not known to be this, does not count. */
function bestFor(here: readonly Statement[], slot: Slot, machine: Machine): Statement | null {
  const counts = here.filter(
    (statement) => isOfSlot(statement, slot) && isOfSystem(statement, machine) === true,
  );
  for (const backing of BACKINGS.toReversed()) {
    const found = counts.find(({ says }) => says === backing);
    if (found !== undefined) return found;
  }
  return null;
}

function trouble(statement: Statement, slot: Slot, machine: Machine): readonly Finding[] {
  if (statement.says !== 'problem' || !isOfSlot(statement, slot)) return [];
  const isHere = isOfSystem(statement, machine);
  if (isHere === false) return [];
  return [
    isHere === null
      ? { code: 'said.problemPerhaps', verdict: 'unknown', subject: sourceOf(statement) }
      : { code: 'said.problem', verdict: 'limited', subject: sourceOf(statement) },
  ];
}

/** It works in the slots that are named, and in no other. */
function elsewhere(here: readonly Statement[], slot: Slot, machine: Machine): readonly Finding[] {
  const only = here.filter(
    (statement) => statement.says === 'onlyThere' && isOfSystem(statement, machine) === true,
  );
  const [first] = only;
  return first === undefined || only.some((statement) => isOfSlot(statement, slot))
    ? []
    : [{ code: 'said.onlyThere', verdict: 'blocked', subject: first.slot }];
}

/** Who says so, with its date where it carries one. */
const sourceOf = ({ source, date }: Statement): string =>
  date === null ? source : `${source}, ${date}`;

const isOfMachine = ({ machine: named }: Statement, { name }: Machine): boolean =>
  named === '' || isSame(named, name);

const isOfSlot = ({ slot: named }: Statement, { label }: Slot): boolean =>
  named === '' || isSame(named, label);

/** Null while nobody told which system it is. */
function isOfSystem({ system: named }: Statement, { system }: Machine): boolean | null {
  const family = valueOf(system.family);
  return named === null ? true : family === null ? null : family === named;
}

const isSame = (a: string, b: string): boolean => a.trim().toLowerCase() === b.trim().toLowerCase();
