/** Seeded jobs of the size that is asked for: 8 slots, 6 needs, a catalogue of so many cards. */
import * as fc from 'fast-check';
import { emptySupply, type Card } from '../src/core/document/index.ts';
import { plainNeed, type Need } from '../src/core/kinds/index.ts';
import type { PlanRequest } from '../src/core/plans/index.ts';
import { CARDS } from '../demo/catalogue/cards.ts';
import { EXTRAS } from '../demo/catalogue/extras.ts';
import { PACKAGES } from '../tests/builders/library.ts';
import { aMachine, aSlot, told } from '../tests/builders/parts.ts';

/** The catalogue again and again, each copy at a price and a size of its own. */
function catalogue(count: number, jitter: readonly number[]): readonly Card[] {
  return Array.from({ length: count }, (_, n) => {
    const card = CARDS[n % CARDS.length]!;
    const by = jitter[n % jitter.length]!;
    return {
      ...card,
      id: `${card.id}-${n}`,
      priceCents: card.priceCents + by * 10,
      lengthMm: card.lengthMm + (by % 7),
      peakWatts: card.peakWatts + (by % 5),
    };
  });
}

const NEEDS: readonly ((id: string, must: boolean, n: number) => Need)[] = [
  (id, must, n) => plainNeed('usb', id, { must, ports: 2 + (n % 7), bytesPerSecond: 200e6 }),
  (id, must, n) =>
    plainNeed('usb', id, { must, ports: 1 + (n % 2), where: 'front', bytesPerSecond: 200e6 }),
  (id, must, n) => plainNeed('drives', id, { must, ports: 2 + (n % 9), bytesPerSecond: 200e6 }),
  (id, must, n) =>
    plainNeed('network', id, { must, bytesPerSecond: [100e6, 250e6, 900e6][n % 3]! }),
  (id, must) => plainNeed('wifi', id, { must, megabits: 300 }),
  (id, must, n) => plainNeed('screens', id, { must, count: 1 + (n % 4) }),
  (id, must) => plainNeed('sound', id, { must, channels: 6 }),
  (id, must) => plainNeed('serialLink', id, { must, gigabits: 10 }),
];

export const largeRequests = (count: number, cards: number, seed: number): readonly PlanRequest[] =>
  fc.sample(
    fc
      .record({
        jitter: fc.array(fc.nat(400), { minLength: 61, maxLength: 61 }),
        kinds: fc.shuffledSubarray([...NEEDS.keys()], { minLength: 6, maxLength: 6 }),
        figures: fc.array(fc.nat(50), { minLength: 6, maxLength: 6 }),
        musts: fc.array(fc.constantFrom(true, true, false), { minLength: 6, maxLength: 6 }),
        slots: fc.array(
          fc.record({
            connector: fc.constantFrom(1, 4, 16, 16) as fc.Arbitrary<1 | 4 | 16>,
            generation: fc.constantFrom(2, 3, 4) as fc.Arbitrary<2 | 3 | 4>,
          }),
          { minLength: 8, maxLength: 8 },
        ),
        budgetCents: fc.constantFrom(null, 30_000, 60_000),
        twelveVolt: fc.constantFrom(260, 400, 700),
      })
      .map(({ jitter, kinds, figures, musts, slots, budgetCents, twelveVolt }): PlanRequest => {
        const plain = aMachine(slots.map((over, n) => aSlot(n + 1, over)));
        return {
          machine: {
            ...plain,
            case: { ...plain.case, openings: told(9), frontLeads: told([{ type: 'usb-19-pin' }]) },
            headers: told([{ type: 'usb-9-pin' }]),
            supply: {
              ...emptySupply(),
              twelveVoltWatts: told(twelveVolt),
              baseWatts: told(150),
              plugs: told([
                { type: '8-pin', count: 1 },
                { type: '6-pin', count: 2 },
                { type: 'sata', count: 3 },
                { type: '4-pin', count: 2 },
              ]),
            },
          },
          needs: kinds.map((kind, n) => NEEDS[kind]!(`n${n}`, musts[n]!, figures[n]!)),
          budgetCents,
          cards: catalogue(cards, jitter),
          extras: EXTRAS,
          library: PACKAGES,
        };
      }),
    { numRuns: count, seed },
  );
