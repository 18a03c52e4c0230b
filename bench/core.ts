/**
 * How fast the core is, as figures and as ratios against a plainer way in the same run. Not a test: machines
 * differ. Run with `npm run bench`.
 */
import { existsSync, readFileSync } from 'node:fs';
import { performance } from 'node:perf_hooks';
import { randomLcg } from 'd3-random';
import highs from 'highs';
import {
  ProblemList,
  readEvidence,
  readIdList,
  readLspci,
  readModulesAlias,
} from '../src/core/read/index.ts';
import { apply } from '../src/core/commands/index.ts';
import { emptyFunction } from '../src/core/parts/index.ts';
import { emptyMachine } from '../src/core/document/index.ts';
import { modalias, modulesFor, shellMatch } from '../src/core/drivers/index.ts';
import { takeEvidence } from '../src/core/survey/index.ts';
import { outcome } from '../src/core/outcome.ts';
import { proposePlan } from '../src/core/planner/index.ts';
import { slotVerdict, verdictTable } from '../src/core/rules/index.ts';
import { steps } from '../src/core/procedure/index.ts';
import { diagnose, diagnoses } from '../src/core/diagnosis/index.ts';
import type { Check } from '../src/core/standards/index.ts';
import { CARDS } from '../demo/catalogue/cards.ts';
import { EXTRAS } from '../demo/catalogue/extras.ts';
import { PACKAGES } from '../tests/builders/library.ts';
import { demoJobs } from '../demo/jobs.ts';
import { scaleOf } from '../src/core/plans/cost.ts';
import { planContextOf } from '../src/core/planner/answers/plan.ts';
import { searching } from '../src/core/planner/search/search.ts';
import { milpPlan, startSolver } from '../tests/builders/milpPlanner.ts';
import { wholeBundle } from './bundle.ts';
import { assemblyOf } from '../src/core/assembly/assembly.ts';
import { explanationsOf } from '../src/core/diagnosis/causes/explanations.ts';
import { fewest } from '../src/core/drivers/fewest.ts';
import { ledgerAfter } from '../src/core/procedure/fitting/ledger.ts';
import { fittingRounds } from '../src/core/procedure/fitting/tasks.ts';
import { STAMP } from '../tests/builders/parts.ts';
import { fullJob } from './fitting.ts';
import { largeRequests } from './planner.ts';

const text = readFileSync('demo/evidence/lighthouse-museum.lspci.txt', 'utf8');
const jobs = demoJobs(text, PACKAGES);

/** Median of the runs in milliseconds, after a warm-up. */
function median(runs: number, work: () => void): number {
  for (let n = 0; n < 3; n += 1) work();
  const times = Array.from({ length: runs }, () => {
    const start = performance.now();
    work();
    return performance.now() - start;
  });
  return times.toSorted((a, b) => a - b)[Math.floor(runs / 2)] ?? 0;
}

const line = (name: string, milliseconds: number, asked: string) =>
  console.log(`${name.padEnd(62)} ${milliseconds.toFixed(2).padStart(9)} ms   asked: ${asked}`);

/** The report again and again with other bus numbers, until it has the lines asked for. */
function longReport(lines: number): string {
  const copies: string[] = [];
  const own = text.split('\n').length;
  for (let n = 0; copies.length * own < lines; n += 1) {
    copies.push(
      text.replaceAll(
        /^([0-9a-f]{2}:[0-9a-f]{2}\.\d )/gm,
        `${(n + 1).toString(16).padStart(4, '0')}:$1`,
      ),
    );
  }
  return copies.join('\n').split('\n').slice(0, lines).join('\n');
}

/** A diagnosis of many stages with many observations, and a long result of a tool. */
function proving() {
  const museum = jobs.find(({ id }) => id === 'lighthouse-museum')!;
  const asked = diagnoses(museum).get('network')!;
  const { components, observed } = asked;
  const answers = components.flatMap(({ id: part, checks }) =>
    Object.entries(checks).map(([check, answer]) => ({ part, check: check as Check, answer })),
  );
  const eight = {
    figures: [...observed.figures, ...observed.figures],
    answers: answers.filter(({ part }) => !part.startsWith('wire')).slice(0, 6),
  };
  const whole = median(40, () => diagnose(components, eight, []));
  line(`diagnosis of ${components.length} components, 8 observations: median`, whole, '20');
  const likely = median(40, () => explanationsOf(components, eight));
  console.log(
    `  against weighing its explanations only: ${(whole / likely).toFixed(1)} times as long`,
  );
  const interval = { streams: [], sum: { start: 0, end: 1, seconds: 1, bytes: 1.2e8 } };
  const result = JSON.stringify({
    start: { version: 'iperf 3.12', test_start: { num_streams: 1, reverse: 0 } },
    intervals: Array.from({ length: 70_000 }, () => interval),
    end: { sum_received: { bytes: 8.4e12, seconds: 70_000, bits_per_second: 9.6e8 } },
  });
  const file = [{ name: 'wire.json', content: result }];
  const read = median(15, () => readEvidence(file));
  line(`a result of iperf3 read (${(result.length / 1e6).toFixed(1)} MB)`, read, '200');
  const parsed = median(15, () => void JSON.parse(result));
  console.log(`  against parsing it as JSON only: ${(read / parsed).toFixed(1)} times as long`);
}

