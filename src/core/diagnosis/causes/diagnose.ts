/**
 * From what was observed to a named cause: what agrees, what is likely enough to be named, and else the next check. Nothing is named
 * that a check not yet made, cheaper than its mend, could clear.
 */
import { sum } from 'd3-array';
import { CAUSES } from '../../standards/causes.ts';
import { shownBy, type Component } from '../../kinds/component.ts';
import { explanationsOf, type CauseAt, type Explanation, type Observed } from './explanations.ts';
import { bestQuestion, questionsFor, type NextCheck, type PossibleMeasure } from './nextCheck.ts';

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
  const best = bestQuestion(counted, questionsFor(counted, components, observed, measures));
  if (first.probability < SURE && best !== null)
    return { explanations, outcome: 'ask', next: best.ask };
  const clearing = first.causes
    .flatMap((each) => couldClear(each, components, observed))
    .toSorted((a, b) => a.minutes - b.minutes)[0];
  if (clearing !== undefined) return { explanations, outcome: 'ask', next: clearing };
  const outcome =
    first.causes.length === 0 ? 'healthy' : first.probability >= SURE ? 'named' : 'alike';
  return { explanations, outcome, next: null };
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

/** Minutes that a mend takes, by what it is; a part costs its price beside them. Common practice, no source. */
const MEND_MINUTES = { part: 30, act: 12, setting: 6, way: 4 } as const;

/** Checks not yet made, each cheaper than the mend, that would clear its component of this cause. */
function couldClear(
  { part, cause }: CauseAt,
  components: readonly Component[],
  { answers }: Observed,
): readonly NextCheck[] {
  const component = components.find(({ id }) => id === part);
  if (component === undefined) return [];
  const own = answers.filter((each) => each.part === part);
  const others = [
    [],
    ...component.fallBacks
      .filter((state) =>
        own.every(({ check, answer }) => shownBy(component, state, check) === answer),
      )
      .flatMap((state) => (state.cause === null || state.cause === cause ? [] : [state.cause])),
  ].map((other) => (typeof other === 'string' ? [{ part, cause: other }] : []));
  const most = MEND_MINUTES[CAUSES[cause].mend];
  return others
    .flatMap((causes) =>
      questionsFor(
        [
          { causes, probability: 0.5 },
          { causes: [{ part, cause }], probability: 0.5 },
        ],
        [component],
        { figures: [], answers: own },
        [],
      ),
    )
    .map(({ ask }) => ask)
    .filter(({ minutes }) => minutes <= most);
}
