/** The cards as a comparison: what is sought, left out and put first. */
import { expect } from 'chai';
import { metByMachine } from '$core/flow';
import { outcome } from '$core/outcome';
import { plainNeed, type Need } from '$core/kinds';
import { verdictAsker } from '$core/rules';
import type { Card, Machine } from '$core/document';
import { comparing, sifted, sortedBy, SORTS, type Sifting } from '$lib/catalogue/comparison';
import { metByMachineWords, needWords } from '$words/needs';
import { CARDS } from '../../demo/catalogue/cards';
import { network, usb } from '../../demo/catalogue/row';
import { PACKAGES } from '../builders/library';
import { SMALL_DESKTOP, TOWER } from '../../demo/machines';
import { aCard, aMachine, aSlot, told } from '../builders/parts';

const ALL: Sifting = { kind: 'all', sought: '', goesIn: false, meets: false };
const models = (sifting: Partial<Sifting>, kinds: readonly string[] = []) =>
  sifted(CARDS, { ...ALL, ...sifting }, new Set(kinds)).map(({ model }) => model);

describe('Cards that are sought', () => {
  it('hold every word, wherever it stands: name, kind, plug, bus, lead, identity', () => {
    expect(models({ sought: 'gull 1200' })).to.deep.equal(['Gull 1200']);
    expect(models({ sought: 'F1A4:7402' })).to.deep.equal(['Gull 1200']);
    expect(models({ sought: 'type-c-20-pin 2x2' })).to.deep.equal(['Pier 0X']);
    expect(models({ sought: '12v-2x6' })).to.deep.equal(['Foghorn 320', 'Foghorn 450']);
    expect(models({ sought: 'no such card' })).to.deep.equal([]);
    expect(models({ sought: '  ' })).to.have.length(CARDS.length);
  });

  it('are of the kinds that are needed, of one kind, or of any', () => {
    const needed = models({ kind: 'needed' }, ['legacy']);
    expect(needed.every((model) => model.startsWith('Bollard'))).to.equal(true);
    expect(models({ kind: 'legacy' })).to.deep.equal(needed);
    expect(models({ kind: 'needed' })).to.have.length(CARDS.length);
  });
});

const compared = (cards: readonly Card[], machine: Machine, needs: readonly Need[]) => {
  const { whole } = verdictAsker(machine, PACKAGES);
  const rowOf = (card: Card) => machine.slots.map((slot) => whole(card, slot));
  return outcome(comparing(cards, rowOf, needs, machine));
};

describe('Cards compared', () => {
  const needs: readonly Need[] = [
    plainNeed('screens', 's', { input: 'displayport' }),
    plainNeed('wifi', 'w', { megabits: 90 }),
  ];
  const machine: Machine = {
    ...SMALL_DESKTOP,
    path: { ...SMALL_DESKTOP.path, internetMegabits: told(100) },
  };
  const cards = sifted(CARDS, { ...ALL, kind: 'needed' }, new Set(['screens', 'wifi']));
  const rows = compared(cards, machine, needs);
  const of = (model: string) => rows.find(({ card }) => card.model === model)!;

  it('say where each does best, what it gives there, and which needs it meets alone', () => {
    expect(of('Lantern 2').best?.slot.id).to.equal('s2');
    expect(of('Lantern 2').meets.map(({ id }) => id)).to.deep.equal(['s']);
    expect(of('Lantern 2').flow).to.include({ units: 2 });
    // It would do for both screens, but its slot gives too few watts: nothing is met.
    expect(of('Lantern 3').best?.verdict).to.equal('blocked');
    expect(of('Lantern 3').meets).to.deep.equal([]);
  });

  it('put first what is asked for, and the cheaper one among equals', () => {
    for (const sort of SORTS) {
      const sorted = sortedBy(rows, sort);
      expect([...sorted].map(({ card }) => card.id)).to.have.members(
        rows.map(({ card }) => card.id),
      );
    }
    const first = (sort: (typeof SORTS)[number]) => sortedBy(rows, sort)[0]!;
    expect(first('fit').meets).to.have.length(1);
    expect(first('price').card.priceCents).to.equal(
      Math.min(...cards.map((card) => card.priceCents)),
    );
    expect(first('name').card.maker).to.equal('Kelpwick');
    const prices = sortedBy(rows, 'days').map(
      ({ card }) => [card.leadDays, card.priceCents] as const,
    );
    for (const [n, [days, price]] of prices.entries()) {
      const next = prices[n + 1];
      if (next === undefined) continue;
      expect(days! < next[0]! || (days === next[0] && price <= next[1])).to.equal(true);
    }
  });
});

