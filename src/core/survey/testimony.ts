/**
 * Several witnesses of one fact. The best is believed, and whoever says otherwise is kept beside it, so that a
 * contradiction is shown and not hidden.
 */
import type { Fact, Testimony, Witness } from '../parts/fact.ts';

/** Best first. What a link is wired and powered for, its port knows better than any label. */
const WIRING: readonly Witness[] = [
  'registers',
  'text',
  'system',
  'technician',
  'firmware',
  'template',
  'screen',
];
/** What can be seen, whoever opened the machine knows best. */
const SIGHT: readonly Witness[] = [
  'technician',
  'registers',
  'text',
  'system',
  'screen',
  'firmware',
  'template',
];
const ORDERS = { wiring: WIRING, sight: SIGHT } as const;
export type Trust = keyof typeof ORDERS;

/** The fact after one more witness was heard. */
export function testify<Value>(
  before: Fact<Value>,
  value: Value,
  witness: Witness,
  trust: Trust,
): NonNullable<Fact<Value>> {
  const heard: Testimony<Value> = { value, witness };
  if (before === null) return heard;
  const others = before.others ?? [];
  // A correction made with this witness already heard stands: the technician knew.
  const overruled =
    before.witness === 'technician' && others.some((other) => other.witness === witness);
  const order = ORDERS[trust];
  const better =
    !overruled &&
    (witness === before.witness || order.indexOf(witness) < order.indexOf(before.witness));
  const [believed, doubted] = better ? [heard, before] : [before, heard];
  return settled(believed, [doubted, ...others]);
}

/** The fact as the technician puts it: believed whatever the others say, and they are kept. */
export function tell<Value>(before: Fact<Value>, value: Value | null): Fact<Value> {
  const said = before === null ? [] : [before, ...(before.others ?? [])];
  const others = said.filter(({ witness }) => witness !== 'technician');
  if (value !== null) return settled({ value, witness: 'technician' }, others);
  // Taking a correction back leaves what the next best witness says.
  const [next, ...rest] = others;
  return before?.witness === 'technician' && next !== undefined ? settled(next, rest) : null;
}

/** One testimony a witness: the believed one, and behind it what each other witness last said. */
function settled<Value>(
  { value, witness }: Testimony<Value>,
  others: readonly Testimony<Value>[],
): NonNullable<Fact<Value>> {
  const said = new Set<Witness>([witness]);
  const kept = others.flatMap((other) => {
    if (said.has(other.witness)) return [];
    said.add(other.witness);
    return [{ value: other.value, witness: other.witness }];
  });
  return kept.length === 0 ? { value, witness } : { value, witness, others: kept };
}

/**
 * Who says something else than what is believed. A template says how machines of the kind are: the technician who
 * says how this one is corrects it, and contradicts nobody.
 */
export function disagreeing<Value>(fact: Fact<Value>): readonly Testimony<Value>[] {
  return (fact?.others ?? []).filter(
    ({ value, witness }) =>
      !(witness === 'template' && fact?.witness === 'technician') && !isSame(value, fact?.value),
  );
}

/** What is to become of a card is decided, not seen: it makes no difference between two who saw the same card. */
const isSame = (a: unknown, b: unknown): boolean => seen(a) === seen(b);
const seen = (value: unknown): string =>
  JSON.stringify(value, (key, inner: unknown) => (key === 'fate' ? undefined : inner));

export interface Contradiction {
  /** Where in the machine: names of fields and positions in lists. */
  readonly path: readonly (string | number)[];
  readonly believed: Testimony<unknown>;
  readonly others: readonly Testimony<unknown>[];
}

/** Every fact of a machine about which its witnesses disagree, in the order of the document. */
export function contradictions(
  part: unknown,
  path: readonly (string | number)[] = [],
): readonly Contradiction[] {
  if (typeof part !== 'object' || part === null) return [];
  const { value, witness } = part as Partial<NonNullable<Fact<unknown>>>;
  const against = witness === undefined ? [] : disagreeing({ value, witness, ...part });
  const own: readonly Contradiction[] =
    witness === undefined || against.length === 0
      ? []
      : [{ path, believed: { value, witness }, others: against }];
  return [
    ...own,
    ...Object.entries(part).flatMap(([key, inner]) =>
      // Devices are read, not told: they hold no facts, and there may be hundreds.
      key === 'functions' || key === 'others'
        ? []
        : contradictions(inner, [...path, Array.isArray(part) ? Number(key) : key]),
    ),
  ];
}
