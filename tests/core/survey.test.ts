import { readFileSync } from 'node:fs';
import { expect } from 'chai';
import {
  contradictions,
  disagreeing,
  takeEvidence,
  override,
  addClaim,
} from '../../src/core/survey/index.ts';
import { emptyMachine, type Machine } from '../../src/core/document/index.ts';
import {
  functionName,
  portTree,
  portsWithSlots,
  readEvidence,
  readLspci,
} from '../../src/core/read/index.ts';
import {
  known,
  valueOf,
  type Fact,
  type PciFunction,
  type Source,
} from '../../src/core/parts/index.ts';
import { buildSpace, hexText, type SpaceSpec } from '../builders/configSpace.ts';
import { aMachine, aSlot } from '../builders/parts.ts';

const evidence = (name: string) =>
  readFileSync(
    new URL(`../../demo/evidence/lighthouse-museum.${name}.txt`, import.meta.url),
    'utf8',
  );

const BASE: SpaceSpec = {
  vendor: 0xf1a8,
  device: 1,
  class24: 0x060400,
  revision: 0,
  headerType: 0,
  subsystem: [0, 0],
  buses: [0, 0, 0],
  hasList: true,
  chain: [],
  lastPointer: 0,
  bytes: 256,
};
const express = (
  kind: number,
  able: readonly [number, number],
  now: readonly [number, number],
  slotNumber = 0,
  watts = 0,
) => ({ id: 0x10, kind, slot: slotNumber > 0, able, now, power: [watts, 0], slotNumber }) as const;
const rootPort = (secondary: number, more: ReturnType<typeof express>): SpaceSpec => ({
  ...BASE,
  headerType: 1,
  buses: [0, secondary, secondary],
  chain: [more],
});

describe('Reading lspci', () => {
  it('reads the same machine from its text and from its registers', () => {
    const [text, registers] = [readLspci(evidence('lspci')), readLspci(evidence('lspci-xxxx'))];
    const plain = (fn: PciFunction) => ({ ...fn, name: null });
    expect(text.functions.map(plain)).to.deep.equal(registers.functions.map(plain));
    expect([...text.problems, ...registers.problems]).to.deep.equal([]);
    expect(text.fromRegisters.size).to.equal(0);
    expect(registers.fromRegisters.size).to.equal(11);
  });

  it('takes a name and a driver from text and the rest from registers when both are there', () => {
    const mixed = `${hexText('00:1f.3', buildSpace({ ...BASE, class24: 0x040300 }), 'Audio device [0403]: Sounder [ffff:0000]')}\tKernel driver in use: sounder\n`;
    const [fn] = readLspci(mixed).functions;
    expect(fn).to.include({ vendor: 0xf1a8, name: 'Audio device: Sounder', driver: 'sounder' });
  });

  it('locates what it cannot read and keeps the rest', () => {
    const { functions, problems } = readLspci(
      [
        '00:00.0 Host bridge [0600]: Something [f1a8:0100]',
        '00:01.0 PCI bridge: No identities here',
        '00:02.0 Device',
        '00: 01 02 zz',
        '00:03.0 Device',
        '00: ff ff ff ff',
        '00:00.0 Host bridge [0600]: Again [f1a8:0100]',
      ].join('\n'),
    );
    expect(functions.map(({ address }) => address)).to.deep.equal(['0000:00:00.0']);
    expect(problems.map(({ code, line, at }) => [code, line, at])).to.deep.equal([
      ['header.idsMissing', 2, '0000:00:01.0'],
      ['hex.malformed', 4, '0000:00:02.0'],
      ['config.short', undefined, '0000:00:03.0'],
      ['address.repeated', 7, '0000:00:00.0'],
    ]);
  });

  it('says when the report was taken without the rights to read capabilities', () => {
    const { problems } = readLspci(
      '00:1c.0 PCI bridge [0604]: P [f1a8:0120]\n\tCapabilities: <access denied>\n',
    );
    expect(problems.map(({ code }) => code)).to.deep.equal(['capability.denied']);
  });

  it('says so when there is no device in the text', () => {
    expect(readLspci('good morning').problems[0]?.code).to.equal('input.nothingFound');
    expect(readLspci('').functions).to.deep.equal([]);
  });
});

