/** The board drawing, before anything is scaled: does every rectangle come from millimetres? */
import { expect } from 'chai';
import { CONNECTOR_LENGTH_MM, OPENING_PITCH_MM } from '$core/standards';
import { cardName, emptySlot, type Machine, type Slot } from '$core/document';
import type { Rectangle } from '$core/placement';
import { boardLayout } from '$lib/board/layout';
import { boardScale } from '$lib/board/scale';
import { lanesUsed } from '$lib/board/lanes';
import { plannedWords, slotLine } from '$lib/board/slotWords';
import { aCard, aMachine, aSlot, occupiedBy, told } from '../builders/parts';

const draw = (machine: Machine) => boardLayout(machine, []);
const slotOf = (machine: Machine) => draw(machine).slots[0]!;

describe('Board layout', () => {
  it('places openings one pitch apart, from the first one’s middle', () => {
    const { openings } = draw(aMachine([]));
    expect(openings).to.have.length(7);
    const middles = openings.map(({ yMm, depthMm }) => yMm + depthMm / 2);
    expect(middles[0]).to.be.closeTo(173, 1e-9);
    expect(middles[6]! - middles[0]!).to.be.closeTo(6 * OPENING_PITCH_MM, 1e-9);
  });

  it('draws a connector at its length, and within it the lanes really wired', () => {
    const drawn = slotOf(aMachine([aSlot(5, { connector: 16, lanes: 4 })]));
    expect(drawn.connector.widthMm).to.equal(CONNECTOR_LENGTH_MM[16]);
    expect(drawn.wired?.widthMm).to.equal(CONNECTOR_LENGTH_MM[4]);
    expect(drawn.middleMm).to.be.closeTo(173 + 4 * OPENING_PITCH_MM, 1e-9);
  });

  it('draws two lanes between one and four, and never beyond the connector', () => {
    const two = slotOf(aMachine([aSlot(1, { connector: 16, lanes: 2 })])).wired!.widthMm;
    expect(two).to.be.within(CONNECTOR_LENGTH_MM[1]!, CONNECTOR_LENGTH_MM[4]!);
    const wider = slotOf(aMachine([aSlot(1, { connector: 1, lanes: 4 })]));
    expect(wider.wired?.widthMm).to.equal(wider.connector.widthMm);
  });

  it('draws what is not known as not known', () => {
    const drawn = slotOf(aMachine([aSlot(1, {}, { connectorLanes: null, lanes: null })]));
    expect([drawn.lengthKnown, drawn.wired]).to.deep.equal([false, null]);
    const unplaced = draw(aMachine([aSlot(1, {}, { opening: null })]));
    expect(unplaced.slots.map(({ placed }) => placed)).to.deep.equal([false]);
    // It is drawn in a row below the board, and touches nothing there.
    expect(unplaced.slots[0]!.middleMm).to.be.greaterThan(305);
    expect(unplaced.trayMm).to.be.greaterThan(305);
    expect(draw(aMachine([aSlot(1)])).trayMm).to.equal(null);
  });

  it('gives a card its length and its thickness', () => {
    const machine = aMachine([aSlot(2)]);
    const card = aCard({ lengthMm: 201, openings: 2 });
    const [body] = boardLayout(machine, [{ card, slot: machine.slots[0]! }]).bodies;
    expect(body).to.include({ widthMm: 201, lengthMm: 201, kind: 'planned' });
    // Card Electromechanical Specification (from memory): 14.47 mm to the component side, 2.67 to the other.
    expect(body!.depthMm).to.be.closeTo(14.47 + 2.67 + OPENING_PITCH_MM, 1e-9);
  });

  it('marks openings as taken by what stands in front of them', () => {
    const machine = aMachine([aSlot(1, {}, { occupant: occupiedBy('Thick', 2) }), aSlot(4)]);
    const plan = [{ card: aCard(), slot: machine.slots[1]! }];
    const taken = boardLayout(machine, plan).openings.map(({ takenBy }) => takenBy);
    expect(taken).to.deep.equal(['card', 'card', null, 'planned', null, null, null]);
    // Sockets at the end of a ribbon take the last opening; a module on the board takes none.
    const ribbon = [{ card: aCard({ plates: 1 }), slot: machine.slots[1]! }];
    expect(boardLayout(machine, ribbon).openings[6]?.takenBy).to.equal('planned');
    const socket = {
      ...emptySlot('m', 'Module', 'm2'),
      place: told({ xMm: 60, yMm: 165 }),
      occupant: occupiedBy('Radio', null),
    };
    expect(draw(aMachine([socket])).openings[0]?.takenBy).to.equal(null);
  });

  it('shows the ground that two things claim', () => {
    const machine = aMachine([aSlot(1), aSlot(2, {}, { occupant: occupiedBy('Below') })], {
      obstacles: [
        {
          id: 'high',
          name: 'Cage',
          kind: 'other',
          moving: '',
          xMm: 100,
          yMm: 175,
          widthMm: 40,
          depthMm: 4,
          heightMm: 30,
          movable: false,
        },
        {
          id: 'flat',
          name: 'Chip',
          kind: 'other',
          moving: '',
          xMm: 20,
          yMm: 175,
          widthMm: 10,
          depthMm: 4,
          heightMm: 5,
          movable: false,
        },
      ],
    });
    const trial = { card: aCard({ lengthMm: 120, openings: 2 }), slot: machine.slots[0]! };
    const { conflicts } = boardLayout(machine, [], [trial]);
    expect(conflicts).to.have.length(2);
    const cage = conflicts.find(({ xMm }) => xMm === 100) as Rectangle;
    expect([cage.widthMm, cage.depthMm]).to.deep.equal([20, 4]);
  });

  it('shows by how much a card is longer than its room', () => {
    const machine = aMachine([aSlot(1)]);
    const { conflicts } = boardLayout(
      machine,
      [],
      [{ card: aCard({ lengthMm: 318 }), slot: machine.slots[0]! }],
    );
    expect(conflicts).to.have.length(1);
    expect(conflicts[0]).to.include({ xMm: 300, widthMm: 18 });
  });

  it('holds everything it draws', () => {
    const machine = aMachine([aSlot(1, {}, { occupant: occupiedBy('There') }), aSlot(7)], {
      obstacles: [
        {
          id: 'b',
          name: 'Cage',
          kind: 'other',
          moving: '',
          xMm: 290,
          yMm: 170,
          widthMm: 60,
          depthMm: 100,
          heightMm: 60,
          movable: false,
        },
      ],
    });
    const layout = boardLayout(machine, [
      { card: aCard({ lengthMm: 340 }), slot: machine.slots[1]! },
    ]);
    const all = [
      ...layout.openings,
      ...layout.bodies,
      ...layout.obstacles,
      layout.board!,
      layout.ports!,
    ];
    for (const { xMm, yMm, widthMm, depthMm } of all) {
      expect(xMm).to.be.at.least(layout.leftMm);
      expect(yMm).to.be.at.least(layout.topMm);
      expect(xMm + widthMm).to.be.at.most(layout.leftMm + layout.widthMm);
      expect(yMm + depthMm).to.be.at.most(layout.topMm + layout.heightMm);
    }
  });
});

