import { soaked } from '../builders/soak.ts';
import { expect } from 'chai';
import { CARDS } from '../../demo/catalogue/cards.ts';
import { network, drives, screens } from '../../demo/catalogue/row.ts';
import { PACKAGES } from '../builders/library.ts';
import { SCENES } from '../../demo/scenes.ts';
import {
  emptyCase,
  emptyMachine,
  emptySupply,
  occupantNamed,
  type DriverPackage,
  type Machine,
  type Slot,
} from '../../src/core/document/index.ts';
import {
  body,
  bracket,
  driverSupport,
  link,
  power,
  seat,
  slotVerdict,
  twelveVoltSum,
  unknownFacts,
  verdictStore,
  verdictTable,
  worstVerdict,
  type Finding,
} from '../../src/core/rules/index.ts';
import { machineAround, withCards } from '../../src/core/placement/index.ts';
import { plainNeed } from '../../src/core/kinds/index.ts';
import { proposePlan } from '../../src/core/planner/index.ts';
import type { SystemFamily } from '../../src/core/standards/index.ts';
import {
  aCard,
  aMachine,
  aSlot,
  occupiedBy,
  told,
  usbNeed,
  aPackage,
  listed,
  wiredTo,
} from '../builders/parts.ts';

const codes = (findings: readonly Finding[]) => findings.map(({ code }) => code);
const room = (lengthRoomMm: number, more: Partial<Machine['case']> = {}) =>
  aMachine([], {
    case: {
      ...emptyCase(),
      bracket: told('full'),
      openings: told(7),
      covers: told('screwed'),
      lengthRoomMm: told(lengthRoomMm),
      ...more,
    },
  });

describe('Seat', () => {
  const machine = aMachine([]);

  it('lets a card into a longer slot and refuses it a shorter closed one', () => {
    const x4 = aCard({ lanes: 4 });
    expect(codes(seat(x4, aSlot(1, { connector: 16 }), machine))).to.deep.equal(['seat.fits']);
    expect(codes(seat(x4, aSlot(1, { connector: 4 }), machine))).to.deep.equal(['seat.fits']);
    expect(seat(x4, aSlot(1, { connector: 1 }), machine)).to.deep.equal([
      { code: 'seat.tooLong', verdict: 'blocked', needed: 4, available: 1, unit: 'lanes' },
    ]);
  });

  it('lets it into an open-ended one unless something stands behind', () => {
    const open = aSlot(1, { connector: 1 }, { openEnd: told(true) });
    expect(codes(seat(aCard({ lanes: 4 }), open, machine))).to.deep.equal(['seat.openEnd']);
    // The x4 edge ends 94 mm from the rear (55 + 39); the slot's middle is at 173 mm.
    const behind = (xMm: number) =>
      aMachine([], {
        obstacles: [
          {
            id: 'b',
            name: 'Capacitor',
            kind: 'other',
            moving: '',
            xMm,
            yMm: 171,
            widthMm: 5,
            depthMm: 5,
            heightMm: 6,
            movable: false,
          },
        ],
      });
    expect(codes(seat(aCard({ lanes: 4 }), open, behind(93)))).to.deep.equal([
      'seat.behindOpenEnd',
    ]);
    expect(codes(seat(aCard({ lanes: 4 }), open, behind(94)))).to.deep.equal(['seat.openEnd']);
  });

  it('says what it has not been told', () => {
    const unknownLength = aSlot(1, {}, { connectorLanes: null });
    expect(codes(seat(aCard({ lanes: 4 }), unknownLength, machine))).to.deep.equal([
      'seat.connectorUnknown',
    ]);
    expect(codes(seat(aCard({ lanes: 1 }), unknownLength, machine))).to.deep.equal(['seat.fits']);
    const unknownEnd = aSlot(1, { connector: 1 }, { openEnd: null });
    expect(codes(seat(aCard({ lanes: 4 }), unknownEnd, machine))).to.deep.equal([
      'seat.openEndUnknown',
    ]);
    expect(codes(seat(aCard(), aSlot(1, {}, { occupant: null }), machine))).to.include(
      'seat.occupantUnknown',
    );
  });

  it('keeps PCI and PCI Express apart, and taken slots taken', () => {
    const classic = aSlot(1, {}, { bus: 'pci' });
    expect(codes(seat(aCard(), classic, machine))).to.deep.equal(['seat.bus']);
    expect(codes(seat(aCard({ bus: 'pci' }), classic, machine))).to.deep.equal(['seat.fits']);
    expect(
      codes(seat(aCard(), aSlot(1, {}, { occupant: occupiedBy('Old card') }), machine)),
    ).to.include('seat.occupied');
  });

  it('asks nothing more of a card of another bus', () => {
    const verdict = slotVerdict(aCard(), aSlot(1, {}, { bus: 'pci' }), machine, null);
    expect(codes(verdict.findings)).to.deep.equal(['seat.bus']);
  });
});

