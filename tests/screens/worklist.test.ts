/** The worklist of the survey: what is asked together, how it is answered, and that it stays still under the hand. */
import { readFileSync } from 'node:fs';
import { expect } from 'chai';
import { decisiveFacts } from '$core/rules';
import { emptyMachine, type Machine } from '$core/document';
import { known, valueOf } from '$core/parts';
import { plainNeed } from '$core/kinds';
import { proposePlan } from '$core/planner';
import { readEvidence } from '$core/read';
import { takeEvidence, toldFact } from '$core/survey';
import { answersOf, entryOf, systemSaid } from '$lib/stages/survey/factFields';
import { answered, askedBy, inStableOrder, workRows } from '$lib/stages/survey/worklist';
import { CARDS } from '../../demo/catalogue/cards.ts';
import { EXTRAS } from '../../demo/catalogue/extras.ts';
import { PACKAGES } from '../builders/library.ts';
import { aMachine, aSlot, occupiedBy, told } from '../builders/parts';

const museum = readFileSync(
  new URL('../../demo/evidence/lighthouse-museum.lspci.txt', import.meta.url),
  'utf8',
);
const reported = (): Machine =>
  takeEvidence(emptyMachine(), readEvidence([{ name: 'report', content: museum }]), CARDS).machine;
const NEEDS = [plainNeed('network', 'n'), plainNeed('usb', 'u')];
const rowsOf = (machine: Machine) =>
  workRows(decisiveFacts(machine, NEEDS, CARDS, PACKAGES), machine);

