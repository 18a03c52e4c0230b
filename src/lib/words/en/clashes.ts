/** What plans clash with, what would free them and what is fixed, in words. */
import { cardName, type Card, type Machine, type Pin } from '$core/document';
import type { Change, Constraint, Difference, Member } from '$core/planner';
import type { Need } from '$core/kinds';
import { figure, inMoney, wireWords } from './figures';
import { needWords } from './needs';
import { machineChanges } from '$core/survey';
import { changesWords } from './machineFields';
import { KIND_WORDS } from './kinds/words';
import { CABLE_WORDS, hopName } from './networkPath';

const CONSTRAINT_WORDS: Readonly<Record<Constraint, string>> = {
  slots: 'the slots available',
  staying: 'cards that stay in their slots',
  openings: 'the openings that cards take up',
  room: 'the room for long and high cards',
  bracket: 'the height of the brackets',
  power: 'the supply: its watts and plugs',
  lanes: 'the lanes of the slots',
  leads: 'the leads of the front panel',
  path: 'the network path: cable, switch, drives',
  system: 'the system and its drivers',
  firmware: 'the kind of firmware',
};

const slotLabel = (machine: Machine, slotId: string): string =>
  machine.slots.find(({ id }) => id === slotId)?.label ?? slotId;

export function pinWords(pin: Pin, machine: Machine, cards: readonly Card[]): string {
  const card = 'cardId' in pin ? cards.find(({ id }) => id === pin.cardId) : undefined;
  const name = card === undefined ? 'a card that is gone' : cardName(card);
  switch (pin.kind) {
    case 'cardThere':
      return `${name} in ${slotLabel(machine, pin.slotId)}`;
    case 'neverSlot':
      return `Nothing new in ${slotLabel(machine, pin.slotId)}`;
    case 'neverCard':
      return `Never ${name}`;
    case 'noMoves':
      return 'Keep fitted cards where they are';
  }
}

export function memberWords(member: Member, machine: Machine, cards: readonly Card[]): string {
  switch (member.kind) {
    case 'need':
      return `${KIND_WORDS[member.need.kind]}: ${needWords(member.need)}`;
    case 'pin':
      return `Fixed: ${pinWords(member.pin, machine, cards)}`;
    case 'limit':
      return CONSTRAINT_WORDS[member.limit];
  }
}

export function changeWords(
  change: Change,
  machine: Machine,
  needs: readonly Need[],
  cards: readonly Card[],
): string {
  switch (change.kind) {
    case 'machine':
      return `Otherwise: ${changesWords(machineChanges(machine, change.machine))}`;
    case 'dropNeed': {
      const need = needs.find(({ id }) => id === change.needId);
      return need === undefined
        ? 'One need fewer'
        : `Do without: ${KIND_WORDS[need.kind]}, ${needWords(need)}`;
    }
    case 'dropPin':
      return `Drop the fixed choice: ${pinWords(change.pin, machine, cards)}`;
    case 'giveUpCard':
      return `Remove ${change.name} from ${slotLabel(machine, change.slotId)}`;
    case 'supply':
      return `Another supply: ${change.extra.maker} ${change.extra.model}, ${figure(change.extra.limit ?? 0, 'W')} on 12 V`;
    case 'cable':
      return `Another cable to ${hopOf(machine, change.hopId)}: ${CABLE_WORDS[change.cable]}`;
    case 'hop':
      return `Another device as ${hopOf(machine, change.hopId)}, with a port of ${wireWords(change.megabits)}`;
    case 'slotGeneration':
      return `${slotLabel(machine, change.slotId)} at Gen ${change.generation?.value ?? '?'}: a board or a setting that allows it`;
    case 'slotLanes':
      return `${slotLabel(machine, change.slotId)} with all its lanes wired: another board`;
    case 'slotSplits':
      return `A firmware with bifurcation for ${slotLabel(machine, change.slotId)}`;
    case 'frontPanel':
      return `A front panel with its lead: ${change.extra.maker} ${change.extra.model}`;
  }
}

/** As it is spoken of in a sentence. */
function hopOf({ path: { hops } }: Machine, hopId: string): string {
  const hop = hops.find(({ id }) => id === hopId);
  if (hop !== undefined && hop.name !== '') return hop.name;
  const what = hop === undefined ? 'device' : hopName(hop, hop === hops.at(-1));
  return `the ${what.toLowerCase()}`;
}

/** “31.00 more”, “12.40 less”, “the same”; a must more or less comes first. */
export function differenceWords({ musts, cents }: Difference): string {
  if (musts > 0) return musts === 1 ? 'one must not met' : `${musts} musts not met`;
  if (musts < 0) return musts === -1 ? 'one more must met' : `${-musts} more musts met`;
  if (cents === 0) return 'the same';
  return cents > 0 ? `${inMoney(cents)} more` : `${inMoney(-cents)} less`;
}