describe('Link', () => {
  const tenGigabit = aCard({
    lanes: 8,
    generation: 3,
    delivers: network(1, [10000]),
  });
  const at = (generation: 1 | 2 | 3, lanes: number) =>
    link(tenGigabit, aSlot(1, { connector: 16, lanes, generation })).code;

  it('gives 10 Gb/s Ethernet at least Gen 3 x2 or Gen 2 x4', () => {
    // Common practice, no source; the arithmetic is that of the PCI Express Base Specification.
    expect(at(3, 2)).to.equal('link.enough');
    expect(at(2, 4)).to.equal('link.enough');
    expect(at(3, 1)).to.equal('link.narrowed');
    expect(at(2, 2)).to.equal('link.narrowed');
    expect(at(1, 4)).to.equal('link.narrowed');
  });

  it('carries between six and seven SATA drives over Gen 3 x4 before coding of packets', () => {
    // 3,938 MB/s over 600 each is 6.6 (Serial ATA 3.x and PCI Express Base Specification, from memory).
    const forDrives = (ports: number) => aCard({ lanes: 4, delivers: drives(ports, 'sata') });
    const slot = aSlot(1, { lanes: 4 });
    expect(codes([link(forDrives(6), slot)])).to.deep.equal(['link.enough']);
    expect(link(forDrives(7), slot)).to.deep.include({
      code: 'link.fewDrives',
      needed: 7,
      available: 6,
    });
  });

  it('is unknown while lanes or generation are', () => {
    expect(codes([link(aCard(), aSlot(1, {}, { lanes: null }))])).to.deep.equal([
      'link.slotUnknown',
    ]);
    expect(codes([link(aCard(), aSlot(1, {}, { generation: null }))])).to.deep.equal([
      'link.slotUnknown',
    ]);
  });
});

describe('Bracket', () => {
  // Heights: PCI Express Card Electromechanical Specification (from memory): 111.15 mm full, 68.90 mm low.
  const low = room(300, { bracket: told('low') });

  it('stops a card one tenth of a millimetre too high for a low case', () => {
    expect(worstVerdict(bracket(aCard({ heightMm: 68.9, bracketMounted: 'low' }), low))).to.equal(
      'clear',
    );
    expect(codes(bracket(aCard({ heightMm: 69.0 }), low))).to.deep.equal(['bracket.cardTooHigh']);
  });

  it('asks for the other bracket where it is supplied, and for an order where it is not', () => {
    expect(bracket(aCard(), low)[0]).to.include({
      code: 'bracket.swap',
      verdict: 'needs',
      subject: 'low',
    });
    expect(codes(bracket(aCard({ brackets: ['full'] }), low))).to.deep.equal(['bracket.missing']);
    expect(codes(bracket(aCard({ bracketMounted: 'low' }), room(300)))).to.deep.equal([
      'bracket.swap',
    ]);
    expect(codes(bracket(aCard(), room(300, { bracket: null })))).to.deep.equal([
      'bracket.caseUnknown',
    ]);
  });
});

