import { readFileSync } from 'node:fs';
import { Ajv2020 as Ajv } from 'ajv/dist/2020.js';
import { expect } from 'chai';
import { screens } from '../../demo/catalogue/row.ts';
import {
  type DeviceObservation,
  JOB_FORMAT,
  type Job,
  PLAIN_WAYS,
  PLAIN_WEIGHTS,
  actId,
  emptyCase,
  enteredRun,
  enteredSerial,
  runsOf,
} from '../../src/core/document/index.ts';
import {
  type SheetCard,
  forExport,
  handOverSheet,
  jobFileName,
  jobFileSchema,
  writeJobFile,
} from '../../src/core/write/index.ts';
import { apply, restore } from '../../src/core/commands/index.ts';
import { assemblyOf } from '../../src/core/assembly/index.ts';
import { cardQuery, packagesFor } from '../../src/core/drivers/index.ts';
import { contradictionsIn } from '../../src/core/catalogue/index.ts';
import { emptyDrive, valueOf } from '../../src/core/parts/index.ts';
import { handled, openRound, standing, steps } from '../../src/core/procedure/index.ts';
import { openItems } from '../../src/core/diagnosis/index.ts';
import { readJobFile, readStoredJob } from '../../src/core/read/index.ts';
import { plainNeed } from '../../src/core/kinds/index.ts';
import { demoJobs } from '../../demo/jobs.ts';
import { fittingJobs } from '../builders/fitting.ts';
import { PACKAGES } from '../builders/library.ts';
import { CARDS } from '../../demo/catalogue/cards.ts';
import { EXTRAS } from '../../demo/catalogue/extras.ts';
import { dataFile, todaysWords, type OldJob } from '../builders/olderFormats.ts';
import {
  AT,
  STAMP,
  aCard,
  aJob,
  aMachine,
  aSlot,
  networkNeed,
  occupiedBy,
  told,
  usbNeed,
  measured,
} from '../builders/parts.ts';
import { valuesOf } from '../builders/steps.ts';

const museumText = readFileSync(
  new URL('../../demo/evidence/lighthouse-museum.lspci.txt', import.meta.url),
  'utf8',
);

const graphics = aCard({
  id: 'g',
  lanes: 16,
  openings: 2,
  bracketMounted: 'low',
  sockets: ['6-pin'],
  leadsBeforeSeating: ['A lead'],
  ids: { vendor: 0xf1a0, device: 0x7020, class24: 0x030000 },
  delivers: screens(1, [['dp-hbr2', 1]], 2, 1),
});

const planned = (): Job =>
  aJob(
    {
      name: 'takeTemplate',
      machine: aMachine([aSlot(1), aSlot(3)], {
        case: {
          ...emptyCase(),
          bracket: told('full'),
          openings: told(7),
          lengthRoomMm: told(300),
          covers: told('snapped'),
        },
        obstacles: [
          {
            id: 'b',
            name: 'Fan lead',
            kind: 'other',
            moving: '',
            xMm: 90,
            yMm: 215,
            widthMm: 10,
            depthMm: 5,
            heightMm: 20,
            movable: true,
          },
        ],
      }),
    },
    { name: 'addNeed', need: usbNeed(4) },
    {
      name: 'acceptPlan',
      placements: [
        { slotId: 's1', card: graphics },
        { slotId: 's3', card: aCard() },
      ],
      packages: packagesFor([cardQuery(graphics)], aMachine([]), PACKAGES),
    },
  );

