/** Every decoder fed damaged input: a located problem or a result, never a throw, never a hang. */
import { expect } from 'chai';
import * as fc from 'fast-check';
import {
  ProblemList,
  decodeConfigSpace,
  portTree,
  portsWithSlots,
  readEvidence,
  readJobFile,
  readLspci,
  readStoredJob,
  type Evidence,
  type EvidenceFile,
  type Problem,
} from '../../src/core/read/index.ts';
import { emptyJob, emptyMachine, Machine } from '../../src/core/document/index.ts';
import { takeEvidence } from '../../src/core/survey/index.ts';
import { writeJobFile } from '../../src/core/write/index.ts';
import { readFileSync } from 'node:fs';
import { demoJobs } from '../../demo/jobs.ts';
import { PACKAGES } from '../builders/library.ts';
import { ETHTOOL, EVERY_KIND, LSPCI_MACHINE } from '../builders/evidence.ts';
import { AT } from '../builders/parts.ts';
import { soaked } from '../builders/soak.ts';
import { buildSpace, hexText, randomSpace } from '../builders/configSpace.ts';

const SEED = Number(process.env['SEED'] ?? 20261125);
const evidence = (name: string) =>
  readFileSync(
    new URL(`../../demo/evidence/lighthouse-museum.${name}.txt`, import.meta.url),
    'utf8',
  );
const TEXTS = [evidence('lspci'), evidence('lspci-xxxx')];
const FILE = writeJobFile(demoJobs(TEXTS[0]!, PACKAGES)[1]!);

type Damage = (text: string) => string;
const part = fc.double({ min: 0, max: 1, noNaN: true });

/** Truncated, swapped, doubled, cut out, overwritten with rubbish, oversized. */
const damage: fc.Arbitrary<Damage> = fc.oneof(
  part.map(
    (end): Damage =>
      (text) =>
        text.slice(0, end * text.length),
  ),
  fc.tuple(part, part).map(([a, b]): Damage => (text) => {
    const lines = text.split('\n');
    const [i, j] = [Math.floor(a * (lines.length - 1)), Math.floor(b * (lines.length - 1))];
    [lines[i], lines[j]] = [lines[j] ?? '', lines[i] ?? ''];
    return lines.join('\n');
  }),
  fc.tuple(part, fc.integer({ min: 1, max: 400 })).map(([at, length]): Damage => (text) => {
    const start = Math.floor(at * text.length);
    return text.slice(0, start) + text.slice(start + length);
  }),
  fc
    .tuple(part, fc.string({ unit: 'binary', maxLength: 40 }))
    .map(([at, rubbish]): Damage => (text) => {
      const start = Math.floor(at * text.length);
      return text.slice(0, start) + rubbish + text.slice(start + rubbish.length);
    }),
  part.map((at): Damage => (text) => {
    const start = Math.floor(at * text.length);
    return text.slice(0, start) + text.slice(start, start + 2000).repeat(3) + text.slice(start);
  }),
);

const located = (problem: Problem) =>
  problem.line !== undefined ||
  problem.at !== undefined ||
  problem.offset !== undefined ||
  // These are of several places, or of the whole.
  [
    'input.tooManyProblems',
    'capability.deniedMany',
    'input.tooLarge',
    'file.notAJob',
    'list.tooMany',
  ].includes(problem.code);

function checkReading(text: string): void {
  const { functions, problems } = readLspci(text);
  expect(problems.every(located), JSON.stringify(problems)).to.equal(true);
  portTree(functions);
  portsWithSlots(functions);
  checkTaken(readEvidence([{ name: 'report.txt', content: text }]), text.slice(0, 500));
}

/** The same damage to bytes, each letter standing for one. */
const hurtBytes = (bytes: Uint8Array, hurt: Damage): Uint8Array =>
  Uint8Array.from(Buffer.from(hurt(Buffer.from(bytes).toString('latin1')), 'latin1'));

function checkEvidence(files: readonly EvidenceFile[]): void {
  const evidence = readEvidence(files);
  for (const { problems, found, kind } of evidence.files) {
    expect(problems.every(located), JSON.stringify(problems)).to.equal(true);
    if (kind === null) expect(found).to.equal(0);
  }
  checkTaken(evidence, JSON.stringify(evidence.files));
}