describe('Cards for drives compared', () => {
  it('put first what gives most of what is needed where none gives all, and carriers for other drives last', () => {
    const need = plainNeed('drives', 'd', { ports: 30, drive: 'sata', bytesPerSecond: 20e6 });
    const cards = sifted(CARDS, { ...ALL, kind: 'needed' }, new Set(['drives']));
    const rows = sortedBy(compared(cards, TOWER, [need]), 'fit');
    expect(rows.every(({ meets }) => meets.length === 0)).to.equal(true);
    const gives = rows.map(({ serves }) => serves);
    expect(gives[0]).to.be.within(0.2, 0.99);
    expect(gives).to.deep.equal(gives.toSorted((a, b) => b - a));
    for (const { card, serves } of rows)
      if (card.delivers.kind === 'drives' && card.delivers.socket === 'm2')
        expect(serves, card.model).to.equal(0);
  });
});

describe('Words of needs', () => {
  const machine = aMachine([aSlot(1)], { builtIn: told([usb(4, '2.0', 500), network(1, [1000])]) });
  const says = (need: Need, there = machine) =>
    metByMachineWords(metByMachine(need, there, [aCard()]), need);

  it('carry the figure, and say when nothing is known or nothing of the kind is there', () => {
    const sticks = plainNeed('usb', 'u', { ports: 4, bytesPerSecond: 30e6 });
    expect(says(sticks)).to.match(/does it already: 4 of that kind, 40 MB\/s for 30 MB\/s wanted/);
    expect(says({ ...sticks, bytesPerSecond: 200e6 })).to.match(
      /^Not as it stands: 40 MB\/s for 200 MB\/s/,
    );
    const met = metByMachine(sticks, machine, []);
    const catches = [
      { code: 'deliver.screenAdapter', verdict: 'needs', subject: 'dp-hdmi-active' } as const,
    ];
    expect(metByMachineWords({ ...met, catches }, sticks)).to.match(
      /wanted\. An adapter goes between output and screen: DisplayPort to HDMI, active\. Order it, unless it is there\.$/,
    );
    expect(says({ ...sticks, where: 'front' })).to.match(/no such port at the front/);
    expect(says(plainNeed('sound', 's'))).to.equal('The machine has nothing of the kind.');
    expect(says(sticks, { ...machine, builtIn: null })).to.match(/is not known/);
    expect(says(plainNeed('keep', 'k', { slotId: 's1' }))).to.equal(
      'The survey says that it goes.',
    );
  });

  it('name every number of every kind in one line', () => {
    const lines = [
      plainNeed('network', 'n', { ports: 2, features: ['teaming'] }),
      plainNeed('usb', 'u', { typeC: true, where: 'front', milliamps: 1500 }),
      plainNeed('graphics', 'g', { memoryGigabytes: 12, speedClass: 4, encodes: ['av1'] }),
      plainNeed('drives', 'd', {
        drive: 'm2',
        together: false,
        bootable: true,
        systemDriver: true,
      }),
      plainNeed('legacy', 'l', { port: 'parallel' }),
    ].map(needWords);
    expect(lines).to.deep.equal([
      'Copies at 250 MB/s, 2 ports, teaming',
      '4 Type-C at the front, 200 MB/s on one, 1.5 A each',
      '12 GB of memory, class 4, AV1',
      '2 M.2 drives, 400 MB/s each alone, bootable, runs on the system’s own driver',
      '1 parallel',
    ]);
  });
});
