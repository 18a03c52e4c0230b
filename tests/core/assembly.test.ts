/** The accepted plan as one value: what one card uses no other has, and each card is asked about once. */
import { expect } from 'chai';
import { acceptanceOfTrial, expectations, assemblyOf } from '../../src/core/assembly/index.ts';
import { apply, hasChangedSincePlan } from '../../src/core/commands/index.ts';
import { contradictions, addClaim } from '../../src/core/survey/index.ts';
import {
  emptyCase,
  emptySupply,
  type Card,
  type Enclosure,
  type Job,
  type Machine,
} from '../../src/core/document/index.ts';
import { handOverSheet, shoppingList } from '../../src/core/write/index.ts';
import { housings, withCards, withOccupants } from '../../src/core/placement/index.ts';
import { metTogether } from '../../src/core/plans/index.ts';
import { openItems } from '../../src/core/diagnosis/index.ts';
import { steps } from '../../src/core/procedure/index.ts';
import { valueOf } from '../../src/core/parts/index.ts';
import type { Need } from '../../src/core/kinds/index.ts';
import { usb } from '../../demo/catalogue/row.ts';
import {
  STAMP,
  aCard,
  aJob,
  aMachine,
  aSlot,
  occupiedBy,
  told,
  usbNeed,
} from '../builders/parts.ts';
import { valuesOf } from '../builders/steps.ts';

const fitted = (machine: Machine, cards: Readonly<Record<string, Card>>): Job =>
  aJob(
    { name: 'takeTemplate', machine },
    { name: 'addNeed', need: usbNeed(2) },
    {
      name: 'acceptPlan',
      placements: Object.entries(cards).map(([slotId, card]) => ({ slotId, card })),
      packages: [],
    },
  );

const codes = (job: Job, prefix: string) =>
  assemblyOf(job).cards.map(({ findings }) =>
    findings.flatMap(({ code }) => (code.startsWith(prefix) ? [code] : [])),
  );

const box = (id: string, chainPosition: number): Enclosure => ({
  id,
  name: `Obstacle ${id.toUpperCase()}`,
  chainPosition,
  case: { ...emptyCase(), lengthRoomMm: told(250), openings: told(3), covers: told('snapped') },
  supply: { ...emptySupply(), twelveVoltWatts: told(200 + chainPosition), baseWatts: told(10) },
});

