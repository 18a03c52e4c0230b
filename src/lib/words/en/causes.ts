/** What holds a figure back, in words: where, what, how it is mended. */
import type { Cause } from '$core/standards';
import type { Component, ComponentName } from '$core/kinds';
import type { RunKind } from '$core/parts';

/** A component by what the technician calls it. */
const COMPONENT_WORDS: Readonly<Record<ComponentName, string>> = {
  slotLink: 'slot’s link',
  uplink: 'link behind the slots',
  driver: 'driver',
  firmware: 'firmware',
  power: 'power plug of the card',
  cooling: 'cooling',
  card: 'card itself',
  processor: 'machine’s processor',
  wire: 'link',
  largeFrames: 'jumbo frames',
  farEnd: 'far end',
  files: 'files that are copied',
  ownDrive: 'local drive',
  farDrive: 'drive at the far end',
  usbLink: 'USB link',
  usbDevice: 'device on the port',
  drives: 'drives',
  driveCount: 'number of drives',
  dataLead: 'data lead',
  array: 'array',
  radio: 'radio',
  internet: 'internet plan',
  screenLead: 'screen lead',
  screenMode: 'screen mode',
  portLead: 'lead on the port',
  rest: 'rest of the path',
};

/** Of a wire, the link by the device it leads to. */
export const componentWords = ({ what, hop }: Pick<Component, 'what' | 'hop'>): string =>
  what !== 'wire'
    ? COMPONENT_WORDS[what]
    : hop == null || hop.name === ''
      ? 'link to the next device'
      : `link to ${hop.name}`;

interface CauseWords {
  /** What is the matter, as the end of “It is …”. */
  readonly is: string;
  /** The act that mends it. */
  readonly mend: string;
  readonly how: string;
}

const OFF = 'Switch off, mains lead out, discharge.';

