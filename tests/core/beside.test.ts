/** What stands beside a card: fans by their height, vents, cards it does not get on with; and what is no number. */
import { expect } from 'chai';
import { acceptanceOf, assemblyOf, rearLeads } from '../../src/core/assembly/index.ts';
import { apply } from '../../src/core/commands/index.ts';
import { emptyScreen, enteredRun, type Card, type Machine } from '../../src/core/document/index.ts';
import { flowOf } from '../../src/core/flow/index.ts';
import { handOverSheet } from '../../src/core/write/index.ts';
import { plainNeed } from '../../src/core/kinds/index.ts';
import { proposePlan } from '../../src/core/planner/index.ts';
import type { PlanRequest } from '../../src/core/plans/index.ts';
import { slotVerdict, worstVerdict } from '../../src/core/rules/index.ts';
import { steps } from '../../src/core/procedure/index.ts';
import { triedIn } from '../../src/core/diagnosis/index.ts';
import { said } from '../../src/core/rules/said.ts';
import { EXTRAS } from '../../demo/catalogue/extras.ts';
import { network, screens, usb } from '../../demo/catalogue/row.ts';
import {
  STAMP,
  aCard,
  aJob,
  aMachine,
  aSlot,
  aStatement,
  occupiedBy,
  told,
  usbNeed,
} from '../builders/parts.ts';

const codesIn = (card: Card, n: number, machine: Machine) =>
  slotVerdict(card, machine.slots[n]!, machine, null).findings.map(({ code }) => code);

describe('A fan of a neighbour', () => {
  const blowing = (aboveMm?: number): Machine => {
    const above = occupiedBy('Graphics', 1);
    const fan = { fromMm: 40, toMm: 120, airMm: 20, ...(aboveMm === undefined ? {} : { aboveMm }) };
    const card = { ...above!.value!, fan: told(fan) };
    return aMachine([aSlot(1, {}, { occupant: told(card) }), aSlot(2)]);
  };
  const low = (heightMm: number, more: Partial<Card> = {}) =>
    aCard({ heightMm, lengthMm: 150, ...more });

  it('keeps its air from a board that ends below its lower edge', () => {
    expect(codesIn(low(50), 1, blowing(50))).to.not.include('body.airTaken');
    expect(codesIn(low(50.1), 1, blowing(50))).to.include('body.airTaken');
    // Nobody told where it begins: at the board.
    expect(codesIn(low(20), 1, blowing())).to.include('body.airTaken');
  });

  it('is nothing for a card that bears no warm air', () => {
    const frail = low(68.9, { quirks: ['notBelowFan'] });
    expect(codesIn(frail, 1, blowing())).to.include('quirk.belowFan');
    expect(codesIn({ ...frail, lengthMm: 40 }, 1, blowing())).to.not.include('quirk.belowFan');
    // Given the choice, it goes where no fan blows at it.
    const machine = { ...blowing(), slots: [...blowing().slots, aSlot(4)] };
    const plan = proposePlan({
      machine,
      needs: [usbNeed(2)],
      budgetCents: null,
      cards: [{ ...frail, delivers: usb(2, '3.2-1', 900) }],
      library: null,
    });
    expect(plan.placements.map(({ slot }) => slot.id)).to.deep.equal(['s4']);
  });
});

describe('A vent', () => {
  const vent = (heightMm: number): Machine => ({
    ...aMachine([aSlot(1)]),
    obstacles: [
      {
        id: 'vent',
        name: 'Side vent',
        kind: 'vent',
        xMm: 100,
        yMm: 160,
        widthMm: 40,
        depthMm: 40,
        heightMm,
        movable: false,
        moving: '',
      },
    ],
  });

  it('bars no card, and is said where one stands before it', () => {
    const machine = vent(60);
    const { findings } = slotVerdict(aCard({ lengthMm: 120 }), machine.slots[0]!, machine, null);
    expect(findings.find(({ code }) => code === 'body.ventCovered')).to.include({
      verdict: 'limited',
      subject: 'Side vent',
    });
    expect(codesIn(aCard({ lengthMm: 100 }), 0, machine)).to.not.include('body.ventCovered');
    expect(codesIn(aCard({ lengthMm: 120 }), 0, vent(12))).to.not.include('body.ventCovered');
  });
});

