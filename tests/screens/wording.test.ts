/** Every sentence has its numbers filled in, and says them in the units of the trade. */
import { readFileSync } from 'node:fs';
import { expect } from 'chai';
import { choosePlans } from '$core/planner';
import { steps } from '$core/procedure';
import { plainNeed } from '$core/kinds';
import { verdictTable, type Finding, type Subjects, findingRow } from '$core/rules';
import { expectations } from '$core/assembly';
import { judge } from '$core/diagnosis';
import type { Problem } from '$core/read';
import { logWords } from '$words/commands';
import { logDetail } from '$words/logDetail';
import { figure, inMoney, linkWords, modeWords, wireWords } from '$words/figures';
import { band, flowFigure, saidIn } from '$words/flowFigures';
import { adviceWords } from '$words/facts';
import { findingTopic, findingWords } from '$words/findings';
import { needWords } from '$words/needs';
import { problemPlace, problemWords } from '$words/problems';
import { CHECK_WORDS, answerTo, howTo } from '$words/checks';
import { judgementWords } from '$words/proof';
import { cautionWords, stepWords } from '$words/steps';
import { deliveryWords } from '$words/deliveries';
import { CARDS } from '../../demo/catalogue/cards';
import { PACKAGES } from '../builders/library';
import { demoJobs } from '../../demo/jobs';
import { TEMPLATES } from '../../demo/machines';
import { codesWhere } from '../../src/core/rules/findingCodes.ts';
import { CHECKS, SYSTEM_FAMILIES, type Check } from '../../src/core/standards/index.ts';
import { emptyJob, emptySupply, emptyMachine, emptySlot } from '../../src/core/document/index.ts';
import { unknownFacts } from '../../src/core/rules/index.ts';

import { aCard, told } from '../builders/parts';

const jobs = demoJobs(
  readFileSync(new URL('../../demo/evidence/lighthouse-museum.lspci.txt', import.meta.url), 'utf8'),
  PACKAGES,
);
/** Machines of which less and less is known, so that the unknown findings come up as well. */
const machines = [
  ...TEMPLATES,
  { ...emptyMachine(), slots: [emptySlot('s', 'Slot')] },
  { ...TEMPLATES[0]!, supply: emptySupply() },
];
/** Sockets, keys, external boxes and shared lanes bring up words of their own. */
const odd = aCard({ bus: 'pci', keying: '3.3 V', needsSplit: true });
const module = aCard({ bus: 'm2', m2: { keys: ['B'], moduleLengthMm: 42, signal: 'sata' } });
const findings: readonly Finding[] = [
  ...machines.flatMap((machine) =>
    verdictTable([odd, module, aCard({ needsSplit: true })], machine, PACKAGES).flatMap((row) =>
      row.flatMap((each) => each.findings),
    ),
  ),
  ...machines.flatMap((machine) =>
    [PACKAGES, null].flatMap((library) =>
      verdictTable(CARDS, machine, library).flatMap((row) => row.flatMap((each) => each.findings)),
    ),
  ),
  ...jobs.flatMap((job) => {
    const { best: plan, refusals } = choosePlans({ ...job, cards: CARDS, library: PACKAGES });
    return [
      ...plan.together,
      ...plan.placements.flatMap((placed) => placed.findings),
      ...refusals.flatMap(({ finding }) => finding ?? []),
    ];
  }),
];

/** One of each kind of thing that a finding can be about. */
const SAMPLES: Subjects = {
  name: 'Neighbour',
  source: 'ownBench, 2026-03-01',
  bus: 'pci',
  key: 'B',
  signal: 'sata',
  keying: '5 V',
  height: 'low',
  frontLead: 'audio',
  header: 'usb-9-pin',
  plug: '6-pin',
  plugs: ['6-pin', '8-pin'],
  plugAdapter: 'split-sata',
  driver: 'Driver 8.0',
  identity: 'f1a5:7501',
  boot: 'uefi',
  stage: 'cable',
  feature: 'wake',
  driveSocket: 'm2',
  screenAdapter: 'dp-hdmi-passive',
  screenInput: 'hdmi',
  networkModule: 'copper',
  backing: 'listed',
  manner: 'quiet',
  family: 'linux',
};

