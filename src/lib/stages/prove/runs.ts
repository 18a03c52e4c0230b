/** What the forms of measurements share: how a typed figure is read, and which ways of measuring a need knows. */
import { enteredRun, type Phase } from '$core/document';
import { needKindOf, type Flow, type Measure, type Need } from '$core/kinds';
import type { RunConditions, RunKind } from '$core/parts';
import { typedNumber } from '$core/read';
import { now } from '$lib/state/now';
import { saidIn } from '$words/flowFigures';
import type { JobModel } from '../jobModel.svelte';

/** A number as it is typed, with a comma or a point; null where it is none above zero. */
export function numberTyped(text: string): number | null {
  const value = typedNumber(text);
  return value !== null && value > 0 && value < 1e12 ? value : null;
}

/** A typed figure in the unit of the flow; null where it is none. */
export function figureTyped(text: string, flow: Flow): number | null {
  const value = numberTyped(text);
  return value === null ? null : value * saidIn(flow).scale;
}

/** Kinds of measurement that a need knows; the first is what is taken unless told. */
export const kindsFor = (need: Need, { unit }: Pick<Flow, 'unit'>): readonly RunKind[] =>
  unit === 'B/s' ? needKindOf(need).runs : ['work'];

/** Whether a need is measured in both directions. */
export const hasDirections = (need: Need): boolean => needKindOf(need).direction(need) !== null;

/** How a measurement that a diagnosis asks for is made. */
export function askedBy(
  measure: Measure | null,
  need: Need,
): Partial<Pick<RunConditions, 'what' | 'direction' | 'alone'>> {
  switch (measure) {
    case null:
      return {};
    case 'large':
      return { what: 'large' };
    case 'wire':
      return { what: 'wire' };
    case 'alone':
      return { what: 'large', alone: true };
    case 'otherWay':
      return {
        what: 'large',
        direction: needKindOf(need).direction(need) === 'write' ? 'read' : 'write',
      };
  }
}

/** Writes one measurement into the job. @param value in the unit of the need's figure */
export function recordRun(
  model: JobModel,
  need: Need,
  value: number,
  told: Partial<RunConditions> & { readonly phase?: Phase },
): void {
  model.open.run({
    name: 'observe',
    observations: [enteredRun(need.id, value, now(), told)],
  });
}
