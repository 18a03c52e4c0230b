/**
 * Several sources of one fact. The best is believed, and whoever says otherwise is kept beside it, so that a
 * contradiction is shown and not hidden.
 */
import type { Fact, Claim, Source } from '../parts/fact.ts';
import { isBetter, type Trust } from '../parts/trust.ts';

/** The fact after one more source was heard. */
export function addClaim<Value>(
  before: Fact<Value>,
  value: Value,
  source: Source,
  trust: Trust,
): NonNullable<Fact<Value>> {
  const heard: Claim<Value> = { value, source };
  if (before === null) return heard;
  const others = before.others ?? [];
  // A correction made with this source already heard stands: the technician knew.
  const overruled =
    before.source === 'technician' && others.some((other) => other.source === source);
  const better = !overruled && (source === before.source || isBetter(trust, source, before.source));
  const [believed, doubted] = better ? [heard, before] : [before, heard];
  return settled(believed, [doubted, ...others]);
}

/** The fact as the technician puts it: believed whatever the others say, and they are kept. */
export function override<Value>(before: Fact<Value>, value: Value | null): Fact<Value> {
  const said = before === null ? [] : [before, ...(before.others ?? [])];
  const others = said.filter(({ source }) => source !== 'technician');
  if (value !== null) return settled({ value, source: 'technician' }, others);
  // Taking a correction back leaves what the next best source says.
  const [next, ...rest] = others;
  return before?.source === 'technician' && next !== undefined ? settled(next, rest) : null;
}

/** One testimony a source: the believed one, and behind it what each other source last said. */
function settled<Value>(
  { value, source }: Claim<Value>,
  others: readonly Claim<Value>[],
): NonNullable<Fact<Value>> {
  const said = new Set<Source>([source]);
  const kept = others.flatMap((other) => {
    if (said.has(other.source)) return [];
    said.add(other.source);
    return [{ value: other.value, source: other.source }];
  });
  return kept.length === 0 ? { value, source } : { value, source, others: kept };
}

/**
 * Who says something else than what is believed. A template says how machines of the kind are: the technician who
 * says how this one is corrects it, and contradicts nobody.
 */
export function disagreeing<Value>(fact: Fact<Value>): readonly Claim<Value>[] {
  return (fact?.others ?? []).filter(
    ({ value, source }) =>
      !(source === 'template' && fact?.source === 'technician') && !isSame(value, fact?.value),
  );
}

/** What is to become of a card is decided, not seen: it makes no difference between two who saw the same card. */
const isSame = (a: unknown, b: unknown): boolean => seen(a) === seen(b);
const seen = (value: unknown): string =>
  JSON.stringify(value, (key, inner: unknown) => (key === 'disposition' ? undefined : inner));

export interface Contradiction {
  /** Where in the machine: names of fields and positions in lists. */
  readonly path: readonly (string | number)[];
  readonly believed: Claim<unknown>;
  readonly others: readonly Claim<unknown>[];
}

/** Every fact of a machine about which its sources disagree, in the order of the document. */
export function contradictions(
  part: unknown,
  path: readonly (string | number)[] = [],
): readonly Contradiction[] {
  if (typeof part !== 'object' || part === null) return [];
  const { value, source } = part as Partial<NonNullable<Fact<unknown>>>;
  const against = source === undefined ? [] : disagreeing({ value, source, ...part });
  const own: readonly Contradiction[] =
    source === undefined || against.length === 0
      ? []
      : [{ path, believed: { value, source }, others: against }];
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
