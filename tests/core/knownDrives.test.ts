/**
 * Drives as things: what each tells, at its edge. Bands of rated speeds and shares of wear: common practice, no source;
 * plugs by rail: Serial ATA 3.x, 4.5 A on each (from memory).
 */
import { readFileSync } from 'node:fs';
import { expect } from 'chai';
import { acceptanceOf, assemblyOf } from '../../src/core/assembly/index.ts';
import { apply } from '../../src/core/commands/index.ts';
import { driveLoadWatts, inBays, withDriveLoad } from '../../src/core/placement/index.ts';
import { drivesNamed, namedDrive, type Machine } from '../../src/core/document/index.ts';
import { drivesWanted, plainNeed, unitsNeeded, type NeedOf } from '../../src/core/kinds/index.ts';
import { emptyDrive, type Drive } from '../../src/core/parts/index.ts';
import { flowOf } from '../../src/core/flow/index.ts';
import { forExport, handOverSheet } from '../../src/core/write/index.ts';
import { problemsOf, readJobFile } from '../../src/core/read/index.ts';
import { proposePlan } from '../../src/core/planner/index.ts';
import type { PlanRequest } from '../../src/core/plans/index.ts';
import { slotVerdict } from '../../src/core/rules/index.ts';
import { steps } from '../../src/core/procedure/index.ts';
import { EXTRAS } from '../../demo/catalogue/extras.ts';
import { drives } from '../../demo/catalogue/row.ts';
import { AT, STAMP, aCard, aJob, aMachine, aSlot, baysOf, told } from '../builders/parts.ts';
import { SERIALS, twoArraysJob } from '../builders/twoArrays.ts';

const drive = (n: number, told: Partial<Drive> = {}): Drive => emptyDrive(`d${n}`, 4_000, told);
const several = (count: number, told: Partial<Drive> = {}): readonly Drive[] =>
  Array.from({ length: count }, (_, n) => drive(n, told));
const need = (these: readonly Drive[], more: Partial<NeedOf<'drives'>> = {}) =>
  plainNeed('drives', 'd', { bytesPerSecond: 100e6, these, ...more });
const card = (ports: number, more: Partial<Parameters<typeof aCard>[0]> = {}) =>
  aCard({ id: `c${ports}`, lanes: 4, delivers: drives(ports, 'sata'), ...more });
const slot = aSlot(1, { connector: 4, lanes: 4 });
const machine = { ...aMachine([slot]), builtIn: told([]) };
const flow = (of: NeedOf<'drives'>, there: Machine = machine, ports = 4) =>
  flowOf(card(ports), slot, of, there)!;
const codes = (of: NeedOf<'drives'>) => {
  const { finding, catches } = flow(of);
  return [finding, ...catches].map(({ code }) => code);
};

