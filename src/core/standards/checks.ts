/**
 * Checks that tell one cause from another: each is one act at the bench or one look at a screen, with its minutes and its possible
 * answers. The first answer is that of a stage that is as planned. Minutes are common practice, no source. None of them
 * puts data at risk: what would write to drives in use is a mend, and asks twice.
 */

export interface CheckRow {
  readonly minutes: number;
  /** Speeds in megabits per second where they are numbers. */
  readonly answers: readonly [string, string, ...string[]] | 'megabits';
  /** Hands go into the case: power off, mains lead out, earthed. */
  readonly isInside?: true;
}

const check = (minutes: number, ...answers: readonly [string, string, ...string[]]): CheckRow => ({
  minutes,
  answers,
});

const inside = (minutes: number, ...answers: readonly [string, string, ...string[]]): CheckRow => ({
  minutes,
  answers,
  isInside: true,
});

export const CHECKS = {
  // At the screen.
  readLink: check(1, 'asPlanned', 'narrower', 'older', 'otherSlot'),
  readSlotSetting: check(4, 'auto', 'set'),
  readDriver: check(1, 'asPlanned', 'generic', 'older'),
  readFirmware: check(2, 'current', 'old'),
  watchProcessor: check(1, 'idle', 'busy'),
  readLinkSpeed: { minutes: 1, answers: 'megabits' },
  countErrors: check(1, 'none', 'some'),
  readPortSetting: check(2, 'auto', 'set'),
  sendLarge: check(1, 'pass', 'lost'),
  watchFarEnd: check(2, 'idle', 'busy'),
  lookAtFiles: check(1, 'large', 'small'),
  testDrive: check(4, 'fast', 'slow'),
  readUsbSpeed: check(1, 'asPlanned', 'older'),
  countDrives: check(1, 'all', 'missing'),
  readDataLink: check(1, 'asPlanned', 'lower'),
  readStripe: check(2, 'fits', 'small'),
  watchTemperature: check(4, 'cool', 'hot'),
  readRadio: check(1, 'asPlanned', 'otherBand', 'weak'),
  readScreenMode: check(1, 'asPlanned', 'setLower'),
  readPortMode: check(1, 'asPlanned', 'lower'),
  quietOthers: check(3, 'same', 'better'),
  // By hand, outside the case.
  warmRestart: check(4, 'same', 'better'),
  swapLead: check(3, 'same', 'better'),
  otherPort: check(3, 'same', 'better'),
  swapUsbLead: check(2, 'same', 'better'),
  otherDevice: check(4, 'same', 'better'),
  lookAtAerials: check(1, 'snug', 'loose'),
  moveNearer: check(4, 'same', 'better'),
  testByWire: check(6, 'fast', 'slow'),
  lookAtScreenLead: check(1, 'onCard', 'onBoard'),
  swapScreenLead: check(3, 'same', 'better'),
  swapLinkLead: check(3, 'same', 'better'),
  // Inside: power off, case open.
  lookAtScrew: inside(6, 'in', 'missing'),
  reseat: inside(9, 'same', 'better'),
  lookAtPlug: inside(6, 'in', 'out'),
  lookAtFan: check(6, 'turns', 'still'),
  swapDataLead: inside(9, 'same', 'better'),
  onBoardPort: inside(12, 'fast', 'slow'),
  tryElsewhere: inside(20, 'fast', 'slow'),
} as const satisfies Readonly<Record<string, CheckRow>>;

export type Check = keyof typeof CHECKS;
export const CHECK_CODES = Object.keys(CHECKS) as readonly Check[] as readonly [Check, ...Check[]];

/** Checks that are a measurement of their own: their answer is a run. */
export const MEASURE_MINUTES = { wire: 3, large: 3, alone: 3, otherWay: 3 } as const;
