/** What is asked of USB ports, whatever card they are on. */
import type { Delivery } from '../delivery.ts';

/** What all its ports together give at 5 V, in milliamperes, with so many at the front; zero: it feeds none. */
export const milliampsOfPorts = (delivers: Delivery, front: number): number =>
  delivers.kind === 'usb' ? (delivers.ports + front) * delivers.milliamps : 0;

/** Whether it has USB ports that are faster than those of the age before. */
export const hasFastPorts = (delivers: Delivery): boolean =>
  delivers.kind === 'usb' && delivers.signalling !== '2.0';
