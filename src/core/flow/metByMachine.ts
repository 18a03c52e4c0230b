/** Whether the machine, as it stands, meets a need: by what is on its board and by the cards that stay in it. */
import { cardName, type Card } from '../document/card.ts';
import { memoOf } from '../memo.ts';
import { IN_USE_HERE, statementThat } from '../parts/statement.ts';
import { valueOf } from '../parts/fact.ts';
import type { Machine, Occupant } from '../document/machine.ts';
import { deviceId } from '../parts/pciFunction.ts';
import { unitsNeeded, type Need } from '../kinds/need.ts';
import { slotInUse } from '../placement/lanesLeft.ts';
import { severityOf, type Finding } from '../rules/finding.ts';
import { makesPictures } from '../kinds/screens/picture.ts';
import { wayOf } from '../kinds/ways.ts';
import { catchesIn, type Flow, type Provider } from '../kinds/flow.ts';
import { flowFrom } from './flowOf.ts';

export interface MetByMachine {
  readonly state: 'met' | 'short' | 'unknown';
  /** Units it gives now. */
  readonly units: number;
  /** The best of what is there; null where nothing of the kind is. */
  readonly flow: Flow | null;
  /** What it takes, or where it falls back, although it is met; none while it is not. */
  readonly catches: readonly Finding[];
}

/** @param cards the catalogue, by which cards that are fitted are known */
export function metByMachine(need: Need, machine: Machine, cards: readonly Card[]): MetByMachine {
  const standing = wayOf(need).stands(need, machine);
  if (standing !== null) return { ...standing, flow: null, catches: [] };
  const flows = providers(machine, cards).flatMap(
    (provider) => flowFrom(provider, need, machine) ?? [],
  );
  const units = unitsOf(flows);
  const wanted = unitsNeeded(need);
  const byWorth = flows.toSorted(
    (a, b) =>
      Math.min(b.units, wanted) - Math.min(a.units, wanted) ||
      severityOf(a.finding) - severityOf(b.finding) ||
      b.high - a.high,
  );
  const sure = byWorth.filter(({ finding }) => finding.verdict !== 'unknown');
  if (unitsOf(sure) >= wanted)
    return { state: 'met', units, flow: sure[0] ?? null, catches: catchesOf(sure, wanted) };
  const mayBeMet = units >= wanted || machine.builtIn === null;
  return { state: mayBeMet ? 'unknown' : 'short', units, flow: byWorth[0] ?? null, catches: [] };
}

const unitsOf = (flows: readonly Flow[]): number =>
  flows.reduce((total, { units }) => total + units, 0);

/** Of as many as it takes, each said once. */
function catchesOf(flows: readonly Flow[], wanted: number): readonly Finding[] {
  let missing = wanted;
  const used = flows.filter(({ units }) => {
    const isUsed = missing > 0 && units > 0;
    missing -= units;
    return isUsed;
  });
  const all = used.flatMap(catchesIn);
  return all.filter(({ code }, n) => all.findIndex((other) => other.code === code) === n);
}

/** The catalogue's record of a card that is fitted: by its identity, or where nobody read one by its name. */
export function recordOf(occupant: Occupant, cards: readonly Card[]): Card | null {
  const record = cards.find((each) =>
    occupant.ids === null
      ? cardName(each) === occupant.name
      : deviceId(each.ids) === deviceId(occupant.ids),
  );
  return record === undefined ? null : triedHere(record);
}

/** What works in this machine already needs nobody's word that it does. */
const triedHere = memoOf((card: Card): Card => ({
  ...card,
  statements: [...card.statements, IN_USE],
}));
const IN_USE = statementThat('tried', { source: IN_USE_HERE });

/** The board's own, and every card that stays. On-board video is off while a graphics card is fitted. */
export function providers(machine: Machine, cards: readonly Card[]): readonly Provider[] {
  const fitted = machine.slots.flatMap((slot): readonly Provider[] => {
    const occupant = valueOf(slot.occupant);
    if (occupant === null || occupant.disposition === 'remove') return [];
    const card = recordOf(occupant, cards);
    return card === null
      ? []
      : [{ delivers: card.delivers, fitted: { card, slot: slotInUse(slot, machine) } }];
  });
  const videoOff = fitted.some(({ delivers }) => makesPictures(delivers));
  const board = (valueOf(machine.builtIn) ?? [])
    .filter((delivers) => !makesPictures(delivers) || !videoOff)
    .map((delivers): Provider => ({ delivers, fitted: null }));
  return [...board, ...fitted];
}
