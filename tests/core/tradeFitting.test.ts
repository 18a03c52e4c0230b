/**
 * Jobs of the trade at the bench: the tasks that decide each of them are there, in an order that works in the machine that
 * refuses. Outcomes are common practice, no source; machines and cards are those of the demo.
 */
import { expect } from 'chai';
import {
  assemblyOf,
  emptyDrive,
  leftUndone,
  plainNeed,
  run,
  steps,
  valueOf,
  worldOf,
  type Card,
  type Job,
  type Machine,
  type Need,
  type Step,
  type StepCode,
} from '../../src/core/index.ts';
import { CARDS } from '../../demo/catalogue/cards.ts';
import {
  EXTERNAL_BOX,
  HOME_TOWER,
  MINI,
  OFFICE_TWO_CARDS,
  OLD_TOWER,
  TOWER,
  WORKSTATION,
} from '../../demo/machines.ts';
import { aJob, told } from '../builders/parts.ts';

const card = (model: string): Card => CARDS.find((each) => each.model === model)!;
const planned = (
  machine: Machine,
  placed: readonly (readonly [model: string, slotId: string, more?: Partial<Card>])[],
  needs: readonly Need[] = [],
): Job =>
  aJob(
    { name: 'takeTemplate', machine },
    ...needs.map((need) => ({ name: 'addNeed', need }) as const),
    {
      name: 'acceptPlan',
      placements: placed.map(([model, slotId, more = {}]) => ({
        slotId,
        card: { ...card(model), ...more },
      })),
      packages: [],
    },
  );
/** The physical work, after it was seen to run and to leave nothing undone. */
function work(job: Job): readonly Step[] {
  const all = steps(job).filter(({ task }) => task !== null);
  const { world, refused } = run(worldOf(job, assemblyOf(job)), all);
  expect(refused && `${refused.step.id} ${refused.because}`).to.equal(null);
  expect(leftUndone(world)).to.deep.equal([]);
  return all;
}
function inOrder(all: readonly Step[], ...wanted: readonly StepCode[]): void {
  const at = wanted.map((code) => all.findIndex((step) => step.code === code));
  expect(at, `${wanted.join()} in ${all.map(({ code }) => code).join()}`).to.not.include(-1);
  expect(at, wanted.join()).to.deep.equal(at.toSorted((a, b) => a - b));
}
const drives = (count: number, more: Parameters<typeof plainNeed<'drives'>>[2] = {}) =>
  plainNeed('drives', 'drives', {
    bytesPerSecond: 50e6,
    these: Array.from({ length: count }, (_, n) => emptyDrive(`d${n}`, 2_000)),
    ...more,
  });
const withCase = (machine: Machine, of: Partial<Machine['case']>): Machine => ({
  ...machine,
  case: { ...machine.case, ...of },
});

