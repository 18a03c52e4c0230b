/** The registry of what is said of kinds. */
import type { Delivery, DeliveryKind, DeliveryOf, Need, NeedKind, NeedOf } from '$core/kinds';
import { driversNeed } from './drivers';
import { drivesCard, drivesNeed } from './drives';
import { graphicsNeed } from './graphics';
import { keepNeed } from './keep';
import { legacyCard, legacyNeed } from './legacy';
import { networkCard, networkNeed } from './network';
import { otherDeviceCard, otherDeviceNeed } from './otherDevice';
import { sasCard, sasNeed } from './sas';
import { screensCard, screensNeed } from './screens';
import { serialLinkCard, serialLinkNeed } from './serialLink';
import { soundCard, soundNeed } from './sound';
import { usbCard, usbNeed } from './usb';
import { wifiCard, wifiNeed } from './wifi';
import type { CardWords, NeedWords } from './kindWords';

const CARDS: { readonly [Kind in DeliveryKind]: CardWords<DeliveryOf<Kind>> } = {
  screens: screensCard,
  usb: usbCard,
  network: networkCard,
  wifi: wifiCard,
  sound: soundCard,
  drives: drivesCard,
  sas: sasCard,
  serialLink: serialLinkCard,
  legacy: legacyCard,
  otherDevice: otherDeviceCard,
};

const NEEDS: { readonly [Kind in NeedKind]: NeedWords<NeedOf<Kind>> } = {
  screens: screensNeed,
  usb: usbNeed,
  network: networkNeed,
  wifi: wifiNeed,
  sound: soundNeed,
  drives: drivesNeed,
  sas: sasNeed,
  serialLink: serialLinkNeed,
  legacy: legacyNeed,
  otherDevice: otherDeviceNeed,
  graphics: graphicsNeed,
  keep: keepNeed,
  drivers: driversNeed,
};

export const cardWordsOf = ({ kind }: Pick<Delivery, 'kind'>): CardWords<Delivery> => CARDS[kind];
export const needWordsOf = ({ kind }: Pick<Need, 'kind'>): NeedWords<Need> => NEEDS[kind];

/** What kinds of cards are called. */
export const CARD_KIND_WORDS: Readonly<Record<DeliveryKind, string>> = mapValues(
  CARDS,
  ({ name }) => name,
);
/** The same in a cell of a table. */
export const CARD_OPTION_WORDS: Readonly<Record<DeliveryKind, string>> = mapValues(
  CARDS,
  ({ option }) => option,
);
export const KIND_WORDS: Readonly<Record<NeedKind, string>> = mapValues(NEEDS, ({ name }) => name);

function mapValues<Kind extends string, Row>(
  rows: Readonly<Record<Kind, Row>>,
  of: (row: Row) => string,
): Record<Kind, string> {
  return Object.fromEntries(
    Object.entries<Row>(rows).map(([kind, row]) => [kind, of(row)]),
  ) as Record<Kind, string>;
}