/** The survey can be kept, and the readers saw to that: nothing had to be dropped behind them. */
function checkTaken(evidence: Evidence, what: string): void {
  const { machine, problems } = takeEvidence(emptyMachine(), evidence);
  expect(Machine.safeParse(machine).error?.issues, what).to.equal(undefined);
  expect(
    problems.filter(({ code }) => code === 'repair.dropped'),
    what,
  ).to.deep.equal([]);
}

describe(`Damaged input (seed ${SEED})`, () => {
  /** What is tried with every run, and in a soak: half a million in all. */
  const counts = soaked(
    { reports: 900, spaces: 3_000, files: 600, records: 300, evidence: 3_000 },
    { reports: 60_000, spaces: 80_000, files: 40_000, records: 20_000, evidence: 320_000 },
  );
  let slowest = 0;
  /** Each case by itself: none may take longer than one waits. */
  const timed = (work: () => void): void => {
    const start = performance.now();
    work();
    slowest = Math.max(slowest, performance.now() - start);
  };

  after('none took two seconds, and none touched what all objects share', () => {
    expect(slowest).to.be.below(2_000);
    expect(Object.keys(Object.prototype)).to.deep.equal([]);
    expect(Object.keys(Array.prototype)).to.deep.equal([]);
    expect(({} as Record<string, unknown>)['value']).to.equal(undefined);
  });

  it(`reads or refuses ${counts.reports} damaged reports`, () => {
    const cases = fc.sample(fc.tuple(fc.constantFrom(...TEXTS), damage, damage), {
      numRuns: counts.reports,
      seed: SEED,
    });
    for (const [text, one, two] of cases) timed(() => checkReading(two(one(text))));
  });

  it(`decodes or refuses ${counts.spaces} random configuration spaces of every length`, () => {
    const spaces = fc.oneof(
      fc.uint8Array({ maxLength: 300 }),
      fc.tuple(randomSpace, part).map(([spec, end]) => {
        const bytes = buildSpace(spec);
        return bytes.slice(0, Math.floor(end * bytes.length));
      }),
      fc
        .tuple(fc.uint8Array({ minLength: 256, maxLength: 256 }), fc.constant(0x10))
        .map(([bytes, flag]) => {
          bytes[6] = flag;
          return bytes;
        }),
    );
    for (const bytes of fc.sample(spaces, { numRuns: counts.spaces, seed: SEED })) {
      const problems = new ProblemList();
      const decoded = decodeConfigSpace('0000:00:00.0', bytes, null, problems);
      expect(decoded !== null || problems.all.length > 0).to.equal(true);
      expect(problems.all.every(located)).to.equal(true);
    }
  });

  it(`reads or refuses ${counts.files} damaged job files, and ${counts.records} damaged records`, () => {
    for (const hurt of fc.sample(damage, { numRuns: counts.files, seed: SEED })) {
      const { job, problems } = readJobFile(hurt(FILE));
      expect(job !== null).to.equal(problems.length === 0);
      expect(problems.every(located), JSON.stringify(problems)).to.equal(true);
    }
    for (const record of fc.sample(fc.anything(), { numRuns: counts.records, seed: SEED })) {
      expect(readStoredJob(record).job).to.equal(null);
    }
  });

  it(`reads or refuses ${counts.evidence} damaged files of every kind of evidence, and bundles of them`, () => {
    const hurtText = fc.tuple(fc.constantFrom(...EVERY_KIND), damage, damage);
    const cases = fc.sample(hurtText, { numRuns: counts.evidence, seed: SEED });
    for (const [file, one, two] of cases) {
      const content =
        typeof file.content === 'string' ? two(one(file.content)) : hurtBytes(file.content, one);
      timed(() => checkEvidence([{ name: file.name, content }]));
    }
  });

  it('refuses 5 MB of rubbish of any sort', () => {
    const size = 5 * 1024 * 1024;
    const noise = Uint8Array.from(
      { length: size },
      (_, n) => (Math.imul(n, 2654435761) >>> 13) & 0xff,
    );
    const letters = noise.map((byte) => 0x20 + (byte % 0x5f));
    const rows = letters.map((byte, n) => (n % 60 === 59 ? 0x0a : byte));
    for (const content of [noise, letters, rows, new Uint8Array(size), '{'.repeat(size)]) {
      const { files, devices } = readEvidence([{ name: 'rubbish', content }]);
      expect(files[0]?.problems.length).to.be.greaterThan(0);
      expect(devices.functions).to.deep.equal([]);
    }
  });

  it('is not stopped by rubbish, by endless lines, or by size', () => {
    for (const text of [
      '\0'.repeat(100_000),
      'x'.repeat(1_000_000),
      '00:00.0 a\n'.repeat(20_000),
      `${hexText('00:00.0', new Uint8Array(64))}`.repeat(300),
    ]) {
      checkReading(text);
    }
    expect(readLspci('x'.repeat(17 * 1024 * 1024)).problems[0]?.code).to.equal('input.tooLarge');
  });

  it('keeps out of the survey what no survey can hold, and says where it stood', () => {
    const port = (slot: string, width = 'x4', more = '') =>
      `00:01.0 PCI bridge [0604]: Gull [f1a0:0001]\n\tCapabilities: [40] Express (v2) Root Port (Slot+), x\n` +
      `\t\tLnkCap: Port #1, Speed 8GT/s, Width ${width}\n\t\tLnkSta: Speed 8GT/s, Width x4\n\t\t${slot}\n${more}`;
    const bar = (size: string) =>
      `\tCapabilities: [200 v1] Physical Resizable BAR\n\t\tBAR 0: current size: ${size}, supported: ${size}\n`;
    const record = (text: string) => `Handle 0x0001, DMI type 1, 27 bytes\n${text}`;
    const long = 'y'.repeat(300);
    for (const [content, code] of [
      [port('Slot #1, PowerLimit 1.2.3W'), 'field.outOfRange'],
      [port('Slot #1, PowerLimit 999999W'), 'field.outOfRange'],
      [port('Slot #99999999, PowerLimit 75W'), 'field.outOfRange'],
      [port('Slot #1, PowerLimit 75W', 'x4000'), 'field.outOfRange'],
      [port('Slot #1, PowerLimit 75W', 'x4', bar('0MB')), undefined],
      [port('Slot #1, PowerLimit 75W', 'x4', bar('999999PB')), undefined],
      [port('Slot #1, PowerLimit 75W', 'x4', `\tKernel driver in use: ${long}\n`), undefined],
      [port('Slot #1, PowerLimit 75W', 'x4', `\tKernel modules: ${long}, b\n`), undefined],
      [LSPCI_MACHINE.replace('Rev:\t10', 'Rev:\tfffffffffffff'), 'field.outOfRange'],
      [LSPCI_MACHINE.replace('Module:\te1w\n', `Module:\t${long}\n`), undefined],
      [record(`\tManufacturer: ${long}\n\tProduct Name: ${long}\n`), undefined],
      [ETHTOOL.replace('Speed: 1000Mb/s', 'Speed: 999999999Mb/s'), 'field.outOfRange'],
      [`PRETTY_NAME="${long}"\n`, undefined],
      [`Linux ${long} 6.1.0${long} x86_64\n`, undefined],
    ] as const) {
      const evidence = readEvidence([{ name: 'file', content }]);
      expect(evidence.files[0]?.problems[0]?.code, content.slice(0, 200)).to.equal(code);
      checkTaken(evidence, content.slice(0, 200));
      const { machine } = takeEvidence(emptyMachine(), evidence);
      expect(readStoredJob({ ...emptyJob('job', AT), machine }).problems).to.deep.equal([]);
    }
  });

  it('keeps one file’s failure its own', () => {
    const nested = `[${'['.repeat(4000)}"PCI\\\\VEN_F1A1&DEV_2001"${']'.repeat(4000)}]`;
    const deep = [
      'tenant-survey 1',
      '== a',
      ' tenant-survey 1',
      ' == b',
      '  x',
      ' == end',
      '== end',
    ];
    const { files, devices } = readEvidence([
      { name: 'nested.json', content: nested },
      { name: 'deep.txt', content: deep.join('\n') },
      { name: 'good.txt', content: TEXTS[0]! },
    ]);
    expect(devices.functions.length).to.be.greaterThan(10);
    expect(files.flatMap(({ problems }) => problems.map(({ code }) => code))).to.deep.equal([
      'list.noIdentities',
      'bundle.nested',
    ]);
  });
});
