/** How facts of each kind are typed, printed and offered. */
import { PLUG_TYPES, ETHERNET_MEGABITS, type PlugType } from '$core';

export interface FieldKind<Value> {
  readonly unit?: string;
  /** For the sentence that refuses other input: “… is not {expects}”. */
  readonly expects: string;
  readonly print: (value: Value) => string;
  /** Null for input that is not of this kind. */
  readonly parse: (text: string) => Value | null;
  readonly options?: readonly { readonly text: string; readonly label: string }[];
}

export function numberField(
  expects: string,
  {
    unit,
    least,
    most,
    whole = true,
  }: { unit?: string; least: number; most: number; whole?: boolean },
): FieldKind<number> {
  return {
    ...(unit === undefined ? {} : { unit }),
    expects: `${expects} from ${least} to ${most}`,
    print: String,
    parse: (text) => {
      const value = Number(text.replace(',', '.'));
      const fits = value >= least && value <= most && (!whole || Number.isInteger(value));
      return fits ? value : null;
    },
  };
}

/** One of a few values. */
export function choiceField<Value extends string | number | boolean>(
  labels: readonly (readonly [Value, string])[],
): FieldKind<Value> {
  return {
    expects: 'one of the choices',
    print: String,
    parse: (text) => labels.find(([value]) => String(value) === text)?.[0] ?? null,
    options: labels.map(([value, label]) => ({ text: String(value), label })),
  };
}

export const VERSION_FIELD: FieldKind<string> = {
  expects: 'a version such as 11 or 6.1',
  print: String,
  parse: (text) => (/^\d+(\.\d+)*$/.test(text) ? text : null),
};

type Plugs = readonly { readonly type: PlugType; readonly count: number }[];

/** Free plugs as “1 × 8-pin, 2 × sata”; “none” for none. */
export const PLUGS_FIELD: FieldKind<Plugs> = {
  expects: `a list such as 1 × 8-pin, 2 × sata (${PLUG_TYPES.join(', ')}), or none`,
  print: (plugs) =>
    plugs.length === 0 ? 'none' : plugs.map(({ type, count }) => `${count} × ${type}`).join(', '),
  parse: (text) => {
    if (text.toLowerCase() === 'none') return [];
    const plugs = text.split(',').map((part) => {
      const match = /^(\d{1,2})\s*[x×*]?\s*(.+)$/.exec(part.trim().toLowerCase());
      const type = PLUG_TYPES.find((each) => each === match?.[2]?.trim());
      return match === null || type === undefined ? null : { type, count: Number(match[1]) };
    });
    return plugs.every((plug) => plug !== null) ? plugs : null;
  },
};

/** Speeds in megabits per second as “1000, 2500”. */
export const SPEEDS_FIELD: FieldKind<readonly number[]> = {
  unit: 'Mb/s',
  expects: `a list of ${ETHERNET_MEGABITS.join(', ')}`,
  print: (speeds) => speeds.join(', '),
  parse: (text) => {
    const speeds = text.split(/[,;\s]+/).map(Number);
    const all: readonly number[] = ETHERNET_MEGABITS;
    return speeds.every((speed) => all.includes(speed)) ? speeds : null;
  },
};
