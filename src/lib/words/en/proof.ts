/** What measurements mean, in words. */
import { needWordsOf } from './kinds/words';
import type { Cause } from '$core/standards';
import type { CauseAt, Explanation, Judgement, Reasons, RunGroup, RuledOut } from '$core/diagnosis';
import type { Component, Flow, Measure } from '$core/kinds';
import type { RunTest } from '$core/parts';
import { CAUSE_WORDS, RUN_KIND_WORDS, componentWords } from './causes';
import { answerTo } from './checks';
import { counted } from './figures';
import { band, flowFigure } from './flowFigures';
import { capital } from './stepWords';

export function judgementWords({ outcome }: Judgement, flow: Flow): string {
  switch (outcome) {
    case 'asExpected':
      return `is as expected (${band(flow)}).`;
    case 'aboveExpected':
      return `is more than this path can carry (${flowFigure(flow.high, flow)}). Bits taken for bytes, or a copy from memory? Measure again.`;
    case 'belowHealthy':
      return `does what was wanted, but a healthy one shows ${band(flow)}.`;
    case 'short':
      return `falls short of the ${flowFigure(flow.wanted, flow)} wanted.`;
    case 'capped':
      return 'is what the screen shows at most: the card may do more. Switch synchronisation off to see.';
  }
}

/** How it was measured: “one large file, to the far end”. */
export function testWords(test: RunTest, flow: Pick<Flow, 'need'>): string {
  const way = directionWords(test.direction, flow);
  return [
    test.what === 'work' ? '' : RUN_KIND_WORDS[test.what],
    way,
    test.alone ? 'one alone' : '',
    test.isCold ? 'after a cold start' : '',
    test.variant,
  ]
    .filter((each) => each !== '')
    .join(', ');
}

export function directionWords(
  direction: RunTest['direction'],
  { need }: Pick<Flow, 'need'>,
): string {
  return direction === null ? '' : needWordsOf(need).direction[direction];
}

/** “Median of 3, half of them between 110 and 113 MB/s”. */
export function spreadWords(
  { runs, quartiles: [low, high], outliers }: RunGroup,
  flow: Flow,
): string {
  if (runs.length === 1) return 'one run';
  const far = outliers.length === 0 ? '' : `; ${counted(outliers.length, 'run')} far from the rest`;
  return `median of ${runs.length}, half of them between ${flowFigure(low, flow)} and ${flowFigure(high, flow)}${far}`;
}

export const isFew = ({ runs }: RunGroup): boolean => runs.length < ENOUGH_RUNS;
/** Fewer say little of how much they differ. Common practice, no source. */
const ENOUGH_RUNS = 3;

/** Before against after: “2.5 times”. */
export const ratioWords = (before: number, after: number): string =>
  after >= before
    ? `${short.format(after / before)} times as fast as before`
    : `only ${short.format((after / before) * 100)} % of before`;
const short = new Intl.NumberFormat('en-GB', { maximumSignificantDigits: 2 });

/** A cause with where it is: “the link to Rack: a lead does not carry the speed”. */
export function causeWords({ part, cause }: CauseAt, components: readonly Component[]): string {
  const component = components.find(({ id }) => id === part);
  const is = CAUSE_WORDS[cause].is;
  return component?.what === 'wire' ? `${componentWords(component)}: ${is}` : is;
}

/** Measurements that tell causes apart, with why. */
export const MEASURE_WORDS: Readonly<
  Record<Measure, { readonly title: string; readonly why: string }>
> = {
  large: {
    title: 'Measure with one large file',
    why: 'The same way and the same ends, one file: if it is fast, it was the many small ones.',
  },
  wire: {
    title: 'Measure from memory to memory',
    why: 'No drive takes part: if it is fast, look at the drives; if it is as slow, at the wire.',
  },
  alone: {
    title: 'Measure one drive alone',
    why: 'The others rest: if it is fast, what they share limits; if it is as slow, the drive or its lead.',
  },
  otherWay: {
    title: 'Measure the other direction',
    why: 'If only one direction is slow, what both have in common is cleared.',
  },
};

/** What a figure says for a cause. */
export function reasonWords({ figures, answers }: Reasons, flow: Flow): string {
  const [first] = figures;
  return [
    ...(first === undefined ? [] : [`would show ${band({ ...flow, ...first.shows })}`]),
    ...(answers.length === 0 ? [] : ['was seen']),
  ].join(', ');
}

/** What speaks against a cause that is ruled out. */
export function againstWords(
  { part, by }: RuledOut,
  flow: Flow,
  components: readonly Component[],
): string {
  const component = components.find(({ id }) => id === part);
  return 'check' in by
    ? `${component === undefined ? part : componentWords(component)}: ${answerTo(by.check, by.answer)}`
    : `would have shown ${band({ ...flow, ...by.shows })} (${testWords(by.figure.test, flow)})`;
}

/** Explanations of one cause each, put together by what it is, wherever it may be. */
interface CauseLine {
  readonly causes: readonly CauseAt[];
  readonly probability: number;
}

export function causeLines(
  explanations: readonly Explanation[],
  least: number,
  most: number,
): readonly CauseLine[] {
  const byCause = new Map<Cause, CauseLine>();
  for (const { causes, probability } of explanations) {
    const [first, second] = causes;
    if (first === undefined || second !== undefined) continue;
    const before = byCause.get(first.cause);
    byCause.set(first.cause, {
      causes: [...(before?.causes ?? []), first],
      probability: (before?.probability ?? 0) + probability,
    });
  }
  return [...byCause.values()]
    .filter(({ probability }) => probability >= least)
    .toSorted((a, b) => b.probability - a.probability)
    .slice(0, most);
}

/** “A lead does not carry the speed: link to Gallery or link to Rack.” */
export function lineWords({ causes }: CauseLine, components: readonly Component[]): string {
  const is = capital(CAUSE_WORDS[causes[0]!.cause].is);
  const places = causes.flatMap(({ part }) => {
    const component = components.find(({ id }) => id === part);
    return component?.what === 'wire' ? componentWords(component) : [];
  });
  return places.length === 0 ? is : `${is}: ${listed(places)};`;
}

const listed = (words: readonly string[]): string =>
  new Intl.ListFormat('en-GB', { type: 'disjunction' }).format(words);