describe('Drives that are known', () => {
  it('take the place of number and size', () => {
    expect(unitsNeeded(need(several(3), { ports: 7 }))).to.equal(3);
    expect(flow(need(several(5))).units).to.equal(4);
    // Of an array the smallest decides: three of 4,000 and one of 1,000 with parity leave three thousand.
    const mixed = [...several(3), { ...drive(3), gigabytes: 1_000 }];
    const parity = (usableGigabytes: number) =>
      flow(need(mixed, { array: 'parity', usableGigabytes })).finding;
    expect(parity(3_000).verdict).to.not.equal('blocked');
    expect(parity(3_001)).to.include({ code: 'deliver.drivesTooSmall', available: 3_000 });
    expect(flow(need(mixed, { usableGigabytes: 13_000 })).finding.verdict).to.not.equal('blocked');
    expect(flow(need(mixed, { usableGigabytes: 13_001 })).finding.code).to.equal(
      'deliver.drivesTooSmall',
    );
    expect(flow(need(several(2), { array: 'parity' })).finding).to.include({
      code: 'deliver.fewDrives',
      needed: 3,
      available: 2,
    });
  });

  it('limit by the slowest of them, and by what they write once their cache is full', () => {
    const of = (told: Partial<Drive>, more: Partial<NeedOf<'drives'>> = {}) => {
      const { low, high, limiting } = flow(
        need([drive(0, { readBytesPerSecond: 500e6 }), drive(1, told)], more),
      );
      return [low / 1e6, high / 1e6, limiting];
    };
    expect(of({ readBytesPerSecond: 200e6 })).to.deep.equal([170, 200, 'drive']);
    // A hard disk of which no rate is told shows what hard disks show.
    expect(of({ medium: 'hardDisk' })).to.deep.equal([90, 210, 'drive']);
    const write = { direction: 'write' } as const;
    expect(of({ writeBytesPerSecond: 480e6, sustainedBytesPerSecond: 120e6 }, write)).to.deep.equal(
      [120, 480, 'drive'],
    );
    expect(of({ writeBytesPerSecond: 300e6 }, write)).to.deep.equal([255, 300, 'drive']);
  });

  it('go into bays of their size, with a frame into wider ones, and never into narrower', () => {
    const wide = { form: '3.5', heightMm: 26 } as const;
    const narrow = { form: '2.5', heightMm: 7 } as const;
    expect(inBays([wide, narrow], [{ size: '3.5', count: 2 }])).to.deep.include({
      placed: 2,
      frames: ['3.5-to-2.5'],
    });
    expect(inBays([wide], [{ size: '2.5', count: 4 }])).to.deep.include({ placed: 0, frames: [] });
    // The wide one takes the bay of its size, and leaves the narrow one the widest.
    expect(
      inBays(
        [narrow, wide],
        [
          { size: '3.5', count: 1 },
          { size: '5.25', count: 1 },
        ],
      ),
    ).to.deep.include({ placed: 2, frames: ['5.25-to-2.5'] });
    const low = [{ size: '2.5', count: 1, heightMm: 9.5 }] as const;
    expect(inBays([{ form: '2.5', heightMm: 9.5 }], low).placed).to.equal(1);
    expect(inBays([{ form: '2.5', heightMm: 9.6 }], low).placed).to.equal(0);
    // What is not told of a drive asks nothing.
    expect(inBays([{ form: null, heightMm: null }], low)).to.deep.include({
      placed: 1,
      frames: [],
    });
  });

  it('share the bays with the drives of other needs: none is claimed twice, and musts choose first', () => {
    const room = { ...machine.case, bays: baysOf(3), frontLeads: told([]) };
    const [two, three] = [
      need(several(2), { id: 'two', must: false }),
      need(several(3), { id: 'three' }),
    ];
    const there = { ...machine, case: room };
    const missing = (needs: readonly NeedOf<'drives'>[]) =>
      needs.map((each) => flow(each, withDriveLoad(there, needs)).forDrives.bays);
    expect(missing([two])).to.deep.equal([0]);
    expect(missing([two, three])).to.deep.equal([2, 0]);
    expect(missing([{ ...two, must: true }, three])).to.deep.equal([0, 2]);
    // Modules on cards ask for no bay.
    const modules = need(several(2, { form: 'module', socket: 'm2' }), { id: 'modules' });
    expect(missing([two, modules])[0]).to.equal(0);
    // The plan buys what is missing over both: two bays, and three frames for narrow drives in wide ones.
    const { extras, unmet } = proposePlan({
      machine: there,
      needs: [{ ...two, must: true }, three],
      budgetCents: null,
      cards: [card(8)],
      extras: EXTRAS,
      library: null,
    });
    expect(unmet).to.deep.equal([]);
    expect(extras.flatMap(({ kind, count }) => (kind === 'bay' ? count : []))).to.have.members([
      2, 3,
    ]);
  });

  it('fill as many bays as any way of putting them in does, with no more frames', () => {
    const forms = ['3.5', '2.5'] as const;
    const sizes = ['5.25', '3.5', '2.5'] as const;
    const fits = (form: string, size: string) => size !== '2.5' || form === '2.5';
    for (let a = 0; a < 8; a += 1) {
      for (let b = 0; b < 27; b += 1) {
        const some = [0, 1, 2].map((n) => ({ form: forms[(a >> n) & 1]!, heightMm: null }));
        const bays = [0, 1, 2].map((n) => sizes[Math.floor(b / 3 ** n) % 3]!);
        let best: readonly [number, number] = [0, 0];
        const tryAll = (n: number, free: readonly string[], placed: number, frames: number) => {
          if (n === some.length) {
            if (placed > best[0] || (placed === best[0] && frames < best[1]))
              best = [placed, frames];
            return;
          }
          tryAll(n + 1, free, placed, frames);
          for (const [m, size] of free.entries())
            if (fits(some[n]!.form, size))
              tryAll(
                n + 1,
                free.filter((_, k) => k !== m),
                placed + 1,
                frames + (size === some[n]!.form ? 0 : 1),
              );
        };
        tryAll(0, bays, 0, 0);
        const found = inBays(
          some,
          bays.map((size) => ({ size, count: 1 })),
        );
        expect([found.placed, found.frames.length], `${a} ${b}`).to.deep.equal(best);
      }
    }
  });

  it('share a plug only where it carries any two of them, rail by rail', () => {
    const onOnePlug = (rails: Partial<Drive>) => {
      const one = {
        ...machine,
        case: { ...machine.case, bays: baysOf(4) },
        supply: { ...machine.supply, plugs: told([{ type: 'sata' as const, count: 1 }]) },
      };
      return flow(need(several(2, rails)), one).forDrives.plugAdapters;
    };
    expect(onOnePlug({ twelveVoltWatts: 27, fiveVoltWatts: 11.25 })).to.deep.equal(['split-sata']);
    expect(onOnePlug({ twelveVoltWatts: 27.5 })).to.deep.equal([]);
    expect(onOnePlug({ fiveVoltWatts: 11.5 })).to.deep.equal([]);
  });

  it('draw from the supply, whichever card they hang on', () => {
    const needs = [need(several(4, { twelveVoltWatts: 25 }))];
    expect(driveLoadWatts(needs)).to.equal(100);
    const loaded = withDriveLoad(machine, needs);
    expect(loaded.supply.baseWatts!.value).to.equal(200);
    expect(withDriveLoad(machine, [need(several(4))])).to.equal(machine);
    const supply = { ...machine.supply, twelveVoltWatts: told(209) };
    const request: PlanRequest = {
      machine: { ...machine, supply },
      needs,
      budgetCents: null,
      cards: [card(4, { peakWatts: 10 })],
      library: null,
    };
    expect(proposePlan(request).unmet).to.have.lengthOf(1);
    const enough = { ...request.machine, supply: { ...supply, twelveVoltWatts: told(210) } };
    expect(proposePlan({ ...request, machine: enough }).unmet).to.deep.equal([]);
    expect(
      slotVerdict(card(4, { peakWatts: 10 }), slot, request.machine, null).findings.map(
        ({ code }) => code,
      ),
    ).to.not.include('power.sumShort');
  });

  it('say when they are worn or about to fail', () => {
    const worn = (writtenTerabytes: number) =>
      codes(need([drive(0, { ratedTerabytes: 1_000, writtenTerabytes })]));
    expect(worn(800)).to.include('deliver.driveWorn');
    expect(worn(799)).to.not.include('deliver.driveWorn');
    expect(codes(need([drive(0, { failing: true, model: 'Ledger' })]))).to.deep.equal([
      'deliver.driveFailing',
    ]);
  });

  it('choose pads by their sides, are tested when used, and stand on the sheet', () => {
    const modules = [
      drive(0, { form: 'module', socket: 'm2', sides: 'double', serial: 'A1' }),
      drive(1, { form: 'module', socket: 'm2', sides: 'single', writtenTerabytes: 30 }),
    ];
    const wanted = need(modules, { bytesPerSecond: 100e6 });
    const carrier = aCard({ id: 'm', lanes: 4, delivers: drives(2, 'm2') });
    const request: PlanRequest = {
      machine,
      needs: [wanted],
      budgetCents: null,
      cards: [carrier],
      extras: EXTRAS,
      library: null,
    };
    const plan = proposePlan(request);
    expect(plan.extras.map(({ kind, fits }) => `${kind} ${fits}`)).to.include.members([
      'thermalPad double',
      'thermalPad single',
    ]);
    const begun = aJob({ name: 'takeTemplate', machine }, { name: 'addNeed', need: wanted });
    const job = apply(begun, { name: 'acceptPlan', ...acceptanceOf(plan, begun, null) }, STAMP);
    expect(assemblyOf(job).extras.map(({ fits }) => fits)).to.include('double');
    expect(steps(job).map(({ code }) => code)).to.include('testDrives');
    expect(handOverSheet(job).drives.map(({ serial }) => serial)).to.deep.equal(['A1', '']);
    const plain = forExport(job, {
      customer: true,
      serials: false,
      photographs: true,
      words: true,
    });
    expect(JSON.stringify(plain)).to.not.include('A1');
  });
});

