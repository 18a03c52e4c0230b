/** What the customer wants, in numbers: the registry of all kinds of need. */
import * as z from 'zod/mini';
import type { DeepReadonly } from '../units.ts';
import type { SurveyTopic } from './cardKind.ts';
import type { DeliveryKind } from './delivery.ts';
import { driversNeed } from './drivers/need.ts';
import { drivesNeed } from './drives/need.ts';
import { graphicsNeed } from './graphics/need.ts';
import { keepNeed } from './keep/need.ts';
import { legacyNeed } from './legacy/need.ts';
import type { Common, NeedKind as Known } from './needKind.ts';
import { networkNeed } from './network/need.ts';
import { otherDeviceNeed } from './otherDevice/need.ts';
import { sasNeed } from './sas/need.ts';
import { screensNeed } from './screens/need.ts';
import { serialLinkNeed } from './serialLink/need.ts';
import { soundNeed } from './sound/need.ts';
import { usbNeed } from './usb/need.ts';
import { wifiNeed } from './wifi/need.ts';

/** In the order in which lists show them. */
const NEED_KINDS = {
  network: networkNeed,
  usb: usbNeed,
  screens: screensNeed,
  graphics: graphicsNeed,
  wifi: wifiNeed,
  drives: drivesNeed,
  sas: sasNeed,
  sound: soundNeed,
  serialLink: serialLinkNeed,
  legacy: legacyNeed,
  otherDevice: otherDeviceNeed,
  keep: keepNeed,
  drivers: driversNeed,
};

type Schema = (typeof NEED_KINDS)[keyof typeof NEED_KINDS]['schema'];

export const Need = z.discriminatedUnion(
  'kind',
  Object.values(NEED_KINDS).map(({ schema }) => schema) as unknown as readonly [
    Schema,
    ...Schema[],
  ],
);
export type Need = DeepReadonly<z.infer<typeof Need>>;
export type NeedKind = Need['kind'];
export type NeedOf<Kind extends NeedKind> = Extract<Need, { kind: Kind }>;

/** What is known of its kind. */
export const needKindOf = ({ kind }: { readonly kind: NeedKind }): Known<Need> => NEED_KINDS[kind];

/** Whether what delivers this can serve such a need at all. */
export const isServedBy = (kind: NeedKind, delivers: DeliveryKind): boolean =>
  needKindOf({ kind }).servedBy.includes(delivers);

/** Whether a card can serve it: other needs are met by what stays, or by what is done to drivers. */
export const takesCard = (need: Pick<Need, 'kind'>): boolean =>
  needKindOf(need).servedBy.length > 0;

/** How many units (ports, screens, drives, or the thing itself) satisfy a need. */
export const unitsNeeded = (need: Need): number => needKindOf(need).units(need);

/** Whether a need is served through a lead to the front of the case. */
export const isAtFront = (need: Need): boolean => needKindOf(need).isAtFront(need);

/** Whether some need hangs on that part of the survey. */
export const asksOf = (needs: readonly Pick<Need, 'kind'>[], topic: SurveyTopic): boolean =>
  needs.some((need) => needKindOf(need).asks.includes(topic));

/** A must of the plainest of its kind, with whatever is told of it. */
export function plainNeed<Kind extends NeedKind>(
  kind: Kind,
  needId: string,
  told: Partial<Omit<NeedOf<Kind>, 'kind' | 'id'>> = {},
): NeedOf<Kind> {
  const common: Common = {
    id: needId,
    must: true,
    weight: 3,
    group: '',
    words: '',
    backing: 'none',
    manners: [],
    later: false,
  };
  return { ...common, ...NEED_KINDS[kind].plain, ...told } as unknown as NeedOf<Kind>;
}
