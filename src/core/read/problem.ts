/** What a decoder could not read, and where. Data, never a sentence: the wording stands beside the screens. */

export type ProblemCode =
  | 'input.tooLarge'
  | 'input.nothingFound'
  | 'input.tooManyProblems'
  | 'line.tooLong'
  | 'header.idsMissing'
  | 'address.repeated'
  | 'hex.malformed'
  | 'hex.outOfOrder'
  | 'config.short'
  | 'config.allOnes'
  | 'config.headerType'
  | 'capability.denied'
  | 'capability.looped'
  | 'capability.broken'
  | 'capability.truncated'
  | 'link.speedNotSupported'
  | 'firmware.nothingFound'
  | 'firmware.structureLength'
  | 'firmware.structureCut'
  | 'firmware.stringsCut'
  | 'firmware.slotShort'
  | 'firmware.slotTypeOther'
  | 'screen.short'
  | 'screen.header'
  | 'screen.checksum'
  | 'screen.extensionsMissing'
  | 'system.nameMissing'
  | 'system.kernelMissing'
  | 'system.aliasesMissing'
  | 'system.portsUnreadable'
  | 'list.noIdentities'
  | 'list.placeMissing'
  | 'list.tooMany'
  | 'list.row'
  | 'table.noRows'
  | 'table.tooManyRows'
  | 'table.cell'
  | 'table.rowTwice'
  | 'names.nothingFound'
  | 'bundle.newer'
  | 'bundle.sectionOpen'
  | 'bundle.notRead'
  | 'evidence.unknown'
  | 'evidence.tooMany'
  | 'file.notJson'
  | 'file.notAJob'
  | 'file.newer'
  | 'file.field';

export interface Problem {
  readonly code: ProblemCode;
  /** Line of the input, counted from 1. */
  readonly line?: number;
  /** Byte offset within the file, or within the device's configuration space. */
  readonly offset?: number;
  /** The device, or the path of the field. */
  readonly at?: string;
  readonly expected?: string;
  readonly found?: string;
}

/** Collects problems up to a limit, so that rubbish yields a short list and not a long one. */
export class ProblemList {
  private readonly found: Problem[] = [];
  private full = false;
  constructor(private readonly limit = 50) {}

  add(problem: Problem): void {
    if (this.found.length < this.limit) this.found.push(problem);
    else this.full = true;
  }

  get all(): readonly Problem[] {
    return this.full
      ? [...this.found, { code: 'input.tooManyProblems', found: String(this.limit) }]
      : this.found;
  }
}
