/** What of a surveyed machine a change has touched, as codes: the log keeps these, and a screen has words for them. */
import type { Enclosure, Machine, Occupant, Screen, Slot, Obstacle } from '../document/machine.ts';
import type { Hop, Lead } from '../parts/networkPath.ts';
import type { InnerLead } from '../parts/innerLead.ts';
import { valueOf } from '../parts/fact.ts';

type Part = 'supply' | 'system' | 'firmware' | 'accessPoint';

/** What an item of a list can go through as a whole. */
type Whole = 'added' | 'removed';
type Keys<Item> = Exclude<keyof Item & string, 'id'>;

interface Items {
  readonly slots: Slot;
  readonly obstacles: Obstacle;
  readonly screens: Screen;
  readonly leads: InnerLead;
  readonly enclosures: Omit<Enclosure, 'case' | 'supply'>;
  readonly hops: Omit<Hop, 'leads'>;
  readonly hopLeads: Lead;
}

/** A field of a machine, or what became of an item of a list; `occupant` is the card that sits in a slot. */
export type MachineField =
  | Exclude<keyof Machine, Part | keyof Items | 'case' | 'path'>
  | `case.${Exclude<Keys<Machine['case']>, 'baysFor'>}`
  | { [Name in Part]: `${Name}.${Keys<Machine[Name]>}` }[Part]
  | `secondSystem.${Keys<Machine['system']>}`
  | `path.${Exclude<Keys<Machine['path']>, 'hops'>}`
  | { [List in keyof Items]: `${List}.${Whole | Keys<Items[List]>}` }[keyof Items]
  | `occupant.${Keys<Occupant>}`;

export interface MachineChange {
  readonly field: MachineField;
  /** Of what it is a field, where a machine has several: a slot's label, an obstacle's name. */
  readonly of: string;
}

/** Every field in which two states of a survey differ, in the order in which the survey keeps them. */
export function machineChanges(before: Machine, after: Machine): readonly MachineChange[] {
  const found: MachineChange[] = [];
  const add = (field: string, of = '') => found.push({ field: field as MachineField, of });
  const fields = (prefix: string, was: object, is: object, of: string, without: string[] = []) => {
    for (const key of keysOf(was, is))
      if (!without.includes(key) && differs(at(was, key), at(is, key))) add(`${prefix}.${key}`, of);
  };
  const items = <Item extends { readonly id: string }>(
    list: string,
    [was, is]: readonly [readonly Item[], readonly Item[]],
    nameOf: (item: Item) => string,
    both: (was: Item, is: Item) => void = (one, other) => {
      fields(list, one, other, nameOf(other));
    },
  ) => {
    const old = new Map(was.map((item) => [item.id, item]));
    for (const item of is) {
      const one = old.get(item.id);
      old.delete(item.id);
      if (one === undefined) add(`${list}.added`, nameOf(item));
      else if (one !== item) both(one, item);
    }
    for (const item of old.values()) add(`${list}.removed`, nameOf(item));
  };

  for (const key of keysOf(before, after)) {
    if (!differs(at(before, key), at(after, key))) continue;
    switch (key) {
      case 'case':
      case 'supply':
      case 'system':
      case 'firmware':
      case 'accessPoint':
        fields(key, before[key], after[key], '');
        break;
      case 'secondSystem':
        if (before.secondSystem === null || after.secondSystem === null) add(key);
        else fields(key, before.secondSystem, after.secondSystem, '');
        break;
      case 'path':
        fields(key, before.path, after.path, '', ['hops']);
        items(
          'hops',
          [before.path.hops, after.path.hops],
          ({ name }) => name,
          (was, is) => {
            fields('hops', was, is, is.name, ['leads']);
            items('hopLeads', [was.leads, is.leads], () => is.name);
          },
        );
        break;
      case 'slots':
        items(
          key,
          [before.slots, after.slots],
          ({ label }) => label,
          (was, is) => {
            const [one, other] = [valueOf(was.occupant), valueOf(is.occupant)];
            const isSame = one != null && other != null;
            fields(key, was, is, is.label, isSame ? ['occupant'] : []);
            if (isSame) fields('occupant', one, other, is.label);
          },
        );
        break;
      case 'obstacles':
      case 'screens':
      case 'leads':
        items<{ readonly id: string; readonly name: string }>(
          key,
          [before[key], after[key]],
          ({ name }) => name,
        );
        break;
      case 'enclosures':
        items(
          key,
          [before.enclosures, after.enclosures],
          ({ name }) => name,
          (was, is) => {
            fields(key, was, is, is.name, ['case', 'supply']);
            fields('case', was.case, is.case, is.name);
            fields('supply', was.supply, is.supply, is.name);
          },
        );
        break;
      default:
        add(key);
    }
  }
  return found;
}

const keysOf = (one: object, other: object): readonly string[] => [
  ...new Set([...Object.keys(one), ...Object.keys(other)]),
];
const at = (of: object, key: string): unknown => (of as Readonly<Record<string, unknown>>)[key];
/** Documents are plain: two that are written alike are alike. */
const differs = (one: unknown, other: unknown): boolean =>
  one !== other && JSON.stringify(one) !== JSON.stringify(other);

const BETWEEN = '; ';

/** As a log keeps them: `slots.lanes Slot 3; case.bracket`. */
export const changesCode = (changes: readonly MachineChange[]): string =>
  changes.map(({ field, of }) => (of === '' ? field : `${field} ${of}`)).join(BETWEEN);

/** What such a line says, part by part: a code, and of what; a log of an older format has sentences instead of codes. */
export const changeParts = (code: string): readonly (readonly [code: string, of: string])[] =>
  code.split(BETWEEN).map((part) => {
    const space = part.indexOf(' ');
    return space < 0 ? [part, ''] : [part.slice(0, space), part.slice(space + 1)];
  });