describe('Steps', () => {
  const all = steps(planned());
  const at = (code: string) => all.findIndex((step) => step.code === code);

  it('come in the order of the work', () => {
    const order = [
      'before',
      'fetchDriver',
      'powerOff',
      'discharge',
      'swapBracket',
      'openCase',
      'joinLead',
      'seat',
      'screw',
      'plug',
      'closeCase',
      'moveScreenLead',
      'start',
      'installDriver',
      'restart',
      'keepParts',
    ];
    const positions = order.map(at);
    expect(positions).to.not.include(-1);
    expect(positions).to.deep.equal(positions.toSorted((a, b) => a - b));
  });

  it('note how it is before anything changes it: firmware settings, data, figures', () => {
    const job = planned();
    const split = apply(
      job,
      {
        name: 'acceptPlan',
        placements: [{ slotId: 's3', card: { ...aCard(), needsSplit: true } }],
        packages: [],
      },
      STAMP,
    );
    const codes = steps(split).map(({ code }) => code);
    const order = ['order', 'noteSettings', 'before', 'splitSlot', 'checkArrived', 'layOut'];
    const positions = order.map((code) => codes.findIndex((each) => each === code));
    expect(positions).to.not.include(-1);
    expect(positions).to.deep.equal(positions.toSorted((a, b) => a - b));
    expect(all.map(({ code }) => code)).to.not.include('noteSettings');
  });

  it('belong to this very plan', () => {
    expect(valuesOf(all, 'removeCover').map(({ opening }) => opening)).to.have.members([1, 2, 3]);
    expect(all.find(({ code }) => code === 'moveObstacle')?.values).to.include({
      name: 'Fan lead',
    });
    // The thin card goes in before the thick one, which would cover its slot.
    expect(all.filter(({ code }) => code === 'seat').map(({ slotId }) => slotId)).to.deep.equal([
      's3',
      's1',
    ]);
  });

  it('carry their cautions', () => {
    const cautions = (code: string) =>
      all.filter((step) => step.code === code).flatMap((step) => step.cautions);
    expect(cautions('powerOff')).to.include('mains').and.include('localRules');
    expect(cautions('earth')).to.include('static');
    expect(cautions('removeCover')).to.include('sharpCover');
    expect(cautions('seat')).to.include('noForce').and.include('latch').and.include('heavyCard');
    expect(cautions('plug')).to.include('oneLeadOnePlug');
  });

  it('keep their ids, so that what is done keeps', () => {
    expect(new Set(all.map(({ id }) => id)).size).to.equal(all.length);
    expect(steps(planned()).map(({ id }) => id)).to.deep.equal(all.map(({ id }) => id));
  });

  it('are none while no plan is accepted', () => {
    expect(steps(aJob({ name: 'addNeed', need: usbNeed(1) }))).to.deep.equal([]);
  });

  it('put a driver that must be first before the card', () => {
    const wire = CARDS.find(({ model }) => model === 'Hawser 2.5')!;
    const job = aJob(
      { name: 'takeTemplate', machine: aMachine([aSlot(1)]) },
      {
        name: 'acceptPlan',
        placements: [{ slotId: 's1', card: wire }],
        packages: packagesFor([cardQuery(wire)], aMachine([]), PACKAGES),
      },
    );
    const codes = steps(job).map(({ code }) => code);
    expect(codes.indexOf('installFirst')).to.be.within(1, codes.indexOf('powerOff'));
    expect(codes).to.not.include('installDriver');
  });
});

describe('Steps for a card whose driver nobody knows', () => {
  it('begin with finding one, and never claim that the system has it', () => {
    const wire = CARDS.find(({ model }) => model === 'Hawser 2.5')!;
    const job = aJob(
      { name: 'takeTemplate', machine: aMachine([aSlot(1)]) },
      { name: 'acceptPlan', placements: [{ slotId: 's1', card: wire }], packages: [] },
    );
    const codes = steps(job).map(({ code }) => code);
    expect(codes).to.include('findDriver').and.to.include('installFound');
    expect(codes).to.not.include('ownDriver');
    // A card of a class that the system drives itself asks for nothing.
    expect(steps(planned()).map(({ code }) => code))
      .to.include('ownDriver')
      .and.not.include('findDriver');
  });
});

const stands = (job: Job) => standing(job, openItems(job));

describe('Where a job stands', () => {
  it('moves through the stages as the work is done', () => {
    expect(stands(aJob())).to.equal('survey');
    expect(stands(aJob({ name: 'takeTemplate', machine: aMachine([aSlot(1)]) }))).to.equal('needs');
    let job = planned();
    expect(stands(job)).to.equal('prepare');
    for (const of of steps(job)) job = apply(job, { name: 'tickStep', of }, STAMP);
    expect(stands(job)).to.equal('prove');
    job = apply(job, measured('usb', 420e6), STAMP);
    expect(stands(job)).to.equal(null);
    expect(Object.values(openItems(job)).every((count) => count === 0)).to.equal(true);
  });
});

