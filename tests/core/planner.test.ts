/** The planner against exhaustive search, and what it says of what it chose. */
import { expect } from 'chai';
import * as fc from 'fast-check';
import { screens, usb } from '../../demo/catalogue/row.ts';
import { PLAIN_WEIGHTS, occupantNamed, type Occupant } from '../../src/core/document/index.ts';
import { choosePlans, proposePlan } from '../../src/core/planner/index.ts';
import { MUST, OVER_BUDGET_FACTOR, scaleOf } from '../../src/core/plans/cost.ts';
import { planContextOf } from '../../src/core/planner/answers/plan.ts';
import { searchSpaceOf } from '../../src/core/planner/bound/searchSpace.ts';
import { Relaxations } from '../../src/core/planner/bound/relaxation.ts';
import { demandDecisions } from '../../src/core/planner/bound/demandDecisions.ts';
import { aCard, aMachine, aSlot, told, usbNeed } from '../builders/parts.ts';
import { randomRequest } from '../builders/plans.ts';
import { slowestPlan } from '../builders/slowPlanner.ts';
import { soaked } from '../builders/soak.ts';

const SEED = Number(process.env['SEED'] ?? 20261125);
const CASES = soaked(300, 1_000);

describe('Planner', () => {
  it(`finds the same optimum as exhaustive search on ${CASES} small cases (seed ${SEED})`, () => {
    const seen = { met: 0, unmet: 0, several: 0, moved: 0, givenUp: 0, adapters: 0, inBox: 0 };
    for (const request of fc.sample(randomRequest(), { numRuns: CASES, seed: SEED })) {
      const { cost, placements, moves, givenUp, extras } = proposePlan(request);
      expect([cost.mustsUnmet, cost.score], JSON.stringify(request)).to.deep.equal(
        slowestPlan(request),
      );
      seen[cost.mustsUnmet > 0 ? 'unmet' : 'met'] += 1;
      if (placements.length > 1) seen.several += 1;
      if (moves.length > 0) seen.moved += 1;
      if (givenUp.length > 0) seen.givenUp += 1;
      if (placements.some(({ slot }) => slot.enclosureId !== null)) seen.inBox += 1;
      if (extras.some(({ kind }) => kind === 'plugAdapter')) seen.adapters += 1;
    }
    // The sample must hold what it is meant to test.
    expect(Math.min(...Object.values(seen)), JSON.stringify(seen)).to.be.greaterThan(CASES / 400);
  });

  it('is never promised more than the optimum costs, at whatever prices, and mostly just that', () => {
    let tight = 0;
    const sample = fc.sample(
      fc.tuple(randomRequest(), fc.integer({ min: 0, max: 100 }), fc.integer({ min: 0, max: 1e6 })),
      { numRuns: 200, seed: SEED },
    );
    for (const [request, percent, watts] of sample) {
      const { cost } = proposePlan(request);
      const optimum = cost.mustsUnmet * MUST + cost.score;
      const { problem } = planContextOf(request, scaleOf(request.weights));
      const { positions, coverageState, costs } = searchSpaceOf(problem);
      const relaxed = new Relaxations(positions, coverageState, costs);
      // Prices that were asked before serve as well; no cent is worth more than one over the budget costs.
      relaxed.at({ money: percent * problem.scale.overBudget, watts });
      const decisions = demandDecisions(problem, coverageState, relaxed);
      const first = decisions.next(Infinity)!;
      expect(first.least, JSON.stringify(request)).to.be.at.most(optimum);
      expect(decisions.ahead()).to.be.at.least(first.least);
      if (first.least > optimum - 1) tight += 1;
    }
    expect(tight).to.be.greaterThan(100);
  });

  it('joins two cards where one has too few ports', () => {
    const two = aCard({
      id: 'two',
      delivers: usb(2, '3.2-1', 900),
      priceCents: 1000,
    });
    const plan = proposePlan({
      machine: aMachine([aSlot(1), aSlot(2)]),
      needs: [usbNeed(4)],
      budgetCents: null,
      cards: [two],
      library: [],
    });
    expect(plan.placements.map(({ slot }) => slot.id)).to.deep.equal(['s1', 's2']);
    expect(plan.unmet).to.deep.equal([]);
  });

  it('leaves the longer slot for later where a shorter one serves as well', () => {
    const longFirst = aMachine([
      aSlot(1, { connector: 16, lanes: 4 }),
      aSlot(3, { connector: 4, lanes: 4 }),
    ]);
    const request = {
      machine: longFirst,
      needs: [usbNeed(4)],
      budgetCents: null,
      cards: [aCard({ lanes: 4 })],
      library: [],
    };
    const short = proposePlan(request);
    expect(short.placements.map(({ slot }) => slot.id)).to.deep.equal(['s3']);
    expect(short.cost.parts.longSlot).to.equal(undefined);
    // Where nobody cares the first slot is filled.
    const careless = { ...PLAIN_WEIGHTS, longSlot: 0 };
    const [first] = proposePlan({ ...request, weights: careless }).placements;
    expect(first?.slot.id).to.equal('s1');
  });

  it('names the price where a card is left for it, and not that one alone would not do', () => {
    const pair = (id: string, priceCents: number) =>
      aCard({ id, model: id, delivers: usb(2, '3.2-1', 900), priceCents });
    const { best, refusals } = choosePlans({
      machine: aMachine([aSlot(1), aSlot(2)]),
      needs: [usbNeed(4)],
      budgetCents: null,
      cards: [
        pair('cheap', 1_000),
        pair('dear', 2_000),
        aCard({ ...pair('one', 500), delivers: usb(1, '3.2-1', 900) }),
      ],
      library: [],
    });
    expect(best.placements.map(({ card }) => card.id)).to.deep.equal(['cheap', 'cheap']);
    expect(refusals.map(({ card, reason }) => [card.id, reason])).to.deep.equal([
      ['dear', 'dearer'],
      ['one', 'fewer'],
    ]);
  });

  it('reckons with the watts and the plug of a card that may go, where it goes', () => {
    const old = aCard({
      id: 'old',
      model: 'old',
      peakWatts: 100,
      sockets: ['8-pin'],
      delivers: screens(1, [['dp-hbr2', 1]], 2, 1),
    });
    const fresh = aCard({
      delivers: usb(4, '3.2-1', 900),
      id: 'fresh',
      model: 'fresh',
      lanes: 16,
      peakWatts: 120,
      slotWatts: 20,
      sockets: ['8-pin'],
    });
    const there: Occupant = {
      ...occupantNamed('Maker old'),
      disposition: 'optional',
      openings: told(1),
      watts: told(100),
      plugs: told(['8-pin']),
    };
    const plain = aMachine([aSlot(1, {}, { occupant: told(there) }), aSlot(3)]);
    const planned = (disposition: Occupant['disposition']) =>
      proposePlan({
        machine: {
          ...plain,
          slots: plain.slots.map((slot, n) =>
            n === 0 ? { ...slot, occupant: told({ ...there, disposition }) } : slot,
          ),
          // 300 W, of which 220 are drawn; the only 8-pin plug feeds the old card.
          supply: {
            ...plain.supply,
            twelveVoltWatts: told(300),
            baseWatts: told(220),
            plugs: told([]),
          },
        },
        needs: [usbNeed(4)],
        budgetCents: null,
        cards: [old, fresh],
        library: [],
      });
    const plan = planned('optional');
    expect(plan.placements.map(({ card }) => card.id)).to.deep.equal(['fresh']);
    expect(plan.givenUp).to.deep.equal(['s1']);
    // 220 less 100, and 120 for the new one: 240 of 300 W.
    expect(plan.together.find(({ code }) => /^power\.(sum|headroom)/.test(code))).to.include({
      needed: 240,
      available: 300,
    });
    expect(planned('stays').unmet).to.have.length(1);
  });

  it('lets no two cards take the last opening for their plates', () => {
    const ribbon = aCard({ plates: 1, delivers: usb(4, '3.2-1', 900) });
    const within = (openings: number) => {
      const plain = aMachine([aSlot(1), aSlot(2)]);
      return proposePlan({
        machine: { ...plain, case: { ...plain.case, openings: told(openings) } },
        needs: [usbNeed(8)],
        budgetCents: null,
        cards: [ribbon],
        library: [],
      });
    };
    expect(within(4).unmet).to.deep.equal([]);
    expect(within(3).unmet).to.have.length(1);
  });

  it('says why each other card is not in the plan', () => {
    const cards = [
      aCard({ id: 'good', priceCents: 1000 }),
      aCard({ id: 'dear', priceCents: 9000 }),
      aCard({ id: 'long', lengthMm: 400 }),
      aCard({ id: 'slow', delivers: usb(4, '2.0', 900) }),
      aCard({ id: 'few', delivers: usb(1, '3.2-1', 900) }),
    ];
    const { best: plan, refusals } = choosePlans({
      machine: aMachine([aSlot(1)]),
      needs: [usbNeed(4)],
      budgetCents: null,
      cards,
      library: [],
    });
    expect(plan.placements[0]?.card.id).to.equal('good');
    expect(refusals.map(({ card, reason }) => [card.id, reason])).to.deep.equal([
      ['dear', 'dearer'],
      ['long', 'blocked'],
      ['slow', 'short'],
      ['few', 'fewer'],
    ]);
    expect(refusals[1]?.finding).to.include({
      code: 'body.tooLong',
      needed: 400,
      available: 300,
    });
  });

  it('gives up a wish before the budget, and the budget before a must', () => {
    const request = (must: boolean) => ({
      machine: aMachine([aSlot(1)]),
      needs: [usbNeed(4, { must })],
      budgetCents: 2000,
      cards: [aCard({ priceCents: 3000 })],
      library: [],
    });
    expect(proposePlan(request(false)).placements).to.deep.equal([]);
    const { cost } = proposePlan(request(true));
    expect(cost.mustsUnmet).to.equal(0);
    expect(cost.parts).to.include({ price: 3000, overBudget: 1000 * OVER_BUDGET_FACTOR });
  });
});
