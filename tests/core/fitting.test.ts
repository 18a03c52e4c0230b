/** Rules of fitting beyond seat and plugs: air, hands, weight, leads, firmware, known catches; and cards on trial together. */
import { expect } from 'chai';
import {
  COMPONENT_SIDE_MM,
  OPENING_PITCH_MM,
  assignPlugs,
  body,
  decisiveFacts,
  factBehind,
  firmware,
  headers,
  plugsOf,
  power,
  quirks,
  slotVerdict,
  valueOf,
  withCards,
  type Card,
  type Finding,
  type Machine,
  type Slot,
} from '../../src/core/index.ts';
import { network, screens, usb } from '../../demo/catalogue/row.ts';
import { aCard, aMachine, aSlot, occupiedBy, told, usbNeed } from '../builders/parts.ts';

const codes = (findings: readonly Finding[]) => findings.map(({ code }) => code);
const of = (findings: readonly Finding[], code: string) =>
  findings.find((each) => each.code === code);
const FAN = { fromMm: 60, toMm: 160, airMm: 20 };
/** Holds a card of so many openings, with a fan or without, or nobody knows. */
const holding = (
  slot: Slot,
  openings: number,
  fan: Card['fan'] | 'unknown',
  lengthMm = 201,
): Slot => {
  const occupant = occupiedBy('Neighbour', openings)!;
  return {
    ...slot,
    occupant: told({
      ...occupant.value!,
      lengthMm: told(lengthMm),
      fan: fan === 'unknown' ? null : told(fan),
    }),
  };
};

describe('Air before a fan', () => {
  const fitted = (at: number, card: Card, fan: Card['fan'] | 'unknown' = FAN) => {
    const machine = aMachine([holding(aSlot(1), 2, fan), aSlot(at)]);
    return body(card, machine.slots[1]!, machine);
  };

  it('is what lies between the faces of two cards, to the millimetre', () => {
    // Openings are 20.32 mm apart; a card takes 14.47 mm to one side and 2.67 to the other (CEM, from memory).
    const next = of(fitted(3, aCard({ lengthMm: 120 })), 'body.airTaken');
    expect(next?.available).to.be.closeTo(OPENING_PITCH_MM - COMPONENT_SIDE_MM - 2.67, 1e-9);
    expect(next).to.include({ needed: 20, verdict: 'limited', unit: 'mm' });
    expect(codes(fitted(4, aCard({ lengthMm: 120 })))).to.not.include('body.airTaken');
    // Just as much as it wants is enough; a millimetre more is not.
    const exactly = { ...FAN, airMm: next!.available! };
    expect(codes(fitted(3, aCard({ lengthMm: 120 }), exactly))).to.not.include('body.airTaken');
    const more = { ...FAN, airMm: next!.available! + 1 };
    expect(codes(fitted(3, aCard({ lengthMm: 120 }), more))).to.include('body.airTaken');
  });

  it('is not taken by a card that ends before the fan begins', () => {
    expect(codes(fitted(3, aCard({ lengthMm: 60 })))).to.not.include('body.airTaken');
    expect(codes(fitted(3, aCard({ lengthMm: 61 })))).to.include('body.airTaken');
    expect(codes(fitted(3, aCard({ lengthMm: 120 }), null))).to.not.include('body.airTaken');
  });

  it('is unknown where nobody has looked, and a thin card hardly has a fan', () => {
    expect(of(fitted(3, aCard(), 'unknown'), 'body.airUnknown')?.verdict).to.equal('unknown');
    const thin = aMachine([holding(aSlot(2), 1, 'unknown'), aSlot(3)]);
    expect(codes(body(aCard(), thin.slots[1]!, thin))).to.not.include('body.airUnknown');
    const machine = aMachine([holding(aSlot(1), 2, 'unknown'), aSlot(3)]);
    const facts = decisiveFacts(machine, [usbNeed(2)], [aCard()], null);
    expect(facts.map(({ code }) => code)).to.include('slot.fan');
  });

  it('is wanted by the card’s own fan as well', () => {
    const machine = aMachine([aSlot(1), holding(aSlot(3), 1, null, 150)]);
    const own = aCard({ openings: 2, fan: FAN });
    expect(of(body(own, machine.slots[0]!, machine), 'body.airShort')).to.include({
      subject: 'Neighbour',
      needed: 20,
    });
  });
});

