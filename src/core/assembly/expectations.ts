/** What each need should get from the accepted plan: the figure to prove, before anything is measured. */
import { teamWanted } from '../kinds/network/team.ts';
import { wayOf } from '../kinds/ways.ts';
import { catchesIn, type Flow } from '../kinds/flow.ts';
import type { Job } from '../document/job.ts';
import type { Need } from '../kinds/need.ts';
import { metByMachine, providers } from '../flow/metByMachine.ts';
import { flowFrom } from '../flow/flowOf.ts';
import { machineAround } from '../placement/housing.ts';
import type { Finding } from '../rules/finding.ts';
import { assemblyOf, type AssembledCard } from './assembly.ts';

export interface Expectation {
  readonly need: Need;
  /** The card that serves the need best; null where the plan leaves the need unmet, or has no card for it. */
  readonly card: AssembledCard | null;
  readonly flow: Flow | null;
  /** The machine met it as it stood: what it gives is its own. */
  readonly isMet: boolean;
  /** What it takes, or where it falls back, beside the figure. */
  readonly catches: readonly Finding[];
}

export function expectations(job: Job): readonly Expectation[] {
  const { cards } = assemblyOf(job);
  const unmet = new Set(job.plan?.unmet);
  return job.needs.map((need) => {
    const serving = unmet.has(need.id)
      ? undefined
      : cards
          .flatMap((card) =>
            card.flows.flatMap((flow) => (flow.need === need ? { card, flow } : [])),
          )
          .toSorted((a, b) => b.flow.high - a.flow.high)[0];
    const isMet = job.plan?.met.includes(need.id) === true;
    const own = isMet && serving === undefined ? metByMachine(need, job.machine, []) : null;
    const flow = serving?.flow ?? own?.flow ?? null;
    return {
      need,
      card: serving?.card ?? null,
      flow: flow && asProven(flow, need, job),
      isMet: own !== null,
      catches: (own?.catches ?? (flow === null ? [] : catchesIn(flow))).filter(isNoBand),
    };
  });
}

/** A flow of the need in what it is proven by. */
const asProven = (flow: Flow, need: Need, job: Job): Flow =>
  wayOf(need).proven(asTeam(flow, need, job));

/** What the same card in the same slot gives a need that asks something else; null where the machine serves it by itself. */
export function flowInstead({ card }: Expectation, need: Need, job: Job): Flow | null {
  if (card === null) return null;
  const { machine } = assemblyOf(job);
  const { delivers } = card.card;
  const fitted = { card: card.card, slot: card.slot };
  const flow = flowFrom({ delivers, fitted }, need, machineAround(card.slot, machine));
  return flow && asProven(flow, need, job);
}

/** That a figure may fall short is what its band says. */
const isNoBand = ({ code }: Finding): boolean => code !== 'deliver.tight';

/**
 * Ports that work as one show the sum while many copies run, and one port's rate while there is one: the ports of the plan's
 * cards and, for what is still wanted, those of the machine.
 */
function asTeam(best: Flow, need: Need, job: Job): Flow {
  const team = teamWanted(need);
  if (team === null) return best;
  const { machine, cards } = assemblyOf(job);
  const known = (job.plan?.placements ?? []).map(({ card }) => card);
  const flows = [
    ...cards.flatMap((card) => card.flows.filter((flow) => flow.need === need)),
    ...providers(machine, known).flatMap((provider) => flowFrom(provider, need, machine) ?? []),
  ].filter(({ units }) => units > 0);
  let missing = team.ports;
  const high = flows.reduce((sum, flow) => {
    const ports = Math.min(missing, flow.units);
    missing -= ports;
    return sum + ports * flow.high;
  }, 0);
  const low = Math.min(...flows.map((flow) => flow.low));
  const gain = { low: low / best.low, high: high / best.high };
  return { ...best, wanted: team.bytesPerSecond, low, high, gain };
}
