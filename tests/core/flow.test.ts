/** What streams get that share stages, against a slow solver and against cases worked by hand. */
import { expect } from 'chai';
import * as fc from 'fast-check';
import { drives, network } from '../../demo/catalogue/row.ts';
import {
  arrayBytesPerSecond,
  type CopyDrive,
  type Generation,
} from '../../src/core/standards/index.ts';
import {
  copyTime,
  fairShares,
  flowOf,
  routes,
  ratesOf,
  type Stream,
} from '../../src/core/flow/index.ts';
import { plainNeed, type Need } from '../../src/core/kinds/index.ts';
import type { Card, Machine } from '../../src/core/document/index.ts';
import { aCard, aMachine, aSlot, networkNeed, told, wiredTo } from '../builders/parts.ts';

const SEED = Number(process.env['SEED'] ?? 20261125);
const NETWORKS = 500;

/**
 * Max–min fairness by its definition, from the other side: every stream asks for a rate, and what the least served
 * one can have at most is found by halving; then it is fixed, and so on.
 */
function slowShares(
  streams: readonly Stream[],
  capacities: ReadonlyMap<string, number>,
): readonly number[] {
  const fixed = new Map<number, number>();
  const fits = (rate: (n: number) => number) =>
    [...capacities].every(
      ([stage, capacity]) =>
        streams.reduce((sum, { stages }, n) => sum + (stages.includes(stage) ? rate(n) : 0), 0) <=
        capacity * (1 + 1e-12) + 1e-9,
    );
  while (fixed.size < streams.length) {
    const most = (raised: readonly number[], floor: number): number => {
      let [low, high] = [floor, 1e6];
      for (let step = 0; step < 80; step += 1) {
        const middle = (low + high) / 2;
        const rate = (n: number) => fixed.get(n) ?? (raised.includes(n) ? middle : floor);
        if (fits(rate)) low = middle;
        else high = middle;
      }
      return low;
    };
    const free = [...streams.keys()].filter((n) => !fixed.has(n));
    const level = most(free, 0);
    // Whoever cannot be raised alone above the common level stays there.
    const stuck = free.filter((n) => most([n], level) < level + 1e-6);
    for (const n of stuck) fixed.set(n, level);
  }
  return streams.map((_, n) => fixed.get(n)!);
}

describe('Fair shares of what streams share', () => {
  it(`are those of a slow solver on ${NETWORKS} networks (seed ${SEED})`, () => {
    const networks = fc.sample(
      fc
        .record({
          capacities: fc.array(fc.integer({ min: 1, max: 400 }), { minLength: 1, maxLength: 6 }),
          streams: fc.array(fc.array(fc.nat(5), { minLength: 1, maxLength: 4 }), {
            minLength: 1,
            maxLength: 7,
          }),
        })
        .map(({ capacities, streams }) => ({
          capacities: new Map(capacities.map((capacity, n) => [`s${n}`, capacity])),
          streams: streams.map((stages) => ({
            stages: [...new Set(stages.map((n) => `s${n % capacities.length}`))],
          })),
        })),
      { numRuns: NETWORKS, seed: SEED },
    );
    let uneven = 0;
    for (const { streams, capacities } of networks) {
      const shares = fairShares(streams, capacities);
      const slow = slowShares(streams, capacities);
      shares.forEach(({ rate, limiting }, n) => {
        expect(rate).to.be.closeTo(slow[n]!, 1e-4);
        expect(streams[n]!.stages).to.include(limiting);
      });
      if (new Set(slow.map((rate) => rate.toFixed(3))).size > 1) uneven += 1;
    }
    expect(uneven).to.be.greaterThan(NETWORKS / 3);
  });

  it('are the example of the textbook: three streams, one of them over both links', () => {
    // Bertsekas and Gallager, Data Networks, section 6.5.2: links of capacity 1 (from memory).
    const shares = fairShares(
      [{ stages: ['a', 'b'] }, { stages: ['a'] }, { stages: ['b'] }, { stages: ['b'] }],
      new Map([
        ['a', 1],
        ['b', 1],
      ]),
    );
    [1 / 3, 2 / 3, 1 / 3, 1 / 3].forEach((rate, n) =>
      expect(shares[n]!.rate).to.be.closeTo(rate, 1e-12),
    );
  });

  it('leave a stream alone that nothing limits', () => {
    expect(fairShares([{ stages: ['x'] }], new Map())).to.deep.equal([
      { rate: Infinity, limiting: null },
    ]);
  });
});

