/** The third system's hardware report in its three forms: alone, beside lspci of the same machine, and damaged. */
import { expect } from 'chai';
import * as fc from 'fast-check';
import { acceptanceOfTrial } from '../../src/core/assembly/index.ts';
import { apply } from '../../src/core/commands/index.ts';
import { observeReport, provenSteps, reportOnPlan } from '../../src/core/diagnosis/index.ts';
import { steps } from '../../src/core/procedure/index.ts';
import { type Job, emptyMachine } from '../../src/core/document/index.ts';
import {
  ProblemList,
  absentIn,
  readEvidence,
  readLspci,
  type EvidenceFile,
} from '../../src/core/read/index.ts';
import { takeEvidence } from '../../src/core/survey/index.ts';
import { valueOf } from '../../src/core/parts/index.ts';
import {
  readHardwareReport,
  type ReportedCard,
} from '../../src/core/read/system/hardwareReport.ts';
import { LSPCI } from '../builders/evidence.ts';
import {
  reportJson,
  reportPropertyList,
  reportText,
  type ReportSpec,
} from '../builders/hardwareReport.ts';
import { STAMP, aCard, aJob, aMachine, aSlot } from '../builders/parts.ts';
import { soaked } from '../builders/soak.ts';

const SEED = Number(process.env['SEED'] ?? 20261125);
const SPEC: ReportSpec = {
  model: 'Longreach T7',
  version: 'macOS 12.6.1 (21G217)',
  cards: [
    {
      name: 'Wire & <Ten>',
      slotName: 'Slot-2',
      vendor: 0xf1a1,
      device: 0x7102,
      link: { generation: 3, width: 4 },
      driverInstalled: true,
      hotPlug: true,
    },
    {
      name: 'Kelpwick Beacon',
      slotName: 'Slot-1',
      vendor: 0xf1a0,
      device: 0x7020,
      link: { generation: 2, width: 16 },
      driverInstalled: false,
      hotPlug: false,
    },
    {
      name: 'Part of the board',
      slotName: null,
      vendor: 0xf1a6,
      device: 0x0007,
      link: null,
      driverInstalled: null,
      hotPlug: null,
    },
  ],
};
const FORMS = { reportText, reportJson, reportPropertyList };
const survey = (...files: readonly EvidenceFile[]) =>
  takeEvidence(emptyMachine(), readEvidence(files)).machine;