describe('Body', () => {
  it('fits to the millimetre', () => {
    expect(worstVerdict(body(aCard({ lengthMm: 200 }), aSlot(1), room(200)))).to.equal('clear');
    expect(body(aCard({ lengthMm: 201 }), aSlot(1), room(200))[0]).to.deep.equal({
      code: 'body.tooLong',
      verdict: 'blocked',
      needed: 201,
      available: 200,
      unit: 'mm',
    });
  });

  it('covers free slots, and touches neighbours from either side', () => {
    const machine = aMachine([aSlot(1), aSlot(2), aSlot(3, {}, { occupant: occupiedBy('Below') })]);
    const [first, second] = machine.slots;
    const two = aCard({ openings: 2 });
    expect(codes(body(two, first!, machine)))
      .to.include('body.coversSlot')
      .and.not.include('body.neighbour');
    expect(codes(body(two, second!, machine))).to.include('body.neighbour');
    const above = aMachine([aSlot(1, {}, { occupant: occupiedBy('Thick', 2) }), aSlot(2)]);
    expect(codes(body(aCard(), above.slots[1]!, above))).to.include('body.neighbour');
    const unknown = aMachine([aSlot(1, {}, { occupant: occupiedBy('Thick?', null) }), aSlot(2)]);
    expect(codes(body(aCard(), unknown.slots[1]!, unknown))).to.include('body.neighbourUnknown');
  });

  it('stays within the openings of the case', () => {
    const machine = aMachine([aSlot(7)]);
    expect(codes(body(aCard({ openings: 1 }), machine.slots[0]!, machine))).to.not.include(
      'body.beyondLastOpening',
    );
    expect(codes(body(aCard({ openings: 2 }), machine.slots[0]!, machine))).to.include(
      'body.beyondLastOpening',
    );
  });

  it('meets what stands in its path, unless it lies beneath the card', () => {
    const withBox = (heightMm: number, movable: boolean) =>
      aMachine([aSlot(1)], {
        obstacles: [
          {
            id: 'b',
            name: 'Header',
            kind: 'other',
            moving: '',
            xMm: 100,
            yMm: 175,
            widthMm: 10,
            depthMm: 5,
            heightMm,
            movable,
          },
        ],
      });
    const of = (heightMm: number, movable: boolean) => {
      const machine = withBox(heightMm, movable);
      return codes(body(aCard({ lengthMm: 120 }), machine.slots[0]!, machine));
    };
    expect(of(13, true)).to.include('body.obstacleMovable');
    expect(of(13, false)).to.include('body.obstacleInTheWay');
    expect(of(12, false)).to.not.include('body.obstacleInTheWay');
    expect(codes(body(aCard({ lengthMm: 100 }), aSlot(1), withBox(13, false)))).to.not.include(
      'body.obstacleInTheWay',
    );
  });
});

describe('Power', () => {
  // Slot watts at start: Card Electromechanical Specification (from memory): 10 W for x1, 25 W for longer.
  it('takes the label for the most that 12 V can be, while nobody has read its 12 V row', () => {
    const plain = aMachine([]);
    const labelled = (watts: number) => ({
      ...plain,
      supply: { ...plain.supply, twelveVoltWatts: null, labelWatts: told(watts) },
    });
    expect(codes(twelveVoltSum(50, labelled(149)))).to.deep.equal(['power.sumShort']);
    expect(codes(twelveVoltSum(50, labelled(150)))).to.deep.equal(['power.sumUnknown']);
  });

  it('asks for a longer lead where the plug does not reach the slot', () => {
    const plain = aMachine([]);
    const reaching = (reachMm: number) => ({
      ...plain,
      supply: { ...plain.supply, plugs: told([{ type: '6-pin' as const, count: 1, reachMm }]) },
    });
    const card = aCard({ sockets: ['6-pin'] });
    // The first opening's middle is at 173 mm, the fourth's three pitches of 20.32 mm further down.
    expect(codes(power(card, aSlot(4), reaching(234)))).to.include('power.plugsFound');
    expect(power(card, aSlot(4), reaching(233))).to.deep.include({
      code: 'power.leadShort',
      verdict: 'needs',
      subject: '6-pin',
      needed: 234,
      available: 233,
      unit: 'mm',
    });
    expect(codes(power(card, aSlot(1), reaching(233)))).to.include('power.plugsFound');
  });

  it('never hangs two plugs’ load on one lead', () => {
    // Common practice, no source. 285 W less 65 from the slot are 110 through each of two sockets, and a lead
    // with 8-pin plugs carries 150.
    const card = aCard({ sockets: ['8-pin', '8-pin'], peakWatts: 285, slotWatts: 65 });
    const found = (...plugs: { type: '8-pin'; count: number; lead?: string }[]) => {
      const machine = aMachine([]);
      const supply = { ...machine.supply, plugs: told(plugs) };
      return power(card, aSlot(1), { ...machine, supply });
    };
    expect(found({ type: '8-pin', count: 2, lead: 'A' })).to.deep.include({
      code: 'power.sharedLead',
      verdict: 'blocked',
      subject: ['8-pin', '8-pin'],
      needed: 220,
      available: 150,
      unit: 'W',
    });
    expect(
      codes(found({ type: '8-pin', count: 1, lead: 'A' }, { type: '8-pin', count: 1, lead: 'B' })),
    ).to.include('power.plugsFound');
    expect(codes(found({ type: '8-pin', count: 2 }))).to.include('power.plugsFound');
  });

  it('holds the slot to its limit, to the watt', () => {
    const slot = aSlot(1, { watts: 35 });
    expect(codes(power(aCard({ slotWatts: 35 }), slot, aMachine([])))).to.include(
      'power.slotEnough',
    );
    expect(codes(power(aCard({ slotWatts: 36 }), slot, aMachine([])))).to.include(
      'power.slotShort',
    );
  });

  it('relies on what the standard assures where the limit is not known, and no further', () => {
    const unknown = aSlot(1, { connector: 1 }, { powerWatts: null });
    expect(codes(power(aCard({ slotWatts: 10 }), unknown, aMachine([])))).to.include(
      'power.slotEnough',
    );
    expect(codes(power(aCard({ slotWatts: 11 }), unknown, aMachine([])))).to.include(
      'power.slotUnknown',
    );
  });

  it('keeps a quarter of headroom on 12 V', () => {
    // Common practice, no source: 25 % headroom, so 400 of 500 W may be used.
    const machine = aMachine([]);
    expect(codes(twelveVoltSum(300, machine))).to.deep.equal(['power.sumFits']);
    expect(codes(twelveVoltSum(301, machine))).to.deep.equal(['power.headroomUsed']);
    expect(codes(twelveVoltSum(400, machine))).to.deep.equal(['power.headroomUsed']);
    expect(codes(twelveVoltSum(401, machine))).to.deep.equal(['power.sumShort']);
    const unknown = aMachine([], {
      supply: { ...emptySupply(), twelveVoltWatts: told(500), baseWatts: null, plugs: null },
    });
    expect(codes(twelveVoltSum(1, unknown))).to.deep.equal(['power.sumUnknown']);
    expect(codes(power(aCard({ sockets: ['6-pin'] }), aSlot(1), unknown))).to.include(
      'power.plugsUnknown',
    );
  });
});

