/** Slots as they are drawn beside the field that asks which one it is. */
import { expect } from 'chai';
import { LONG_SHAPES, SOCKET_SHAPES } from '../../src/lib/stages/survey/slotShapes';
import { FACT_WORDS } from '$words/facts';
import { aSlot, told } from '../builders/parts';

const named = (name: string) =>
  [...LONG_SHAPES, ...SOCKET_SHAPES].find((shape) => shape.name === name)!;
const middle = (name: string) => (named(name).key.fromMm + named(name).key.toMm) / 2;

describe('Slots to scale', () => {
  it('are as long as the question beside them says', () => {
    const lengths = ['x1', 'x4', 'x8', 'x16'].map(
      (lanes) => named(`PCI Express ${lanes}`).lengthMm,
    );
    expect(
      FACT_WORDS['slot.connectorLanes'].how.match(/\d+(?= mm|,|\.)/g)?.map(Number),
    ).to.deep.equal(lengths);
  });

  it('have their keys inside, where the words for them say', () => {
    for (const { name, lengthMm, key } of [...LONG_SHAPES, ...SOCKET_SHAPES]) {
      expect(key.fromMm, name).to.be.above(0);
      expect(key.toMm, name).to.be.within(key.fromMm + 1, lengthMm);
    }
    expect(middle('PCI, 3.3 V')).to.be.below(named('PCI, 3.3 V').lengthMm / 2);
    expect(middle('PCI, 5 V')).to.be.above(named('PCI, 5 V').lengthMm / 2);
    // PCI Express M.2 Specification (from memory): keys A, B, E and M take contacts 8, 12, 24 and 59 onwards.
    const keys = ['A', 'B', 'E', 'M'].map((key) => middle(`M.2, key ${key}`));
    expect(keys).to.deep.equal(keys.toSorted((a, b) => a - b));
    expect(keys[3]).to.be.above(named('M.2, key M').lengthMm / 2);
  });

  it('show which the slot is, and none while nobody told', () => {
    const shown = (slot: ReturnType<typeof aSlot>) =>
      [...LONG_SHAPES, ...SOCKET_SHAPES].flatMap(({ name, isOf }) => (isOf(slot) ? name : []));
    expect(shown(aSlot(1, { connector: 4 }))).to.deep.equal(['PCI Express x4']);
    expect(shown(aSlot(1, {}, { bus: 'pci', keying: told('5 V') }))).to.deep.equal(['PCI, 5 V']);
    expect(shown(aSlot(1, {}, { bus: 'm2', key: told('E') }))).to.deep.equal(['M.2, key E']);
    expect(shown(aSlot(1, {}, { connectorLanes: null }))).to.deep.equal([]);
  });
});
