/** Reads what `lspci -vmmnnk` prints: one field a line, one device a paragraph, as other programs like it. */
import { linesOf } from '../lines.ts';
import { emptyFunction, type PciFunction } from '../../parts/pciFunction.ts';
import { MOST, clipped } from '../../parts/limits.ts';
import { upTo, type ProblemList } from '../problem.ts';
import type { TextReader } from '../reader.ts';
import type { DeviceReport } from './combine.ts';

export const lspciMachine = {
  kind: 'lspciMachine',
  head: [/^Slot:\t/m],
  read(text, problems) {
    const report: DeviceReport = { source: 'text', functions: readLspciMachine(text, problems) };
    return { found: report.functions.length, says: { reports: [report] } };
  },
} satisfies TextReader;

const FIELD = /^([A-Za-z]+):\t(.*)$/;
const ADDRESS = /^(?:([0-9a-f]{4,8}):)?([0-9a-f]{2}:[0-9a-f]{2}\.[0-7])$/;
const NUMBERED = /^(.*?) ?\[([0-9a-f]{4})\]$/;
const BYTE = /^[0-9a-f]{2}$/;

function readLspciMachine(input: string, problems: ProblemList): readonly PciFunction[] {
  const functions = new Map<string, PciFunction>();
  for (const { line, fields } of paragraphs(input, problems)) {
    const read = readParagraph(fields, line, problems);
    if (read === null) continue;
    if (functions.has(read.address))
      problems.add({ code: 'address.repeated', line, at: read.address });
    else functions.set(read.address, read);
  }
  return upTo(MOST.functions, [...functions.values()], 'devices', problems);
}

interface Paragraph {
  readonly line: number;
  readonly fields: ReadonlyMap<string, readonly string[]>;
}

function paragraphs(input: string, problems: ProblemList): readonly Paragraph[] {
  const found: { line: number; fields: Map<string, string[]> }[] = [];
  let current: { line: number; fields: Map<string, string[]> } | null = null;
  for (const { line, raw } of linesOf(input, problems)) {
    const match = FIELD.exec(raw.trimEnd());
    if (match === null) {
      if (raw.trim() === '') current = null;
      continue;
    }
    const [, name, value] = match as unknown as [string, string, string];
    if (current === null) {
      current = { line, fields: new Map() };
      found.push(current);
    }
    const values = current.fields.get(name);
    if (values === undefined) current.fields.set(name, [value]);
    else if (values.length < MOST.modules) values.push(value);
  }
  return found.filter(({ fields }) => fields.has('Slot'));
}

function readParagraph(
  fields: Paragraph['fields'],
  line: number,
  problems: ProblemList,
): PciFunction | null {
  const address = ADDRESS.exec(fields.get('Slot')?.[0] ?? '');
  if (address === null) return null;
  const at = `${address[1] ?? '0000'}:${address[2] ?? ''}`;
  const numbered = (name: string) => NUMBERED.exec(fields.get(name)?.[0] ?? '');
  const byte = (name: string): number => {
    const printed = fields.get(name)?.[0] ?? '00';
    if (BYTE.test(printed)) return hex(printed);
    const found = printed.slice(0, 60);
    problems.add({ code: 'field.outOfRange', line, at, expected: `${name}: 00 to ff`, found });
    return 0;
  };
  const [kind, vendor, device] = [numbered('Class'), numbered('Vendor'), numbered('Device')];
  if (kind === null || vendor === null || device === null) {
    problems.add({
      code: 'header.idsMissing',
      line,
      at,
      expected: 'Vendor: … [vendor]',
      found: (fields.get('Device')?.[0] ?? '').slice(0, 60),
    });
    return null;
  }
  const [ownVendor, ownDevice] = [numbered('SVendor'), numbered('SDevice')];
  const known = [vendor[1], device[1]].filter((part) => part !== '' && part !== 'Device');
  return {
    ...emptyFunction(at),
    vendor: hex(vendor[2]),
    device: hex(device[2]),
    subsystem: ownVendor && ownDevice && { vendor: hex(ownVendor[2]), device: hex(ownDevice[2]) },
    classCode: hex(kind[2]),
    programmingInterface: byte('ProgIf'),
    revision: byte('Rev'),
    name: clipped(`${kind[1] ?? ''}: ${known.join(' ')}`),
    driver: clipped(fields.get('Driver')?.[0] ?? '') || null,
    modules: fields.get('Module')?.map(clipped) ?? null,
  };
}

const hex = (digits: string | undefined): number => parseInt(digits ?? '', 16);
