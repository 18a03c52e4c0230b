/** What the steps of one code fill in. */
import type { Step, StepCode, StepValues } from '../../src/core/procedure/index.ts';

export const valuesOf = <Code extends StepCode>(
  all: readonly Step[],
  code: Code,
): readonly StepValues[Code][] =>
  all.flatMap((step) => (step.code === code ? [step.values as StepValues[Code]] : []));
