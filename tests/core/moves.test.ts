/** A plan that moves a card of the machine and gives another one up, from the proposal to the last screw. */
import { expect } from 'chai';
import { CARDS } from '../../demo/catalogue/cards.ts';
import { EXTRAS } from '../../demo/catalogue/extras.ts';
import { PACKAGES } from '../builders/library.ts';
import { FILM_SHED } from '../../demo/scenes.ts';
import { apply } from '../../src/core/commands/index.ts';
import { cardName, type Job, type Machine } from '../../src/core/document/index.ts';
import { changed, delivered, proposePlan } from '../../src/core/planner/index.ts';
import type { PlanRequest } from '../../src/core/plans/index.ts';
import { packagesFor, cardQuery } from '../../src/core/drivers/index.ts';
import { plainNeed } from '../../src/core/kinds/index.ts';
import { readJobFile } from '../../src/core/read/index.ts';
import { shoppingList } from '../../src/core/write/index.ts';
import { steps } from '../../src/core/procedure/index.ts';
import { dataFile } from '../builders/olderFormats.ts';
import { aCard, aJob, aMachine, aSlot, occupiedBy, told } from '../builders/parts.ts';
import { valuesOf } from '../builders/steps.ts';

const request: PlanRequest = {
  machine: FILM_SHED.machine,
  needs: FILM_SHED.needs,
  budgetCents: FILM_SHED.budgetCents,
  cards: CARDS,
  extras: EXTRAS,
  library: PACKAGES,
};
const plan = proposePlan(request);

function accepted(): Job {
  const placements = plan.placements.map(({ card, slot }) => ({ slotId: slot.id, card }));
  return aJob(
    { name: 'takeTemplate', machine: FILM_SHED.machine },
    ...FILM_SHED.needs.map((need) => ({ name: 'addNeed' as const, need })),
    {
      name: 'acceptPlan',
      placements,
      packages: packagesFor(
        placements.map(({ card }) => cardQuery(card)),
        FILM_SHED.machine,
        PACKAGES,
      ),
      moves: plan.moves.map(({ fromSlotId, toSlotId, card }) => ({ fromSlotId, toSlotId, card })),
      givenUp: plan.givenUp,
    },
  );
}

/** Openings that steps of a kind tell of. */
const openings = (job: Job, code: 'removeCover' | 'closeOpening') =>
  valuesOf(steps(job), code).map(({ opening }) => opening);

describe('A plan that moves a card and gives one up', () => {
  it('delivers what is wanted with the cards where it wants them', () => {
    const [drives, sound] = delivered(plan, request);
    expect(drives).to.include({ isUnmet: false });
    expect(drives!.bytesPerSecond).to.be.at.least(2_500e6);
    expect(sound).to.include({ isUnmet: false, bytesPerSecond: null });
    const left = delivered({ ...plan, unmet: request.needs }, request);
    expect(left.every(({ isUnmet }) => isUnmet)).to.equal(true);
  });

  it('takes the one out, moves the other, and only then puts in what is new', () => {
    const all = steps(accepted());
    const at = (code: string) => all.findIndex((step) => step.code === code);
    expect(all[at('takeOut')]!.values).to.deep.include({
      card: 'Thornmere Bollard S1',
      slot: 'Slot 4',
      enclosure: '',
    });
    expect(all[at('moveCard')]!.values).to.include({
      from: 'Slot 1',
      slot: plan.moves[0]!.slot.label,
    });
    const order = ['openCase', 'takeOut', 'moveCard', 'seat'].map(at);
    expect(order).to.deep.equal(order.toSorted((a, b) => a - b));
    expect(order).to.not.include(-1);
  });

  it('opens only what is covered: where a card was there is no cover', () => {
    expect(openings(accepted(), 'removeCover')).to.deep.equal([3]);
    expect(openings(accepted(), 'closeOpening')).to.deep.equal([]);
  });

  it('closes what nothing stands behind any more', () => {
    const thick = occupiedBy('Thick', 2, 'remove');
    const machine: Machine = aMachine([
      aSlot(1, {}, { occupant: thick }),
      aSlot(4),
      aSlot(5, {}, { occupant: occupiedBy('Stays') }),
    ]);
    const one = aCard({ id: 'one', openings: 1 });
    const job = (slotId: string) =>
      aJob(
        { name: 'takeTemplate', machine },
        { name: 'acceptPlan', placements: [{ slotId, card: one }], packages: [] },
      );
    expect(openings(job('s1'), 'removeCover')).to.deep.equal([]);
    expect(openings(job('s1'), 'closeOpening')).to.deep.equal([2]);
    expect(openings(job('s4'), 'removeCover')).to.deep.equal([4]);
    expect(openings(job('s4'), 'closeOpening')).to.deep.equal([1, 2]);
  });
});

