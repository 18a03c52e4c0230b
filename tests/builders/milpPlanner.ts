/**
 * The planner's optimum by a general solver for mixed-integer programs (the `highs` package). The candidates with
 * their costs are the planner's own; which of them make the best plan is asked anew, as a linear program with
 * whole numbers. What no row of it says is checked afterwards, and added as a cut where a plan is dearer than
 * the program believed, or not possible.
 */
import highs, { type Highs } from 'highs';
import { valueOf } from '../../src/core/parts/index.ts';
import type { PlanRequest } from '../../src/core/plans/index.ts';
import type { Candidate } from '../../src/core/planner/candidates/candidates.ts';
import { wattsForNew } from '../../src/core/planner/candidates/conflicts.ts';
import {
  GIVE_UP_CENTS,
  OVER_BUDGET_FACTOR,
  penaltyOfCode,
  weigh,
} from '../../src/core/plans/cost.ts';
import { groupsOf, unitsFor } from '../../src/core/plans/coverage.ts';
import type { SearchProblem } from '../../src/core/planner/bound/searchSpace.ts';
import {
  arranged,
  costOf,
  judged,
  type Judged,
  type New,
  type SlowCost,
  type There,
} from './slowPlanner.ts';

/** A sum of variables with their factors. */
type Terms = readonly (readonly [factor: number, name: string])[];

const printed = (terms: Terms): string =>
  terms
    .filter(([factor]) => factor !== 0)
    .map(([factor, name]) => `${factor < 0 ? '-' : '+'} ${Math.abs(factor)} ${name}`)
    .join(' ');

class Program {
  readonly rows: string[] = [];
  readonly cost: (readonly [factor: number, name: string])[] = [];
  readonly whole = new Set<string>();
  readonly fractional = new Set<string>();

  add(terms: Terms, sign: '>=' | '<=' | '=', bound: number): void {
    const sum = printed(terms);
    if (sum !== '') this.rows.push(`r${this.rows.length}: ${sum} ${sign} ${bound}`);
  }

  text(objective: Terms): string {
    return [
      'Minimize',
      ` obj: ${printed(objective) || '0 zero'}`,
      'Subject To',
      ...this.rows,
      'Bounds',
      ...[...this.fractional].map((name) => `${name} >= 0`),
      'Binary',
      [...this.whole].join(' '),
      'End',
    ].join('\n');
  }
}

export const startSolver = (): Promise<Highs> => highs();

/** Musts left, then cents × percent, as the exhaustive planner gives them. */
export function milpPlan(request: PlanRequest, problem: SearchProblem, solver: Highs): SlowCost {
  const candidates = [...problem.existing.flat(), ...problem.fresh];
  const x = new Map(candidates.map((each, n) => [each, `x${n}`]));
  const program = programOf(problem, candidates, x);
  // Musts first: their number is settled, then the rest is made as cheap as it can be.
  const musts = problem.demands.filter(({ must }) => must).map((_, n) => [1, `m${n}`] as const);
  let fewest = -1;
  for (;;) {
    const asked = fewest < 0 ? musts : program.cost;
    const { values, value } = solved(program, asked, solver);
    const chosen = candidates.filter((each) => (values.get(x.get(each)!) ?? 0) > 0.5);
    const impossible = conflictOf(chosen, request, problem);
    if (impossible !== null) {
      program.add(
        impossible.map((each) => [1, x.get(each)!]),
        '<=',
        impossible.length - 1,
      );
      continue;
    }
    if (fewest < 0) {
      fewest = Math.round(value);
      program.add(musts, '=', fewest);
      continue;
    }
    const left = problem.demands.filter((_, n) => (values.get(`l${n}`) ?? 0) > 0.5);
    const kept = request.needs.filter(({ id }) => !left.some(({ need }) => need?.id === id));
    const [, exact] = costOf(request, judgedPlan(chosen, request, problem)!, kept);
    const more = exact - Math.round(value * 100);
    if (more <= 0) return [fewest, exact];
    // Dearer than the program believed: it is told so of exactly this plan.
    const others = candidates.filter((each) => !chosen.includes(each));
    program.add(
      [
        [100, 'theta'],
        ...chosen.map((each) => [-(exact - base(value, values)), x.get(each)!] as const),
        ...others.map((each) => [exact - base(value, values), x.get(each)!] as const),
      ],
      '>=',
      (exact - base(value, values)) * (1 - chosen.length),
    );
  }
}

