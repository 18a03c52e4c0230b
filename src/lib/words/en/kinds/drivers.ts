/** Words of needs for drivers alone. */
import type { NeedOf } from '$core/kinds';
import { plainGuide } from './guides';
import { IN_BYTES, READ_OR_WRITTEN, type NeedWords } from './kindWords';

/** Which devices a need for drivers alone asks about. */
export const DRIVER_SCOPE_WORDS: Readonly<Record<NeedOf<'drivers'>['scope'], string>> = {
  failing: 'every device works',
  display: 'a newer display driver',
  network: 'a newer network driver',
  all: 'newer drivers wherever there are any',
};

const DONE_IN_DRIVERS = 'It takes no card: it is done in Drivers.';

export const driversNeed: NeedWords<NeedOf<'drivers'>> = {
  name: 'Drivers only',
  rate: IN_BYTES,
  direction: READ_OR_WRITTEN,
  stands: { met: DONE_IN_DRIVERS, short: DONE_IN_DRIVERS },
  asks: ({ scope }) => DRIVER_SCOPE_WORDS[scope],
  guide: plainGuide,
};
