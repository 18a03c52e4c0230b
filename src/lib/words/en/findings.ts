/** Findings in words a customer understands. Every sentence carries the number behind the verdict. */
import type { Finding, FindingCode, Verdict } from '$core/rules';
import { partOf, type PartOf } from '$core/units';
import { figure } from './figures';
import { subjectWords } from './subjects';

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
  /** What would change it; of an unknown that one fact settles, how that is found out stands with the fact. */
  readonly remedy?: string;
}

const WORDS: Readonly<Record<FindingCode, Words>> = {
  'seat.bus': {
    says: 'The card is made for another kind of slot.',
    remedy: 'A card for this slot’s bus.',
  },
  'seat.occupied': {
    says: 'The slot holds: {subject}.',
    remedy: 'Remove it, if the customer can do without it.',
  },
  'seat.occupantUnknown': {
    says: 'What sits in this slot is not known.',
  },
  'seat.emptyFirst': { says: '{subject} comes out of it first.' },
  'seat.dead': { says: 'The slot is dead.', remedy: 'Another slot.' },
  'seat.dirty': { says: 'The slot is full of dust.', remedy: 'Blow it out before seating.' },
  'seat.capped': { says: 'A cap lies over the slot.', remedy: 'Take it off, and keep it.' },
  'seat.keyUnknown': {
    says: 'The key of the socket is not known.',
  },
  'seat.otherKey': {
    says: 'The socket has key {subject}; the M.2 drive is cut for another.',
    remedy: 'A module with that key.',
  },
  'seat.moduleLengthUnknown': {
    says: 'How long a drive the socket holds is not known.',
  },
  'seat.moduleLength': {
    says: 'The module is {needed} long; the longest the socket holds is {available}.',
    remedy: 'A module of a length that the socket has a post for.',
  },
  'seat.wiredUnknown': {
    says: 'What is wired to the socket is not known.',
  },
  'seat.notWired': {
    says: 'The M.2 drive’s interface is {subject}, which is not wired to this socket.',
    remedy: 'A module for what is wired.',
  },
  'seat.keyingUnknown': {
    says: 'Whether the slot is keyed for 5 V or 3.3 V is not known.',
  },
  'seat.otherKeying': {
    says: 'The slot is keyed for {subject}; the card is cut for the other.',
    remedy: 'A card cut for both.',
  },
  'seat.splitUnknown': {
    says: 'It carries several devices; whether the firmware has bifurcation for this slot is not known.',
  },
  'seat.split': { says: 'The slot has to be set to x4x4x4x4 in firmware setup (bifurcation).' },
  'seat.noSplit': {
    says: 'It carries several devices, and the firmware has no bifurcation for this slot.',
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
  },
  'seat.connectorUnknown': {
    says: 'The slot’s length is not known.',
  },
  'seat.behindOpenEnd': {
    says: '{subject} stands behind the open end, {available} from the rear; the card’s edge reaches {needed}.',
    remedy: 'Another slot.',
  },
  'link.enough': { says: 'The link carries up to {available}; the card can use {needed}.' },
  'link.plenty': { says: 'The link carries up to {available}; the card needs little of it.' },
  'link.fewDrives': {
    says: 'Drives at full speed together here: {available} of {needed}; more share the link.',
    remedy: 'A slot with more lanes or a newer generation.',
  },
  'link.narrowed': {
    says: 'The link carries at most {available} of the {needed} the card could use.',
    remedy: 'A slot with more lanes or a newer generation.',
  },
  'link.slotUnknown': {
    says: 'The slot’s lanes or generation are not known.',
  },
  'link.uplinkNarrows': {
    says: 'The card could use {needed}; {subject}, which the slot shares, carries {available}.',
    remedy: 'A slot connected directly to the processor.',
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
  },
  'enclosure.hotPlug': { says: 'Its driver supports hot-plug: the box may come and go.' },
  'enclosure.hotPlugUnknown': {
    says: 'Whether {subject} supports hot-plug is not known.',
    remedy: 'Ask the card’s maker for a driver that supports it.',
  },
  'enclosure.noHotPlug': {
    says: '{subject} does not support hot-plug: the box has to be on before the machine starts, and stay on.',
    remedy: 'A card whose driver supports it, or a slot of the machine itself.',
  },
  'enclosure.chainTooLong': {
    says: 'The box is number {needed} in its chain; a port takes {available}.',
    remedy: 'Another port for the boxes behind the sixth.',
  },
  'plate.openingsUnknown': {
    says: 'Its sockets come out through an opening of their own; how many there are is not known.',
  },
  'plate.noOpening': {
    says: 'Its sockets come out through openings of their own: {needed} wanted, {available} free.',
    remedy: 'Free an opening, or a card with all its sockets on its own bracket.',
  },
  'plate.own': {
    says: 'Further sockets of it come out through other openings, on plates: {needed}.',
    remedy: 'Keep an opening near by free for each plate.',
  },
  'plate.aerials': {
    says: 'Its aerial sockets come out through a free opening, on a plate.',
    remedy: 'Aerials with a plate, unless the case has sockets for them.',
  },
  'plate.jack': {
    says: 'Its jack comes out through a free opening, on a {subject} plate.',
    remedy: 'Order the jack with its plate.',
  },
  'body.lengthFits': { says: '{needed} long; the case has {available}.' },
  'body.tooLong': { says: '{needed} long; the case has {available}.', remedy: 'A shorter card.' },
  'body.lengthUnknown': {
    says: 'The room for its length is not known.',
  },
  'body.openingUnknown': {
    says: 'Which opening this slot faces is not known.',
  },
  'body.openingsUnknown': {
    says: 'It needs more than one opening; how many the case has is not known.',
  },
  'body.beyondLastOpening': {
    says: 'It would reach opening {needed}; the case ends at {available}.',
    remedy: 'A thinner card or a higher slot.',
  },
  'body.neighbour': {
    says: 'It would touch: {subject}.',
    remedy: 'A thinner card, or move the neighbour.',
  },
  'body.sharedOpening': {
    says: 'By the firmware’s record it shares its opening with another slot, and not every slot’s opening is known.',
    remedy: 'Count which opening each slot faces.',
  },
  'body.neighbourUnknown': {
    says: 'How far {subject} reaches is not known.',
    remedy: 'Look how many openings it takes.',
  },
  'body.coversSlot': { says: 'It covers {subject}, which is then lost.' },
  'body.obstacleMovable': { says: '{subject} has to be moved out of its path first.' },
  'body.obstacleInTheWay': {
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
    says: 'Its fan has {available} of air before {subject}; {needed} is needed.',
    remedy: 'Another slot, or a card without a fan.',
  },
  'body.airTaken': {
    says: 'It leaves the fan of {subject} only {available} of air; {needed} is needed.',
    remedy: 'Another slot, or a card that ends before the fan begins.',
  },
  'quirk.belowFan': {
    says: 'It bears no warm air, and the fan of {subject} blows at it.',
    remedy: 'A slot further from that fan.',
  },
  'body.ventCovered': {
    says: 'It stands before {subject}: that air is gone.',
    remedy: 'Another slot, or a shorter card.',
  },
  'body.airUnknown': {
    says: 'Whether {subject} has a fan on this side is not known.',
  },
  'body.outFirst': {
    says: 'There is no room for a hand: {subject} comes out first and goes back afterwards, with its power plugs.',
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
  },
  'header.found': { says: 'The board has the header for its lead ({subject}).' },
  'header.missing': {
    says: 'Its lead needs a header on the board ({subject}), and none is free: what is connected to it stays dead.',
    remedy: 'A card without that lead, or do without.',
  },
  'header.short': {
    says: 'Its lead ({subject}) is {available} long; the header is {needed} away.',
    remedy: 'An extension, or a slot nearer to the header.',
  },
  'header.unknown': {
    says: 'Its lead needs a header on the board ({subject}); which are free is not known.',
  },
  'power.slotEnough': { says: 'It draws {needed} from the slot, which gives {available}.' },
  'power.slotShort': {
    says: 'It draws {needed} from the slot, which gives only {available}.',
    remedy: 'Another slot, or a card that takes less.',
  },
  'power.slotUnknown': {
    says: 'It draws {needed} from the slot; only {available} are assured.',
  },
  'power.plugsFound': { says: 'The supply has the plugs it needs: {subject}.' },
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
    says: 'It needs an adapter: {subject}. {needed} go through it, it carries {available}.',
    remedy: 'Order it with the card.',
  },
  'power.exchange': {
    says: 'No free plug of its kind reaches it; the one that feeds {subject} does.',
    remedy: 'Give {subject} a free plug that it takes as well, and the card its plug.',
  },
  'power.plugWeak': {
    says: 'Its {subject} socket draws {needed}; what the supply has for it gives {available}.',
    remedy: 'A supply whose plug gives more.',
  },
  'power.portsShort': {
    says: 'All ports at once ask {needed} at 5 V; the card’s power plug carries {available}.',
    remedy: 'Connect power-hungry devices to other ports.',
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
  },
  'power.sumFits': { says: '{needed} in total on 12 V; the supply gives {available}.' },
  'power.headroomUsed': {
    says: '{needed} in total on 12 V of {available}: within the limit, but the headroom of a quarter is used.',
  },
  'power.sumShort': {
    says: '{needed} in total on 12 V; the supply gives {available}.',
    remedy: 'A larger supply, or a card that takes less.',
  },
  'power.sumUnknown': {
    says: 'The 12 V load or limit of the supply is not known.',
  },
  'system.package': { says: 'There is a driver for this system: {subject}.' },
  'system.ownDriver': { says: 'The system drives it itself ({subject}).' },
  'system.noDriver': {
    says: 'No driver for this system is known ({subject}).',
    remedy: 'Another card, or another system version.',
  },
  'system.askSystem': {
    says: 'Whether this system drives it is not known here.',
    remedy: 'Ask the system’s own list of hardware, or take a card of a class that it drives.',
  },
  'system.slowDisks': {
    says: 'This release copies from disks at USB ports by the older protocol: slower than the port.',
    remedy: 'A newer release of the system.',
  },
  'system.second': { says: 'There is a driver for the second system too ({subject}).' },
  'system.secondNeeds': {
    says: 'On the second system something comes before the card: {subject}.',
  },
  'system.secondUnknown': {
    says: 'Whether the second system drives it is not known.',
  },
  'system.secondNoDriver': {
    says: 'No driver for the second system ({subject}) is known.',
    remedy: 'A card that suits both systems.',
  },
  'system.unknown': {
    says: 'The system, its version or architecture is not known.',
  },
  'system.libraryAway': {
    says: 'The driver library cannot be reached just now.',
    remedy: 'Try again with the network on.',
  },
  'system.secureBoot': {
    says: 'There is a driver ({subject}), but secure boot lets it load only with its key enrolled.',
  },
  'system.driverFirst': {
    says: 'Its maker requires the driver before the card: {subject}.',
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
  },
  'firmware.old': {
    says: 'The firmware dates from {available}, the card from {needed}: the screen may stay black until the firmware is updated.',
    remedy: 'Update the firmware first, on steady power, with the old picture still there.',
  },
  'firmware.dateUnknown': {
    says: 'How old the firmware is, is not known; an old one may leave the screen black.',
  },
  'firmware.smallWindows': {
    says: 'It asks for a memory window of {needed}; without above 4G decoding it gets {available}.',
    remedy: 'A newer firmware; the card works without, somewhat slower.',
  },
  'firmware.windowsUnknown': {
    says: 'Whether the firmware has above 4G decoding is not known.',
  },
  'quirk.coldStart': { says: 'Known issue: after a cold start it comes up in its slower mode.' },
  'quirk.sleep': { says: 'Known issue: after sleep, what is connected to it may be gone.' },
  'quirk.processorSlot': {
    says: 'It works only in a slot connected directly to the processor; this one is behind {subject}.',
    remedy: 'A slot connected directly to the processor.',
  },
  'quirk.slotUnknown': {
    says: 'It works only in a slot connected directly to the processor; what lies between is not known.',
  },
  'quirk.jumper': {
    says: 'The board has no header for its lead: a jumper on the card stands in for it.',
  },
  'quirk.firmwareFirst': {
    says: 'Its own firmware has to be put on it in another machine before this one shows it.',
  },
  'quirk.restarts': { says: 'Known issue: it settles only after several restarts.' },
  'worth.overBudget': { says: '{needed} in total; the customer’s budget is {available}.' },
  'worth.overShare': { says: '{needed} in total; the ceiling for this machine is {available}.' },
  'deliver.lacks': { says: 'It has no {subject}.', remedy: 'A card that has it.' },
  'deliver.lessMemory': {
    says: 'It has {available} of memory; {needed} is needed.',
    remedy: 'A card with more memory.',
  },
  'deliver.slower': {
    says: 'Its graphics class is {available}; class {needed} is needed.',
    remedy: 'A faster card.',
  },
  'deliver.lessCurrent': {
    says: 'Each port gives {available}; {needed} is needed.',
    remedy: 'A card with a power plug of its own.',
  },
  'deliver.otherPurpose': {
    says: 'The card is for another purpose.',
    remedy: 'A card for this one.',
  },
  'deliver.noBoardPort': {
    says: 'It carries such a drive, which is led to a SATA port of the board: none is free.',
    remedy: 'A drive that runs over the slot, or a card with ports of its own.',
  },
  'deliver.boardPortsUnknown': {
    says: 'It carries such a drive, which is led to a SATA port of the board; how many are free is not known.',
    remedy: 'Tell in the survey what the board itself has.',
  },
  'deliver.otherDrive': {
    says: 'It is for drives of another kind ({subject}).',
    remedy: 'A card for the drives that are needed.',
  },
  'deliver.notBootable': {
    says: 'The machine cannot start from drives on it.',
    remedy: 'A card whose option ROM this firmware runs.',
  },
  'deliver.bootUnknown': {
    says: 'Whether the machine starts from drives on it depends on the firmware, which is not known.',
    remedy: 'Look whether it is UEFI or BIOS.',
  },
  'deliver.ownDriverUnknown': {
    says: 'The need asks for a driver that comes with the system; whether it has one for this is not known.',
    remedy: 'Tell the system’s release in the survey.',
  },
  'deliver.ownDriver': {
    says: 'It needs a driver of its own; the need asks for one that comes with the system.',
    remedy: 'An AHCI or NVMe card.',
  },
  'deliver.screenAdapter': {
    says: 'An adapter goes between output and screen: {subject}.',
    remedy: 'Order it, unless it is there.',
  },
  'deliver.noAdapter': {
    says: 'No output of it reaches the screen’s socket ({subject}) at that mode, not even through an adapter.',
    remedy: 'A card with that socket.',
  },
  'deliver.cableTooLong': {
    says: 'The run is {needed} long; the standard promises nothing of this class beyond {available}.',
    remedy: 'A switch half-way, or a shorter run. It may come up all the same: do not promise it.',
  },
  'deliver.leadBroken': {
    says: 'A lead to {subject} has a broken pair: it carries {available} instead of {needed}.',
    remedy: 'A new lead.',
  },
  'deliver.leadWorn': {
    says: 'A lead to {subject} is worn: its latch does not hold, or it is kinked.',
    remedy: 'Swap it before anything is measured.',
  },
  'deliver.linkSlower': {
    says: 'The link to {subject} came up at {available}; its ends and leads know {needed}.',
    remedy: 'Look at the lead and the port’s setting.',
  },
  'deliver.fibreLead': {
    says: 'The wire is fibre; the card has a socket for copper.',
    remedy: 'A card with a cage for modules, or a converter.',
  },
  'deliver.networkModule': {
    says: 'Its cage takes a module: {subject}.',
    remedy: 'Order one that the card’s maker lists.',
  },
  'deliver.noCommonBand': {
    says: 'Card and access point have no band in common.',
    remedy: 'Another card, or another access point.',
  },
  'deliver.cableUsually': {
    says: 'The cable usually carries {needed}; the standard promises {available} of its class.',
    remedy: 'Measure after fitting; a better cable where it falls back.',
  },
  'deliver.halfColour': {
    says: 'The mode needs {needed}, {available} get through: the screen takes it at half the colour (4:2:0), and small coloured text blurs.',
    remedy: 'DisplayPort, or a faster HDMI output.',
  },
  'deliver.screenInput': {
    says: 'The screen’s HDMI input takes {available}; the mode needs {needed}.',
    remedy: 'Another input of the screen, or a lower mode.',
  },
  'deliver.lessColour': {
    says: 'A screen reports {available} bits a colour; {needed} are wanted.',
    remedy: 'Another screen, or fewer bits.',
  },
  'deliver.tightBlanking': {
    says: 'The mode needs {needed}, the output carries {available}: only with reduced blanking, which the screen has to support.',
  },
  'deliver.drivesUnfed': {
    says: 'Drives: {needed}; the supply feeds {available} more, splitters counted.',
    remedy: 'A supply with more drive plugs, unless some of them are fed already.',
  },
  'deliver.fewDrivePlugs': {
    says: 'Drives: {needed}; free power plugs for them: {available}.',
    remedy: 'Splitters between drives: at most two drives on one plug.',
  },
  'deliver.fewBays': {
    says: 'Drives: {needed}; free bays: {available}.',
    remedy: 'A bay bracket, or fewer and larger drives.',
  },
  'deliver.screenLess': {
    says: '{available} of {needed} screens that were read report that mode.',
    remedy: 'Another screen, or a mode that it reports.',
  },
  'deliver.meets': { says: 'It carries {available}; {needed} is needed.' },
  'deliver.tight': { says: 'At best {available} of the {needed} needed: marginal.' },
  'deliver.short': {
    says: 'It carries {available}; {needed} is needed.',
    remedy: 'A faster card, or a faster {subject}.',
  },
  'deliver.fewer': {
    says: 'Has {available} of the {needed} needed.',
    remedy: 'A second one, or a larger card.',
  },
  'deliver.unknown': {
    says: 'Up to {available} of the {needed} needed, but a part of the path is not known.',
    remedy: 'Note the cable and the far end in the survey.',
  },
  'said.listed': { says: 'Listed to work here: {subject}.' },
  'said.tried': { says: 'Tried, and it works: {subject}.' },
  'said.claimed': { says: 'Said to work here: {subject}.' },
  'said.problem': {
    says: 'Known for trouble here: {subject}.',
    remedy: 'Read what it says, or take another card.',
  },
  'said.problemPerhaps': { says: 'Known for trouble with one system: {subject}.' },
  'said.problemWith': {
    says: 'Known for trouble beside {subject}.',
    remedy: 'One of the two, or read what it says.',
  },
  'said.onlyTherePerhaps': {
    says: 'With one system it works in {subject} only; which system this is was not told.',
  },
  'said.onlyThere': { says: 'It works in {subject} only.', remedy: 'That slot.' },
  'deliver.drivesTooSmall': {
    says: 'Put together so, the drives hold {available}; {needed} is wanted.',
    remedy: 'Larger drives, or another way to put them together.',
  },
  'deliver.fewDrives': {
    says: 'Drives: {available}; put together so it takes {needed}.',
    remedy: 'More drives, or another way to put them together.',
  },
  'deliver.driveWorn': {
    says: '{subject}: {available} written of the {needed} it is rated for.',
    remedy: 'Another drive, or one more copy of the data.',
  },
  'deliver.driveFailing': {
    says: '{subject} says itself that it is about to fail.',
    remedy: 'Another drive.',
  },
  'deliver.otherManner': {
    says: 'Asked for: {subject}; it is the opposite.',
    remedy: 'Another card.',
  },
  'deliver.mannerUnknown': {
    says: 'Asked for: {subject}; its maker does not say.',
    remedy: 'Ask its maker, or enter what is known of it in the catalogue.',
  },
  'deliver.notBacked': {
    says: 'Asked for: {subject}; nothing of the kind is known of this card.',
    remedy: 'Enter what is known of it in the catalogue, or ask for less.',
  },
  'deliver.noBluetooth': { says: 'It has no Bluetooth.', remedy: 'A card with both.' },
};

