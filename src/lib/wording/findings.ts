/** Findings in words a customer understands. Every sentence carries the number behind the verdict. */
import type { Finding, FindingCode, StageCode, Verdict } from '$core';
import { figure } from './figures';
import { FLOW_WORDS } from './stages';

export const VERDICT_WORDS: Readonly<Record<Verdict, string>> = {
  clear: 'Clear',
  limited: 'With a catch',
  needs: 'Needs a step',
  unknown: 'Not known',
  blocked: 'Cannot go',
};

interface Words {
  /** {needed}, {available} and {subject} are filled in. */
  readonly says: string;
  /** What would change it. */
  readonly remedy?: string;
}

const WORDS: Readonly<Record<FindingCode, Words>> = {
  'seat.bus': {
    says: 'The card is made for another kind of slot.',
    remedy: 'A card for this slot’s bus.',
  },
  'seat.occupied': {
    says: 'The slot holds: {subject}.',
    remedy: 'Take it out, if the customer can spare it.',
  },
  'seat.occupantUnknown': {
    says: 'Nobody has said what sits in this slot.',
    remedy: 'Look, and note it in the survey.',
  },
  'seat.emptyFirst': { says: '{subject} comes out of it first.' },
  'seat.keyUnknown': {
    says: 'The key of the socket is not known.',
    remedy: 'Read the letter beside it on the board, or in the manual.',
  },
  'seat.otherKey': {
    says: 'The socket has key {subject}; the module is cut for another.',
    remedy: 'A module with that key.',
  },
  'seat.moduleLengthUnknown': {
    says: 'How long a module the socket holds is not known.',
    remedy: 'Measure from the socket to its screw post.',
  },
  'seat.moduleLength': {
    says: 'The module is {needed} long; the longest the socket holds is {available}.',
    remedy: 'A module of a length that the socket has a post for.',
  },
  'seat.wiredUnknown': {
    says: 'What is wired to the socket is not known.',
    remedy: 'Look in the board’s manual: PCI Express, SATA, USB, or a radio’s own signals only.',
  },
  'seat.notWired': {
    says: 'The module lives on {subject}, which is not wired to this socket.',
    remedy: 'A module for what is wired.',
  },
  'seat.keyingUnknown': {
    says: 'Whether the slot is keyed for 5 V or 3.3 V is not known.',
    remedy: 'Look: a key near the rear edge is 3.3 V, one near the far end 5 V.',
  },
  'seat.otherKeying': {
    says: 'The slot is keyed for {subject}; the card is cut for the other.',
    remedy: 'A card cut for both.',
  },
  'seat.splitUnknown': {
    says: 'It carries several devices; whether the firmware can split the slot is not known.',
    remedy: 'Look in the firmware’s setup, or in the board’s manual.',
  },
  'seat.split': { says: 'The firmware has to be told to split the slot.' },
  'seat.noSplit': {
    says: 'It carries several devices, and the firmware cannot split this slot.',
    remedy: 'A card with a switch of its own.',
  },
  'seat.fits': { says: 'The card’s edge goes into the slot.' },
  'seat.openEnd': { says: 'The slot is shorter ({available} for {needed}) but open at its end.' },
  'seat.tooLong': {
    says: 'The card’s edge ({needed}) is longer than the slot ({available}).',
    remedy: 'A longer or open-ended slot.',
  },
  'seat.openEndUnknown': {
    says: 'The card ({needed}) is longer than the slot ({available}); it goes in only if the slot is open at its end.',
    remedy: 'Look at the far end of the slot.',
  },
  'seat.connectorUnknown': {
    says: 'The slot’s length is not known.',
    remedy: 'Look: x1 is 25 mm long, x4 39, x8 56, x16 89.',
  },
  'seat.behindOpenEnd': {
    says: '{subject} stands behind the open end, {available} from the rear; the card’s edge reaches {needed}.',
    remedy: 'Another slot.',
  },
  'link.enough': { says: 'The link carries up to {available}; the card can use {needed}.' },
  'link.plenty': { says: 'The link carries up to {available}; the card needs little of it.' },
  'link.narrowed': {
    says: 'The link carries at most {available} of the {needed} the card could use.',
    remedy: 'A slot with more lanes or a newer generation.',
  },
  'link.slotUnknown': {
    says: 'The slot’s lanes or generation are not known.',
    remedy: 'Drop the machine’s lspci report into the survey.',
  },
  'link.uplinkNarrows': {
    says: 'The card could use {needed}; {subject}, which the slot shares, carries {available}.',
    remedy: 'A slot straight at the processor.',
  },
  'sharing.unknown': {
    says: 'It loses lanes when {subject} is used; what is in that is not known.',
    remedy: 'Look what {subject} holds.',
  },
  'sharing.dead': {
    says: 'The slot is dead while {subject} is used.',
    remedy: 'Empty {subject}, or take another slot.',
  },
  'sharing.fewerLanes': {
    says: 'With {subject} in use the slot keeps {available}.',
    remedy: 'Empty {subject}, or take another slot.',
  },
  'sharing.kills': {
    says: 'Used, this slot switches off: {subject}.',
    remedy: 'Another slot.',
  },
  'sharing.takes': { says: 'Used, this slot leaves {subject} only {available}.' },
  'bracket.fits': { says: 'Its bracket is the right height for the case.' },
  'bracket.swap': { says: 'The {subject} bracket from the box has to be put on.' },
  'bracket.missing': {
    says: 'The maker supplies no {subject} bracket with it.',
    remedy: 'Order the bracket, or another card.',
  },
  'bracket.cardTooHigh': {
    says: 'The card is {needed} high; the low case takes {available}.',
    remedy: 'A low-profile card.',
  },
  'bracket.caseUnknown': {
    says: 'Full or low brackets: not known of this case.',
    remedy: 'Measure a cover: about 120 mm is full, 79 mm low.',
  },
  'body.lengthFits': { says: '{needed} long; the case has {available}.' },
  'body.tooLong': { says: '{needed} long; the case has {available}.', remedy: 'A shorter card.' },
  'body.lengthUnknown': {
    says: 'The room for its length is not known.',
    remedy: 'Measure from the rear edge to the first thing in the way.',
  },
  'body.openingUnknown': {
    says: 'Nobody has said which opening this slot faces.',
    remedy: 'Count openings from the processor’s end.',
  },
  'body.openingsUnknown': {
    says: 'It needs more than one opening; how many the case has is not known.',
    remedy: 'Count the covers at the back.',
  },
  'body.beyondLastOpening': {
    says: 'It would reach opening {needed}; the case ends at {available}.',
    remedy: 'A thinner card or a higher slot.',
  },
  'body.neighbour': {
    says: 'It would touch: {subject}.',
    remedy: 'A thinner card, or move the neighbour.',
  },
  'body.neighbourUnknown': {
    says: 'How far {subject} reaches is not known.',
    remedy: 'Look how many openings it takes.',
  },
  'body.coversSlot': { says: 'It covers {subject}, which is then lost.' },
  'body.boxMovable': { says: '{subject} has to be moved out of its path first.' },
  'body.boxInTheWay': {
    says: '{subject} stands in its path, {available} from the rear; the card is {needed} long.',
    remedy: 'A card shorter than that, or another slot.',
  },
  'body.tooHigh': {
    says: 'It is {needed} high; the cover leaves {available}.',
    remedy: 'A lower card.',
  },
  'body.tooThick': {
    says: 'It is {needed} openings thick; here there is room for {available}.',
    remedy: 'A thinner card, or another slot.',
  },
  'body.plugBend': {
    says: 'With its plug it wants {needed} of height; the cover leaves {available}.',
    remedy: 'A lead that leaves sideways, or a lower card.',
  },
  'front.leadFound': { says: 'The case has the front lead for it ({subject}).' },
  'front.noLead': {
    says: 'It has a header for the front ({subject}), but the case has no such lead.',
    remedy: 'A front panel with that lead, in a bay.',
  },
  'power.slotEnough': { says: 'It draws {needed} from the slot, which gives {available}.' },
  'power.slotShort': {
    says: 'It draws {needed} from the slot, which gives only {available}.',
    remedy: 'Another slot, or a card that takes less.',
  },
  'power.slotUnknown': {
    says: 'It draws {needed} from the slot; only {available} are assured.',
    remedy: 'Drop the machine’s lspci report, or look in the board’s manual.',
  },
  'power.plugsFound': { says: 'The supply has the plugs: {subject}.' },
  'power.supplyOld': {
    says: 'The supply is {available} years old; from {needed} on it gives less than its label.',
    remedy: 'Measure 12 V under load, or a new supply.',
  },
  'power.leadShort': {
    says: 'The {subject} plug reaches {available} down the board; the slot lies at {needed}.',
    remedy:
      'A lead that is longer, or a slot nearer to the supply; never an extension for graphics power that was not made for it.',
  },
  'power.sharedLead': {
    says: 'Its {needed} sockets ({subject}) would hang on {available} lead: never two plugs’ load on one.',
    remedy: 'A supply with a lead of its own for each.',
  },
  'power.plugMissing': {
    says: 'The supply has no {subject} plug free for it.',
    remedy: 'Another supply; never an adapter from drive plugs to a graphics socket.',
  },
  'power.plugsUnknown': {
    says: 'It needs a plug; which are free is not known.',
    remedy: 'Look at the free plugs of the supply.',
  },
  'power.sumFits': { says: '{needed} in all on 12 V; the supply gives {available}.' },
  'power.headroomUsed': {
    says: '{needed} in all on 12 V of {available}: within the limit, but the headroom of a quarter is used.',
  },
  'power.sumShort': {
    says: '{needed} in all on 12 V; the supply gives {available}.',
    remedy: 'A larger supply, or a card that takes less.',
  },
  'power.sumUnknown': {
    says: 'The 12 V load or limit of the supply is not known.',
    remedy: 'Read the 12 V row on the supply’s label.',
  },
  'system.package': { says: 'There is a driver for this system: {subject}.' },
  'system.ownDriver': { says: 'The system drives it itself ({subject}).' },
  'system.noDriver': {
    says: 'No driver for this system is known ({subject}).',
    remedy: 'Another card, or another system version.',
  },
  'system.unknown': {
    says: 'The system, its version or architecture is not known.',
    remedy: 'Start the machine and look, or ask.',
  },
  'system.libraryAway': {
    says: 'The driver library cannot be reached just now.',
    remedy: 'Try again with the network on.',
  },
  'system.secureBoot': {
    says: 'There is a driver ({subject}), but secure boot lets it load only with its key enrolled.',
  },
  'deliver.fewBays': {
    says: 'Only {available} free bays for {needed} drives.',
    remedy: 'A bay bracket, or fewer and larger drives.',
  },
  'deliver.screenLess': {
    says: 'Of the {needed} screens that were read, only {available} can show that mode.',
    remedy: 'Another screen, or a mode that it reports.',
  },
  'deliver.meets': { says: 'It carries {available}; {needed} are wanted.' },
  'deliver.tight': { says: 'At best {available} for {needed} wanted: just enough on a good day.' },
  'deliver.short': {
    says: 'It carries {available}; {needed} are wanted.',
    remedy: 'A faster card, or a faster {subject}.',
  },
  'deliver.fewer': {
    says: 'One gives {available} of {needed} wanted.',
    remedy: 'A second one, or a larger card.',
  },
  'deliver.unknown': {
    says: 'Up to {available} for {needed} wanted, but a part of the way is not known.',
    remedy: 'Note the cable and the far end in the survey.',
  },
  'deliver.noBluetooth': { says: 'It has no Bluetooth.', remedy: 'A card with both.' },
};

/** What a finding is about, in a word or two, by the part of its code before the dot. */
const TOPICS: Readonly<Record<string, string>> = {
  seat: 'seat',
  link: 'link',
  sharing: 'sharing',
  bracket: 'bracket',
  body: 'room',
  power: 'power',
  front: 'front lead',
  system: 'driver',
  deliver: 'rate',
};

export const findingTopic = ({ code }: Finding): string => TOPICS[code.split('.')[0] ?? ''] ?? '';

export function findingWords(finding: Finding): string {
  return fill(WORDS[finding.code].says, finding);
}

export function remedyWords(finding: Finding): string | null {
  const remedy = WORDS[finding.code].remedy;
  return remedy === undefined || finding.verdict === 'clear' ? null : fill(remedy, finding);
}

function fill(text: string, { needed, available, unit, subject }: Finding): string {
  const number = (value: number | undefined) =>
    value === undefined || unit === undefined ? '?' : figure(value, unit);
  return text
    .replace('{needed}', number(needed))
    .replace('{available}', number(available))
    .replace('{subject}', FLOW_WORDS[subject as StageCode] ?? subject ?? '?');
}
