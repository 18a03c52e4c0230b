/** The words beside the drawing and its views from the side and from behind, before a browser draws them. */
import { expect } from 'chai';
import { OPENING_PITCH_MM, REAR_SOCKETS } from '$core/standards';
import { handled } from '$core/procedure';
import { plainNeed } from '$core/kinds';
import { rearLeads, rearSocketsOf } from '$core/assembly';
import type { Card, Job } from '$core/document';
import { boardLayout } from '$lib/board/layout';
import { elevationRows, elevationsOf } from '$lib/board/elevations';
import { ROW_PX, distinctNames, partsWithin, shortened, spread, textPx } from '$lib/board/labels';
import { placedRows, planRows } from '$lib/board/rows';
import { viewsOf } from '$lib/board/views';
import { leadEndWords, socketWords } from '$words/rear';
import { AT, aCard, aMachine, aSlot, occupiedBy, told } from '../builders/parts';
import { screens, sound, usb } from '../../demo/catalogue/row.ts';
import { soaked } from '../builders/soak.ts';
import { chanceOf } from '../builders/absurdJob.ts';
import { doneAt, named, seating } from '../builders/acts';

const SEED = Number(process.env['SEED'] ?? 20261127);

describe('Rows of words', () => {
  it('stand a row apart, in order, and as near to what they name as that allows', () => {
    expect(spread([20, 60], 0)).to.deep.equal([20, 60]);
    // Two that want the same place share it between them.
    expect(spread([50, 50], 0)).to.deep.equal([50 - ROW_PX / 2, 50 + ROW_PX / 2]);
    // Nothing stands above the edge.
    expect(spread([0, 0, 0], 3)).to.deep.equal([0, 1, 2].map((n) => 3 + (n + 0.5) * ROW_PX));
  });

  it('never overlap, however many there are, and no order of blocks does better', () => {
    const chance = chanceOf(SEED);
    for (let round = 0; round < soaked(200, 2_000); round += 1) {
      const wanted = Array.from({ length: 1 + Math.floor(chance() * 40) }, () =>
        Math.round(chance() * 400),
      ).toSorted((a, b) => a - b);
      const placed = spread(wanted, 0);
      placed.slice(1).forEach((y, n) => {
        expect(y - placed[n]!, `seed ${SEED}, round ${round}`).to.be.at.least(ROW_PX - 1e-9);
      });
      // Least squares: within a block the wishes and the places have the same mean, except at the edge.
      const far = (rows: readonly number[]) =>
        rows.reduce((sum, y, n) => sum + (y - wanted[n]!) ** 2, 0);
      const nudged = placed.map((y) => y + 0.5);
      expect(far(placed)).to.be.at.most(far(nudged) + 1e-6);
    }
  });

  it('are cut to their room, and what is left still tells them apart', () => {
    const long = 'Riverbank Systems Port Connector Assembly X16_1';
    expect(textPx(shortened(long, 120))).to.be.at.most(120);
    expect(shortened(long, 120)).to.match(/^River.*…16_1$|^River.*….*_1$/);
    expect(shortened('Slot 1', 120)).to.equal('Slot 1');
    const twins = ['00:1c.0', '00:1c.4'].map((also) => ({ name: long, also, roomPx: 150 }));
    const [one, other] = distinctNames(twins);
    expect(one).to.match(/00:1c\.0$/);
    expect(other).to.match(/00:1c\.4$/);
    // Without an address they are counted.
    const bare = [1, 2, 3].map(() => ({ name: long, also: '', roomPx: 120 }));
    expect(new Set(distinctNames(bare)).size).to.equal(3);
    expect(partsWithin('x16, wired x4, Gen 3', 80)).to.equal('x16');
    expect(partsWithin('wired', 10)).to.equal('');
  });

  it('name every slot, body and obstacle once: what comes out and what goes in are rows of their own', () => {
    const machine = aMachine([
      aSlot(1, {}, { occupant: occupiedBy('Old tuner', 1, 'remove') }),
      aSlot(3, {}, { occupant: occupiedBy('Sound card') }),
    ]);
    const card = aCard({ maker: 'Kelpwick', model: 'Lantern 2' });
    const layout = boardLayout(machine, [{ card, slot: machine.slots[0]! }]);
    const views = viewsOf(machine, layout, 615, 560);
    const rows = placedRows(planRows(machine, layout, views, new Map()), views);
    const said = rows.map(({ name, figure }) => `${name}: ${figure}`);
    expect(said.filter((words) => words.startsWith('Old tuner'))).to.deep.equal([
      'Old tuner: comes out, 150 mm',
    ]);
    expect(said.some((words) => /^Kelpwick Lantern 2: \d+ mm/.test(words))).to.equal(true);
    expect(said.some((words) => words.startsWith('Sound card: 150 mm'))).to.equal(true);
    expect(new Set(rows.map(({ key }) => key)).size).to.equal(rows.length);
  });
});

