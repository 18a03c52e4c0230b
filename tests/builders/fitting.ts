/** Seeded jobs for the bench: machines full of things that stand in each other's way, and plans accepted for them. */
import * as fc from 'fast-check';
import { apply } from '../../src/core/commands/index.ts';
import {
  asOccupant,
  type Card,
  type Enclosure,
  type Job,
  type Machine,
  type Obstacle,
  type Occupant,
  type Slot,
} from '../../src/core/document/index.ts';
import {
  LEAD_KINDS,
  MACHINE_PARTS,
  leadRow,
  type LeadKind,
} from '../../src/core/standards/index.ts';
import { emptyDrive, known } from '../../src/core/parts/index.ts';
import { plainNeed, type Need } from '../../src/core/kinds/index.ts';
import { slotVerdict, worstVerdict } from '../../src/core/rules/index.ts';
import { drives, screens, usb } from '../../demo/catalogue/row.ts';
import { STAMP, aCard, aJob, aMachine, aSlot, baysOf, told } from './parts.ts';

const FIRST_MM = 173;
const PITCH_MM = 20.32;
const middleOf = (opening: number): number => FIRST_MM + (opening - 1) * PITCH_MM;

interface Spec {
  readonly covers: 'screwed' | 'clipped' | 'snapped';
  readonly bar: boolean;
  readonly latch: boolean;
  readonly bothSides: boolean | null;
  readonly spareCovers: number;
  /** The free plugs are short, and a longer one feeds something near. */
  readonly shortPlugs: boolean;
  readonly slots: readonly {
    readonly holds: 'nothing' | 'stays' | 'remove' | 'moves' | 'new';
    readonly thick: number;
    readonly lengthMm: number;
    readonly plugs: 'none' | 'some' | 'unknown';
    readonly state: 'good' | 'dirty' | 'capped';
    readonly card: number;
    readonly inBox: boolean;
  }[];
  readonly obstacles: readonly {
    readonly opening: number;
    readonly xMm: number;
    readonly goesBack: boolean;
    readonly aside: number;
  }[];
  readonly header: { readonly opening: number; readonly xMm: number };
  /** Which of the new cards wait for a second round: none, every other one, all but the first. */
  readonly staged: 'none' | 'everyOther' | 'allButFirst';
  readonly socket: {
    readonly holds: 'nothing' | 'new';
    readonly opening: number;
    readonly xMm: number;
  };
  /** Leads of which no end, some end or every end is loose, or not known. */
  readonly leads: readonly { readonly kind: LeadKind; readonly joined: (boolean | null)[] }[];
  /** Nothing of it is in yet; or only memory and cooler are not. */
  readonly toFit: Machine['toFit'];
  readonly boardPorts: number;
}

const CARDS_COUNT = 7;
const opening = fc.integer({ min: 1, max: 7 });
const xMm = fc.integer({ min: 30, max: 220 });

const spec: fc.Arbitrary<Spec> = fc.record({
  covers: fc.constantFrom('screwed', 'clipped', 'snapped'),
  bar: fc.integer({ min: 0, max: 4 }).map((n) => n === 0),
  latch: fc.boolean(),
  bothSides: fc.constantFrom(true, false, null),
  spareCovers: fc.integer({ min: 0, max: 2 }),
  shortPlugs: fc.boolean(),
  slots: fc.array(
    fc.record({
      holds: fc.constantFrom('nothing', 'stays', 'stays', 'remove', 'moves', 'new', 'new', 'new'),
      thick: fc.constantFrom(1, 1, 1, 2),
      lengthMm: fc.constantFrom(110, 170, 240),
      plugs: fc.constantFrom('none', 'some', 'unknown'),
      state: fc.constantFrom('good', 'good', 'good', 'dirty', 'capped'),
      card: fc.integer({ min: 0, max: CARDS_COUNT - 1 }),
      inBox: fc.integer({ min: 0, max: 5 }).map((n) => n === 0),
    }),
    { minLength: 3, maxLength: 7 },
  ),
  obstacles: fc.array(
    fc.record({ opening, xMm, goesBack: fc.boolean(), aside: fc.constantFrom(0, 0, 14, 40) }),
    { maxLength: 3 },
  ),
  header: fc.record({ opening, xMm }),
  socket: fc.record({ holds: fc.constantFrom('nothing', 'new'), opening, xMm }),
  staged: fc.constantFrom('none', 'none', 'none', 'everyOther', 'allButFirst'),
  leads: fc.array(
    fc.record({
      kind: fc.constantFrom(...LEAD_KINDS),
      joined: fc.array(fc.constantFrom(true, false, false, null), { minLength: 1, maxLength: 3 }),
    }),
    { maxLength: 3 },
  ),
  toFit: fc.constantFrom<Machine['toFit']>([], [], [], ['cooler', 'memory'], MACHINE_PARTS),
  boardPorts: fc.constantFrom(0, 0, 1, 4),
});

