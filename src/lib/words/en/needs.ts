/** Needs in one line, and how the machine stands to them. */
import type { MetByMachine } from '$core/flow';
import type { Need } from '$core/kinds';
import { flowFigure } from './flowFigures';
import { findingWords, remedyWords } from './findings';
import { list } from './kinds/kindWords';
import { needWordsOf } from './kinds/words';
import { FLOW_WORDS } from './stages';
import { MANNER_WORDS } from './things';

export const needWords = (need: Need): string =>
  list(
    needWordsOf(need).asks(need),
    ...need.manners.map((manner) => MANNER_WORDS[manner]),
    need.later ? 'later' : '',
  );

/** Whether the machine meets it as it stands, with the figure and with what it takes. */
export function metByMachineWords(met: MetByMachine, need: Need): string {
  const { state, flow, units } = met;
  const { stands } = needWordsOf(need);
  if (stands !== null && state !== 'unknown') return stands[state];
  if (state === 'met' && flow !== null)
    return [
      `The machine does it already: ${gives(flow)}.`,
      ...met.catches.flatMap((each) => [findingWords(each), remedyWords(each) ?? []].flat()),
    ].join(' ');
  if (state === 'unknown')
    return flow === null || units === 0
      ? 'Whether the machine does it already is not known.'
      : 'The machine may do it already; a part of the path is not known.';
  return flow === null
    ? 'The machine has nothing of the kind.'
    : flow.finding.code === 'deliver.short' || units > 0
      ? `Not as it stands: ${gives(flow)}.`
      : `Not as it stands. ${findingWords(flow.finding)}`;
}

/** What a need takes, or where it falls back, although it is served: a sentence each. */
export const catchWords = ({ catches }: Pick<MetByMachine, 'catches'>): readonly string[] =>
  catches.map(findingWords);

const gives = (flow: NonNullable<MetByMachine['flow']>): string => {
  const { high, units, wanted, limiting } = flow;
  return list(
    units > 0 ? `${units} of that kind` : '',
    `${flowFigure(high, flow)} for ${flowFigure(wanted, flow)} wanted`,
    limiting === 'cable' || limiting === 'hop' || limiting === 'farEnd'
      ? `the ${FLOW_WORDS[limiting]} limits`
      : '',
  );
};
