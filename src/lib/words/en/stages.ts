import type { Flow, FlowStage, StageCode } from '$core/kinds';
import type { Stage } from '$core/document';

export const STAGE_WORDS: Readonly<Record<Stage, string>> = {
  survey: 'Survey',
  needs: 'Needs',
  choose: 'Choose',
  prepare: 'Prepare',
  fit: 'Fit',
  drivers: 'Drivers',
  prove: 'Prove',
  'hand-over': 'Hand over',
};

/** The stages of a path that a rate passes. */
export const FLOW_WORDS: Readonly<Record<StageCode, string>> = {
  slotLink: 'slot’s link',
  uplink: 'link behind the slots',
  cardPort: 'port on the card',
  cable: 'leads',
  hop: 'switch on the way',
  processor: 'machine’s processor',
  accessWire: 'wire of the access point',
  farEnd: 'far end',
  ownDrive: 'local drive',
  ownDrivePort: 'port of the local drive',
  usbDevice: 'device on the port',
  farDrive: 'drive at the far end',
  radio: 'radio',
  internet: 'internet plan',
  output: 'screen output',
  drivePort: 'drive port',
  drive: 'drives',
  card: 'card',
};

/** A stage by what the technician calls it, where it has a name. */
export function flowStageWords({ code, hop }: Pick<FlowStage, 'code' | 'hop'>): string {
  if (hop === undefined || hop.name === '') return FLOW_WORDS[code];
  return code === 'cable' ? `leads to ${hop.name}` : hop.name;
}

/** Which stage limits; empty where none does. */
export function limitWords({
  limiting,
  limitingHop,
}: Pick<Flow, 'limiting' | 'limitingHop'>): string {
  if (limiting === null) return '';
  const words = flowStageWords({ code: limiting, ...(limitingHop && { hop: limitingHop }) });
  return `limited by ${words === limitingHop?.name ? words : `the ${words}`}`;
}
