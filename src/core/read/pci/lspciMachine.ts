/** Reads what `lspci -vmmnnk` prints: one field a line, one device a paragraph, as other programs like it. */
import { emptyFunction, type PciFunction } from '../../parts/pciFunction.ts';
import type { ProblemList } from '../problem.ts';

const FIELD = /^([A-Za-z]+):\t(.*)$/;
const ADDRESS = /^(?:([0-9a-f]{4,8}):)?([0-9a-f]{2}:[0-9a-f]{2}\.[0-7])$/;
const NUMBERED = /^(.*?) ?\[([0-9a-f]{4})\]$/;

export function readLspciMachine(input: string, problems: ProblemList): readonly PciFunction[] {
  const functions = new Map<string, PciFunction>();
  for (const { line, fields } of paragraphs(input)) {
    const read = readParagraph(fields, line, problems);
    if (read === null) continue;
    if (functions.has(read.address))
      problems.add({ code: 'address.repeated', line, at: read.address });
    else functions.set(read.address, read);
  }
  return [...functions.values()];
}

interface Paragraph {
  readonly line: number;
  readonly fields: ReadonlyMap<string, readonly string[]>;
}

function paragraphs(input: string): readonly Paragraph[] {
  const found: { line: number; fields: Map<string, string[]> }[] = [];
  let current: { line: number; fields: Map<string, string[]> } | null = null;
  input.split('\n').forEach((raw, n) => {
    const match = FIELD.exec(raw.trimEnd());
    if (match === null) {
      if (raw.trim() === '') current = null;
      return;
    }
    const [, name, value] = match as unknown as [string, string, string];
    if (current === null) {
      current = { line: n + 1, fields: new Map() };
      found.push(current);
    }
    current.fields.set(name, [...(current.fields.get(name) ?? []), value]);
  });
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
    programmingInterface: hex(fields.get('ProgIf')?.[0] ?? '0'),
    revision: hex(fields.get('Rev')?.[0] ?? '0'),
    name: `${kind[1] ?? ''}: ${known.join(' ')}`.slice(0, 200),
    driver: fields.get('Driver')?.[0]?.slice(0, 200) ?? null,
    modules: fields.get('Module')?.map((name) => name.slice(0, 200)) ?? null,
  };
}

const hex = (digits: string | undefined): number => parseInt(digits ?? '', 16);
