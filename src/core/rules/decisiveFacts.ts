/** Which unknown facts decide most: each with the verdicts that wait for it. */
import { outcome } from '../outcome.ts';
import type { Card } from '../document/card.ts';
import type { Machine, Slot } from '../document/machine.ts';
import { cardKindOf } from '../kinds/delivery.ts';
import { needKindOf, type Need } from '../kinds/need.ts';
import type { SurveyTopic } from '../kinds/cardKind.ts';
import type { DriverLibrary } from '../drivers/chooseDriver.ts';
import { FACTS, type FactCode } from './facts.ts';
import type { Finding } from './finding.ts';
import { findingRow } from './findingCodes.ts';
import { unknownFacts, type UnknownFact } from './unknownFacts.ts';
import { verdictAsker } from './verdict.ts';

/** The fact of the survey that a finding rests on; null where it rests on the card alone, or on several. */
export function factBehind({ code }: Pick<Finding, 'code'>, slot: Slot): UnknownFact | null {
  const { settledBy, restsOn } = findingRow(code);
  const fact = settledBy ?? restsOn;
  return fact === undefined ? null : factOf(fact, slot);
}

export interface DecisiveFact extends UnknownFact {
  /** How many cards in how many slots wait for it. */
  readonly decides: number;
}

/**
 * Unknown facts with the verdicts that wait for them, most decisive first; facts nobody waits for last, in the
 * order of the survey. Cards of needed kinds are asked, or all of them while no need is stated.
 */
export function decisiveFacts(...asked: Parameters<typeof decidingFacts>): readonly DecisiveFact[] {
  return outcome(decidingFacts(...asked));
}

/** The same card by card, for whoever has other things to do meanwhile. */
export function* decidingFacts(
  machine: Machine,
  needs: readonly Need[],
  cards: readonly Card[],
  library: DriverLibrary,
): Generator<undefined, readonly DecisiveFact[], boolean | undefined> {
  const kinds = new Set(needs.flatMap((need) => needKindOf(need).servedBy));
  const asking = cards.filter(({ delivers }) => kinds.size === 0 || kinds.has(delivers.kind));
  const listed = unknownFacts(machine, needs);
  const known = new Set(listed.map(keyOf));
  const waiting = new Map<string, number>();
  const asked = new Map<string, UnknownFact>();
  const waits = (fact: UnknownFact, verdicts: number) => {
    waiting.set(keyOf(fact), (waiting.get(keyOf(fact)) ?? 0) + verdicts);
    asked.set(keyOf(fact), fact);
  };
  const { whole } = verdictAsker(machine, library);
  for (const card of asking) {
    yield;
    for (const slot of machine.slots) {
      const { findings } = whole(card, slot);
      // A card that cannot go there whatever the facts are waits for nothing.
      if (findings.some(({ verdict }) => verdict === 'blocked')) continue;
      for (const code of new Set(
        findings.flatMap((finding) => findingRow(finding.code).settledBy ?? []),
      )) {
        const together = (SETTLED_TOGETHER[code] ?? []).map((each) => factOf(each, slot));
        const open = together.filter((fact) => known.has(keyOf(fact)));
        for (const fact of open.length === 0 ? [factOf(code, slot)] : open) waits(fact, 1);
      }
    }
  }
  // What a card gives over a path or to a screen waits for these, whatever its slot.
  for (const fact of listed) {
    const topic = TOPIC[fact.code];
    if (topic !== undefined)
      waits(fact, asking.filter(({ delivers }) => cardKindOf(delivers).hangsOn === topic).length);
  }
  const more = [...asked].filter(([key]) => !known.has(key)).map(([, fact]) => fact);
  return [...listed, ...more]
    .map((fact) => ({ ...fact, decides: waiting.get(keyOf(fact)) ?? 0 }))
    .toSorted(
      (a, b) => Number(b.code === 'slots') - Number(a.code === 'slots') || b.decides - a.decides,
    );
}

/** Verdicts that one fact names wait for all of these: each of them that is unknown is asked. */
const SETTLED_TOGETHER: Readonly<Partial<Record<FactCode, readonly FactCode[]>>> = {
  'system.version': ['system.family', 'system.version', 'system.architecture'],
  'secondSystem.version': [
    'secondSystem.family',
    'secondSystem.version',
    'secondSystem.architecture',
  ],
  'supply.twelveVoltWatts': ['supply.twelveVoltWatts', 'supply.baseWatts'],
};

const TOPIC: Readonly<Partial<Record<FactCode, SurveyTopic>>> = {
  'hop.portMegabits': 'wire',
  'lead.cable': 'wire',
  'path.internetMegabits': 'internet',
  'screen.input': 'screenInputs',
};

const keyOf = ({
  code,
  slotId = '',
  enclosureId = '',
  screenId = '',
  hopId = '',
  leadId = '',
}: UnknownFact): string => [code, slotId, enclosureId, screenId, hopId, leadId].join(' ');

/** The fact of this slot, or of the housing it is in, or of the whole machine. */
function factOf(code: FactCode, { id, label, enclosureId }: Slot): UnknownFact {
  if (FACTS[code] === 'slot') return { code, slotId: id, subject: label };
  return FACTS[code] === 'housing' && enclosureId !== null ? { code, enclosureId } : { code };
}
