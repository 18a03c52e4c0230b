/** Why a system does not run a device, by number and by name. Source: the system's own list of device problems (from memory). */
const PROBLEM_NAMES = {
  10: 'FAILED_START',
  12: 'NORMAL_CONFLICT',
  14: 'NEED_RESTART',
  18: 'REINSTALL',
  19: 'REGISTRY',
  22: 'DISABLED',
  24: 'DEVICE_NOT_THERE',
  28: 'FAILED_INSTALL',
  29: 'HARDWARE_DISABLED',
  31: 'FAILED_ADD',
  32: 'DISABLED_SERVICE',
  37: 'FAILED_DRIVER_ENTRY',
  39: 'DRIVER_FAILED_LOAD',
  43: 'FAILED_POST_START',
  45: 'PHANTOM',
  48: 'DRIVER_BLOCKED',
  52: 'UNSIGNED_DRIVER',
} as const;

export type DeviceProblem = keyof typeof PROBLEM_NAMES;

/** Those that another driver, or the right one, may mend. */
const OF_DRIVERS: ReadonlySet<DeviceProblem> = new Set([
  10, 18, 19, 28, 31, 32, 37, 39, 43, 48, 52,
]);

export const isDriverProblem = (problem: DeviceProblem): boolean => OF_DRIVERS.has(problem);

const BY_NAME: ReadonlyMap<string, DeviceProblem> = new Map(
  Object.entries(PROBLEM_NAMES).map(([code, name]) => [name, Number(code) as DeviceProblem]),
);
const NAMED = /\bCM_PROB_([A-Z_]{3,40})\b/;
const NUMBERED = /(?:^|[ ,(])(\d{1,2})\)?$/;

/** @param status as a device list gives it: “Error, 28”, “CM_PROB_FAILED_INSTALL”; null where it tells no problem that is known */
export function deviceProblemIn(status: string): DeviceProblem | null {
  const name = NAMED.exec(status.toUpperCase())?.[1];
  if (name !== undefined) return BY_NAME.get(name) ?? null;
  const code = Number(NUMBERED.exec(status.trim())?.[1] ?? 0);
  return code in PROBLEM_NAMES ? (code as DeviceProblem) : null;
}

/** What is written of a device whose system says no more than that it has no driver, or does not work. */
export const NO_DRIVER = 'noDriver';
export const NOT_WORKING = 'notWorking';
