/** What a reading means, in words. */
import type { FallBack, Flow, Judgement } from '$core';
import { band, flowFigure, linkWords, wireWords } from './figures';
import { FLOW_WORDS } from './stages';

export function judgementWords({ outcome, limiting, fallBack }: Judgement, flow: Flow): string {
  switch (outcome) {
    case 'asExpected':
      return `is as expected (${band(flow)}).`;
    case 'aboveExpected':
      return `is more than this path can carry (${flowFigure(flow.high, flow)}). Bits taken for bytes, or a copy from memory? Measure again.`;
    case 'belowHealthy':
      return `does what was wanted, but a healthy one shows ${band(flow)}. ${cause(limiting, fallBack)}`;
    case 'short':
      return `falls short of the ${flowFigure(flow.wanted, flow)} wanted. ${cause(limiting, fallBack)}`;
  }
}

function cause(limiting: Judgement['limiting'], fallBack: FallBack | null): string {
  if (fallBack !== null) return `It fits ${fallBackWords(fallBack)}`;
  return limiting === null
    ? ''
    : `Nothing known fits the figure; begin with the ${FLOW_WORDS[limiting]}.`;
}

function fallBackWords(fallBack: FallBack): string {
  switch (fallBack.kind) {
    case 'wire':
      return `the link negotiated ${wireWords(fallBack.megabits)}: look at the link speed at both ends, then at the patch cable.`;
    case 'link':
      return `a slot link of ${linkWords(fallBack.link)}: read the link while the card is busy, then look at its seat.`;
    case 'usb':
      return fallBack.signalling === '2.0'
        ? 'a port working as USB 2.0: try another cable and port.'
        : `a port working as USB ${fallBack.signalling.replace('-', ' Gen ')}: try another cable and port.`;
  }
}
