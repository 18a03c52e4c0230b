/** Numbers read off a machine that are no rates: degrees Celsius, percent, a count, megabits per second, hertz. */
export const READINGS = [
  'temperature',
  'wornPercent',
  'driveCount',
  'linkMegabits',
  'refreshHz',
] as const;
export type Reading = (typeof READINGS)[number];
