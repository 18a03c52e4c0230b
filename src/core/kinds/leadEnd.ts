/** What a lead from a socket at the back leads to. */
import type { ScreenAdapter } from '../standards/screens.ts';

export type LeadEnd =
  | {
      readonly to: 'screen';
      /** Counted from one, as the need counts them. */
      readonly number: number;
      /** Null where no report told it. */
      readonly name: string | null;
      readonly adapter: ScreenAdapter | null;
    }
  /** The input of another card beside it. */
  | { readonly to: 'otherCard'; readonly adapter: ScreenAdapter | null }
  | { readonly to: 'farEnd' | 'usbDevice' | 'speakers' | 'device' | 'box' }
  /** The aerial is screwed on: it has no lead. */
  | { readonly to: 'aerial' }
  /** Nothing is joined to it yet. */
  | { readonly to: 'free' };
