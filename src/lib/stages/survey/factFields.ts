/** How each fact that the rules ask for is typed: one table for the worklist and for the forms. */
import {
  CABLE_CLASSES,
  CONNECTOR_LANES,
  GENERATIONS,
  LINK_WIDTHS,
  M2_KEYS,
  SCREEN_INPUTS,
  SYSTEM_FAMILIES,
  WIFI_BANDS,
  type Generation,
  type SystemFamily,
} from '$core/standards';
import { LEAD_CONDITIONS } from '$core/parts';
import {
  M2_SIGNALS,
  PCI_KEYINGS,
  SLOT_STATES,
  occupantNamed,
  type Architecture,
  type Occupant,
} from '$core/document';
import type { FactCode } from '$core/rules';
import { CABLE_WORDS, LEAD_CONDITION_WORDS } from '$words/networkPath';
import { SLOT_STATE_WORDS } from '$words/choices';
import { OPTION_WORDS } from '$words/options';
import { INPUT_WORDS, SIGNAL_WORDS, SYSTEM_FAMILY_WORDS } from '$words/things';
import {
  DATE_FIELD,
  FAN_FIELD,
  FRONT_LEADS_FIELD,
  HEADERS_FIELD,
  LENGTHS_FIELD,
  PLUGS_FIELD,
  SPEEDS_FIELD,
  VERSION_FIELD,
  choiceField,
  numberField,
  wordsField,
  type FieldKind,
} from './fields';
import { factFields as texts } from '$words/stages/survey';

const INPUTS = SCREEN_INPUTS.map((input) => [input, INPUT_WORDS[input]] as const);

/** Words for nothing at all. */
const NOTHING = [...texts.wordsForNothing, '-', '–'];

/** A card by its name, or nothing. */
const OCCUPANT: FieldKind<{ readonly occupant: Occupant | null }> = {
  expects: texts.nothingOrTheNameOf,
  print: ({ occupant }) => occupant?.name ?? texts.nothing,
  parse: (text) => ({
    occupant: NOTHING.includes(text.toLowerCase()) ? null : occupantNamed(text.slice(0, 200)),
  }),
};

const FAMILY = choiceField(
  SYSTEM_FAMILIES.map((family) => [family, SYSTEM_FAMILY_WORDS[family]] as const),
);
const ARCHITECTURE = choiceField([
  ['x86-64', texts.x8664Bit],
  ['x86-32', texts.x8632Bit],
  ['arm64', texts.arm64Bit],
] as const);

const COVERS = choiceField([
  ['screwed', texts.screwed],
  ['clipped', texts.clipped],
  ['snapped', texts.snappedOff],
] as const);

export const FIELD = {
  'slot.connectorLanes': choiceField(CONNECTOR_LANES.map((lanes) => [lanes, `x${lanes}`] as const)),
  'slot.lanes': choiceField(LINK_WIDTHS.map((lanes) => [lanes as number, `x${lanes}`] as const)),
  'slot.generation': choiceField(
    Object.keys(GENERATIONS).map((n) => [Number(n) as Generation, texts.gen(n)] as const),
  ),
  'slot.opening': numberField(texts.anOpening, 'slots.opening'),
  'slot.occupant': OCCUPANT,
  'slot.state': choiceField(SLOT_STATES.map((state) => [state, SLOT_STATE_WORDS[state]] as const)),
  'slot.openEnd': choiceField([
    [true, texts.openAtItsEnd],
    [false, texts.closed],
  ] as const),
  'slot.powerWatts': numberField(texts.aNumberOfWatts, 'slots.powerWatts'),
  'slot.keying': choiceField(
    PCI_KEYINGS.map((keying) => [keying, OPTION_WORDS[keying] ?? keying] as const),
  ),
  'slot.splits': choiceField([
    [true, texts.canBeSplit],
    [false, texts.cannotBeSplit],
  ] as const),
  'slot.key': choiceField(M2_KEYS.map((key) => [key, texts.key(key)] as const)),
  'slot.moduleLengthsMm': LENGTHS_FIELD,
  'slot.wired': wordsField(M2_SIGNALS.map((signal) => [signal, SIGNAL_WORDS[signal]] as const)),
  'slot.fan': FAN_FIELD,
  'slot.latch': choiceField([
    [true, texts.hasOne],
    [false, texts.hasNone],
  ] as const),
  'case.bracket': choiceField([
    ['full', texts.fullHeight],
    ['low', texts.lowProfile],
  ] as const),
  'case.lengthRoomMm': numberField(texts.aLength, 'case.lengthRoomMm'),
  'case.openings': numberField(texts.aNumberOfOpenings, 'case.openings'),
  'case.covers': COVERS,
  'case.frontCovers': COVERS,
  'case.panelHeld': choiceField([
    ['screws', texts.screws],
    ['latch', texts.aLatch],
  ] as const),
  'case.opensBothSides': choiceField([
    [true, texts.comesOffToo],
    [false, texts.staysOn],
  ] as const),
  'case.retentionBar': choiceField([
    [true, texts.aBarOverAll],
    [false, texts.noBar],
  ] as const),
  'case.spareCovers': numberField(texts.aNumber, 'case.spareCovers'),
  'case.spareScrews': numberField(texts.aNumber, 'case.spareScrews'),
  'case.spareModuleScrews': numberField(texts.aNumber, 'case.spareModuleScrews'),
  'case.leadLock': choiceField([
    [true, texts.hasALock],
    [false, texts.hasNone],
  ] as const),
  'case.frontLeads': FRONT_LEADS_FIELD,
  'board.headers': HEADERS_FIELD,
  'supply.twelveVoltWatts': numberField(texts.aNumberOfWatts, 'supply.twelveVoltWatts'),
  'supply.baseWatts': numberField(texts.aNumberOfWatts, 'supply.baseWatts'),
  'supply.plugs': PLUGS_FIELD,
  'system.family': FAMILY,
  'system.version': VERSION_FIELD,
  'system.architecture': ARCHITECTURE,
  'secondSystem.family': FAMILY,
  'secondSystem.version': VERSION_FIELD,
  'secondSystem.architecture': ARCHITECTURE,
  'firmware.kind': choiceField([
    ['uefi', texts.uefi],
    ['bios', texts.bios],
  ] as const),
  'firmware.date': DATE_FIELD,
  'firmware.largeWindows': choiceField([
    [true, texts.given],
    [false, texts.notGiven],
  ] as const),
  'lead.cable': choiceField(CABLE_CLASSES.map((cable) => [cable, CABLE_WORDS[cable]] as const)),
  'lead.condition': choiceField(
    LEAD_CONDITIONS.map((condition) => [condition, LEAD_CONDITION_WORDS[condition]] as const),
  ),
  'hop.portMegabits': SPEEDS_FIELD,
  'accessPoint.bands': wordsField(WIFI_BANDS.map((band) => [band, band] as const)),
  'path.internetMegabits': numberField(texts.aRate, 'path.internetMegabits'),
  'screen.input': choiceField(INPUTS),
  'screen.otherInputs': wordsField(INPUTS),
} as const satisfies Readonly<Partial<Record<FactCode, unknown>>>;