describe('Views from the side and from behind', () => {
  const fanned = (over: Partial<Card> = {}) =>
    aCard({ fan: { fromMm: 60, toMm: 130, airMm: 20 }, lengthMm: 180, openings: 2, ...over });

  it('stand at the plan’s own scale: below it and beside it, or where there is little room all below', () => {
    const machine = aMachine([aSlot(1)]);
    const layout = boardLayout(machine, []);
    for (const wide of [1100, 615, 288]) {
      const views = viewsOf(machine, layout, wide, 560);
      const { pxPerMm } = views.plan;
      expect(views.sideY(0) - views.sideY(100)).to.be.closeTo(100 * pxPerMm, 1e-9);
      expect(views.rearX(100) - views.rearX(0)).to.be.closeTo(100 * pxPerMm, 1e-9);
      expect(views.rearY(100) - views.rearY(0)).to.be.closeTo(100 * pxPerMm, 1e-9);
      expect(views.columnPx + views.columnWidthPx).to.be.at.most(wide + 1);
      const isBeside = views.rearY(0) === views.plan.y(0);
      expect(isBeside, `${wide} px`).to.equal(wide > 500);
      expect(views.plan.x(layout.leftMm)).to.be.at.least(views.rearX(isBeside ? 120 : 0));
    }
  });

  it('give the air before a fan in millimetres, up to the next body that reaches it', () => {
    const machine = aMachine([aSlot(1), aSlot(4)]);
    const [first, second] = machine.slots;
    const air = (other: Card) => {
      const placed = [
        { card: fanned({ id: 'f' }), slot: first! },
        { card: other, slot: second! },
      ];
      return elevationsOf(machine, boardLayout(machine, placed), placed, []).airs[0]!.thereMm;
    };
    // One empty opening, and what is left of the pitch beside the two single widths: 20.32 − 14.47 − 2.67.
    expect(air(aCard({ id: 'o', lengthMm: 150 }))).to.be.closeTo(
      OPENING_PITCH_MM + (20.32 - 14.47 - 2.67),
      1e-9,
    );
    expect(air(aCard({ id: 'o', lengthMm: 50 }))).to.equal(null);
  });

  it('hatch where two things meet, between the heights at which they do', () => {
    const machine = aMachine([aSlot(1)], {
      obstacles: [
        {
          id: 'cage',
          name: 'Cage',
          kind: 'cage',
          xMm: 150,
          yMm: 160,
          widthMm: 60,
          depthMm: 60,
          heightMm: 40,
          movable: false,
          moving: '',
        },
      ],
    });
    const placed = [{ card: fanned({ heightMm: 111 }), slot: machine.slots[0]! }];
    const { conflicts } = boardLayout(machine, placed);
    expect(conflicts).to.have.length(1);
    expect(conflicts[0]).to.include({ xMm: 150, widthMm: 30, fromMm: 12, toMm: 40 });
    const rows = elevationRows(
      elevationsOf(machine, boardLayout(machine, placed), placed, []),
      boardLayout(machine, placed),
      viewsOf(machine, boardLayout(machine, placed), 615, 560),
    );
    expect(rows.map(({ figure }) => figure)).to.include.members(['120 mm', '79 mm', '111 mm high']);
  });

  it('draw brackets as they will be, and sockets to size', () => {
    const machine = aMachine([
      aSlot(1),
      aSlot(3, {}, { occupant: occupiedBy('Sound card') }),
      aSlot(5, {}, { occupant: occupiedBy('Old tuner', 1, 'remove') }),
    ]);
    const card = aCard({ delivers: usb(4, '3.2-1', 900), openings: 1, brackets: ['full', 'low'] });
    const placed = [{ card, slot: machine.slots[0]! }];
    const { brackets, sockets } = elevationsOf(machine, boardLayout(machine, placed), placed, []);
    expect(brackets.map(({ state }) => state)).to.deep.equal([
      'planned',
      'cover',
      'there',
      'cover',
      'leaving',
      'cover',
      'cover',
    ]);
    const [group] = sockets;
    expect(group?.faces).to.have.length(4);
    // USB 3.2, Standard-A receptacle: 12.5 × 5.1 mm (from memory).
    expect(group?.faces[0]).to.include({ highMm: 12.5, alongMm: 5.1 });
    for (const { zMm, highMm } of group!.faces)
      expect(zMm + highMm).to.be.at.most(brackets[0]!.lengthMm);
    const low = aMachine([aSlot(1)], { case: { ...machine.case, bracket: told('low') } });
    const behind = elevationsOf(low, boardLayout(low, placed), placed, []);
    expect(behind.brackets[0]!.lengthMm).to.equal(79.2);
  });
});