const nic = (top: number, over: Partial<Card> = {}): Card =>
  aCard({
    lanes: 4,
    generation: 3,
    delivers: network(
      1,
      [1000, 2500, 5000, 10000].filter((speed) => speed <= top),
    ),
    ...over,
  });
const path = (over: Partial<Machine['path']>): Machine => {
  const plain = aMachine([]);
  return { ...plain, path: { ...plain.path, ...over } };
};
const wire = (top: number, machine: Machine, lanes = 4, generation: Generation = 3) =>
  flowOf(nic(top), aSlot(1, { connector: 16, lanes, generation }), networkNeed(100e6), machine)!;

describe('Ways of 1 to 10 Gb/s', () => {
  const speeds = [1000, 2500, 5000, 10000];

  // IEEE 802.3 rates less TCP over IPv4 at 1500 bytes, 1460 of 1538 (from memory); bands of practice, no source.
  it('carry the payload of their speed', () => {
    const cases = [
      [1000, 118.7],
      [2500, 296.7],
      [5000, 593.3],
      [10000, 1186.6],
    ] as const;
    for (const [top, megabytes] of cases) {
      const { high, limiting } = wire(top, path(wiredTo(speeds)));
      expect(high / 1e6).to.be.closeTo(megabytes, 0.1);
      expect(limiting).to.equal('cardPort');
    }
  });

  it('come up at the fastest speed that card, cable and far end all know', () => {
    const gigabit = path(wiredTo([1000, 10000]));
    expect(wire(5000, gigabit).high / 1e6).to.be.closeTo(118.7, 0.1);
    expect(wire(5000, gigabit).limiting).to.equal('farEnd');
    const old = path(wiredTo(speeds, 'cat5e'));
    expect(wire(10000, old)).to.include({ limiting: 'cable' });
    // 5 Gb/s, which Cat 5e usually carries though the standard does not promise it.
    expect(wire(10000, old).high / 1e6).to.be.closeTo(593.3, 0.1);
    const longRun = path(wiredTo(speeds, 'cat6', 80));
    expect(wire(10000, longRun).high / 1e6).to.be.closeTo(593.3, 0.1);
  });

  // Practice: two lanes of Gen 3 or four of Gen 2 are the least that carries 10 Gb/s.
  it('of 10 Gb/s want two lanes of Gen 3 or four of Gen 2', () => {
    const ten = path(wiredTo(speeds));
    expect(wire(10000, ten, 2, 3).limiting).to.equal('cardPort');
    expect(wire(10000, ten, 4, 2).limiting).to.equal('cardPort');
    const narrow = wire(10000, ten, 1, 3);
    expect(narrow.limiting).to.equal('slotLink');
    expect(narrow.high / 1e6).to.be.within(984.6 * 0.82, 984.6 * 0.93);
  });

  it('are no faster than the drives at their ends, mirrored or striped', () => {
    const between = (how: 'single' | 'mirror' | 'stripe', direction: 'to' | 'from') =>
      flowOf(
        nic(10000),
        aSlot(1),
        networkNeed(100e6, { direction }),
        path({
          ...wiredTo(speeds),
          ownDrive: told('nvme'),
          farDrive: told('sata'),
          farArray: told({ count: 2, how }),
        }),
      )!;
    expect(between('single', 'to')).to.include({ limiting: 'farDrive', high: 560e6 });
    // A mirror writes as its slowest and reads up to the sum; a stripe does the sum both ways. Practice, no source.
    expect(between('mirror', 'to').high).to.equal(560e6);
    expect(between('mirror', 'from').high).to.equal(1120e6);
    expect(between('stripe', 'to').high).to.equal(1120e6);
    for (const drive of ['disk', 'sata', 'nvme'] satisfies CopyDrive[]) {
      const [low, high] = arrayBytesPerSecond(drive, { count: 3, how: 'stripe' }, 'write');
      const [one, most] = arrayBytesPerSecond(drive, { count: 1, how: 'single' }, 'write');
      expect([low, high]).to.deep.equal([one * 3, most * 3]);
    }
  });
});