describe('Driver support', () => {
  const NOT_OF_A_CLASS = { vendor: 0xf1a0, device: 0x7001, class24: 0x020000 };
  const of = (
    library: readonly DriverPackage[] | null,
    machine = aMachine([]),
    class24 = 0x020000,
  ) => driverSupport(aCard({ ids: { ...NOT_OF_A_CLASS, class24 } }), machine, library)[0]!;
  const onVersion = (version: string | null) =>
    aMachine([], {
      system: {
        ...emptyMachine().system,
        family: told('windows'),
        version: version === null ? null : told(version),
        architecture: told('x86-64'),
      },
    });

  it('takes the latest release that names the device and serves the system', () => {
    const older = aPackage({ id: 'a', version: '9.0', released: '2025-01-01' });
    const newer = aPackage({ id: 'b', version: '8.0', released: '2026-02-01' });
    expect(of([older, newer]).subject).to.equal('Driver 8.0');
  });

  it('keeps to the versions a package serves', () => {
    expect(of([aPackage({})], onVersion('11')).code).to.equal('system.package');
    expect(of([aPackage({})], onVersion('11.1')).code).to.equal('system.noDriver');
    expect(of([aPackage({})], onVersion('6.1')).code).to.equal('system.noDriver');
    expect(of([aPackage({})], onVersion(null)).code).to.equal('system.unknown');
  });

  it('lets AHCI, NVMe and xHCI run on the system’s own driver, with or without the library', () => {
    // PCI Code and ID Assignment Specification (from memory): 01 06 01, 01 08 02, 0c 03 30.
    for (const class24 of [0x010601, 0x010802, 0x0c0330]) {
      expect(of([], aMachine([]), class24).code).to.equal('system.ownDriver');
      expect(of(null, aMachine([]), class24).code).to.equal('system.ownDriver');
    }
    expect(of(null).code).to.equal('system.libraryAway');
  });

  const onSystem = (family: SystemFamily, version: string | null) =>
    aMachine([], {
      system: {
        ...emptyMachine().system,
        family: told(family),
        version: version === null ? null : told(version),
        architecture: told('x86-64'),
      },
    });
  const [AHCI, NVME, XHCI] = [0x010601, 0x010802, 0x0c0330] as const;

  it('knows from which release on a system drives a class, whatever number that is sold by', () => {
    // xHCI since Windows 8 (6.2), NVMe since 8.1 (6.3): the systems' release notes, from memory.
    const code = (version: string, class24: number) =>
      of([], onSystem('windows', version), class24).code;
    for (const seven of ['6.1', '7'])
      expect([AHCI, NVME, XHCI].map((each) => code(seven, each))).to.deep.equal([
        'system.ownDriver',
        'system.noDriver',
        'system.noDriver',
      ]);
    expect([code('8', XHCI), code('8', NVME), code('8.1', NVME), code('10', NVME)]).to.deep.equal([
      'system.ownDriver',
      'system.noDriver',
      'system.ownDriver',
      'system.ownDriver',
    ]);
    // A package for 7 to 8.1 serves 6.2, and not 10.
    const old = aPackage({
      says: listed(['f1a0:7001'], { family: 'windows', from: '7', to: '8.1' }),
    });
    expect(of([old], onVersion('6.2')).code).to.equal('system.package');
    expect(of([old], onVersion('10')).code).to.equal('system.noDriver');
  });

  it('answers for other systems by class, and else says that nobody here knows', () => {
    for (const family of ['bsd', 'unix', 'macos-like', 'other'] as const) {
      const code = (class24: number) => of([aPackage({})], onSystem(family, null), class24).code;
      expect(code(AHCI), family).to.equal(
        family === 'other' ? 'system.askSystem' : 'system.ownDriver',
      );
      expect(code(NVME), family).to.equal(
        family === 'bsd' ? 'system.ownDriver' : 'system.askSystem',
      );
      expect(code(0x020000), family).to.equal('system.askSystem');
      // Neither its release nor its architecture is asked for.
      const asked = unknownFacts(onSystem(family, null), []).map((fact) => fact.code);
      expect(asked).to.not.include('system.version');
    }
  });

  it('says where disks at fast USB ports are copied from by the older protocol', () => {
    const card = aCard({ ids: { ...NOT_OF_A_CLASS, class24: XHCI } });
    const codes = (version: string) =>
      driverSupport(card, onSystem('linux', version), []).map(({ code }) => code);
    // UASP since Linux 3.15 (kernel release notes, from memory).
    expect(codes('3.14')).to.include('system.slowDisks');
    expect(codes('3.15')).to.not.include('system.slowDisks');
  });
});

