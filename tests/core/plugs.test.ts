/** Plugs to sockets: worked by hand, and against every possible assignment. */
import { expect } from 'chai';
import * as fc from 'fast-check';
import {
  ADAPTED,
  PLUGS,
  PLUG_ADAPTERS,
  PLUG_TYPES,
  type PlugAdapter,
} from '../../src/core/standards/index.ts';
import {
  assignPlugs,
  plugsOf,
  powerLoads,
  socketsOf,
  type AssignmentCost,
  type SupplyPlug,
  type Socket,
} from '../../src/core/placement/index.ts';
import { power, supplySize } from '../../src/core/rules/index.ts';
import type { Machine } from '../../src/core/document/index.ts';
import { aCard, aMachine, aSlot, told } from '../builders/parts.ts';

const SEED = Number(process.env['SEED'] ?? 20261125);
const CASES = 1000;

type Plugs = NonNullable<Machine['supply']['plugs']>['value'];
const withPlugs = (...plugs: Plugs): Machine => {
  const machine = aMachine([aSlot(1)]);
  return { ...machine, supply: { ...machine.supply, plugs: told(plugs) } };
};

describe('Plugs', () => {
  it('feed a 175 W card from two small board plugs at 50 W each, through the pair lead', () => {
    // Common practice, no source: 75 W from the slot and 50 from each plug make 175.
    const card = aCard({ peakWatts: 175, slotWatts: 75, sockets: ['8-pin'] });
    const finding = (machine: Machine) =>
      power(card, machine.slots[0]!, machine).find(({ code }) => /plug|adapter|Lead/.test(code));
    expect(finding(withPlugs({ type: 'mini-6-pin', count: 2 }))).to.deep.equal({
      code: 'power.adapter',
      verdict: 'needs',
      subject: 'two-mini-6-pin-to-8-pin',
      needed: 100,
      available: 150,
      unit: 'W',
    });
    // One watt more, and the two plugs no longer carry it.
    const hungrier = { ...card, peakWatts: 176 };
    const weak = power(hungrier, aSlot(1), withPlugs({ type: 'mini-6-pin', count: 2 }));
    expect(weak.map(({ code }) => code)).to.include('power.plugWeak');
    // Never all of it from one plug.
    expect(finding(withPlugs({ type: 'mini-6-pin', count: 1 }))?.code).to.equal(
      'power.plugMissing',
    );
  });

  it('never feed a graphics socket from drive plugs, however many there are', () => {
    // Common practice, no source: such adapters burn.
    const card = aCard({ peakWatts: 120, slotWatts: 60, sockets: ['6-pin'] });
    const codes = power(
      card,
      aSlot(1),
      withPlugs({ type: '4-pin', count: 6 }, { type: 'sata', count: 6 }),
    ).map(({ code }) => code);
    expect(codes).to.include('power.plugMissing');
  });

  it('leave the strong plug to the socket that needs it', () => {
    const { feeds, plugs, cost } = assignPlugs(
      [
        { type: '6-pin', watts: 60, wayMm: 0 },
        { type: '8-pin', watts: 140, wayMm: 0 },
      ],
      plugsOf(withPlugs({ type: '8-pin', count: 1 }, { type: '6-pin', count: 1 }).supply),
    );
    expect(cost).to.deep.equal({ dead: 0, adapters: 0, exchanges: 0, takenWatts: 225 });
    expect(feeds.map((feed) => feed.plugs.map((n) => plugs[n]!.type))).to.deep.equal([
      ['6-pin'],
      ['8-pin'],
    ]);
  });

  it('are exchanged with one in use that reaches, before an adapter is bought', () => {
    // Common practice, no source: only the 4-pin plug is free down there; the hard disk takes it as well.
    const card = aCard({ peakWatts: 20, slotWatts: 10, sockets: ['sata'] });
    const slot = aSlot(5);
    const supply = (alsoTakes: readonly ('4-pin' | 'sata')[], more: Plugs = []): Machine => {
      const machine = withPlugs({ type: '4-pin', count: 1, reachMm: 150 }, ...more);
      const disk = {
        type: 'sata',
        feeds: 'Hard disk',
        alsoTakes,
        atMm: 100,
        reachMm: 400,
      } as const;
      return { ...machine, supply: { ...machine.supply, plugsInUse: told([disk]) } };
    };
    const finding = (machine: Machine) =>
      power(card, slot, machine).find(({ code }) => /plug|adapter|leadShort|exchange/.test(code));
    expect(finding(supply(['4-pin']))).to.deep.equal({
      code: 'power.exchange',
      verdict: 'needs',
      subject: 'Hard disk',
    });
    // Of its own kind it takes any that reaches it.
    expect(finding(supply([], [{ type: 'sata', count: 1, reachMm: 120 }]))?.code).to.equal(
      'power.exchange',
    );
    expect(finding(supply([], [{ type: 'sata', count: 1, reachMm: 90 }]))?.code).to.equal(
      'power.leadShort',
    );
    // With a 4-pin plug that reaches the card, and a disk that takes no other: the lead between the two.
    expect(finding(supply([], [{ type: '4-pin', count: 1, reachMm: 400 }]))).to.include({
      code: 'power.adapter',
      subject: '4-pin-to-sata',
    });
  });

  it('split a drive plug for a second card, up to what it is rated for', () => {
    // SATA power, 4.5 A on 12 V: 54 W (Serial ATA 3.x, from memory).
    const sockets = (watts: number): Socket[] => [
      { type: 'sata', watts, wayMm: 0 },
      { type: 'sata', watts, wayMm: 0 },
    ];
    const one = plugsOf(withPlugs({ type: 'sata', count: 1 }).supply);
    expect(assignPlugs(sockets(27), one).cost).to.include({ dead: 0, adapters: 1 });
    expect(assignPlugs(sockets(27.1), one).cost).to.include({ dead: 1 });
  });

  it('take a 12V-2x6 plug at the rate that its sense pins announce', () => {
    // Card Electromechanical Specification 5.1: 150, 300, 450 or 600 W (from memory).
    const card = aCard({ peakWatts: 320, slotWatts: 60, sockets: ['12v-2x6'] });
    const codes = (ratedWatts?: number) =>
      power(
        card,
        aSlot(1),
        withPlugs({ type: '12v-2x6', count: 1, ...(ratedWatts ? { ratedWatts } : {}) }),
      ).map(({ code }) => code);
    expect(codes(300)).to.include('power.plugsFound');
    expect(codes()).to.include('power.plugWeak');
  });

  it('are unknown while nobody has looked', () => {
    const machine = aMachine([aSlot(1)]);
    const unseen = { ...machine, supply: { ...machine.supply, plugs: null } };
    expect(
      power(aCard({ sockets: ['6-pin'] }), aSlot(1), unseen).map(({ code }) => code),
    ).to.include('power.plugsUnknown');
  });

  it(`are assigned as well as any assignment can, in ${CASES} random cases (seed ${SEED})`, () => {
    const inUse = fc.record({
      type: fc.constantFrom(...PLUG_TYPES),
      feeds: fc.constant('Hard disk'),
      alsoTakes: fc.constantFrom([], [...PLUG_TYPES]),
      atMm: fc.constantFrom(0, 220),
    });
    const plug: fc.Arbitrary<SupplyPlug> = fc
      .record({
        type: fc.constantFrom(...PLUG_TYPES),
        inUse: fc.oneof(fc.constant(null), fc.constant(null), fc.constant(null), inUse),
        lead: fc.constantFrom(null, null, 'A', 'B'),
        reachMm: fc.constantFrom(200, Infinity),
      })
      .map((each) => ({ ...each, watts: PLUGS[each.type].watts }));
    const socket: fc.Arbitrary<Socket> = fc.record({
      type: fc.constantFrom('6-pin', '8-pin', '12v-2x6', 'sata', '4-pin'),
      watts: fc.constantFrom(10, 27, 30, 54, 75, 100, 150, 200),
      wayMm: fc.constantFrom(0, 180, 260),
    });
    const tally = { fed: 0, dead: 0, adapted: 0, exchanged: 0 };
    const cases = fc.sample(
      fc.tuple(fc.array(socket, { maxLength: 3 }), fc.array(plug, { maxLength: 5 })),
      { numRuns: CASES, seed: SEED },
    );
    for (const [sockets, plugs] of cases) {
      const { cost, feeds } = assignPlugs(sockets, plugs);
      expect(cost, JSON.stringify([sockets, plugs])).to.deep.equal(exhaustive(sockets, plugs));
      expect(allowed(sockets, plugs, feeds)).to.equal(true);
      tally.dead += cost.dead > 0 ? 1 : 0;
      tally.fed += cost.dead === 0 ? 1 : 0;
      tally.adapted += cost.adapters > 0 ? 1 : 0;
      tally.exchanged += cost.exchanges > 0 ? 1 : 0;
    }
    // The sample is worth its name: enough of each.
    expect(Math.min(...Object.values(tally)), JSON.stringify(tally)).to.be.above(20);
  });
});

