/**
 * Findings: the answers of the rules, as data. A card's verdict is its worst finding, and every finding
 * carries the number behind it. The wording stands in one table beside the screens.
 */

/** Clear, limited (works with a catch), needs (works once something is done), unknown (not told yet), blocked. */
import type { FindingCode, Payload } from './findingCodes.ts';

export const VERDICTS = ['clear', 'limited', 'needs', 'unknown', 'blocked'] as const;
export type Verdict = (typeof VERDICTS)[number];

/** A finding of one code, or of any: what it says besides follows from its code. */
type FindingOf<Code extends FindingCode> = Code extends FindingCode
  ? { readonly code: Code; readonly verdict: Verdict } & Payload<Code>
  : never;
export type Finding = FindingOf<FindingCode>;

const SEVERITY = Object.fromEntries(VERDICTS.map((verdict, n) => [verdict, n])) as Readonly<
  Record<Verdict, number>
>;

export const severityOf = ({ verdict }: Finding): number => SEVERITY[verdict];

export function worstVerdict(findings: readonly { readonly verdict: Verdict }[]): Verdict {
  let worst: Verdict = 'clear';
  for (const { verdict } of findings) if (SEVERITY[verdict] > SEVERITY[worst]) worst = verdict;
  return worst;
}

/** Findings, the most weighty first; equals keep their order. */
export function byWeight(findings: readonly Finding[]): readonly Finding[] {
  return findings.toSorted((a, b) => severityOf(b) - severityOf(a));
}
