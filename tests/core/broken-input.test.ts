/** Every decoder fed damaged input: a located problem or a result, never a throw, never a hang. */
import { expect } from 'chai';
import * as fc from 'fast-check';
import {
  ProblemList,
  decodeConfigSpace,
  emptyMachine,
  mergeEvidence,
  portTree,
  portsWithSlots,
  readEvidence,
  readJobFile,
  readLspci,
  readStoredJob,
  writeJobFile,
  Machine,
  type EvidenceFile,
  type Problem,
} from '../../src/core/index.ts';
import { readFileSync } from 'node:fs';
import { demoJobs } from '../../demo/jobs.ts';
import { EVERY_KIND } from '../builders/evidence.ts';
import { buildSpace, hexText, randomSpace } from '../builders/configSpace.ts';

const SEED = Number(process.env['SEED'] ?? 20261125);
const evidence = (name: string) =>
  readFileSync(
    new URL(`../../demo/evidence/lighthouse-museum.${name}.txt`, import.meta.url),
    'utf8',
  );
const TEXTS = [evidence('lspci'), evidence('lspci-xxxx')];
const FILE = writeJobFile(demoJobs(TEXTS[0]!)[1]!);

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
  ['input.tooManyProblems', 'input.tooLarge', 'file.notAJob', 'list.tooMany'].includes(
    problem.code,
  );

function checkReading(text: string): void {
  const { functions, problems } = readLspci(text);
  expect(problems.every(located), JSON.stringify(problems)).to.equal(true);
  portTree(functions);
  portsWithSlots(functions);
  const machine = mergeEvidence(
    emptyMachine(),
    readEvidence([{ name: 'report.txt', content: text }]),
  );
  expect(Machine.safeParse(machine).success, text.slice(0, 500)).to.equal(true);
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
  const machine = mergeEvidence(emptyMachine(), evidence);
  const parsed = Machine.safeParse(machine);
  expect(parsed.error?.issues, JSON.stringify(evidence.files)).to.equal(undefined);
}

describe(`Damaged input (seed ${SEED})`, () => {
  it('reads or refuses 8,000 damaged reports', () => {
    const cases = fc.sample(fc.tuple(fc.constantFrom(...TEXTS), damage, damage), {
      numRuns: 8000,
      seed: SEED,
    });
    for (const [text, one, two] of cases) checkReading(two(one(text)));
  });

  it('decodes or refuses 10,000 random configuration spaces of every length', () => {
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
    for (const bytes of fc.sample(spaces, { numRuns: 10_000, seed: SEED })) {
      const problems = new ProblemList();
      const decoded = decodeConfigSpace('0000:00:00.0', bytes, null, problems);
      expect(decoded !== null || problems.all.length > 0).to.equal(true);
      expect(problems.all.every(located)).to.equal(true);
    }
  });

  it('reads or refuses 2,500 damaged job files, and 500 damaged records', () => {
    for (const hurt of fc.sample(damage, { numRuns: 2500, seed: SEED })) {
      const { job, problems } = readJobFile(hurt(FILE));
      expect(job !== null).to.equal(problems.length === 0);
      expect(problems.every(located), JSON.stringify(problems)).to.equal(true);
    }
    for (const record of fc.sample(fc.anything(), { numRuns: 500, seed: SEED })) {
      expect(readStoredJob(record).job).to.equal(null);
    }
  });

  it('reads or refuses 40,000 damaged files of every kind of evidence, and bundles of them', () => {
    const hurtText = fc.tuple(fc.constantFrom(...EVERY_KIND), damage, damage);
    const cases = fc.sample(hurtText, { numRuns: 40_000, seed: SEED });
    for (const [file, one, two] of cases) {
      const content =
        typeof file.content === 'string' ? two(one(file.content)) : hurtBytes(file.content, one);
      checkEvidence([{ name: file.name, content }]);
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
});
