/** Findings in words a customer understands. Every sentence carries the number behind the verdict. */
import type { Finding, FindingCode, StageCode, Verdict } from '$core';
import { figure } from './figures';
import { FLOW_WORDS } from './stages';
import { THING_WORDS } from './things';

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
    says: 'The socket has key {subject}; the M.2 drive is cut for another.',
    remedy: 'A module with that key.',
  },
  'seat.moduleLengthUnknown': {
    says: 'How long a drive the socket holds is not known.',
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
    says: 'The M.2 drive’s interface is {subject}, which is not wired to this socket.',
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
  'bracket.aerials': {
    says: 'Its aerial sockets ({needed}) go through the other bracket: nut off, through, nut on.',
  },
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
    remedy: 'Measure a slot cover: about 120 mm is full, 79 mm low.',
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
    remedy: 'Count the slot covers at the back.',
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
    says: 'It is {needed} high; the side panel leaves {available}.',
    remedy: 'A lower card.',
  },
  'body.tooThick': {
    says: 'It is {needed} openings thick; here there is room for {available}.',
    remedy: 'A thinner card, or another slot.',
  },
  'body.plugBend': {
    says: 'With its plug it needs {needed} of height; the side panel leaves {available}.',
    remedy: 'A lead that leaves sideways, or a lower card.',
  },
  'body.sag': {
    says: 'At {needed} it hangs heavily on bracket and slot; from {available} on a support belongs under it.',
    remedy: 'A support under its far end.',
  },
  'body.airShort': {
    says: 'Its fan has {available} of air before {subject}; {needed} are wanted.',
    remedy: 'Another slot, or a card without a fan.',
  },
  'body.airTaken': {
    says: 'It leaves the fan of {subject} only {available} of air; {needed} are wanted.',
    remedy: 'Another slot, or a card that ends before the fan begins.',
  },
  'body.airUnknown': {
    says: 'Whether {subject} has a fan on this side is not known.',
    remedy: 'Look.',
  },
  'body.outFirst': {
    says: 'No hand gets in between: {subject} comes out first and goes back afterwards, with its power plugs.',
  },
  'header.frontFound': { says: 'The case has the front lead for it ({subject}).' },
  'header.frontMissing': {
    says: 'It has a header for the front ({subject}), but the case has no such lead.',
    remedy: 'A front panel with that lead, in a bay.',
  },
  'header.frontShort': {
    says: 'The front lead ({subject}) comes no nearer to the rear than {available}; the header stands at {needed}.',
    remedy: 'An extension of that lead.',
  },
  'header.frontUnknown': {
    says: 'It has a header for the front ({subject}); which leads the case has is not known.',
    remedy: 'Follow the leads from the front panel to their plugs.',
  },
  'header.found': { says: 'The board has the header for its lead ({subject}).' },
  'header.missing': {
    says: 'Its lead wants a header on the board ({subject}), and none is free: what is connected to it stays dead.',
    remedy: 'A card without that lead, or do without.',
  },
  'header.short': {
    says: 'Its lead ({subject}) is {available} long; the header is {needed} away.',
    remedy: 'An extension, or a slot nearer to the header.',
  },
  'header.unknown': {
    says: 'Its lead wants a header on the board ({subject}); which are free is not known.',
    remedy: 'Look along the lower edge of the board.',
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
  'power.adapter': {
    says: 'It takes an adapter: {subject}. {needed} go through it, it carries {available}.',
    remedy: 'Order it with the card.',
  },
  'power.plugWeak': {
    says: 'Its {subject} socket draws {needed}; what the supply has for it gives {available}.',
    remedy: 'A supply whose plug gives more.',
  },
  'power.portsShort': {
    says: 'All ports at once ask {needed} at 5 V; the card’s power plug carries {available}.',
    remedy: 'Hang hungry devices on other ports.',
  },
  'power.sharedLead': {
    says: 'Its sockets ({subject}) draw {needed} over one lead, which carries {available}: never two plugs’ load on one.',
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
  'system.driverFirst': {
    says: 'Its maker wants the driver in before the card: {subject}.',
  },
  'firmware.noPicture': {
    says: 'Its option ROM is for {subject} only, and this firmware is older: no picture.',
    remedy: 'A card whose option ROM serves both.',
  },
  'firmware.otherBoot': {
    says: 'Its option ROM is for {subject} only: it works once the system runs, not before.',
  },
  'firmware.kindUnknown': {
    says: 'Whether the firmware is UEFI or BIOS is not known.',
    remedy: 'Look in its setup, or drop a survey.',
  },
  'firmware.old': {
    says: 'The firmware is of {available}, the card of {needed}: the screen may stay black until the firmware is updated.',
    remedy: 'Update the firmware first, on steady power, with the old picture still there.',
  },
  'firmware.dateUnknown': {
    says: 'How old the firmware is, is not known; an old one may leave the screen black.',
    remedy: 'Read its date in its setup, or drop a survey.',
  },
  'firmware.smallWindows': {
    says: 'It asks for a memory window of {needed}; without above 4G decoding it gets {available}.',
    remedy: 'A newer firmware; the card works without, somewhat slower.',
  },
  'firmware.windowsUnknown': {
    says: 'Whether the firmware has above 4G decoding is not known.',
    remedy: 'Look in firmware setup for above 4G decoding.',
  },
  'quirk.coldStart': { says: 'Known for it: after a cold start it comes up in its slower mode.' },
  'quirk.sleep': { says: 'Known for it: after sleep, what is connected to it may be gone.' },
  'quirk.processorSlot': {
    says: 'It works only in a slot straight at the processor; this one hangs behind {subject}.',
    remedy: 'A slot straight at the processor.',
  },
  'quirk.slotUnknown': {
    says: 'It works only in a slot straight at the processor; what lies between is not known.',
    remedy: 'Look in the board’s manual, or drop the machine’s report.',
  },
  'quirk.jumper': {
    says: 'The board has no header for its lead: a jumper on the card stands in for it.',
  },
  'quirk.restarts': { says: 'Known for it: it settles only after several restarts.' },
  'worth.overBudget': { says: '{needed} in all; the customer will pay {available}.' },
  'worth.overShare': { says: '{needed} in all; the ceiling for this machine is {available}.' },
  'deliver.lacks': { says: 'It has no {subject}.', remedy: 'A card that has it.' },
  'deliver.lessMemory': {
    says: 'It has {available} of memory; {needed} are wanted.',
    remedy: 'A card with more memory.',
  },
  'deliver.slower': {
    says: 'It draws in class {available}; class {needed} is wanted.',
    remedy: 'A faster card.',
  },
  'deliver.lessCurrent': {
    says: 'Each port gives {available}; {needed} are wanted.',
    remedy: 'A card with a power plug of its own.',
  },
  'deliver.otherDrive': {
    says: 'It is for drives of another kind ({subject}).',
    remedy: 'A card for the drives that are wanted.',
  },
  'deliver.notBootable': {
    says: 'The machine cannot start from drives on it.',
    remedy: 'A card whose option ROM this firmware runs.',
  },
  'deliver.bootUnknown': {
    says: 'Whether the machine starts from drives on it depends on the firmware, which is not known.',
    remedy: 'Look whether it is UEFI or BIOS.',
  },
  'deliver.ownDriver': {
    says: 'It wants a driver of its own; one that the system brings along is asked for.',
    remedy: 'An AHCI or NVMe card.',
  },
  'deliver.screenAdapter': {
    says: 'Between card and screen goes an adapter: {subject}.',
    remedy: 'Order it with the card.',
  },
  'deliver.noAdapter': {
    says: 'No output of it reaches the screen’s socket ({subject}) at that mode, not even through an adapter.',
    remedy: 'A card with that socket.',
  },
  'deliver.tightBlanking': {
    says: 'The mode needs {needed}, the output carries {available}: only with the shortest blanking, which the screen must know.',
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
  'deliver.tight': { says: 'At best {available} for {needed} wanted: marginal.' },
  'deliver.short': {
    says: 'It carries {available}; {needed} are wanted.',
    remedy: 'A faster card, or a faster {subject}.',
  },
  'deliver.fewer': {
    says: 'Has {available} of the {needed} wanted.',
    remedy: 'A second one, or a larger card.',
  },
  'deliver.unknown': {
    says: 'Up to {available} for {needed} wanted, but a part of the path is not known.',
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
  header: 'leads',
  firmware: 'firmware',
  quirk: 'known catch',
  worth: 'worth',
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

/** Names pass as they are; codes have words. */
const subjectWords = (subject: string | undefined): string =>
  FLOW_WORDS[subject as StageCode] ?? THING_WORDS[subject ?? ''] ?? subject ?? '?';

function fill(text: string, { needed, available, unit, subject }: Finding): string {
  const number = (value: number | undefined) =>
    value === undefined || unit === undefined ? '?' : figure(value, unit);
  return text
    .replace('{needed}', number(needed))
    .replace('{available}', number(available))
    .replace('{subject}', subjectWords(subject));
}
