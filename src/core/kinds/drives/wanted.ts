/** What is asked of the drives that needs name or count. */
import type { Drive } from '../../parts/drive.ts';
import { needKindOf, type Need, type NeedOf } from '../need.ts';
import { socketWanted } from './need.ts';

/** The need, where it is for drives. */
export const forDrives = (need: Need): NeedOf<'drives'> | null =>
  need.kind === 'drives' ? need : null;

/** Of needs the ones for drives. */
export const needsForDrives = (needs: readonly Need[]): readonly NeedOf<'drives'>[] =>
  needs.flatMap((need) => forDrives(need) ?? []);

/** The drives that needs name, of all of them: no two of a job have one id. */
export const drivesWanted = (needs: readonly Need[]): readonly Drive[] =>
  needs.flatMap((need) => needKindOf(need).drives(need));

/** The need with something changed of each drive that it names. */
export const withDrives = (need: Need, change: (drive: Drive) => Drive): Need =>
  need.kind === 'drives' ? { ...need, these: need.these.map(change) } : need;

/** Whether something was written to its drives before they come here. */
export const areUsed = (need: Need): boolean =>
  need.kind === 'drives' &&
  (need.usedDrives || need.these.some(({ writtenTerabytes }) => (writtenTerabytes ?? 0) > 0));

/** Whether the machine is to start from its drives. */
export const isStartedFrom = (need: Need): boolean => need.kind === 'drives' && need.bootable;

/** Whether they go into bays, on cables. */
export const goIntoBays = (need: NeedOf<'drives'>): boolean =>
  ['sata', 'any'].includes(socketWanted(need));
