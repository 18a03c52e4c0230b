/** The registry of how each kind of need behaves in a machine that runs. */
import { drivesRunning } from './drives/running.ts';
import { graphicsRunning } from './graphics/running.ts';
import type { Need, NeedKind, NeedOf } from './need.ts';
import { networkRunning } from './network/running.ts';
import { NOT_MEASURED, type RunningKind } from './running.ts';
import { sasRunning } from './sas/running.ts';
import { screensRunning } from './screens/running.ts';
import { serialLinkRunning } from './serialLink/running.ts';
import { usbRunning } from './usb/running.ts';
import { wifiRunning } from './wifi/running.ts';

const RUNNINGS: { readonly [Kind in NeedKind]: RunningKind<NeedOf<Kind>> } = {
  network: networkRunning,
  usb: usbRunning,
  screens: screensRunning,
  graphics: graphicsRunning,
  wifi: wifiRunning,
  drives: drivesRunning,
  sas: sasRunning,
  sound: NOT_MEASURED,
  serialLink: serialLinkRunning,
  legacy: NOT_MEASURED,
  otherDevice: NOT_MEASURED,
  keep: NOT_MEASURED,
  drivers: NOT_MEASURED,
};

export const runningOf = ({ kind }: Pick<Need, 'kind'>): RunningKind<Need> => RUNNINGS[kind];
