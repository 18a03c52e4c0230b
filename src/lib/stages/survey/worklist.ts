/** What the survey is still to be told, as rows to be worked down: what is asked of several slots alike is one row. */
import { partOf } from '$core/units';
import { toldFact } from '$core/survey';
import type { DecisiveFact, FactCode } from '$core/rules';
import type { Machine } from '$core/document';
import { FACT_WORDS } from '$words/facts';
import { answersOf, entryOf, systemSaid } from './factFields';
import type { FieldKind } from './fields';
import { worklist as texts } from '$words/stages/survey';

export interface WorkRow {
  readonly key: string;
  readonly code: FactCode;
  /** Of one slot, housing, screen, device or lead of the path each, in the order of the machine; or of the system, which one line tells. */
  readonly facts: readonly DecisiveFact[];
  /** Verdicts that wait for it. */
  readonly decides: number;
}

/** Rows of facts in their order: those of slots and of screens together, those of one housing by themselves. */
export function workRows(unknown: readonly DecisiveFact[], machine: Machine): readonly WorkRow[] {
  const rows = new Map<string, DecisiveFact[]>();
  for (const fact of unknown) {
    const key = isOfSystem(fact) ? SYSTEM : `${fact.code} ${fact.enclosureId ?? ''}`.trim();
    rows.set(key, [...(rows.get(key) ?? []), fact]);
  }
  const parts = [
    ...machine.slots,
    ...machine.screens,
    ...machine.path.hops.flatMap((hop) => [hop, ...hop.leads]),
  ].map(({ id }) => id);
  const place = ({ slotId, screenId, hopId, leadId }: DecisiveFact): number =>
    parts.indexOf(slotId ?? screenId ?? hopId ?? leadId ?? '');
  return [...rows].map(([key, facts]) => ({
    key,
    code: facts[0]!.code,
    facts: facts.toSorted((a, b) => place(a) - place(b)),
    decides:
      key === SYSTEM
        ? Math.max(...facts.map(({ decides }) => decides))
        : facts.reduce((sum, { decides }) => sum + decides, 0),
  }));
}

const SYSTEM = 'system';
const isOfSystem = ({ code }: DecisiveFact): boolean => partOf(code) === 'system';

/** Name, System and its version and so on are asked in one line as long as more than one of them is open. */
const isOneLine = ({ key, facts }: WorkRow): boolean => key === SYSTEM && facts.length > 1;

/** What the row is called, how it is found out, and the field for it; none for the slots themselves. */
export function askedBy(row: WorkRow): {
  readonly name: string;
  readonly how: string;
  /** Answers it takes, with commas or semicolons between, where one is not for all. */
  readonly several: number;
  readonly field: FieldKind<unknown> | null;
} {
  const { code, facts } = row;
  const { name, how } = FACT_WORDS[code];
  if (isOneLine(row))
    return {
      name: texts.system,
      how: texts.startTheMachineAndLook,
      several: 1,
      field: {
        expects: texts.aSystemSuchAsWindows,
        print: String,
        parse: (text) => text,
      },
    };
  const subjects = facts.flatMap(({ subject }) => subject ?? []);
  return {
    name: [name, ...subjects].join(', '),
    how,
    several: facts.length,
    field: entryOf(code)?.field ?? null,
  };
}

/**
 * Rows as they were listed, as long as somebody works in them: a list that is sorted under the hand is none.
 * @param held the row that has the focus: it stays although it is answered
 */
export function inStableOrder(
  rows: readonly WorkRow[],
  before: readonly WorkRow[],
  held: string | null,
): readonly WorkRow[] {
  const now = new Map(rows.map((row) => [row.key, row]));
  const kept = before.flatMap((row) => now.get(row.key) ?? (row.key === held ? [row] : []));
  const known = new Set(before.map(({ key }) => key));
  return [...kept, ...rows.filter(({ key }) => !known.has(key))];
}

/** The machine with a row answered; null for an answer that is not of its kind. */
export function answered(machine: Machine, row: WorkRow, text: string): Machine | null {
  if (isOneLine(row)) {
    const said = new Map(Object.entries(systemSaid(text)));
    const told = row.facts.filter(({ code }) => said.has(code));
    return told.length === 0
      ? null
      : told.reduce((all, fact) => toldFact(all, fact, said.get(fact.code)), machine);
  }
  const entry = entryOf(row.code);
  const answers = entry && answersOf(entry.field, row.facts.length, text);
  return entry === null || answers === null
    ? null
    : row.facts.reduce((told, fact, n) => toldFact(told, fact, entry.valueOf(answers[n])), machine);
}
