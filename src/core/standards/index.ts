/** What other rooms than the core's take of this one. */
export {
  GENERATIONS,
  LINK_WIDTHS,
  CONNECTOR_LANES,
  type Generation,
  type Link,
  bestBytesPerSecond,
  linkBytesPerSecond,
  payloadShare,
  reckonedBytesPerSecond,
  trainedLink,
} from './pciExpress.ts';
export {
  CARD_HEIGHT_MM,
  CLASSIC_KEYS,
  CLASSIC_PCI_CONNECTOR_MM,
  CONNECTOR_LENGTH_MM,
  EXPRESS_KEY,
  SOCKET_CONTACTS_MM,
  SOCKET_KEYS,
  type KeyBar,
  CONNECTOR_START_MM,
  CONNECTOR_THICKNESS_MM,
  OPENING_PITCH_MM,
  PLUG_BEND_MM,
  UNDER_CARD_ROOM_MM,
  UNDER_MODULE_ROOM_MM,
  MODULE_WIDTH_MM,
  SOCKET_DEPTH_MM,
  MANNERS,
  type Manner,
} from './cardForm.ts';
export {
  BRACKET_LENGTH_MM,
  BRACKET_WIDTH_MM,
  PORTS_WINDOW_MM,
  REAR_SOCKETS,
  type RearSocketKind,
} from './rearSockets.ts';
export {
  BUILD_LEADS,
  type BuildLead,
  LEAD_KINDS,
  type LeadEndKind,
  type LeadKind,
  MACHINE_PARTS,
  type MachinePart,
  leadRow,
} from './innerLeads.ts';
export { BOARD_HEADERS, type BoardHeader, FRONT_LEADS, type FrontLead } from './headers.ts';
export {
  ADAPTED,
  HEADROOM_SHARE,
  PLUGS,
  PLUG_ADAPTERS,
  PLUG_TYPES,
  type PlugAdapter,
  type PlugType,
  SENSED_WATTS,
} from './plugs.ts';
export { EXTRA_LIMIT_UNITS, type ExtraKind } from './extras.ts';
export {
  CABLE_CLASSES,
  FIBRE_CLASSES,
  isFibre,
  ETHERNET_MEGABITS,
  NETWORK_FEATURES,
  type NetworkFeature,
  type CableClass,
  cableCarries,
  healthyCopyShare,
  tcpBytesPerSecond,
} from './ethernet.ts';
export { USB, USB_DEVICES, USB_SIGNALLING, type UsbDevice } from './usb.ts';
export {
  BAY_SIZES,
  COPY_DRIVES,
  DRIVE_FORMS,
  MODULE_SIDES,
  SATA_PORTS,
  type BayFrame,
  type CopyDrive,
  DRIVE_ARRAYS,
  WANTED_DRIVES,
  type DriveArray,
  arrayBytesPerSecond,
} from './storage.ts';
export { SERIAL_LINK_GIGABITS } from './serialLink.ts';
export { DISTANCES, RADIO_STANDARDS, WIFI_BANDS, radioMegabits } from './wifi.ts';
export {
  type Blanking,
  ENCODINGS,
  type Encoding,
  type OutputSignal,
  SCREEN_INPUTS,
  type ScreenAdapter,
  type ScreenInput,
  type ScreenMode,
  modeBitsPerSecond,
  pixelClockHz,
} from './screens.ts';
export { CTA_MODES } from './ctaModes.ts';
export { className } from './pciClasses.ts';
export { SYSTEM_FAMILIES, type SystemFamily } from './systems.ts';
export { M2_KEYS, type M2Key, SLOT_TYPES } from './slotRecords.ts';
export { OTHER_DEVICES, type OtherDevice } from './otherDevices.ts';
export { PROCESSOR_CLASSES } from './processors.ts';
export { type Cause, CAUSES } from './causes.ts';
export { type Check, CHECKS } from './checks.ts';
export { NO_DRIVER, NOT_WORKING, type DeviceProblem, deviceProblemIn } from './problemCodes.ts';