describe('An accepted plan', () => {
  const wantsHeader = (id: string) =>
    aCard({ id, boardLeads: [{ type: 'usb-9-pin', lengthMm: 600 }] });

  it('gives one header to one of two cards, and says of the other that it finds none', () => {
    const machine = aMachine([aSlot(1), aSlot(3)], { headers: told([{ type: 'usb-9-pin' }]) });
    const job = fitted(machine, { s1: wantsHeader('a'), s3: wantsHeader('b') });
    expect(codes(job, 'header.')).to.deep.equal([['header.found'], ['header.missing']]);
    expect(valuesOf(steps(job), 'joinHeader').map(({ slot }) => slot)).to.deep.equal(['Slot 1']);
    // Where there are two, each has its own.
    const two = {
      ...machine,
      headers: told([{ type: 'usb-9-pin' as const }, { type: 'usb-9-pin' as const }]),
    };
    const both = fitted(two, { s1: wantsHeader('a'), s3: wantsHeader('b') });
    expect(codes(both, 'header.')).to.deep.equal([['header.found'], ['header.found']]);
  });

  it('gives one lead of the front to one card', () => {
    const front = (id: string) => aCard({ id, frontHeaders: [{ type: 'usb-19-pin', atMm: 300 }] });
    const machine = aMachine([aSlot(1), aSlot(3)], {
      case: { ...aMachine([]).case, frontLeads: told([{ type: 'usb-19-pin', nearestMm: 0 }]) },
    });
    const job = fitted(machine, { s1: front('a'), s3: front('b') });
    expect(codes(job, 'header.').flat().toSorted()).to.deep.equal([
      'header.frontFound',
      'header.frontMissing',
    ]);
    expect(valuesOf(steps(job), 'joinFront')).to.have.length(1);
  });

  it('feeds all cards from the same plugs, none of them twice', () => {
    const hungry = (id: string) => aCard({ id, sockets: ['8-pin'], peakWatts: 200, slotWatts: 75 });
    const supply = {
      ...aMachine([]).supply,
      twelveVoltWatts: told(900),
      plugs: told([{ type: '8-pin' as const, count: 1 }]),
    };
    const job = fitted(aMachine([aSlot(1), aSlot(3)], { supply }), {
      s1: hungry('a'),
      s3: hungry('b'),
    });
    const fedBy = assemblyOf(job).cards.map(({ feeds }) => feeds.map(({ plugs }) => plugs.length));
    expect(fedBy.flat().toSorted()).to.deep.equal([0, 1]);
    expect(codes(job, 'power.plug').flat().toSorted()).to.deep.equal([
      'power.plugMissing',
      'power.plugsFound',
    ]);
  });

  it('counts the watts of all cards against each of them', () => {
    const job = fitted(
      aMachine([aSlot(1), aSlot(3)], {
        supply: { ...aMachine([]).supply, twelveVoltWatts: told(200), baseWatts: told(100) },
      }),
      {
        s1: aCard({ id: 'a', peakWatts: 60, slotWatts: 60 }),
        s3: aCard({ id: 'b', peakWatts: 60, slotWatts: 60 }),
      },
    );
    for (const { findings } of assemblyOf(job).cards) {
      const sum = findings.find(({ code }) => code === 'power.sumShort');
      expect(sum).to.include({ needed: 220, available: 200 });
    }
  });

  it('asks for no more than one verdict a card, for steps, sheet, lists and what is open', () => {
    let asked = 0;
    const counted = (id: string): Card =>
      Object.defineProperty(aCard({ id }), 'quirks', {
        enumerable: true,
        get: () => {
          asked += 1;
          return [];
        },
      }) as Card;
    const slots = [1, 2, 3, 4, 5, 6, 7, 8].map((n) => aSlot(n));
    const cards = Object.fromEntries(slots.map(({ id }) => [id, counted(id)]));
    const job = fitted(aMachine(slots), cards);
    asked = 0;
    const sheet = handOverSheet(job);
    shoppingList(job, 0);
    openItems(job);
    steps(job);
    expect(sheet.cards).to.have.length(8);
    expect(asked).to.be.within(1, 8);
  });

  it('tells two cards of a kind apart in every step, by slot and box', () => {
    const slots = [
      aSlot(1),
      { ...aSlot(2), id: 'x1', label: 'Slot 1', opening: told(1), enclosureId: 'x' },
    ];
    const machine = aMachine(slots, { enclosures: [box('x', 1)] });
    const same = aCard({ id: 'a' });
    const all = steps(fitted(machine, { s1: same, x1: same }));
    const seats = valuesOf(all, 'seat').map(({ slot, enclosure: of }) => [slot, of]);
    expect(seats).to.deep.equal([
      ['Slot 1', ''],
      ['Slot 1', 'Obstacle X'],
    ]);
    const covers = valuesOf(all, 'removeCover');
    expect(covers.map(({ opening, enclosure: of }) => [opening, of])).to.deep.equal([
      [1, ''],
      [1, 'Obstacle X'],
    ]);
    // The edges of a box's own covers, not those of the machine's case.
    expect(covers[1]?.covers).to.equal('snapped');
  });
});