describe('At the bench', () => {
  it('job 1: the jack’s ribbon is joined before the module goes in, its plate goes in after; drives are counted', () => {
    const [module] = CARDS.filter(
      ({ bus, plates, delivers }) => bus === 'm2' && plates > 0 && delivers.kind === 'network',
    );
    const socket = MINI.slots.find(({ bus }) => bus === 'm2')!;
    const x1 = MINI.slots.find(({ bus }) => bus === 'pcie')!;
    const all = work(
      planned(
        withCase(MINI, { openings: told(3) }),
        [
          [module!.model, socket.id],
          ['Locker 2', x1.id],
        ],
        [drives(2)],
      ),
    );
    inOrder(all, 'joinRibbon', 'seat', 'fitPlate', 'closeCase');
    inOrder(all, 'mountDrives', 'joinDrives', 'feedDrives', 'closeCase', 'start', 'countDrives');
  });

  it('job 3: a box is opened by its own panel, gets its lead last, and its lock is turned', () => {
    const enclosures = EXTERNAL_BOX.enclosures.map((box) => ({
      ...box,
      case: { ...box.case, leadLock: told(true) },
    }));
    const slot = EXTERNAL_BOX.slots.find(({ enclosureId }) => enclosureId === 'near')!;
    const all = work(planned({ ...EXTERNAL_BOX, enclosures }, [['Hawser 5', slot.id]]));
    inOrder(all, 'powerOff', 'openCase', 'seat', 'screw', 'closeCase', 'joinEnclosures', 'start');
    const joining = all.find(({ code }) => code === 'joinEnclosures')!;
    expect(joining.values).to.deep.include({ locked: [enclosures[0]!.name] });
    // The machine's own case stays closed.
    const opened = all.filter(({ code }) => code === 'openCase').map(({ id }) => id);
    expect(opened).to.deep.equal(['openCase:near']);
  });

  it('job 6: the bar over all brackets comes off first and goes on last, and its panel has a latch', () => {
    const all = work(planned(WORKSTATION, [['Drafting 4', 's1']]));
    inOrder(all, 'openCase', 'removeBar', 'removeCover', 'seat', 'refitBar', 'lookOver');
    expect(all.map(({ code }) => code)).to.not.include('screw');
    expect(all.find(({ code }) => code === 'openCase')!.task!.tool).to.equal(null);
  });

  it('job 7: the mini plug goes into the sound card before the card goes in', () => {
    const sound = CARDS.find(
      ({ bus, delivers, frontHeaders }) =>
        bus === 'pcie' &&
        delivers.kind === 'sound' &&
        frontHeaders.some(({ type }) => type === 'audio'),
    )!;
    const need = plainNeed('sound', 'sound', { front: true });
    const machine = withCase(TOWER, { frontLeads: told([{ type: 'audio' }]) });
    inOrder(work(planned(machine, [[sound.model, 's7']], [need])), 'openCase', 'joinFront', 'seat');
  });

  it('jobs 8 and 11: films come off and drives go on before the card goes in', () => {
    const need = drives(0, { these: [], ports: 1, drive: 'm2' });
    const all = work(planned(TOWER, [['Crate Pair', 's5', { moduleCover: true }]], [need]));
    inOrder(all, 'fitModules', 'openCase', 'seat');
    const fitting = all.find(({ code }) => code === 'fitModules')!;
    expect(fitting.values).to.include({ hasCover: true });
    expect(fitting.task!.moves.map(({ thing, to }) => [thing.kind, to])).to.deep.include([
      'film',
      'thrownAway',
    ]);
  });

  it('job 13: a card goes before its cover comes, and a snapped opening is closed with an ordered one', () => {
    const leaving: Machine = {
      ...OLD_TOWER,
      slots: OLD_TOWER.slots.map((slot) => {
        const there = valueOf(slot.occupant);
        return there === null
          ? slot
          : { ...slot, occupant: told({ ...there, disposition: 'remove' as const }) };
      }),
    };
    const job = planned(leaving, [['Quay 4M', 's2']]);
    const all = work(job);
    inOrder(all, 'takeOut', 'closeOpening');
    expect(all.find(({ code }) => code === 'closeOpening')!.values).to.include({ with: 'ordered' });
    expect(assemblyOf(job).extras).to.deep.include({ kind: 'cover', fits: 'full', count: 1 });
    // With one in the drawer none is ordered.
    const spare = planned(withCase(leaving, { spareCovers: told(1) }), [['Quay 4M', 's2']]);
    expect(assemblyOf(spare).extras.map(({ kind }) => kind)).to.not.include('cover');
  });

  it('job 14: nothing is screwed where covers and brackets are held by clips', () => {
    const all = work(
      planned(withCase(HOME_TOWER, { panelHeld: told('latch') }), [['Gull 867', 's3']]),
    );
    expect(all.flatMap(({ task }) => task!.tool ?? [])).to.deep.equal(['torch']);
    inOrder(all, 'removeCover', 'seat', 'screw', 'closeCase', 'joinAerials', 'start');
  });

  it('job 17: the sound plug is led round and in again before the card, the fan plug after it', () => {
    const at = (id: string, yMm: number, plugYMm: number): Machine['obstacles'][number] => ({
      ...OLD_TOWER.obstacles.find((each) => each.id === id)!,
      xMm: 70,
      yMm,
      widthMm: 14,
      depthMm: 10,
      plugAt: { xMm: 76, yMm: plugYMm },
    });
    // Slot 2 has its middle at 193 mm: one header lies under the card, the other well below it.
    const machine = { ...OLD_TOWER, obstacles: [at('sound', 190, 196), at('fan', 200, 250)] };
    const all = work(planned(machine, [['Quay 4M', 's2']]));
    const order = all.flatMap((step) =>
      step.code === 'restorePlug' ? step.values.name : step.code === 'seat' ? 'card' : [],
    );
    expect(order).to.deep.equal(['Front sound lead', 'card', 'Fan plug and lead']);
  });

  it('job 20: the second card comes out for the first, and goes back with its plugs', () => {
    const machine: Machine = {
      ...OFFICE_TWO_CARDS,
      slots: OFFICE_TWO_CARDS.slots.map((slot) => {
        const there = valueOf(slot.occupant);
        return there === null
          ? slot
          : { ...slot, occupant: told({ ...there, plugs: told(['6-pin' as const]) }) };
      }),
    };
    const all = work(planned(machine, [['Gull 867', 's3']]));
    inOrder(all, 'freeCard', 'takeOutFirst', 'seat', 'screw', 'putBack', 'plugBack', 'closeCase');
    expect(all.filter(({ code }) => code === 'takeOutFirst')).to.have.lengthOf(1);
  });

  it('job 21: drives want both side panels, and are counted once it runs', () => {
    const all = work(planned(TOWER, [['Locker 4', 's5']], [drives(4)]));
    inOrder(
      all,
      'openFarSide',
      'mountDrives',
      'joinDrives',
      'feedDrives',
      'closeFarSide',
      'start',
      'countDrives',
    );
    expect(all.find(({ code }) => code === 'countDrives')!.values).to.deep.equal({ count: 4 });
    const one = work(
      planned(withCase(TOWER, { opensBothSides: told(false) }), [['Locker 4', 's5']], [drives(4)]),
    );
    expect(one.map(({ code }) => code)).to.not.include('openFarSide');
  });
});
