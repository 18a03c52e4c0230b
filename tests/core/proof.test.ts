import { expect } from 'chai';
import { network, drives, screens, wifi } from '../../demo/catalogue/row.ts';
import { acceptanceOf, expectations } from '../../src/core/assembly/index.ts';
import { apply } from '../../src/core/commands/index.ts';
import { openItems, judge } from '../../src/core/diagnosis/index.ts';
import { proposePlan } from '../../src/core/planner/index.ts';
import { emptyMachine, type Card, type Machine } from '../../src/core/document/index.ts';
import { flowOf } from '../../src/core/flow/index.ts';
import { plainNeed, type Need } from '../../src/core/kinds/index.ts';
import {
  STAMP,
  aCard,
  aJob,
  aMachine,
  aSlot,
  networkNeed,
  told,
  usbNeed,
  wiredTo,
} from '../builders/parts.ts';

const wire = (...megabits: number[]): Card => aCard({ lanes: 4, delivers: network(1, megabits) });
const path = (farEnd: number[] | null, cable: 'cat5e' | 'cat6' | 'cat6a', metres = 20): Machine =>
  aMachine([aSlot(1, { lanes: 4 })], {
    path: {
      ...emptyMachine().path,
      ...wiredTo(farEnd, cable, metres),
      internetMegabits: told(100),
    },
  });
const fitted = (machine: Machine, card: Card, need: Need) =>
  expectations(
    aJob(
      { name: 'takeTemplate', machine },
      { name: 'addNeed', need },
      { name: 'acceptPlan', placements: [{ slotId: 's1', card }], packages: [] },
    ),
  )[0]!;

describe('Flow of a network need', () => {
  const flow = (card: Card, machine: Machine, wanted = 250e6) =>
    flowOf(card, machine.slots[0]!, networkNeed(wanted), machine)!;

  it('comes up at the fastest speed that card, cable and far end all know', () => {
    // A 10 Gb/s card on a switch that knows only 1 and 10 over Cat 5e: 1 Gb/s remains (IEEE 802.3an, from memory).
    const card = wire(1000, 2500, 10000);
    expect(flow(card, path([1000, 10000], 'cat6a')).high / 1e6).to.be.closeTo(1186.6, 0.1);
    expect(flow(card, path([1000, 10000], 'cat5e'))).to.include({ limiting: 'cable', units: 0 });
    expect(flow(card, path([1000, 10000], 'cat5e')).high / 1e6).to.be.closeTo(118.7, 0.1);
    expect(flow(card, path([1000, 2500], 'cat5e')).high / 1e6).to.be.closeTo(296.7, 0.1);
    expect(flow(wire(1000, 2500), path([1000, 10000], 'cat6a')).limiting).to.equal('farEnd');
  });

  it('says that a run is longer than its class may be, and promises nothing of it', () => {
    // 100 m for every class and speed but 10 Gb/s on Cat 6 (IEEE 802.3ab to 802.3an, from memory).
    const long = flow(wire(1000), path([1000], 'cat5e', 101), 90e6);
    expect(long).to.include({ high: 0, units: 0 });
    expect(long.finding).to.include({
      code: 'deliver.cableTooLong',
      needed: 101,
      available: 100,
      unit: 'm',
    });
    expect(flow(wire(1000), path([1000], 'cat5e', 100), 90e6).units).to.equal(1);
    // A shorter reach of the fastest speed leaves the next one.
    expect(flow(wire(1000, 10000), path([1000, 10000], 'cat6', 56), 90e6).high / 1e6).to.be.closeTo(
      118.7,
      0.1,
    );
  });

  it('comes up at 5 Gb/s over Cat 5e, with the catch that the standard does not promise it', () => {
    // Common practice, no source; the standard’s 593.3 MB/s of payload (IEEE 802.3bz, from memory).
    const card = wire(1000, 2500, 5000);
    const usual = flow(card, path([1000, 2500, 5000], 'cat5e'), 400e6);
    expect(usual.high / 1e6).to.be.closeTo(593.3, 0.1);
    expect(usual.finding).to.include({
      code: 'deliver.cableUsually',
      verdict: 'limited',
      needed: 5e9,
      available: 2.5e9,
    });
    expect(usual.units).to.equal(1);
    expect(flow(card, path([1000, 2500, 5000], 'cat6'), 400e6).finding.code).to.equal(
      'deliver.meets',
    );
    // What is not reached by that speed needs no catch.
    expect(flow(card, path([1000, 2500], 'cat5e'), 200e6).finding.code).to.equal('deliver.meets');
  });

  it('expects of a healthy 2.5 Gb/s path what benches see', () => {
    // Common practice, no source: 250 to 285 MB/s.
    const { low, high } = flow(wire(2500), path([2500], 'cat5e'));
    expect(low / 1e6).to.be.within(245, 255);
    expect(high / 1e6).to.be.within(285, 300);
  });

  it('never guesses the far end', () => {
    const unknown = flow(wire(1000, 2500), path(null, 'cat6a'));
    expect(unknown.finding).to.include({ code: 'deliver.unknown', verdict: 'unknown' });
    // Too slow is too slow, whatever the far end.
    expect(flow(wire(1000), path(null, 'cat6a')).finding.code).to.equal('deliver.short');
  });
});