describe('Commands', () => {
  it('leave the job they are given as it was, and log what they did', () => {
    const before = aJob();
    const frozen = JSON.stringify(before);
    const after = apply(before, { name: 'addNeed', need: usbNeed(2) }, STAMP);
    expect(JSON.stringify(before)).to.equal(frozen);
    expect(after.revision).to.equal(before.revision + 1);
    expect(after.log.at(-1)).to.deep.equal({
      at: AT,
      who: 'Tester',
      command: 'addNeed',
      detail: 'usb',
    });
  });

  it('drop a reading with the need it was taken for', () => {
    const job = aJob({ name: 'addNeed', need: usbNeed(2) }, measured('usb', 1), measured('usb', 2));
    expect(job.observations.map(({ value }) => value)).to.deep.equal([2]);
    expect(apply(job, { name: 'removeNeed', needId: 'usb' }, STAMP).observations).to.deep.equal([]);
    expect(apply(job, { name: 'changeNeed', need: usbNeed(3) }, STAMP).observations).to.deep.equal(
      [],
    );
  });

  it('are undone as a new revision, with the log going on', () => {
    const past = aJob({ name: 'addNeed', need: usbNeed(2) });
    const now = apply(past, { name: 'removeNeed', needId: 'usb' }, STAMP);
    const undone = restore(now, past, 'undo', 'need removed', STAMP);
    expect(undone.needs).to.deep.equal(past.needs);
    expect(undone.revision).to.equal(now.revision + 1);
    expect(undone.log.map(({ command }) => command)).to.deep.equal([
      'addNeed',
      'removeNeed',
      'undo',
    ]);
  });

  it('keep every job within the schema, the longest log included', () => {
    let job = planned();
    const before = job.log.length;
    for (let n = 0; n < 2600; n += 1) job = apply(job, { name: 'setBudget', cents: n }, STAMP);
    expect(job.log.length).to.equal(2000);
    expect(readStoredJob(job).problems).to.deep.equal([]);
    // What had to go is told, and nothing is counted twice.
    expect(job.log[0]).to.include({ command: 'shortenLog', detail: String(before + 2600 - 1999) });
    expect(job.log.at(-1)).to.include({ command: 'setBudget', detail: '25.99' });
  });
});

/** How what was ticked is kept since format 13 is a test of its own. */
const doneAnew = (job: Job | null) => ({ acts: job!.acts, log: job!.log });