describe('Words of findings', () => {
  it('fill in every number and name', () => {
    expect(new Set(findings.map(({ code }) => code)).size).to.be.greaterThan(25);
    for (const finding of findings) {
      expect(findingWords(finding), finding.code).to.not.match(/[{}?]|undefined|NaN/);
      expect(adviceWords(finding) ?? '', finding.code).to.not.match(/[{}]|undefined|NaN/);
      expect(findingTopic(finding), finding.code).to.not.equal('');
    }
  });

  it('fill in what their row of the table gives them, and nothing that it does not', () => {
    const codes = codesWhere(() => true);
    expect(codes.size).to.be.greaterThan(110);
    for (const code of codes) {
      const { unit, subject } = findingRow(code);
      const made = {
        code,
        verdict: 'limited',
        ...(unit === undefined
          ? {}
          : { needed: 2, available: 1, unit: unit === 'rate' ? 'B/s' : unit }),
        ...(subject === undefined ? {} : { subject: SAMPLES[subject] }),
      } as Finding;
      const words = `${findingWords(made)} ${adviceWords(made) ?? ''}`;
      // A figure or a name that the row does not give would stay a question mark.
      expect(words, code).to.not.match(/[{}?]|undefined|NaN/);
    }
  });

  it('carry the figure and its unit', () => {
    const finding = { verdict: 'blocked', needed: 318, available: 280, unit: 'mm' } as const;
    expect(findingWords({ code: 'body.tooLong', ...finding })).to.equal(
      '318 mm long; the case has 280 mm.',
    );
    expect(
      findingWords({
        code: 'deliver.short',
        verdict: 'blocked',
        needed: 700e6,
        available: 118.66e6,
        unit: 'B/s',
        subject: 'cable',
      }),
    ).to.equal('It carries 119 MB/s; 700 MB/s is needed.');
  });

  it('offer what would change a verdict, unless it is clear', () => {
    for (const finding of findings) {
      if (finding.verdict === 'clear') expect(adviceWords(finding)).to.equal(null);
      if (finding.verdict === 'unknown')
        expect(adviceWords(finding), finding.code).to.be.a('string');
    }
  });
});

describe('Words of steps', () => {
  it('fill in every value, for each job of the demo', () => {
    const all = jobs.flatMap(steps);
    expect(all.length).to.be.greaterThan(25);
    for (const step of all) {
      const { title, detail } = stepWords(step);
      expect(`${title} ${detail ?? ''}`, step.id).to.not.match(/[{}]|undefined|NaN/);
      for (const caution of step.cautions) expect(cautionWords(caution)).to.be.a('string');
    }
  });

  it('ask for what is not known before anything is ordered', () => {
    const job = jobs[1]!;
    const unsure = {
      ...job,
      machine: { ...job.machine, case: { ...job.machine.case, bracket: null } },
    };
    const settle = steps(unsure)[0]!;
    expect(settle.code).to.equal('settle');
    expect(stepWords(settle).title).to.equal('Find out: Bracket height');
    expect(unknownFacts(unsure.machine, unsure.needs)).to.have.length(1);
  });
});

describe('Words for the device list', () => {
  it('write the identity as each system does', () => {
    const check = jobs
      .flatMap(steps)
      .find(({ code, values }) => code === 'checkDevice' && values['family'] === 'windows');
    expect(stepWords(check!).detail).to.contain(String.raw`PCI\VEN_F1A2&DEV_7204`);
    const other = jobs
      .flatMap(steps)
      .find(({ code, values }) => code === 'checkDevice' && values['family'] === 'linux');
    expect(stepWords(other!).detail).to.match(/lspci -nn shows it as \[f1a5:75\d\d\]/);
  });

  it('name no program that the system does not have', () => {
    for (const family of SYSTEM_FAMILIES) {
      const details = jobs
        .map((job) => ({
          ...job,
          machine: { ...job.machine, system: { ...job.machine.system, family: told(family) } },
        }))
        .flatMap(steps)
        .filter(({ code }) => code === 'checkDevice' || code === 'checkLink')
        .map((step) => stepWords(step).detail ?? '');
      expect(details.length).to.be.greaterThan(2);
      // Where there is none of its own, the one of a live system from a stick is named with that system.
      for (const detail of details.filter((each) => each.includes('lspci')))
        expect(detail, family).to.match(family === 'linux' ? /^lspci/ : /live Linux.*lspci/);
    }
  });
});

