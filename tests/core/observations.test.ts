/** What a report shows after a plan is accepted: observed, held against the plan, and never taken into the survey. */
import { readFileSync } from 'node:fs';
import { expect } from 'chai';
import { fittedReport } from '../../demo/fittedReport.ts';
import { demoJobs } from '../../demo/jobs.ts';
import { PACKAGES } from '../builders/library.ts';
import { type AssembledCard, assemblyOf, expectations } from '../../src/core/assembly/index.ts';
import type { DoneAct, Job } from '../../src/core/document/index.ts';
import type { Link } from '../../src/core/standards/index.ts';
import { apply } from '../../src/core/commands/index.ts';
import { observeReport, reportOnPlan } from '../../src/core/diagnosis/index.ts';
import { readEvidence } from '../../src/core/read/index.ts';
import { steps } from '../../src/core/procedure/index.ts';
import { takeEvidence } from '../../src/core/survey/index.ts';
import { AT, STAMP, measured } from '../builders/parts.ts';
import { doneAt, named } from '../builders/acts';

const BEFORE = readFileSync(
  new URL('../../demo/evidence/lighthouse-museum.lspci.txt', import.meta.url),
  'utf8',
);
const museum = demoJobs(BEFORE, PACKAGES).find(({ id }) => id === 'lighthouse-museum')!;
const LATER = '2026-11-30T09:00:00.000Z';
const PORTS = { s1: ['00:1c.0', '02'], s4: ['00:1c.4', '03'], s7: ['00:1b.0', '05'] } as const;

interface Seen {
  readonly in?: keyof typeof PORTS;
  readonly link?: Link;
  readonly driver?: string | null;
}
const cards: readonly AssembledCard[] = assemblyOf(museum).cards;
const [drives, network] = ['s1', 's7'].map((id) => cards.find(({ slot }) => slot.id === id)!);

/** The report with each card where and as it is said; null: it is not there. */
function after(seen: { readonly drives: Seen | null; readonly network: Seen | null }): string {
  const fitted = [
    { card: drives!, home: 's1', driver: 'ahci', as: seen.drives },
    { card: network!, home: 's7', driver: 'anchor', as: seen.network },
  ] as const;
  return fittedReport(
    BEFORE,
    fitted.flatMap(({ card, home, driver, as }) => {
      if (as === null) return [];
      const [port, bus] = PORTS[as.in ?? home];
      const link = as.link ?? card.link!.link!;
      return [{ card: card.card, port, bus, link, driver: 'driver' in as ? as.driver! : driver }];
    }),
  );
}

function observed(text: string, job: Job = museum): Job {
  const evidence = readEvidence([{ name: 'after.txt', content: text }]);
  const observations = observeReport(job, evidence, LATER);
  return apply(job, { name: 'observe', observations }, { ...STAMP, at: LATER });
}
const differences = (job: Job) =>
  Object.fromEntries(
    reportOnPlan(job).map(({ card, differences: found }) => [
      card.slot.id,
      found.map(({ code }) => code),
    ]),
  );

