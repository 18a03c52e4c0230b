/** How facts of each kind are typed, printed and offered. */
import {
  BAY_SIZES,
  BOARD_HEADERS,
  DRIVE_ARRAYS,
  ETHERNET_MEGABITS,
  FRONT_LEADS,
  PLUG_TYPES,
  SENSED_WATTS,
  type BoardHeader,
  type DriveArray,
  type FrontLead,
  type PlugType,
} from '$core/standards';
import { FAN_CELL } from '$core/catalogue';
import { Machine } from '$core/document';
import { safeParse } from 'zod/mini';
import { boundsAt, isWithin, schemaAt } from '$core/parts';
import type { FieldUnit } from '$words/figures';
import { boundsWords, expectsWords } from '$words/expects';
import { typedMeasure, unitOfName } from '$core/read';
import { fields as texts } from '$words/stages/survey';

export interface FieldKind<Value> {
  readonly unit?: FieldUnit;
  /** For the sentence that refuses other input: “… is not {expects}”. */
  readonly expects: string;
  readonly print: (value: Value) => string;
  /** Null for input that is not of this kind. */
  readonly parse: (text: string) => Value | null;
  readonly options?: readonly { readonly text: string; readonly label: string }[];
}

/**
 * A number of the survey, within the bounds that the machine's schema has, typed in any unit.
 * @param path names with dots between, through lists and facts
 */
export function numberField(expects: string, path: string): FieldKind<number> {
  const bounds = boundsAt(Machine, path);
  const unit = unitOfName(path);
  return {
    ...(unit === null ? {} : { unit }),
    expects: `${expects} ${boundsWords(bounds)}`,
    print: String,
    parse: (text) => {
      const value = typedMeasure(text, unit);
      return value !== null && isWithin(bounds, value) ? value : null;
    },
  };
}

/** What was read, where the machine's schema takes it at that place. */
const kept = <Value>(path: string, value: Value): Value | null =>
  safeParse(schemaAt(Machine, path), value).success ? value : null;

/** What stands between the parts of a list, as people write one; the catalogue’s cells take the same. */
const BETWEEN = /[,;+]/;

/** One of a few values. */
export function choiceField<Value extends string | number | boolean>(
  labels: readonly (readonly [Value, string])[],
): FieldKind<Value> {
  return {
    expects: texts.oneOfTheChoices,
    print: String,
    parse: (text) => labels.find(([value]) => String(value) === text)?.[0] ?? null,
    options: labels.map(([value, label]) => ({ text: String(value), label })),
  };
}

/** Any short text. */
export const TEXT_FIELD: FieldKind<string> = {
  expects: texts.aText,
  print: String,
  parse: (text) => text.slice(0, 200),
};

export const DATE_FIELD: FieldKind<string> = {
  expects: texts.aDateSuchAs2019,
  print: String,
  parse: (text) =>
    /^\d{4}-\d{2}-\d{2}$/.test(text) && !Number.isNaN(Date.parse(text)) ? text : null,
};

/** Several of a few words, such as “PCI Express, USB”; “none” for none. */
export function wordsField<Word extends string>(
  words: readonly (readonly [Word, string])[],
): FieldKind<readonly Word[]> {
  const labels = words.map(([, label]) => label).join(', ');
  return {
    expects: texts.aListOfOrNone(labels),
    print: (values) =>
      values.length === 0
        ? 'none'
        : values.map((value) => words.find(([word]) => word === value)?.[1] ?? value).join(', '),
    parse: (text) => {
      if (text.toLowerCase() === 'none') return [];
      const found = text
        .split(BETWEEN)
        .map((part) =>
          words.find(([, label]) => label.toLowerCase() === part.trim().toLowerCase()),
        );
      return found.every((each) => each !== undefined) ? found.map(([word]) => word) : null;
    },
  };
}

type TheFan = { readonly fan: NonNullable<ReturnType<typeof FAN_CELL.parse>> | null };

