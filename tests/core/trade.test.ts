/**
 * Jobs the trade sees, as far as this version goes: the same decision, for the same reason. Their outcomes
 * are common practice, no source; machines and cards are those of the demo.
 */
import { expect } from 'chai';
import {
  flowOf,
  packagesFor,
  proposePlan,
  slotVerdict,
  steps,
  worstVerdict,
  type Card,
  type Machine,
  type Need,
} from '../../src/core/index.ts';
import { CARDS } from '../../demo/cards.ts';
import { PACKAGES } from '../../demo/drivers.ts';
import { OLD_TOWER, SMALL_DESKTOP, TOWER } from '../../demo/machines.ts';
import { aJob, told, usbNeed } from '../builders/parts.ts';

const card = (model: string): Card => {
  const found = CARDS.find((each) => each.model === model);
  if (found === undefined) throw new Error(`No card ${model}`);
  return found;
};
const slot = (machine: Machine, id: string) => {
  const found = machine.slots.find((each) => each.id === id);
  if (found === undefined) throw new Error(`No slot ${id}`);
  return found;
};
const plan = (machine: Machine, needs: readonly Need[], budgetCents: number | null = null) =>
  proposePlan({ machine, needs, budgetCents, cards: CARDS, library: PACKAGES });
const verdict = (model: string, machine: Machine, slotId: string) =>
  slotVerdict(card(model), slot(machine, slotId), machine, PACKAGES);
const codes = (model: string, machine: Machine, slotId: string) =>
  verdict(model, machine, slotId).findings.map(({ code }) => code);
const stepsOf = (machine: Machine, needs: readonly Need[]) => {
  const { placements } = plan(machine, needs);
  return steps(
    aJob(
      { name: 'takeTemplate', machine },
      ...needs.map((need) => ({ name: 'addNeed', need }) as const),
      {
        name: 'acceptPlan',
        placements: placements.map((each) => ({ slotId: each.slot.id, card: each.card })),
        packages: packagesFor(
          placements.map((each) => each.card),
          machine,
          PACKAGES,
        ),
      },
    ),
  );
};

const WIFI: Need = {
  id: 'wifi',
  must: true,
  words: '',
  kind: 'wifi',
  megabits: 60,
  bluetooth: false,
};
const SCREENS: Need = {
  id: 'screens',
  must: true,
  words: '',
  kind: 'screens',
  count: 2,
  mode: { widthPx: 3840, heightPx: 2160, refreshHz: 60 },
};

describe('Wi-Fi into a small office desktop with low brackets', () => {
  const onPlan = { ...SMALL_DESKTOP, path: { ...SMALL_DESKTOP.path, internetMegabits: told(100) } };

  it('goes beside the x16 slot, with its low bracket put on', () => {
    const { placements } = plan(onPlan, [WIFI]);
    expect(placements.map((each) => [each.card.model, each.slot.id])).to.deep.equal([
      ['Gull 1200', 's1'],
    ]);
    expect(placements[0]?.findings.map(({ code }) => code)).to.include('bracket.swap');
  });

  it('lets the version of the system decide whether there is a driver', () => {
    expect(codes('Gull 300', onPlan, 's1')).to.include('system.noDriver');
    const older = { ...onPlan, system: { ...onPlan.system, version: told('10') } };
    expect(codes('Gull 300', older, 's1')).to.include('system.package');
  });

  it('does not promise a 300 Mb/s radio more than a 100 Mb/s plan', () => {
    const flow = flowOf(card('Gull 300'), slot(onPlan, 's1'), WIFI, onPlan)!;
    expect(flow.limiting).to.equal('internet');
    expect(flow.high).to.equal(100e6 / 8);
  });

  it('shows the identity that the device list will show', () => {
    const check = stepsOf(onPlan, [WIFI]).find(({ code }) => code === 'checkDevice');
    expect(check?.values['identity']).to.equal('f1a4:7402');
  });
});