describe('A report read after a plan was accepted', () => {
  it('is observed, and changes neither the survey nor the steps nor what is expected', () => {
    const all = steps(museum);
    expect(all).to.have.length(50);
    for (const text of [BEFORE, after({ drives: {}, network: {} })]) {
      const job = observed(text);
      expect(job.machine).to.equal(museum.machine);
      expect(steps(job)).to.deep.equal(all);
      expect(expectations(job)).to.deep.equal(expectations(museum));
      expect(job.observations.filter(({ kind }) => kind === 'device')).to.have.length(2);
    }
  });

  it('would have taken steps away, had it gone into the survey', () => {
    // What the observation is for: the fitted cards would stand in their own way.
    const evidence = readEvidence([{ name: 'a', content: after({ drives: {}, network: {} }) }]);
    const { machine } = takeEvidence(museum.machine, evidence);
    const surveyed = apply(museum, { name: 'readMachine', machine, devices: 12 }, STAMP);
    expect(steps(surveyed)).to.not.deep.equal(steps(museum));
  });

  it('is as planned where every card has its slot, its link and its driver', () => {
    const job = observed(after({ drives: {}, network: {} }));
    expect(differences(job)).to.deep.equal({ s1: [], s7: [] });
    const [first] = reportOnPlan(job).filter(({ card }) => card.slot.id === 's7');
    expect(first?.observation).to.deep.include({
      source: 'text',
      phase: 'after',
      conditions: 'after.txt',
      value: {
        place: '0000:05:00.0',
        port: '0000:00:1b.0',
        link: { generation: 2, width: 4 },
        tellsDrivers: true,
        driver: 'anchor',
        trouble: '',
      },
    });
  });

  it('names what differs', () => {
    const cases: readonly (readonly [Seen | null, string[]])[] = [
      [null, ['missing']],
      [{ in: 's4' }, ['otherSlot']],
      [{ link: { generation: 2, width: 1 } }, ['linkNarrower']],
      [{ link: { generation: 1, width: 4 } }, ['linkSlower']],
      // Wider than planned is no fault.
      [{ link: { generation: 3, width: 8 } }, []],
      [{ driver: null }, ['driverMissing']],
      // Its maker's package was planned; a class driver of the system is not that.
      [{ driver: 'xhci_hcd' }, ['driverGeneric']],
      [
        { in: 's4', link: { generation: 2, width: 1 }, driver: null },
        ['otherSlot', 'driverMissing'],
      ],
    ];
    for (const [seen, codes] of cases) {
      const found = differences(observed(after({ drives: {}, network: seen })));
      expect(found, JSON.stringify(seen)).to.deep.equal({ s1: [], s7: codes });
    }
    // The system's own AHCI driver is what was planned for the drives.
    expect(
      differences(observed(after({ drives: { driver: 'ahci' }, network: {} })))['s1'],
    ).to.deep.equal([]);
  });

  it('says nothing of cards that a report of a single device does not have', () => {
    const text = after({ drives: {}, network: { link: { generation: 2, width: 1 } } });
    const single = text.slice(text.indexOf('05:00.0 '));
    const job = observed(single);
    // The drives' card stays as the whole report of before has it.
    expect(job.observations.find(({ id }) => id === 'device-s1')?.at).to.not.equal(LATER);
    expect(job.observations.find(({ id }) => id === 'device-s7')?.at).to.equal(LATER);
    expect(differences(job)).to.deep.equal({ s1: [], s7: ['linkNarrower'] });
  });

  it('misses no card before the first was seated, and says nothing of a report older than the plan', () => {
    const unticked: Job = { ...museum, acts: [] };
    expect(differences(observed(BEFORE, unticked))).to.deep.equal({ s1: [], s7: [] });
    expect(differences(observed(BEFORE))).to.deep.equal({ s1: ['missing'], s7: ['missing'] });
    const replanned = {
      ...museum,
      plan: { ...museum.plan!, acceptedAt: '2026-12-01T09:00:00.000Z' },
    };
    for (const { observation } of reportOnPlan(observed(BEFORE, replanned)))
      expect(observation).to.equal(null);
  });

  it('knows a twin that was there before from the new card', () => {
    const ids = network!.card.ids;
    const twin = (job: Job): Job => ({
      ...job,
      machine: {
        ...job.machine,
        slots: job.machine.slots.map((slot) =>
          slot.id === 's2' && slot.occupant?.value
            ? { ...slot, occupant: { ...slot.occupant, value: { ...slot.occupant.value, ids } } }
            : slot,
        ),
      },
    });
    const text = (seen: Seen | null) =>
      after({ drives: {}, network: seen }).replace('f1a0:7020', 'f1a5:7501');
    expect(differences(observed(text(null), twin(museum)))['s7']).to.deep.equal(['missing']);
    expect(differences(observed(text({}), twin(museum)))['s7']).to.deep.equal([]);
  });

  it('tells what the system says of a device, and nothing where there are no devices', () => {
    const { vendor, device } = network!.card.ids;
    const id = `PCI\\VEN_${vendor.toString(16).toUpperCase()}&DEV_${device.toString(16)}\\3&1`;
    const list = (problem: string, service: string) =>
      JSON.stringify([
        {
          InstanceId: id,
          FriendlyName: 'Wire',
          Status: problem === '' ? 'OK' : 'Error',
          Problem: problem,
          LocationInfo: 'PCI bus 4, device 0, function 0',
          DriverProvider: 'Maker',
          DriverVersion: '4.8.0',
          Service: service,
        },
      ]);
    const found = (problem: string, service = 'anchor') =>
      differences(observed(list(problem, service)))['s7'];
    expect(found('CM_PROB_FAILED_START')).to.deep.equal(['trouble']);
    expect(found('')).to.deep.equal([]);
    expect(found('', 'usbxhci')).to.deep.equal(['driverGeneric']);
    const names = readEvidence([{ name: 'os-release', content: 'NAME="Harbour"\nID=harbour\n' }]);
    expect(observeReport(museum, names, LATER)).to.deep.equal([]);
  });
});

describe('A report between two rounds', () => {
  /** The network card waits; of the first round all is done. */
  const staged = apply(museum, { name: 'stageCards', staged: ['s7'] }, STAMP);
  const isWaiting = ({ on, round }: DoneAct) => on.slot === 's7' || round === 2;
  const between: Job = {
    ...staged,
    acts: staged.acts.filter((act) => !isWaiting(act)),
  };

  it('does not miss the card that waits, and misses it once it is in', () => {
    const text = after({ drives: {}, network: null });
    expect(differences(observed(text, between))).to.deep.equal({ s1: [], s7: [] });
    const seat = steps(between).find(({ code, slotId }) => code === 'seat' && slotId === 's7')!;
    expect(seat.round).to.equal(2);
    const seated = apply(between, { name: 'tickStep', of: seat }, STAMP);
    expect(differences(observed(text, seated))).to.deep.equal({ s1: [], s7: ['missing'] });
  });

  it('is one from before the work while cards were only tried in another machine', () => {
    const tried: Job = {
      ...museum,
      acts: [doneAt(museum.changedAt, named('seat', { card: drives!.card.id, slot: 'try-1' }, 0))],
    };
    const text = after({ drives: null, network: null });
    expect(differences(observed(text, tried))).to.deep.equal({ s1: [], s7: [] });
  });
});

describe('An observation', () => {
  it('takes the place of the one of its id, and goes with what it is of', () => {
    const once = apply(museum, measured('network', 5e6), STAMP);
    expect(once.observations).to.have.length(museum.observations.length + 1);
    const again = apply(once, measured('network', 6e6), STAMP);
    expect(again.observations).to.have.length(once.observations.length);
    const { id: observationId } = again.observations.at(-1)!;
    const gone = apply(again, { name: 'removeObservation', observationId }, STAMP);
    expect(gone.observations.map(({ id }) => id)).to.not.include(observationId);
    const slots = museum.machine.slots.filter(({ id }) => id !== 's7');
    const machine = { ...museum.machine, slots };
    const without = apply(museum, { name: 'changeMachine', machine }, { at: AT, who: '' });
    expect(without.observations.map(({ id }) => id)).to.not.include('device-s7');
    expect(without.observations.map(({ id }) => id)).to.include('device-s1');
  });
});