describe('Trouble beside another card', () => {
  const shy = aCard({
    id: 'shy',
    model: 'shy',
    delivers: usb(2, '3.2-1', 900),
    statements: [aStatement('problem', { card: 'maker LOUD ' })],
  });
  const loud = aCard({ id: 'loud', model: 'loud', delivers: usb(2, '3.2-1', 900), priceCents: 10 });
  const plain = aCard({
    id: 'plain',
    model: 'plain',
    delivers: usb(2, '3.2-1', 900),
    priceCents: 2_500,
  });

  it('is told of a card that stays in the machine, and of none that goes', () => {
    const withLoud = (disposition: 'stays' | 'remove') =>
      aMachine([aSlot(1), aSlot(2, {}, { occupant: occupiedBy('Maker loud', 1, disposition) })]);
    expect(codesIn(shy, 0, withLoud('stays'))).to.include('said.problemWith');
    expect(codesIn(shy, 0, withLoud('remove'))).to.not.include('said.problemWith');
  });

  it('decides which two go together', () => {
    const request = (cards: readonly Card[]): PlanRequest => ({
      machine: aMachine([aSlot(1), aSlot(4)]),
      needs: [usbNeed(4)],
      budgetCents: null,
      cards,
      library: null,
    });
    const pair = (cards: readonly Card[]) =>
      proposePlan(request(cards))
        .placements.map(({ card }) => card.id)
        .toSorted();
    // Cheap as it is, it is not taken beside the one that names it: trouble is reckoned dearer.
    expect(pair([{ ...shy, priceCents: 10 }, loud])).to.not.deep.equal(['loud', 'shy']);
    const forced = proposePlan(request([{ ...shy, priceCents: 10 }, loud, plain]));
    expect(forced.cost.parts.drivers ?? 0).to.equal(0);
  });
});

describe('A statement about one system only', () => {
  const only = aCard({
    statements: [aStatement('onlyThere', { slot: 'Slot 2', system: 'linux' })],
  });
  const machine = (family: 'linux' | 'windows' | null) => {
    const plain = aMachine([aSlot(1), aSlot(2)]);
    return { ...plain, system: { ...plain.system, family: family && told(family) } };
  };

  it('is not known while the system is not', () => {
    const at = (family: Parameters<typeof machine>[0], n = 0) => {
      const there = machine(family);
      return said(only, there.slots[n]!, there).map(({ code }) => code);
    };
    expect(at('linux')).to.deep.equal(['said.onlyThere']);
    expect(at('windows')).to.deep.equal([]);
    expect(at(null)).to.deep.equal(['said.onlyTherePerhaps']);
    expect(at(null, 1)).to.deep.equal([]);
  });

  it('backs a card only where it is true of both systems', () => {
    const listed = aCard({
      delivers: usb(2, '3.2-1', 900),
      statements: [aStatement('listed', { system: 'windows' }), aStatement('claimed')],
    });
    const backed = (second: boolean) => {
      const there = machine('windows');
      const secondSystem = second ? { ...there.system, family: told('linux' as const) } : null;
      const need = { ...usbNeed(2), backing: 'listed' as const };
      return flowOf(listed, there.slots[0]!, need, { ...there, secondSystem })!.units;
    };
    expect(backed(false)).to.equal(2);
    expect(backed(true)).to.equal(0);
  });
});

describe('What is no number', () => {
  const wanted = (manners: Card['manners'], of: Card['manners']) => {
    const card = aCard({ delivers: usb(2, '3.2-1', 900), manners: of });
    const { units, finding } = flowOf(
      card,
      aSlot(1),
      { ...usbNeed(2), manners },
      aMachine([aSlot(1)]),
    )!;
    return [
      units,
      finding.verdict === 'blocked' ? 'no' : finding.verdict === 'unknown' ? '?' : 'yes',
    ];
  };

  it('is held against the card’s own words', () => {
    expect(wanted(['quiet'], ['quiet'])).to.deep.equal([2, 'yes']);
    expect(wanted(['quiet'], [])).to.deep.equal([2, '?']);
    expect(wanted(['dark'], ['lit'])).to.deep.equal([0, 'no']);
    expect(wanted(['lit'], ['dark'])).to.deep.equal([0, 'no']);
    expect(wanted(['lit', 'quiet'], ['lit', 'sparkling'])).to.deep.equal([2, '?']);
    expect(wanted([], ['lit'])).to.deep.equal([2, 'yes']);
  });
});

describe('What is done before the card goes in', () => {
  it('is its firmware, in another machine, and showing what was damaged', () => {
    const card = aCard({ delivers: usb(2, '3.2-1', 900), quirks: ['firmwareFirst'] });
    const machine: Machine = {
      ...aMachine([aSlot(1)]),
      damage: [{ id: 'damage-1', what: 'Left port dead' }],
    };
    const request: PlanRequest = {
      machine,
      needs: [usbNeed(2)],
      budgetCents: null,
      cards: [card],
      library: null,
    };
    const begun = aJob({ name: 'takeTemplate', machine }, { name: 'addNeed', need: usbNeed(2) });
    const job = apply(
      begun,
      { name: 'acceptPlan', ...acceptanceOf(proposePlan(request), begun, null) },
      STAMP,
    );
    const all = steps(job);
    const at = (code: string) => all.findIndex((step) => step.code === code);
    expect(at('firmwareFirst')).to.be.within(0, at('seat'));
    expect(all[at('firmwareFirst')]!.cautions).to.include('steadyPower');
    expect(all[at('showDamage')]!.values).to.deep.equal({ what: ['Left port dead'] });
    expect(handOverSheet(job).machine.damage).to.deep.equal(['Left port dead']);
    expect(worstVerdict(slotVerdict(card, machine.slots[0]!, machine, null).findings)).to.not.equal(
      'blocked',
    );
  });
});

