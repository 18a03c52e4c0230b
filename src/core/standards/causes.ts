/**
 * What makes a figure fall short once the right card is in the right slot: states of the stages on its way. How often each is
 * the cause, and how far it drags a figure down, is common practice, no source; both come into a diagnosis as values, so
 * that a shop's own counts can take the place of these.
 */

/** `part` is replaced, `act` is put right at the bench, `setting` at the screen, `way` is how it was measured or used. */
type MendKind = 'part' | 'act' | 'setting' | 'way';

export interface CauseRow {
  /** Among a thousand machines that were fitted, how many have it. */
  readonly perThousand: number;
  /** Of what the need would get, what is left: least and most. Null: it follows from what the stage falls back to. */
  readonly leaves: readonly [number, number] | null;
  readonly mend: MendKind;
}

const cause = (perThousand: number, leaves: CauseRow['leaves'], mend: MendKind): CauseRow => ({
  perThousand,
  leaves,
  mend,
});

export const CAUSES = {
  // The slot's link.
  halfSeated: cause(12, null, 'act'),
  screwMissing: cause(4, null, 'act'),
  dirtyContact: cause(6, null, 'act'),
  wrongSlot: cause(6, null, 'act'),
  slotSetLower: cause(5, null, 'setting'),
  coldStart: cause(4, null, 'way'),
  uplinkBusy: cause(8, [0.3, 0.7], 'way'),
  // The card, what runs it and what keeps it going.
  genericDriver: cause(15, [0.25, 0.65], 'setting'),
  oldDriver: cause(12, [0.45, 0.8], 'setting'),
  oldFirmware: cause(8, [0.45, 0.8], 'setting'),
  plugForgotten: cause(10, [0.1, 0.5], 'act'),
  fanForgotten: cause(6, [0.3, 0.7], 'act'),
  tooHot: cause(10, [0.35, 0.75], 'act'),
  cardFaulty: cause(2, [0.1, 0.6], 'part'),
  processorBusy: cause(15, [0.2, 0.7], 'way'),
  // The wire.
  leadBroken: cause(12, null, 'part'),
  leadPoor: cause(20, null, 'part'),
  leadErrors: cause(10, [0.05, 0.5], 'part'),
  portSlow: cause(15, null, 'act'),
  portSetLower: cause(8, null, 'setting'),
  largeFramesLost: cause(5, [0.02, 0.15], 'setting'),
  farEndBusy: cause(20, [0.15, 0.65], 'way'),
  // What is copied, and the drives that it is copied between.
  smallFiles: cause(60, null, 'way'),
  ownDriveSlow: cause(15, [0.1, 0.6], 'part'),
  farDriveSlow: cause(20, [0.1, 0.6], 'part'),
  // Ports for USB.
  usbLeadOld: cause(20, null, 'part'),
  usbPlugLoose: cause(10, null, 'act'),
  usbDeviceSlow: cause(25, [0.1, 0.6], 'way'),
  // Drives on the card.
  driveUnplugged: cause(12, [0.3, 0.7], 'act'),
  driveSlow: cause(12, [0.15, 0.6], 'part'),
  dataLeadPoor: cause(10, [0.25, 0.5], 'part'),
  stripeSmall: cause(12, [0.25, 0.6], 'setting'),
  // Radio.
  aerialLoose: cause(25, [0.05, 0.35], 'act'),
  otherBand: cause(20, [0.1, 0.45], 'setting'),
  radioWeak: cause(20, [0.2, 0.6], 'way'),
  planLess: cause(15, [0.2, 0.8], 'way'),
  // Pictures.
  leadOnBoard: cause(25, [0.03, 0.3], 'act'),
  screenLeadPoor: cause(15, [0.4, 0.6], 'part'),
  screenSetLower: cause(30, [0.4, 0.6], 'setting'),
  // A port of 40 Gb/s.
  linkLeadSlow: cause(20, [0.45, 0.55], 'part'),
} as const satisfies Readonly<Record<string, CauseRow>>;

export type Cause = keyof typeof CAUSES;
export const CAUSE_CODES = Object.keys(CAUSES) as readonly Cause[] as readonly [Cause, ...Cause[]];
