/** What could not be read, and where, in one sentence. */
import type { Problem, ProblemCode } from '$core';

const WORDS: Readonly<Record<ProblemCode, string>> = {
  'input.tooLarge': 'Too large to read: {found} characters, at most {expected}.',
  'input.nothingFound': 'No device found. Expected the text of lspci -vvnn or lspci -xxxx.',
  'input.tooManyProblems': 'More problems follow; only the first {found} are listed.',
  'line.tooLong': 'Line longer than {expected} characters left out.',
  'header.idsMissing': 'No identities in “{found}”. Run lspci with -nn.',
  'address.repeated': 'The device appears twice; the first was kept.',
  'hex.malformed': 'Not a row of registers: “{found}”.',
  'hex.outOfOrder': 'Rows of registers are missing or doubled: expected {expected}, found {found}.',
  'config.short': 'Only {found} bytes of registers; {expected} are the least.',
  'config.allOnes': 'The device does not answer: it has dropped off the bus or sleeps.',
  'config.headerType': 'Header of an unknown type {found}.',
  'capability.denied': 'Its capabilities were not readable: run lspci as root.',
  'capability.looped': 'Its list of capabilities runs in a circle; read up to there.',
  'capability.broken': 'Its list of capabilities is broken; read up to there.',
  'capability.truncated': 'Its link capability is cut short.',
  'link.speedNotSupported': 'A link speed Tenant does not know yet ({found}); shown as not known.',
  'file.notJson': 'The file is damaged: it stops making sense here.',
  'file.notAJob': 'This is not a job file of Tenant.',
  'file.newer':
    'The file was written by a newer Tenant (format {found}; this one reads up to {expected}).',
  'file.field': '{found}',
};

export function problemWords(problem: Problem): string {
  return WORDS[problem.code]
    .replace('{expected}', problem.expected ?? '?')
    .replace('{found}', problem.found ?? '?');
}

export function problemPlace({ line, offset, at }: Problem): string {
  return [
    line === undefined ? '' : `line ${line}`,
    at ?? '',
    offset === undefined ? '' : `offset ${offset.toString(16)}h`,
  ]
    .filter((part) => part !== '')
    .join(', ');
}