describe('Room for a hand, and weight', () => {
  it('takes the card after it out where there is no opening free on either side', () => {
    // Common practice, no source.
    const between = (after: number) => {
      const machine = aMachine([
        holding(aSlot(1), 2, null),
        aSlot(3),
        holding(aSlot(after), 1, null),
      ]);
      return codes(body(aCard(), machine.slots[1]!, machine));
    };
    expect(between(4)).to.include('body.outFirst');
    expect(between(5)).to.not.include('body.outFirst');
  });

  it('wants a support from a kilogram on', () => {
    // Common practice, no source.
    const machine = aMachine([aSlot(1)]);
    const at = (weightGrams: number) =>
      codes(body(aCard({ weightGrams }), machine.slots[0]!, machine));
    expect(at(999)).to.not.include('body.sag');
    expect(at(1000)).to.include('body.sag');
  });
});

describe('Leads to the board', () => {
  const card = aCard({ lengthMm: 100, boardLeads: [{ type: 'usb-9-pin', lengthMm: 250 }] });
  const at = (xMm: number, yMm: number) =>
    headers(card, aSlot(1), {
      ...aMachine([]),
      headers: told([{ type: 'usb-9-pin' as const, place: { xMm, yMm } }]),
    });

  it('reach or do not, to the millimetre, along the edges of the board', () => {
    // The first opening's middle is at 173 mm: 50 mm beyond the card's end and 200 mm down are 250.
    expect(codes(at(150, 373))).to.deep.equal(['header.found']);
    expect(at(150, 374)[0]).to.include({ code: 'header.short', needed: 251, available: 250 });
  });

  it('find nothing, or nobody knows', () => {
    expect(codes(headers(card, aSlot(1), aMachine([])))).to.deep.equal(['header.missing']);
    const unseen = { ...aMachine([]), headers: null };
    expect(headers(card, aSlot(1), unseen)[0]).to.include({
      code: 'header.unknown',
      verdict: 'unknown',
    });
  });
});

describe('Firmware', () => {
  const graphics = (over: Partial<Card> = {}) =>
    aCard({ delivers: screens(2, [['dp-hbr3', 2]], 8, 3), boot: 'uefi', year: 2023, ...over });
  const machine = (over: Partial<Machine['firmware']>): Machine => {
    const plain = aMachine([]);
    return { ...plain, firmware: { ...plain.firmware, ...over } };
  };

  it('shows no picture with a card whose start-up code it does not run', () => {
    // Common practice, no source: new cards bring start-up code for UEFI only.
    expect(
      of(firmware(graphics(), machine({ kind: told('bios') })), 'firmware.noPicture')?.verdict,
    ).to.equal('blocked');
    expect(codes(firmware(graphics(), machine({})))).to.deep.equal([]);
    expect(
      codes(firmware(graphics({ boot: 'both' }), machine({ kind: told('bios') }))),
    ).to.not.include('firmware.noPicture');
    const wire = aCard({ delivers: network(1, [1000]), boot: 'uefi' });
    expect(codes(firmware(wire, machine({ kind: told('bios') })))).to.deep.equal([
      'firmware.otherBoot',
    ]);
    expect(
      of(firmware(graphics(), machine({ kind: null })), 'firmware.kindUnknown')?.verdict,
    ).to.equal('unknown');
  });

  it('may leave the screen black when it is four years older than the card', () => {
    // Common practice, no source: update first.
    const dated = (date: string | null) =>
      codes(firmware(graphics(), machine({ date: date === null ? null : told(date) })));
    expect(dated('2019-12-31')).to.include('firmware.old');
    expect(dated('2020-01-01')).to.not.include('firmware.old');
    expect(dated(null)).to.include('firmware.dateUnknown');
    // Only a screen stays black.
    const sticks = aCard({ delivers: usb(2, '3.2-1', 900), year: 2026 });
    expect(codes(firmware(sticks, machine({ date: null })))).to.deep.equal([]);
  });

  it('gives large windows, or does not, or nobody knows', () => {
    const at = (megabytes: number, large: boolean | null) =>
      codes(
        firmware(
          graphics({ windowMegabytes: megabytes }),
          machine({ largeWindows: large === null ? null : told(large) }),
        ),
      );
    expect(at(256, false)).to.deep.equal([]);
    expect(at(257, false)).to.deep.equal(['firmware.smallWindows']);
    expect(at(8192, true)).to.deep.equal([]);
    expect(at(8192, null)).to.deep.equal(['firmware.windowsUnknown']);
  });
});

