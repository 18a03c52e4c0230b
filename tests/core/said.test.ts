import { expect } from 'chai';
import { CARD_COLUMNS, printCell, takeCell } from '../../src/core/catalogue/index.ts';
import { emptyMachine, type Card, type Machine } from '../../src/core/document/index.ts';
import { flowOf } from '../../src/core/flow/index.ts';
import { known, type Statement } from '../../src/core/parts/index.ts';
import { proposePlan } from '../../src/core/planner/index.ts';
import { slotVerdict } from '../../src/core/rules/index.ts';
import { backingOf, said } from '../../src/core/rules/said.ts';
import {
  aCard,
  aMachine,
  aSlot,
  aStatement,
  occupiedBy,
  told,
  usbNeed,
} from './../builders/parts.ts';

const SLOT = aSlot(2);
const HERE: Machine = { ...aMachine([aSlot(1), SLOT]), name: 'Cove Tower' };
const ON_LINUX: Machine = {
  ...HERE,
  system: { ...HERE.system, family: known('linux', 'technician') },
};
const SYSTEM_UNTOLD: Machine = { ...HERE, system: emptyMachine().system };
const codes = (statements: readonly Statement[], machine = HERE, slot = SLOT) =>
  said({ statements }, slot, machine).map(({ code, verdict }) => `${code} ${verdict}`);

describe('What is said of a card', () => {
  it('counts where it is about this machine, whatever its capitals, and nowhere else', () => {
    expect(codes([aStatement('listed', { machine: ' cove TOWER' })])).to.deep.equal([
      'said.listed clear',
    ]);
    expect(codes([aStatement('listed', { machine: 'Cove Tower 2' })])).to.deep.equal([]);
    expect(codes([aStatement('problem', { machine: 'Cove Tower 2' })])).to.deep.equal([]);
  });

  it('says the best that is said for it, and every trouble beside it', () => {
    const all = [aStatement('claimed'), aStatement('problem'), aStatement('tried')];
    expect(codes(all)).to.deep.equal(['said.tried clear', 'said.problem limited']);
    expect(codes([...all, aStatement('listed')])[0]).to.equal('said.listed clear');
  });

  it('does not count a word for another system, and asks for the system where trouble hangs on it', () => {
    const trouble = [aStatement('problem', { system: 'linux' })];
    expect(codes(trouble, ON_LINUX)).to.deep.equal(['said.problem limited']);
    expect(codes(trouble)).to.deep.equal([]);
    expect(codes(trouble, SYSTEM_UNTOLD)).to.deep.equal(['said.problemPerhaps unknown']);
    const praise = [aStatement('listed', { system: 'linux' })];
    expect(codes(praise, ON_LINUX)).to.deep.equal(['said.listed clear']);
    expect(codes(praise, SYSTEM_UNTOLD)).to.deep.equal([]);
  });

  it('keeps a card that works in one slot only out of every other', () => {
    const only = [aStatement('onlyThere', { slot: 'Slot 2' })];
    expect(codes(only)).to.deep.equal([]);
    expect(codes(only, HERE, aSlot(1))).to.deep.equal(['said.onlyThere blocked']);
    const either = [...only, aStatement('onlyThere', { slot: 'Slot 1' })];
    expect(codes(either, HERE, aSlot(1))).to.deep.equal([]);
    const verdict = slotVerdict(aCard({ statements: only }), aSlot(1), HERE, null);
    expect(verdict.verdict).to.equal('blocked');
  });

  it('gives nothing to a need that asks for more than is said', () => {
    const units = (statements: readonly Statement[], backing: 'claimed' | 'tried' | 'listed') =>
      flowOf(aCard({ statements }), SLOT, usbNeed(2, { backing }), HERE)?.units;
    expect(units([aStatement('claimed')], 'claimed')).to.equal(4);
    expect(units([aStatement('claimed')], 'tried')).to.equal(0);
    expect(units([aStatement('listed')], 'tried')).to.equal(4);
    expect(units([aStatement('listed', { slot: 'Slot 1' })], 'listed')).to.equal(0);
    // Trouble is no backing.
    expect(units([aStatement('problem')], 'claimed')).to.equal(0);
    expect(backingOf({ statements: [] }, SLOT, HERE)).to.equal('none');
  });
});

