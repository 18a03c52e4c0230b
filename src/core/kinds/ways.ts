/** The registry of what is known of each kind of need once there are cards in slots. */
import { driversWay } from './drivers/way.ts';
import { drivesWay } from './drives/way.ts';
import { graphicsWay } from './graphics/way.ts';
import { keepWay } from './keep/way.ts';
import { legacyWay } from './legacy/way.ts';
import type { Need, NeedKind, NeedOf } from './need.ts';
import { networkWay } from './network/way.ts';
import { otherDeviceWay } from './otherDevice/way.ts';
import { sasWay } from './sas/way.ts';
import { screensWay } from './screens/way.ts';
import { serialLinkWay } from './serialLink/way.ts';
import { soundWay } from './sound/way.ts';
import { usbWay } from './usb/way.ts';
import type { Way } from './way.ts';
import { wifiWay } from './wifi/way.ts';

const WAYS: { readonly [Kind in NeedKind]: Way<NeedOf<Kind>> } = {
  network: networkWay,
  usb: usbWay,
  screens: screensWay,
  graphics: graphicsWay,
  wifi: wifiWay,
  drives: drivesWay,
  sas: sasWay,
  sound: soundWay,
  serialLink: serialLinkWay,
  legacy: legacyWay,
  otherDevice: otherDeviceWay,
  keep: keepWay,
  drivers: driversWay,
};

export const wayOf = ({ kind }: Pick<Need, 'kind'>): Way<Need> => WAYS[kind];