describe('Unknown facts', () => {
  it('shrink as facts come in, and ask only what the needs require', () => {
    const known = aMachine([aSlot(1)]);
    expect(unknownFacts(known, [usbNeed(4)])).to.deep.equal([]);
    const noPath = { ...known, path: { ...known.path, ...wiredTo(null) } };
    expect(unknownFacts(noPath, [usbNeed(4)])).to.deep.equal([]);
    const lessKnown = {
      ...known,
      slots: [{ ...known.slots[0]!, lanes: null }],
      system: { ...known.system, version: null },
    };
    expect(unknownFacts(lessKnown, []).map(({ code }) => code)).to.deep.equal([
      'system.version',
      'slot.lanes',
    ]);
  });
});

describe('A card that leaves', () => {
  const card = aCard({ sockets: ['8-pin'], peakWatts: 160, slotWatts: 60, frontHeaders: [] });
  const old = {
    ...occupantNamed('Old graphics'),
    openings: told(2),
    lengthMm: told(200),
    fan: told(null),
    watts: told(150),
    plugs: told(['8-pin' as const]),
    frontLeads: told(['usb-19-pin' as const]),
  };
  const housed = (disposition: 'stays' | 'optional' | 'remove', over: Partial<typeof old> = {}) =>
    aMachine([{ ...aSlot(1), occupant: told({ ...old, disposition, ...over }) }, aSlot(4)], {
      supply: {
        ...emptySupply(),
        twelveVoltWatts: told(300),
        baseWatts: told(200),
        plugs: told([]),
      },
      case: { ...room(300).case, frontLeads: told([]) },
    });
  const asked = (machine: Machine) => slotVerdict(card, machine.slots[1]!, machine, null);

  it('gives back its watts and its plug, and one that stays or may stay gives nothing', () => {
    const freed = asked(housed('remove'));
    expect(freed.verdict).to.not.equal('blocked');
    expect(codes(freed.findings)).to.include.members(['power.plugsFound', 'power.sumFits']);
    // What is not known of it is not given back.
    const unknown = housed('remove', { plugs: null as never, watts: null as never });
    for (const machine of [housed('stays'), housed('optional'), unknown]) {
      expect(asked(machine).verdict).to.equal('blocked');
      expect(codes(asked(machine).findings)).to.include.members([
        'power.plugMissing',
        'power.sumShort',
      ]);
    }
  });

  it('gives back its front lead, once, also beside what is on trial already', () => {
    const machine = housed('remove');
    const around = machineAround(machine.slots[1]!, machine);
    expect(around.case.frontLeads?.value).to.deep.equal([{ type: 'usb-19-pin' }]);
    expect(around.supply.baseWatts?.value).to.equal(50);
    expect(machineAround(around.slots[1]!, around)).to.equal(around);
    const tried = withCards(machine, [{ card, slot: machine.slots[1]! }]);
    expect(tried.supply.baseWatts?.value).to.equal(50 + 160);
    expect(tried.supply.plugs?.value.reduce((sum, { count }) => sum + count, 0)).to.equal(0);
    // Also where the new card stands in its place.
    const inPlace = withCards(machine, [{ card, slot: machine.slots[0]! }]);
    expect(machineAround(inPlace.slots[0]!, inPlace).supply.baseWatts?.value).to.equal(50 + 160);
  });

  it('costs the slot that it leaves nothing: a new graphics card goes into the x16 slot', () => {
    const graphics = aCard({
      lanes: 16,
      generation: 3,
      openings: 2,
      delivers: screens(2, [['dp-hbr3', 2]], 4, 2),
    });
    const machine = aMachine([
      {
        ...aSlot(1, { connector: 16, lanes: 16 }),
        occupant: told({ ...old, disposition: 'remove' as const }),
      },
      aSlot(4, { connector: 16, lanes: 8 }),
    ]);
    const plan = proposePlan({
      machine,
      needs: [plainNeed('screens', 'n', { count: 1 })],
      cards: [graphics],
      budgetCents: null,
      library: [],
    });
    expect(plan.placements.map(({ slot }) => slot.id)).to.deep.equal(['s1']);
  });
});

