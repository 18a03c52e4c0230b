/** A small machine in QEMU with chosen ports, cards and slot records, in which the survey script really runs. */
import { execFileSync, spawnSync } from 'node:child_process';
import {
  copyFileSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readFileSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { ascii } from './smbios.ts';

const ROOT = new URL('../../', import.meta.url).pathname;
const KERNEL = join(ROOT, '.cache/kernel/vmlinuz');
const SCRIPT = join(ROOT, 'static/survey.sh');
const LONGEST_MS = 100_000;

interface VirtualPort {
  readonly slot: number;
  /** Device number on the root bus. */
  readonly device: number;
  readonly gigatransfers: '2_5' | '5' | '8' | '16';
  readonly width: 1 | 2 | 4 | 8 | 16;
  readonly card: string | null;
}

interface VirtualRecord {
  readonly label: string;
  readonly type: number;
  readonly width: number;
  readonly usage: number;
  readonly number: number;
  readonly device: number;
}

export interface VirtualMachine {
  readonly ports: readonly VirtualPort[];
  /** Downstream ports of one switch below a root port of its own. */
  readonly behindSwitch: readonly number[];
  readonly records: readonly VirtualRecord[];
  readonly firmware: { readonly vendor: string; readonly version: string; readonly date: string };
  readonly system: { readonly maker: string; readonly product: string; readonly serial: string };
}

/** What is missing on this machine to boot one, or null. */
export function missingForQemu(): string | null {
  for (const program of ['qemu-system-x86_64', 'busybox', 'cpio']) {
    if (spawnSync('which', [program]).status !== 0) return program;
  }
  return existsSync(KERNEL) ? null : 'the kernel in .cache';
}

const INIT = `#!/bin/busybox sh
/bin/busybox --install -s /bin
export PATH=/bin
mount -t proc proc /proc
mount -t sysfs sys /sys
mount -t devtmpfs dev /dev
stty -F /dev/ttyS1 raw
sh /survey.sh OPTIONS /tmp/survey
cat /tmp/survey >/dev/ttyS1
poweroff -f
`;

/** Boots the machine, runs the script in it, and returns the file that it wrote. */
export function surveyInQemu(machine: VirtualMachine, options = ''): string {
  const folder = mkdtempSync(join(tmpdir(), 'tenant-qemu-'));
  try {
    const root = join(folder, 'root');
    for (const each of ['bin', 'proc', 'sys', 'dev', 'tmp', 'etc'])
      mkdirSync(join(root, each), { recursive: true });
    takeAlong(execFileSync('which', ['busybox'], { encoding: 'utf8' }).trim(), root);
    copyFileSync(SCRIPT, join(root, 'survey.sh'));
    writeFileSync(join(root, 'etc/os-release'), 'PRETTY_NAME="Harbour Linux 4"\n');
    writeFileSync(join(root, 'init'), INIT.replace('OPTIONS', options), { mode: 0o755 });
    const pack = `find . | cpio -o -H newc --quiet | gzip -1 > ${join(folder, 'root.gz')}`;
    execFileSync('sh', ['-c', pack], { cwd: root });
    const records = machine.records.map((record, n) => {
      const path = join(folder, `record-${n}`);
      writeFileSync(path, slotRecord(record));
      return path;
    });
    const written = join(folder, 'survey');
    const console = join(folder, 'console');
    spawnSync(
      'qemu-system-x86_64',
      [
        ...['-machine', 'q35', '-accel', 'tcg', '-m', '256', '-nodefaults', '-display', 'none'],
        ...['-no-reboot', '-kernel', KERNEL, '-initrd', join(folder, 'root.gz')],
        ...['-append', 'console=ttyS0 quiet panic=-1'],
        ...['-serial', `file:${console}`, '-serial', `file:${written}`],
        ...['-smbios', `type=0,${list(machine.firmware)}`],
        ...['-smbios', `type=1,${list(systemWords(machine))}`],
        ...records.flatMap((path) => ['-smbios', `file=${path}`]),
        ...machine.ports.flatMap(portArguments),
        ...switchArguments(machine.behindSwitch),
      ],
      { stdio: 'ignore', timeout: LONGEST_MS },
    );
    const survey = existsSync(written) ? readFileSync(written, 'utf8') : '';
    if (survey !== '') return survey;
    const said = existsSync(console) ? readFileSync(console, 'utf8') : '';
    throw new Error(`The machine handed back nothing. Its console:\n${said.slice(-4_000)}`);
  } finally {
    rmSync(folder, { recursive: true });
  }
}

/** The program as `bin/busybox`, and what it is linked with where that is: an ordinary busybox starts nothing alone. */
function takeAlong(busybox: string, root: string): void {
  copyFileSync(busybox, join(root, 'bin/busybox'));
  const { stdout } = spawnSync('ldd', [busybox], { encoding: 'utf8' });
  for (const [, library] of stdout.matchAll(/(?:=> |^\s+)(\/\S+) \(0x/gm)) {
    if (library === undefined) continue;
    mkdirSync(join(root, dirname(library)), { recursive: true });
    copyFileSync(library, join(root, library));
  }
}

const list = (words: Readonly<Record<string, string>>): string =>
  Object.entries(words)
    .map(([name, value]) => `${name}=${value}`)
    .join(',');

const systemWords = ({ system: { maker, product, serial } }: VirtualMachine) => ({
  manufacturer: maker,
  product,
  serial,
});

function portArguments({
  slot,
  device,
  gigatransfers,
  width,
  card,
}: VirtualPort): readonly string[] {
  const port = `pcie-root-port,id=rp${slot},chassis=${slot},slot=${slot},bus=pcie.0,addr=0x${device.toString(16)}`;
  return [
    ...['-device', `${port},x-speed=${gigatransfers},x-width=${width}`],
    ...(card === null ? [] : ['-device', `${card},bus=rp${slot}`]),
  ];
}

function switchArguments(slots: readonly number[]): readonly string[] {
  if (slots.length === 0) return [];
  return [
    ...['-device', 'pcie-root-port,id=up,chassis=90,slot=90,bus=pcie.0,addr=0x1a'],
    ...['-device', 'x3130-upstream,id=switch,bus=up'],
    ...slots.flatMap((slot, n) => [
      '-device',
      `xio3130-downstream,id=dp${slot},bus=switch,chassis=${slot},slot=${slot},addr=0x${n}`,
    ]),
  ];
}

function slotRecord({ label, type, width, usage, number, device }: VirtualRecord): Uint8Array {
  const body = [1, type, width, usage, 4, number & 0xff, number >> 8, 4, 1, 0, 0, 0, device << 3];
  return Uint8Array.from([9, 4 + body.length, number, 9, ...body, ...ascii(label), 0, 0]);
}