describe('Power side by side', () => {
  it('shows the three schools for a supply: maker’s figure, added loads, measured', () => {
    // Common practice, no source. 300 W added to 100 are 400, with a quarter of headroom 500 of 500 W.
    const machine = aMachine([]);
    const there: Machine = {
      ...machine,
      supply: { ...machine.supply, labelWatts: told(550), measuredWatts: told(80) },
    };
    const cards = [aCard({ peakWatts: 300, supplyWatts: 600 })];
    expect(supplySize(cards, there)).to.deep.equal([
      { method: 'maker', neededWatts: 600, availableWatts: 550, verdict: 'limited' },
      { method: 'sum', neededWatts: 500, availableWatts: 500, verdict: 'clear' },
      { method: 'measured', neededWatts: 380, availableWatts: 500, verdict: 'clear' },
    ]);
    const onemore = [aCard({ peakWatts: 301, supplyWatts: null })];
    expect(supplySize(onemore, machine).map(({ verdict }) => verdict)).to.deep.equal([
      'unknown',
      'limited',
      'unknown',
    ]);
  });

  it('stacks what each limit carries', () => {
    const machine = withPlugs({ type: '8-pin', count: 1, lead: 'A' });
    const card = aCard({ peakWatts: 200, slotWatts: 60, sockets: ['8-pin'] });
    const limits = powerLoads([{ card, slot: machine.slots[0]! }], machine);
    expect(
      limits.map(({ kind, limitWatts, parts }) => [
        kind,
        limitWatts,
        parts.map(({ watts }) => watts),
      ]),
    ).to.deep.equal([
      ['slot', 75, [60]],
      ['plug', 150, [140]],
      ['lead', 150, [140]],
      ['sum', 500, [100, 200]],
    ]);
  });

  it('splits a card’s load over its sockets by what they are rated for', () => {
    const card = aCard({ peakWatts: 285, slotWatts: 60, sockets: ['8-pin', '6-pin'] });
    expect(socketsOf(card).map(({ watts }) => watts)).to.deep.equal([150, 75]);
  });

  it('is not stopped by more sockets than any card has, alike or not', () => {
    const plug = (type: SupplyPlug['type'], watts: number): SupplyPlug => ({
      type,
      watts,
      lead: null,
      reachMm: Infinity,
      inUse: null,
    });
    const plugs = [
      ...Array.from({ length: 6 }, () => plug('sata', 54)),
      ...Array.from({ length: 2 }, () => plug('4-pin', 60)),
    ];
    const alike = Array.from({ length: 28 }, () => ({ type: 'sata' as const, watts: 1, wayMm: 0 }));
    // Each SATA plug feeds one and, by a splitter, another; each drive plug one by an adapter.
    expect(assignPlugs(alike, plugs).cost).to.include({ dead: 28 - 14, adapters: 8 });
    const mixed = alike.map((socket, n) => ({
      ...socket,
      type: (['sata', '6-pin', '8-pin', '4-pin'] as const)[n % 4]!,
      watts: 4 + n,
    }));
    expect(assignPlugs(mixed, plugs).feeds).to.have.length(28);
  });
});