describe('What is said, in a plan', () => {
  const plan = (cards: readonly Card[], machine = HERE, more = {}) =>
    proposePlan({
      cards,
      machine,
      needs: [usbNeed(2, more)],
      budgetCents: null,
      library: null,
      extras: [],
    });
  const chosen = (...asked: Parameters<typeof plan>) => {
    const { placements } = plan(...asked);
    return placements.map(({ card, slot }) => `${card.id} ${slot.label}`);
  };

  it('takes the dearer card where a must asks for a support list', () => {
    const cheap = aCard({ id: 'cheap', priceCents: 1_000, statements: [aStatement('claimed')] });
    const dear = aCard({ id: 'dear', priceCents: 9_000, statements: [aStatement('listed')] });
    expect(chosen([cheap, dear])[0]).to.match(/^cheap/);
    expect(chosen([cheap, dear], HERE, { backing: 'listed' })[0]).to.match(/^dear/);
  });

  it('goes by the slot that a list names', () => {
    const card = aCard({ statements: [aStatement('listed', { slot: 'Slot 2' })] });
    expect(chosen([card], HERE, { backing: 'listed' })).to.deep.equal(['card Slot 2']);
  });

  it('weighs known trouble against price: 30.00 of it', () => {
    const sound = (priceCents: number) => aCard({ id: 'sound', priceCents });
    const doubtful = aCard({
      id: 'doubtful',
      priceCents: 1_000,
      statements: [aStatement('problem')],
    });
    expect(chosen([sound(3_999), doubtful])[0]).to.match(/^sound/);
    expect(chosen([sound(4_001), doubtful])[0]).to.match(/^doubtful/);
  });

  it('halves the risk of what is not known where the card can go back: 50.00 of 100.00', () => {
    const statements = [aStatement('problem', { system: 'linux' })];
    const card = (id: string, priceCents: number, returnDays: number | null) =>
      aCard({ id, priceCents, returnDays, statements });
    const between = (priceCents: number, days: number | null = 14) =>
      chosen([card('kept', 1_000, null), card('back', priceCents, days)], SYSTEM_UNTOLD)[0];
    const { findings } = slotVerdict(card('kept', 1_000, null), SLOT, SYSTEM_UNTOLD, null);
    const doubts = findings.filter(({ verdict }) => verdict === 'unknown').length;
    expect(doubts).to.be.above(0);
    const even = 1_000 + doubts * 5_000;
    expect(between(even - 1)).to.match(/^back/);
    expect(between(even + 1)).to.match(/^kept/);
    expect(between(even - 1, null)).to.match(/^kept/);
    expect(between(even - 1, 0)).to.match(/^kept/);
  });

  it('asks nobody’s word of a card that works in the machine already', () => {
    const card = aCard({ maker: 'Maker', model: 'Old' });
    const machine = {
      ...HERE,
      slots: [{ ...aSlot(1), occupant: occupiedBy('Maker Old') }, SLOT],
    };
    expect(plan([card], machine, { backing: 'tried' }).unmet).to.deep.equal([]);
    expect(chosen([card], machine, { backing: 'listed' })).to.deep.equal([]);
  });
});

describe('A slot', () => {
  const verdict = (state: 'good' | 'dirty' | 'capped' | 'dead') =>
    slotVerdict(aCard(), aSlot(2, {}, { state: told(state) }), HERE, null).findings.find(
      ({ code }) => ['seat.dead', 'seat.dirty', 'seat.capped'].includes(code),
    );

  it('takes no card where it is dead, and wants a hand where it is dusty or capped', () => {
    expect(verdict('good')).to.equal(undefined);
    expect(verdict('dead')?.verdict).to.equal('blocked');
    expect(verdict('dirty')).to.include({ code: 'seat.dirty', verdict: 'needs' });
    expect(verdict('capped')).to.include({ code: 'seat.capped', verdict: 'needs' });
  });
});

describe('The column of what is said', () => {
  const column = CARD_COLUMNS.find(({ path }) => path === 'statements')!;
  const read = (text: string) => takeCell(aCard(), column, text)?.statements;

  it('reads what it printed', () => {
    const statements = [
      aStatement('listed', { machine: 'Cove Tower', slot: 'Slot 1', source: 'list of the board' }),
      aStatement('problem', { system: 'linux', source: '', date: '2026-03-01' }),
    ];
    expect(read(printCell(aCard({ statements }), column))).to.deep.equal(statements);
    expect(read('')).to.deep.equal([]);
  });

  it('refuses what it does not know', () => {
    for (const wrong of [
      'praised',
      'listed; planet Earth',
      'listed; date yesterday',
      'listed; system of a down',
      'listed; slot 1; slot 2',
      'listed; says problem',
    ])
      expect(read(wrong), wrong).to.equal(undefined);
  });
});