/** Straight to the processor; what lies between otherwise is told in the slot's form. */
const UPLINK: FieldKind<string> = {
  expects: texts.processorTellAnythingElseIn,
  print: () => texts.toTheProcessor,
  parse: (text) => (/^(to the |the )?processor$/i.test(text) ? 'processor' : null),
  options: [{ text: 'processor', label: texts.straightToTheProcessor }],
};

/** The field of a fact in the worklist, and the value of the survey that its answer stands for. */
interface Entry {
  readonly field: FieldKind<unknown>;
  readonly valueOf: (answer: unknown) => unknown;
}

const OTHERWISE: Readonly<Partial<Record<FactCode, (answer: unknown) => unknown>>> = {
  'slot.occupant': (answer) => (answer as { readonly occupant: unknown }).occupant,
  'slot.fan': (answer) => (answer as { readonly fan: unknown }).fan,
  'slot.uplink': () => null,
};

/** Null for the slots themselves: they come from evidence or a template. */
export function entryOf(code: FactCode): Entry | null {
  if (code === 'slots') return null;
  const field = code === 'slot.uplink' ? UPLINK : FIELD[code];
  return {
    // Each code has a field of its own type; here none of them is told from another.
    field: field as FieldKind<unknown>,
    valueOf: OTHERWISE[code] ?? ((answer) => answer),
  };
}

type SystemFact = 'system.family' | 'system.version' | 'system.architecture';

const FAMILIES: readonly (readonly [RegExp, SystemFamily])[] = [
  [/windows/, 'windows'],
  [/linux/, 'linux'],
  [/bsd/, 'bsd'],
  [/mac/, 'macos-like'],
  [/unix/, 'unix'],
];
const ARCHITECTURES: readonly (readonly [RegExp, Architecture])[] = [
  [/arm64|aarch64/, 'arm64'],
  [/x86[-_ ]?64|x64|amd64|64[- ]?bit/, 'x86-64'],
  [/x86[-_ ]?32|i[3-6]86|32[- ]?bit/, 'x86-32'],
];

/** What a line such as “Windows 11, 64 bit” says of a system; what it does not say is left out. */
export function systemSaid(text: string): Readonly<Partial<Record<SystemFact, string>>> {
  const said = text.toLowerCase().slice(0, 100);
  const family = FAMILIES.find(([pattern]) => pattern.test(said))?.[1];
  const built = ARCHITECTURES.find(([pattern]) => pattern.test(said));
  // The number that is left once the word length is taken away.
  const version = /\d+(?:\.\d+)*/.exec(
    built === undefined ? said : said.replace(built[0], ''),
  )?.[0];
  return {
    ...(family === undefined ? {} : { 'system.family': family }),
    ...(version === undefined ? {} : { 'system.version': version }),
    ...(built === undefined ? {} : { 'system.architecture': built[1] }),
  };
}

/** By what stands in the field: a choice by its words as well, and a number of lanes or a generation with its letter. */
function parsed({ options, parse }: FieldKind<unknown>, text: string): unknown {
  const said = text.trim().toLowerCase();
  const option = options?.find(
    (each) =>
      each.label.toLowerCase() === said ||
      each.text.toLowerCase() === said ||
      each.label.toLowerCase().replace(/^(x|gen |key )/, '') === said,
  );
  return option === undefined ? parse(text.trim()) : parse(option.text);
}

/**
 * One answer for all of them, or one each in their order; null where it is neither. Commas stand between them, and
 * between answers that are lists themselves semicolons.
 */
export function answersOf(
  field: FieldKind<unknown>,
  count: number,
  text: string,
): readonly unknown[] | null {
  const whole = parsed(field, text);
  if (count === 1) return whole === null ? null : [whole];
  const parts = text.split(text.includes(';') || Array.isArray(whole) ? ';' : ',');
  if (parts.length === 1 && whole !== null) return Array.from({ length: count }, () => whole);
  if (parts.length !== count) return null;
  const each = parts.map((part) => parsed(field, part));
  return each.includes(null) ? null : each;
}