describe('Ports with slots', () => {
  const { functions } = readLspci(evidence('lspci'));

  it('finds number, widest link, power limit and occupant of each', () => {
    const slots = portsWithSlots(functions).map((port) => [
      port.slotNumber,
      port.able?.generation,
      port.able?.width,
      port.powerWatts,
      port.occupant === null ? null : functionName(port.occupant),
    ]);
    expect(slots.toSorted((a, b) => Number(a[0]) - Number(b[0]))).to.deep.equal([
      [1, 3, 1, 25, null],
      [2, 4, 16, 75, 'VGA compatible controller [f1a0:7020]'],
      [4, 3, 1, 25, null],
      [5, 3, 4, 25, null],
      [7, 3, 4, 25, null],
    ]);
  });

  it('notices a link that trained to less than both ends could do', () => {
    const graphics = portsWithSlots(functions).find(({ slotNumber }) => slotNumber === 2);
    expect(graphics).to.deep.include({
      trained: { generation: 4, width: 8 },
      bothAble: { generation: 4, width: 16 },
      belowAble: true,
    });
  });

  it('does not blame a link for what only one end could do', () => {
    const text = [
      hexText('00:01.0', buildSpace(rootPort(1, express(4, [3, 16], [2, 4], 2, 75)))),
      hexText(
        '01:00.0',
        buildSpace({ ...BASE, class24: 0x020000, chain: [express(0, [2, 4], [2, 4])] }),
      ),
    ].join('\n');
    expect(portsWithSlots(readLspci(text).functions)[0]?.belowAble).to.equal(false);
  });

  it('looks through a bridge on the card to the device behind it', () => {
    const text = [
      hexText('00:01.0', buildSpace(rootPort(1, express(4, [3, 16], [3, 16], 2, 75)))),
      hexText('01:00.0', buildSpace({ ...rootPort(2, express(5, [3, 16], [3, 16])) })),
      hexText('02:00.0', buildSpace({ ...rootPort(3, express(6, [3, 16], [3, 16])) })),
      hexText(
        '03:00.0',
        buildSpace({ ...BASE, class24: 0x030000, chain: [express(0, [3, 16], [3, 16])] }),
      ),
    ].join('\n');
    const read = readLspci(text).functions;
    expect(portsWithSlots(read)[0]?.occupant?.address).to.equal('0000:03:00.0');
    expect(portTree(read)).to.have.length(1);
    expect(portTree(read)[0]?.children[0]?.children[0]?.children[0]?.function.address).to.equal(
      '0000:03:00.0',
    );
  });

  it('leaves what sits in a slot behind a switch on the board to that slot alone', () => {
    const text = [
      hexText('00:01.0', buildSpace(rootPort(1, express(4, [3, 16], [3, 16], 2, 75)))),
      hexText('01:00.0', buildSpace(rootPort(2, express(5, [3, 16], [3, 16])))),
      hexText('02:00.0', buildSpace(rootPort(3, express(6, [3, 8], [3, 8], 5, 25)))),
      hexText('02:01.0', buildSpace(rootPort(4, express(6, [3, 8], [0, 0], 6, 25)))),
      hexText(
        '03:00.0',
        buildSpace({ ...BASE, class24: 0x030000, chain: [express(0, [3, 16], [3, 8])] }),
      ),
    ].join('\n');
    const slots = portsWithSlots(readLspci(text).functions);
    expect(slots.map(({ slotNumber, occupant }) => [slotNumber, occupant?.address])).to.deep.equal([
      [2, '0000:01:00.0'],
      [5, '0000:03:00.0'],
      [6, undefined],
    ]);
  });

  it('cuts a loop of bridges instead of following it for ever', () => {
    const text = [
      hexText('01:00.0', buildSpace(rootPort(2, express(4, [3, 4], [3, 4], 1, 25)))),
      hexText('02:00.0', buildSpace(rootPort(1, express(4, [3, 4], [3, 4], 2, 25)))),
    ].join('\n');
    const read = readLspci(text).functions;
    const addresses = (nodes: ReturnType<typeof portTree>): string[] =>
      nodes.flatMap((node) => [node.function.address, ...addresses(node.children)]);
    expect(addresses(portTree(read)).toSorted()).to.deep.equal(['0000:01:00.0', '0000:02:00.0']);
    expect(portsWithSlots(read)).to.have.length(2);
  });
});