describe('Verdicts that are kept', () => {
  const asked = CARDS.filter((_, n) => n % soaked(18, 7) === 0);

  it('are those that would be given anew, whatever fact of the machine or of a slot was changed', () => {
    const machines = SCENES.map(({ machine }) => machine);
    const factsOf = machines.flatMap(({ slots }) => slots);
    for (const machine of machines) {
      const kept = verdictStore();
      const expectSame = (changed: Machine, what: string) => {
        asked.forEach(kept(machine, PACKAGES));
        const now = asked.map(kept(changed, PACKAGES));
        const anew = verdictTable(asked, changed, PACKAGES);
        expect(now, `${machine.name}, ${what}`).to.deep.equal(anew);
      };
      for (const [n, slot] of machine.slots.entries())
        for (const key of (Object.keys(slot) as (keyof Slot)[]).filter((each) => each !== 'id'))
          for (const { [key]: value } of [
            { ...slot, [key]: null },
            factsOf[(n * 7 + 3) % factsOf.length]!,
          ])
            if (value !== null || !['label', 'bus', 'enclosureId'].includes(key))
              expectSame(
                { ...machine, slots: machine.slots.with(n, { ...slot, [key]: value }) },
                `slot ${slot.label}, ${key}`,
              );
      for (const key of ['case', 'supply', 'board', 'conditions', 'obstacles', 'system'] as const)
        for (const other of [machines[0]!, machines.at(-1)!])
          expectSame({ ...machine, [key]: other[key] }, key);
    }
  });

  it('are kept: a change of one slot asks only its own column anew', () => {
    const { machine } = SCENES.find(({ machine: { slots } }) => slots.length > 4)!;
    const kept = verdictStore();
    const before = kept(machine, PACKAGES)(asked[0]!);
    const changed = {
      ...machine,
      slots: machine.slots.with(1, { ...machine.slots[1]!, powerWatts: null }),
    };
    const after = kept(changed, PACKAGES)(asked[0]!);
    expect(after.map((verdict, n) => verdict === before[n])).to.deep.equal(
      machine.slots.map((_, n) => n !== 1),
    );
  });
});
