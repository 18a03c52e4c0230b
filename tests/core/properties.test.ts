/** What holds for every card, slot and machine, whatever the numbers: from a seed. */
import { expect } from 'chai';
import * as fc from 'fast-check';
import {
  emptyCase,
  emptySupply,
  type Card,
  type Machine,
  type Slot,
} from '../../src/core/document/index.ts';
import {
  PLUG_TYPES,
  bestBytesPerSecond,
  reckonedBytesPerSecond,
  trainedLink,
  type Generation,
} from '../../src/core/standards/index.ts';
import { VERDICTS, slotVerdict } from '../../src/core/rules/index.ts';
import { compareVersions } from '../../src/core/drivers/index.ts';
import { flowOf } from '../../src/core/flow/index.ts';
import { valueOf } from '../../src/core/parts/index.ts';
import { aCard, aMachine, aSlot, told, usbNeed } from '../builders/parts.ts';

const SEED = Number(process.env['SEED'] ?? 20261125);
const sample = <Value>(of: fc.Arbitrary<Value>, numRuns: number) =>
  fc.sample(of, { numRuns, seed: SEED });

const lanes = fc.constantFrom(1, 4, 8, 16) as fc.Arbitrary<1 | 4 | 8 | 16>;
const generation = fc.constantFrom(1, 2, 3, 4, 5) as fc.Arbitrary<Generation>;
const link = fc.record({ generation, width: fc.constantFrom(1, 2, 4, 8, 12, 16, 32) });

const anyCard: fc.Arbitrary<Card> = fc
  .record({
    lanes,
    generation,
    lengthMm: fc.integer({ min: 60, max: 340 }),
    heightMm: fc.constantFrom(60, 68.9, 98, 111.15),
    openings: fc.integer({ min: 1, max: 3 }),
    peakWatts: fc.integer({ min: 1, max: 350 }),
    slotWatts: fc.integer({ min: 1, max: 75 }),
    sockets: fc.constantFrom<Card['sockets']>([], ['sata'], ['6-pin'], ['8-pin', '6-pin']),
  })
  .map((over) => aCard(over));

const anySlot: fc.Arbitrary<Slot> = fc
  .record({
    opening: fc.integer({ min: 1, max: 7 }),
    connector: lanes,
    wired: lanes,
    generation,
    watts: fc.integer({ min: 5, max: 75 }),
  })
  .map(({ opening, connector, wired, ...over }) =>
    aSlot(opening, { ...over, connector, lanes: Math.min(connector, wired) }),
  );

const anyMachine: fc.Arbitrary<Machine> = fc
  .record({
    slot: anySlot,
    bracket: fc.constantFrom('full' as const, 'low' as const),
    room: fc.integer({ min: 120, max: 330 }),
    watts: fc.integer({ min: 150, max: 800 }),
    plugs: fc.array(
      fc.record({ type: fc.constantFrom(...PLUG_TYPES), count: fc.integer({ min: 0, max: 2 }) }),
      { maxLength: 3 },
    ),
  })
  .map(({ slot, bracket, room, watts, plugs }) =>
    aMachine([slot], {
      case: {
        ...emptyCase(),
        bracket: told(bracket),
        openings: told(7),
        lengthRoomMm: told(room),
        covers: told('screwed'),
      },
      supply: {
        ...emptySupply(),
        twelveVoltWatts: told(watts),
        baseWatts: told(100),
        plugs: told(plugs),
      },
    }),
  );

const rank = (card: Card, machine: Machine) =>
  VERDICTS.indexOf(slotVerdict(card, machine.slots[0]!, machine, []).verdict);