describe('Leads behind the machine', () => {
  const machine = aMachine([aSlot(1), aSlot(2)]);
  const placed = (card: Card, n = 0) => ({ card, slot: machine.slots[n]! });
  const said = (
    cards: readonly ReturnType<typeof placed>[],
    needs: Parameters<typeof rearLeads>[1],
  ) =>
    rearLeads(cards, needs, machine).map(({ sockets }) =>
      sockets.map((each) => `${socketWords(each)} ${leadEndWords(each.end)}`),
    );

  it('go to what the needs are for; what is left over is free', () => {
    const card = aCard({
      delivers: screens(
        4,
        [
          ['dp-hbr3', 2],
          ['hdmi-600', 1],
        ],
        4,
        2,
      ),
    });
    const two = plainNeed('screens', 'screens', { count: 2, input: 'displayport' });
    expect(said([placed(card)], [two])).to.deep.equal([
      ['DisplayPort to screen 1', 'DisplayPort to screen 2', 'HDMI free'],
    ]);
    const hub = aCard({ id: 'hub', delivers: usb(4, '3.2-1', 900) });
    const three = plainNeed('usb', 'usb', { ports: 3, where: 'rear' });
    expect(said([placed(hub)], [three])).to.deep.equal([['3 × USB-A to its device', 'USB-A free']]);
    // At the front of the case it is not seen from behind.
    expect(said([placed(hub)], [{ ...three, where: 'front' }])[0]).to.deep.equal([
      '4 × USB-A free',
    ]);
  });

  it('are not joined twice where two cards serve one need', () => {
    const hub = (id: string) => aCard({ id, delivers: usb(2, '3.2-1', 900) });
    const need = plainNeed('usb', 'usb', { ports: 3, where: 'rear' });
    expect(said([placed(hub('a')), placed(hub('b'), 1)], [need])).to.deep.equal([
      ['2 × USB-A to its device'],
      ['USB-A to its device', 'USB-A free'],
    ]);
  });

  it('come out of sockets that every kind of card has in the catalogue’s words', () => {
    expect(rearSocketsOf(sound(6, 2))).to.deep.equal(['jack', 'jack', 'jack', 'jack', 'jack']);
    for (const { longMm, shortMm } of Object.values(REAR_SOCKETS))
      expect(longMm).to.be.at.least(shortMm);
  });
});

describe('What a hand has done by now', () => {
  const card = aCard({ maker: 'Kelpwick', model: 'Lantern 2' });
  const machine = aMachine([
    aSlot(1),
    aSlot(3, {}, { occupant: occupiedBy('Old tuner', 1, 'remove') }),
  ]);
  const [slot] = machine.slots;

  it('is told by what is done: a card is planned until it is seated, and there until it is taken out', () => {
    const plan = {
      placements: [{ card, slotId: 's1' }],
      moves: [],
    } as unknown as Job['plan'];
    expect(handled({ plan, acts: [] })).to.deep.equal({ filled: new Set(), emptied: new Set() });
    const done = handled({
      plan,
      acts: [doneAt(AT, seating(card, 's1')), doneAt(AT, named('takeOut', { slot: 's3' }))],
    });
    expect(done).to.deep.equal({ filled: new Set(['s1']), emptied: new Set(['s3']) });
  });

  it('is what the drawing says of it', () => {
    const figureOf = (isIn: boolean) => {
      const layout = boardLayout(machine, [{ card, slot: slot!, isIn }]);
      const rows = planRows(machine, layout, viewsOf(machine, layout, 900, 560), new Map());
      return rows.find(({ name }) => name === 'Kelpwick Lantern 2')?.figure;
    };
    expect(figureOf(false)).to.match(/planned$/);
    expect(figureOf(true)).to.match(/is in$/);
  });
});
