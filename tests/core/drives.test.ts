/** Drives by the room they leave, and used ones. Capacities: common practice, no source; checked by counting here. */
import { expect } from 'chai';
import { arrayBytesPerSecond } from '../../src/core/standards/index.ts';
import { flowOf } from '../../src/core/flow/index.ts';
import { plainNeed, unitsNeeded, type NeedOf } from '../../src/core/kinds/index.ts';
import { proposePlan } from '../../src/core/planner/index.ts';
import { steps } from '../../src/core/procedure/index.ts';
import { drivesFor, usableOf } from '../../src/core/standards/storage.ts';
import { EXTRAS } from '../../demo/catalogue/extras.ts';
import { drives } from '../../demo/catalogue/row.ts';
import { baysOf, aCard, aJob, aMachine, aSlot, told } from '../builders/parts.ts';

const need = (more: Partial<NeedOf<'drives'>>) =>
  plainNeed('drives', 'd', { drive: 'sata', bytesPerSecond: 100e6, ...more });
const room = (array: NeedOf<'drives'>['array'], usableGigabytes: number, driveGigabytes = 4_000) =>
  need({ array, usableGigabytes, driveGigabytes });

/** What is left when the data of so many drives is counted drive by drive: each holds data, a copy, or parity. */
function counted(how: NeedOf<'drives'>['array'], count: number, each: number): number {
  const holds = Array.from({ length: count }, (_, n) =>
    how === 'mirror' ? n === 0 : how === 'parity' ? n < count - 1 : true,
  );
  return holds.filter(Boolean).length * each;
}

describe('Drives by the room for data', () => {
  it('are as many as it takes, and not one fewer', () => {
    expect(unitsNeeded(room('single', 12_000))).to.equal(3);
    expect(unitsNeeded(room('single', 12_001))).to.equal(4);
    expect(unitsNeeded(room('stripe', 1_000))).to.equal(2);
    expect(unitsNeeded(room('mirror', 4_000))).to.equal(2);
    expect(unitsNeeded(room('parity', 12_000))).to.equal(4);
    expect(unitsNeeded(room('parity', 100))).to.equal(3);
    // Without room asked for, the number counts, but never fewer than such an array has.
    expect(unitsNeeded(need({ ports: 5 }))).to.equal(5);
    expect(unitsNeeded(need({ ports: 2, array: 'parity' }))).to.equal(3);
  });

  it('leave what is counted drive by drive, for every number and way', () => {
    for (const how of ['single', 'mirror', 'stripe', 'parity'] as const)
      for (let count = 1; count <= 12; count += 1)
        expect(usableOf({ count, how }, 500), `${count} ${how}`).to.equal(counted(how, count, 500));
    for (const how of ['single', 'stripe', 'parity'] as const)
      for (let wanted = 1; wanted < 40; wanted += 1) {
        const count = drivesFor(how, wanted, 3);
        const least = { single: 1, stripe: 2, parity: 3 }[how];
        expect(counted(how, count, 3), `${count} ${how} for ${wanted}`).to.be.at.least(wanted);
        if (count > least) expect(counted(how, count - 1, 3)).to.be.below(wanted);
      }
  });

  const machine = { ...aMachine([aSlot(1)]), builtIn: told([]) };
  const card = (ports: number) =>
    aCard({ id: `c${ports}`, delivers: drives(ports, 'sata'), priceCents: ports * 1_000 });

  it('that cannot hold it, however many, are refused with both figures', () => {
    const flow = flowOf(card(4), aSlot(1), room('mirror', 5_000), machine)!;
    expect(flow.units).to.equal(0);
    expect(flow.finding).to.include({
      code: 'deliver.drivesTooSmall',
      needed: 5_000,
      available: 4_000,
    });
  });

  it('decide the card, and count plugs, bays and leads', () => {
    const plan = (wanted: ReturnType<typeof room>) =>
      proposePlan({
        machine: {
          ...machine,
          case: { ...machine.case, bays: baysOf(3) },
          supply: { ...machine.supply, plugs: told([{ type: 'sata', count: 4 }]) },
        },
        cards: [card(2), card(4)],
        needs: [wanted],
        budgetCents: null,
        library: null,
        extras: EXTRAS,
      });
    const two = plan(room('stripe', 8_000));
    expect(two.placements.map((each) => each.card.id)).to.deep.equal(['c2']);
    const four = plan(room('parity', 12_000));
    expect(four.placements.map((each) => each.card.id)).to.deep.equal(['c4']);
    expect(four.extras.map(({ kind, count }) => [kind, count])).to.have.deep.members([
      ['bay', 1],
      ['driveCable', 4],
    ]);
    expect(plan(room('parity', 16_000)).unmet).to.have.length(1);
  });

  it('with parity read up to all but one, and write no faster', () => {
    const of = (what: 'read' | 'write') =>
      arrayBytesPerSecond('sata', { count: 4, how: 'parity' }, what);
    const [, one] = arrayBytesPerSecond('sata', { count: 1, how: 'single' }, 'read');
    expect(of('read')[1]).to.equal(3 * one);
    expect(of('write')[1]).to.equal(3 * one);
    expect(of('write')[0]).to.be.below(of('read')[0]);
  });

  it('that were used before are tested before anything is built on them', () => {
    const codes = (usedDrives: boolean) =>
      steps(
        aJob(
          { name: 'takeTemplate', machine },
          { name: 'addNeed', need: need({ usedDrives, array: 'mirror' }) },
          { name: 'acceptPlan', placements: [{ slotId: 's1', card: card(4) }], packages: [] },
        ),
      ).map(({ code }) => code);
    expect(codes(false)).to.not.include('testDrives');
    const used = codes(true);
    expect(used.indexOf('testDrives')).to.equal(used.indexOf('prepareDrives') - 1);
  });
});