interface Way {
  readonly plugs: readonly number[];
  readonly adapter: PlugAdapter | null;
  readonly exchangedFor: number | null;
}

/** Every way to feed each socket, or not, in every combination; the cheapest that is allowed. */
function exhaustive(sockets: readonly Socket[], plugs: readonly SupplyPlug[]): AssignmentCost {
  const subsets = (count: number, from = 0): number[][] =>
    count === 0
      ? [[]]
      : plugs.flatMap((_, n) =>
          n < from ? [] : subsets(count - 1, n + 1).map((rest) => [n, ...rest]),
        );
  const ways = sockets.map((socket): Way[] => [
    { plugs: [], adapter: null, exchangedFor: null },
    ...plugs.flatMap((plug, n): Way[] =>
      PLUGS[plug.type].serves.includes(socket.type)
        ? [null, ...plugs.keys()].map((exchangedFor) => ({
            plugs: [n],
            adapter: null,
            exchangedFor,
          }))
        : [],
    ),
    ...PLUG_ADAPTERS.filter((each) => ADAPTED[each].gives === socket.type).flatMap((adapter) =>
      subsets(ADAPTED[adapter].count).map((taken): Way => ({
        plugs: taken,
        adapter,
        exchangedFor: null,
      })),
    ),
  ]);
  let best: AssignmentCost = { dead: Infinity, adapters: 0, exchanges: 0, takenWatts: 0 };
  const combine = (chosen: readonly Way[]): void => {
    const next = ways[chosen.length];
    if (next !== undefined) {
      for (const way of next) combine([...chosen, way]);
      return;
    }
    const feeds = chosen.map((way, n) => ({ ...way, socket: sockets[n]! }));
    if (!allowed(sockets, plugs, feeds)) return;
    const used = new Set(chosen.flatMap((way) => [...way.plugs, way.exchangedFor ?? []].flat()));
    const cost = {
      dead: chosen.filter((way) => way.plugs.length === 0).length,
      adapters: chosen.filter((way) => way.adapter !== null).length,
      exchanges: chosen.filter((way) => way.exchangedFor !== null).length,
      takenWatts: [...used].reduce((sum, n) => sum + plugs[n]!.watts, 0),
    };
    const [a, b] = [cost, best];
    const worse =
      a.dead - b.dead ||
      a.adapters - b.adapters ||
      a.exchanges - b.exchanges ||
      a.takenWatts - b.takenWatts;
    if (worse < 0) best = cost;
  };
  combine([]);
  return best;
}