/** A lead for the plug of the board, and aerials that nothing here asks for. */
const IN_BOX: Card['contents'] = [
  { kind: 'plugAdapter', fits: 'mini-6-pin-to-6-pin' },
  { kind: 'aerial', fits: '' },
];

/** The kinds of work that cards bring: bracket, plugs, front leads, ribbons, drives, headers. */
const cardOf = (kind: number, id: string, thick: number, lengthMm: number): Card => {
  const base = aCard({
    id: id.replaceAll(' ', '-'),
    model: id,
    openings: thick,
    lengthMm,
    ids: { vendor: 0xf1a0, device: 1, class24: 0x0c0330 },
  });
  const kinds: readonly Card[] = [
    base,
    { ...base, bracketMounted: 'low', weightGrams: 1_400 },
    {
      ...base,
      sockets: ['6-pin'],
      contents: IN_BOX,
      delivers: screens(2, [['hdmi-600', 2]], 2, 1),
    },
    { ...base, frontHeaders: [{ type: 'usb-19-pin', atMm: 60 }], delivers: usb(2, '3.2-1', 900) },
    {
      ...base,
      boardLeads: [{ type: 'usb-9-pin', lengthMm: 900 }],
      leadsBeforeSeating: ['Lead to the drive cage'],
    },
    {
      ...base,
      boardLeads: [
        { type: 'usb-9-pin', lengthMm: 900, ownEnd: 'beforeSeating' },
        { type: 'lighting-4-pin', lengthMm: 900, ownEnd: 'fixed' },
      ],
    },
    { ...base, delivers: drives(2, 'sata'), plates: 1, quirks: ['jumper'] },
  ];
  return kinds[kind]!;
};

const occupant = (
  name: string,
  disposition: Occupant['disposition'],
  of: Spec['slots'][number],
): Occupant => {
  const card = aCard({ maker: 'Old', model: name, openings: of.thick, lengthMm: of.lengthMm });
  return {
    ...asOccupant(card, 'technician'),
    disposition,
    plugs:
      of.plugs === 'unknown' ? null : known(of.plugs === 'some' ? ['6-pin'] : [], 'technician'),
    frontLeads: of.plugs === 'unknown' ? null : known([], 'technician'),
    fan: known(null, 'technician'),
  };
};

/** Nothing is in a case that has no board yet. */
const withoutBoard = (s: Spec): Spec =>
  s.toFit.includes('board')
    ? {
        ...s,
        slots: s.slots.map((row) => ({
          ...row,
          holds: row.holds === 'new' || row.inBox ? row.holds : 'nothing',
        })),
        obstacles: [],
        shortPlugs: false,
      }
    : s;