describe('Worklist', () => {
  it('asks once for what is asked of several slots alike, in the order of the machine', () => {
    const machine = reported();
    const opening = rowsOf(machine).find(({ code }) => code === 'slot.opening')!;
    expect(opening.facts.map(({ slotId }) => slotId)).to.deep.equal(
      machine.slots.map(({ id }) => id),
    );
    const after = answered(machine, opening, '1, 2, 4, 5, 7')!;
    expect(after.slots.map((slot) => valueOf(slot.opening))).to.deep.equal([1, 2, 4, 5, 7]);
    // One answer is for all of them; four for five are none.
    expect(
      answered(machine, opening, '3')!.slots.every((slot) => valueOf(slot.opening) === 3),
    ).to.equal(true);
    expect(answered(machine, opening, '1, 2, 4, 5')).to.equal(null);
    expect(answered(machine, opening, '1, 2, 4, 5, many')).to.equal(null);
  });

  it('takes the system in one line, and asks for what the line leaves out', () => {
    expect(systemSaid('Windows 11, 64 bit')).to.deep.equal({
      'system.family': 'windows',
      'system.version': '11',
      'system.architecture': 'x86-64',
    });
    expect(systemSaid('Linux 6.1 aarch64')).to.include({
      'system.version': '6.1',
      'system.architecture': 'arm64',
    });
    expect(systemSaid('no idea')).to.deep.equal({});
    const machine = reported();
    const system = rowsOf(machine).find(({ key }) => key === 'system')!;
    const after = answered(machine, system, 'Windows 11')!;
    const left = rowsOf(after).find(({ key }) => key === 'system')!;
    expect(askedBy(left).name).to.equal('Architecture');
    expect(answered(machine, system, 'whatever')).to.equal(null);
  });

  it('names every fact that a verdict waits for, as long as any of them is open', () => {
    const machine = reported();
    const decides = (of: Machine, code: string) =>
      decisiveFacts(of, NEEDS, CARDS, PACKAGES).find((fact) => fact.code === code)?.decides ?? 0;
    expect(decides(machine, 'system.family')).to.be.greaterThan(100);
    // A limit without the load of today settles nothing: the load is asked next.
    expect(decides(machine, 'supply.baseWatts')).to.be.greaterThan(100);
    const limit = { ...machine, supply: { ...machine.supply, twelveVoltWatts: told(600) } };
    expect(decides(limit, 'supply.baseWatts')).to.be.greaterThan(100);
    expect(decides(limit, 'supply.twelveVoltWatts')).to.equal(0);
    // What a network card gives waits for the path, in whatever slot it sits.
    expect(decides(machine, 'lead.cable')).to.be.greaterThan(10);
  });

  it('leads from a report and two needs to a plan without unknowns in nine answers', () => {
    const ANSWERS: Readonly<Record<string, string>> = {
      system: 'Windows 11, 64 bit',
      'case.bracket': 'full',
      'case.lengthRoomMm': '310',
      'supply.twelveVoltWatts': '600',
      'supply.baseWatts': '260',
      'supply.plugs': 'none',
      'slot.opening': '1, 2, 4, 5, 7',
      'hop.portMegabits': '1000, 10000',
      'lead.cable': 'Cat 6A',
    };
    let machine = reported();
    let answers = 0;
    const unknowns = () =>
      proposePlan({
        machine,
        needs: NEEDS,
        budgetCents: null,
        cards: CARDS,
        extras: EXTRAS,
        library: PACKAGES,
      }).placements.flatMap(({ findings }) =>
        findings.filter(({ verdict }) => verdict === 'unknown'),
      );
    while (unknowns().length > 0) {
      const [row] = rowsOf(machine);
      machine = answered(machine, row!, ANSWERS[row!.key] ?? '')!;
      expect(machine, row!.key).not.to.equal(null);
      answers += 1;
    }
    expect(answers).to.be.at.most(9);
  });

  it('is not sorted under the hand, and what is answered stays while it has the focus', () => {
    const row = (key: string, decides: number) => ({
      key,
      code: 'case.covers' as const,
      facts: [],
      decides,
    });
    const before = [row('a', 9), row('b', 5), row('c', 1)];
    const now = [row('c', 8), row('b', 5), row('d', 2)];
    expect(inStableOrder(now, before, 'a').map(({ key }) => key)).to.deep.equal([
      'a',
      'b',
      'c',
      'd',
    ]);
    expect(inStableOrder(now, before, null).map(({ key }) => key)).to.deep.equal(['b', 'c', 'd']);
  });

  it('understands choices by their words, and nothing as an answer', () => {
    const lanes = entryOf('slot.connectorLanes')!;
    expect(answersOf(lanes.field, 3, 'x16, 1, X4')).to.deep.equal([16, 1, 4]);
    expect(answersOf(entryOf('slot.generation')!.field, 1, 'gen 4')).to.deep.equal([4]);
    const holds = entryOf('slot.occupant')!;
    const [nothing, card] = answersOf(holds.field, 2, 'nothing, Old tuner')!;
    expect(holds.valueOf(nothing)).to.equal(null);
    expect(holds.valueOf(card)).to.include({ name: 'Old tuner' });
    expect(entryOf('slots')).to.equal(null);
  });

  it('takes a list as one answer for all, and tells several lists apart by semicolons', () => {
    const speeds = entryOf('hop.portMegabits')!.field;
    expect(answersOf(speeds, 2, '1000, 10000')).to.deep.equal([
      [1000, 10000],
      [1000, 10000],
    ]);
    expect(answersOf(speeds, 2, '1000; 1000, 10000')).to.deep.equal([[1000], [1000, 10000]]);
    expect(answersOf(speeds, 3, '1000; 10000')).to.equal(null);
    const lengths = entryOf('slot.moduleLengthsMm')!.field;
    expect(answersOf(lengths, 2, '42, 80')).to.deep.equal([
      [42, 80],
      [42, 80],
    ]);
    const signals = entryOf('slot.wired')!.field;
    expect(answersOf(signals, 2, 'none; PCI Express, USB')).to.deep.equal([[], ['pcie', 'usb']]);
  });
});

describe('A fact told by hand', () => {
  it('lies where it belongs, and what others said is kept behind it', () => {
    const machine = aMachine([
      aSlot(1, {}, { lanes: known(8, 'firmware'), occupant: occupiedBy('Tuner') }),
    ]);
    const lanes = toldFact(machine, { code: 'slot.lanes', slotId: 's1' }, 4).slots[0]!.lanes;
    expect(lanes).to.deep.equal({
      value: 4,
      source: 'technician',
      others: [{ value: 8, source: 'firmware' }],
    });
    const fan = toldFact(machine, { code: 'slot.fan', slotId: 's1' }, null).slots[0]!;
    expect(fan.occupant?.value?.fan).to.deep.equal({ value: null, source: 'technician' });
    expect(valueOf(toldFact(machine, { code: 'case.bracket' }, 'low').case.bracket)).to.equal(
      'low',
    );
    expect(valueOf(toldFact(machine, { code: 'board.headers' }, []).headers)).to.deep.equal([]);
    // A place that is gone changes nothing.
    expect(toldFact(machine, { code: 'slot.lanes', slotId: 'gone' }, 4)).to.deep.equal(machine);
  });
});