describe('Merging a report into a survey', () => {
  const merged = (machine: Machine, text: string) =>
    takeEvidence(machine, readEvidence([{ name: 'report.txt', content: text }])).machine;
  const report = evidence('lspci');

  it('adds the slots, and leaves unknown what no register can tell', () => {
    const machine = merged(emptyMachine(), report);
    expect(machine.slots).to.have.length(5);
    const slot = machine.slots.find(({ number }) => valueOf(number) === 5);
    expect([valueOf(slot!.lanes), valueOf(slot!.generation), slot!.lanes?.source]).to.deep.equal([
      4,
      3,
      'text',
    ]);
    expect([slot!.connectorLanes, slot!.opening, slot!.openEnd]).to.deep.equal([null, null, null]);
  });

  it('lets the port win over a template, keeps what only the template knows, and says that they differ', () => {
    const template = <Value>(value: Value) => known(value, 'template');
    const slot = {
      ...aSlot(7, { connector: 8 }, { number: template(7) }),
      lanes: template(8),
    };
    const machine = merged(aMachine([slot]), report);
    const after = machine.slots[0]!;
    expect(after.lanes).to.deep.equal({
      value: 4,
      source: 'text',
      others: [{ value: 8, source: 'template' }],
    });
    expect(valueOf(after.connectorLanes)).to.equal(8);
    expect(valueOf(after.opening)).to.equal(7);
    expect(contradictions(machine).map(({ path }) => path.join('.'))).to.include('slots.0.lanes');
  });

  it('changes nothing when the same report comes in again', () => {
    const once = merged(emptyMachine(), report);
    expect(merged(once, report)).to.deep.equal(once);
  });

  it('does not take a power limit of zero for a fact', () => {
    const text = hexText('00:01.0', buildSpace(rootPort(1, express(4, [3, 4], [1, 0], 3, 0))));
    expect(merged(emptyMachine(), text).slots[0]?.powerWatts).to.equal(null);
  });

  it('knows which slots share the way up through a switch, and how narrow that is', () => {
    const text = [
      hexText('00:01.0', buildSpace(rootPort(1, express(4, [3, 4], [3, 4])))),
      hexText('01:00.0', buildSpace(rootPort(2, express(5, [4, 8], [3, 4])))),
      hexText('02:00.0', buildSpace(rootPort(3, express(6, [4, 8], [1, 0], 11, 25)))),
      hexText('02:01.0', buildSpace(rootPort(4, express(6, [4, 8], [1, 0], 12, 25)))),
    ].join('\n');
    const uplinks = merged(emptyMachine(), text).slots.map(({ uplink }) => valueOf(uplink));
    expect(uplinks.map((each) => [each?.id, each?.generation, each?.lanes])).to.deep.equal([
      ['0000:01:00.0', 3, 4],
      ['0000:01:00.0', 3, 4],
    ]);
  });
});

describe('Several sources of one fact', () => {
  const heard = (...said: readonly (readonly [number, Source])[]) =>
    said.reduce<Fact<number>>(
      (soFar, [value, source]) => addClaim(soFar, value, source, 'wiring'),
      null,
    );

  it('believes the best, whatever the order they are heard in', () => {
    const forwards = heard([16, 'template'], [16, 'firmware'], [4, 'registers']);
    const backwards = heard([4, 'registers'], [16, 'firmware'], [16, 'template']);
    expect([valueOf(forwards), valueOf(backwards)]).to.deep.equal([4, 4]);
    const others = (fact: Fact<number>) => fact?.others?.map(({ source }) => source).toSorted();
    expect(others(forwards)).to.deep.equal(['firmware', 'template']);
    expect(others(backwards)).to.deep.equal(['firmware', 'template']);
  });

  it('calls no one who agrees a contradiction', () => {
    expect(disagreeing(heard([4, 'registers'], [4, 'firmware'], [16, 'template']))).to.deep.equal([
      { value: 16, source: 'template' },
    ]);
  });

  it('lets the technician overrule a source that was heard, also when it is heard again', () => {
    const told = override(heard([4, 'registers']), 2);
    expect(valueOf(told)).to.equal(2);
    expect(valueOf(addClaim(told, 4, 'registers', 'wiring'))).to.equal(2);
    // Typed from a label before anything was read: the port knows better.
    expect(valueOf(addClaim(override<number>(null, 16), 4, 'registers', 'wiring'))).to.equal(4);
  });

  it('gives the word back to the next best when a correction is taken back', () => {
    const told = override(heard([16, 'firmware'], [4, 'registers']), 2);
    const back = override(told, null);
    expect([valueOf(back), back?.source, back?.others?.length]).to.deep.equal([4, 'registers', 1]);
    expect(override(override<number>(null, 1), null)).to.equal(null);
  });
});
