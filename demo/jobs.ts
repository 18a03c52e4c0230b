/** Three invented jobs at different stages, made by the very commands that a technician's hand would give. */
import {
  apply,
  emptyJob,
  expectations,
  fittedCards,
  known,
  mergeEvidence,
  packagesFor,
  proposePlan,
  readEvidence,
  steps,
  withCardRecords,
  type Command,
  type Job,
  type Machine,
  type Need,
  type Stage,
} from '../src/core/index.ts';
import { CARDS } from './cards.ts';
import { PACKAGES } from './drivers.ts';
import { OLD_TOWER, SMALL_DESKTOP, TOWER } from './machines.ts';

const TECHNICIAN = 'Ebba Tolliver';
const day = (date: number, hour: number, minute = 0) =>
  new Date(Date.UTC(2026, 10, date, hour, minute)).toISOString();
const told = <Value>(value: Value) => known(value, 'technician');

/** Applies commands one after the other, two minutes apart. */
function perform(job: Job, from: string, commands: readonly Command[]): Job {
  const start = new Date(from).getTime();
  return commands.reduce(
    (soFar, command, n) =>
      apply(soFar, command, {
        at: new Date(start + n * 120_000).toISOString(),
        who: TECHNICIAN,
      }),
    job,
  );
}

function begin(
  id: string,
  at: string,
  details: { title: string; customer: string },
  machine: Machine,
  needs: readonly Need[],
  budgetCents: number,
): Job {
  return perform(emptyJob(id, at), at, [
    { name: 'describeJob', details: { ...details, technician: TECHNICIAN } },
    { name: 'takeTemplate', machine },
    ...needs.map((need): Command => ({ name: 'addNeed', need })),
    { name: 'setBudget', cents: budgetCents },
  ]);
}

function accept(job: Job, at: string): Job {
  const { placements } = proposePlan({ ...job, cards: CARDS, library: PACKAGES });
  return perform(job, at, [
    {
      name: 'acceptPlan',
      placements: placements.map(({ card, slot }) => ({ slotId: slot.id, card })),
      packages: packagesFor(
        placements.map(({ card }) => card),
        job.machine,
        PACKAGES,
      ),
    },
  ]);
}

const tickAll = (job: Job, at: string, stages: readonly Stage[], most = Infinity): Job =>
  perform(
    job,
    at,
    steps(job)
      .filter(({ stage }) => stages.includes(stage))
      .slice(0, most)
      .map(({ id }): Command => ({ name: 'tickStep', stepId: id })),
  );

const tideTable = (): Job =>
  begin(
    'tide-table-office',
    day(23, 9),
    { title: 'Two screens and Wi-Fi', customer: 'Tide-table office, Saltmarrow' },
    {
      ...SMALL_DESKTOP,
      path: { ...SMALL_DESKTOP.path, internetMegabits: told(250) },
    },
    [
      {
        id: 'screens',
        must: true,
        words: 'Both new screens sharp and steady, tables on one, chart on the other',
        kind: 'screens',
        count: 2,
        mode: { widthPx: 3840, heightPx: 2160, refreshHz: 60 },
      },
      {
        id: 'wifi',
        must: true,
        words: 'No network socket near the window desk',
        kind: 'wifi',
        megabits: 200,
        bluetooth: false,
      },
      {
        id: 'sound',
        must: false,
        words: 'Cleaner sound for the harbour broadcasts',
        kind: 'sound',
        channels: 2,
      },
    ],
    20_000,
  );

function sailLoft(): Job {
  const begun = begin(
    'sail-loft',
    day(20, 14),
    { title: 'Faster sticks for the plotter', customer: 'Sail loft, Pilot’s Row' },
    OLD_TOWER,
    [
      {
        id: 'usb',
        must: true,
        words: 'Four ports at the back; a plotter file should not take a tea break',
        kind: 'usb',
        ports: 4,
        bytesPerSecond: 200e6,
      },
    ],
    6_000,
  );
  const accepted = accept(begun, day(20, 14, 30));
  const prepared = tickAll(accepted, day(24, 9), ['prepare']);
  return tickAll(prepared, day(24, 9, 30), ['fit'], 4);
}

/** @param lspci what the machine itself printed, from the folder of evidence */
function museum(lspci: string): Job {
  const surveyed = withCardRecords(
    mergeEvidence(TOWER, readEvidence([{ name: 'lspci.txt', content: lspci }])),
    CARDS,
  );
  const begun = begin(
    'lighthouse-museum',
    day(17, 10),
    { title: 'Ten gigabit to the plate store', customer: 'Lighthouse museum, Gull Point' },
    {
      ...surveyed,
      path: {
        ...surveyed.path,
        cable: told('cat6a'),
        cableMetres: told(40),
        farEndMegabits: told([1000, 10000]),
        internetMegabits: null,
      },
    },
    [
      {
        id: 'network',
        must: true,
        words: 'A scanned glass plate of 4 GB to the store room while the next one scans',
        kind: 'network',
        bytesPerSecond: 700e6,
      },
      {
        id: 'drives',
        must: false,
        words: 'Four more drives in the scanner machine, all busy at once',
        kind: 'drives',
        ports: 4,
        bytesPerSecond: 400e6,
      },
    ],
    25_000,
  );
  const accepted = accept(begun, day(17, 11));
  const worked = tickAll(accepted, day(18, 9), ['prepare', 'fit', 'drivers', 'prove']);
  const byNeed = new Map(expectations(worked).map(({ need, flow }) => [need.id, flow]));
  const drives = byNeed.get('drives');
  return perform(worked, day(18, 15), [
    // The switch port came up at a tenth of its speed: the reading shows it.
    { name: 'recordReading', needId: 'network', value: 112e6 },
    ...(drives
      ? [{ name: 'recordReading', needId: 'drives', value: Math.round(drives.low * 1.04) } as const]
      : []),
  ]);
}

export function demoJobs(lspci: string): readonly Job[] {
  const jobs = [tideTable(), sailLoft(), museum(lspci)];
  for (const job of jobs) {
    if (job.plan !== null && fittedCards(job).length === 0)
      throw new Error(`${job.id}: empty plan`);
  }
  return jobs;
}
