/** Slots as they are seen from above, in millimetres: how long each is and where its key lies. */
import {
  CLASSIC_KEYS,
  CLASSIC_PCI_CONNECTOR_MM,
  CONNECTOR_LANES,
  CONNECTOR_LENGTH_MM,
  EXPRESS_KEY,
  M2_KEYS,
  SOCKET_CONTACTS_MM,
  SOCKET_KEYS,
  type KeyBar,
} from '$core/standards';
import { valueOf } from '$core/parts';
import type { Slot } from '$core/document';
import { slotShapes as texts } from '$words/stages/survey';

export interface SlotShape {
  readonly name: string;
  readonly lengthMm: number;
  readonly key: KeyBar;
  readonly isOf: (slot: Slot) => boolean;
}

export const LONG_SHAPES: readonly SlotShape[] = [
  ...(['5 V', '3.3 V'] as const).map((keying) => ({
    name: texts.pci(keying),
    lengthMm: CLASSIC_PCI_CONNECTOR_MM,
    key: CLASSIC_KEYS[keying],
    isOf: (slot: Slot) => slot.bus === 'pci' && valueOf(slot.keying) === keying,
  })),
  ...CONNECTOR_LANES.map((lanes) => ({
    name: texts.pciExpressX(lanes),
    lengthMm: CONNECTOR_LENGTH_MM[lanes]!,
    key: EXPRESS_KEY,
    isOf: (slot: Slot) => slot.bus === 'pcie' && valueOf(slot.connectorLanes) === lanes,
  })),
];

export const SOCKET_SHAPES: readonly SlotShape[] = M2_KEYS.map((key) => ({
  name: texts.m2Key(key),
  lengthMm: SOCKET_CONTACTS_MM,
  key: SOCKET_KEYS[key],
  isOf: (slot: Slot) => slot.bus === 'm2' && valueOf(slot.key) === key,
}));
