/** What is asked of ports for drives, whatever card they are on. */
import { DRIVES } from '../../standards/storage.ts';
import { row } from '../../units.ts';
import { cardKindOf, type Delivery } from '../delivery.ts';

/** Drives that can hang on it. */
export const drivePorts = (delivers: Delivery): number =>
  delivers.kind === 'drives' ? delivers.ports : cabledPorts(delivers);

/** Of these the ones on cables. */
export const cabledPorts = (delivers: Delivery): number =>
  cardKindOf(delivers).cabledPorts(delivers);

/** Whether it carries modules on itself. */
export const carriesModules = (delivers: Delivery): boolean =>
  delivers.kind === 'drives' && delivers.socket === 'm2';

/** Of a controller with several ports: how many of its drives a link keeps busy. @param bytesPerSecond of the link */
export function drivesKeptBusy(
  delivers: Delivery,
  bytesPerSecond: number,
): { readonly ports: number; readonly busy: number } | null {
  if (delivers.kind !== 'drives' || delivers.ownPorts <= 1) return null;
  const each = row(DRIVES, delivers.socket).practiceBytesPerSecond[1];
  return { ports: delivers.ownPorts, busy: Math.floor(bytesPerSecond / each) };
}