/** A job with its plan accepted; what does not go together was left out. */
function jobOf(asked: Spec): Job {
  const s = withoutBoard(asked);
  let from = 1;
  let inBoxFrom = 1;
  const rows = s.slots.map((row, n) => {
    const at = row.inBox ? inBoxFrom : from;
    if (row.inBox) inBoxFrom += row.thick;
    else from += row.thick;
    return { ...row, at, n };
  });
  const kept = rows.filter(({ at, thick, inBox }) => at + thick - 1 <= (inBox ? 4 : 7));
  const box: Enclosure = {
    id: 'box',
    name: 'Box',
    chainPosition: 1,
    case: {
      ...aMachine([]).case,
      openings: told(4),
      panelHeld: told('screws'),
      leadLock: told(s.latch),
    },
    supply: aMachine([]).supply,
  };
  const slots = kept.map(({ at, n, holds, state, inBox, ...row }): Slot => ({
    ...aSlot(at, { connector: 16, lanes: 16 }),
    id: `s${n}`,
    label: `Slot ${n}`,
    state: told(state === 'capped' && holds !== 'new' ? 'good' : state),
    latch: told(s.latch),
    enclosureId: inBox ? 'box' : null,
    occupant: told(
      holds === 'nothing' || holds === 'new'
        ? null
        : occupant(`card ${n}`, holds === 'remove' ? 'remove' : 'stays', {
            at,
            n,
            holds,
            state,
            inBox,
            ...row,
          } as never),
    ),
  }));
  const socket: Slot = {
    ...aSlot(9, { lanes: 4 }, { bus: 'm2', opening: null }),
    id: 'socket',
    label: 'M.2 socket',
    key: told('M'),
    wired: told(['pcie']),
    moduleLengthsMm: told([80]),
    place: told({ xMm: s.socket.xMm, yMm: middleOf(s.socket.opening) }),
  };
  const machine: Machine = {
    ...aMachine([...slots, socket]),
    enclosures: [box],
    obstacles: s.obstacles.map(({ opening: at, xMm: x, goesBack, aside }, n): Obstacle => ({
      id: `o${n}`,
      name: `Lead ${n}`,
      kind: 'header',
      xMm: x,
      yMm: middleOf(at) - 4,
      widthMm: 12,
      depthMm: 8,
      heightMm: 16,
      movable: true,
      moving: 'Pull its plug',
      ...(goesBack ? { plugAt: { xMm: x + 6, yMm: middleOf(at) + aside } } : {}),
    })),
    toFit: s.toFit,
    leads: s.leads.map(({ kind, joined }, n) => ({
      id: `lead${n}`,
      kind,
      name: '',
      ends: joined
        .slice(0, leadRow(kind).ends.length)
        .map((each) => ({ at: '', joined: each === null ? null : told(each) })),
    })),
    builtIn: told(s.boardPorts === 0 ? [] : [drives(s.boardPorts, 'sata')]),
    headers: told([
      { type: 'lighting-4-pin' },
      { type: 'usb-9-pin', place: { xMm: s.header.xMm, yMm: middleOf(s.header.opening) } },
    ]),
    supply: {
      ...aMachine([]).supply,
      plugs: told([
        { type: '6-pin', count: 4, ...(s.shortPlugs ? { reachMm: 90 } : {}) },
        { type: 'sata', count: 6 },
      ]),
      plugsInUse: told([
        { type: '6-pin', feeds: 'the pump', alsoTakes: [], atMm: 40, reachMm: 900 },
      ]),
    },
    case: {
      ...aMachine([]).case,
      covers: told(s.covers),
      retentionBar: told(s.bar),
      panelHeld: told(s.latch ? 'latch' : 'screws'),
      opensBothSides: s.bothSides === null ? null : told(s.bothSides),
      spareCovers: told(s.spareCovers),
      spareScrews: told(3),
      frontLeads: told([{ type: 'usb-19-pin' }]),
      bays: baysOf(2),
    },
  };
  const needs: readonly Need[] = [
    plainNeed('usb', 'usb', { ports: 2, bytesPerSecond: 100e6 }),
    plainNeed('screens', 'screens', {
      count: 1,
      mode: { widthPx: 1920, heightPx: 1080, refreshHz: 60 },
    }),
    plainNeed('drives', 'drives', {
      bytesPerSecond: 50e6,
      these: [emptyDrive('a', 1_000), emptyDrive('b', 1_000)],
    }),
  ];
  const free = slots.filter((slot) => slot.occupant?.value === null);
  const fresh = kept
    .filter(({ holds }) => holds === 'new')
    .flatMap(({ n, card, thick, lengthMm }) => {
      const slot = slots.find(({ id }) => id === `s${n}`)!;
      const placed = cardOf(card, `new ${n}`, thick, lengthMm);
      const findings = slotVerdict(placed, slot, machine, null).findings;
      return worstVerdict(findings) === 'blocked' ? [] : [{ slotId: slot.id, card: placed }];
    });
  const module = aCard({
    id: 'module',
    model: 'module',
    bus: 'm2',
    lanes: 4,
    m2: { keys: ['M'], moduleLengthMm: 80, signal: 'pcie' },
    delivers: usb(2, '3.2-1', 900),
  });
  const taken = new Set(fresh.map(({ slotId }) => slotId));
  const mover = kept.find(({ holds }) => holds === 'moves');
  const target = free.find(
    ({ id, enclosureId }) =>
      !taken.has(id) &&
      enclosureId === null &&
      mover !== undefined &&
      !mover.inBox &&
      kept.some(({ n, thick }) => `s${n}` === id && thick >= mover.thick),
  );
  const moves =
    mover === undefined || target === undefined
      ? []
      : [
          {
            fromSlotId: `s${mover.n}`,
            toSlotId: target.id,
            card: aCard({
              maker: 'Old',
              model: `card ${mover.n}`,
              openings: mover.thick,
              lengthMm: mover.lengthMm,
            }),
          },
        ];
  const begun: Job = { ...aJob({ name: 'takeTemplate', machine }), needs };
  return apply(
    begun,
    {
      name: 'acceptPlan',
      placements: [
        ...fresh,
        ...(s.socket.holds === 'new' ? [{ slotId: 'socket', card: module }] : []),
      ],
      packages: [],
      moves,
      givenUp: [],
      later: [],
      staged: fresh
        .filter((_, n) =>
          s.staged === 'allButFirst' ? n > 0 : s.staged === 'everyOther' && n % 2 === 1,
        )
        .map(({ slotId }) => slotId),
      unmet: [],
      met: [],
      extras: [],
    },
    STAMP,
  );
}

/** Jobs in which something is fitted. */
export const fittingJobs = (count: number, seed: number): readonly Job[] =>
  fc
    .sample(spec.map(jobOf), { numRuns: count * 2, seed })
    .filter(({ plan }) => plan !== null && plan.placements.length > 0)
    .slice(0, count);