describe(`Properties (seed ${SEED})`, () => {
  it('two ends train the same from either side, and to no more than either can', () => {
    for (const [a, b] of sample(fc.tuple(link, link), 2000)) {
      const trained = trainedLink(a, b);
      expect(trained).to.deep.equal(trainedLink(b, a));
      expect(trained.width).to.be.at.most(Math.min(a.width, b.width));
      expect(trained.generation).to.equal(Math.min(a.generation, b.generation));
      expect(reckonedBytesPerSecond(trained)).to.be.below(bestBytesPerSecond(trained));
    }
  });

  it('more room, more watts and a full-height case never make a verdict worse', () => {
    for (const [card, machine] of sample(fc.tuple(anyCard, anyMachine), 2000)) {
      const roomier: Machine = {
        ...machine,
        case: {
          ...machine.case,
          lengthRoomMm: told((valueOf(machine.case.lengthRoomMm) ?? 0) + 50),
        },
        supply: {
          ...machine.supply,
          twelveVoltWatts: told((valueOf(machine.supply.twelveVoltWatts) ?? 0) + 200),
        },
      };
      expect(rank(card, roomier)).to.be.at.most(rank(card, machine));
      expect(rank({ ...card, lengthMm: card.lengthMm - 20 }, machine)).to.be.at.most(
        rank(card, machine),
      );
      expect(rank({ ...card, sockets: [] }, machine)).to.be.at.most(rank(card, machine));
    }
  });

  it('a fact taken away never turns a refusal into a clear verdict', () => {
    for (const [card, machine] of sample(fc.tuple(anyCard, anyMachine), 1000)) {
      const slot = machine.slots[0]!;
      const lessKnown: readonly Machine[] = [
        { ...machine, case: { ...machine.case, lengthRoomMm: null } },
        { ...machine, case: { ...machine.case, bracket: null } },
        { ...machine, supply: { ...machine.supply, plugs: null } },
        { ...machine, supply: { ...machine.supply, baseWatts: null } },
        { ...machine, slots: [{ ...slot, connectorLanes: null }] },
        { ...machine, slots: [{ ...slot, opening: null }] },
      ];
      if (slotVerdict(card, slot, machine, []).verdict !== 'blocked') continue;
      for (const unsure of lessKnown) {
        expect(slotVerdict(card, unsure.slots[0]!, unsure, []).verdict).to.be.oneOf([
          'blocked',
          'unknown',
        ]);
      }
    }
  });

  it('every finding that blocks or limits carries its figures or its subject', () => {
    for (const [card, machine] of sample(fc.tuple(anyCard, anyMachine), 1000)) {
      for (const finding of slotVerdict(card, machine.slots[0]!, machine, []).findings) {
        if (finding.verdict !== 'blocked' && finding.verdict !== 'limited') continue;
        expect(
          finding.needed !== undefined || finding.subject !== undefined,
          finding.code,
        ).to.equal(true);
        if (finding.needed !== undefined) expect(finding.unit, finding.code).to.be.a('string');
      }
    }
  });

  it('a wider or newer slot never carries less, and the limiting stage is the narrowest', () => {
    for (const [card, slot] of sample(fc.tuple(anyCard, anySlot), 2000)) {
      const machine = aMachine([slot]);
      const flow = flowOf(card, slot, usbNeed(4), machine)!;
      const wider = { ...slot, lanes: told(16), generation: told<Generation>(5) };
      expect(flowOf(card, wider, usbNeed(4), machine)!.high).to.be.at.least(flow.high);
      const narrowest = Math.min(...flow.stages.map(({ high }) => high));
      expect(flow.stages.find(({ code }) => code === flow.limiting)?.high).to.equal(narrowest);
    }
  });

  it('versions are ordered, and a missing part counts as zero', () => {
    const version = fc.array(fc.integer({ min: 0, max: 12 }), { minLength: 1, maxLength: 4 });
    for (const [a, b] of sample(fc.tuple(version, version), 1000)) {
      const compared = Math.sign(compareVersions(a.join('.'), b.join('.')));
      expect(compared).to.equal(-Math.sign(compareVersions(b.join('.'), a.join('.'))) || 0);
      expect(compareVersions(a.join('.'), [...a, 0].join('.'))).to.equal(0);
      const weigh = (parts: readonly number[]) =>
        [0, 1, 2, 3].reduce((sum, n) => sum * 100 + (parts[n] ?? 0), 0);
      expect(compared).to.equal(Math.sign(weigh(a) - weigh(b)));
    }
  });
});