export const CAUSE_WORDS: Readonly<Record<Cause, CauseWords>> = {
  halfSeated: {
    is: 'the card is not all the way in its slot',
    mend: 'Seat the card again',
    how: `${OFF} Take the card out, put it back straight until it sits evenly along its whole length, screw the bracket.`,
  },
  screwMissing: {
    is: 'the bracket is not screwed, and the card has tilted in its slot',
    mend: 'Seat the card and screw its bracket',
    how: `${OFF} Press the card in evenly, then fit the screw while you hold it.`,
  },
  dirtyContact: {
    is: 'a contact of the card or the slot is dirty',
    mend: 'Clean the contacts',
    how: `${OFF} Wipe the card’s edge with isopropyl alcohol and a cloth without fluff, blow out the slot, let it dry, seat the card.`,
  },
  wrongSlot: {
    is: 'the card sits in another slot than planned',
    mend: 'Move the card to its planned slot',
    how: `${OFF} The plan and the board drawing show which slot.`,
  },
  slotSetLower: {
    is: 'firmware setup holds the slot at an older generation',
    mend: 'Set the slot’s link speed to Auto in firmware setup',
    how: 'Look under the slot’s or PCI Express settings. Note the old setting first.',
  },
  coldStart: {
    is: 'the card comes up in its slower mode after a cold start',
    mend: 'Restart once after every cold start',
    how: 'A known catch of this card: restart without switching off. Look for newer firmware for the card, and write it on the sheet.',
  },
  uplinkBusy: {
    is: 'other devices use the link behind the slots',
    mend: 'Run it while the other devices rest',
    how: 'Devices on one upstream link share it. Move a card to a slot with its own link if both have to work at once.',
  },
  genericDriver: {
    is: 'the system’s basic driver runs the card',
    mend: 'Install the planned driver',
    how: 'The package that the plan chose; restart, and read the device list again.',
  },
  oldDriver: {
    is: 'an older driver than planned is at work',
    mend: 'Install the planned version of the driver',
    how: 'Remove the old one first if its installer asks for it; restart, and read the device list again.',
  },
  oldFirmware: {
    is: 'the firmware of card or board is too old',
    mend: 'Update the firmware',
    how: 'The maker’s file for exactly this card or board, on steady power. Do not switch off until it is done.',
  },
  plugForgotten: {
    is: 'a power plug of the card is not in',
    mend: 'Plug the card’s power in',
    how: `${OFF} Every power socket of the card has its own plug, pushed in until the latch holds.`,
  },
  fanForgotten: {
    is: 'a fan does not turn',
    mend: 'Plug the fan’s lead in',
    how: `${OFF} Look for the fan lead that was unplugged for the work, and for a lead that touches the blades.`,
  },
  tooHot: {
    is: 'it grows too hot and slows itself down',
    mend: 'Give it air',
    how: `${OFF} Let it cool. Dust out, film off the pads, leads out of the air’s way, covers on empty openings.`,
  },
  cardFaulty: {
    is: 'the card itself is slow, in another machine too',
    mend: 'Exchange the card',
    how: 'Within the return period where there is one; send the figures with it.',
  },
  processorBusy: {
    is: 'something else keeps the processor busy',
    mend: 'Stop what keeps the processor busy',
    how: 'Virus scan, updates, indexing, encryption: let them finish or schedule them, then measure again.',
  },
  leadBroken: {
    is: 'a lead has a broken pair',
    mend: 'Replace the lead',
    how: 'Only two of its four pairs get through. Cut the old one in two so that nobody uses it again.',
  },
  leadPoor: {
    is: 'a lead does not carry the speed',
    mend: 'Replace the lead by one of a better class',
    how: 'The class is printed on the sheath; short, without kinks, both latches whole.',
  },
  leadErrors: {
    is: 'a lead loses packets',
    mend: 'Replace the lead',
    how: 'The link is up at full speed, yet errors are counted. A kinked or worn lead, or one beside mains.',
  },
  portSlow: {
    is: 'the port at the other end does not come up at full speed',
    mend: 'Use another port at the other end',
    how: 'One that is printed for the speed. Mark the bad one.',
  },
  portSetLower: {
    is: 'this machine’s port is set to a lower speed',
    mend: 'Set the port to negotiate its speed',
    how: 'Auto-negotiation at both ends: a fixed speed at one end alone slows or breaks the link.',
  },
  largeFramesLost: {
    is: 'jumbo frames get lost on the way',
    mend: 'Set the frame size alike at every device',
    how: 'All devices on the path carry jumbo frames, or none is set to send them.',
  },
  farEndBusy: {
    is: 'the far end is busy with something else',
    mend: 'Measure while the far end rests',
    how: 'Backup, other users, a rebuilding array. If it is always so, the far end limits.',
  },
  smallFiles: {
    is: 'it is many small files, each of which takes its time',
    mend: 'Copy them as one large file, or leave it so',
    how: 'Nothing is broken. Pack the folder into one archive first, or tell the customer what small files show.',
  },
  ownDriveSlow: {
    is: 'the local drive is slow',
    mend: 'See to the local drive',
    how: 'Nearly full, worn, or failing: read its health, back up, replace it where it fails.',
  },
  farDriveSlow: {
    is: 'the drive at the far end is slow',
    mend: 'See to the drive at the far end',
    how: 'Nearly full, worn, an array that rebuilds, a drive missing: read its health there.',
  },
  usbLeadOld: {
    is: 'the lead or hub carries USB 2.0 only',
    mend: 'Use a lead made for the port’s speed',
    how: 'Straight into the port, no hub between.',
  },
  usbPlugLoose: {
    is: 'the port itself works as USB 2.0: a plug inside or outside is not all the way in',
    mend: 'Push the plugs in, inside and outside',
    how: `Try the device on another port of the card. For a front port: ${OFF.toLowerCase()} Push the header’s plug in evenly; look for a bent pin.`,
  },
  usbDeviceSlow: {
    is: 'the device on the port is slow',
    mend: 'Use a faster device, or leave it so',
    how: 'The port does what it should. Tell the customer which device limits.',
  },
  driveUnplugged: {
    is: 'a drive of the array is missing',
    mend: 'Find the missing drive and plug it in',
    how: `${OFF} Data lead and power at both ends, by the serial numbers. Let the array rebuild before it is measured.`,
  },
  driveSlow: {
    is: 'one drive is slow by itself, on another port too',
    mend: 'Replace the slow drive',
    how: 'Back up first. The slowest drive decides for all that work as one.',
  },
  dataLeadPoor: {
    is: 'a data lead is bad, and its drive fell back to a lower speed',
    mend: 'Replace the data lead',
    how: `${OFF} A lead with latches, no longer than it has to be; read the link speed of the drive again.`,
  },
  stripeSmall: {
    is: 'the stripes of the array are too small for large files',
    mend: 'Build the array anew with larger stripes',
    how: 'This erases everything on it: back up, have the copy shown, ask the customer twice.',
  },
  aerialLoose: {
    is: 'an aerial is loose or missing',
    mend: 'Screw the aerials on',
    how: 'Finger-tight, both of them, and away from the metal of the case.',
  },
  otherBand: {
    is: 'the radio uses another band than planned',
    mend: 'Join the network on the faster band',
    how: 'Choose the network’s 5 or 6 GHz name, or set the preferred band in the adapter’s settings.',
  },
  radioWeak: {
    is: 'too little of the radio gets here',
    mend: 'Move the machine or the access point',
    how: 'A metre away from metal and walls often does it; an aerial on a lead for a tower under a desk.',
  },
  planLess: {
    is: 'the internet plan gives less than it says',
    mend: 'Take it up with the provider',
    how: 'Measured by a cable at the router, so that no radio is blamed. Keep the figures.',
  },
  leadOnBoard: {
    is: 'the screen is still plugged into the board',
    mend: 'Move the screen lead to the new card',
    how: 'Into one of the card’s own outputs, at the height of its bracket.',
  },
  screenLeadPoor: {
    is: 'the screen lead does not carry the mode',
    mend: 'Replace the screen lead',
    how: 'One that is rated for the mode, no longer than needed, without an adapter between where that can be.',
  },
  screenSetLower: {
    is: 'the screen is set to a lower mode',
    mend: 'Set the screen’s resolution and refresh rate',
    how: 'In the display settings, and in the screen’s own menu where it has a choice of input version.',
  },
  linkLeadSlow: {
    is: 'the lead on the port carries half its speed',
    mend: 'Use a lead rated for the port’s full speed',
    how: 'Short, or active where it is longer than about 0.8 m; the rating is printed on the plug.',
  },
};

/** What was measured. */
export const RUN_KIND_WORDS: Readonly<Record<RunKind, string>> = {
  large: 'one large file',
  small: 'many small files',
  own: 'the customer’s own files',
  wire: 'from memory to memory',
  work: 'at work',
};
