/** What could not be read, and where, in one sentence. */
import { expectsWords } from './expects';
import type { Problem, ProblemCode } from '$core/read';

const WORDS: Readonly<Record<ProblemCode, string>> = {
  'input.tooLarge': 'Too large to read: {found} characters, at most {expected}.',
  'input.broken': 'Tenant could not read it and left it out ({found}).',
  'input.nothingFound': 'No device found. Expected the text of lspci -vvnn or lspci -xxxx.',
  'input.tooManyProblems': 'More problems follow; only the first {found} are listed.',
  'field.outOfRange': '{found} cannot be: {expected} is possible. Left out.',
  'line.tooLong': 'Line longer than {expected} characters left out.',
  'header.idsMissing': 'No identities in “{found}”. Run lspci with -nn.',
  'address.repeated': 'The device appears twice; the first was kept.',
  'hex.malformed': 'Not a row of registers: “{found}”.',
  'hex.outOfOrder': 'Rows of registers are missing or doubled: expected {expected}, found {found}.',
  'config.short': 'Only {found} bytes of registers; {expected} are the least.',
  'config.allOnes': 'The device does not answer: it has dropped off the bus or sleeps.',
  'config.headerType': 'Header of an unknown type {found}.',
  'capability.denied': 'Its capabilities were not readable: run lspci as root.',
  'capability.deniedMany':
    'The capabilities of {found} devices were not readable: read them as root, with sudo. Links and slots are taken from what the system says without it.',
  'capability.looped': 'Its list of capabilities runs in a circle; read up to there.',
  'capability.broken': 'Its list of capabilities is broken; read up to there.',
  'capability.truncated': 'Its link capability is cut short.',
  'link.speedNotSupported': 'A link speed Tenant does not know yet ({found}); shown as not known.',
  'firmware.nothingFound': 'No firmware record found in it.',
  'firmware.structureLength':
    'A record claims only {found} bytes; the table is broken from here on, and was read up to here.',
  'firmware.structureCut': 'The table ends inside a record; read up to here.',
  'firmware.stringsCut': 'The table ends inside a record’s texts; read up to here.',
  'firmware.slotShort': 'A slot record of only {found} bytes; {expected} are the least.',
  'firmware.slotTypeOther': 'A slot of a kind that takes no expansion card: {found}.',
  'firmware.sameAddress':
    '{found} slots of the firmware name the device at {at}; one of them is joined to it.',
  'evidence.driverSetup':
    'A driver’s setup file (INF): it says what a driver serves, not what is in this machine. Left aside.',
  'screen.short': 'Only {found} bytes; a screen’s report has at least {expected}.',
  'screen.header': 'It does not begin as a screen’s report does.',
  'screen.checksum': 'The checksum is {found}; {expected} would be right. Read all the same.',
  'screen.extensionsMissing': '{expected} further blocks announced, {found} there.',
  'setup.outsideSection': 'A line before the first section: it counts for nothing.',
  'setup.sectionOpen': 'The name of a section is not closed by a bracket.',
  'setup.quoteOpen': 'A quotation mark is not closed on its line.',
  'setup.stringMissing': 'The name %{found}% is not among the strings.',
  'setup.versionMissing': 'This is no setup file that a system takes: [Version] has no signature.',
  'setup.target': '{found} names no system.',
  'setup.release':
    'The date and version ({found}) cannot be read; month/day/year, version is expected.',
  'system.nameMissing': 'It does not name the system ({expected} expected).',
  'system.kernelMissing': 'No kernel release in it; expected: {expected}.',
  'system.aliasesMissing': 'No driver names in it; expected: {expected}.',
  'system.aliasesTooMany':
    '{found} driver patterns alike or too long; the first {expected} of a kind were kept.',
  'system.portsUnreadable': 'No network ports in it; expected: {expected}.',
  'report.nothingFound': 'No cards and no system in this report; expected: {expected}.',
  'report.noDrive': 'No drive in it; expected what smartctl --json prints: {expected}.',
  'report.unreadable': 'The report is damaged here; expected: {expected}.',
  'result.unreadable': 'The result is damaged; expected: {expected}.',
  'result.failed': 'The test itself failed: {found}.',
  'result.nothingMeasured': 'No figure in it; expected: {expected}.',
  'result.random':
    'It reads or writes here and there ({found}), which the expected figure is not of; left out.',
  'result.noTime': 'No time in “{found}”; left out.',
  'result.noColumns':
    'No column of figures; expected one such as {expected}, or one of bytes and one of seconds.',
  'result.noFigure': 'No figure above zero in “{found}”; left out.',
  'result.twoWays':
    '“{found}” can be read two ways, as thousands or as decimals, and nothing else in the file says which; left out. Write it without a mark for thousands.',
  'list.noIdentities': 'No column of device identities; expected one such as {expected}.',
  'list.placeMissing': 'The list does not say where the device sits; left out.',
  'list.tooMany': '{found} entries; only the first {expected} were read.',
  'list.tooManyColumns': '{found} columns; at most {expected} are read.',
  'list.row': 'The row has {found} fields where the columns are {expected}.',
  'table.noRows': 'No rows in it: a row of column names and one for each card are expected.',
  'table.tooManyRows': '{found} rows; at most {expected} are read at once.',
  'table.cell': '“{found}” is not {expected}.',
  'table.rowTwice': 'The same card stands in line {found} already.',
  'names.nothingFound': 'No names in this list.',
  'bundle.newer': 'Written by a newer survey script ({found}; this Tenant reads up to {expected}).',
  'bundle.sectionOpen':
    'The file is cut off; what came before was read. It should end with “{expected}”.',
  'bundle.notRead': 'Not read on the machine: {found}.',
  'bundle.nested': 'A survey file inside a survey file; left out.',
  'evidence.unknown': 'Not a kind of evidence that Tenant knows; left out.',
  'evidence.tooMany': '{found} files; only the first {expected} were read.',
  'evidence.tooLarge': 'All files together are too large: {found} characters, at most {expected}.',
  'survey.tooMany': '{found} found; a survey holds {expected}, and the first were kept.',
  'file.notJson': 'The file is damaged: it stops making sense here.',
  'file.notAJob': 'This is not a job file of Tenant.',
  'file.newer':
    'The file was written by a newer Tenant (format {found}; this one reads up to {expected}).',
  'file.field': 'Not what belongs here; expected: {expected}.',
  'backup.notABackup': 'This is not a backup of Tenant.',
  'backup.cut': 'The backup is cut short: it ends here, without its list of parts.',
  'backup.tooLarge': 'This part would unpack to more than any backup holds.',
  'backup.partMissing': 'This part is listed but not in the file.',
  'backup.partDamaged': 'This part is damaged: it is not what was written.',
  'backup.partUnlisted': 'This part is in the file but not in its list.',
  'backup.partTwice': 'A part is listed twice.',
  'repair.dropped': '{found} left out; expected: {expected}.',
};

export function problemWords(problem: Problem): string {
  return WORDS[problem.code]
    .replace('{expected}', expectsWords(problem.expected ?? '?'))
    .replace('{found}', problem.found ?? '?');
}

export function problemPlace({ line, offset, at }: Problem): string {
  return [
    line === undefined ? '' : `line ${line}`,
    at === '' ? 'the whole record' : (at ?? ''),
    offset === undefined ? '' : `offset ${offset.toString(16)}h`,
  ]
    .filter((part) => part !== '')
    .join(', ');
}
