/**
 * What cards cause each other when they are in one machine: air, reach, adapters, watts, headers. Not part of any
 * bound, since a further card may also undo it (a short one between two others, say): only whole plans are asked.
 */
import { openingsTaken } from './existing.ts';
import { cardName } from '../../document/card.ts';
import type { Extra } from '../../parts/extra.ts';
import { valueOf } from '../../parts/fact.ts';
import type { Machine } from '../../document/machine.ts';
import { besideOthers } from '../../rules/body.ts';
import type { Finding } from '../../rules/finding.ts';
import { housings, machineAround } from '../../placement/housing.ts';
import { plugFinding, twelveVoltSum } from '../../rules/power.ts';
import { stayingBeside, troubleWith } from '../../rules/said.ts';
import { socketsIn } from '../../placement/sockets.ts';
import { standingBeside, type Standing } from '../../placement/standing.ts';
import type { Candidate } from './candidates.ts';
import { WAIT_CENTS_A_DAY, added, penaltyOf, type Parts } from '../../plans/cost.ts';
import { extrasTogether, priced, screwsFor, type PricedExtra } from '../../buying/extras.ts';

export interface Interactions {
  /** Of each placed card, in their order. */
  readonly findings: readonly (readonly Finding[])[];
  /** What concerns all new cards of a housing. */
  readonly overall: readonly Finding[];
  readonly extras: readonly PricedExtra[];
  readonly parts: Parts;
}

/** @param machine without the cards of which something is decided */
export function interactionsOf(
  placed: readonly Candidate[],
  machine: Machine,
  extras: readonly Extra[],
): Interactions {
  const fresh = placed.filter(({ existing }) => existing === null);
  const moved = placed.filter((each) => isDisturbed(each));
  const findings = placed.map((each) => [
    ...(moved.includes(each) ? beside(each, placed, machine) : []),
    ...troubleAmong(each, placed, machine),
  ]);
  const overall = [...overallPower(fresh, machine), ...headersShort(fresh, machine)];
  const bought = priced(extrasTogether(fresh, machine), extras);
  const days = Math.max(0, ...bought.map(({ extra }) => extra?.leadDays ?? 0));
  const wait = Math.max(days * WAIT_CENTS_A_DAY, ...placed.map(({ waitCents }) => waitCents));
  return {
    findings,
    overall,
    extras: bought,
    parts: added(
      { extras: bought.reduce((total, { cents }) => total + cents, 0), wait },
      penaltyOf([...findings.flat(), ...overall]),
    ),
  };
}

/** What is said of a card beside another, where one of the two is new. */
function troubleAmong(
  candidate: Candidate,
  placed: readonly Candidate[],
  machine: Machine,
): readonly Finding[] {
  const { card, slot, existing } = candidate;
  if (card.statements.length === 0) return [];
  const others = placed.filter(
    (other) => other !== candidate && (existing === null || other.existing === null),
  );
  return [
    ...others.map((other) => cardName(other.card)),
    ...(existing === null ? stayingBeside(slot, machine) : []),
  ].flatMap((name) => troubleWith(card, slot, machine, name));
}

/** New, or in another slot than before. */
export const isDisturbed = ({ existing, slot }: Candidate): boolean =>
  existing === null || existing.slot.id !== slot.id;

interface CausedBeside {
  /** Of the card before it, which is settled now: nothing comes between them any more. */
  readonly before: readonly Finding[];
  /** Of the further card, by what stands before it. */
  readonly own: readonly Finding[];
  /** What it brings on by being the first of the new cards, or one too many for the headers, whatever follows. */
  readonly first: Parts;
}

/** What a further card causes that stands behind all that are placed. */
export function causedBeside(
  further: Candidate,
  placed: readonly Candidate[],
  machine: Machine,
  extras: readonly Extra[],
): CausedBeside {
  const opening = valueOf(further.slot.opening);
  const inHousing = ({ slot }: Candidate) => slot.enclosureId === further.slot.enclosureId;
  const last =
    opening === null
      ? undefined
      : placed.findLast((each) => inHousing(each) && valueOf(each.slot.opening) !== null);
  return {
    before:
      last === undefined || !isDisturbed(last) ? [] : beside(last, [...placed, further], machine),
    own: isDisturbed(further)
      ? beside(further, placed, machine, (other) => other.opening < (opening ?? 0))
      : [],
    first: firstParts(further, placed, machine, extras),
  };
}