describe('Drives behind one link', () => {
  const six = (lanes: number, generation: Generation, ports = 6) =>
    flowOf(
      aCard({ lanes: 4, generation: 3, delivers: drives(ports, 'sata') }),
      aSlot(1, { connector: 16, lanes, generation }),
      plainNeed('drives', 'd', { ports, bytesPerSecond: 400e6 }),
      aMachine([]),
    )!;

  it('six of them do not run at full rate over one lane of Gen 3: a quarter of it', () => {
    const { high, limiting, finding } = six(1, 3);
    // 984.6 MB/s less packet overhead of 7 to 18 %, shared by six.
    expect(high / 1e6).to.be.within((984.6 * 0.82) / 6, (984.6 * 0.93) / 6);
    expect(limiting).to.equal('slotLink');
    expect(finding).to.include({ code: 'deliver.short', needed: 400e6, available: high });
  });

  it('over four lanes of Gen 3 six do', () => {
    expect(six(4, 3)).to.include({ limiting: 'drivePort', high: 560e6 });
  });

  it('behind port multiplication share the controller’s ports, the fullest decides', () => {
    const flow = flowOf(
      aCard({ lanes: 4, generation: 3, delivers: drives(5, 'sata', 2) }),
      aSlot(1),
      plainNeed('drives', 'd', { ports: 5, bytesPerSecond: 100e6 }),
      aMachine([]),
    )!;
    expect(flow.high).to.equal(560e6 / 3);
  });
});

describe('Needs that are used together', () => {
  const uplink = told({ id: 'chip', name: 'the switch', generation: 3 as const, lanes: 2 });
  const slots = [1, 2].map((opening) => aSlot(opening, {}, { uplink }));
  const machine = {
    ...aMachine(slots),
    path: { ...aMachine([]).path, ...wiredTo([1000, 10000]) },
  };
  const needs = (group: string): readonly Need[] => [
    networkNeed(500e6, { group }),
    plainNeed('drives', 'drives', { ports: 4, bytesPerSecond: 400e6, group }),
  ];
  const placed = [
    { card: nic(10000, { id: 'nic' }), slot: slots[0]! },
    {
      card: aCard({
        id: 'ports',
        ids: { vendor: 0xf1a0, device: 2, class24: 0x010601 },
        lanes: 4,
        generation: 3,
        delivers: drives(4, 'sata'),
      }),
      slot: slots[1]!,
    },
  ];

  it('share the link behind their slots: five streams, a fifth each', () => {
    const [wireRate, driveRate] = ratesOf(routes(needs('A'), machine, placed, []));
    const link = wireRate!.route.flow.stages.find(({ code }) => code === 'uplink')!.shared!.high;
    expect(wireRate!.alone.limiting).to.equal('cardPort');
    expect(wireRate!.together).to.include({ limiting: 'uplink' });
    expect(driveRate!.together.limiting).to.equal('uplink');
    expect(driveRate!.together.high).to.be.within(link / 5, link / 4);
    expect(wireRate!.together.high).to.be.below(wireRate!.alone.high);
    for (const { alone, together } of [wireRate!, driveRate!]) {
      expect(together.low).to.be.at.most(together.high);
      expect(together.high).to.be.at.most(alone.high + 1e-6);
    }
  });

  it('are as alone without a group', () => {
    for (const { alone, together } of ratesOf(routes(needs(''), machine, placed, [])))
      expect(together).to.deep.equal(alone);
  });
});

describe('How long a copy takes', () => {
  it('is its size at the rate, and a little for each file', () => {
    const rate = { low: 250e6, high: 285e6 };
    const large = copyTime({ bytes: 100e9, files: 1 }, rate);
    expect(large.leastSeconds).to.be.closeTo(100e9 / 285e6, 0.01);
    expect(large.mostSeconds).to.be.closeTo(400, 0.01);
    const small = copyTime({ bytes: 100e9, files: 200_000 }, rate);
    expect(small.mostSeconds - large.mostSeconds).to.be.closeTo(1000, 1);
    expect(small.leastSeconds - large.leastSeconds).to.be.closeTo(100, 1);
  });
});