/** What a finding is about, in a word or two, by the part of its code before the dot. */
const TOPICS: Readonly<Record<PartOf<FindingCode>, string>> = {
  seat: 'seat',
  link: 'link',
  sharing: 'sharing',
  bracket: 'bracket',
  body: 'room',
  enclosure: 'enclosure',
  plate: 'opening',
  power: 'power',
  header: 'leads',
  firmware: 'firmware',
  quirk: 'known catch',
  said: 'documents',
  worth: 'worth',
  system: 'driver',
  deliver: 'rate',
};

export const findingTopic = ({ code }: Finding): string => TOPICS[partOf(code)];

export function findingWords(finding: Finding): string {
  return fill(WORDS[finding.code].says, finding);
}

/** What mends it; null where a fact that is not known settles it, or nothing is to be mended. */
export function remedyWords(finding: Finding): string | null {
  const { remedy } = WORDS[finding.code];
  return remedy === undefined || finding.verdict === 'clear' ? null : fill(remedy, finding);
}

function fill(text: string, finding: Finding): string {
  const { needed, available, unit } = finding;
  const number = (value: number | undefined) =>
    value === undefined || unit === undefined ? '?' : figure(value, unit);
  return text
    .replace('{needed}', number(needed))
    .replace('{available}', number(available))
    .replace('{subject}', subjectWords(finding));
}