describe('Words of proof', () => {
  it('name what a reading means, in each outcome', () => {
    const network = expectations(jobs[2]!)[0]!;
    const said = (reading: number) => judgementWords(judge(network.flow!, reading), network.flow!);
    expect(said(1_100e6)).to.equal('is as expected (999–1,187 MB/s).');
    expect(said(112e6)).to.match(/short of the 700 MB\/s wanted/);
    expect(said(800e6)).to.match(/healthy one shows 999–1,187 MB\/s/);
    expect(said(9_000e6)).to.match(/more than this path can carry \(1,187 MB\/s\)/);
  });
});

describe('Words of checks', () => {
  it('name every answer that a check may have, on every system', () => {
    for (const [check, { answers }] of Object.entries(CHECKS) as [
      Check,
      (typeof CHECKS)[Check],
    ][]) {
      const said = Object.keys(CHECK_WORDS[check].answers);
      expect(said, check).to.have.members(answers === 'megabits' ? [] : [...answers]);
      for (const family of [...SYSTEM_FAMILIES, null])
        expect(howTo(check, family), check).to.match(/^\S.*[^.\s]/);
    }
    expect(answerTo('readLinkSpeed', '2500')).to.equal('2.5 Gb/s');
  });
});

describe('Figures', () => {
  it('are printed in the units of the trade', () => {
    expect(figure(984.6e6, 'B/s')).to.equal('985 MB/s');
    expect(figure(12.798e9, 'b/s')).to.equal('12.8 Gb/s');
    expect(figure(111.15, 'mm')).to.equal('111 mm');
    expect(figure(4, 'lanes')).to.equal('x4');
    expect(band({ low: 60, high: 60, unit: 'Hz', need: plainNeed('screens', 's') })).to.equal(
      '60 Hz',
    );
    const usb = plainNeed('usb', 'u');
    expect(band({ low: 400e6, high: 450e6, unit: 'B/s', need: usb })).to.equal('400–450 MB/s');
    // What is wanted in megabits is expected, typed and read in megabits.
    const radio = { unit: 'B/s', need: plainNeed('wifi', 'w') } as const;
    expect(band({ low: 18.75e6, high: 25e6, ...radio })).to.equal('150–200 Mb/s');
    expect(saidIn(radio)).to.deep.equal({ words: 'Mb/s', scale: 125_000 });
    expect(flowFigure(150e6, radio)).to.equal('1.2 Gb/s');
    expect(inMoney(123456)).to.equal('1,234.56');
    expect(linkWords({ generation: 3, width: 4 })).to.equal('Gen 3 x4');
    expect(wireWords(2500)).to.equal('2.5 Gb/s');
    expect(wireWords(100)).to.equal('100 Mb/s');
    expect(modeWords({ widthPx: 3840, heightPx: 2160, refreshHz: 60 })).to.equal(
      '3840 × 2160 at 60 Hz',
    );
  });

  it('describe every need and every card of the demo', () => {
    for (const need of jobs.flatMap((job) => job.needs))
      expect(needWords(need)).to.not.match(/undefined|NaN/);
    for (const card of CARDS)
      expect(deliveryWords(card.delivers)).to.not.match(/undefined|NaN|Infinity/);
  });
});

describe('Words of problems and of the log', () => {
  it('name the place and what was expected', () => {
    const problem: Problem = {
      code: 'hex.outOfOrder',
      line: 12,
      at: '0000:00:1c.0',
      expected: '20',
      found: '40',
    };
    expect(problemPlace(problem)).to.equal('line 12, 0000:00:1c.0');
    expect(problemWords(problem)).to.equal(
      'Rows of registers are missing or doubled: expected 20, found 40.',
    );
    expect(problemPlace({ code: 'capability.looped', at: '0000:00:1c.0', offset: 0x40 })).to.equal(
      '0000:00:1c.0, offset 40h',
    );
  });

  it('name what a change of the survey touched, and leave sentences of older logs as they are', () => {
    const said = (detail: string) =>
      logDetail({ at: '', who: '', command: 'changeMachine', detail }, emptyJob('j', ''), []);
    expect(said('slots.lanes Slot 3; case.bracket')).to.equal(
      'Slot 3: lanes wired; bracket height',
    );
    expect(said('Slot 3: what it shares')).to.equal('Slot 3: what it shares');
    expect(said('constructor x')).to.equal('constructor x');
  });

  it('tell undo from what was undone', () => {
    expect(logWords('undo')).to.equal('undone');
    expect(logWords('acceptPlan')).to.equal('plan accepted');
    expect(logWords('somethingNew')).to.equal('somethingNew');
  });
});
