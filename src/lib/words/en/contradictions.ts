/** Facts of which two sources say different things, and how the values of every fact are said. */
import { factNameAt, type Contradiction, type FactName, type FactValues } from '$core/survey';
import type { Claim, Source } from '$core/parts';
import type { FactCode } from '$core/rules';
import type { Link } from '$core/standards';
import type { Machine } from '$core/document';
import { deliveryWords } from './deliveries';
import { COPY_DRIVE_WORDS, FACT_WORDS } from './facts';
import { linkWords, modeWords } from './figures';
import {
  CABLE_WORDS,
  DISTANCE_WORDS,
  LEAD_CONDITION_WORDS,
  PROCESSOR_WORDS,
  RADIO_WORDS,
} from './networkPath';
import { SLOT_STATE_WORDS } from './choices';
import { HEADER_WORDS, INPUT_WORDS, SYSTEM_FAMILY_WORDS } from './things';

/** Facts that can be contradicted and that no rule asks for by name. */
const OTHER_NAMES: Readonly<Record<Exclude<FactName, FactCode>, string>> = {
  'slot.number': 'Number of the slot',
  'slot.port': 'Port of the slot',
  'slot.place': 'Place of the slot',
  'slot.hotPlug': 'Hot-plug',
  'slot.cardLength': 'Length of cards it takes',
  'slot.sharesOpening': 'Opening shared with another slot',
  'occupant.openings': 'Openings the card takes',
  'occupant.lengthMm': 'Length of the card',
  'occupant.heightMm': 'Height of the card',
  'occupant.hotPlug': 'Driver bears hot-plug',
  'occupant.fan': 'Fan of the card',
  'occupant.watts': '12 V load of the card',
  'occupant.plugs': 'Plugs that feed the card',
  'occupant.frontLeads': 'Front leads joined to the card',
  'secondSystem.name': 'Name of the second system',
  'secondSystem.build': 'Build of the second system',
  'secondSystem.secureBoot': 'Secure boot of the second system',
  'case.heightRoomMm': 'Room for height',
  'case.bays': 'Free drive bays',
  'case.guides': 'Guides for long cards',
  'supply.labelWatts': 'Watts on the label of the supply',
  'supply.ageYears': 'Age of the supply',
  'supply.measuredWatts': '12 V load measured at full load',
  'supply.plugsInUse': 'Plugs in use',
  'system.name': 'Name of the system',
  'system.build': 'Build or kernel',
  'system.secureBoot': 'Secure boot',
  'firmware.version': 'Firmware version',
  'lead.metres': 'Length of the lead',
  'hop.linkMegabits': 'What the link came up at',
  'path.processor': 'Age of the processor',
  'accessPoint.standard': 'Standard of the access point',
  'accessPoint.channelMhz': 'Channel width of the access point',
  'accessPoint.streams': 'Streams of the access point',
  'accessPoint.distance': 'Distance to the access point',
  'accessPoint.wireMegabits': 'Wire of the access point',
  'path.ownMegabits': 'Link speed now',
  'path.ownDrive': 'Local drive',
  'path.ownDrivePort': 'Port of the local drive',
  'path.farDrive': 'Drive at the far end',
  'path.ownArray': 'RAID level of the local drives',
  'path.farArray': 'RAID level at the far end',
  'screen.preferred': 'Native mode of the screen',
  'board.board': 'Outline of the board',
  'board.builtIn': 'Devices on the board',
};

const asIs = String;
const yesOrNo = (is: boolean): string => (is ? 'yes' : 'no');
const inUnit = (unit: string) => (value: number) => `${value} ${unit}`;
const listed = (values: readonly (string | number)[]): string =>
  values.length === 0 ? 'none' : values.join(', ');
const placed = ({ xMm, yMm }: { readonly xMm: number; readonly yMm: number }): string =>
  `${xMm} × ${yMm} mm from the corner`;
const arrayed = (array: FactValues['path.ownArray']): string =>
  array === null ? 'single' : `${array.count} drives, ${array.how}`;