describe('Something bought for the machine itself', () => {
  const supply = EXTRAS.find(({ kind }) => kind === 'supply')!;
  const before = aJob({ name: 'takeTemplate', machine: aMachine([aSlot(1)]) });
  const change = { kind: 'supply', extra: supply } as const;
  const { machine } = changed({ ...request, machine: before.machine }, change);
  const bought = aJob(
    { name: 'takeTemplate', machine: before.machine },
    { name: 'buyForMachine', extra: supply, machine },
    { name: 'acceptPlan', placements: [{ slotId: 's1', card: aCard() }], packages: [] },
  );

  it('is in the survey, on the shopping list and in the steps, with its caution', () => {
    expect(bought.machine.supply.twelveVoltWatts?.value).to.equal(supply.limit);
    const list = shoppingList(bought, 0);
    const row = list.rows.find(({ extra }) => extra?.kind === 'supply');
    expect(row).to.include({ name: `${supply.maker} ${supply.model}`, cents: supply.priceCents });
    expect(list.netCents).to.equal(aCard().priceCents + supply.priceCents);
    const codes = steps(bought).map(({ code }) => code);
    expect(codes.indexOf('orderNamed')).to.be.within(0, codes.indexOf('powerOff'));
    expect(codes.indexOf('putIn')).to.be.within(codes.indexOf('openCase'), codes.indexOf('seat'));
    expect(steps(bought).find(({ code }) => code === 'putIn')!.cautions).to.include('mains');
  });

  it('is ordered once, and no more when it is there', () => {
    const stamp = { at: bought.changedAt, who: '' };
    const twice = apply(bought, { name: 'buyForMachine', extra: supply, machine }, stamp);
    expect(twice.bought).to.have.length(1);
    const other = EXTRAS.find((each) => each.kind === 'supply' && each.id !== supply.id)!;
    const instead = apply(twice, { name: 'buyForMachine', extra: other, machine }, stamp);
    expect(instead.bought).to.deep.equal([other]);
    const there = apply(bought, { name: 'dropBought', extraId: supply.id }, stamp);
    expect(there.bought).to.deep.equal([]);
    expect(there.machine).to.deep.equal(bought.machine);
  });

  it('is empty in a job of an older format', () => {
    const old = dataFile('job-format-3');
    expect(readJobFile(old).job?.bought).to.deep.equal([]);
  });
});

describe('Leads of the front panel', () => {
  const port = aCard({ id: 'port', frontHeaders: [{ type: 'usb-19-pin', atMm: 80 }] });
  const other = { ...port, id: 'other', model: 'Other' };
  const joined = (machine: Machine) =>
    steps(
      aJob(
        { name: 'takeTemplate', machine },
        {
          name: 'addNeed',
          need: plainNeed('usb', 'front', { ports: 2, where: 'front', bytesPerSecond: 100e6 }),
        },
        {
          name: 'acceptPlan',
          placements: [
            { slotId: 's1', card: { ...port, frontHeaders: [] } },
            { slotId: 's3', card: other },
            { slotId: 's5', card: port },
          ],
          packages: [],
        },
      ),
    ).flatMap(({ code, values }) => (code === 'joinFront' ? [values['card']] : []));
  const withLeads = (leads: Machine['case']['frontLeads']): Machine => {
    const plain = aMachine([aSlot(1), aSlot(3), aSlot(5)]);
    return { ...plain, case: { ...plain.case, frontLeads: leads } };
  };

  it('go to one card each, and to none where the case has none', () => {
    expect(joined(withLeads(told([{ type: 'usb-19-pin' }])))).to.have.length(1);
    expect(
      joined(withLeads(told([{ type: 'usb-19-pin' }, { type: 'usb-19-pin' }]))),
    ).to.have.members([cardName(other), cardName(port)]);
    expect(joined(withLeads(told([{ type: 'audio' }])))).to.deep.equal([]);
  });

  it('are asked of every card while nobody has told', () => {
    expect(joined(withLeads(null))).to.have.length(2);
  });
});
