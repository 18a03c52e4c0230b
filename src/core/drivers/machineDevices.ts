/** Every device of a machine once, with the driver that runs it and what its system says is wrong with it. */
import type { Machine } from '../document/machine.ts';
import { deviceId } from '../parts/pciFunction.ts';
import { functionName } from '../read/pci/ports.ts';
import { functionQuery, instanceQuery, type DeviceQuery } from './deviceQuery.ts';

/** A device as the survey has it. */
export interface MachineDevice {
  /** Its place, or the name that its system has for it. */
  readonly id: string;
  readonly name: string;
  readonly asked: DeviceQuery;
  /** Null: none runs, or the report does not tell drivers. */
  readonly driver: string | null;
  /** What its system says is wrong with it; empty: nothing. */
  readonly status: string;
  /** It is one of the cards that come out. */
  readonly leaves: boolean;
}

/** Bridges, memory and the board's own helpers want no driver of a maker's. */
export const NEEDS_NO_DRIVER: ReadonlySet<number> = new Set([0x05, 0x06, 0x08, 0x0b]);

/** @param leaving what comes out is known by (`vendor:device`), once each */
export function machineDevices(
  { functions, inTrouble }: Pick<Machine, 'functions' | 'inTrouble'>,
  leaving: readonly string[] = [],
): readonly MachineDevice[] {
  const said = inTrouble.map((each) => ({ ...each, asked: instanceQuery(each.id) }));
  const told = new Set<object>();
  const gone = [...leaving];
  const onBus = functions.map((fn): MachineDevice => {
    const of = said.find((each) => !told.has(each) && each.asked?.id === deviceId(fn));
    if (of !== undefined) told.add(of);
    const out = gone.indexOf(deviceId(fn));
    if (out !== -1) gone.splice(out, 1);
    return {
      id: fn.address,
      name: functionName(fn),
      asked: functionQuery(fn),
      driver: fn.driver,
      status: of?.status ?? '',
      leaves: out !== -1,
    };
  });
  const others = said.flatMap((each): readonly MachineDevice[] =>
    told.has(each) || each.asked === null
      ? []
      : [
          {
            id: each.id,
            name: each.name || each.id,
            asked: each.asked,
            driver: null,
            status: each.status,
            leaves: false,
          },
        ],
  );
  return [...onBus, ...others];
}