describe('Flow of other needs', () => {
  const machine = aMachine([
    aSlot(1, { lanes: 4, generation: 3 }),
    aSlot(2, { connector: 1, generation: 1 }),
  ]);
  const [wide, narrow] = machine.slots;

  it('limits USB by the link of an old slot', () => {
    // Common practice, no source: Gen 1 x1 gives 250 MB/s at most, a little over 200 measured.
    const card = aCard();
    expect(flowOf(card, wide!, usbNeed(4), machine)).to.include({ limiting: 'cardPort', units: 4 });
    const old = flowOf(card, narrow!, usbNeed(4), machine)!;
    expect(old.limiting).to.equal('slotLink');
    expect(old.high / 1e6).to.be.within(200, 250);
    expect(flowOf(card, narrow!, usbNeed(4, { bytesPerSecond: 300e6 }), machine)?.units).to.equal(
      0,
    );
  });

  it('shares the link among drives that run together', () => {
    const card = aCard({ lanes: 4, delivers: drives(10, 'sata') });
    const need = (ports: number) => plainNeed('drives', 'd', { ports, bytesPerSecond: 500e6 });
    expect(flowOf(card, wide!, need(6), machine)?.units).to.equal(10);
    expect(flowOf(card, wide!, need(8), machine)).to.include({ units: 0, limiting: 'slotLink' });
  });

  it('counts only outputs that carry the mode, up to what the card drives at once', () => {
    const wanted = (count: number) => plainNeed('screens', 's', { count });
    const card = (most: number) =>
      aCard({
        delivers: screens(
          most,
          [
            ['dp-hbr2', 2],
            ['hdmi-340', 2],
          ],
          2,
          1,
        ),
      });
    expect(flowOf(card(4), wide!, wanted(2), machine)?.units).to.equal(2);
    expect(flowOf(card(1), wide!, wanted(2), machine)?.units).to.equal(1);
  });

  it('never promises more Wi-Fi than the internet plan', () => {
    const card = aCard({ delivers: wifi(1201, false, ['2.4', '5']) });
    const need = (megabits: number, bluetooth = false) =>
      plainNeed('wifi', 'w', { megabits, bluetooth });
    expect(flowOf(card, wide!, need(400), machine)).to.include({ limiting: 'internet', units: 1 });
    expect(flowOf(card, wide!, need(501), machine)?.units).to.equal(0);
    expect(flowOf(card, wide!, need(100, true), machine)?.finding.code).to.equal(
      'deliver.noBluetooth',
    );
  });
});

describe('Judging a figure', () => {
  const tenGigabit = fitted(path([1000, 10000], 'cat6a'), wire(1000, 10000), networkNeed(700e6));
  const flow = tenGigabit.flow!;

  it('accepts what is as expected, whatever limits', () => {
    expect(judge(flow, 1_050e6)).to.deep.equal({ verdict: 'clear', outcome: 'asExpected' });
  });

  it('tells what falls short of what was wanted from what only a healthy one would show', () => {
    expect(judge(flow, 112e6)).to.include({ verdict: 'blocked', outcome: 'short' });
    expect(judge(flow, 800e6)).to.include({ verdict: 'limited', outcome: 'belowHealthy' });
  });

  it('calls a card in a Gen 1 x1 slot healthy at what practice shows of one', () => {
    // Common practice, no source: 200 to 210 MB/s.
    const old = aMachine([aSlot(1, { generation: 1, connector: 1, lanes: 1 })]);
    const need = { ...usbNeed(4), bytesPerSecond: 100e6 };
    const seen = fitted(old, aCard({ generation: 2, lanes: 1 }), need).flow!;
    for (const figure of [200e6, 205e6, 210e6])
      expect(judge(seen, figure)).to.include({ verdict: 'clear' });
    expect(judge(seen, 150e6).verdict).to.not.equal('clear');
  });

  it('doubts a figure above what the path can carry', () => {
    expect(judge(flow, 9_400e6)).to.include({ verdict: 'unknown', outcome: 'aboveExpected' });
  });
});

describe('What proves a need', () => {
  it('of graphics are frames at its class of work, and never bytes', () => {
    const card = aCard({
      lanes: 16,
      ids: { vendor: 0xf1a0, device: 2, class24: 0x030000 },
      delivers: screens(2, [['dp-hbr3', 2]], 8, 4),
    });
    const need = plainNeed('graphics', 'g', { memoryGigabytes: 8, speedClass: 3 });
    const expectation = fitted(aMachine([aSlot(1)]), card, need);
    expect(expectation.flow).to.include({ unit: 'frames', low: 30, high: 60 });
    expect(judge(expectation.flow!, 24).outcome).to.equal('short');
    expect(judge(expectation.flow!, 45).outcome).to.equal('asExpected');
    // More than most screens show is nothing to doubt; as many as the screen shows is capped, not reached.
    expect(judge(expectation.flow!, 59.9, 60).outcome).to.equal('capped');
    expect(judge(expectation.flow!, 25, 60).outcome).to.equal('short');
    expect(judge(expectation.flow!, 144).outcome).to.equal('asExpected');
  });

  it('is the machine itself where it met the need as it stood', () => {
    const machine = aMachine([aSlot(1)], { builtIn: told([network(1, [1000])]) });
    const wired: Machine = { ...machine, path: path([1000], 'cat6a').path };
    const need = networkNeed(90e6);
    const asked = aJob(
      { name: 'takeTemplate', machine: wired },
      { name: 'addNeed', need },
      { name: 'addNeed', need: usbNeed(4) },
    );
    const request = { ...asked, cards: [aCard()], library: [] };
    const job = apply(
      asked,
      { name: 'acceptPlan', ...acceptanceOf(proposePlan(request), asked, []) },
      STAMP,
    );
    expect(job.plan?.met).to.deep.equal([need.id]);
    const [byMachine, byCard] = expectations(job);
    expect(byMachine).to.include({ isMet: true, card: null });
    expect(byMachine!.flow!.high / 1e6).to.be.closeTo(118.7, 0.1);
    expect(byCard).to.include({ isMet: false });
    // It waits for no figure; the other one does.
    expect(openItems({ ...job, needs: job.needs.slice(0, 1) }).prove).to.equal(
      openItems(job).prove - 1,
    );
  });
});
