/** Small invented jobs from a seed, for the planner and what stands on it. */
import * as fc from 'fast-check';
import { drives, network, usb } from '../../demo/catalogue/row.ts';
import { EXTRAS } from '../../demo/catalogue/extras.ts';
import {
  PLAIN_WEIGHTS,
  cardName,
  emptySupply,
  occupantNamed,
  type Card,
  type Condition,
  type Enclosure,
  type Machine,
  type Occupant,
  type Slot,
  type Weights,
} from '../../src/core/document/index.ts';
import {
  emptyDrive,
  emptyHop,
  type Backing,
  type Fact,
  type Hop,
} from '../../src/core/parts/index.ts';
import { plainNeed, type Need, type NeedOf } from '../../src/core/kinds/index.ts';
import type { CableClass } from '../../src/core/standards/index.ts';
import type { PlanRequest } from '../../src/core/plans/index.ts';
import { aCard, aMachine, aSlot, aStatement, baysOf, told } from './parts.ts';

const fan = fc.constantFrom<Card['fan']>(
  null,
  null,
  { fromMm: 40, toMm: 90, airMm: 20 },
  { fromMm: 60, toMm: 90, airMm: 2 },
  { fromMm: 40, toMm: 90, airMm: 20, aboveMm: 55 },
);

const randomCard = (id: string): fc.Arbitrary<Card> =>
  fc
    .record({
      lanes: fc.constantFrom(1, 1, 4, 16) as fc.Arbitrary<1 | 4 | 16>,
      openings: fc.constantFrom(1, 1, 2, 3),
      plates: fc.constantFrom(0, 0, 0, 0, 1),
      lengthMm: fc.constantFrom(120, 170, 240),
      heightMm: fc.constantFrom(50, 68.9, 68.9),
      quirks: fc.constantFrom<Card['quirks']>([], [], [], ['notBelowFan']),
      manners: fc.constantFrom<Card['manners']>([], [], [], ['quiet'], ['lit']),
      weightGrams: fc.constantFrom(150, 1_200),
      fan,
      peakWatts: fc.constantFrom(20, 60, 120),
      sockets: fc.constantFrom<Card['sockets']>([], [], ['8-pin'], ['6-pin']),
      priceCents: fc.integer({ min: 1, max: 40 }).map((n) => n * 500),
      leadDays: fc.constantFrom(null, 2, 9),
      returnDays: fc.constantFrom(null, 14),
      statements: fc.oneof(
        { weight: 5, arbitrary: fc.constant([]) },
        {
          weight: 3,
          arbitrary: fc.constantFrom<Card['statements']>(
            [aStatement('claimed')],
            [aStatement('listed')],
            [aStatement('problem')],
            [aStatement('listed', { slot: 'Slot 1' }), aStatement('problem', { slot: 'Slot 2' })],
            [aStatement('onlyThere', { slot: 'Slot 2' })],
            [aStatement('problem', { system: 'linux' })],
            [aStatement('problem', { card: 'Maker c0' })],
            [aStatement('problem', { card: 'Maker c1' })],
          ),
        },
      ),
      bracketMounted: fc.constantFrom('full', 'low') as fc.Arbitrary<'full' | 'low'>,
      frontHeaders: fc.constantFrom<Card['frontHeaders']>([], [{ type: 'usb-19-pin', atMm: 80 }]),
      contents: fc.constantFrom<Card['contents']>(
        [],
        [],
        [{ kind: 'driveCable', fits: 'sata' }],
        [{ kind: 'support', fits: 'heavy cards' }],
        [{ kind: 'plugAdapter', fits: 'two-6-pin-to-8-pin' }],
        [
          { kind: 'networkModule', fits: 'copper' },
          { kind: 'driveCable', fits: 'sata' },
          { kind: 'driveCable', fits: 'sata' },
        ],
      ),
      boardLeads: fc.constantFrom<Card['boardLeads']>(
        [],
        [],
        [{ type: 'usb-9-pin', lengthMm: 300 }],
      ),
      delivers: fc.constantFrom<Card['delivers']>(
        usb(2, '3.2-1', 900),
        usb(4, '3.2-2', 900),
        usb(4, '3.2-2', 900),
        usb(5, '2.0', 900),
        drives(2, 'sata'),
        drives(2, 'sata'),
        network(1, [1000, 2500]),
        network(1, [1000, 10000]),
        network(1, [1000, 10000], [], 'sfp'),
        { kind: 'otherDevice', what: 'capture', units: 2, socket: 'hdmi', bytesPerSecond: 500e6 },
      ),
    })
    .map((over) => aCard({ id, model: id, ...over }));

