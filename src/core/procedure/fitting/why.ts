/** Why a task stands where it does: what has to come after it, and what before it, the weightiest reasons first. */
import type { Step } from '../step.ts';
import { REASONS, type Reason } from './task.ts';

export interface Why {
  readonly step: Step;
  readonly because: Reason;
}

/** What is true of nearly every task explains none. */
const PLAIN: readonly Reason[] = [
  'closed',
  'power',
  'openCase',
  'lookLast',
  'outsideLast',
  'dust',
  'stillThere',
];

/** Each reason once. @param steps all of the stage, in their order */
export function whyNow(
  step: Step,
  steps: readonly Step[],
): { readonly before: readonly Why[]; readonly after: readonly Why[] } {
  const before = steps.flatMap((other) =>
    (other.task?.after ?? []).flatMap(({ stepId, because }) =>
      stepId === step.id ? { step: other, because } : [],
    ),
  );
  const after = (step.task?.after ?? []).flatMap(({ stepId, because }) => {
    const other = steps.find(({ id }) => id === stepId);
    return other === undefined ? [] : { step: other, because };
  });
  const isPlain = ({ because }: Why) => PLAIN.includes(because);
  const telling = [...before, ...after].some((each) => !isPlain(each));
  const told = (all: readonly Why[]) => all.filter((each) => !telling || !isPlain(each));
  return { before: weighed(told(before)), after: weighed(told(after)) };
}

const ORDER = Object.keys(REASONS) as readonly Reason[];
const weight = ({ because }: Why): number =>
  (PLAIN.includes(because) ? 200 : 0) +
  (REASONS[because].isPhysical ? 0 : 100) +
  ORDER.indexOf(because);

const weighed = (all: readonly Why[]): readonly Why[] =>
  all
    .toSorted((a, b) => weight(a) - weight(b))
    .filter(({ because }, n, sorted) => sorted.findIndex((each) => each.because === because) === n);
