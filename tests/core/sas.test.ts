/**
 * SAS host adapters and their drives, from what comes through to a machine that runs. Line rates are reckoned here from gigabits and
 * code: 8 bits in 10 up to 12 Gb/s, 128 in 150 at 22.5. Source: INCITS 519 and 534 (from memory).
 */
import { expect } from 'chai';
import { acceptanceOf, expectations } from '../../src/core/assembly/index.ts';
import { apply } from '../../src/core/commands/index.ts';
import { componentsOf } from '../../src/core/diagnosis/index.ts';
import { flowOf } from '../../src/core/flow/index.ts';
import { learnCard } from '../../src/core/catalogue/index.ts';
import { plainNeed, type NeedOf } from '../../src/core/kinds/index.ts';
import { proposePlan } from '../../src/core/planner/index.ts';
import { steps } from '../../src/core/procedure/index.ts';
import { SAS, SAS_GIGABITS } from '../../src/core/kinds/sas/standard.ts';
import { faultsPossible } from '../../src/core/simulator/running/faults.ts';
import { EXTRAS } from '../../demo/catalogue/extras.ts';
import { baysOf, aCard, aJob, aMachine, aSlot, told, STAMP } from '../builders/parts.ts';

const adapter = aCard({
  id: 'sas',
  lanes: 8,
  generation: 3,
  boot: 'both',
  delivers: { kind: 'sas', connectors: 2, gigabits: 12 },
});
const slot = aSlot(1, { connector: 16, lanes: 8, generation: 3 });
const machine = {
  ...aMachine([slot]),
  builtIn: told([]),
};
const need = (more: Partial<NeedOf<'sas'>> = {}) => plainNeed('sas', 'n', more);

describe('A SAS host adapter', () => {
  it('carries on each lane less than its line, and no less than three quarters of it', () => {
    for (const gigabits of SAS_GIGABITS) {
      const line = (gigabits * 1e9 * (gigabits > 12 ? 128 / 150 : 8 / 10)) / 8;
      const [low, high] = SAS[gigabits].practiceBytesPerSecond;
      expect(high, String(gigabits)).to.be.below(line);
      expect(low, String(gigabits)).to.be.above(0.75 * line);
    }
  });

  it('gives each drive what disk, lane and slot leave it', () => {
    const disks = flowOf(adapter, slot, need({ count: 8 }), machine)!;
    expect(disks).to.include({ units: 8, limiting: 'drive', high: 290e6, hangs: 'cables' });
    // Eight fast ones share eight lanes of generation 3: 7.88 GB/s by the line, packets taken off.
    const fast = need({ count: 8, medium: 'solidState', bytesPerSecond: 900e6 });
    const shared = flowOf(adapter, slot, fast, machine)!;
    expect(shared.limiting).to.equal('slotLink');
    expect(shared.high * 8).to.be.within(6e9, 7.88e9);
    expect(flowOf(adapter, slot, { ...fast, together: false }, machine)!.high).to.equal(1_120e6);
  });

  it('wants a cable for every four drives, and bays and plugs like any drives', () => {
    const room = { ...machine, case: { ...machine.case, bays: baysOf(3) } };
    const { forDrives, finding, catches } = flowOf(adapter, slot, need({ count: 5 }), room)!;
    expect(forDrives).to.deep.include({ bays: 2, cables: [{ fits: 'sas-4', count: 2 }] });
    expect([finding, ...catches].map(({ code }) => code)).to.include('deliver.fewBays');
  });

  it('is known by its class in a report', () => {
    const fn = { vendor: 0xf000, device: 1, classCode: 0x0107, programmingInterface: 0 };
    const learned = learnCard({ ...fn, express: null, resizableBar: null } as never);
    expect(learned.delivers.kind).to.equal('sas');
  });

  const job = (() => {
    const before = { ...aJob({ name: 'addNeed', need: need({ count: 4 }) }), machine };
    const plan = proposePlan({ ...before, cards: [adapter], extras: EXTRAS, library: [] });
    return apply(before, { name: 'acceptPlan', ...acceptanceOf(plan, before, []) }, STAMP);
  })();

  it('is planned, its drives are mounted, joined and fed, and what they show is expected', () => {
    expect(job.plan!.unmet).to.deep.equal([]);
    expect(job.plan!.extras.map(({ kind, fits }) => `${kind} ${fits}`)).to.include(
      'driveCable sas-4',
    );
    const codes = steps(job).map(({ code }) => code);
    expect(codes).to.include.members([
      'seat',
      'mountDrives',
      'joinDrives',
      'joinDriveEnds',
      'feedDrives',
      'prepareDrives',
    ]);
    const [expected] = expectations(job);
    expect(expected!.flow!.high).to.equal(290e6);
  });

  it('can fail in what its diagnosis knows, and in nothing else', () => {
    const [expected] = expectations(job);
    const able = new Set(
      faultsPossible(expected!.card!, expected!.need, machine).map(({ cause }) => cause),
    );
    const known = new Set(
      componentsOf(expected!, job).flatMap(({ fallBacks }) => fallBacks.map(({ cause }) => cause)),
    );
    expect([...able].sort()).to.deep.equal([...known].sort());
    expect(able).to.include('dataLeadPoor');
  });
});
