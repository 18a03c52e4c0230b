/** Evidence read and taken into a survey, and what a screen has to know of it. */
import { apply } from '$core/commands';
import {
  evidenceOf,
  readFiles,
  type Evidence,
  type EvidenceFile,
  type FileReport,
  type FilesRead,
  type Known,
  type KnownLists,
  type MachinesApart,
  type Problem,
  absentIn,
  type Absent,
} from '$core/read';
import { factsKnown, isOtherMachine, takeEvidence } from '$core/survey';
import { provenSteps, observeReport, observeResults, type OpenResult } from '$core/diagnosis';
import type { ActName, Card, Job, Machine, Observation } from '$core/document';
import { thenLetGo } from './letGo';
import type { DroppedFile } from './packageFiles';

export interface EvidenceAccepted {
  readonly files: readonly FileReport[];
  /** The machines that the files are of, where they are of several: nothing is taken then, until one is chosen. */
  readonly apart: MachinesApart | null;
  /** Whether it is a report of another machine than the survey's. */
  readonly isOther: boolean;
  /** How many of each were read. */
  readonly devices: number;
  readonly slotRecords: number;
  readonly screens: number;
  /** Facts of the survey that it tells and nobody had told. */
  readonly settled: number;
  readonly absent: readonly Absent[];
  readonly lists: KnownLists;
  /** The survey with what was read, and what no survey can hold. */
  readonly machine: Machine;
  readonly problems: readonly Problem[];
}

/** What a report shows of the plan, and the steps that it proves. */
export interface Observed {
  readonly observations: readonly Observation[];
  readonly proves: readonly ActName[];
  /** Measurements that may be of several needs. */
  readonly open: readonly OpenResult[];
}

let read: { readonly files: FilesRead; readonly known: Known } | null = null;
let last: Evidence | null = null;

export const readWork = {
  read: (
    files: readonly DroppedFile[],
    known: Known,
    machine: Machine,
    cards: readonly Card[],
    onFile: (done: number) => void,
  ): Promise<EvidenceAccepted> =>
    thenLetGo(
      onFile,
      Promise.all(files.map(fetched)).then((fetchedFiles) => {
        read = { files: readFiles(fetchedFiles, onFile), known };
        last = evidenceOf(read.files, null, known);
        return taken(last, machine, cards);
      }),
    ),
  /** One of the machines that the files are of, chosen. */
  choose: (which: number, machine: Machine, cards: readonly Card[]): EvidenceAccepted | null => {
    if (read === null) return null;
    last = evidenceOf(read.files, which, read.known);
    return taken(last, machine, cards);
  },
  /** What was read last, taken into a survey that was changed meanwhile; null where nothing was read. */
  takeAgain: (machine: Machine, cards: readonly Card[]): EvidenceAccepted | null =>
    last === null ? null : taken(last, machine, cards),
  /** What was read last, held against the job's accepted plan. @param at ISO instant */
  observe: (job: Job, at: string): Observed => {
    const results = last === null ? { observations: [], open: [] } : observeResults(job, last, at);
    const observations = [
      ...(last === null ? [] : observeReport(job, last, at)),
      ...results.observations,
    ];
    const command = { name: 'observe', observations } as const;
    return {
      observations,
      proves: provenSteps(apply(job, command, { at, who: '' })),
      open: results.open,
    };
  },
};

const fetched = async ({ name, content }: DroppedFile): Promise<EvidenceFile> => ({
  name,
  content: typeof content === 'string' ? content : new Uint8Array(await content.arrayBuffer()),
});

function taken(evidence: Evidence, before: Machine, cards: readonly Card[]): EvidenceAccepted {
  const after = takeEvidence(before, evidence, cards);
  return {
    files: evidence.files,
    apart: evidence.apart,
    isOther: isOtherMachine(before, evidence.devices.functions),
    devices: Math.max(evidence.devices.functions.length, evidence.hardware?.cards.length ?? 0),
    slotRecords: evidence.firmware?.slots.length ?? 0,
    screens: evidence.screens.length,
    settled: Math.max(0, factsKnown(after.machine) - factsKnown(before)),
    absent: absentIn(evidence),
    lists: evidence.lists,
    ...after,
  };
}