const weight = fc.integer({ min: 1, max: 5 });
const later = fc.constantFrom(false, false, false, false, true);

/** Mostly none told; else some that draw a good deal, or are slow, or nearly worn. */
const these: fc.Arbitrary<NeedOf<'drives'>['these']> = fc.oneof(
  { weight: 4, arbitrary: fc.constant([]) },
  {
    weight: 1,
    arbitrary: fc
      .array(
        fc.record({
          twelveVoltWatts: fc.constantFrom(null, 20, 60),
          form: fc.constantFrom('2.5', '3.5') as fc.Arbitrary<'2.5' | '3.5'>,
          readBytesPerSecond: fc.constantFrom(null, 90e6, 540e6),
          writtenTerabytes: fc.constantFrom(null, 10, 290),
        }),
        { minLength: 1, maxLength: 3 },
      )
      .map((some) =>
        some.map((told, n) => emptyDrive(`d${n}`, 4_000, { ratedTerabytes: 300, ...told })),
      ),
  },
);

const randomNeed = (id: string, mustShare: number): fc.Arbitrary<Need> => {
  const must = fc.integer({ min: 1, max: 10 }).map((n) => n <= mustShare);
  return fc.oneof(
    fc
      .record({
        must,
        backing: fc.constantFrom<Backing>(
          'none',
          'none',
          'none',
          'none',
          'none',
          'claimed',
          'listed',
        ),
        ports: fc.integer({ min: 1, max: 5 }),
        later,
        manners: fc.oneof(
          { weight: 9, arbitrary: fc.constant<Need['manners']>([]) },
          { weight: 1, arbitrary: fc.constantFrom<Need['manners']>(['quiet'], ['dark']) },
        ),
        where: fc.constantFrom('rear', 'rear', 'front') as fc.Arbitrary<'rear' | 'front'>,
        bytesPerSecond: fc.constantFrom(30e6, 200e6, 400e6),
        weight,
      })
      .map((over) => plainNeed('usb', id, over)),
    fc
      .record({
        must,
        ports: fc.integer({ min: 1, max: 4 }),
        array: fc.constantFrom<NeedOf<'drives'>['array']>('single', 'single', 'stripe', 'parity'),
        usableGigabytes: fc.constantFrom(0, 0, 8_000),
        later,
        these,
        weight,
      })
      .map((over) => plainNeed('drives', id, { bytesPerSecond: 100e6, ...over })),
    // Now and then a need that one kind of card alone serves.
    fc
      .tuple(
        fc.constantFrom('network', 'network', 'network', 'otherDevice'),
        fc.record({ must, later, bytesPerSecond: fc.constantFrom(100e6, 200e6, 900e6), weight }),
        fc.integer({ min: 1, max: 3 }),
      )
      .map(([kind, { bytesPerSecond, ...over }, units]) =>
        kind === 'otherDevice'
          ? plainNeed('otherDevice', id, { ...over, units })
          : plainNeed('network', id, { ...over, bytesPerSecond }),
      ),
  );
};

const percent = fc.constantFrom(0, 50, 100, 100, 300);
const weights: fc.Arbitrary<Weights> = fc.oneof(
  fc.constant(PLAIN_WEIGHTS),
  fc.record({
    overBudget: percent,
    wishes: percent,
    shortfall: percent,
    // Every card costs some work, or it would cost nothing to add useless ones.
    disturbance: fc.constantFrom(100, 300),
    air: fc.constantFrom(0, 100),
    drivers: percent,
    wait: percent,
    unknown: percent,
    longSlot: percent,
    speedGap: fc.constant(0),
  }),
);

export interface Sizes {
  readonly cards: readonly [number, number];
  readonly needs: readonly [number, number];
  readonly slots: readonly [number, number];
  /** Cards that may be in the machine already. */
  readonly existing: number;
  /** Of ten needs so many are musts. */
  readonly musts: number;
  /** Whether some have a box outside. */
  readonly obstacles: boolean;
}