/** What the program reckons without its cuts, in cents × percent. */
const base = (value: number, values: ReadonlyMap<string, number>): number =>
  Math.round((value - (values.get('theta') ?? 0)) * 100);

function solved(program: Program, objective: Terms, solver: Highs) {
  const result = solver.solve(program.text(objective), {
    mip_rel_gap: 0,
    mip_abs_gap: 1e-6,
    presolve: 'on',
  });
  if (result.Status !== 'Optimal') throw new Error(`The solver says ${result.Status}`);
  const values = new Map(
    Object.entries(result.Columns).map(([name, column]) => [
      name,
      'Primal' in column ? Number(column.Primal) : 0,
    ]),
  );
  return { values, value: result.ObjectiveValue };
}

function programOf(
  problem: SearchProblem,
  candidates: readonly Candidate[],
  x: ReadonlyMap<Candidate, string>,
): Program {
  const { demands, machine, scale, contributions, existing, existingCards, budgetCents } = problem;
  const program = new Program();
  const names = (
    some: readonly Candidate[],
    factor: (each: Candidate) => number = () => 1,
  ): Terms => some.map((each) => [factor(each), x.get(each)!]);
  for (const name of x.values()) program.whole.add(name);
  // Cents are what the solver sees: hundredths of a cent would strain its tolerance.
  for (const each of candidates) program.cost.push([each.atLeast / 100, x.get(each)!]);
  program.fractional.add('theta');
  program.cost.push([1, 'theta']);
  demands.forEach(({ must, wishCents }, n) => {
    program.whole.add(`l${n}`);
    if (!must) program.cost.push([(wishCents * scale.wishes) / 100, `l${n}`]);
  });
  // Musts left have names of their own, so that they can be counted.
  demands
    .filter(({ must }) => must)
    .forEach((demand, n) => {
      program.whole.add(`m${n}`);
      program.add(
        [
          [1, `m${n}`],
          [-1, `l${demands.indexOf(demand)}`],
        ],
        '=',
        0,
      );
    });
  for (const group of groupsOf(demands)) {
    const given = contributions.reduce((sum, units) => sum + unitsFor(group, units), 0);
    program.add(
      [
        ...names(candidates, ({ units }) => unitsFor(group, units)),
        ...group.demands.map((demand) => [group.units, `l${demands.indexOf(demand)}`] as const),
      ],
      '>=',
      group.units - given,
    );
  }
  existing.forEach((ways, n) => {
    program.whole.add(`g${n}`);
    if (!existingCards[n]!.optional) program.add([[1, `g${n}`]], '<=', 0);
    program.cost.push([(GIVE_UP_CENTS * scale.disturbance) / 100, `g${n}`]);
    program.add([...names(ways), [1, `g${n}`]], '=', 1);
  });
  const slots = machine.slots.map((slot) => ({
    at: valueOf(slot.opening),
    inside: candidates.filter((each) => each.slot.id === slot.id),
  }));
  for (const { inside } of slots) program.add(names(inside), '<=', 1);
  bodies(program, slots, names);
  const most = wattsForNew(machine);
  if (most !== null) {
    const watts = names(
      candidates.filter((each) => each.existing === null),
      ({ card }) => card.peakWatts,
    );
    const room = Math.max(0, most.utmost) - Math.max(0, most.comfortable);
    program.whole.add('headroom');
    program.cost.push([price('power.headroomUsed', problem) / 100, 'headroom']);
    program.add([...watts, [-room, 'headroom']], '<=', Math.max(0, most.comfortable));
  }
  const leads = (valueOf(machine.case.frontLeads) ?? []).map(({ type }) => type);
  for (const type of new Set(leads)) {
    const there = leads.filter((each) => each === type).length;
    program.add(
      names(candidates, (each) => each.leads.filter((l) => l === type).length),
      '<=',
      there,
    );
  }
  if (budgetCents !== null) {
    program.fractional.add('over');
    program.cost.push([(OVER_BUDGET_FACTOR * scale.overBudget) / 100, 'over']);
    program.add([...names(candidates, (each) => each.moneyCents), [-1, 'over']], '<=', budgetCents);
  }
  program.fractional.add('wait');
  program.cost.push([scale.wait / 100, 'wait']);
  for (const each of candidates)
    if (each.waitCents > 0)
      program.add(
        [
          [1, 'wait'],
          [-each.waitCents, x.get(each)!],
        ],
        '>=',
        0,
      );
  return program;

  /** Bodies take openings, and two that stand directly on both sides of a third leave no hand room for it. */
  function bodies(
    to: Program,
    all: typeof slots,
    named: (some: readonly Candidate[], factor?: (each: Candidate) => number) => Terms,
  ): void {
    const end = ({ card, existing: there }: Candidate) =>
      valueOf(there?.occupant.openings ?? null) ?? card.openings;
    const covering = (opening: number) =>
      all.flatMap(({ at, inside }) =>
        at === null ? [] : inside.filter((each) => at <= opening && opening < at + end(each)),
      );
    const openings = all.flatMap(({ at }) => at ?? []);
    for (const opening of openings) to.add(named(covering(opening)), '<=', 1);
    for (const { at, inside } of all) {
      if (at === null) continue;
      for (const thick of new Set(inside.map(end))) {
        const here = inside.filter((each) => end(each) === thick);
        const name = `f${at}x${thick}`;
        to.fractional.add(name);
        to.cost.push([price('body.outFirst', problem) / 100, name]);
        to.add(
          [[1, name], ...named([...here, ...covering(at - 1), ...covering(at + thick)], () => -1)],
          '>=',
          -2,
        );
      }
    }
  }
}

