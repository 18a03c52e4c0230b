/** The closed list of acts: how the case lies for each, what the hand holds, from where it is seen, how long it takes. */
import type { StepCode } from '../step.ts';
import type { CasePosition, Tool, View } from './task.ts';

export interface ActRow {
  /** Null: on the bench, beside the case. */
  readonly position: CasePosition | null;
  readonly tool: Tool | null;
  readonly view: View | null;
  /** Common practice, no source, until the shop has seen its own. */
  readonly minutes: number;
}

const act = (
  position: CasePosition | null,
  tool: Tool | null,
  view: View | null,
  minutes: number,
): ActRow => ({ position, tool, view, minutes });

export const ACTS = {
  powerOff: act('standing', null, null, 2),
  leadsOff: act('standing', null, 'behind', 2),
  discharge: act('standing', null, null, 1),
  earth: act('standing', null, null, 1),
  openCase: act('cardsUp', 'screwdriver', 'above', 2),
  openFarSide: act('boardUp', 'screwdriver', null, 2),
  photoInside: act('cardsUp', null, 'above', 1),
  dustOut: act('cardsUp', 'blower', 'above', 4),
  removeBar: act('cardsUp', 'screwdriver', 'behind', 2),
  refitBar: act('cardsUp', 'screwdriver', 'behind', 2),
  freeCard: act('cardsUp', null, 'side', 2),
  takeOut: act('cardsUp', 'screwdriver', 'above', 2),
  takeOutFirst: act('cardsUp', 'screwdriver', 'above', 2),
  takeToMove: act('cardsUp', 'screwdriver', 'above', 2),
  moveCard: act('cardsUp', 'screwdriver', 'above', 3),
  putBack: act('cardsUp', 'screwdriver', 'above', 3),
  plugBack: act('cardsUp', null, 'side', 2),
  removeCover: act('cardsUp', 'screwdriver', 'behind', 1),
  closeOpening: act('cardsUp', 'screwdriver', 'behind', 1),
  moveObstacle: act('cardsUp', null, 'above', 1),
  restorePlug: act('cardsUp', null, 'above', 1),
  leadPlugRound: act('cardsUp', null, 'above', 1),
  removeFrontCover: act('standing', 'screwdriver', null, 2),
  putIn: act('cardsUp', 'screwdriver', null, 15),
  swapBracket: act(null, 'screwdriver', 'behind', 3),
  joinLead: act('cardsUp', null, 'side', 1),
  joinFront: act('cardsUp', null, 'side', 1),
  joinRibbon: act(null, null, 'side', 1),
  joinJack: act(null, null, null, 2),
  setJumper: act(null, null, null, 1),
  fitModules: act(null, 'screwdriver', null, 4),
  clearSlot: act('cardsUp', null, 'above', 1),
  seat: act('cardsUp', null, 'above', 2),
  screw: act('cardsUp', 'screwdriver', 'behind', 1),
  fitPlate: act('cardsUp', 'screwdriver', 'behind', 2),
  support: act('cardsUp', null, 'side', 2),
  joinHeader: act('cardsUp', null, 'above', 1),
  joinOwnFirst: act('cardsUp', null, 'side', 1),
  joinOwnEnd: act('cardsUp', null, 'side', 1),
  joinBoardPort: act('cardsUp', null, 'above', 1),
  fitOnBoard: act(null, 'screwdriver', null, 5),
  fitInCase: act('cardsUp', 'screwdriver', null, 10),
  setDrive: act(null, null, null, 1),
  joinEnd: act('cardsUp', null, null, 1),
  exchangePlugs: act('cardsUp', null, 'side', 2),
  plug: act('cardsUp', null, 'side', 1),
  mountDrives: act('boardUp', 'screwdriver', null, 4),
  joinDrives: act('cardsUp', null, 'side', 2),
  joinDriveEnds: act('cardsUp', null, null, 2),
  feedDrives: act('cardsUp', null, null, 2),
  lookOver: act('cardsUp', 'torch', 'above', 2),
  closeFarSide: act('boardUp', 'screwdriver', null, 1),
  closeCase: act('cardsUp', 'screwdriver', null, 2),
  leadsBack: act('standing', null, 'behind', 2),
  moveScreenLead: act('standing', null, 'behind', 1),
  joinLoop: act('standing', null, 'behind', 1),
  joinAerials: act('standing', null, 'behind', 1),
  joinRear: act('standing', null, 'behind', 1),
  joinEnclosures: act('standing', null, 'behind', 2),
  start: act('standing', null, null, 3),
  checkEnclosures: act('standing', null, null, 1),
  tryStart: act('cardsUp', null, null, 3),
  tryFirmware: act('cardsUp', null, null, 3),
  trySystem: act('cardsUp', null, null, 5),
  tryOut: act('cardsUp', null, null, 2),
  countDrives: act('standing', null, null, 2),
} as const satisfies Readonly<Partial<Record<StepCode, ActRow>>>;
export type FitCode = keyof typeof ACTS;
