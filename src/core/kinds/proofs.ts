/** The registry of what is known of each kind of need once it is measured. */
import { drivesCauses } from './drives/causes.ts';
import { drivesSeen } from './drives/seen.ts';
import { graphicsCauses } from './graphics/causes.ts';
import type { Need, NeedKind, NeedOf } from './need.ts';
import { networkCauses } from './network/causes.ts';
import { networkSeen } from './network/seen.ts';
import { COUNTED, nothingSeen, type Proof } from './proof.ts';
import { sasCauses } from './sas/causes.ts';
import { screensCauses } from './screens/causes.ts';
import { serialLinkCauses } from './serialLink/causes.ts';
import { usbCauses } from './usb/causes.ts';
import { wifiCauses } from './wifi/causes.ts';
import { wifiSeen } from './wifi/seen.ts';

const PROOFS: { readonly [Kind in NeedKind]: Proof<NeedOf<Kind>> } = {
  network: { causes: networkCauses, seen: networkSeen },
  usb: { causes: usbCauses, seen: nothingSeen },
  screens: { causes: screensCauses, seen: nothingSeen },
  graphics: { causes: graphicsCauses, seen: nothingSeen },
  wifi: { causes: wifiCauses, seen: wifiSeen },
  drives: { causes: drivesCauses, seen: drivesSeen },
  sas: { causes: sasCauses, seen: nothingSeen },
  sound: COUNTED,
  serialLink: { causes: serialLinkCauses, seen: nothingSeen },
  legacy: COUNTED,
  otherDevice: COUNTED,
  keep: COUNTED,
  drivers: COUNTED,
};

export const proofOf = ({ kind }: Pick<Need, 'kind'>): Proof<Need> => PROOFS[kind];
