/** The planner against a solver for mixed-integer programs, the `highs` package, on jobs of real size. */
import { expect } from 'chai';
import { largeRequests } from '../../bench/planner.ts';
import { outcome } from '../../src/core/outcome.ts';
import { scaleOf } from '../../src/core/plans/cost.ts';
import { planContextOf } from '../../src/core/planner/answers/plan.ts';
import { searching } from '../../src/core/planner/search/search.ts';
import { milpPlan, startSolver } from '../builders/milpPlanner.ts';
import { soaked } from '../builders/soak.ts';

const SEED = Number(process.env['SEED'] ?? 20261125);
const CASES = soaked(24, 500);
const CARDS = 100;

describe('Planner against a solver for mixed-integer programs', () => {
  it(`costs the same to the cent in ${CASES} jobs of 8 slots and 6 needs (seed ${SEED})`, async () => {
    const solver = await startSolver();
    let [musts, several, budgets] = [0, 0, 0];
    for (const request of largeRequests(CASES, CARDS, SEED)) {
      const { problem } = planContextOf(request, scaleOf(request.weights));
      const { best } = outcome(searching(problem));
      expect([best.cost.mustsUnmet, best.cost.score]).to.deep.equal(
        milpPlan(request, problem, solver),
      );
      if (best.cost.mustsUnmet > 0) musts += 1;
      if (best.placed.length > 3) several += 1;
      if ((best.cost.parts.wishes ?? 0) > 0) budgets += 1;
    }
    expect(Math.min(musts, several, budgets)).to.be.greaterThan(3);
  });
});
