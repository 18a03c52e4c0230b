/** What a report taken afterwards says of every driver, which checks it ticks, and what is left. */
import { expect } from 'chai';
import {
  type DriverOutcome,
  driverStates,
  observeReport,
  provenSteps,
} from '../../src/core/diagnosis/index.ts';
import { type Job, actId } from '../../src/core/document/index.ts';
import { acceptanceOfTrial } from '../../src/core/assembly/index.ts';
import { apply } from '../../src/core/commands/index.ts';
import { handOverSheet } from '../../src/core/write/index.ts';
import { readEvidence } from '../../src/core/read/index.ts';
import { takeEvidence } from '../../src/core/survey/index.ts';
import { CARDS } from '../../demo/catalogue/cards.ts';
import { GAMING } from '../../demo/machines.ts';
import {
  PICTURE,
  PORTS,
  UNHEARD_OF,
  UNKNOWN,
  WIRE,
  deviceList,
  type ListedDevice,
} from '../builders/deviceList.ts';
import { PACKAGES } from '../builders/library.ts';
import { STAMP, aJob } from '../builders/parts.ts';
import { seating } from '../builders/acts';

const BEFORE = [...PORTS, PICTURE, WIRE, UNKNOWN, UNHEARD_OF];
const LATER = '2026-11-21T09:00:00.000Z';
const read = (devices: readonly ListedDevice[]) =>
  readEvidence([{ name: 'devices.json', content: deviceList(devices) }]);

const card = CARDS.find(({ model }) => model === 'Hawser 5')!;
const WIRED: ListedDevice = {
  ...card.ids,
  bus: 20,
  name: 'Brinehollow Hawser 5 network adapter',
  driver: ['Brinehollow', '12.3.0.0', 'briwire'],
};

function accepted(): Job {
  const { machine } = takeEvidence(GAMING, read(BEFORE), CARDS);
  const job = aJob({ name: 'takeTemplate', machine });
  const slot = machine.slots.find(({ id }) => id === 's5')!;
  const taken = acceptanceOfTrial([{ card, slot }], job, PACKAGES, { cards: CARDS, extras: [] });
  return apply(job, { name: 'acceptPlan', ...taken }, STAMP);
}
const job = accepted();
/** The card is seated, so that a report is one from afterwards. */
const seated = apply(job, { name: 'tickStep', of: seating(card, 's5') }, STAMP);

function seen(devices: readonly ListedDevice[], of: Job = seated): Job {
  const observations = observeReport(of, read(devices), LATER);
  const command = { name: 'observe', observations } as const;
  const after = apply(of, command, { ...STAMP, at: LATER });
  return apply(of, { ...command, proves: provenSteps(after) }, { ...STAMP, at: LATER });
}
const outcomes = (of: Job): Readonly<Record<string, DriverOutcome>> =>
  Object.fromEntries(driverStates(of).map(({ name, outcome }) => [name, outcome]));
const without = (gone: ListedDevice) => BEFORE.filter((each) => each !== gone);
const instead = (old: ListedDevice, fresh: ListedDevice) =>
  BEFORE.map((each) => (each === old ? fresh : each));
const CARD = 'Brinehollow Hawser 5';

describe('Drivers as the survey has them', () => {
  it('name the unknown devices by their packages, and want what only a basic driver runs', () => {
    const wanted = driverStates(job).map(({ name, wanted: why, choice }) => [
      name,
      why,
      choice.package?.id ?? null,
      choice.listedAs,
    ]);
    expect(wanted).to.deep.include.members([
      [CARD, 'newCard', 'brinehollow-wire-12', 'Brinehollow Hawser 5 network adapter'],
      [PICTURE.name, 'generic', 'kelpwick-display-31', 'Kelpwick Beacon 200 graphics'],
      [UNKNOWN.name, 'trouble', 'oarlock-sound', 'Oarlock Pipe 2 sound device'],
      [WIRE.name, null, null, null],
      [UNHEARD_OF.name, null, null, null],
    ]);
  });

  it('are not seen before a report was read', () => {
    expect(new Set(Object.values(outcomes(job)))).to.deep.equal(new Set(['unseen']));
  });
});

