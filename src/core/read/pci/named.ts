/** Names from an open list for devices that came without one. */
import { deviceId, type PciFunction } from '../../parts/pciFunction.ts';
import { className } from '../../standards/pciClasses.ts';
import { isNamed } from './ports.ts';

/** @param names by `vendor:device` */
export function named(fn: PciFunction, names: ReadonlyMap<string, string>): PciFunction {
  const found = isNamed(fn.name) ? undefined : names.get(deviceId(fn));
  return found === undefined ? fn : { ...fn, name: `${className(fn.classCode)}: ${found}` };
}
