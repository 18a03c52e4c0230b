/** What the case decides besides length: height, bend of leads, front leads, bays; and the drives a copy runs between. */
import { expect } from 'chai';
import { network, drives } from '../../demo/catalogue/row.ts';
import { expectations } from '../../src/core/assembly/index.ts';
import { flowOf } from '../../src/core/flow/index.ts';
import { slotVerdict } from '../../src/core/rules/index.ts';
import type { Machine } from '../../src/core/document/index.ts';
import { plainNeed } from '../../src/core/kinds/index.ts';
import type { FrontLead } from '../../src/core/standards/index.ts';
import {
  baysOf,
  aCard,
  aJob,
  aMachine,
  aSlot,
  networkNeed,
  told,
  wiredTo,
} from '../builders/parts.ts';

const found = (card = aCard(), room: Partial<Machine['case']> = {}) => {
  const plain = aMachine([aSlot(1)]);
  const machine = { ...plain, case: { ...plain.case, ...room } };
  return slotVerdict(card, machine.slots[0]!, machine, []).findings.map(({ code }) => code);
};

describe('Height in the case', () => {
  const high = aCard({ heightMm: 111.15, brackets: ['full'] });

  it('is kept to the millimetre, and unknown it says nothing', () => {
    expect(found(high, { heightRoomMm: told(111.15) })).to.not.include('body.tooHigh');
    expect(found(high, { heightRoomMm: told(111) })).to.include('body.tooHigh');
    expect(found(high)).to.not.include('body.tooHigh');
  });

  it('leaves room for a lead to bend where the card has a plug', () => {
    // Common practice, no source: leads from the top edge want 25 mm and more.
    const plugged = aCard({ heightMm: 111.15, sockets: ['6-pin'] });
    expect(found(plugged, { heightRoomMm: told(136) })).to.include('body.plugBend');
    expect(found(plugged, { heightRoomMm: told(136.15) })).to.not.include('body.plugBend');
    expect(found(high, { heightRoomMm: told(120) })).to.not.include('body.plugBend');
  });
});

describe('Thickness in an opening, and age of the supply', () => {
  it('refuse a thick card where only a thin one goes', () => {
    const tight = (thickness: number) => ({
      tightOpenings: [{ opening: 1, lengthMm: 300, thickness }],
    });
    expect(found(aCard({ openings: 2 }), tight(1))).to.include('body.tooThick');
    expect(found(aCard({ openings: 2 }), tight(2))).to.not.include('body.tooThick');
    expect(found(aCard({ openings: 1 }), tight(1))).to.not.include('body.tooThick');
  });

  it('put a catch on hungry cards behind an old supply', () => {
    // Common practice, no source: from ten years on.
    const behind = (years: number, peakWatts: number) => {
      const plain = aMachine([aSlot(1)]);
      const machine = { ...plain, supply: { ...plain.supply, ageYears: told(years) } };
      const card = aCard({ peakWatts, slotWatts: 10 });
      return slotVerdict(card, machine.slots[0]!, machine, []).findings.map(({ code }) => code);
    };
    expect(behind(10, 60)).to.include('power.supplyOld');
    expect(behind(9, 60)).to.not.include('power.supplyOld');
    expect(behind(10, 25)).to.not.include('power.supplyOld');
  });
});

describe('Front leads', () => {
  it('are found or missed by what they plug into', () => {
    const card = aCard({ frontHeaders: [{ type: 'usb-19-pin', atMm: 90 }] });
    const leads = (...types: FrontLead[]) => ({
      frontLeads: told(types.map((type) => ({ type }))),
    });
    expect(found(card, leads('usb-19-pin', 'audio'))).to.include('header.frontFound');
    expect(found(card, leads('usb-9-pin'))).to.include('header.frontMissing');
    expect(found(card, { frontLeads: null })).to.include('header.frontUnknown');
  });

  it('reach the header on the card, to the millimetre', () => {
    const card = aCard({ frontHeaders: [{ type: 'audio', atMm: 90 }] });
    const to = (nearestMm: number) =>
      found(card, { frontLeads: told([{ type: 'audio' as const, nearestMm }]) });
    expect(to(90)).to.include('header.frontFound');
    expect(to(91)).to.include('header.frontShort');
  });
});

describe('Bays', () => {
  it('put a catch on drives that have none', () => {
    const card = aCard({ lanes: 4, delivers: drives(4, 'sata') });
    const need = plainNeed('drives', 'd', { ports: 4, bytesPerSecond: 2e8 });
    const code = (bays: number | null) => {
      const plain = aMachine([aSlot(1)]);
      const machine = {
        ...plain,
        case: { ...plain.case, bays: bays === null ? null : baysOf(bays) },
        supply: { ...plain.supply, plugs: told([{ type: 'sata' as const, count: 4 }]) },
      };
      return flowOf(card, machine.slots[0]!, need, machine)?.finding.code;
    };
    expect([code(3), code(4), code(null)]).to.deep.equal([
      'deliver.fewBays',
      'deliver.meets',
      'deliver.meets',
    ]);
  });
});

describe('Drives at both ends of a copy', () => {
  const card = aCard({
    lanes: 4,
    delivers: network(1, [1000, 10000]),
  });
  const limitedBy = (path: Partial<Machine['path']>) => {
    const plain = aMachine([aSlot(1)]);
    const job = aJob(
      { name: 'takeTemplate', machine: { ...plain, path: { ...plain.path, ...path } } },
      { name: 'addNeed', need: networkNeed(100e6) },
      { name: 'acceptPlan', placements: [{ slotId: 's1', card }], packages: [] },
    );
    return expectations(job)[0]?.flow?.limiting;
  };

  it('limit a fast wire, and not a slow one', () => {
    // A good SATA drive shows about 550 MB/s (practice); 10 Gb/s carries 1,187, gigabit 118.7.
    expect(limitedBy({ farDrive: told('sata') })).to.equal('farDrive');
    expect(limitedBy({ ownDrive: told('disk'), farDrive: told('sata') })).to.equal('ownDrive');
    expect(limitedBy({ farDrive: told('sata'), ...wiredTo([1000]) })).to.equal('farEnd');
    expect(limitedBy({})).to.not.equal('farDrive');
  });
});