describe('A USB card into a family desktop', () => {
  it('is never put into a classic PCI slot, which is not PCI Express', () => {
    expect(codes('Quay 4P', OLD_TOWER, 's4')).to.deep.equal(['seat.bus']);
    expect(codes('Jetty 5', OLD_TOWER, 's4')).to.include('seat.fits');
  });

  it('does well in a spare x16 slot', () => {
    expect(codes('Quay 4P', OLD_TOWER, 's2'))
      .to.include('seat.fits')
      .and.to.include('power.plugsFound');
  });

  it('gives 250 MB/s at most in a Gen 1 x1 slot, and less in truth', () => {
    const flow = flowOf(card('Quay 4P'), slot(OLD_TOWER, 's1'), usbNeed(4), OLD_TOWER)!;
    expect(flow.limiting).to.equal('slotLink');
    expect(flow.low).to.be.within(200e6, 250e6);
  });

  it('has the fan lead moved out of its path, its plug pushed in and its bracket screwed down', () => {
    const order = stepsOf(OLD_TOWER, [usbNeed(4)]).map(({ code }) => code);
    const places = ['moveBox', 'seat', 'screw', 'plug', 'closeCase'].map((code) =>
      order.indexOf(code as 'seat'),
    );
    expect(places).to.not.include(-1);
    expect(places).to.deep.equal(places.toSorted((a, b) => a - b));
  });

  it('cannot be powered when the only plug is gone', () => {
    const bare = {
      ...OLD_TOWER,
      supply: { ...OLD_TOWER.supply, plugs: told([{ type: '4-pin' as const, count: 2 }]) },
    };
    expect(codes('Quay 4P', bare, 's2')).to.include('power.plugMissing');
  });
});

describe('Low-profile graphics into a small desktop', () => {
  it('takes only low-profile cards, within the watts of the slot', () => {
    expect(codes('Beacon 120', SMALL_DESKTOP, 's2')).to.include('bracket.cardTooHigh');
    expect(codes('Lantern 3', SMALL_DESKTOP, 's2')).to.include('power.slotShort');
    expect(worstVerdict(verdict('Lantern 2', SMALL_DESKTOP, 's2').findings)).to.equal('needs');
    expect(plan(SMALL_DESKTOP, [SCREENS]).placements.map((each) => each.card.model)).to.deep.equal([
      'Lantern 2',
    ]);
  });

  it('has the screen leads moved, since the board’s own sockets go dead', () => {
    expect(stepsOf(SMALL_DESKTOP, [SCREENS]).map(({ code }) => code)).to.include('moveScreenLead');
  });

  it('says that three such screens are one too many, and why', () => {
    const { unmet, refusals } = plan(SMALL_DESKTOP, [{ ...SCREENS, count: 3 }]);
    expect(unmet.map(({ kind }) => kind)).to.deep.equal(['screens']);
    expect(refusals.find((each) => each.card.model === 'Lantern 2')?.finding).to.include({
      code: 'deliver.fewer',
      needed: 3,
      available: 2,
    });
  });
});

describe('A graphics card into a roomy tower', () => {
  const empty: Machine = {
    ...TOWER,
    slots: TOWER.slots.map((each) => ({ ...each, occupant: told(null) })),
    supply: { ...TOWER.supply, baseWatts: told(165) },
  };

  it('is decided by length, watts and plugs together', () => {
    expect(codes('Foghorn 320', empty, 's2'))
      .to.include('body.tooLong')
      .and.to.include('power.plugMissing');
    expect(codes('Beacon 200', empty, 's2'))
      .to.include('power.plugsFound')
      .and.to.include('body.lengthFits');
    const heavy = { ...empty, supply: { ...empty.supply, baseWatts: told(420) } };
    expect(codes('Beacon 200', heavy, 's2')).to.include('power.sumShort');
  });

  it('takes a 6-pin card from a 6+2 plug', () => {
    expect(codes('Beacon 120', empty, 's2')).to.include('power.plugsFound');
  });

  it('carries its cautions into the step that seats it', () => {
    const four: Need = { ...SCREENS, count: 4 };
    const seated = stepsOf(empty, [four]).find(({ code }) => code === 'seat');
    expect(seated?.cautions).to.have.members(['noForce', 'latch', 'heavyCard']);
  });
});

describe('Wi-Fi where the only x1 slot is under a graphics card', () => {
  it('says which neighbour is in the way', () => {
    const covered: Machine = {
      ...TOWER,
      slots: [
        slot(TOWER, 's2'),
        { ...slot(TOWER, 's4'), id: 's3', label: 'Slot 3', opening: told(3) },
      ],
    };
    const { refusals, placements } = plan(covered, [{ ...WIFI, megabits: 50 }]);
    expect(placements).to.deep.equal([]);
    expect(refusals.find((each) => each.card.model === 'Gull 1200')).to.deep.include({
      reason: 'blocked',
      finding: { code: 'body.neighbour', verdict: 'blocked', subject: 'Kelpwick Beacon 120' },
    });
  });
});
