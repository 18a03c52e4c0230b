/** Jobs that no plan can do: what clashes, minimal, and single changes that free them. */
import { expect } from 'chai';
import * as fc from 'fast-check';
import {
  changed,
  conflictSets,
  repairs,
  memberKey,
  proposePlan,
  type Constraint,
  type Member,
} from '../../src/core/planner/index.ts';
import type { PlanRequest } from '../../src/core/plans/index.ts';
import { outcome } from '../../src/core/outcome.ts';
import { plainNeed } from '../../src/core/kinds/index.ts';
import type { Pin } from '../../src/core/document/index.ts';
import { CONSTRAINTS } from '../../src/core/planner/index.ts';
import { usb } from '../../demo/catalogue/row.ts';
import { aCard, aMachine, aSlot } from '../builders/parts.ts';
import { randomRequest } from '../builders/plans.ts';
import { slowFeasible } from '../builders/slowFeasible.ts';
import { soaked } from '../builders/soak.ts';

const SEED = Number(process.env['SEED'] ?? 20261125);
const CASES = soaked(150, 300);

const slow = (request: PlanRequest, members: readonly Member[]): boolean => {
  const limits = members.flatMap((each) => (each.kind === 'limit' ? [each.limit] : []));
  return slowFeasible(
    request,
    members.flatMap((each) => (each.kind === 'need' ? [each.need] : [])),
    members.flatMap((each) => (each.kind === 'pin' ? [each.pin] : [])),
    new Set<Constraint>(CONSTRAINTS.filter((limit) => !limits.includes(limit))),
  );
};

/** One slot, of a generation that does not carry what is wanted. */
const thinSlot = (): PlanRequest => ({
  machine: aMachine([aSlot(1, { connector: 1, generation: 1 })]),
  needs: [plainNeed('usb', 'n0', { bytesPerSecond: 400e6, ports: 2 })],
  cards: [aCard({ id: 'c0', model: 'c0', delivers: usb(4, '3.2-2', 900) })],
  extras: [],
  budgetCents: null,
  library: null,
  pins: [],
});

/** Jobs of musts with something settled beforehand, of which no plan meets all. */
function impossible(): readonly PlanRequest[] {
  const pin = fc.oneof(
    fc.record({
      kind: fc.constant('neverSlot' as const),
      slotId: fc.constantFrom('s1', 's2', 's3'),
    }),
    fc.record({
      kind: fc.constant('cardThere' as const),
      cardId: fc.constantFrom('c0', 'c1'),
      slotId: fc.constantFrom('s1', 's2'),
    }),
  ) as fc.Arbitrary<Pin>;
  const jobs = fc.sample(
    fc
      .tuple(
        randomRequest({
          cards: [2, 4],
          needs: [1, 3],
          slots: [2, 3],
          existing: 0,
          musts: 10,
          obstacles: false,
        }),
        fc.array(pin, { maxLength: 1 }),
      )
      .map(([request, pins]): PlanRequest => ({ ...request, pins })),
    { numRuns: CASES * 3, seed: SEED },
  );
  const unmet = jobs.filter((request) => proposePlan(request).cost.mustsUnmet > 0);
  return [thinSlot(), ...unmet].slice(0, CASES);
}

describe('What clashes where no plan meets all musts', () => {
  const jobs = impossible();

  it(`is found for ${CASES} jobs, minimal by another search (seed ${SEED})`, () => {
    expect(jobs).to.have.length(CASES);
    const kinds = new Set<string>();
    for (const request of jobs) {
      const sets = outcome(conflictSets(request));
      expect(sets, JSON.stringify(request)).to.not.deep.equal([]);
      for (const { members } of sets) {
        const told = `${members.map(memberKey).join(', ')} of ${JSON.stringify(request)}`;
        expect(slow(request, members), told).to.equal(false);
        for (const member of members) {
          kinds.add(member.kind === 'limit' ? member.limit : member.kind);
          const rest = members.filter((each) => each !== member);
          expect(slow(request, rest), `without ${memberKey(member)}: ${told}`).to.equal(true);
        }
      }
    }
    for (const kind of ['need', 'pin', 'slots', 'power', 'lanes', 'leads'])
      expect([...kinds]).to.include(kind);
  });

  it('is freed by each of the changes that are offered', () => {
    const kinds = new Set<string>();
    for (const request of jobs) {
      for (const { change, plan } of outcome(repairs(request))) {
        kinds.add(change.kind);
        expect(plan.cost.mustsUnmet).to.equal(0);
        const after = changed(request, change);
        expect(
          slowFeasible(after, after.needs, after.pins ?? [], new Set()),
          `${JSON.stringify(change)} of ${JSON.stringify(request)}`,
        ).to.equal(true);
      }
    }
    for (const kind of ['dropNeed', 'dropPin', 'supply', 'slotGeneration'])
      expect([...kinds]).to.include(kind);
  });

  it('is nothing where a plan does it all', () => {
    const possible = fc
      .sample(randomRequest(), { numRuns: 40, seed: SEED })
      .find((request) => proposePlan(request).cost.mustsUnmet === 0)!;
    expect(outcome(conflictSets(possible))).to.deep.equal([]);
  });
});