/** The rules, one after the other, over a whole assignment. */
function allowed(
  sockets: readonly Socket[],
  plugs: readonly SupplyPlug[],
  feeds: readonly (Way & { readonly socket: Socket })[],
): boolean {
  const onPlug = plugs.map(() => 0);
  for (const { socket, plugs: taken, adapter, exchangedFor } of feeds) {
    // A plug in use comes out for a free one that its thing takes and that reaches it, and no other way.
    const inUse = taken.map((n) => plugs[n]!.inUse).find((each) => each !== null);
    if ((inUse === undefined) !== (exchangedFor === null)) return false;
    if (inUse !== undefined && exchangedFor !== null) {
      const given = plugs[exchangedFor]!;
      const goesIn = [plugs[taken[0]!]!.type, ...inUse.alsoTakes].includes(given.type);
      if (!goesIn || given.inUse !== null || given.reachMm < (inUse.atMm ?? 0)) return false;
      if (feeds.some((feed) => feed.plugs.includes(exchangedFor))) return false;
      if (feeds.filter((feed) => feed.exchangedFor === exchangedFor).length > 1) return false;
    }
    for (const n of taken) {
      onPlug[n]! += socket.watts / taken.length;
      if (plugs[n]!.reachMm < socket.wayMm) return false;
      if (adapter !== null && !ADAPTED[adapter].takes.includes(plugs[n]!.type)) return false;
    }
    if (adapter !== null && socket.watts > ADAPTED[adapter].watts) return false;
  }
  for (const [n, plug] of plugs.entries()) {
    if (onPlug[n]! > plug.watts + 1e-9) return false;
    const users = feeds.filter((feed) => feed.plugs.includes(n));
    const splitters = users.filter(({ adapter }) => adapter !== null && ADAPTED[adapter].splits);
    // Alone, or one socket by itself and one through a splitter.
    const pair =
      users.length === 2 &&
      splitters.length === 1 &&
      users.some((each) => each.adapter === null && each.exchangedFor === null);
    if (users.length > 0 && !(users.length === 1 && splitters.length === 0) && !pair) return false;
  }
  for (const lead of new Set(plugs.flatMap((plug) => plug.lead ?? []))) {
    const members = plugs.flatMap((plug, n) => (plug.lead === lead ? [n] : []));
    const carried = members.reduce((sum, n) => sum + onPlug[n]!, 0);
    if (carried > Math.max(...members.map((n) => plugs[n]!.watts)) + 1e-9) return false;
  }
  return sockets.length === feeds.length;
}
