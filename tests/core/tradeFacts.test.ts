/**
 * Jobs of the trade once more, decided by what is known of drives, boxes, heights, paths and reports. Outcomes are common
 * practice, no source; machines and cards are those of the demo.
 */
import { expect } from 'chai';
import { acceptanceOf } from '../../src/core/assembly/index.ts';
import { apply } from '../../src/core/commands/index.ts';
import { deviceId, emptyDrive, emptyHop, known, type Drive } from '../../src/core/parts/index.ts';
import { flowOf } from '../../src/core/flow/index.ts';
import { handOverSheet } from '../../src/core/write/index.ts';
import { plainNeed, type Need, type NeedOf } from '../../src/core/kinds/index.ts';
import { proposePlan } from '../../src/core/planner/index.ts';
import { readEvidence } from '../../src/core/read/index.ts';
import { slotVerdict } from '../../src/core/rules/index.ts';
import { steps } from '../../src/core/procedure/index.ts';
import { takeEvidence } from '../../src/core/survey/index.ts';
import type { Card, Machine } from '../../src/core/document/index.ts';
import { CARDS } from '../../demo/catalogue/cards.ts';
import { EXTRAS } from '../../demo/catalogue/extras.ts';
import { drives } from '../../demo/catalogue/row.ts';
import { EXTERNAL_BOX, GAMING, SERVER_BOARD, SMALL_DESKTOP, TOWER } from '../../demo/machines.ts';
import { PACKAGES } from '../builders/library.ts';
import { reportText } from '../builders/hardwareReport.ts';
import {
  STAMP,
  aJob,
  aMachine,
  aPackage,
  aSlot,
  aStatement,
  listed,
  occupiedBy,
  told,
} from '../builders/parts.ts';
import { valuesOf } from '../builders/steps.ts';

const card = (model: string): Card => CARDS.find((each) => each.model === model)!;
const slotOf = (machine: Machine, id: string) => machine.slots.find((each) => each.id === id)!;
const plan = (machine: Machine, needs: readonly Need[], cards: readonly Card[] = CARDS) =>
  proposePlan({ machine, needs, budgetCents: null, cards, extras: EXTRAS, library: PACKAGES });
const several = (count: number, of: Partial<Drive> = {}): readonly Drive[] =>
  Array.from({ length: count }, (_, n) => emptyDrive(`d${n}`, 2_000, of));
const drivesNeed = (these: readonly Drive[], more: Partial<NeedOf<'drives'>> = {}) =>
  plainNeed('drives', 'drives', { bytesPerSecond: 400e6, these, ...more });

describe('Job 3: cards in a box on a fast serial link', () => {
  it('takes a card for safe there that the system calls so, where its driver’s maker says nothing', () => {
    const wire = card('Anchor 10E');
    const library = [
      {
        ...aPackage({ hotPlug: null }),
        says: listed(
          [deviceId(wire.ids)],
          ...(['linux', 'windows'] as const).map((family) => ({ family, from: '0', to: null })),
        ),
      },
    ];
    const inBox = EXTERNAL_BOX.slots.find(
      ({ enclosureId, bus }) => enclosureId !== null && bus === 'pcie',
    )!;
    const codes = (machine: Machine) =>
      slotVerdict(wire, slotOf(machine, inBox.id), machine, library).findings.map(
        ({ code }) => code,
      );
    expect(codes(EXTERNAL_BOX)).to.include('enclosure.hotPlugUnknown');
    for (const [hotPlug, code] of [
      [true, 'enclosure.hotPlug'],
      [false, 'enclosure.noHotPlug'],
    ] as const) {
      const report = reportText({
        model: '',
        version: '',
        cards: [
          {
            name: 'Anchor 10E',
            slotName: 'Own slot',
            vendor: wire.ids.vendor,
            device: wire.ids.device,
            link: null,
            driverInstalled: true,
            hotPlug,
          },
        ],
      });
      const evidence = readEvidence([{ name: 'report.txt', content: report }]);
      expect(codes(takeEvidence(EXTERNAL_BOX, evidence).machine)).to.include(code);
    }
  });
});

