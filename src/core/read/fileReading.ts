/**
 * Reads one file of evidence into what it says: a bundle's parts together, everything else by itself. Nothing here decides
 * which of several is believed.
 */
import { clipped } from '../parts/limits.ts';
import { readBundle } from './bundle.ts';
import { ProblemList, type Problem } from './problem.ts';
import type { Told } from './reader.ts';
import type { EvidenceKind, Statements } from './readers.ts';
import { recognise, type Recognised } from './recognise.ts';

const LARGEST_FILE = 16 * 1024 * 1024;
/** Of all files together. */
const LARGEST_EVIDENCE = 128 * 1024 * 1024;
const LONGEST_BROKEN = 100;

export interface EvidenceFile {
  /** With its path, where it came in a folder. */
  readonly name: string;
  /** Text that was pasted comes as it is. */
  readonly content: Uint8Array | string;
}

export interface FileReport {
  readonly name: string;
  /** Null where nobody knows what it is. */
  readonly kind: EvidenceKind | null;
  /** How many things of its kind were found in it. */
  readonly found: number;
  readonly problems: readonly Problem[];
}

/** What a file says, and for a bundle all that is in it. */
export interface FileReading {
  /** Of the file, and behind it of what was in it. */
  readonly files: readonly FileReport[];
  /** As the readers told it, file by file. */
  readonly told: readonly Partial<Statements>[];
}

/** All statements of one name, in the order in which they were met. */
export const saidIn = <Name extends keyof Statements>(
  readings: readonly FileReading[],
  name: Name,
): readonly Statements[Name][number][] =>
  readings.flatMap(({ told }) =>
    told.flatMap((each): readonly Statements[Name][number][] => each[name] ?? []),
  );

/**
 * Never throws: what cannot be read is a problem of its file.
 * @param lettersBefore letters and bytes of the files before it
 */
export function readFile(file: EvidenceFile, lettersBefore: number): FileReading {
  const into: Reading = { files: [], told: [] };
  readInto(file, into, { before: lettersBefore, nested: false });
  return into;
}

/** A reading while it is made. */
interface Reading {
  readonly files: FileReport[];
  readonly told: Partial<Statements>[];
}

interface Place {
  /** Letters and bytes that came before. */
  readonly before: number;
  /** Whether the file came out of another one: no bundle holds a bundle. */
  readonly nested: boolean;
}

function readInto({ name, content }: EvidenceFile, into: Reading, at: Place): void {
  const problems = new ProblemList();
  const place = into.files.length;
  // Files inside a bundle come behind it.
  into.files.push({ name: clipped(name), kind: null, found: 0, problems: [] });
  const letters = at.before + content.length;
  const beyond = tooLarge(content.length, letters);
  const what = beyond === null ? recognise(name, content) : null;
  let found = 0;
  if (beyond !== null) problems.add(beyond);
  else if (what === null) problems.add({ code: 'evidence.unknown', line: 1 });
  else if (what.as === 'bundle') {
    if (at.nested) problems.add({ code: 'bundle.nested', line: 1 });
    const inside = at.nested ? [] : readBundle(what.text, problems);
    found = inside.length;
    let before = letters;
    for (const each of inside) {
      readInto({ name: `${name} › ${each.name}`, content: each.text }, into, {
        before,
        nested: true,
      });
      before += each.text.length;
    }
  } else {
    try {
      const told = tell(what, name, problems);
      found = told.found;
      // Each says what its reader says: the registry's own type.
      into.told.push(told.says as Partial<Statements>);
    } catch (error) {
      // One file's failure is its own: what the others say is taken all the same.
      problems.add({
        code: 'input.broken',
        line: 1,
        found: String(error).slice(0, LONGEST_BROKEN),
      });
    }
  }
  into.files[place] = {
    name: clipped(name),
    kind: what === null ? null : kindOf(what),
    found,
    problems: problems.all,
  };
}

/** @param size letters or bytes of the file @param all of it and all before it */
function tooLarge(size: number, all: number): Problem | null {
  if (all > LARGEST_EVIDENCE)
    return { code: 'evidence.tooLarge', expected: `${LARGEST_EVIDENCE}`, found: `${all}` };
  return size > LARGEST_FILE
    ? { code: 'input.tooLarge', expected: `${LARGEST_FILE}`, found: `${size}` }
    : null;
}

const tell = (
  what: Exclude<Recognised, { readonly as: 'bundle' }>,
  name: string,
  problems: ProblemList,
): Told =>
  what.as === 'text'
    ? what.reader.read(what.text, problems)
    : what.reader.read(what.bytes, problems, name);

/** Readers come from the registry, whose names these are. */
const kindOf = (what: Recognised): EvidenceKind =>
  what.as === 'bundle' ? 'bundle' : (what.reader.kind as EvidenceKind);
