/** The two ways against static, and what each asks of the hand at every step that touches parts. */
import type { StaticWay } from '$core/document';

export const STATIC_WAY_WORDS: Readonly<
  Record<StaticWay, { readonly title: string; readonly detail: string; readonly caution: string }>
> = {
  strap: {
    title: 'Wrist strap',
    detail:
      'On bare skin, its clip on bare metal of the case. It stays on until the case is closed.',
    caution:
      'Static kills cards without a spark to be seen: is the strap on, its clip on bare metal?',
  },
  touch: {
    title: 'Touch bare earthed metal',
    detail: 'Bare metal of the case, or a radiator: before each part that you take up.',
    caution: 'Static kills cards without a spark to be seen: touch bare earthed metal first.',
  },
};
