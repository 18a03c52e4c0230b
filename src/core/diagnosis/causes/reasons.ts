/** What speaks for a cause, what cleared the others, and which answers a check may have. */
import type { Band } from '../../placement/slotLink.ts';
import { CHECKS, type Check } from '../../standards/checks.ts';
import { shownBy, type Component, type ComponentState } from '../../kinds/component.ts';
import {
  TOLERANCE,
  bandIn,
  type Explanation,
  type Answer,
  type CauseAt,
  type Observed,
  type ObservedFigure,
} from './explanations.ts';

interface ReasonFigure {
  readonly figure: ObservedFigure;
  /** What it would show with this cause. */
  readonly shows: Band;
}

export interface Reasons {
  /** Answers that its part would not give if it were as planned. */
  readonly answers: readonly Answer[];
  /** Figures that lie where the cause puts them, and not where they would be without it. */
  readonly figures: readonly ReasonFigure[];
}

const NONE: Reasons = { answers: [], figures: [] };

/** A cause that is no part of any explanation, and what speaks against it: an answer, or the figure that it would not have shown. */
export interface RuledOut extends CauseAt {
  readonly by: Answer | ReasonFigure;
}

/** What speaks for one cause by itself. */
export function reasonsFor(
  { part, cause }: CauseAt,
  components: readonly Component[],
  { figures, answers }: Observed,
): Reasons {
  const component = components.find(({ id }) => id === part);
  const state = component?.fallBacks.find((each) => each.cause === cause);
  if (component === undefined || state === undefined) return NONE;
  const shown = figures.map((figure) => ({
    figure,
    shows: showsWith(state, component, components, figure),
  }));
  return {
    answers: answers.filter(
      (each) => each.part === part && component.checks[each.check] !== each.answer,
    ),
    figures: shown.filter((each) => holds(each) && each.figure.value < each.figure.expected.low),
  };
}

const holds = ({ figure: { value }, shows }: ReasonFigure): boolean =>
  shows.low * (1 - TOLERANCE) <= value && value <= shows.high * (1 + TOLERANCE);

/** Every cause that explains nothing, in the order of the way. */
export function ruledOut(
  components: readonly Component[],
  { figures, answers }: Observed,
  explanations: readonly Explanation[],
): readonly RuledOut[] {
  const possible = new Set(
    explanations.flatMap(({ causes }) => causes.map(({ part, cause }) => `${part} ${cause}`)),
  );
  return components.flatMap((component) =>
    component.fallBacks.flatMap((state): readonly RuledOut[] => {
      const { cause } = state;
      if (cause === null || possible.has(`${component.id} ${cause}`)) return [];
      const answer = answers.find(
        (each) =>
          each.part === component.id && shownBy(component, state, each.check) !== each.answer,
      );
      const figure = figures
        .map((each) => ({ figure: each, shows: showsWith(state, component, components, each) }))
        .find((each) => !holds(each));
      const by = answer ?? figure;
      return by === undefined ? [] : [{ part: component.id, cause, by }];
    }),
  );
}

/** The narrowest of all components, this one in its state and the others as planned. */
function showsWith(
  state: ComponentState,
  of: Component,
  components: readonly Component[],
  figure: ObservedFigure,
): Band {
  const isSmall =
    figure.test.what === 'small' || (figure.test.what === 'own' && state.cause === 'smallFiles');
  const bands = components.map((component) =>
    bandIn(component === of ? state : component.planned, figure, isSmall),
  );
  return {
    low: Math.min(...bands.map(({ low }) => low)),
    high: Math.min(...bands.map(({ high }) => high)),
  };
}

/** What was looked at and is as planned. */
export const cleared = (
  components: readonly Component[],
  { answers }: Observed,
): readonly Answer[] =>
  answers.filter(({ part, check, answer }) =>
    components.some((component) => component.id === part && component.checks[check] === answer),
  );

/** All that a check may be answered of a component, as planned first. */
export function possibleAnswers(component: Component, check: Check): readonly string[] {
  const shown = [component.planned, ...component.fallBacks].flatMap(
    (state) => shownBy(component, state, check) ?? [],
  );
  const { answers } = CHECKS[check];
  const known = answers === 'megabits' ? [] : answers;
  return [...new Set([...shown, ...known])];
}
