import type { JobModel } from '../jobModel.svelte';
import { focusWayOn } from '../wayOn';

/** The button that accepts goes with the proposal: the hand is led to the way on. */
export async function accept(model: JobModel): Promise<void> {
  if (await model.accept()) await focusWayOn();
}

export async function withdraw(model: JobModel): Promise<void> {
  model.open.run({ name: 'withdrawPlan' });
  await focusWayOn();
}