describe('Job files', () => {
  it('come back as they were written', () => {
    for (const job of [aJob(), planned(), ...demoJobs(museumText, PACKAGES)]) {
      expect(readJobFile(writeJobFile(job))).to.deep.equal({ job, pictures: {}, problems: [] });
    }
  });

  it('are refused with the place when they are damaged', () => {
    const text = writeJobFile(planned());
    const cut = readJobFile(text.slice(0, text.length / 2));
    expect(cut.job).to.equal(null);
    expect(cut.problems[0]?.code).to.equal('file.notJson');
    expect(cut.problems[0]?.line).to.equal(text.slice(0, text.length / 2).split('\n').length);
    const wrong = readJobFile(text.replace('"revision": 3', '"revision": "three"'));
    expect(wrong.problems.map(({ code, at }) => [code, at])).to.deep.equal([
      ['file.field', 'job.revision'],
    ]);
  });

  it('are refused when they are newer or something else', () => {
    const newer = JOB_FORMAT + 1;
    expect(readJobFile(`{"kind":"tenant-job","format":${newer},"job":{}}`).problems[0]).to.include({
      code: 'file.newer',
      found: `${newer}`,
    });
    // Also where only the job inside it is.
    expect(
      readJobFile(`{"kind":"tenant-job","format":5,"job":{"format":${newer}}}`).problems[0],
    ).to.include({ code: 'file.newer', found: `${newer}` });
    expect(readJobFile('{"kind":"letter"}').problems[0]?.code).to.equal('file.notAJob');
    expect(readJobFile('[]').problems[0]?.code).to.equal('file.notAJob');
  });

  it('take photographs along when they are wanted, and nothing else in their place', () => {
    const photo = { id: 'p1', slotId: 's1', words: 'The slot', takenAt: AT };
    const job = aJob({ name: 'addPhoto', photo });
    const pictures = { p1: 'data:image/jpeg;base64,AAAA' };
    expect(readJobFile(writeJobFile(job, pictures)).pictures).to.deep.equal(pictures);
    const elsewhere = writeJobFile(job, { p1: 'https://example.org/p.jpg' });
    expect(readJobFile(elsewhere).problems.map(({ at }) => at)).to.deep.equal(['pictures.p1']);
    expect(apply(job, { name: 'removePhoto', photoId: 'p1' }, STAMP).photos).to.deep.equal([]);
  });

  it('of the first format are read, and what they could not say is not known', () => {
    const old = dataFile('job-format-1');
    const { job, problems } = readJobFile(old);
    expect(problems).to.deep.equal([]);
    expect(job?.format).to.equal(JOB_FORMAT);
    expect(job?.machine.slots[5]?.occupant?.value).to.include({
      name: 'Old modem card',
      disposition: 'stays',
    });
    expect(job?.machine.firmware.date).to.equal(null);
    expect(steps(job!).length).to.be.greaterThan(10);
    // Its slots keep what they had; a damaged one stays damaged.
    expect(job?.machine.slots.map(({ label }) => label)).to.include('Slot 4 (PCI)');
    const hurt = readJobFile(old.replace('"label": "Slot 1"', '"label": 1'));
    expect(hurt.problems.map(({ code, at }) => [code, at])).to.deep.equal([
      ['file.field', 'job.machine.slots.0.label'],
    ]);
  });

  it('of the second format are read, with what is newly asked not known or at its plainest', () => {
    const old = dataFile('job-format-2');
    const { job, problems } = readJobFile(old);
    expect(problems).to.deep.equal([]);
    expect(job).to.include({ format: JOB_FORMAT, replacementCents: null, deservesPercent: 33 });
    expect(job?.needs[0]).to.include({ where: 'rear', milliamps: 0, weight: 3 });
    expect(job?.plan?.placements[0]?.card).to.include({ boot: 'none', weightGrams: 150 });
    expect(job?.machine).to.include({ builtIn: null, headers: null });
    expect(job?.machine.firmware.largeWindows).to.equal(null);
    // The steps that were ticked are still there and ticked.
    const ids = new Set(steps(job!).map(({ id }) => id));
    const kept = job!.acts.filter((act) => ids.has(actId(act)));
    expect(kept.length)
      .to.be.at.least(job!.acts.length - 2)
      .and.above(5);
    const hurt = readJobFile(old.replace('"lengthMm": 95', '"lengthMm": -95'));
    expect(hurt.problems.map(({ at }) => at)).to.deep.equal([
      'job.plan.placements.0.card.lengthMm',
    ]);
  });

  it('of the third format are read, with nothing settled beforehand and everything weighed as usual', () => {
    const old = dataFile('job-format-3');
    const { job, problems } = readJobFile(old);
    expect(problems).to.deep.equal([]);
    expect(job).to.deep.include({ format: JOB_FORMAT, pins: [], weights: PLAIN_WEIGHTS });
    expect(job?.plan).to.deep.include({ moves: [], givenUp: [], extras: [] });
    expect(job?.plan?.placements).to.not.deep.equal([]);
    expect(job?.machine.path).to.include({ ownArray: null, farArray: null });
    expect(job?.needs.find(({ kind }) => kind === 'network')).to.include({ direction: 'to' });
  });

  it('of the fourth format are read, and only what led nowhere is gone', () => {
    const old = dataFile('job-format-4');
    const before = (JSON.parse(old) as { job: OldJob }).job;
    const { job, problems } = readJobFile(old);
    expect(problems).to.deep.equal([]);
    // A slot was deleted there that a plan, a pin and a photograph still named.
    const slots = new Set(before.machine.slots.map(({ id }) => id));
    const there = ({ slotId }: { readonly slotId: string | null }) => slots.has(slotId ?? '');
    expect([before.plan!.placements, before.photos].every((list) => list.every(there))).to.equal(
      false,
    );
    const { observations, ...rest } = job!;
    const { readings, ...plain } = before;
    expect(observations.map(({ subject, value }) => ({ ...subject, value }))).to.deep.equal(
      readings.map(({ needId, value }) => ({ needId, value })),
    );
    expect(rest).to.deep.equal({
      ...todaysWords(plain),
      ...doneAnew(job),
      format: JOB_FORMAT,
      photos: before.photos.filter(there),
      pins: before.pins.filter((pin) => !('slotId' in pin) || there(pin)),
      plan: {
        ...todaysWords(before.plan),
        placements: todaysWords(before.plan!.placements).filter(there),
        unmet: [],
        met: [],
      },
      packages: [],
      driverWays: PLAIN_WAYS,
    });
    // From the fifth format on such a file is hostile or damaged.
    const today = readJobFile(old.replaceAll('"format": 4', '"format": 5'));
    expect(today.problems.map(({ at }) => at)).to.include('job.photos.0.slotId');
  });

  it('of the fifth format are read, with readings as observations and the words of today', () => {
    const before = (JSON.parse(dataFile('job-format-5')) as { job: OldJob }).job;
    const { job, problems } = readJobFile(dataFile('job-format-5'));
    expect(problems).to.deep.equal([]);
    const { observations, ...rest } = job!;
    const { readings, ...plain } = before;
    expect(rest).to.deep.equal({
      ...todaysWords(plain),
      ...doneAnew(job),
      format: JOB_FORMAT,
      plan: { ...todaysWords(before.plan), unmet: [], met: [] },
      packages: [],
      driverWays: PLAIN_WAYS,
    });
    expect(readings).to.have.length(2);
    expect(observations).to.deep.equal(
      readings.map(({ needId, value, takenAt }) => ({
        ...enteredRun(needId, value, takenAt),
        id: `run-${needId}`,
      })),
    );
    const states = new Set(job!.machine.slots.map((slot) => valueOf(slot.occupant)?.disposition));
    expect(states).to.include('optional');
    expect(job!.weights.speedGap).to.equal(120);
    // What was ticked is still ticked, step by step.
    const ids = new Set(steps(job!).map(({ id }) => id));
    expect(job!.acts.map(actId).filter((id) => !ids.has(id))).to.deep.equal([]);
    expect(job!.acts.length).to.equal(Object.keys(before.ticks).length);
  });

  it('of the twelfth format are read, half done in three rounds: each tick is the record of an act', () => {
    const old = JSON.parse(dataFile('job-format-12')) as {
      job: Pick<OldJob, 'ticks'> & { readonly spentSeconds: Readonly<Record<string, number>> };
    };
    const { job, problems } = readJobFile(dataFile('job-format-12'));
    expect(problems).to.deep.equal([]);
    const ticks = Object.entries(old.job.ticks);
    // One of them joined both ends of a lead, which are two acts by now.
    const ends = job!.acts.filter(({ code }) => code === 'joinJack');
    expect(ends.length).to.equal(1);
    expect(job!.acts.length - ends.length)
      .to.equal(ticks.length)
      .and.above(80);
    const rounds = { '@0': 0, '@2': 2 } as Readonly<Record<string, number>>;
    for (const [tick, at] of ticks) {
      // Each was ticked at an instant of its own.
      const act = job!.acts.find((each) => each.at === at)!;
      const round = rounds[tick.slice(-2)] ?? 1;
      const [code, ...pieces] = (round === 1 ? tick : tick.slice(0, -2)).split(':');
      expect([act.code, act.round], tick).to.deep.equal([code, round]);
      expect(Object.values(act.on).map(String), tick).to.have.members(pieces);
      expect([act.who, act.seconds], tick).to.deep.equal([
        'Iris Hale',
        old.job.spentSeconds[tick] ?? null,
      ]);
    }
    expect(new Set(job!.acts.map(({ round }) => round))).to.deep.equal(new Set([0, 1, 2]));
    // The work stands where it stood: the last act is the card of the second round.
    expect(openRound(job!)).to.equal(2);
    const { filled } = handled(job!);
    expect(job!.plan!.placements.every(({ slotId }) => filled.has(slotId))).to.equal(true);
    // The log names acts as they are named now.
    const titled = job!.log.filter(({ command }) => command === 'tickStep');
    const ids = new Set(job!.acts.map(actId));
    expect(titled.every(({ detail }) => ids.has(detail))).to.equal(true);
    expect(titled).to.have.length.above(5);
  });

  it('of the thirteenth format are read, and stand where they stood: both ends of a lead are done that were one act', () => {
    const old = JSON.parse(dataFile('job-format-13')) as { job: { acts: Job['acts'] } };
    const { job, problems } = readJobFile(dataFile('job-format-13'));
    expect(problems).to.deep.equal([]);
    expect(job).to.deep.equal(readJobFile(dataFile('job-format-12')).job);
    const ribbons = old.job.acts.filter(({ code }) => code === 'joinRibbon');
    expect(job!.acts).to.deep.equal(
      old.job.acts.flatMap((act) =>
        ribbons.includes(act) ? [act, { ...act, code: 'joinJack', seconds: null }] : [act],
      ),
    );
    // Drives are in their bays whatever they hang on: what was done card by card is done once, to all of them.
    const [first] = old.job.acts;
    const mounted = (slot: string) => ({ ...first, code: 'mountDrives', on: { slot, need: 'd' } });
    const need = plainNeed('drives', 'd', { ports: 4 });
    const { machine } = JSON.parse(dataFile('job-format-13')).job;
    const half = { ...old.job, machine, needs: [need], plan: null, pins: [], observations: [] };
    const { job: read } = readJobFile(
      JSON.stringify({
        ...old,
        job: { ...half, acts: [mounted('s1'), mounted('s2')] },
      }),
    );
    expect(read!.acts.map(({ on }) => on)).to.deep.equal([{ need: 'd', number: 4 }]);
  });

  it('of the sixth format are read, with packages as lists of their devices', () => {
    const before = (JSON.parse(dataFile('job-format-6')) as { job: Job }).job;
    const { job, problems } = readJobFile(dataFile('job-format-6'));
    expect(problems).to.deep.equal([]);
    const { plan, ...rest } = job!;
    const { plan: planBefore, ...restBefore } = before;
    expect(rest).to.deep.equal({
      ...todaysWords(restBefore),
      ...doneAnew(job),
      format: JOB_FORMAT,
      packages: [],
      driverWays: PLAIN_WAYS,
    });
    expect(plan).to.deep.equal(todaysWords(planBefore));
    // By that list the same package is chosen as by the files of the library.
    const wire = assemblyOf(job!).cards.find(({ card }) => card.delivers.kind === 'network')!;
    expect(wire.driver.package).to.include({ id: 'pellworth-anchor', channel: 'recommended' });
    const ids = new Set(steps(job!).map(({ id }) => id));
    expect(job!.acts.map(actId).filter((id) => !ids.has(id))).to.deep.equal([]);
  });

  it('of the seventh format are read, with the path as one lead to its far end', () => {
    const before = (JSON.parse(dataFile('job-format-7')) as { job: Job }).job;
    const { job, problems } = readJobFile(dataFile('job-format-7'));
    expect(problems).to.deep.equal([]);
    expect(job).to.deep.equal({ ...todaysWords(before), ...doneAnew(job), format: JOB_FORMAT });
    const { hops } = job!.machine.path;
    expect(hops.map(({ portMegabits }) => valueOf(portMegabits))).to.deep.equal([[1000, 10000]]);
    expect(hops[0]!.leads.map(({ cable, metres }) => [cable?.value, metres?.value])).to.deep.equal([
      ['cat6a', 40],
    ]);
  });

  it('of the eighth format are read, with bays that were only counted as bays of the usual size', () => {
    const before = (JSON.parse(dataFile('job-format-8')) as { job: Job }).job;
    const { job, problems } = readJobFile(dataFile('job-format-8'));
    expect(problems).to.deep.equal([]);
    const was = before.machine.case.bays as unknown as { others: readonly object[] };
    const bays = {
      value: [{ size: '3.5', count: 12 }],
      source: 'technician',
      others: was.others.map((each) => ({ ...each, value: [{ size: '3.5', count: 10 }] })),
    };
    const today = todaysWords(before);
    expect(job).to.deep.equal({
      ...today,
      ...doneAnew(job),
      format: JOB_FORMAT,
      machine: { ...today.machine, case: { ...today.machine.case, bays } },
    });
    expect(job!.observations[0]).to.include({ kind: 'drive' });
    expect(job!.photos).to.have.lengthOf(1);
  });

  it('of the ninth format are read, with what was named of a drive in its record', () => {
    const before = (JSON.parse(dataFile('job-format-9')) as { job: Job }).job;
    const { job, problems } = readJobFile(dataFile('job-format-9'));
    expect(problems).to.deep.equal([]);
    const [named, seen] = job!.observations;
    expect(named!.value).to.deep.equal({
      drive: emptyDrive('drive-QK-4471', 4_000, { serial: 'QK-4471' }),
      holds: 'nothing',
    });
    expect(seen!.value).to.deep.include({ place: '0000:03:00.0', driver: 'ahci' });
    const today = todaysWords(before);
    expect(job).to.deep.equal({ ...today, ...doneAnew(job), format: JOB_FORMAT });
  });

  it('of the tenth format are read, with each figure as a run of which nobody said what was copied', () => {
    const before = (JSON.parse(dataFile('job-format-10')) as { job: Job }).job;
    const { job, problems } = readJobFile(dataFile('job-format-10'));
    expect(problems).to.deep.equal([]);
    expect(job).to.deep.equal({ ...todaysWords(before), ...doneAnew(job), format: JOB_FORMAT });
    const runs = (['before', 'after'] as const).map((phase) =>
      runsOf(job!.observations, 'usb', phase).map(({ value, what }) => [value, what]),
    );
    expect(runs).to.deep.equal([[[150e6, 'own']], [[430e6, 'own']]]);
  });

  it('are what another program’s reading of the published schema says, and nothing else is', () => {
    // The meaning of a schema: JSON Schema 2020-12, as Ajv reads it.
    const isValid = new Ajv({ strict: false, logger: false }).compile(jobFileSchema());
    const file = (job: Job) => JSON.parse(writeJobFile(job)) as { job: Record<string, unknown> };
    const jobs = [...demoJobs(museumText, PACKAGES), ...fittingJobs(20, 20261201)];
    for (const job of jobs)
      expect(isValid(file(job)), `${job.id} ${JSON.stringify(isValid.errors)}`).to.equal(true);
    for (const [key, value] of Object.entries({
      revision: -1,
      needs: [{ kind: 'unheard' }],
      acts: [{ code: 'unheard' }],
      machine: {},
      title: 7,
    })) {
      const { job, ...rest } = file(jobs[0]!);
      const hurt = { ...rest, job: { ...job, [key]: value } };
      expect(isValid(hurt), key).to.equal(false);
      expect(readJobFile(JSON.stringify(hurt)).problems, key).to.not.deep.equal([]);
    }
  });

  it('have plain names', () => {
    expect(jobFileName({ ...aJob(), title: '../../Ünsafe: name?' })).to.equal(
      'nsafe-name.tenant.json',
    );
    expect(jobFileName(aJob())).to.equal('job.tenant.json');
  });
});

