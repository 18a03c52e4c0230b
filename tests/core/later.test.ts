/** What is wanted later, and with both systems: what slots it keeps, what it costs, and what is done now. */
import { expect } from 'chai';
import {
  acceptanceOf,
  acceptanceOfTrial,
  assemblyOf,
  laterCardsOf,
  newCardsOf,
} from '../../src/core/assembly/index.ts';
import { apply } from '../../src/core/commands/index.ts';
import { handOverSheet, shoppingList } from '../../src/core/write/index.ts';
import { proposePlan } from '../../src/core/planner/index.ts';
import { moneyCents, type PlanRequest } from '../../src/core/plans/index.ts';
import { openItems } from '../../src/core/diagnosis/index.ts';
import { plainNeed, type Need } from '../../src/core/kinds/index.ts';
import { slotVerdict, unknownFacts } from '../../src/core/rules/index.ts';
import { steps } from '../../src/core/procedure/index.ts';
import type { Card, Job, Machine } from '../../src/core/document/index.ts';
import { EXTRAS } from '../../demo/catalogue/extras.ts';
import { network, usb } from '../../demo/catalogue/row.ts';
import { STAMP, aCard, aJob, aMachine, aSlot, told, usbNeed } from '../builders/parts.ts';

const wire = aCard({
  id: 'wire',
  model: 'wire',
  delivers: network(1, [1000, 10000]),
  lanes: 4,
  priceCents: 9_000,
  bracketMounted: 'low',
});
const ports = aCard({
  id: 'ports',
  model: 'ports',
  delivers: usb(4, '3.2-1', 900),
  priceCents: 3_000,
});
const later: Need = plainNeed('network', 'wire', { bytesPerSecond: 200e6, later: true });
const now = usbNeed(4);

const request = (more: Partial<PlanRequest> = {}): PlanRequest => ({
  machine: aMachine([aSlot(1, { connector: 4 }), aSlot(2, { connector: 1 })]),
  needs: [later, now],
  budgetCents: null,
  cards: [wire, ports],
  extras: EXTRAS,
  library: null,
  ...more,
});
const accepted = (of: PlanRequest): Job => {
  const begun = aJob(
    { name: 'takeTemplate', machine: of.machine },
    ...of.needs.map((need) => ({ name: 'addNeed' as const, need })),
  );
  return apply(begun, { name: 'acceptPlan', ...acceptanceOf(proposePlan(of), begun, null) }, STAMP);
};

