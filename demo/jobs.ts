/** Invented jobs at different stages, made by the very commands that a technician's hand would give. */
import { emptyHop, emptyLead, type Hop, type Lead, known } from '../src/core/parts/index.ts';
import type { CableClass } from '../src/core/standards/index.ts';
import { apply, type Command } from '../src/core/commands/index.ts';
import {
  emptyJob,
  enteredRun,
  type Card,
  type DriverPackage,
  type Job,
  type Machine,
  type Stage,
} from '../src/core/document/index.ts';
import { expectations, acceptanceOf, assemblyOf } from '../src/core/assembly/index.ts';
import { observeReport } from '../src/core/diagnosis/index.ts';
import { takeEvidence, withCardRecords } from '../src/core/survey/index.ts';
import { plainNeed, type Need } from '../src/core/kinds/index.ts';
import { proposePlan } from '../src/core/planner/index.ts';
import { readEvidence } from '../src/core/read/index.ts';
import { steps } from '../src/core/procedure/index.ts';
import { CARDS } from './catalogue/cards.ts';
import { EXTRAS } from './catalogue/extras.ts';
import { fittedReport } from './fittedReport.ts';
import { SCENES } from './scenes.ts';
import {
  GAMING,
  MICRO_TOWER,
  OFFICE_TWO_CARDS,
  OLD_TOWER,
  SMALL_DESKTOP,
  TOWER,
  WORKSTATION,
} from './machines.ts';

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

function accept(job: Job, at: string, library: readonly DriverPackage[]): Job {
  const plan = proposePlan({ ...job, cards: CARDS, extras: EXTRAS, library });
  return perform(job, at, [{ name: 'acceptPlan', ...acceptanceOf(plan, job, library) }]);
}

/** Three runs with one large file. */
const measured = (needId: string, value: number, at: string): Command => ({
  name: 'observe',
  observations: [value, value * 0.985, value * 1.01].map((each, n) =>
    enteredRun(needId, Math.round(each / 1e5) * 1e5, at, { what: 'large', n }),
  ),
});

const withStrap = (job: Job, at: string): Job =>
  perform(job, at, [{ name: 'chooseStaticWay', way: 'strap' }]);

const tickAll = (job: Job, at: string, stages: readonly Stage[], most = Infinity): Job =>
  perform(
    job,
    at,
    steps(job)
      .filter(({ stage }) => stages.includes(stage))
      .slice(0, most)
      .map((of): Command => ({ name: 'tickStep', of })),
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
      plainNeed('screens', 'screens', {
        must: true,
        words: 'Both new screens sharp and steady, tables on one, chart on the other',
        count: 2,
        input: 'displayport',
        mode: { widthPx: 3840, heightPx: 2160, refreshHz: 60 },
      }),
      plainNeed('wifi', 'wifi', {
        must: true,
        words: 'No network socket near the window desk',
        megabits: 200,
        bluetooth: false,
      }),
      plainNeed('sound', 'sound', {
        must: false,
        words: 'Cleaner sound for the harbour broadcasts',
        channels: 2,
      }),
    ],
    20_000,
  );

function sailLoft(library: readonly DriverPackage[]): Job {
  const begun = begin(
    'sail-loft',
    day(20, 14),
    { title: 'Faster sticks for the plotter', customer: 'Sail loft, Pilot’s Row' },
    OLD_TOWER,
    [
      plainNeed('usb', 'usb', {
        must: true,
        words: 'Four ports at the back; a plotter file should not take a tea break',
        ports: 4,
        bytesPerSecond: 200e6,
        milliamps: 900,
      }),
    ],
    6_000,
  );
  const accepted = accept(begun, day(20, 14, 30), library);
  const prepared = tickAll(accepted, day(24, 9), ['prepare']);
  return tickAll(withStrap(prepared, day(24, 9, 30)), day(24, 9, 30), ['fit'], 6);
}

const GEN3_X1 = { generation: 3, width: 1 } as const;
const GEN2_X4 = { generation: 2, width: 4 } as const;

/** The card that the accepted plan has in a slot. */
function cardIn({ id, plan }: Job, slotId: string): Card {
  const placement = plan?.placements.find((each) => each.slotId === slotId);
  if (placement === undefined) throw new Error(`${id}: no card for ${slotId}`);
  return placement.card;
}