const price = (code: 'power.headroomUsed' | 'body.outFirst', { scale }: SearchProblem): number =>
  weigh(penaltyOfCode(code), scale);

/** Some of the chosen that the rules forbid in one plan; null where they allow all. */
function conflictOf(
  chosen: readonly Candidate[],
  request: PlanRequest,
  problem: SearchProblem,
): readonly Candidate[] | null {
  const isForbidden = (some: readonly Candidate[]) => judgedPlan(some, request, problem) === null;
  if (!isForbidden(chosen)) return null;
  // As few as are still forbidden: the cut then holds for many plans at once.
  return chosen.reduce<readonly Candidate[]>((kept, each) => {
    const without = kept.filter((other) => other !== each);
    return isForbidden(without) ? without : kept;
  }, chosen);
}

/** The chosen as a whole plan, judged as the exhaustive planner judges: by the rules, on the finished machine. */
function judgedPlan(
  chosen: readonly Candidate[],
  request: PlanRequest,
  { existingCards }: SearchProblem,
): Judged | null {
  const { machine } = request;
  const slotOf = (id: string) => machine.slots.find((slot) => slot.id === id)!;
  const there = existingCards.map((each): There => {
    const now = chosen.find(({ existing }) => existing === each);
    return {
      card: each.card,
      occupant: each.occupant,
      from: slotOf(each.slot.id),
      at: now === undefined ? null : slotOf(now.slot.id),
      lead: (now?.leads.length ?? 0) > 0,
    };
  });
  const fresh = chosen
    .filter(({ existing }) => existing === null)
    .map(({ card, slot, leads }): New => ({ card, slot: slotOf(slot.id), lead: leads.length > 0 }));
  return judged(request, arranged(machine, there), there, fresh);
}
