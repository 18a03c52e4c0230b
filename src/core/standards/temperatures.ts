/** At what temperature things slow themselves down, in degrees Celsius, by what they are. Common practice, no source. */
export const SLOWS_AT_CELSIUS = { drive: 70, graphics: 88, other: 95 } as const;
