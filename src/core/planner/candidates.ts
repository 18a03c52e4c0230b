/** Every card in every slot that could serve a need, with its cost in cents: what the planner searches over. */
import type { Card } from '../parts/card.ts';
import type { DeliveryKind } from '../parts/delivery.ts';
import type { Machine, Slot } from '../parts/machine.ts';
import { SERVED_BY, type Need } from '../parts/need.ts';
import type { Flow } from '../flow/flow.ts';
import { flowOf } from '../flow/flowOf.ts';
import type { DriverLibrary } from '../rules/driverSupport.ts';
import type { Finding, FindingCode } from '../rules/finding.ts';
import { laneLevels } from '../rules/sharing.ts';
import { slotVerdict, type SlotVerdict } from '../rules/verdict.ts';

/**
 * What a catch is reckoned to cost, in cents, so that it can be weighed against price: bench time and the
 * risk of coming back. Common practice, no source.
 */
const TROUBLE_CENTS: Readonly<Partial<Record<FindingCode, number>>> = {
  'seat.emptyFirst': 500,
  'seat.split': 500,
  'sharing.takes': 1_000,
  'bracket.swap': 300,
  'bracket.aerials': 200,
  'bracket.missing': 2_500,
  'body.coversSlot': 500,
  'body.boxMovable': 800,
  'body.airShort': 600,
  'body.airTaken': 1_000,
  'body.outFirst': 800,
  'body.sag': 1_200,
  'header.frontMissing': 300,
  'header.frontShort': 300,
  'header.missing': 800,
  'header.short': 800,
  'system.driverFirst': 200,
  'system.secureBoot': 500,
  'firmware.old': 2_500,
  'firmware.otherBoot': 500,
  'firmware.smallWindows': 500,
  'quirk.coldStart': 3_000,
  'quirk.sleep': 3_000,
  'quirk.restarts': 500,
  'quirk.jumper': 800,
  'power.adapter': 1_200,
  'power.portsShort': 800,
  'power.headroomUsed': 1_500,
  'power.leadShort': 1_500,
  'power.supplyOld': 1_000,
  'deliver.tight': 2_000,
  'deliver.tightBlanking': 1_000,
  'deliver.screenAdapter': 1_500,
  'deliver.screenLess': 1_000,
  'deliver.fewBays': 1_500,
};
/** Each card fitted, whatever it is. */
const FITTING_CENTS = 1_500;
/** A link that gives the card next to nothing of what it could use; in proportion when it gives more. */
const NARROWED_CENTS = 2_000;
/** Each fact not known yet: ordering before it is settled risks ordering twice. */
const UNKNOWN_CENTS = 10_000;

export interface Candidate {
  readonly card: Card;
  readonly slot: Slot;
  readonly kind: DeliveryKind;
  readonly findings: readonly Finding[];
  /** Units it gives towards each need of its kind, by need id; needs it falls short of are absent. */
  readonly units: ReadonlyMap<string, number>;
  readonly flows: readonly Flow[];
  readonly priceCents: number;
  readonly troubleCents: number;
}

export interface Assessment {
  readonly verdict: SlotVerdict;
  readonly flows: readonly Flow[];
  /** Null where the card cannot go there or serves no need from there. */
  readonly candidate: Candidate | null;
}

/**
 * One entry for each card of a needed kind and each slot, cards outermost; for a slot that may lose lanes to
 * others one more for each number of lanes it may be left.
 */
export function assess(
  cards: readonly Card[],
  needs: readonly Need[],
  machine: Machine,
  library: DriverLibrary,
): readonly Assessment[] {
  const levels = machine.slots.flatMap((slot) => laneLevels(slot, machine));
  const neededKinds = new Set(needs.map((need) => SERVED_BY[need.kind]));
  return cards
    .filter((card) => neededKinds.has(card.delivers.kind))
    .flatMap((card) => levels.map((slot) => assessOne(card, slot, needs, machine, library)));
}

function assessOne(
  card: Card,
  slot: Slot,
  needs: readonly Need[],
  machine: Machine,
  library: DriverLibrary,
): Assessment {
  const verdict = slotVerdict(card, slot, machine, library);
  const flows = needs.flatMap((need) => flowOf(card, slot, need, machine) ?? []);
  const serving = flows.filter((flow) => flow.units > 0);
  if (verdict.verdict === 'blocked' || serving.length === 0)
    return { verdict, flows, candidate: null };
  const findings = [...verdict.findings, ...serving.map((flow) => flow.finding)];
  return {
    verdict,
    flows,
    candidate: {
      card,
      slot,
      kind: card.delivers.kind,
      findings,
      units: new Map(serving.map((flow) => [flow.need.id, flow.units])),
      flows: serving,
      priceCents: card.priceCents,
      troubleCents: findings.reduce((total, each) => total + troubleCents(each), FITTING_CENTS),
    },
  };
}

function troubleCents({ code, verdict, needed, available }: Finding): number {
  if (verdict === 'unknown') return UNKNOWN_CENTS;
  if (
    (code === 'link.narrowed' || code === 'link.uplinkNarrows') &&
    needed !== undefined &&
    available !== undefined
  ) {
    return Math.round(NARROWED_CENTS * (1 - available / needed));
  }
  return TROUBLE_CENTS[code] ?? 0;
}