describe('Job 5: 10 Gb/s in a fully loaded workstation', () => {
  it('takes the low board beside the graphics fan, by its height', () => {
    const graphics = {
      ...occupiedBy('Graphics', 2)!.value!,
      fan: told({ fromMm: 60, toMm: 130, airMm: 15, aboveMm: 70 }),
    };
    const machine = aMachine([aSlot(1, {}, { occupant: told(graphics) }), aSlot(3)]);
    const beside = (heightMm: number) =>
      slotVerdict({ ...card('Anchor 10E'), heightMm }, machine.slots[1]!, machine, PACKAGES)
        .findings.map(({ code }) => code)
        .includes('body.airTaken');
    expect(beside(68.9)).to.equal(false);
    expect(beside(111.15)).to.equal(true);
  });
});

describe('Job 8: a card that carries two modules', () => {
  it('gets a pad for each by its sides, and says that a slow one limits', () => {
    const slow = { form: 'module', socket: 'm2', readBytesPerSecond: 480e6 } as const;
    const these = [emptyDrive('a', 1_000, { ...slow, sides: 'single' })];
    const flow = flowOf(card('Crate Pair'), slotOf(TOWER, 's5'), drivesNeed(these), TOWER)!;
    expect([flow.limiting, flow.high]).to.deep.equal(['drive', 480e6]);
    // Without the drive told the port would have been blamed.
    const untold = plainNeed('drives', 'd', { ports: 1, drive: 'm2', bytesPerSecond: 400e6 });
    expect(flowOf(card('Crate Pair'), slotOf(TOWER, 's5'), untold, TOWER)!.limiting).to.equal(
      'drivePort',
    );
    const proposal = plan(TOWER, [drivesNeed(these)], [card('Crate Pair')]);
    expect(proposal.extras.map(({ kind, fits }) => [kind, fits])).to.deep.include([
      'thermalPad',
      'single',
    ]);
  });
});

describe('Job 10: 5 Gb/s, every part of the path', () => {
  const need = plainNeed('network', 'network', { bytesPerSecond: 450e6 });
  const through = (switchKnows: readonly number[], more: Partial<Machine['path']> = {}) => {
    const hops = [
      { ...emptyHop('switch'), portMegabits: told(switchKnows) },
      { ...emptyHop('store', 'machine'), portMegabits: told([1000, 2500, 5000, 10000]) },
    ].map((hop) => ({
      ...hop,
      leads: hop.leads.map((lead) => ({ ...lead, cable: told('cat6' as const), metres: told(10) })),
    }));
    const machine = { ...GAMING, path: { ...GAMING.path, hops, ...more } };
    const five = CARDS.find(
      ({ bus, delivers }) =>
        bus === 'pcie' && delivers.kind === 'network' && Math.max(...delivers.megabits) === 5000,
    )!;
    return flowOf(five, slotOf(machine, 's7'), need, machine)!;
  };

  it('comes up at 5 only through a switch that negotiates it; one of 1 and 10 falls to 1', () => {
    expect(through([1000, 2500, 5000, 10000]).high).to.be.greaterThan(500e6);
    expect(through([1000, 10000])).to.include({ units: 0, limiting: 'hop' });
    expect(through([1000, 2500]).high).to.be.below(320e6);
  });

  it('is no faster than the drive it comes from', () => {
    const slow = through([1000, 2500, 5000, 10000], { ownDrive: told('disk') });
    expect([slow.limiting, slow.units]).to.deep.equal(['ownDrive', 0]);
  });
});

describe('Job 11: four modules on one card', () => {
  const at = (these: readonly Drive[], direction: 'read' | 'write') =>
    flowOf(
      card('Hold 4'),
      { ...slotOf(GAMING, 's2'), splits: told(true) },
      drivesNeed(these, { array: 'stripe', direction, bytesPerSecond: 1_000e6 }),
      GAMING,
    )!;
  const module = {
    form: 'module',
    socket: 'm2',
    readBytesPerSecond: 3_400e6,
    writeBytesPerSecond: 3_000e6,
    sustainedBytesPerSecond: 1_100e6,
  } as const;

  it('expects to read what four of them read, and to write long copies at what they sustain', () => {
    expect(at(several(4, module), 'read').high).to.equal(4 * 3_400e6);
    const write = at(several(4, module), 'write');
    expect([write.low, write.high]).to.deep.equal([4 * 1_100e6, 4 * 3_000e6]);
  });

  it('tells how much of their life is gone: 3,600 TB written on 2 TB are 1,800 fillings', () => {
    const worn = { ...module, ratedTerabytes: 1_200, writtenTerabytes: 3_600 };
    expect(worn.writtenTerabytes / (several(1)[0]!.gigabytes / 1_000)).to.equal(1_800);
    const flow = at(several(4, worn), 'read');
    const said = [flow.finding, ...flow.catches].filter(({ code }) => code === 'deliver.driveWorn');
    expect(said).to.have.lengthOf(4);
    expect(said[0]).to.include({ needed: 1_200, available: 3_600 });
  });
});