const SMALL: Sizes = {
  cards: [2, 4],
  needs: [1, 3],
  slots: [2, 3],
  existing: 2,
  musts: 5,
  obstacles: true,
};

const several = <Thing>(
  [min, max]: readonly [number, number],
  each: (n: number) => fc.Arbitrary<Thing>,
): fc.Arbitrary<Thing[]> =>
  fc
    .integer({ min, max })
    .chain((count) => fc.tuple(...Array.from({ length: count }, (_, n) => each(n))));

const occupantOf = (card: Card, disposition: Occupant['disposition']): Occupant => ({
  ...occupantNamed(cardName(card)),
  disposition,
  openings: told(card.openings),
  watts: told(card.peakWatts),
  plugs: told(card.sockets),
  lengthMm: told(card.lengthMm),
  heightMm: told(card.heightMm),
  fan: told(card.fan),
});

/** One to three devices on the way, over leads of any class, some of them broken or not told. */
const randomHops: fc.Arbitrary<readonly Hop[]> = fc
  .array(
    fc.record({
      portMegabits: fc.constantFrom(null, [1000], [1000, 2500], [1000, 2500, 10000]),
      cable: fc.constantFrom(null, 'cat5e', 'cat6a', 'cat6a', 'om3') as fc.Arbitrary<CableClass>,
      metres: fc.constantFrom(3, 70),
      condition: fc.constantFrom('good', 'good', 'worn', 'brokenPair') as fc.Arbitrary<
        'good' | 'worn' | 'brokenPair'
      >,
    }),
    { minLength: 1, maxLength: 3 },
  )
  .map((hops) =>
    hops.map(({ portMegabits, cable, metres, condition }, n) => {
      const hop = emptyHop(`hop${n}`);
      const lead = { ...hop.leads[0]!, metres: told(metres), condition: told(condition) };
      return {
        ...hop,
        portMegabits: portMegabits && told(portMegabits),
        leads: [{ ...lead, cable: cable && told(cable) }],
      };
    }),
  );

/** A job of these sizes: ties between slots, cards that are in already, plugs, watts, leads and headers that run out. */
export const randomRequest = (sizes: Sizes = SMALL): fc.Arbitrary<PlanRequest> =>
  fc
    .record({
      cards: several(sizes.cards, (n) => randomCard(`c${n}`)),
      needs: several(sizes.needs, (n) => randomNeed(`n${n}`, sizes.musts)),
      slots: several(sizes.slots, () =>
        fc.record({
          connector: fc.constantFrom(1, 4, 16) as fc.Arbitrary<1 | 4 | 16>,
          generation: fc.constantFrom(1, 3) as fc.Arbitrary<1 | 3>,
          state: fc
            .integer({ min: 0, max: 15 })
            .map((n) => (['dirty', 'capped', 'dead'] as const)[n] ?? null),
        }),
      ),
      inThere: fc.array(
        fc.tuple(
          fc.nat(20),
          fc.nat(20),
          fc.constantFrom('stays', 'optional') as fc.Arbitrary<'stays' | 'optional'>,
        ),
        { maxLength: sizes.existing },
      ),
      budgetCents: fc.constantFrom(null, 5_000, 12_000, 30_000),
      twelveVolt: fc.constantFrom(200, 400, 900),
      plugs: fc.tuple(fc.constantFrom(0, 1, 2), fc.constantFrom(0, 2)),
      headers: fc.constantFrom(0, 1, 2),
      leads: fc.constantFrom(1, 1, 2),
      openings: fc.constantFrom(7, 7, 4),
      bays: fc.constantFrom(null, null, 0, 1, 2),
      second: fc.integer({ min: 1, max: 8 }).map((n) => n === 1),
      spareScrews: fc.constantFrom(0, 8),
      /** Null: one sound lead to the far end. */
      hops: fc.oneof(fc.constant(null), fc.constant(null), randomHops),
      /** Watts of a box outside that the last slot is in; null: there is none. */
      boxWatts: sizes.obstacles ? fc.constantFrom(null, null, null, 70, 160) : fc.constant(null),
      /** Slots by position, and the lanes that the first keeps while the second is used. */
      ties: fc.array(fc.tuple(fc.nat(20), fc.nat(20), fc.constantFrom(0, 1, 1, 4)), {
        maxLength: 2,
      }),
      weights,
    })
    .map(({ cards, needs, slots, inThere, budgetCents, ties, weights: weighed, ...rest }) => {
      const conditions: Condition[] = ties
        .map(([a, b, keepsLanes], n) => ({
          id: `t${n}`,
          slotId: `s${(a % slots.length) + 1}`,
          keepsLanes,
          whenSlotId: `s${(b % slots.length) + 1}`,
          holds: 'anything' as const,
        }))
        .filter(({ slotId, whenSlotId }) => slotId !== whenSlotId);
      const empty = slots.map(({ state, ...over }, n) =>
        aSlot(n + 1, over, { state: state && told(state) }),
      );
      return {
        cards,
        needs,
        budgetCents,
        extras: EXTRAS,
        library: null,
        weights: weighed,
        machine: machineWith(filled(empty, cards, inThere), conditions, rest),
      };
    });

