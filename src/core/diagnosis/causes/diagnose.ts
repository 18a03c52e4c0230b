/**
 * From what was observed to a named cause: what agrees, what is likely enough to be named, and else the next check. No part is named
 * that a check not yet made could clear: whatever is named was seen, or nothing is left that could show it.
 */
import { sum } from 'd3-array';
import type { Component } from './component.ts';
import { explanationsOf, type CauseAt, type Explanation, type Observed } from './explanations.ts';
import {
  bestQuestion,
  questionsFor,
  type NextCheck,
  type PossibleMeasure,
  type Question,
} from './nextCheck.ts';

export interface Diagnosis {
  /** All that agree with what was observed, the likeliest first. */
  readonly explanations: readonly Explanation[];
  readonly outcome:
    /** All is as planned. */
    | 'healthy'
    /** The first explanation is likely enough, and seen. */
    | 'named'
    /** The next check settles more. */
    | 'ask'
    /** Several agree, and no check is left that tells them apart. */
    | 'alike'
    /** Nothing known agrees: what was measured or answered contradicts itself, or the cause is a new one. */
    | 'unexplained';
  readonly next: NextCheck | null;
}

/** From so much on a cause is named. */
const SURE = 0.95;
/** Explanations beyond so much of all are left out of what is asked next. */
const COUNTED = 0.999;
const MOST_COUNTED = 80;

export function diagnose(
  components: readonly Component[],
  observed: Observed,
  measures: readonly PossibleMeasure[],
): Diagnosis {
  const explanations = explanationsOf(components, observed);
  const [first] = explanations;
  if (first === undefined) return { explanations, outcome: 'unexplained', next: null };
  const counted = likeliest(explanations);
  const questions = questionsFor(counted, components, observed, measures);
  const best = bestQuestion(counted, questions);
  if (first.probability >= SURE || best === null) {
    const unseen = first.causes.find((each) => !isSeen(each, components, observed));
    const confirming = unseen && cheapest(questionsOn(unseen, components, observed));
    if (confirming === undefined || confirming === null) {
      const outcome =
        first.causes.length === 0 ? 'healthy' : first.probability >= SURE ? 'named' : 'alike';
      return { explanations, outcome, next: null };
    }
    return { explanations, outcome: 'ask', next: confirming };
  }
  return { explanations, outcome: 'ask', next: best.ask };
}

function likeliest(explanations: readonly Explanation[]): readonly Explanation[] {
  let mass = 0;
  const counted = explanations.filter(({ probability }, n) => {
    const isCounted = n < 2 || (mass < COUNTED && n < MOST_COUNTED);
    mass += probability;
    return isCounted;
  });
  const total = sum(counted, ({ probability }) => probability);
  return counted.map((each) => ({ ...each, probability: each.probability / total }));
}

/** An answer was given that its component would not give if it were as planned. */
const isSeen = (
  { part }: CauseAt,
  components: readonly Component[],
  { answers }: Observed,
): boolean => {
  const component = components.find(({ id }) => id === part);
  return answers.some(
    (each) => each.part === part && component?.checks[each.check] !== each.answer,
  );
};

/** Checks not yet made that would tell it from a component that is as planned. */
function questionsOn(
  { part, cause }: CauseAt,
  components: readonly Component[],
  { answers }: Observed,
): readonly NextCheck[] {
  const component = components.find(({ id }) => id === part);
  const state = component?.fallBacks.find((each) => each.cause === cause);
  if (component === undefined || state === undefined) return [];
  return questionsFor(
    [
      { causes: [], probability: 0.5 },
      { causes: [{ part, cause }], probability: 0.5 },
    ],
    [component],
    { figures: [], answers: answers.filter((each) => each.part === part) },
    [],
  ).map(({ ask }: Question) => ask);
}

const cheapest = (checks: readonly NextCheck[]): NextCheck | null =>
  checks.toSorted((a, b) => a.minutes - b.minutes)[0] ?? null;