describe('Drives of several needs', () => {
  it('have each an id of its own, or the job is refused where it has not', () => {
    const { job } = twoArraysJob();
    expect(problemsOf(job)).to.deep.equal([]);
    const again = {
      ...job,
      needs: job.needs.map((need) =>
        need.kind === 'drives'
          ? { ...need, these: need.these.map((drive, n) => ({ ...drive, id: `drive-${n + 1}` })) }
          : need,
      ),
    };
    expect(problemsOf(again).map(({ at }) => at)).to.deep.equal(['needs.1.these.0.id']);
  });

  it('are named each by itself, and stand on the sheet with their own serial numbers', () => {
    const { job, prepare } = twoArraysJob();
    const named = drivesWanted(job.needs).map((drive) =>
      namedDrive(prepare.slotId!, { drive, holds: 'nothing' }, AT),
    );
    const told = apply(job, { name: 'observe', observations: named }, STAMP);
    expect(problemsOf(told)).to.deep.equal([]);
    expect(drivesNamed(told.observations, prepare.slotId!)).to.have.length(3);
    expect(handOverSheet(told).drives.map(({ serial }) => serial)).to.deep.equal([...SERIALS]);
  });

  it('had one id in several needs until format 12: the later is given its own, and what was named follows', () => {
    const { job, problems } = readJobFile(
      readFileSync(new URL('../data/job-format-11.json', import.meta.url), 'utf8'),
    );
    expect(problems).to.deep.equal([]);
    expect(drivesWanted(job!.needs).map(({ id, serial }) => [id, serial])).to.deep.equal([
      ['drive-1', 'GULL-1'],
      ['drive-2', 'GULL-2'],
      ['drive-3', 'TERN-1'],
    ]);
    const named = drivesNamed(job!.observations, 's1').map(({ value }) => value.drive);
    expect(named.map(({ id, serial }) => [id, serial])).to.deep.equal([
      ['drive-1', 'GULL-1'],
      ['drive-3', 'TERN-1'],
    ]);
  });
});
