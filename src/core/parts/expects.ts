/** What belongs in a field, a cell or a file, as data: whoever refuses something says it, and a screen has words for it. */
import type { NumberBounds } from './shape.ts';

/** What of a document something has to lead to. */
export type Led = 'slot' | 'need' | 'enclosure' | 'card' | 'benchSlot';

export type Expects =
  | {
      readonly as:
        | 'text'
        | 'amount'
        | 'yesNo'
        | 'module'
        | 'fan'
        | 'statement'
        /** Anything but what is there. */
        | 'other'
        | 'ownKey'
        | 'fewerEnds'
        | 'socket'
        | 'brackets'
        | 'onlyOfModules'
        | 'onlyOfClassicPci';
    }
  | { readonly as: 'number'; readonly bounds: NumberBounds }
  | { readonly as: 'choice'; readonly of: readonly string[] }
  | { readonly as: 'list' | 'maybe'; readonly of: Expects }
  | { readonly as: 'pair'; readonly of: readonly [Expects, Expects]; readonly mark: string }
  | { readonly as: 'marked'; readonly of: Expects; readonly marks: readonly string[] }
  | { readonly as: 'hex'; readonly digits: number }
  | { readonly as: 'atLeast' | 'atMost' | 'atMostPeak' | 'beyondMm'; readonly value: string }
  | { readonly as: 'range'; readonly least: number; readonly most: number }
  | { readonly as: 'like'; readonly pattern: string }
  | { readonly as: 'ofDocument'; readonly what: Led };
