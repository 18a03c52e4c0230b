/** What can be done to the job itself so that a supposed change comes true; null for what is only supposed. */
import { changed, type Change } from '$core/planner';
import type { JobModel } from '../jobModel.svelte';

export function doing(model: JobModel, change: Change): (() => void) | null {
  const { open, planning } = model;
  const { request } = planning;
  if (request === null) return null;
  const machine = () => changed(request, change).machine;
  switch (change.kind) {
    case 'dropNeed':
      return () => open.run({ name: 'removeNeed', needId: change.needId });
    case 'giveUpCard':
      return () => open.run({ name: 'changeMachine', machine: machine() });
    case 'dropPin':
      return () => open.run({ name: 'removePin', pin: change.pin });
    case 'supply':
    case 'cable':
    case 'hop':
    case 'frontPanel': {
      const { extra } = change;
      if (extra === null) return null;
      return () => open.run({ name: 'buyForMachine', extra, machine: machine() });
    }
    default:
      return null;
  }
}
