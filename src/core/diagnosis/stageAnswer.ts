/** What each stage has to say of a job first, with its figure: the same for the stage, the list of jobs and the sheet. */
import type { Flow } from '../kinds/flow.ts';
import { DRIVER_OUTCOMES, driverStates, lastDevices, type DriverOutcome } from './driverStates.ts';
import type { Job, Stage } from '../document/job.ts';
import { openBefore } from '../procedure/standing.ts';
import { openRound, openSteps, stageOfRound } from '../procedure/openRound.ts';
import { steps } from '../procedure/steps.ts';
import { provings, shortMusts, type Proving } from './provings.ts';

export type StageAnswer =
  | { readonly stage: 'survey'; readonly slots: number; readonly open: number }
  | { readonly stage: 'needs'; readonly needs: number; readonly musts: number }
  | {
      readonly stage: 'choose';
      readonly needs: number;
      /** Null while no plan is accepted. */
      readonly accepted: { readonly cards: number; readonly unmetMusts: number } | null;
    }
  | {
      readonly stage: 'prepare' | 'fit' | 'drivers';
      readonly isPlanned: boolean;
      readonly left: number;
      readonly of: number;
      /** Steps of a round that is not begun yet. */
      readonly waiting: number;
      /** Drivers that the last report shows not to be right. */
      readonly amiss: number;
    }
  | {
      readonly stage: 'prove';
      readonly isPlanned: boolean;
      readonly musts: number;
      readonly short: number;
      /** The first that is measured and short. */
      readonly worst: ShortFigure | null;
      readonly unmeasured: number;
      /** Links that are not read yet. */
      readonly left: number;
      /** The first round is proven, and the second is to be fitted. */
      readonly isFollowed: boolean;
    }
  | {
      readonly stage: 'hand-over';
      readonly isPlanned: boolean;
      readonly left: number;
      readonly short: number;
    };

/** In the unit of its flow. */
interface ShortFigure extends Pick<Flow, 'need' | 'unit' | 'wanted'> {
  readonly measured: number;
}

/** Outcomes stand with the worst first: all before the first that may well be meant. */
const AMISS: ReadonlySet<DriverOutcome> = new Set(
  DRIVER_OUTCOMES.slice(0, DRIVER_OUTCOMES.indexOf('extra')),
);

/** Devices whose driver the last report shows not to be right; none where there is no report. */
export const driversAmiss = (job: Job): number =>
  lastDevices(job) === null
    ? 0
    : driverStates(job).filter(({ outcome }) => AMISS.has(outcome)).length;

export function stageAnswer(job: Job, stage: Stage): StageAnswer {
  const musts = job.needs.filter(({ must }) => must).length;
  const isPlanned = job.plan !== null;
  const open = openSteps(job);
  const own = open.filter((step) => step.stage === stage);
  const left = own.filter(({ isOpen }) => isOpen).length;
  switch (stage) {
    case 'survey':
      return { stage, slots: job.machine.slots.length, open: openBefore(job).survey };
    case 'needs':
      return { stage, needs: job.needs.length, musts };
    case 'choose':
      return {
        stage,
        needs: job.needs.length,
        accepted: job.plan && {
          cards: job.plan.placements.length,
          unmetMusts: job.needs.filter(({ id, must }) => must && job.plan?.unmet.includes(id))
            .length,
        },
      };
    case 'prepare':
    case 'fit':
    case 'drivers':
      return {
        stage,
        isPlanned,
        left,
        of: own.length,
        waiting: steps(job).filter((step) => step.stage === stage).length - own.length,
        amiss: stage === 'drivers' ? driversAmiss(job) : 0,
      };
    case 'prove': {
      const short = shortMusts(job);
      return {
        stage,
        isPlanned,
        musts,
        short: short.length,
        worst: short.flatMap(shortFigure)[0] ?? null,
        unmeasured: provings(job).filter(({ state }) => state === 'open').length,
        left,
        isFollowed: openRound(job) === 2 && stageOfRound(job) === 'fit',
      };
    }
    case 'hand-over':
      return { stage, isPlanned, left, short: shortMusts(job).length };
  }
}

const shortFigure = ({ expectation: { flow }, main }: Proving): readonly ShortFigure[] => {
  if (flow === null || main === null) return [];
  const { need, unit, wanted } = flow;
  return [{ need, unit, wanted, measured: main.median }];
};
