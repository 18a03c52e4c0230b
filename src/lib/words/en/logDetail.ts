/** What a log entry was about, in words. Each command has its own: none reaches a screen as the code it is kept by. */
import { steps, type FoundKind } from '$core/procedure';
import { changeParts } from '$core/survey';
import type {
  Card,
  CostPart,
  DriverWays,
  Job,
  LogEntry,
  Observation,
  Pin,
  StaticWay,
} from '$core/document';
import type { CommandName } from '$core/commands';
import type { NeedKind } from '$core/kinds';
import { FOUND_WORDS } from './bench';
import { logWords } from './commands';
import { fieldWords } from './machineFields';
import { WAY_WORDS } from './driverStates';
import { counted } from './figures';
import { pinWords } from './clashes';
import { KIND_WORDS } from './kinds/words';
import { PART_WORDS } from './plans';
import { stepWords } from './steps';
import { STATIC_WAY_WORDS } from './staticWays';

/** A log that was imported may hold any text: what is not known by its code is said as it stands. */
type Detail = (detail: string, job: Job, cards: readonly Card[]) => string;

const asItStands: Detail = (detail) => detail;

const needKind: Detail = (detail) =>
  Object.hasOwn(KIND_WORDS, detail) ? KIND_WORDS[detail as NeedKind] : detail;

/** A step that the plan does not have any more is told by nothing: its name went with it. */
const stepTitle: Detail = (detail, job) => {
  const all = steps(job);
  const step = all.find(({ id }) => id === detail);
  if (step !== undefined) return stepWords(step).title;
  // Gone on with a reason.
  const gone = all.find(({ id }) => detail.startsWith(`${id}: `));
  return gone === undefined ? '' : `${stepWords(gone).title} – ${detail.slice(gone.id.length + 2)}`;
};

const PART_OF_JOB: Readonly<Record<string, string>> = {
  title: 'what it is',
  customer: 'customer',
  technician: 'technician',
  notes: 'notes',
};

const listed =
  (words: (part: string) => string): Detail =>
  (detail) =>
    detail.split(', ').map(words).join(', ');

const fields: Detail = (detail) =>
  changeParts(detail)
    .map(([code, of]) => fieldWords(code, of))
    .join('; ');

/** What is observed of no need. */
const OBSERVED_WORDS: Readonly<Partial<Record<Observation['kind'], string>>> = {
  device: 'a card as a report shows it',
  devices: 'every device seen',
  serial: 'serial number',
  drive: 'drive named',
  setting: 'setting of the firmware',
};

const observed = (kind: string): string =>
  Object.hasOwn(OBSERVED_WORDS, kind)
    ? (OBSERVED_WORDS[kind as Observation['kind']] ?? kind)
    : Object.hasOwn(KIND_WORDS, kind)
      ? KIND_WORDS[kind as NeedKind]
      : kind;

const weight = (part: string): string => {
  const [code = '', ...percent] = part.split(' ');
  return Object.hasOwn(PART_WORDS, code)
    ? [PART_WORDS[code as CostPart].toLowerCase(), ...percent].join(' ')
    : part;
};

const way = (part: string): string => {
  const [code = '', chosen = ''] = part.split(' ');
  if (!Object.hasOwn(WAY_WORDS, code)) return part;
  const { label, choices } = WAY_WORDS[code as keyof DriverWays];
  const words: Readonly<Record<string, string>> = choices;
  return `${label.toLowerCase()}: ${words[chosen] ?? chosen}`;
};

const PIN_OF: { readonly [Kind in Pin['kind']]: (cardId: string, slotId: string) => Pin } = {
  cardThere: (cardId, slotId) => ({ kind: 'cardThere', cardId, slotId }),
  neverSlot: (_, slotId) => ({ kind: 'neverSlot', slotId }),
  neverCard: (cardId) => ({ kind: 'neverCard', cardId }),
  noMoves: () => ({ kind: 'noMoves' }),
};

const pin: Detail = (detail, { machine }, cards) => {
  const [kind = '', cardId = '', slotId = ''] = detail.split(':');
  return Object.hasOwn(PIN_OF, kind)
    ? pinWords(PIN_OF[kind as Pin['kind']](cardId, slotId), machine, cards)
    : detail;
};

const DETAIL: Readonly<Record<CommandName, Detail>> = {
  describeJob: listed((part) => PART_OF_JOB[part] ?? part),
  takeTemplate: asItStands,
  readMachine: (detail) => (/^\d+$/.test(detail) ? counted(Number(detail), 'device') : detail),
  changeMachine: fields,
  addPhoto: asItStands,
  removePhoto: asItStands,
  addNeed: needKind,
  changeNeed: needKind,
  removeNeed: needKind,
  setBudget: asItStands,
  setWorth: asItStands,
  acceptPlan: asItStands,
  addPin: pin,
  removePin: pin,
  setWeights: listed(weight),
  buyForMachine: asItStands,
  dropBought: asItStands,
  withdrawPlan: asItStands,
  stageCards: asItStands,
  setBenchTest: asItStands,
  chooseStaticWay: (detail) =>
    Object.hasOwn(STATIC_WAY_WORDS, detail) ? STATIC_WAY_WORDS[detail as StaticWay].title : detail,
  orderAgain: stepTitle,
  foundAtBench: (detail) =>
    Object.hasOwn(FOUND_WORDS, detail) ? FOUND_WORDS[detail as FoundKind] : detail,
  tickStep: stepTitle,
  untickStep: stepTitle,
  observe: listed(observed),
  removeObservation: listed(observed),
  setDriverWays: listed(way),
  keepPackages: asItStands,
  dropPackage: asItStands,
};

/** Empty where there is nothing more to say. */
export const logDetail = (
  { command, detail }: LogEntry,
  job: Job,
  cards: readonly Card[],
): string =>
  command === 'undo' || command === 'redo'
    ? logWords(detail)
    : detail !== '' && Object.hasOwn(DETAIL, command)
      ? DETAIL[command as CommandName](detail, job, cards)
      : detail;
