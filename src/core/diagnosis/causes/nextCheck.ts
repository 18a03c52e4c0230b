/** Of all checks that are left, the one that settles most for its minutes. */
import { CHECKS, MEASURE_MINUTES, type Check } from '../../standards/checks.ts';
import type { Measure } from '../../kinds/needKind.ts';
import type { Flow } from '../../kinds/flow.ts';
import type { RunTest } from '../../parts/run.ts';
import { shownBy, type Component, type ComponentState } from '../../kinds/component.ts';
import { bandIn, type Explanation, type Observed } from './explanations.ts';

/** A look or an act whose answer is picked, or a measurement whose answer is a figure. */
export type NextCheck =
  | {
      readonly kind: 'check';
      readonly part: string;
      readonly check: Check;
      readonly minutes: number;
    }
  | { readonly kind: 'measure'; readonly measure: Measure; readonly minutes: number };

/** A measurement that could be made, with what it should show. */
export interface PossibleMeasure {
  readonly measure: Measure;
  readonly test: RunTest;
  readonly expected: Flow;
}

/** A check with how each explanation would have it answered: the answer, or the shares of several. */
export interface Question {
  readonly ask: NextCheck;
  readonly answers: readonly ReadonlyMap<string, number>[];
}

/** Checks that are not answered yet and of which explanations differ. */
export function questionsFor(
  explanations: readonly Explanation[],
  components: readonly Component[],
  { answers }: Observed,
  measures: readonly PossibleMeasure[],
): readonly Question[] {
  const states = explanations.map((each) => statesOf(each, components));
  const isAnswered = (part: string, check: Check) =>
    answers.some((each) => each.part === part && each.check === check);
  const looks = components.flatMap((component, n) =>
    (Object.keys(component.checks) as Check[])
      .filter((check) => !isAnswered(component.id, check))
      .map((check): Question => ({
        ask: { kind: 'check', part: component.id, check, minutes: CHECKS[check].minutes },
        answers: states.map((of) => new Map([[shownBy(component, of[n]!, check) ?? '', 1]])),
      })),
  );
  const runs = measures.map((each): Question => ({
    ask: { kind: 'measure', measure: each.measure, minutes: MEASURE_MINUTES[each.measure] },
    answers: states.map((of) => {
      const short = shortShare(of, each);
      return new Map([
        ['short', short],
        ['asExpected', 1 - short],
      ]);
    }),
  }));
  return [...looks, ...runs].filter(({ answers: said }) => differs(said));
}

const statesOf = (
  { causes }: Explanation,
  components: readonly Component[],
): readonly ComponentState[] =>
  components.map(({ id, planned, fallBacks }) => {
    const at = causes.find(({ part }) => part === id);
    return fallBacks.find(({ cause }) => cause === at?.cause) ?? planned;
  });

/** How likely the measurement comes out below what is expected of it. */
function shortShare(
  states: readonly ComponentState[],
  { test, expected }: PossibleMeasure,
): number {
  const bands = states.map((state) => bandIn(state, { test, expected }, false));
  const low = Math.min(...bands.map((band) => band.low));
  const high = Math.min(...bands.map((band) => band.high));
  if (high <= expected.low) return 1;
  return low >= expected.low ? 0 : (expected.low - low) / (high - low);
}

const differs = (answers: readonly ReadonlyMap<string, number>[]): boolean =>
  answers.some((each) =>
    [...each].some(([answer, share]) => Math.abs((answers[0]?.get(answer) ?? 0) - share) > 1e-9),
  );

/** The check that takes away most of what is not known for each of its minutes; null where none tells anything apart. */
export function bestQuestion(
  explanations: readonly Explanation[],
  questions: readonly Question[],
): Question | null {
  const before = entropy(explanations.map(({ probability }) => probability));
  const worth = (question: Question): number =>
    (before - entropyAfter(explanations, question)) / question.ask.minutes;
  return questions.toSorted((a, b) => worth(b) - worth(a))[0] ?? null;
}

function entropyAfter(explanations: readonly Explanation[], { answers }: Question): number {
  const byAnswer = new Map<string, number[]>();
  explanations.forEach(({ probability }, n) => {
    for (const [answer, share] of answers[n]!) {
      const of = byAnswer.get(answer) ?? [];
      of.push(probability * share);
      byAnswer.set(answer, of);
    }
  });
  return [...byAnswer.values()].reduce((sum, of) => {
    const total = of.reduce((all, each) => all + each, 0);
    return sum + total * entropy(of.map((each) => each / (total || 1)));
  }, 0);
}

const entropy = (shares: readonly number[]): number =>
  shares.reduce((sum, share) => (share > 0 ? sum - share * Math.log2(share) : sum), 0);