/** A device of the museum's path, with the leads to it as their class and length in metres. */
function hop(
  id: string,
  kind: Hop['kind'],
  name: string,
  portMegabits: readonly number[],
  ...leads: readonly (readonly [Lead['place'], CableClass, number])[]
): Hop {
  return {
    ...emptyHop(id, kind),
    name,
    portMegabits: told(portMegabits),
    leads: leads.map(([place, cable, metres], n) => ({
      ...emptyLead(`${id}-${n + 1}`, place),
      cable: told(cable),
      metres: told(metres),
      condition: told('good'),
    })),
  };
}

const TO_PLATE_STORE: readonly Hop[] = [
  hop('scan', 'switch', 'Scan room', [100, 1000, 2500, 5000, 10000], ['patch', 'cat6a', 2]),
  hop(
    'gallery',
    'switch',
    'Gallery',
    [1000, 10000],
    ['patch', 'cat6a', 2],
    ['wall', 'cat6a', 38],
    ['patch', 'cat6a', 1],
  ),
  hop('shaft', 'converter', 'Shaft, top', [10000], ['patch', 'cat6a', 1]),
  hop('cellar', 'converter', 'Shaft, foot', [10000], ['wall', 'om3', 120]),
  hop('store', 'switch', 'Cellar', [1000, 10000], ['patch', 'cat6a', 1]),
  hop('rack', 'switch', 'Rack', [100, 1000, 2500, 5000, 10000], ['patch', 'cat7', 3]),
  hop('plates', 'machine', 'Plate store', [1000, 10000], ['patch', 'cat6a', 2]),
];

/** @param lspci what the machine itself printed, from the folder of evidence */
function museum(lspci: string, library: readonly DriverPackage[]): Job {
  const surveyed = withCardRecords(
    takeEvidence(TOWER, readEvidence([{ name: 'lspci.txt', content: lspci }])).machine,
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
        hops: TO_PLATE_STORE,
        internetMegabits: null,
      },
    },
    [
      plainNeed('network', 'network', {
        must: true,
        words: 'A scanned glass plate of 4 GB to the store room while the next one scans',
        bytesPerSecond: 700e6,
        group: 'A',
      }),
      plainNeed('drives', 'drives', {
        must: false,
        words: 'Four more drives in the scanner machine, all busy at once',
        ports: 4,
        bytesPerSecond: 400e6,
        group: 'A',
      }),
    ],
    25_000,
  );
  const accepted = accept(begun, day(17, 11), library);
  const worked = tickAll(withStrap(accepted, day(18, 9)), day(18, 9), [
    'prepare',
    'fit',
    'drivers',
    'prove',
  ]);
  const after = fittedReport(lspci, [
    { card: cardIn(worked, 's1'), port: '00:1c.0', bus: '02', link: GEN3_X1, driver: 'ahci' },
    { card: cardIn(worked, 's7'), port: '00:1b.0', bus: '05', link: GEN2_X4, driver: 'anchor' },
  ]);
  const report = readEvidence([{ name: 'after.lspci.txt', content: after }]);
  const byNeed = new Map(expectations(worked).map(({ need, flow }) => [need.id, flow]));
  const drives = byNeed.get('drives');
  return perform(worked, day(18, 15), [
    {
      name: 'observe',
      observations: observeReport(worked, report, day(18, 14, 50)),
    },
    // The switch port came up at a tenth of its speed: the reading shows it.
    measured('network', 112e6, day(18, 15)),
    ...(drives
      ? [measured('drives', Math.round((drives.low * 1.04) / 1e6) * 1e6, day(18, 15))]
      : []),
  ]);
}