describe('A report taken afterwards', () => {
  const each: readonly (readonly [DriverOutcome, string, readonly ListedDevice[]])[] = [
    ['missing', CARD, BEFORE],
    ['problem', CARD, [...BEFORE, { ...WIRED, problem: 43 }]],
    ['noDriver', CARD, [...BEFORE, { ...WIRED, driver: undefined! }]],
    ['older', CARD, [...BEFORE, { ...WIRED, driver: ['Brinehollow', '12.1.9.9', 'briwire'] }]],
    ['right', CARD, [...BEFORE, WIRED]],
    ['generic', PICTURE.name, BEFORE],
    [
      'right',
      PICTURE.name,
      instead(PICTURE, { ...PICTURE, driver: ['Kelpwick', '31.9.0.0', 'keldispla'] }),
    ],
    ['problem', UNKNOWN.name, BEFORE],
    [
      'resolved',
      UNKNOWN.name,
      instead(UNKNOWN, { ...UNKNOWN, problem: 0, driver: ['Oarlock', '6.0.1.0', 'oarsound'] }),
    ],
    ['stillNone', UNHEARD_OF.name, BEFORE],
    ['gone', WIRE.name, without(WIRE)],
    ['same', WIRE.name, BEFORE],
    ['changed', WIRE.name, instead(WIRE, { ...WIRE, driver: ['Other', '1.0.0.0', 'other'] })],
    ['extra', 'Newcomer', [...BEFORE, { ...WIRE, device: 0x7abc, bus: 30, name: 'Newcomer' }]],
  ];
  for (const [outcome, name, devices] of each)
    it(`finds ${name} to be: ${outcome}`, () => {
      expect(outcomes(seen(devices))[name]).to.equal(outcome);
    });

  it('shows the worst first, and counts a device that moved to another place as the same', () => {
    const moved = instead(WIRE, { ...WIRE, bus: 12 });
    const states = driverStates(seen([...moved, WIRED]));
    expect(states.find(({ name }) => name === WIRE.name)?.outcome).to.equal('same');
    expect(states[0]?.outcome).to.equal('problem');
    expect(states.at(-1)?.outcome).to.equal('same');
  });

  it('ticks what it proves, and nothing that it shows to be wrong', () => {
    const ticked = (of: Job) => of.acts.filter(({ code }) => code !== 'seat').map(actId);
    expect(ticked(seen(BEFORE))).to.deep.equal([]);
    const older = [
      ...BEFORE,
      { ...WIRED, driver: ['Brinehollow', '12.1.9.9', 'briwire'] as const },
    ];
    // It is there, and that is all.
    expect(ticked(seen(older))).to.deep.equal([`checkDevice: card ${card.id}, slot s5`]);
    const well = seen([
      ...instead(UNKNOWN, { ...UNKNOWN, problem: 0, driver: ['Oarlock', '6.0.1.0', 'oarsound'] }),
      WIRED,
    ]);
    expect(ticked(well)).to.have.members([
      `checkDevice: card ${card.id}, slot s5`,
      'installDriver: device 0000:0a:00.0',
    ]);
  });

  it('of some devices only misses nothing, and one from before the card is in does not either', () => {
    expect(outcomes(seen([WIRE]))[CARD]).to.equal('unseen');
    expect(outcomes(seen(BEFORE, job))[CARD]).to.equal('unseen');
  });

  it('stands on the sheet: the driver that was seen, and where none was', () => {
    const sheet = handOverSheet(seen([...BEFORE, WIRED]));
    expect(sheet.cards[0]?.driver.running).to.equal('Brinehollow 12.3.0.0 (briwire)');
    expect(sheet.drivers.map(({ name, seen: found }) => [name, found])).to.deep.equal([
      [UNKNOWN.name, null],
      [PICTURE.name, 'System 10.0.1.0 (basicdisplay)'],
    ]);
    expect(handOverSheet(seated).cards[0]?.driver.running).to.equal(null);
  });
});