describe('Hand-over sheet', () => {
  it('adds up, keeps what came out, and says of no driver or number what nobody has seen', () => {
    const before = planned();
    const covered = (covers: 'screwed' | 'snapped'): Job => ({
      ...before,
      machine: { ...before.machine, case: { ...before.machine.case, covers: told(covers) } },
    });
    const sheet = handOverSheet(covered('screwed'));
    const rows = [
      ...sheet.cards.map(({ priceCents }) => priceCents),
      ...sheet.extras.map(({ count, cents }) => count * (cents ?? 0)),
    ];
    expect(rows.reduce((sum, cents) => sum + cents, 0)).to.equal(sheet.totalCents);
    // A snapped cover does not go back in.
    expect(sheet.coversKept).to.have.members([1, 2, 3]);
    expect(handOverSheet(covered('snapped')).coversKept).to.deep.equal([]);
    const leaving: Job = {
      ...before,
      machine: {
        ...before.machine,
        slots: [
          ...before.machine.slots,
          aSlot(5, {}, { occupant: occupiedBy('Old radio', 1, 'remove') }),
        ],
      },
    };
    expect(handOverSheet(leaving).cardsKept).to.deep.equal(['Old radio']);
  });

  it('tells what runs from a report only, and a serial number from who read it', () => {
    const before = planned();
    const [{ slotId, serial, driver }] = handOverSheet(before).cards as [SheetCard];
    expect([serial, driver.running]).to.deep.equal([null, null]);
    const at = '2027-01-01T09:00:00.000Z';
    const device: DeviceObservation = {
      id: `device-${slotId}`,
      kind: 'device',
      subject: { slotId },
      value: {
        place: '0000:01:00.0',
        port: null,
        link: null,
        tellsDrivers: true,
        driver: 'keel 3.1',
        trouble: '',
      },
      source: 'text',
      at,
      phase: 'after',
      conditions: '',
    };
    const observations = [enteredSerial(slotId, 'AB-12', at), device];
    const seen = apply(before, { name: 'observe', observations }, STAMP);
    const [card] = handOverSheet(seen).cards;
    expect([card?.serial, card?.driver.running]).to.deep.equal(['AB-12', 'keel 3.1']);
    const without = forExport(seen, {
      customer: true,
      serials: false,
      photographs: true,
      words: true,
    });
    expect(handOverSheet(without).cards[0]?.serial).to.equal(null);
  });

  it('has nothing to mind of work that is done', () => {
    const before = planned();
    const catches = (of: Job) =>
      handOverSheet(of).cards.flatMap(({ findings }) => findings.map(({ code }) => code));
    expect(catches(before)).to.include('bracket.swap');
    const done = steps(before)
      .filter(({ stage }) => stage === 'fit')
      .reduce((soFar, of) => apply(soFar, { name: 'tickStep', of }, STAMP), before);
    expect(catches(done)).to.not.include('bracket.swap');
  });

  it('says what was fitted where, with link, driver, figures and parts kept', () => {
    const job = apply(planned(), measured('usb', 420e6), STAMP);
    const sheet = handOverSheet(job);
    expect(sheet.cards.map(({ slotLabel, link }) => [slotLabel, link])).to.deep.equal([
      ['Slot 1', { generation: 3, width: 16 }],
      ['Slot 3', { generation: 3, width: 1 }],
    ]);
    expect(sheet.cards[0]?.driver.package?.version).to.equal('31.9.0');
    expect(sheet.cards[1]?.driver.ownDriver).to.equal('xHCI');
    expect(sheet.figures[0]?.main?.judgement.verdict).to.equal('clear');
    expect([sheet.coversKept, sheet.cardsKept]).to.deep.equal([[], []]);
    expect(sheet.bracketsKept).to.deep.equal(['Maker Model']);
    expect(sheet.cards[0]?.findings.map(({ code }) => code)).to.include('bracket.swap');
    expect(sheet.totalCents).to.equal(6000);
    expect(sheet.machine).to.include({
      family: 'windows',
      version: '11',
      firmwareDate: '2022-03-01',
    });
  });
});

describe('The demo', () => {
  const all = demoJobs(museumText, PACKAGES);
  const [tideTable, sailLoft, museum] = all;

  it('has jobs at different stages, and a catalogue of every kind', () => {
    expect([tideTable!, sailLoft!, museum!].map(stands)).to.deep.equal(['choose', 'fit', 'prove']);
    expect(CARDS.length).to.be.at.least(160);
    expect(EXTRAS.length).to.be.at.least(25);
    expect(new Set(CARDS.map(({ delivers }) => delivers.kind)).size).to.equal(9);
    for (const card of CARDS) expect(contradictionsIn(card), card.id).to.deep.equal([]);
    expect(new Set([...CARDS, ...EXTRAS].map(({ id }) => id)).size).to.equal(
      CARDS.length + EXTRAS.length,
    );
  });

  it('shows a wire that came up too slow', () => {
    const network = handOverSheet(museum!).figures.find(
      ({ expectation }) => expectation.need.kind === networkNeed(1).kind,
    );
    expect(network?.main?.judgement.outcome).to.equal('short');
  });
});