/** An old workstation with two small board plugs, and a card that lives on just what they give. */
const boatyard = (): Job =>
  begin(
    'boatyard',
    day(24, 8),
    {
      title: 'Three screens for the drawing office',
      customer: 'Boatyard drawing office, Slip Lane',
    },
    {
      ...WORKSTATION,
      slots: WORKSTATION.slots.map((slot) =>
        slot.id === 's1' ? { ...slot, state: told('dirty' as const) } : slot,
      ),
    },
    [
      plainNeed('graphics', 'graphics', {
        words: 'Hull models turn smoothly, on a card from the list',
        backing: 'listed',
        memoryGigabytes: 8,
        speedClass: 4,
        group: 'A',
      }),
      plainNeed('screens', 'screens', {
        words: 'Two drawing screens and the old one for mail',
        count: 3,
        group: 'A',
        mode: { widthPx: 2560, heightPx: 1440, refreshHz: 60 },
      }),
    ],
    70_000,
  );

/** A gaming desktop whose card is decided by length, watts and plugs at once. */
const pilots = (): Job =>
  begin(
    'pilots-mess',
    day(24, 9),
    { title: 'A stronger card for the simulator', customer: 'Pilots’ mess, Tower Quay' },
    {
      ...GAMING,
      slots: GAMING.slots.map((slot) =>
        slot.id === 's2' && slot.occupant?.value
          ? { ...slot, occupant: told({ ...slot.occupant.value, disposition: 'remove' as const }) }
          : slot,
      ),
      supply: { ...GAMING.supply, baseWatts: told(200), measuredWatts: told(170) },
    },
    [
      plainNeed('graphics', 'graphics', {
        words: 'The bridge simulator at its best setting',
        memoryGigabytes: 12,
        speedClass: 5,
        encodes: ['av1'],
      }),
      plainNeed('screens', 'screens', {
        words: 'One wide screen, fast',
        must: false,
        weight: 4,
        count: 1,
        mode: { widthPx: 3840, heightPx: 2160, refreshHz: 120 },
        input: 'displayport',
      }),
    ],
    95_000,
  );

/** A front socket that nothing on the board feeds. */
const ferry = (): Job =>
  begin(
    'night-ferry',
    day(24, 10),
    { title: 'Type-C at the front', customer: 'Night-ferry ticket counter' },
    {
      ...MICRO_TOWER,
      case: {
        ...MICRO_TOWER.case,
        frontLeads: told([{ type: 'type-c-20-pin', nearestMm: 60 }, { type: 'audio' }]),
      },
    },
    [
      plainNeed('usb', 'usb-front', {
        words: 'Passengers’ telephones at the front, quick enough for a film',
        where: 'front',
        typeC: true,
        ports: 1,
        bytesPerSecond: 600e6,
        milliamps: 1500,
      }),
      plainNeed('usb', 'usb-rear', {
        words: 'The ticket printers at the back keep their places',
        ports: 4,
        bytesPerSecond: 30e6,
      }),
    ],
    12_000,
  );

/** The only x1 slot lies between two graphics cards. */
const seeds = (): Job =>
  perform(
    begin(
      'seed-library',
      day(24, 11),
      { title: 'Wi-Fi and the climate logger', customer: 'Seed library, Upper Mill' },
      {
        ...OFFICE_TWO_CARDS,
        path: { ...OFFICE_TWO_CARDS.path, internetMegabits: told(100) },
      },
      [
        plainNeed('wifi', 'wifi', {
          words: 'No wire may be drawn through the seed room',
          megabits: 90,
        }),
        plainNeed('legacy', 'serial', {
          words: 'The climate logger talks serial and nothing else',
          port: 'serial',
          ports: 1,
        }),
        plainNeed('keep', 'keep', { words: 'Both screens’ cards stay', slotId: 's4' }),
      ],
      8_000,
    ),
    day(24, 11, 30),
    [{ name: 'setWorth', replacementCents: 45_000, deservesPercent: 33 }],
  );

export function demoJobs(lspci: string, library: readonly DriverPackage[]): readonly Job[] {
  const scenes = SCENES.map(({ id, title, customer, machine, needs, budgetCents }, n) =>
    begin(id, day(25, 8, n * 10), { title, customer }, machine, needs, budgetCents),
  );
  const jobs = [
    tideTable(),
    sailLoft(library),
    museum(lspci, library),
    boatyard(),
    pilots(),
    ferry(),
    seeds(),
    ...scenes,
  ];
  for (const job of jobs) {
    if (job.plan !== null && assemblyOf(job).cards.length === 0)
      throw new Error(`${job.id}: empty plan`);
  }
  return jobs;
}
