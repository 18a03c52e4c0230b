/** A whole bundle of evidence as a large machine would write it: everything in it is made up by rule. */
import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { EvidenceFile } from '../src/core/read/index.ts';
import { buildSpace, hexText, type SpaceSpec } from '../tests/builders/configSpace.ts';
import { EVERY_KIND } from '../tests/builders/evidence.ts';
import { ascii, buildTable, type StructureSpec } from '../tests/builders/smbios.ts';

const DEVICES = 60;
const PORTS = 12;
const ALIASES = 9000;

const hex = (value: number, digits: number) =>
  value.toString(16).toUpperCase().padStart(digits, '0');

/** The first few are ports with a slot, each with a device behind it; the rest sit on the board. */
function space(n: number): { readonly address: string; readonly spec: SpaceSpec } {
  const behind = n >= PORTS && n < 2 * PORTS ? n - PORTS : null;
  const address =
    behind === null
      ? `00:${(n % 32).toString(16).padStart(2, '0')}.${Math.floor(n / 32)}`
      : `${(behind + 1).toString(16).padStart(2, '0')}:00.0`;
  const port = n < PORTS;
  return {
    address,
    spec: {
      vendor: 0xf1a0 + (n % 7),
      device: 0x7000 + n,
      class24: port ? 0x060400 : 0x020000,
      revision: 1,
      headerType: port ? 1 : 0,
      subsystem: [0xf1a8, n],
      buses: [0, n + 1, n + 1],
      hasList: true,
      chain: [
        { id: 0x01 },
        {
          id: 0x10,
          kind: port ? 4 : 0,
          slot: port,
          able: [3, 4],
          now: [3, 4],
          power: [25, 0],
          slotNumber: n + 1,
        },
      ],
      lastPointer: 0,
      bytes: 4096,
      extended: [{ id: 0x15, bars: [[0x3f00, 0x800]] }],
    },
  };
}

function aliases(): string {
  const lines = Array.from({ length: ALIASES }, (_, n) => {
    const [vendor, device] = [hex(0xf1a0 + (n % 40), 8), hex(0x6800 + n, 8)];
    return n % 50 === 0
      ? `alias pci:v*d*sv*sd*bc${hex(n % 18, 2)}sc${hex(n % 9, 2)}i* class_${n}`
      : `alias pci:v${vendor}d${device}sv*sd*bc*sc*i* module_${n % 700}`;
  });
  return `${lines.join('\n')}\n`;
}

const records: readonly StructureSpec[] = Array.from({ length: PORTS }, (_, n) => ({
  type: 9,
  body: [1, 0xb6, 0x0d, 4, 4, n + 1, 0, 4, 0x09, 0, 0, 0, n << 3],
  strings: [ascii(`QUAY_${n + 1}`)],
}));

export function wholeBundle(): readonly EvidenceFile[] {
  const spaces = Array.from({ length: DEVICES }, (_, n) => space(n));
  const screen = EVERY_KIND.find(({ name }) => name === 'screen.bin');
  return [
    {
      name: 'registers.txt',
      content: spaces.map(({ address, spec }) => hexText(address, buildSpace(spec))).join('\n'),
    },
    { name: 'DMI', content: buildTable(records) },
    ...[1, 2, 3].map((n) => ({ name: `screen-${n}.bin`, content: screen?.content ?? '' })),
    { name: 'modules.alias', content: aliases() },
    ...EVERY_KIND.filter(({ name }) => ['os-release', 'uname.txt', 'ethtool.txt'].includes(name)),
  ];
}

/** Written into a folder, for a browser to be given it. */
export function writeBundle(folder: string): readonly string[] {
  mkdirSync(folder, { recursive: true });
  return wholeBundle().map(({ name, content }) => {
    const path = join(folder, name);
    writeFileSync(path, content);
    return path;
  });
}
