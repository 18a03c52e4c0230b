/** What lies in the boxes of cards: only what is missing is bought, and what is over stands on the sheet. */
import { expect } from 'chai';
import { assemblyOf } from '../../src/core/assembly/index.ts';
import { handOverSheet } from '../../src/core/write/index.ts';
import { plainNeed } from '../../src/core/kinds/index.ts';
import { proposePlan } from '../../src/core/planner/index.ts';
import type { Card, Machine } from '../../src/core/document/index.ts';
import { EXTRAS } from '../../demo/catalogue/extras.ts';
import { screens } from '../../demo/catalogue/row.ts';
import { aCard, aJob, aMachine, aSlot, told } from '../builders/parts.ts';

type Box = Card['contents'];
const JOIN: Box = [{ kind: 'plugAdapter', fits: 'two-6-pin-to-8-pin' }];

const graphics = (id: string, contents: Box, more: Partial<Card> = {}): Card =>
  aCard({
    id,
    model: id,
    lanes: 16,
    peakWatts: 150,
    slotWatts: 60,
    sockets: ['8-pin'],
    contents,
    delivers: screens(4, [['dp-hbr3', 4]], 8, 3),
    ...more,
  });
const machine = (sixPins: number, slots = [aSlot(1), aSlot(3)]): Machine => {
  const plain = aMachine(slots);
  return {
    ...plain,
    supply: {
      ...plain.supply,
      twelveVoltWatts: told(900),
      plugs: told([{ type: '6-pin', count: sixPins }]),
    },
  };
};
const fitted = (of: Machine, ...cards: readonly Card[]) =>
  aJob(
    { name: 'takeTemplate', machine: of },
    {
      name: 'acceptPlan',
      placements: cards.map((card, n) => ({ slotId: of.slots[n]!.id, card })),
      packages: [],
    },
  );
const ordered = (job: ReturnType<typeof fitted>) =>
  assemblyOf(job).extras.map(({ kind, fits, count }) => [kind, fits, count]);

describe('What lies in the box', () => {
  it('is not bought once more: a plug adapter, and the second one is', () => {
    const one = [['plugAdapter', 'two-6-pin-to-8-pin', 1]];
    expect(ordered(fitted(machine(2), graphics('a', [])))).to.deep.equal(one);
    expect(ordered(fitted(machine(2), graphics('a', JOIN)))).to.deep.equal([]);
    // Of two cards one brings an adapter: it feeds either of them.
    const two = fitted(machine(4), graphics('a', []), graphics('b', JOIN));
    expect(ordered(two)).to.deep.equal(one);
    const both = fitted(machine(4), graphics('a', []), graphics('b', [...JOIN, ...JOIN]));
    expect(ordered(both)).to.deep.equal([]);
  });

  it('does not stand in for another kind, nor another fit', () => {
    const other: Box = [
      { kind: 'plugAdapter', fits: 'split-sata' },
      { kind: 'screenAdapter', fits: 'two-6-pin-to-8-pin' },
    ];
    expect(ordered(fitted(machine(2), graphics('a', other)))).to.have.length(1);
  });

  it('stands on the sheet where nothing wants it, with the card whose it is', () => {
    const contents: Box = [...JOIN, { kind: 'screenAdapter', fits: 'dp-hdmi-passive' }];
    const left = (sixPins: number) =>
      handOverSheet(fitted(machine(sixPins), graphics('a', contents))).leftInBoxes.map(
        ({ card, fits }) => [card.id, fits],
      );
    expect(left(2)).to.deep.equal([['a', 'dp-hdmi-passive']]);
    // Without plugs for it the adapter is over as well.
    expect(left(0)).to.deep.equal([
      ['a', 'dp-hdmi-passive'],
      ['a', 'two-6-pin-to-8-pin'],
    ]);
  });

  it('decides between two cards: the dearer one that brings its adapter comes cheaper', () => {
    const plan = (contents: Box) =>
      proposePlan({
        machine: machine(2, [aSlot(1)]),
        needs: [plainNeed('graphics', 'g', { speedClass: 3, memoryGigabytes: 8 })],
        budgetCents: null,
        cards: [
          graphics('bare', [], { priceCents: 20_000 }),
          graphics('whole', contents, { priceCents: 20_500 }),
        ],
        extras: EXTRAS,
        library: [],
      });
    // The adapter costs 9.00 in the catalogue.
    expect(plan(JOIN).placements.map(({ card }) => card.id)).to.deep.equal(['whole']);
    expect(plan(JOIN).extras).to.deep.equal([]);
    expect(plan([]).placements.map(({ card }) => card.id)).to.deep.equal(['bare']);
  });
});