describe('Known catches', () => {
  const link = aCard({ quirks: ['coldStart', 'sleep', 'processorSlot', 'jumper'] });
  const behind = (uplink: Slot['uplink']) => quirks(link, aSlot(1, {}, { uplink }), aMachine([]));

  it('decide a purchase: only one slot works, and a jumper stands in for a header', () => {
    // Common practice, no source.
    expect(codes(behind(told(null)))).to.deep.equal([
      'quirk.coldStart',
      'quirk.sleep',
      'quirk.jumper',
    ]);
    const shared = behind(told({ id: 'c', name: 'the switch', generation: 3 as const, lanes: 4 }));
    expect(of(shared, 'quirk.processorSlot')).to.include({
      verdict: 'blocked',
      subject: 'the switch',
    });
    expect(of(behind(null), 'quirk.slotUnknown')?.verdict).to.equal('unknown');
    const machine = { ...aMachine([]), headers: told([{ type: 'serial-link-5-pin' as const }]) };
    expect(codes(quirks(link, aSlot(1), machine))).to.not.include('quirk.jumper');
  });
});

describe('Current of USB ports', () => {
  it('is what the card’s plug carries at 5 V, to the watt', () => {
    // SATA power, 4.5 A on 5 V: 22.5 W, which are five ports of 900 mA (Serial ATA 3.x and USB 3.2, from memory).
    const at = (ports: number) =>
      codes(
        power(
          aCard({
            delivers: usb(ports, '3.2-1', 900),
            sockets: ['sata'],
            peakWatts: 30,
            slotWatts: 5,
          }),
          aSlot(1),
          aMachine([]),
        ),
      );
    expect(at(5)).to.not.include('power.portsShort');
    expect(at(6)).to.include('power.portsShort');
    const withHeader = aCard({
      delivers: usb(4, '3.2-1', 900),
      frontHeaders: [{ type: 'usb-19-pin', atMm: 80 }],
      sockets: ['sata'],
    });
    expect(of(power(withHeader, aSlot(1), aMachine([])), 'power.portsShort')).to.include({
      needed: 27,
      available: 22.5,
    });
  });
});

describe('Cards on trial together', () => {
  const plain = aMachine([aSlot(1), aSlot(3), aSlot(5)]);
  const machine: Machine = {
    ...plain,
    supply: { ...plain.supply, plugs: told([{ type: '6-pin' as const, count: 1 }]) },
    case: { ...plain.case, frontLeads: told([{ type: 'audio' as const }]) },
  };
  const hungry = aCard({
    peakWatts: 120,
    slotWatts: 60,
    sockets: ['6-pin'],
    frontHeaders: [{ type: 'audio', atMm: 80 }],
  });

  it('take from the next one what they use: slot, plug, watts, lead', () => {
    const tried = withCards(machine, [{ card: hungry, slot: machine.slots[0]! }]);
    expect(valueOf(tried.slots[0]!.occupant)?.name).to.equal('Maker Model');
    expect(plugsOf(tried.supply)).to.deep.equal([]);
    expect(valueOf(tried.supply.baseWatts)).to.equal(220);
    const second = codes(slotVerdict(hungry, tried.slots[1]!, tried, null).findings);
    expect(second).to.include.members(['power.plugMissing', 'header.frontMissing']);
    expect(codes(slotVerdict(hungry, machine.slots[1]!, machine, null).findings)).to.include(
      'power.plugsFound',
    );
    expect(withCards(machine, [])).to.equal(machine);
    expect(assignPlugs([], []).cost).to.deep.equal({
      dead: 0,
      adapters: 0,
      exchanges: 0,
      takenWatts: 0,
    });
  });
});

describe('The fact behind a finding', () => {
  it('is the one to look at again: of the slot, of its housing, or none', () => {
    const slot = aSlot(4);
    const fact = (code: Finding['code']) => factBehind({ code }, slot);
    expect(fact('seat.tooLong')).to.deep.equal({
      code: 'slot.openEnd',
      slotId: 's4',
      subject: 'Slot 4',
    });
    expect(fact('body.tooLong')).to.deep.equal({ code: 'case.lengthRoomMm' });
    const inBox = { ...slot, enclosureId: 'box' };
    expect(factBehind({ code: 'power.plugMissing' }, inBox)).to.deep.equal({
      code: 'supply.plugs',
      enclosureId: 'box',
    });
    expect(fact('quirk.sleep')).to.equal(null);
  });
});
