/** What a hand on the drawing changes, and how contradictions and evidence are put into words. */
import { expect } from 'chai';
import { contradictions, addClaim } from '$core/survey';
import { valueOf } from '$core/parts';
import type { Machine } from '$core/document';
import { movedObstacle, movedSlot, stretchedObstacle } from '$lib/board/edits';
import { boardLayout } from '$lib/board/layout';
import { slotLine } from '$lib/board/slotWords';
import { contradictionWords } from '$words/contradictions';
import {
  LENGTHS_FIELD,
  PLUGS_FIELD,
  ROOMS_FIELD,
  DATE_FIELD,
  wordsField,
} from '$lib/stages/survey/fields';
import { TEMPLATES } from '../../demo/machines';
import { aMachine, aSlot } from '../builders/parts';

const named = (name: string): Machine => {
  const found = TEMPLATES.find((template) => template.name === name);
  if (found === undefined) throw new Error(name);
  return found;
};

describe('Edits on the drawing', () => {
  const tower = named('Longreach T7 tower');
  const obstacle = (machine: Machine) => machine.obstacles.find(({ id }) => id === 'front')!;

  it('move and stretch an obstacle by whole millimetres, within what a case can be', () => {
    const moved = movedObstacle(tower, 'front', 12.4, -3.6);
    expect(obstacle(moved)).to.include({ xMm: 212, yMm: 288 });
    expect(obstacle(movedObstacle(tower, 'front', -900, 900))).to.include({
      xMm: 0,
      yMm: 450,
    });
    expect(obstacle(stretchedObstacle(tower, 'front', -900, 4))).to.include({
      widthMm: 2,
      depthMm: 12,
    });
    expect(tower.obstacles.filter((each) => each.id !== 'front')).to.deep.equal(
      moved.obstacles.filter((each) => each.id !== 'front'),
    );
  });

  it('snap a slot to the nearest opening of the case, and keep what the template said', () => {
    const opening = (dyMm: number) => {
      const machine = movedSlot(tower, 's4', 0, dyMm);
      return machine.slots.find(({ id }) => id === 's4')!.opening;
    };
    expect(valueOf(opening(10))).to.equal(4);
    expect(valueOf(opening(10.2))).to.equal(5);
    expect(valueOf(opening(500))).to.equal(7);
    expect(opening(41)?.others).to.deep.equal([{ value: 4, source: 'template' }]);
  });

  it('put a socket where it lies on the board', () => {
    const moved = movedSlot(named('Skerry Micro tower'), 'drive', 5.4, -6);
    expect(valueOf(moved.slots.find(({ id }) => id === 'drive')!.place)).to.deep.equal({
      xMm: 95,
      yMm: 176,
    });
  });
});

describe('Sockets on the drawing', () => {
  it('are as wide as a module and as long as the longest they hold', () => {
    const drawn = boardLayout(named('Skerry Micro tower'), []).slots.find(
      ({ slot }) => slot.id === 'drive',
    );
    // M.2 4.0: 22 mm wide; this one holds up to 80 mm, behind a socket of 5 mm.
    expect(drawn?.inPlace).to.deep.equal({ xMm: 90, yMm: 182, widthMm: 85, depthMm: 22 });
    expect(slotLine(drawn!.slot)).to.equal('M.2 key M, PCI Express + SATA, to 80 mm');
  });

  it('hold every template’s things inside the drawing', () => {
    for (const template of TEMPLATES) {
      const { slots, obstacles, ...frame } = boardLayout(template, []);
      const right = frame.leftMm + frame.widthMm;
      for (const { connector } of slots)
        expect(connector.xMm + connector.widthMm).to.be.below(right);
      for (const each of obstacles)
        expect(each.xMm + each.widthMm, template.name).to.be.below(right);
    }
  });
});

describe('Words for contradictions', () => {
  it('name the believed one first, and lead to its field', () => {
    const slot = aSlot(3, { lanes: 4 });
    const machine = aMachine([
      {
        ...slot,
        lanes: addClaim(addClaim(null, 16, 'firmware', 'wiring'), 4, 'registers', 'wiring'),
      },
    ]);
    const [found] = contradictions(machine);
    expect(contradictionWords(found!, machine)).to.deep.include({
      code: 'slot.lanes',
      slotId: 's3',
      name: 'Lanes wired, Slot 3',
      says: 'x4 by its registers, against x16 by the firmware',
    });
    expect(slotLine(machine.slots[0]!)).to.include('wired x4 or x16?');
  });
});

describe('More survey fields', () => {
  it('take what they print, and refuse the rest', () => {
    const signals = wordsField([
      ['pcie', 'PCI Express'],
      ['usb', 'USB'],
    ] as const);
    expect(signals.parse(signals.print(['pcie', 'usb']))).to.deep.equal(['pcie', 'usb']);
    expect([signals.parse('none'), signals.parse('wool')]).to.deep.equal([[], null]);
    expect(LENGTHS_FIELD.parse('42, 80')).to.deep.equal([42, 80]);
    expect(LENGTHS_FIELD.parse('42, 800')).to.equal(null);
    const plugs = PLUGS_FIELD.parse('2 × 8-pin on lead A to 340, 2 × sata');
    expect(plugs).to.deep.equal([
      { type: '8-pin', count: 2, lead: 'A', reachMm: 340 },
      { type: 'sata', count: 2 },
    ]);
    expect(PLUGS_FIELD.print(plugs!)).to.equal('2 × 8-pin on lead A to 340, 2 × sata');
    expect(ROOMS_FIELD.parse('3: 210, 4:180')).to.deep.equal([
      { opening: 3, lengthMm: 210 },
      { opening: 4, lengthMm: 180 },
    ]);
    expect(ROOMS_FIELD.parse('3 210')).to.equal(null);
    expect([DATE_FIELD.parse('2019-03-14'), DATE_FIELD.parse('2019-13-14')]).to.deep.equal([
      '2019-03-14',
      null,
    ]);
  });
});