proving();

const report = longReport(10_000);
const reading = median(20, () => readLspci(report));
const splitting = median(20, () => {
  report.split('\n').filter((each) => /^[0-9a-f]{4}:|LnkCap|LnkSta|Slot #/.test(each));
});
line(
  `10,000 lines of lspci -vvnn read (${readLspci(report).functions.length} devices)`,
  reading,
  'under 150',
);
console.log(
  `  against splitting and filtering its lines only: ${(reading / splitting).toFixed(1)} times as long`,
);

const bundle = wholeBundle();
const bundleTime = median(15, () => takeEvidence(emptyMachine(), readEvidence(bundle)));
const { machine: merged } = takeEvidence(emptyMachine(), readEvidence(bundle));
line(
  `bundle read and merged (${merged.functions.length} devices, ${merged.slots.length} slots, 9,000 aliases)`,
  bundleTime,
  'under 300 in the worker',
);
const texts = bundle.map(({ content }) => content).filter((content) => typeof content === 'string');
const bundleSplit = median(15, () =>
  texts.map((each) => each.split('\n').filter((l) => /[0-9a-f]{4}/.test(l))),
);
console.log(
  `  against splitting and filtering its lines only: ${(bundleTime / bundleSplit).toFixed(1)} times as long`,
);
const idList = '/usr/share/misc/pci.ids';
if (existsSync(idList)) {
  const names = readFileSync(idList, 'utf8');
  const indexing = median(15, () => readIdList(names, new ProblemList()));
  const rows = median(15, () => names.split('\n').filter((each) => each.startsWith('\t')));
  line(`pci.ids indexed (${(names.length / 1e6).toFixed(1)} MB)`, indexing, 'under 200');
  console.log(
    `  against splitting and filtering its lines only: ${(indexing / rows).toFixed(1)} times as long`,
  );
}

/** The catalogue again and again under other names, and a tower with one slot more than it has. */
const thousand = Array.from({ length: 1000 }, (_, n) => {
  const card = CARDS[n % CARDS.length]!;
  return { ...card, id: `${card.id}-${n}`, lengthMm: card.lengthMm + (n % 7) };
});
const [tower] = jobs.filter(({ id }) => id === 'pilots-mess');
const eight = {
  ...tower!.machine,
  slots: Array.from({ length: 8 }, (_, n) => {
    const slot = tower!.machine.slots[n % tower!.machine.slots.length]!;
    return { ...slot, id: `b${n}` };
  }),
};
const all = median(15, () => verdictTable(thousand, eight, PACKAGES));
const singly = median(5, () =>
  thousand.forEach((card) =>
    eight.slots.forEach((slot) => slotVerdict(card, slot, eight, PACKAGES)),
  ),
);
line('verdicts for 1,000 cards × 8 slots', all, 'under 60');
console.log(
  `  against asking every card in every slot anew: ${(singly / all).toFixed(1)} times as long`,
);

for (const job of jobs) {
  line(
    `verdict for ${CARDS.length} cards × ${job.machine.slots.length} slots, ${job.id}`,
    median(50, () => verdictTable(CARDS, job.machine, PACKAGES)),
    'under 16',
  );
}
for (const job of jobs) {
  const request = { ...job, cards: CARDS, extras: EXTRAS, library: PACKAGES };
  const time = median(20, () => proposePlan(request));
  line(
    `plan proposed, ${job.id} (${proposePlan(request).searched} partial plans)`,
    time,
    'under 50 with the worker',
  );
}

/** Whole plans, rules included, and the search alone against a solver for mixed-integer programs on the same candidates. */
const at = (times: readonly number[], share: number): number =>
  times.toSorted((a, b) => a - b)[Math.min(times.length - 1, Math.floor(times.length * share))] ??
  0;
const timed = (work: () => void): number => {
  const start = performance.now();
  work();
  return performance.now() - start;
};
for (const count of [100, 300, 1000, 3000]) {
  const requests = largeRequests(count === 1000 ? 200 : 50, count, 20261125);
  requests.slice(0, 5).forEach((request) => proposePlan(request));
  const times = requests.map((request) => timed(() => proposePlan(request)));
  line(
    `plan of 6 needs, 8 slots, ${count} cards: median`,
    at(times, 0.5),
    count === 1000 ? 'under 60' : 'growth',
  );
  line('  99th percentile', at(times, 0.99), count === 1000 ? 'under 400' : 'growth');
}
const solver = await startSolver();
const rivals = largeRequests(20, 1000, 20261125).map((request) => {
  const { problem } = planContextOf(request, scaleOf());
  return {
    own: timed(() => outcome(searching(problem))),
    theirs: timed(() => milpPlan(request, problem, solver)),
  };
});
const [own, theirs] = [
  at(
    rivals.map((each) => each.own),
    0.5,
  ),
  at(
    rivals.map((each) => each.theirs),
    0.5,
  ),
];
line('the search alone on 1,000 cards: median', own, '');
line('  highs on the same candidates: median', theirs, '20 times as long');
console.log(`  ${(theirs / own).toFixed(1)} times as long`);

/** A list as long as a whole kernel's, and devices that it knows and does not know. */
function aliasLookups(): void {
  const LINES = 9_000;
  const LOOKUPS = 10_000;
  const code = (n: number) => n.toString(16).toUpperCase().padStart(8, '0');
  const patterns = Array.from({ length: LINES }, (_, n) =>
    n % 50 === 0
      ? `pci:v${code(n % 900)}d*sv*sd*bc02sc00i*`
      : `pci:v${code(n % 900)}d${code(n)}sv*sd*bc*sc*i*`,
  );
  const list = readModulesAlias(
    patterns.map((each, n) => `alias ${each} module_${n}\n`).join(''),
    new ProblemList(),
  );
  const devices = Array.from({ length: LOOKUPS }, (_, n) => ({
    ...emptyFunction('0000:00:00.0'),
    vendor: (n * 7) % 1_000,
    device: (n * 13) % 10_000,
    classCode: 0x0200,
  }));
  const indexed = median(5, () => {
    for (const fn of devices) modulesFor(fn, list);
  });
  const SOME = 100;
  const start = performance.now();
  for (const fn of devices.slice(0, SOME)) {
    const name = modalias(fn);
    patterns.filter((each) => shellMatch(each, name));
  }
  const plain = ((performance.now() - start) * LOOKUPS) / SOME;
  line('10,000 lookups in 9,000 patterns of kernel modules', indexed, 'under 300');
  line(
    `  one after the other (from ${SOME}), ${(plain / indexed).toFixed(0)} × as long`,
    plain,
    '–',
  );
}

aliasLookups();

{
  const whole = fullJob();
  const acts = steps(whole).filter(({ task }) => task !== null);
  const job = acts
    .slice(0, acts.length / 2)
    .reduce((soFar, of) => apply(soFar, { name: 'tickStep', of }, STAMP), whole);
  line(
    `how the bench stands, what is left and its order, ${acts.length} acts, half of them done: median`,
    median(30, () => {
      ledgerAfter(
        fittingRounds(job, (assembly) => assembly).flatMap((round) =>
          round.acts.flatMap(({ act }) => act.moves),
        ),
      );
    }),
    '8',
  );
  // The plainer way: the plan worked out anew for its list.
  line(
    '  the assembly they are made from: median',
    median(10, () => assemblyOf({ ...job })),
    'a ratio',
  );
}

{
  const chance = randomLcg(0.28);
  const packages = Array.from({ length: 100 }, () => ({
    bytes: Math.floor(chance() * 1e6),
    covers: new Set(
      Array.from({ length: 1 + Math.floor(chance() * 8) }, () => String(Math.floor(chance() * 40))),
    ),
  })).map((item) => ({ item, ...item }));
  const devices = [...new Set(packages.flatMap(({ covers }) => [...covers]))];
  const program = [
    `Minimize\n obj: ${packages.map(({ bytes }, n) => `${1e9 + bytes} x${n}`).join(' + ')}\nSubject To`,
    ...devices.map(
      (device) =>
        ` d${device}: ${packages.flatMap(({ covers }, n) => (covers.has(device) ? [`x${n}`] : [])).join(' + ')} >= 1`,
    ),
    `Binary\n ${packages.map((_, n) => `x${n}`).join(' ')}\nEnd`,
  ].join('\n');
  const solver = await highs();
  const ours = median(5, () => void fewest(packages));
  const theirs = median(3, () => void solver.solve(program, { mip_rel_gap: 0 }));
  line('the fewest of 100 packages for 40 devices: median', ours, 'a minute before');
  line(`  by HiGHS, ${(theirs / ours).toFixed(1)} × as long`, theirs, 'a ratio');
}
