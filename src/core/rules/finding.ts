/**
 * Findings: the answers of the rules, as data. A card's verdict is its worst finding, and every finding
 * carries the number behind it. The wording stands in one table beside the screens.
 */

/** Clear, limited (works with a catch), needs (works once something is done), unknown (not told yet), blocked. */
export const VERDICTS = ['clear', 'limited', 'needs', 'unknown', 'blocked'] as const;
export type Verdict = (typeof VERDICTS)[number];

export type Unit =
  | 'B/s'
  | 'b/s'
  | 'mm'
  | 'W'
  | 'g'
  | 'GB'
  | 'MB'
  | 'mA'
  | 'lanes'
  | 'opening'
  | 'count'
  | 'year'
  | 'cents'
  | 'Hz';

export type FindingCode =
  | 'seat.bus'
  | 'seat.occupied'
  | 'seat.occupantUnknown'
  | 'seat.emptyFirst'
  | 'seat.keyUnknown'
  | 'seat.otherKey'
  | 'seat.moduleLengthUnknown'
  | 'seat.moduleLength'
  | 'seat.wiredUnknown'
  | 'seat.notWired'
  | 'seat.keyingUnknown'
  | 'seat.otherKeying'
  | 'seat.splitUnknown'
  | 'seat.split'
  | 'seat.noSplit'
  | 'seat.fits'
  | 'seat.openEnd'
  | 'seat.tooLong'
  | 'seat.openEndUnknown'
  | 'seat.connectorUnknown'
  | 'seat.behindOpenEnd'
  | 'link.enough'
  | 'link.plenty'
  | 'link.narrowed'
  | 'link.slotUnknown'
  | 'link.uplinkNarrows'
  | 'sharing.unknown'
  | 'sharing.dead'
  | 'sharing.fewerLanes'
  | 'sharing.kills'
  | 'sharing.takes'
  | 'bracket.fits'
  | 'bracket.swap'
  | 'bracket.aerials'
  | 'bracket.missing'
  | 'bracket.cardTooHigh'
  | 'bracket.caseUnknown'
  | 'body.lengthFits'
  | 'body.tooLong'
  | 'body.lengthUnknown'
  | 'body.openingUnknown'
  | 'body.openingsUnknown'
  | 'body.beyondLastOpening'
  | 'body.neighbour'
  | 'body.neighbourUnknown'
  | 'body.coversSlot'
  | 'body.boxMovable'
  | 'body.boxInTheWay'
  | 'body.tooHigh'
  | 'body.plugBend'
  | 'body.tooThick'
  | 'body.sag'
  | 'body.airShort'
  | 'body.airTaken'
  | 'body.airUnknown'
  | 'body.outFirst'
  | 'header.frontFound'
  | 'header.frontMissing'
  | 'header.frontShort'
  | 'header.frontUnknown'
  | 'header.found'
  | 'header.missing'
  | 'header.short'
  | 'header.unknown'
  | 'power.slotEnough'
  | 'power.slotShort'
  | 'power.slotUnknown'
  | 'power.plugsFound'
  | 'power.adapter'
  | 'power.plugWeak'
  | 'power.portsShort'
  | 'power.sharedLead'
  | 'power.leadShort'
  | 'power.supplyOld'
  | 'power.plugMissing'
  | 'power.plugsUnknown'
  | 'power.sumFits'
  | 'power.headroomUsed'
  | 'power.sumShort'
  | 'power.sumUnknown'
  | 'system.package'
  | 'system.driverFirst'
  | 'system.ownDriver'
  | 'system.noDriver'
  | 'system.unknown'
  | 'system.libraryAway'
  | 'system.secureBoot'
  | 'firmware.noPicture'
  | 'firmware.otherBoot'
  | 'firmware.kindUnknown'
  | 'firmware.old'
  | 'firmware.dateUnknown'
  | 'firmware.smallWindows'
  | 'firmware.windowsUnknown'
  | 'quirk.coldStart'
  | 'quirk.sleep'
  | 'quirk.processorSlot'
  | 'quirk.slotUnknown'
  | 'quirk.jumper'
  | 'quirk.restarts'
  | 'worth.overBudget'
  | 'worth.overShare'
  | 'deliver.meets'
  | 'deliver.tight'
  | 'deliver.short'
  | 'deliver.fewer'
  | 'deliver.unknown'
  | 'deliver.noBluetooth'
  | 'deliver.screenLess'
  | 'deliver.fewBays'
  | 'deliver.lacks'
  | 'deliver.lessMemory'
  | 'deliver.slower'
  | 'deliver.lessCurrent'
  | 'deliver.otherDrive'
  | 'deliver.notBootable'
  | 'deliver.bootUnknown'
  | 'deliver.ownDriver'
  | 'deliver.screenAdapter'
  | 'deliver.noAdapter'
  | 'deliver.tightBlanking';

export interface Finding {
  readonly code: FindingCode;
  readonly verdict: Verdict;
  readonly needed?: number;
  readonly available?: number;
  readonly unit?: Unit;
  /** The other thing concerned: a neighbour, a box, a plug, a driver package. */
  readonly subject?: string;
}

const SEVERITY = Object.fromEntries(VERDICTS.map((verdict, n) => [verdict, n])) as Readonly<
  Record<Verdict, number>
>;

export function worstVerdict(findings: readonly Finding[]): Verdict {
  let worst: Verdict = 'clear';
  for (const { verdict } of findings) if (SEVERITY[verdict] > SEVERITY[worst]) worst = verdict;
  return worst;
}

/** Findings, the most weighty first; equals keep their order. */
export function byWeight(findings: readonly Finding[]): readonly Finding[] {
  return findings.toSorted((a, b) => SEVERITY[b.verdict] - SEVERITY[a.verdict]);
}
