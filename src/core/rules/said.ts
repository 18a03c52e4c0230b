/** What is said of a card, as far as it is about this machine, this slot, these systems and the cards beside it. */
import { BACKINGS, type Backing, type Statement } from '../parts/statement.ts';
import { cardName, type Card } from '../document/card.ts';
import { valueOf } from '../parts/fact.ts';
import { withSecondSystem, type Machine, type Slot } from '../document/machine.ts';
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

/** Trouble that the card is said to have beside one of this name. */
export const troubleWith = (
  { statements }: Said,
  slot: Slot,
  machine: Machine,
  other: string,
): readonly Finding[] =>
  statements.some(
    (statement) =>
      statement.says === 'problem' &&
      statement.card !== '' &&
      isSame(statement.card, other) &&
      isOfMachine(statement, machine) &&
      isOfSlot(statement, slot) &&
      isOfSystem(statement, machine) !== false,
  )
    ? [{ code: 'said.problemWith', verdict: 'limited', subject: other }]
    : [];

/** Names of the cards that stay in other slots. */
export const stayingBeside = ({ id: own }: Slot, { slots }: Machine): readonly string[] =>
  slots.flatMap(({ id, occupant }) => {
    const card = valueOf(occupant);
    return card === null || id === own || card.disposition === 'remove' ? [] : card.name;
  });

/** Names by which cards are told apart here, of those of which something is said beside others, and of those others. */
export const pairedNames = (
  cards: readonly (Said & Pick<Card, 'maker' | 'model'>)[],
): ReadonlySet<string> =>
  new Set(
    cards.flatMap((card) => {
      const others = card.statements.flatMap((each) =>
        each.card === '' ? [] : nameAsSaid(each.card),
      );
      return others.length === 0 ? [] : [nameAsSaid(cardName(card)), ...others];
    }),
  );

/** The best that is said for it; what is about another system, or about one not known to be this, does not count. */
function bestFor(here: readonly Statement[], slot: Slot, machine: Machine): Statement | null {
  const there = here.filter((statement) => statement.card === '' && isOfSlot(statement, slot));
  const other = withSecondSystem(machine);
  const best = bestOn(there, machine);
  if (best === null || other === null) return best;
  // It has to suit both of its systems, so the lesser word counts.
  const second = bestOn(there, other);
  return second === null || rankOf(second) < rankOf(best) ? second : best;
}

const rankOf = ({ says }: Statement): number => BACKINGS.findIndex((backing) => backing === says);

/** @param machine as it was started */
function bestOn(there: readonly Statement[], { system }: Machine): Statement | null {
  const counts = there.filter((statement) => isOf(statement, system) === true);
  for (const backing of BACKINGS.toReversed()) {
    const found = counts.find(({ says }) => says === backing);
    if (found !== undefined) return found;
  }
  return null;
}

/** Trouble beside another card is asked of the two together. */
function trouble(statement: Statement, slot: Slot, machine: Machine): readonly Finding[] {
  if (statement.says !== 'problem' || !isOfSlot(statement, slot)) return [];
  if (statement.card !== '') {
    return stayingBeside(slot, machine).flatMap((name) =>
      troubleWith({ statements: [statement] }, slot, machine, name),
    );
  }
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
    (statement) => statement.says === 'onlyThere' && isOfSystem(statement, machine) !== false,
  );
  const sure = only.filter((statement) => isOfSystem(statement, machine) === true);
  const [first] = sure.length > 0 ? sure : only;
  if (first === undefined || only.some((statement) => isOfSlot(statement, slot))) return [];
  return [
    sure.length > 0
      ? { code: 'said.onlyThere', verdict: 'blocked', subject: first.slot }
      : { code: 'said.onlyTherePerhaps', verdict: 'unknown', subject: first.slot },
  ];
}

/** Who says so, with its date where it carries one. */
const sourceOf = ({ source, date }: Statement): string =>
  date === null ? source : `${source}, ${date}`;

const isOfMachine = ({ machine: named }: Statement, { name }: Machine): boolean =>
  named === '' || isSame(named, name);

const isOfSlot = ({ slot: named }: Statement, { label }: Slot): boolean =>
  named === '' || isSame(named, label);

/** Of one of its systems at least; null while nobody told which they are. */
function isOfSystem(statement: Statement, machine: Machine): boolean | null {
  const first = isOf(statement, machine.system);
  if (first === true || machine.secondSystem === null) return first;
  const second = isOf(statement, machine.secondSystem);
  return second === true ? true : first === null ? null : second;
}

function isOf({ system: named }: Statement, system: Machine['system']): boolean | null {
  const family = valueOf(system.family);
  return named === null ? true : family === null ? null : family === named;
}

/** A name as it is compared with another. */
export const nameAsSaid = (name: string): string => name.trim().toLowerCase();

const isSame = (a: string, b: string): boolean => nameAsSaid(a) === nameAsSaid(b);