describe('A loop lead to the input of another card', () => {
  const loop = plainNeed('screens', 'loop', {
    count: 1,
    mode: { widthPx: 1920, heightPx: 1080, refreshHz: 60 },
    input: 'hdmi',
    into: 'card',
  });
  const seen = plainNeed('screens', 'seen', {
    count: 2,
    mode: loop.mode,
    input: 'hdmi',
  });
  const graphics = (outputs: number) =>
    aCard({
      id: `g${outputs}`,
      priceCents: outputs * 1_000,
      ids: { vendor: 0xf1a0, device: outputs, class24: 0x030000 },
      delivers: screens(outputs, [['hdmi-600', outputs]], 2, 1),
    });
  const request: PlanRequest = {
    machine: { ...aMachine([aSlot(1)]), screens: [] },
    needs: [seen, loop],
    budgetCents: null,
    cards: [graphics(2), graphics(3)],
    extras: EXTRAS,
    library: null,
  };

  it('uses up an output that no screen has then, is bought, and is joined after the screens', () => {
    const chosen = (needs: PlanRequest['needs']) => proposePlan({ ...request, needs });
    expect(chosen([seen]).placements.map(({ card }) => card.id)).to.deep.equal(['g2']);
    const plan = chosen([seen, loop]);
    expect(plan.placements.map(({ card }) => card.id)).to.deep.equal(['g3']);
    expect(plan.extras.filter(({ kind }) => kind === 'loopLead')).to.have.lengthOf(1);
    expect(plan.extras[0]).to.deep.include({ fits: 'hdmi', count: 1 });
    const begun = aJob({ name: 'takeTemplate', machine: request.machine });
    const asked = { ...begun, needs: request.needs };
    const job = apply(asked, { name: 'acceptPlan', ...acceptanceOf(plan, asked, null) }, STAMP);
    const codes = steps(job).map(({ code }) => code);
    expect(codes.filter((code) => code === 'joinLoop')).to.have.lengthOf(1);
    expect(codes.indexOf('joinLoop')).to.be.greaterThan(codes.indexOf('closeCase'));
    const { cards, machine } = assemblyOf(job);
    const [ports] = rearLeads(cards, job.needs, machine);
    expect(ports!.sockets.map(({ end }) => end.to)).to.deep.equal([
      'screen',
      'screen',
      'otherCard',
    ]);
  });

  it('is not ordered where it lies in the box', () => {
    const boxed = { ...graphics(3), contents: [{ kind: 'loopLead', fits: 'hdmi' }] } as const;
    const { extras } = proposePlan({ ...request, cards: [boxed] });
    expect(extras.filter(({ kind }) => kind === 'loopLead')).to.deep.equal([]);
  });

  it('asks nothing of the screens that were read', () => {
    const small = {
      ...emptyScreen('one', 'One'),
      modes: [{ widthPx: 640, heightPx: 480, refreshHz: 60 }],
    };
    const machine = { ...request.machine, screens: [small] };
    const codes = (need: typeof loop) => {
      const flow = flowOf(graphics(3), aSlot(1), need, machine)!;
      return [flow.finding, ...flow.catches].map(({ code }) => code);
    };
    expect(codes({ ...loop, into: 'screen' })).to.include('deliver.screenLess');
    expect(codes(loop)).to.not.include('deliver.screenLess');
  });
});

describe('What a finished job shows of its cards', () => {
  const card = aCard({ id: 'wire', model: 'wire', delivers: network(1, [1000]) });
  const need = plainNeed('network', 'n', { bytesPerSecond: 90e6 });
  const job = (measured: number | null) => {
    const begun = aJob(
      { name: 'takeTemplate', machine: aMachine([aSlot(1)]) },
      { name: 'addNeed', need },
      { name: 'acceptPlan', placements: [{ slotId: 's1', card }], packages: [] },
    );
    if (measured === null) return begun;
    const observations = [enteredRun('n', measured, STAMP.at)];
    return apply(begun, { name: 'observe', observations }, STAMP);
  };

  it('is that they were tried here, once it was measured and is fine', () => {
    expect(triedIn(job(null), [card], '2026-11-27')).to.deep.equal([]);
    expect(triedIn(job(30e6), [card], '2026-11-27')).to.deep.equal([]);
    const [record] = triedIn(job(110e6), [card], '2026-11-27');
    expect(record!.statements).to.deep.equal([
      {
        says: 'tried',
        machine: 'Test machine',
        slot: 'Slot 1',
        card: '',
        system: 'windows',
        source: 'ownBench',
        date: '2026-11-27',
      },
    ]);
    // Said once it is enough, whenever that was.
    expect(triedIn(job(110e6), [record!], '2027-01-01')).to.deep.equal([]);
    expect(triedIn(job(110e6), [], '2026-11-27')).to.deep.equal([]);
  });
});