/** Cards go only where they fit by opening and connector, and do not lie over one another. */
function filled(
  slots: readonly Slot[],
  cards: readonly Card[],
  inThere: readonly (readonly [number, number, 'stays' | 'optional'])[],
): readonly Slot[] {
  const result = [...slots];
  for (const [cardAt, slotAt, disposition] of inThere) {
    const card = cards[cardAt % cards.length]!;
    const n = slotAt % slots.length;
    const covered = result.slice(n, n + card.openings);
    const before = result.slice(0, n).some((slot, m) => {
      const there = slot.occupant?.value;
      return there != null && m + (there.openings?.value ?? 1) > n;
    });
    const room = covered.length === card.openings && !before;
    const fits = (slots[n]!.connectorLanes?.value ?? 1) >= card.lanes;
    if (!room || !fits || covered.some((slot) => slot.occupant?.value != null)) continue;
    const occupant: Fact<Occupant | null> = told(occupantOf(card, disposition));
    result[n] = { ...result[n]!, occupant };
  }
  return result;
}

function machineWith(
  slots: readonly Slot[],
  conditions: readonly Condition[],
  there: {
    readonly twelveVolt: number;
    readonly plugs: readonly [number, number];
    readonly headers: number;
    readonly leads: number;
    readonly openings: number;
    readonly bays: number | null;
    readonly second: boolean;
    readonly spareScrews: number;
    readonly boxWatts: number | null;
    readonly hops: readonly Hop[] | null;
  },
): Machine {
  const { boxWatts } = there;
  const last = slots.length - 1;
  const plain = aMachine(
    slots.map((slot, n) =>
      boxWatts !== null && n === last ? { ...slot, enclosureId: 'box', opening: told(1) } : slot,
    ),
  );
  const box: Enclosure | null =
    boxWatts === null
      ? null
      : {
          id: 'box',
          name: 'Box',
          chainPosition: 1,
          case: { ...plain.case, openings: told(2) },
          supply: {
            ...emptySupply(),
            twelveVoltWatts: told(boxWatts),
            baseWatts: told(10),
            plugs: told([{ type: '6-pin', count: 1 }]),
          },
        };
  return {
    ...plain,
    path: { ...plain.path, hops: there.hops ?? plain.path.hops },
    secondSystem: there.second
      ? { ...plain.system, family: told('linux'), version: told('6.1') }
      : null,
    enclosures: box === null ? [] : [box],
    conditions,
    case: {
      ...plain.case,
      frontLeads: told(
        Array.from({ length: there.leads }, () => ({ type: 'usb-19-pin' as const })),
      ),
      openings: told(there.openings),
      bays: there.bays === null ? null : baysOf(there.bays),
      spareScrews: told(there.spareScrews),
    },
    headers: told(Array.from({ length: there.headers }, () => ({ type: 'usb-9-pin' as const }))),
    supply: {
      ...emptySupply(),
      twelveVoltWatts: told(there.twelveVolt),
      baseWatts: told(100),
      plugs: told([
        { type: '8-pin', count: there.plugs[0] },
        { type: '6-pin', count: there.plugs[1] },
      ]),
    },
  };
}
