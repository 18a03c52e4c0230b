/** What drives say of themselves: each figure by the unit it is counted in, and damage refused. */
import { expect } from 'chai';
import * as fc from 'fast-check';
import { ProblemList, readEvidence, readSmartctl } from '../../src/core/read/index.ts';
import { emptyMachine } from '../../src/core/document/index.ts';
import { takeEvidence } from '../../src/core/survey/index.ts';
import { valueOf } from '../../src/core/parts/index.ts';
import { ataReport, nvmeReport, type SmartSpec } from '../builders/smartctl.ts';
import { soaked } from '../builders/soak.ts';

const SEED = Number(process.env['SEED'] ?? 20261125);
const SPEC: SmartSpec = {
  model: 'Kelpwick Ledger 2000',
  serial: 'KL-4471-02',
  bytes: 2_000_398_934_016,
  turns: 0,
  form: '2.5 inches',
  passed: true,
};
const read = (...reports: readonly object[]) => {
  const problems = new ProblemList();
  const drives = readSmartctl(
    JSON.stringify(reports.length === 1 ? reports[0] : reports),
    problems,
  );
  return { drives, codes: problems.all.map(({ code }) => code) };
};
const written = (...of: Parameters<typeof ataReport>) =>
  read(ataReport(...of)).drives[0]!.writtenTerabytes;

describe('What smartctl says of a drive', () => {
  it('is its kind, its size, its health and how it is built', () => {
    const [drive] = read(ataReport(SPEC, null, null)).drives;
    expect(drive).to.deep.include({
      model: SPEC.model,
      serial: SPEC.serial,
      gigabytes: 2_000,
      medium: 'solidState',
      form: '2.5',
      socket: 'sata',
      failing: false,
      writtenTerabytes: null,
      ratedTerabytes: null,
      readBytesPerSecond: null,
    });
    const [disk] = read(
      ataReport({ ...SPEC, turns: 7_200, form: '3.5 inches', passed: false }, null, null),
    ).drives;
    expect(disk).to.include({ medium: 'hardDisk', form: '3.5', failing: true });
    const [module] = read(ataReport({ ...SPEC, form: 'M.2', passed: null }, null, null)).drives;
    expect(module).to.include({ form: 'module', socket: 'm2Sata', failing: null });
    // 21,000,000 units of 512,000 bytes are 10.752 TB; of 30 % that is 35.84 in all. Source: NVM Express (from memory).
    const [nvme] = read(nvmeReport(SPEC, 21_000_000, 30)).drives;
    expect(nvme).to.include({
      form: 'module',
      socket: 'm2',
      writtenTerabytes: 10.75,
      ratedTerabytes: 36,
    });
    // A drive hardly used has nothing to reckon from.
    expect(read(nvmeReport(SPEC, 21_000_000, 4)).drives[0]!.ratedTerabytes).to.equal(null);
  });

  it('counts what was written in sectors by the standard, and else as its maker counts', () => {
    expect(written(SPEC, 4e9, ['Total_LBAs_Written', 1])).to.equal(2.05);
    expect(written(SPEC, null, ['Total_LBAs_Written', 4e9])).to.equal(2.05);
    expect(written(SPEC, null, ['Host_Writes_32MiB', 100_000])).to.equal(3.36);
    expect(written(SPEC, null, ['Lifetime_Writes_GiB', 1_000])).to.equal(1.07);
    expect(written(SPEC, null, ['Power_Cycle_Count', 1_000])).to.equal(null);
    // No drive has written a million terabytes.
    expect(written(SPEC, 1e16, null)).to.equal(null);
  });

  it('tells what copies start from, where all drives are of one kind', () => {
    const own = (...reports: readonly object[]) => {
      const files = reports.map((report, n) => ({
        name: `${n}.json`,
        content: JSON.stringify(report),
      }));
      const evidence = readEvidence(files);
      expect(evidence.files.map(({ kind, found }) => [kind, found])).to.deep.equal(
        reports.map(() => ['smartctl', 1]),
      );
      return valueOf(takeEvidence(emptyMachine(), evidence).machine.path.ownDrive);
    };
    const disk = ataReport({ ...SPEC, turns: 5_400 }, null, null);
    expect(own(disk, disk)).to.equal('disk');
    expect(own(ataReport(SPEC, null, null))).to.equal('sata');
    expect(own(nvmeReport(SPEC, 1, 1))).to.equal('nvme');
    expect(own(disk, nvmeReport(SPEC, 1, 1))).to.equal(null);
  });

  it('is refused where it tells of no drive', () => {
    expect(read({ smartctl: {}, model_name: 'x' }).codes).to.deep.equal(['report.noDrive']);
    const problems = new ProblemList();
    expect(readSmartctl('{"smartctl":', problems)).to.deep.equal([]);
    expect(problems.all[0]).to.include({ code: 'file.notJson', line: 1 });
    const many = Array.from({ length: 40 }, () => ataReport(SPEC, null, null));
    expect(read(...many).drives).to.have.lengthOf(32);
    expect(read(...many).codes).to.deep.equal(['list.tooMany']);
  });

  const MUTATIONS = soaked(1_000, 20_000);
  it(`is read or refused when damaged, ${MUTATIONS} times (seed ${SEED})`, () => {
    const whole = JSON.stringify(
      [ataReport(SPEC, 4e9, ['Total_LBAs_Written', 1]), nvmeReport(SPEC, 2e7, 30)],
      null,
      1,
    );
    // Mostly a value is exchanged for another, now and then letters are lost.
    const values = [...whole.matchAll(/(?<=: )("[^"\n]{0,60}"|[\d.]{1,20}|true|false)/g)];
    const damage = fc.record({
      at: fc.double({ min: 0, max: 0.999, noNaN: true }),
      length: fc.constantFrom(null, null, null, 1, 7),
      put: fc.constantFrom('', '9', '-1', '1e400', 'null', '"x"', '{}', '[]', 'e', '.', '1e17'),
    });
    let [found, refused] = [0, 0];
    for (const { at, length, put } of fc.sample(damage, { numRuns: MUTATIONS, seed: SEED })) {
      const value = values[Math.floor(at * values.length)]!;
      const start = length === null ? value.index : Math.floor(at * whole.length);
      const end = start + (length ?? value[0].length);
      const content = whole.slice(0, start) + put + whole.slice(end);
      const drives = readSmartctl(content, new ProblemList());
      for (const { gigabytes, writtenTerabytes } of drives) {
        expect(gigabytes).to.be.within(1, 1e7);
        expect(writtenTerabytes ?? 0).to.be.within(0, 1e6);
      }
      takeEvidence(emptyMachine(), readEvidence([{ name: 'x', content }]));
      if (drives.length > 0) found += 1;
      else refused += 1;
    }
    expect(Math.min(found, refused)).to.be.greaterThan(MUTATIONS / 20);
  });
});