describe('The hardware report of the third system', () => {
  it('says the same in each of its forms', () => {
    for (const [form, print] of Object.entries(FORMS)) {
      const problems = new ProblemList();
      const report = readHardwareReport(print(SPEC), problems);
      expect(problems.all, form).to.deep.equal([]);
      expect(report, form).to.deep.equal({
        cards: SPEC.cards,
        system: { name: 'macOS 12.6.1', version: '12.6.1', build: '21G217' },
        model: SPEC.model,
      });
    }
  });

  it('tells slots, what is in them, what has no driver, and the system', () => {
    for (const [form, print] of Object.entries(FORMS)) {
      const evidence = readEvidence([{ name: 'report', content: print(SPEC) }]);
      expect(evidence.files[0], form).to.include({ kind: 'hardwareReport', found: 3 });
      expect(absentIn(evidence), form).to.not.include.members(['devices', 'system']);
      const { slots, system, inTrouble, name } = takeEvidence(emptyMachine(), evidence).machine;
      expect(
        slots.map(({ label, occupant }) => {
          const card = valueOf(occupant);
          return [label, card?.name, card?.ids, card && valueOf(card.hotPlug)];
        }),
        form,
      ).to.deep.equal([
        ['Slot-2', 'Wire & <Ten>', { vendor: 0xf1a1, device: 0x7102 }, true],
        ['Slot-1', 'Kelpwick Beacon', { vendor: 0xf1a0, device: 0x7020 }, false],
      ]);
      expect([system.family, system.version, system.build].map(valueOf)).to.deep.equal([
        'macos-like',
        '12.6.1',
        '21G217',
      ]);
      expect(inTrouble).to.deep.equal([
        { id: 'PCI f1a0:7020', name: 'Kelpwick Beacon', status: 'noDriver' },
      ]);
      expect(name).to.equal('Longreach T7');
      // Read once more it changes nothing.
      const again = takeEvidence(takeEvidence(emptyMachine(), evidence).machine, evidence).machine;
      expect(again.slots, form).to.deep.equal(slots);
    }
  });

  it('joins lspci of the same machine by what the cards are, and gives its slots their names', () => {
    const lspci = { name: 'lspci.txt', content: LSPCI };
    const alone = survey(lspci);
    const fitted = alone.slots.flatMap(({ id, occupant }) => {
      const ids = valueOf(occupant)?.ids;
      return ids == null ? [] : [{ id, ids }];
    });
    expect(fitted.length).to.be.greaterThan(0);
    const report = reportText({
      ...SPEC,
      cards: fitted.map(({ ids }, n) => ({
        ...SPEC.cards[0]!,
        ...ids,
        slotName: `Slot-${n + 1}`,
      })),
    });
    const both = survey(lspci, { name: 'report.txt', content: report });
    expect(both.slots).to.have.lengthOf(alone.slots.length);
    for (const [n, { id, ids }] of fitted.entries()) {
      const slot = both.slots.find((each) => each.id === id)!;
      expect(slot.label).to.equal(`Slot-${n + 1}`);
      expect(valueOf(slot.occupant)!.ids).to.deep.equal(ids);
      expect(valueOf(valueOf(slot.occupant)!.hotPlug)).to.equal(true);
      // Lanes and port stay what lspci says they are.
      expect(slot.port).to.deep.equal(alone.slots.find((each) => each.id === id)!.port);
    }
    expect(both.functions).to.deep.equal(alone.functions);
    expect(readLspci(LSPCI).functions).to.have.lengthOf(both.functions.length);
  });

  it('ticks the steps of the cards that it shows, and names what differs from the plan', () => {
    const slots = [1, 2].map((n) => aSlot(n, { connector: 4, lanes: 4 }));
    const [card] = SPEC.cards;
    const wire = aCard({
      id: 'wire',
      ids: { vendor: card!.vendor, device: card!.device, class24: 0x020000 },
      generation: 3,
      lanes: 4,
    });
    const planned = apply(
      { ...aJob(), machine: aMachine(slots) },
      {
        name: 'acceptPlan',
        ...acceptanceOfTrial(
          [{ card: wire, slot: slots[1]! }],
          { ...aJob(), machine: aMachine(slots) },
          null,
          {
            cards: [],
            extras: [],
          },
        ),
      },
      STAMP,
    );
    const seat = steps(planned).find(({ code }) => code === 'seat')!;
    const job = apply(planned, { name: 'tickStep', of: seat }, STAMP);
    const seen = (of: Partial<ReportedCard> | null, print = reportText) => {
      const cards = of === null ? SPEC.cards.slice(1) : [{ ...card!, ...of }];
      const evidence = readEvidence([{ name: 'after', content: print({ ...SPEC, cards }) }]);
      const observations = observeReport(job, evidence, STAMP.at);
      return apply(job, { name: 'observe', observations }, STAMP);
    };
    const codes = (of: Job) => reportOnPlan(of)[0]!.differences.map(({ code }) => code);
    for (const print of Object.values(FORMS)) {
      const right = seen({}, print);
      expect(codes(right)).to.deep.equal([]);
      const proven = provenSteps(right).map(({ code }) => code);
      expect(proven).to.include.members(['checkDevice', 'checkLink']);
    }
    expect(codes(seen({ slotName: 'Slot-1' }))).to.deep.equal(['otherSlot']);
    expect(codes(seen({ link: { generation: 3, width: 1 } }))).to.deep.equal(['linkNarrower']);
    expect(codes(seen({ driverInstalled: false }))).to.deep.equal(['driverMissing']);
    expect(codes(seen({ driverInstalled: null }))).to.deep.equal([]);
    expect(codes(seen(null))).to.deep.equal(['missing']);
    // What is part of the board has no slot: it is no card of the plan.
    expect(codes(seen({ slotName: null }))).to.deep.equal(['missing']);
  });

  it('takes a slot for the same whatever blanks and marks are in its name', () => {
    const there = aMachine([aSlot(1), aSlot(2)]);
    const evidence = readEvidence([{ name: 'report', content: reportText(SPEC) }]);
    const { slots } = takeEvidence(there, evidence).machine;
    expect(slots.map(({ label }) => label)).to.deep.equal(['Slot 1', 'Slot 2']);
  });

  it('puts sections together that came in a file each, and calls damage by its line', () => {
    const only = (spec: Partial<ReportSpec>) => ({ ...SPEC, cards: [], version: '', ...spec });
    const parts = [only({ cards: SPEC.cards }), only({ version: SPEC.version })].map((spec, n) => ({
      name: `${n}.json`,
      content: reportJson(spec),
    }));
    const { hardware } = readEvidence(parts);
    expect(hardware!.cards).to.deep.equal(SPEC.cards);
    expect(hardware!.system!.version).to.equal('12.6.1');
    const cut = reportPropertyList(SPEC).slice(0, -40);
    const problems = new ProblemList();
    readHardwareReport(cut, problems);
    expect(problems.all[0]).to.include({ code: 'report.unreadable' });
    expect(problems.all[0]!.line).to.be.greaterThan(20);
    for (const empty of ['PCI:\n\n', '{"SPPCIDataType":[]}', '<plist></plist>', '{"a":']) {
      const none = new ProblemList();
      readHardwareReport(empty, none);
      expect(
        none.all.map(({ code }) => code),
        empty,
      ).to.include('report.nothingFound');
    }
  });

  const MUTATIONS = soaked(1_000, 20_000);
  it(`is read or refused when damaged, ${MUTATIONS} times each form (seed ${SEED})`, () => {
    const damage = fc.record({
      at: fc.double({ min: 0, max: 1, noNaN: true }),
      length: fc.nat(60),
      put: fc.oneof(
        fc.string({ maxLength: 30 }),
        fc.constantFrom('0xffffffff', 'x99', '</dict>', '<array>', ']', '{', ':\n', '&x;', '"'),
      ),
    });
    for (const [form, print] of Object.entries(FORMS)) {
      const whole = print(SPEC);
      let [readAgain, changed] = [0, 0];
      for (const { at, length, put } of fc.sample(damage, { numRuns: MUTATIONS, seed: SEED })) {
        const start = Math.floor(at * whole.length);
        const content = whole.slice(0, start) + put + whole.slice(start + length);
        const problems = new ProblemList();
        const { cards } = readHardwareReport(content, problems);
        for (const { vendor, device, link } of cards) {
          expect(vendor).to.be.within(0, 0xffff);
          expect(device).to.be.within(0, 0xffff);
          expect(link?.width ?? 1).to.be.within(1, 63);
        }
        takeEvidence(emptyMachine(), readEvidence([{ name: 'x', content }]));
        if (cards.length > 0) readAgain += 1;
        if (problems.all.length > 0 || cards.length < SPEC.cards.length) changed += 1;
      }
      expect(changed, form).to.be.greaterThan(MUTATIONS / 50);
      if (form !== 'reportJson') expect(readAgain, form).to.be.greaterThan(MUTATIONS / 10);
    }
  });
});

describe('A property list that is broken', () => {
  it('is said to be, with its line, and takes nothing else along', () => {
    const broken = [
      '<plist><array><dict><key>a</key>\n<string>b</dict></array></plist>',
      `<plist>${'<<a'.repeat(1_000)}`,
      '<plist>&nothing;</plist>',
      '<plist><!DOCTYPE plist [<!ENTITY a "b">]>&a;</plist>',
      '<plist><dict></dict></dict></plist>',
      '<plist>\u0000</plist>',
    ];
    for (const text of broken) {
      const content = text.replace('<plist>', `<plist><string>SPPCIDataType</string>`);
      const [file] = readEvidence([{ name: 'report.spx', content }]).files;
      expect(file!.kind, content).to.equal('hardwareReport');
      expect(
        file!.problems.map(({ code }) => code),
        content.slice(0, 80),
      ).to.include('report.unreadable');
    }
  });
});