/** How the values of every fact are said. */
const VALUES: { readonly [Name in FactName]: (value: FactValues[Name]) => string } = {
  'slot.number': asIs,
  'slot.port': asIs,
  'slot.connectorLanes': (lanes) => `x${lanes}`,
  'slot.lanes': (lanes) => `x${lanes}`,
  'slot.generation': (generation) => `Gen ${generation}`,
  'slot.openEnd': yesOrNo,
  'slot.powerWatts': inUnit('W'),
  'slot.opening': asIs,
  'slot.state': (state) => SLOT_STATE_WORDS[state],
  'slot.occupant': (card) => card?.name ?? 'nothing',
  'slot.uplink': (uplink) =>
    uplink === null
      ? 'none'
      : linkWords({ generation: uplink.generation, width: uplink.lanes as Link['width'] }),
  'slot.splits': yesOrNo,
  'slot.latch': yesOrNo,
  'slot.keying': asIs,
  'slot.key': asIs,
  'slot.moduleLengthsMm': listed,
  'slot.wired': listed,
  'slot.place': placed,
  'slot.hotPlug': yesOrNo,
  'slot.cardLength': (length) => (length === 'short' ? 'half length' : 'full length'),
  'slot.sharesOpening': yesOrNo,
  'occupant.openings': asIs,
  'occupant.lengthMm': inUnit('mm'),
  'occupant.heightMm': inUnit('mm'),
  'occupant.hotPlug': yesOrNo,
  'occupant.fan': (fan) =>
    fan === null ? 'none' : `from ${fan.fromMm} mm on, ${fan.airMm} mm of air`,
  'occupant.watts': inUnit('W'),
  'occupant.plugs': listed,
  'occupant.frontLeads': (leads) => listed(leads.map((lead) => HEADER_WORDS[lead])),
  'case.bracket': asIs,
  'case.openings': asIs,
  'case.lengthRoomMm': inUnit('mm'),
  'case.heightRoomMm': inUnit('mm'),
  'case.frontLeads': (leads) => listed(leads.map(({ type }) => HEADER_WORDS[type])),
  'case.bays': (bays) => listed(bays.map(({ size, count }) => `${count} × ${size} inch`)),
  'case.covers': asIs,
  'case.spareScrews': asIs,
  'case.spareCovers': asIs,
  'case.spareModuleScrews': asIs,
  'case.panelHeld': asIs,
  'case.opensBothSides': yesOrNo,
  'case.retentionBar': yesOrNo,
  'case.frontCovers': asIs,
  'case.guides': yesOrNo,
  'case.leadLock': yesOrNo,
  'supply.labelWatts': inUnit('W'),
  'supply.twelveVoltWatts': inUnit('W'),
  'supply.ageYears': inUnit('years'),
  'supply.baseWatts': inUnit('W'),
  'supply.measuredWatts': inUnit('W'),
  'supply.plugsInUse': (plugs) => listed(plugs.map(({ type, feeds }) => `${type} for ${feeds}`)),
  'supply.plugs': (plugs) => listed(plugs.map(({ count, type }) => `${count} × ${type}`)),
  'secondSystem.family': (family) => SYSTEM_FAMILY_WORDS[family],
  'secondSystem.version': asIs,
  'secondSystem.architecture': asIs,
  'secondSystem.name': asIs,
  'secondSystem.build': asIs,
  'secondSystem.secureBoot': yesOrNo,
  'system.family': (family) => SYSTEM_FAMILY_WORDS[family],
  'system.version': asIs,
  'system.architecture': asIs,
  'system.name': asIs,
  'system.build': asIs,
  'system.secureBoot': yesOrNo,
  'firmware.kind': asIs,
  'firmware.version': asIs,
  'firmware.date': asIs,
  'firmware.largeWindows': yesOrNo,
  'lead.cable': (cable) => CABLE_WORDS[cable],
  'lead.metres': inUnit('m'),
  'lead.condition': (condition) => LEAD_CONDITION_WORDS[condition],
  'hop.portMegabits': listed,
  'hop.linkMegabits': inUnit('Mb/s'),
  'path.processor': (age) => PROCESSOR_WORDS[age],
  'accessPoint.standard': (standard) => RADIO_WORDS[standard],
  'accessPoint.bands': listed,
  'accessPoint.channelMhz': inUnit('MHz'),
  'accessPoint.streams': asIs,
  'accessPoint.distance': (distance) => DISTANCE_WORDS[distance],
  'accessPoint.wireMegabits': inUnit('Mb/s'),
  'path.internetMegabits': inUnit('Mb/s'),
  'path.ownMegabits': inUnit('Mb/s'),
  'path.ownDrive': (drive) => COPY_DRIVE_WORDS[drive],
  'path.ownDrivePort': (port) => `SATA ${port} Gb/s`,
  'path.farDrive': (drive) => COPY_DRIVE_WORDS[drive],
  'path.ownArray': arrayed,
  'path.farArray': arrayed,
  'screen.input': (input) => INPUT_WORDS[input],
  'screen.otherInputs': (inputs) => listed(inputs.map((each) => INPUT_WORDS[each])),
  'screen.preferred': modeWords,
  'board.board': ({ widthMm, depthMm }) => `${widthMm} × ${depthMm} mm`,
  'board.builtIn': (deliveries) => listed(deliveries.map(deliveryWords)),
  'board.headers': (headers) => listed(headers.map(({ type }) => HEADER_WORDS[type])),
};

/** The value of a fact in words. */
const valueWords = <Name extends FactName>(name: Name, value: FactValues[Name]): string =>
  VALUES[name](value);

/** A contradiction in words, and where it is settled. */
export function contradictionWords(
  { path, believed, others }: Contradiction,
  machine: Machine,
): {
  readonly code: FactName;
  readonly slotId: string | undefined;
  readonly hopId: string | undefined;
  readonly leadId: string | undefined;
  readonly name: string;
  readonly says: string;
} {
  const [room, n, at, , lead] = path;
  const slot = room === 'slots' ? machine.slots[Number(n)] : undefined;
  // A fact of the path lies at path.hops.0, or at path.hops.0.leads.0.
  const hop = room === 'path' && n === 'hops' ? machine.path.hops[Number(at)] : undefined;
  const subject = slot?.label ?? hop?.name;
  const code = factNameAt(path);
  const name =
    code in FACT_WORDS
      ? FACT_WORDS[code as FactCode].name
      : OTHER_NAMES[code as keyof typeof OTHER_NAMES];
  const says = ({ value, source }: Claim<unknown>) =>
    `${valueWords(code, value as FactValues[FactName])} ${SOURCE_BY[source]}`;
  return {
    code,
    slotId: slot?.id,
    hopId: code.startsWith('hop.') ? hop?.id : undefined,
    leadId: code.startsWith('lead.') ? hop?.leads[Number(lead)]?.id : undefined,
    name: subject === undefined || subject === '' ? name : `${name}, ${subject}`,
    says: `${says(believed)}, against ${others.map(says).join(', ')}`,
  };
}

const SOURCE_BY: Readonly<Record<Source, string>> = {
  registers: 'by its registers',
  text: 'by its report',
  firmware: 'by the firmware',
  system: 'by its system',
  screen: 'by the screen',
  template: 'by the template',
  technician: 'by hand',
  bench: 'at the bench',
};