describe('A need for later', () => {
  it('keeps the slot that its card will want', () => {
    const plan = proposePlan(request());
    expect(plan.placements.map(({ card, slot }) => [card.id, slot.id])).to.have.deep.members([
      ['wire', 's1'],
      ['ports', 's2'],
    ]);
    expect(plan.later).to.deep.equal(['s1']);
    // With one slot that suits both the later one is weighed against the other like any need.
    const single = proposePlan(
      request({
        machine: aMachine([aSlot(1, { connector: 4 })]),
        needs: [later, { ...now, must: false }],
      }),
    );
    expect(single.unmet.map(({ id }) => id)).to.deep.equal([now.id]);
  });

  it('costs nothing now: its price stands by itself, and breaks no budget', () => {
    const { cost } = proposePlan(request({ budgetCents: 3_000 }));
    expect(moneyCents(cost.parts)).to.equal(3_000);
    // Its card with the bracket that the case wants.
    expect(cost.parts.later).to.equal(9_000);
    expect(cost.parts.overBudget ?? 0).to.equal(0);
    const both = proposePlan(
      request({ budgetCents: 3_000, needs: [{ ...later, later: false }, now] }),
    );
    expect(moneyCents(both.cost.parts)).to.equal(12_000);
    expect(both.cost.parts.overBudget).to.be.greaterThan(0);
  });

  it('is served now where a card that is bought anyhow serves it as well', () => {
    // Two of a kind: one for now, one for later.
    const plan = proposePlan(
      request({ cards: [ports], needs: [{ ...now, id: 'soon', later: true }, usbNeed(2)] }),
    );
    expect(plan.placements).to.have.lengthOf(2);
    expect(plan.later).to.have.lengthOf(1);
    expect([moneyCents(plan.cost.parts), plan.cost.parts.later]).to.deep.equal([3_000, 3_000]);
    const roomy = { ...ports, delivers: usb(6, '3.2-1', 900) };
    const shared = proposePlan(
      request({ cards: [roomy], needs: [{ ...now, id: 'soon', later: true }, usbNeed(2)] }),
    );
    expect(shared.placements).to.have.lengthOf(1);
    expect(shared.later).to.deep.equal([]);
  });

  it('is neither ordered nor fitted nor proven, and stands on the sheet with its price', () => {
    const job = accepted(request());
    const assembly = assemblyOf(job);
    expect(newCardsOf(assembly).map(({ card }) => card.id)).to.deep.equal(['ports']);
    expect(laterCardsOf(assembly).map(({ card }) => card.id)).to.deep.equal(['wire']);
    expect(shoppingList(job, 0).rows.map(({ name }) => name)).to.deep.equal(['Maker ports']);
    expect(JSON.stringify(steps(job))).to.not.include('Maker wire');
    expect(assembly.toOpen.map(({ number }) => number)).to.deep.equal([2]);
    const sheet = handOverSheet(job);
    expect(sheet.later).to.deep.equal([
      { name: 'Maker wire', slotLabel: 'Slot 1', priceCents: 9_000 },
    ]);
    expect(sheet.figures.map(({ expectation }) => expectation.need.id)).to.deep.equal([now.id]);
    expect(openItems(job).prove).to.equal(openItems(accepted(request({ needs: [now] }))).prove);
  });

  it('keeps its slot where its card is tried by hand, too', () => {
    const { machine, cards, needs } = request();
    const job = aJob(
      { name: 'takeTemplate', machine },
      ...needs.map((need) => ({ name: 'addNeed' as const, need })),
    );
    const tried = [wire, ports].map((card, n) => ({ card, slot: machine.slots[n]! }));
    const acceptance = acceptanceOfTrial(tried, job, null, { cards, extras: EXTRAS });
    expect(acceptance.later).to.deep.equal(['s1']);
  });
});

describe('A second system', () => {
  const machine = (second: Partial<Machine['system']> | null): Machine => {
    const plain = aMachine([aSlot(1)]);
    return {
      ...plain,
      secondSystem:
        second === null
          ? null
          : { ...plain.system, family: told('linux'), version: told('6.1'), ...second },
    };
  };
  /** Storage that speaks AHCI: every system here drives it, but for the oldest. */
  const ahci = aCard({ ids: { vendor: 1, device: 2, class24: 0x010601 } });
  const own = aCard({ ids: { vendor: 1, device: 2, class24: 0x020000 } });
  const said = (card: Card, there: Machine) =>
    slotVerdict(card, there.slots[0]!, there, []).findings.flatMap(({ code }) =>
      code.startsWith('system.') ? code : [],
    );

  it('has to drive the card as well', () => {
    expect(said(ahci, machine(null))).to.deep.equal(['system.ownDriver']);
    expect(said(ahci, machine({}))).to.deep.equal(['system.ownDriver', 'system.second']);
    expect(said(own, machine({}))).to.deep.equal(['system.noDriver', 'system.secondNoDriver']);
    // The release before the first that drives it, and that one.
    expect(said(ahci, machine({ version: told('2.6.18') }))).to.include('system.secondNoDriver');
    expect(said(ahci, machine({ version: told('2.6.19') }))).to.include('system.second');
    expect(said(ahci, machine({ version: null }))).to.include('system.secondUnknown');
  });

  it('is asked for, and started once the cards are in', () => {
    const facts = unknownFacts(machine({ version: null }), []).map(({ code }) => code);
    expect(facts).to.include('secondSystem.version');
    expect(facts).to.not.include('secondSystem.family');
    const job = accepted(
      request({
        machine: { ...request().machine, secondSystem: machine({})!.secondSystem },
        needs: [now],
      }),
    );
    const step = steps(job).find(({ code }) => code === 'secondSystem')!;
    expect(step.values).to.include({ card: 'Maker ports', family: 'linux' });
    expect(handOverSheet(job).machine.secondSystem).to.equal('linux');
  });
});