describe('Cards on trial', () => {
  it('in one external box leave what is known of another as it was', () => {
    const slots = ['x', 'y'].map((id) => ({
      ...aSlot(1),
      id: `${id}1`,
      enclosureId: id,
    }));
    const machine = aMachine([aSlot(1), ...slots], { enclosures: [box('x', 1), box('y', 2)] });
    const after = withCards(machine, [{ card: aCard({ peakWatts: 30 }), slot: slots[0]! }]);
    const [own, first, second] = housings(after).map((each) => each.machine);
    expect(valueOf(first!.supply.baseWatts)).to.equal(40);
    expect(second!.supply).to.deep.equal(box('y', 2).supply);
    expect(second!.case).to.deep.equal(box('y', 2).case);
    expect(own!.supply).to.deep.equal(machine.supply);
  });

  it('serve one need with each of their ports, musts first', () => {
    const carrier = aCard({ delivers: usb(1, '2.0', 500) });
    const machine = withOccupants(aMachine([aSlot(1)], { builtIn: told([]) }), [
      { card: carrier, slot: aSlot(1) },
    ]);
    const nice = usbNeed(1, { id: 'nice', must: false, bytesPerSecond: 20e6 });
    const must = usbNeed(1, { id: 'must', bytesPerSecond: 20e6 });
    const states = (needs: readonly Need[]) =>
      metTogether(needs, machine, [carrier]).map(({ state }) => state);
    expect(states([nice])).to.deep.equal(['met']);
    expect(states([nice, must])).to.deep.equal(['short', 'met']);
    expect(states([nice, { ...nice, id: 'other', where: 'front' } as Need])).to.deep.equal([
      'met',
      'short',
    ]);
  });

  it('are accepted for one need, where one port would serve each of two', () => {
    const carrier = aCard({ delivers: usb(1, '3.2-1', 900) });
    const machine = aMachine([aSlot(1)], { builtIn: told([]) });
    const job = aJob(
      { name: 'takeTemplate', machine },
      { name: 'addNeed', need: usbNeed(1, { id: 'nice', must: false }) },
      { name: 'addNeed', need: usbNeed(1, { id: 'must' }) },
    );
    const tried = [{ card: carrier, slot: machine.slots[0]! }];
    const taken = acceptanceOfTrial(tried, job, null, { cards: [carrier], extras: [] });
    expect(taken.unmet).to.deep.equal(['nice']);
    const accepted = apply(job, { name: 'acceptPlan', ...taken }, STAMP);
    expect(expectations(accepted).map(({ flow }) => flow === null)).to.deep.equal([true, false]);
    // What was left goes with the need itself.
    const fewer = apply(accepted, { name: 'removeNeed', needId: 'nice' }, STAMP);
    expect(fewer.plan?.unmet).to.deep.equal([]);
  });

  it('are accepted with what has to be bought for them, and what makes room', () => {
    const spare = { ...aSlot(1), occupant: occupiedBy('Old card', 1, 'optional') };
    const machine = aMachine([spare], {
      case: { ...aMachine([]).case, spareScrews: told(0) },
    });
    const job = aJob({ name: 'takeTemplate', machine }, { name: 'addNeed', need: usbNeed(2) });
    const taken = acceptanceOfTrial([{ card: aCard(), slot: spare }], job, null, {
      cards: [aCard()],
      extras: [],
    });
    expect(taken.givenUp).to.deep.equal(['s1']);
    expect(taken.extras.map(({ kind }) => kind)).to.include('screws');
    const accepted = apply(job, { name: 'acceptPlan', ...taken }, STAMP);
    expect(valuesOf(steps(accepted), 'orderExtra').map(({ kind }) => kind)).to.deep.equal(
      taken.extras.map(({ kind }) => kind),
    );
    expect(hasChangedSincePlan(accepted)).to.equal(false);
    const changed = apply(accepted, { name: 'addNeed', need: usbNeed(4, { id: 'more' }) }, STAMP);
    expect(hasChangedSincePlan(changed)).to.equal(true);
    const ticked = apply(accepted, { name: 'tickStep', of: steps(accepted)[0]! }, STAMP);
    expect(hasChangedSincePlan(ticked)).to.equal(false);
  });
});

describe('A correction', () => {
  it('contradicts nobody: neither of a template, nor of what becomes of a card', () => {
    const corrected = addClaim(addClaim(null, 16, 'template', 'wiring'), 8, 'technician', 'sight');
    const seen = occupiedBy('Old card');
    const decided = addClaim(
      addClaim(null, seen!.value, 'text', 'sight'),
      seen!.value && { ...seen!.value, disposition: 'remove' as const },
      'technician',
      'sight',
    );
    const machine = aMachine([{ ...aSlot(1), lanes: corrected, occupant: decided }]);
    expect(contradictions(machine)).to.deep.equal([]);
    // What was read from the machine itself is another matter.
    const read = addClaim(addClaim(null, 16, 'registers', 'wiring'), 8, 'technician', 'sight');
    expect(contradictions(aMachine([{ ...aSlot(1), lanes: read }]))).to.have.length(1);
  });
});
