/**
 * A job as it goes out of the house. It is made of what is known to hold nothing personal: numbers, choices, ids, what makers
 * and systems call their things. What people write goes only where that is ticked; all that goes is searched for every form
 * of every name and for the shapes of numbers, addresses and secrets; and what stayed is told.
 */
import { withDrives } from '../kinds/drives/wanted.ts';
import { withoutNumber } from '../parts/pciFunction.ts';
import { Job } from '../document/job.ts';
import type { DevicesObservation } from '../document/observation.ts';
import { cleaned, namesOf, type PersonalKind } from './personal.ts';
import { withTexts } from './texts.ts';

export interface ExportChoice {
  /** The names of the customer and of the technician, wherever they stand. */
  readonly customer: boolean;
  /** Numbers and addresses by which a single device is known. */
  readonly serials: boolean;
  readonly photographs: boolean;
  /** What people wrote: titles, names of things, notes, the log’s details. */
  readonly words: boolean;
}

/** Something that stayed in the house, and where it stood. */
export interface StayedIn {
  readonly what: 'words' | 'photograph' | PersonalKind;
  readonly place: string;
  readonly text: string;
}

export interface Exported {
  readonly job: Job;
  readonly stayed: readonly StayedIn[];
  /** What people wrote and goes out, as it goes. */
  readonly words: readonly Pick<StayedIn, 'place' | 'text'>[];
}

export const forExport = (job: Job, choice: ExportChoice): Job => exportOf(job, choice).job;

export function exportOf(job: Job, choice: ExportChoice): Exported {
  const stayed: StayedIn[] = [];
  const words: { readonly place: string; readonly text: string }[] = [];
  const names = choice.customer ? null : namesOf([job.customer, job.technician, ...whosOf(job)]);
  const shapes = new Set<PersonalKind>(['secret']);
  if (!choice.serials) shapes.add('number');
  if (!choice.customer) shapes.add('name');
  const known = new Set(namesOfThings(job));
  const numbered = choice.serials ? job : withoutSerials(job, stayed);
  const texts = withTexts(Job, numbered, (text, place, at) => {
    if (text === '') return text;
    const kind = kindOf(place);
    if (kind === 'who') {
      if (choice.customer) return text;
      stayed.push({ what: 'name', place, text });
      return '';
    }
    if (kind === 'code') return text;
    const isWords = kind === 'words' && !known.has(text) && !A_COUNT.test(text);
    if (isWords && !choice.words) {
      stayed.push({ what: 'words', place, text });
      return PLAIN_NAMES[place]?.((at.at(-1) ?? 0) + 1) ?? '';
    }
    // A version may look like an address: what makers and systems write is searched for names alone.
    const { text: left, found } = cleaned(text, names, isWords ? shapes : NO_SHAPES);
    for (const each of found) stayed.push({ what: each.kind, place, text: each.text });
    if (isWords) words.push({ place, text: left });
    return left;
  });
  if (choice.photographs) return { job: texts, stayed, words };
  for (const { id } of texts.photos) stayed.push({ what: 'photograph', place: 'photos', text: id });
  return { job: { ...texts, photos: [] }, stayed, words };
}

/** How many, and nothing else. */
const A_COUNT = /^\d{1,5}$/;
const NO_SHAPES: ReadonlySet<PersonalKind> = new Set();

/** Whoever changed the job stands in its log, and with what they did. */
const whosOf = ({ log, acts }: Job): readonly string[] => [
  ...new Set([...log, ...acts].map(({ who }) => who)),
];

/** Cards and devices by the names that their makers gave them: somebody may have typed those, and wrote nothing. */
function* namesOfThings({ machine, plan }: Job): Generator<string> {
  for (const { name } of machine.functions) if (name !== null) yield name;
  for (const { card } of [...(plan?.placements ?? []), ...(plan?.moves ?? [])])
    yield `${card.maker} ${card.model}`;
}

type TextKind = 'who' | 'fact' | 'code' | 'words';

/** What stands where. What is not named here people write. The first that fits counts. */
const KINDS: readonly (readonly [TextKind, readonly RegExp[]])[] = [
  ['who', [/^customer$/, /^technician$/, /^(?:log|acts)\.\*\.who$/]],
  [
    'code',
    [
      /^log\.\*\.command$/,
      /^observations\.\*\.value(?:\.(?:part|answer|place))?$/,
      /\.uplink\..*\.id$/,
      // Where they are not ticked they are gone already.
      /\.serial$/,
    ],
  ],
  [
    'fact',
    [
      /\.(?:maker|model|chip|fits|leadsBeforeSeating\.\*)$/,
      /\.statements\.\*\.(?:machine|slot|card)$/,
      /^(?:plan\.)?packages\./,
      /(?:^|\.)machine\.(?:functions|inTrouble|system|secondSystem|firmware|onBoard|screens)\./,
      /\.plugs(?:InUse)?\..*\.lead$/,
      /^observations\.\*\.value\.(?:driver|trouble|list\.\*\.\w+|drive\.(?:maker|model))$/,
      /^needs\.\*\.group$/,
    ],
  ],
];

const kindOf = (place: string): TextKind =>
  KINDS.find(([, patterns]) => patterns.some((pattern) => pattern.test(place)))?.[0] ?? 'words';

/** What cannot be without a name gets a plain one, of no language. */
const MACHINE_NAMES: Readonly<Record<string, (n: number) => string>> = {
  'slots.*.label': (n) => `#${n}`,
  'slots.*.occupant.value.name': () => '?',
  'slots.*.occupant.others.*.value.name': () => '?',
  'obstacles.*.name': (n) => `#${n}`,
  'enclosures.*.name': (n) => `#${n}`,
};
const PLAIN_NAMES: Readonly<Record<string, (n: number) => string>> = Object.fromEntries(
  Object.entries(MACHINE_NAMES).flatMap(([place, name]) => [
    [`machine.${place}`, name],
    [`benchTest.machine.${place}`, name],
  ]),
);

function withoutSerials(job: Job, stayed: StayedIn[]): Job {
  const told = (place: string, text: string): void => {
    if (text !== '') stayed.push({ what: 'number', place, text });
  };
  const bare = (place: string, id: string): string => {
    const left = withoutNumber(id);
    if (left !== id) told(place, id);
    return left;
  };
  const withoutNumbers = ({ list, ...value }: DevicesObservation['value']) => ({
    ...value,
    list: list.map((each) => ({ ...each, id: bare('observations.*.value.list.*.id', each.id) })),
  });
  for (const each of job.observations) {
    if (each.kind === 'serial') told('observations.*.value', each.value);
    if (each.kind === 'drive') told('observations.*.value.drive.serial', each.value.drive.serial);
  }
  return {
    ...job,
    observations: job.observations
      .filter(({ kind }) => kind !== 'serial' && kind !== 'drive')
      .map((each) =>
        each.kind === 'devices' ? { ...each, value: withoutNumbers(each.value) } : each,
      ),
    needs: job.needs.map((need) =>
      withDrives(need, (drive) => {
        told('needs.*.these.*.serial', drive.serial);
        return { ...drive, serial: '' };
      }),
    ),
    machine: {
      ...job.machine,
      inTrouble: job.machine.inTrouble.map((each) => ({
        ...each,
        id: bare('machine.inTrouble.*.id', each.id),
      })),
    },
  };
}