describe('Job 12: a second network port for a server, documents first', () => {
  it('leaves the card that is known for trouble beside the one that stays', () => {
    const there = aMachine([aSlot(1), aSlot(2, {}, { occupant: occupiedBy('Old Wire 1000') })]);
    const machine = { ...there, system: SERVER_BOARD.system };
    const [plain, named] = [card('Anchor 10E'), card('Anchor 10E')].map((each, n) => ({
      ...each,
      id: `n${n}`,
      model: `Anchor ${n}`,
      priceCents: each.priceCents - 100 * n,
      statements: n === 0 ? [] : [aStatement('problem', { card: 'Old Wire 1000' })],
    }));
    const need = plainNeed('network', 'n', { bytesPerSecond: 100e6 });
    const proposal = plan(machine, [need], [plain!, named!]);
    expect(proposal.placements.map(({ card: { id } }) => id)).to.deep.equal(['n0']);
  });
});

describe('Job 14: Wi-Fi as a cheap upgrade', () => {
  it('is as fast as the access point’s own standard and band, whatever the card can', () => {
    const at = (standard: 'n' | 'ac') => {
      const machine = {
        ...SMALL_DESKTOP,
        path: { ...SMALL_DESKTOP.path, internetMegabits: told(500) },
        accessPoint: {
          standard: told(standard),
          bands: told(['5'] as const),
          channelMhz: told(standard === 'n' ? 40 : 80),
          streams: told(2),
          distance: told('sameRoom' as const),
          wireMegabits: told(1000),
        },
      };
      const wifi = plainNeed('wifi', 'wifi', { megabits: 90 });
      return flowOf(card('Gull 867'), slotOf(machine, 's1'), wifi, machine as Machine)!.high;
    };
    expect(at('n')).to.be.below(at('ac'));
  });
});

describe('Job 21: ten drives, each by name', () => {
  const disk = { medium: 'hardDisk', form: '3.5', twelveVoltWatts: 24, fiveVoltWatts: 5 } as const;
  const machine: Machine = {
    ...SERVER_BOARD,
    builtIn: known([drives(4, 'sata')], 'technician'),
    system: { ...SERVER_BOARD.system, family: told('bsd'), version: told('14.1') },
    supply: {
      ...SERVER_BOARD.supply,
      twelveVoltWatts: told(540),
      baseWatts: told(180),
      plugs: told([{ type: 'sata', count: 10 }]),
    },
    case: {
      ...SERVER_BOARD.case,
      bays: told([
        { size: '5.25', count: 2 },
        { size: '3.5', count: 8 },
      ]),
    },
  };
  const need = drivesNeed(several(10, disk), { bytesPerSecond: 90e6, systemDriver: true });

  it('counts their watts at the start, their bays with frames, and their leads', () => {
    const proposal = plan(machine, [need]);
    expect(proposal.unmet).to.deep.equal([]);
    const extras = proposal.extras.map(({ kind, fits, count }) => `${count} ${kind} ${fits}`);
    expect(extras).to.include('2 bay 5.25-to-3.5');
    expect(extras.some((each) => each.endsWith('driveCable sata'))).to.equal(true);
    // All starting at once they draw 240 W: a supply that does the rest does not do that.
    const weak = { ...machine, supply: { ...machine.supply, twelveVoltWatts: told(420) } };
    expect(plan(weak, [need]).unmet).to.have.lengthOf(1);
    expect(
      plan(machine, [{ ...need, these: [...several(10, { ...disk, form: '2.5' })] }]).extras.map(
        ({ fits }) => fits,
      ),
    ).to.include('3.5-to-2.5');
  });

  it('has each of them on the sheet, and the frames in the step that mounts them', () => {
    const begun = aJob({ name: 'takeTemplate', machine }, { name: 'addNeed', need });
    const proposal = plan(machine, [need]);
    const job = apply(
      begun,
      { name: 'acceptPlan', ...acceptanceOf(proposal, begun, PACKAGES) },
      STAMP,
    );
    expect(handOverSheet(job).drives).to.have.lengthOf(10);
    expect(valuesOf(steps(job), 'mountDrives')[0]!.frames).to.deep.equal(['5.25-to-3.5']);
  });
});