/** A fan as “60–130, 20”: from and to along the card, and the air it wants; “none” for none. */
export const FAN_FIELD: FieldKind<TheFan> = {
  unit: 'mm',
  expects: texts.orNone(expectsWords(FAN_CELL.expects)),
  print: ({ fan }) => (fan === null ? 'none' : FAN_CELL.print(fan)),
  parse: (text) => {
    if (text.toLowerCase() === 'none') return { fan: null };
    const fan = FAN_CELL.parse(text);
    return fan === undefined ? null : { fan };
  },
};

type Bays = NonNullable<Machine['case']['bays']>['value'];

/** Free bays as “2 × 3.5, 1 × 2.5 up to 9.5 mm”; “none” for none. */
export const BAYS_FIELD: FieldKind<Bays> = {
  unit: 'inch',
  expects: texts.aListSuchAs2(BAY_SIZES.join(', ')),
  print: (bays) =>
    bays.length === 0
      ? 'none'
      : bays
          .map(
            ({ size, count, heightMm }) =>
              `${count} × ${size}${heightMm === undefined ? '' : ` up to ${heightMm} mm`}`,
          )
          .join(', '),
  parse: (text) => {
    if (text.toLowerCase() === 'none') return [];
    const bays = text.split(BETWEEN).map((part) => {
      const match = BAY.exec(part.trim());
      const size = BAY_SIZES.find((each) => each === (match?.[2] ?? '3.5'));
      const count = Number(match?.[1]);
      if (match === null || size === undefined) return null;
      return { size, count, ...(match[3] === undefined ? {} : { heightMm: Number(match[3]) }) };
    });
    return bays.every((bay) => bay !== null) ? kept<Bays>('case.bays', bays) : null;
  },
};
/** A number alone counts bays of the usual size. */
const BAY =
  /^(\d{1,3})(?:\s*[×x]\s*(\d(?:\.\d{1,2})?)(?:["”]|\s*inch)?)?(?:\s+up to\s+(\d{1,4}(?:\.\d{1,2})?)(?:\s*mm)?)?$/i;

/** Lengths of modules as “42, 80”. */
export const LENGTHS_FIELD: FieldKind<readonly number[]> = {
  unit: 'mm',
  expects: texts.aListSuchAs42,
  print: (lengths) => lengths.join(', '),
  parse: (text) => {
    const lengths = text.split(/[,;+\s]+/).map(Number);
    return kept('slots.moduleLengthsMm', lengths);
  },
};

export const VERSION_FIELD: FieldKind<string> = {
  expects: texts.aVersionSuchAs11,
  print: String,
  parse: (text) => (/^\d+(\.\d+)*$/.test(text) ? text : null),
};

/** With single blanks, and none at the ends. */
const spaced = (text: string): string => text.trim().replaceAll(/\s+/g, ' ');

type Several = { readonly count: number; readonly how: DriveArray };

/** Drives that work as one, as “2 mirror” or “3 parity”; “single” for one by itself. */
export const ARRAY_FIELD: FieldKind<Several> = {
  expects: texts.singleOrANumberWith,
  print: ({ count, how }) => (how === 'single' ? how : `${count} ${how}`),
  parse: (text) => {
    const match = /^(?:(\d{1,2}) ?[x×]? ?)?(single|mirror|stripe|parity)$/i.exec(spaced(text));
    const how = DRIVE_ARRAYS.find((each) => each === match?.[2]?.toLowerCase());
    const count = Number(match?.[1] ?? 1);
    if (how === undefined) return null;
    if (how === 'single') return count === 1 ? { count, how } : null;
    return count >= (how === 'parity' ? 3 : 2) ? { count, how } : null;
  },
};

type Rooms = readonly {
  readonly opening: number;
  readonly lengthMm: number;
  readonly thickness?: number | undefined;
}[];

/** Room where one opening has less than the others, as “3: 210, 4: 180 thick 1”: millimetres, and openings thick. */
export const ROOMS_FIELD: FieldKind<Rooms> = {
  unit: 'mm',
  expects: texts.aListSuchAs3,
  print: (rooms) =>
    rooms
      .map(
        ({ opening, lengthMm, thickness }) =>
          `${opening}: ${lengthMm}${thickness === undefined ? '' : ` thick ${thickness}`}`,
      )
      .join(', '),
  parse: (text) => {
    const rooms = text.split(BETWEEN).map((part) => {
      const match = /^(\d{1,2})\s*[:=]\s*(\d{1,4}(?:\.\d{1,2})?)(?:\s+thick\s+(\d{1,2}))?$/.exec(
        part.trim(),
      );
      return match === null
        ? null
        : {
            opening: Number(match[1]),
            lengthMm: Number(match[2]),
            ...(match[3] === undefined ? {} : { thickness: Number(match[3]) }),
          };
    });
    return rooms.every((room) => room !== null) ? kept('case.tightOpenings', rooms) : null;
  },
};

type Plugs = readonly {
  readonly type: PlugType;
  readonly count: number;
  readonly ratedWatts?: number | undefined;
  readonly lead?: string | undefined;
  readonly reachMm?: number | undefined;
}[];

const plugWords = ({ type, count, ratedWatts, lead, reachMm }: Plugs[number]): string =>
  `${count} × ${type}${ratedWatts === undefined ? '' : ` of ${ratedWatts} W`}${lead === undefined ? '' : ` on lead ${lead}`}${reachMm === undefined ? '' : ` to ${reachMm}`}`;

/** Free plugs as “2 × 8-pin on lead A to 340, 1 × 12v-2x6 of 450 W”: reach in mm down the board; “none” for none. */
export const PLUGS_FIELD: FieldKind<Plugs> = {
  expects: texts.aListSuchAs1(PLUG_TYPES.join(', ')),
  print: (plugs) => (plugs.length === 0 ? 'none' : plugs.map(plugWords).join(', ')),
  parse: (text) => {
    if (text.toLowerCase() === 'none') return [];
    const plugs = text.split(BETWEEN).map((part) => {
      const match =
        /^(\d{1,3}) ?[x×*]? ?([a-z0-9-]+)(?: of (\d{3}) ?W)?(?: on (?:lead )?(\S{1,20}))?(?: to (\d{1,4}))?$/i.exec(
          spaced(part),
        );
      const type = PLUG_TYPES.find((each) => each === match?.[2]?.trim().toLowerCase());
      if (match === null || type === undefined) return null;
      const [, count, , watts, lead, reach] = match;
      const rated = SENSED_WATTS.find((each) => String(each) === watts);
      if (watts !== undefined && rated === undefined) return null;
      return {
        type,
        count: Number(count),
        ...(rated === undefined ? {} : { ratedWatts: rated }),
        ...(lead === undefined ? {} : { lead }),
        ...(reach === undefined ? {} : { reachMm: Number(reach) }),
      };
    });
    return plugs.every((plug) => plug !== null) ? kept('supply.plugs', plugs) : null;
  },
};

type PlugsInUse = readonly {
  readonly type: PlugType;
  readonly feeds: string;
  readonly alsoTakes: readonly PlugType[];
  readonly atMm?: number | undefined;
  readonly lead?: string | undefined;
  readonly reachMm?: number | undefined;
}[];

const plugTypeOf = (text: string): PlugType | undefined =>
  PLUG_TYPES.find((each) => each === text.trim().toLowerCase());

/** Plugs in use as “sata to 300 feeds hard disk at 120 or 4-pin”: reach and place in mm down the board; “none” for none. */
export const PLUGS_IN_USE_FIELD: FieldKind<PlugsInUse> = {
  expects: texts.aListSuchAsSata(PLUG_TYPES.join(', ')),
  print: (plugs) =>
    plugs.length === 0
      ? 'none'
      : plugs
          .map(({ type, feeds, alsoTakes, atMm, lead, reachMm }) =>
            [
              type,
              ...(lead === undefined ? [] : [`on lead ${lead}`]),
              ...(reachMm === undefined ? [] : [`to ${reachMm}`]),
              `feeds ${feeds}`,
              ...(atMm === undefined ? [] : [`at ${atMm}`]),
              ...alsoTakes.map((other) => `or ${other}`),
            ].join(' '),
          )
          .join(', '),
  parse: (text) => {
    if (text.toLowerCase() === 'none') return [];
    const plugs = text.split(',').map((part) => {
      const [plug, ...things] = spaced(part).split(/ feeds /i);
      const [thing, ...others] = things.join(' feeds ').split(/ or /i);
      const own = /^([a-z0-9-]+)(?: on (?:lead )?(\S{1,20}))?(?: to (\d{1,4}))?$/i.exec(plug ?? '');
      const fed = /^(\S.{0,99}?)(?: at (\d{1,4}))?$/.exec(thing ?? '');
      const [type, alsoTakes] = [plugTypeOf(own?.[1] ?? ''), others.map(plugTypeOf)];
      if (own === null || fed === null || type === undefined) return null;
      if (!alsoTakes.every((other) => other !== undefined)) return null;
      return {
        type,
        feeds: fed[1] ?? '',
        alsoTakes,
        ...(fed[2] === undefined ? {} : { atMm: Number(fed[2]) }),
        ...(own[2] === undefined ? {} : { lead: own[2] }),
        ...(own[3] === undefined ? {} : { reachMm: Number(own[3]) }),
      };
    });
    return plugs.every((plug) => plug !== null) ? kept('supply.plugsInUse', plugs) : null;
  },
};

type FrontLeads = readonly { readonly type: FrontLead; readonly nearestMm?: number | undefined }[];

/** Front leads as “audio, usb-19-pin to 120”: how near to the rear edge they come, in mm; “none” for none. */
export const FRONT_LEADS_FIELD: FieldKind<FrontLeads> = {
  expects: texts.aListSuchAsAudio(FRONT_LEADS.join(', ')),
  print: (leads) =>
    leads.length === 0
      ? 'none'
      : leads
          .map(
            ({ type, nearestMm }) => `${type}${nearestMm === undefined ? '' : ` to ${nearestMm}`}`,
          )
          .join(', '),
  parse: (text) => {
    if (text.toLowerCase() === 'none') return [];
    const leads = text.split(BETWEEN).map((part) => {
      const match = /^(\S+)(?:\s+to (\d{1,4}))?$/i.exec(part.trim());
      const type = FRONT_LEADS.find((each) => each === match?.[1]?.toLowerCase());
      if (match === null || type === undefined) return null;
      return { type, ...(match[2] === undefined ? {} : { nearestMm: Number(match[2]) }) };
    });
    return leads.every((lead) => lead !== null) ? kept('case.frontLeads', leads) : null;
  },
};

type Headers = readonly {
  readonly type: BoardHeader;
  readonly place?: { readonly xMm: number; readonly yMm: number } | undefined;
}[];

/** Free headers as “usb-9-pin at 120/292”: from the rear edge and from the board's upper edge, in mm. */
export const HEADERS_FIELD: FieldKind<Headers> = {
  expects: texts.aListSuchAsUsb(BOARD_HEADERS.join(', ')),
  print: (headers) =>
    headers.length === 0
      ? 'none'
      : headers
          .map(({ type, place }) =>
            place === undefined ? type : `${type} at ${place.xMm}/${place.yMm}`,
          )
          .join(', '),
  parse: (text) => {
    if (text.toLowerCase() === 'none') return [];
    const headers = text.split(BETWEEN).map((part) => {
      const match = /^(\S+)(?:\s+at (\d{1,4})\s*\/\s*(\d{1,4}))?$/i.exec(part.trim());
      const type = BOARD_HEADERS.find((each) => each === match?.[1]?.toLowerCase());
      if (match === null || type === undefined) return null;
      const [, , x, y] = match;
      return {
        type,
        ...(x === undefined || y === undefined
          ? {}
          : { place: { xMm: Number(x), yMm: Number(y) } }),
      };
    });
    return headers.every((header) => header !== null) ? kept('headers', headers) : null;
  },
};

/** Speeds in megabits per second as “1000, 2500”. */
export const SPEEDS_FIELD: FieldKind<readonly number[]> = {
  unit: 'Mb/s',
  expects: texts.aListOf(ETHERNET_MEGABITS.join(', ')),
  print: (speeds) => speeds.join(', '),
  parse: (text) => {
    const speeds = text.split(/[,;+\s]+/).map(Number);
    const all: readonly number[] = ETHERNET_MEGABITS;
    return speeds.every((speed) => all.includes(speed)) ? speeds : null;
  },
};
