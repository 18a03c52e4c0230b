/** What belongs in a field, a cell or a file. */
import type { Expects, Led, NumberBounds } from '$core/parts';
import { OPTION_WORDS } from './options';

/** “from 1 to 12”. */
export const boundsWords = ({ least, most, over }: NumberBounds): string =>
  `${over ? `above ${least} and at most` : `from ${least} to`} ${most}`;

const LED_WORDS: Readonly<Record<Led, string>> = {
  slot: 'a slot',
  need: 'a need',
  enclosure: 'an external box',
  card: 'a card',
  benchSlot: 'a slot',
};

/** A choice as a file writes it, and as screens call it. */
const choiceWords = (code: string): string => {
  const words = OPTION_WORDS[code];
  return words === undefined || words.toLowerCase() === code ? code : `${code} (${words})`;
};

/** What is expected, as it stands behind “is not”. */
export function expectsWords(expects: string | Expects): string {
  if (typeof expects === 'string') return expects;
  switch (expects.as) {
    case 'text':
      return 'a text of up to 200 characters';
    case 'amount':
      return 'an amount such as 49 or 49.90';
    case 'yesNo':
      return 'yes or no';
    case 'module':
      return 'keys, length and signal such as “E+A, 30, pcie”';
    case 'fan':
      return 'from, to and air in mm such as “60–130, 20”, and its lower edge where it is told';
    case 'statement':
      return 'listed, tried, claimed, problem or onlyThere, then any of “; machine …”, “; slot …”, “; card …”, “; system …”, “; source …”, “; date …”';
    case 'other':
      return 'another value';
    case 'ownKey':
      return 'a key of its own';
    case 'fewerEnds':
      return 'no more ends than such a lead has';
    case 'socket':
      return 'a socket for what the slot does not give';
    case 'brackets':
      return 'full, low or both';
    case 'onlyOfModules':
      return 'told for a module, and for nothing else';
    case 'onlyOfClassicPci':
      return 'told for classic PCI, and for nothing else';
    case 'number':
      return `a ${expects.bounds.whole ? 'whole ' : ''}number ${boundsWords(expects.bounds)}`;
    case 'choice':
      return expects.of.map(choiceWords).join(', ');
    case 'list':
      return `none, or a list joined by “+” of: ${expectsWords(expects.of)}`;
    case 'maybe':
      return `nothing, or ${expectsWords(expects.of)}`;
    case 'pair':
      return `${expectsWords(expects.of[0])}, “${expects.mark}”, ${expectsWords(expects.of[1])}`;
    case 'marked':
      return `${expectsWords(expects.of)}, and after it nothing, or one of ${expects.marks.join(', ')}`;
    case 'hex':
      return `${expects.digits} hexadecimal digits`;
    case 'atLeast':
      return `at least ${expects.value}`;
    case 'atMost':
      return `at most ${expects.value}`;
    case 'atMostPeak':
      return `at most the peak, ${expects.value}`;
    case 'beyondMm':
      return `an end beyond ${expects.value} mm`;
    case 'range':
      return `${expects.least} to ${expects.most}`;
    case 'like':
      return `text like ${expects.pattern}`;
    case 'ofDocument':
      return `${LED_WORDS[expects.what]} of this document`;
  }
}