describe('Board on the screen', () => {
  it('lies where its millimetres say, at one scale in both directions', () => {
    const machine = aMachine([aSlot(1, { connector: 16, lanes: 4 })]);
    const layout = draw(machine);
    const scale = boardScale(layout, 2);
    expect(scale.rightPx).to.equal(2 * layout.widthMm);
    expect(scale.bottomPx).to.equal(2 * layout.heightMm);
    const { connector } = layout.slots[0]!;
    expect(scale.rect(connector)).to.deep.equal({
      x: 2 * (connector.xMm - layout.leftMm),
      y: 2 * (connector.yMm - layout.topMm),
      width: 2 * CONNECTOR_LENGTH_MM[16]!,
      height: 2 * connector.depthMm,
    });
    expect(scale.y(173 + OPENING_PITCH_MM) - scale.y(173)).to.be.closeTo(40.64, 1e-9);
  });
});

describe('Words on the board', () => {
  it('say what is known of a slot, and what is not', () => {
    expect(slotLine(aSlot(1, { connector: 16, lanes: 4, generation: 3 }))).to.equal(
      'x16, wired x4, Gen 3',
    );
    expect(slotLine(aSlot(1, { connector: 1 }))).to.equal('x1, all wired, Gen 3');
    expect(
      slotLine(aSlot(1, {}, { connectorLanes: null, lanes: null, generation: null })),
    ).to.equal('length ?, lanes ?, Gen ?');
  });

  it('say what a plan makes of a slot', () => {
    const [there, gone] = ['There', 'Gone'].map((name) => occupiedBy(name));
    const holding = (occupant: Slot['occupant']) => aSlot(1, {}, { occupant });
    const empty = holding(told(null));
    expect(plannedWords(empty, empty, [])).to.equal('');
    expect(plannedWords(empty, empty, [aCard({ maker: 'A', model: 'B' })])).to.equal('A B');
    expect(plannedWords(holding(there!), holding(there!), [])).to.equal('');
    expect(plannedWords(holding(there!), empty, [])).to.equal('moves away');
    expect(plannedWords(holding(gone!), holding(there!), [])).to.equal('There, moved here');
    expect(plannedWords(holding(gone!), holding(occupiedBy('Gone', 1, 'remove')), [])).to.equal(
      'comes out',
    );
  });
});

describe('Lanes in use', () => {
  it('counts what fitted cards hold and what planned cards train to', () => {
    const machine = aMachine([
      aSlot(1, { connector: 16, lanes: 16 }, { occupant: occupiedBy('There') }),
      aSlot(3, { connector: 16, lanes: 4 }),
      aSlot(5, {}, { lanes: null }),
      aSlot(6, {}, { bus: 'pci' }),
    ]);
    const plan = [{ card: aCard({ lanes: 8 }), slot: machine.slots[1]! }];
    expect(lanesUsed(machine, plan, [])).to.deep.equal({ wired: 20, used: 20 });
    // With its record in the catalogue a card holds only what its link trains to.
    const small = aCard({ lanes: 1 });
    const known = aMachine([
      aSlot(1, { connector: 16, lanes: 16 }, { occupant: occupiedBy(cardName(small)) }),
    ]);
    expect(lanesUsed(known, [], [small])).to.deep.equal({ wired: 16, used: 1 });
    expect(lanesUsed(aMachine([{ ...aSlot(1), lanes: told(2) }]), [], [])).to.deep.equal({
      wired: 2,
      used: 0,
    });
  });
});