function firstParts(
  further: Candidate,
  placed: readonly Candidate[],
  machine: Machine,
  extras: readonly Extra[],
): Parts {
  if (further.existing !== null) return {};
  const housing = further.slot.enclosureId;
  const fresh = placed.filter(({ existing }) => existing === null);
  const firstThere = !fresh.some(({ slot }) => slot.enclosureId === housing);
  const unknown = firstThere
    ? twelveVoltSum(0, machineAround(further.slot, machine)).filter(
        ({ verdict }) => verdict === 'unknown',
      )
    : [];
  const screws = (some: readonly Candidate[]) =>
    priced(screwsFor(some, machine), extras).reduce((total, { cents }) => total + cents, 0);
  const headers = headersShort([...fresh, further], machine).slice(
    headersShort(fresh, machine).length,
  );
  return added(penaltyOf([...unknown, ...headers]), {
    extras: screws([...fresh, further]) - screws(fresh),
  });
}

function beside(
  candidate: Candidate,
  placed: readonly Candidate[],
  machine: Machine,
  counts: (other: Standing) => boolean = () => true,
): readonly Finding[] {
  const opening = valueOf(candidate.slot.opening);
  if (opening === null || candidate.card.bus === 'm2') return [];
  const others = placed.flatMap((other): readonly Standing[] => {
    const at = valueOf(other.slot.opening);
    return other === candidate ||
      at === null ||
      other.slot.enclosureId !== candidate.slot.enclosureId
      ? []
      : [standingAs(other, at)];
  });
  const there = standingBeside(candidate.slot, machineAround(candidate.slot, machine)).filter(
    ({ slotId }) => !others.some((other) => other.slotId === slotId),
  );
  const around =
    others.length === 0 ? there : [...there, ...others].toSorted((a, b) => a.opening - b.opening);
  return besideOthers(candidate.card, opening, around.filter(counts));
}

/** What was measured of a card in the machine goes before its record. */
function standingAs(candidate: Candidate, opening: number): Standing {
  const { card, slot, existing } = candidate;
  const { occupant } = existing ?? { occupant: null };
  return {
    slotId: slot.id,
    label: slot.label,
    opening,
    holds: 'card',
    name: cardName(card),
    openings: openingsTaken(candidate),
    lengthMm: valueOf(occupant?.lengthMm ?? null) ?? card.lengthMm,
    heightMm: valueOf(occupant?.heightMm ?? null) ?? card.heightMm,
    fan: occupant?.fan == null ? card.fan : occupant.fan.value,
  };
}

function overallPower(fresh: readonly Candidate[], machine: Machine): readonly Finding[] {
  return housings(machine).flatMap(({ id, machine: around }) => {
    const inThere = fresh.filter(({ slot }) => slot.enclosureId === id);
    if (inThere.length === 0) return [];
    const sockets = inThere.flatMap(({ card, slot }) => socketsIn(card, slot, around));
    return [
      ...twelveVoltSum(
        inThere.reduce((total, { card }) => total + card.peakWatts, 0),
        around,
      ),
      ...(around.supply.plugs === null || sockets.length === 0
        ? []
        : [plugFinding(sockets, around.supply)]),
    ];
  });
}

/** Leads of cards that find no header because other cards of the plan take them all. */
function headersShort(fresh: readonly Candidate[], machine: Machine): readonly Finding[] {
  const free = valueOf(machine.headers);
  if (free === null) return [];
  const wanted = fresh
    .filter(({ slot }) => slot.enclosureId === null)
    .flatMap(({ card }) => card.boardLeads.map(({ type }) => type));
  return [...new Set(wanted)].flatMap((type): readonly Finding[] => {
    const there = free.filter((header) => header.type === type).length;
    const asked = wanted.filter((each) => each === type).length;
    // Where there is none at all each card says so itself.
    return there === 0 || asked <= there
      ? []
      : Array.from({ length: asked - there }, () => ({
          code: 'header.missing',
          verdict: 'limited',
          subject: type,
        }));
  });
}
