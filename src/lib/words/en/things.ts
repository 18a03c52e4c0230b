/** Codes of things that findings, needs and cards name, in words. */
import type {
  OtherDevice,
  UsbDevice,
  BayFrame,
  BoardHeader,
  Encoding,
  ExtraKind,
  FrontLead,
  Manner,
  NetworkFeature,
  PlugAdapter,
  ScreenAdapter,
  ScreenInput,
  SystemFamily,
} from '$core/standards';
import type { Backing, Drive } from '$core/parts';
import type { BracketHeight } from '$core/document';
import type { Subjects } from '$core/rules';

export const HEADER_WORDS: Readonly<Record<FrontLead | BoardHeader, string>> = {
  'usb-9-pin': 'USB 2.0, 9 pins',
  'usb-19-pin': 'USB 3, 19 pins',
  'type-c-20-pin': 'Type-C, 20 pins',
  audio: 'front-panel audio header',
  'serial-link-5-pin': '40 Gb/s port header, 5 pins',
  'sound-4-pin': 'CD audio, 4 pins',
  'serial-10-pin': 'serial, 10 pins',
  'parallel-26-pin': 'parallel, 26 pins',
  'fan-4-pin': 'fan, 4 pins',
  'lighting-3-pin': 'lighting, 5 V, 3 pins',
  'lighting-4-pin': 'lighting, 12 V, 4 pins',
};

export const PLUG_ADAPTER_WORDS: Readonly<Record<PlugAdapter, string>> = {
  'two-6-pin-to-8-pin': 'two 6-pin plugs to one 8-pin',
  'mini-6-pin-to-6-pin': 'the board’s small 6-pin to 6-pin',
  'two-mini-6-pin-to-8-pin': 'two of the board’s small 6-pin to one 8-pin',
  'two-8-pin-to-12v-2x6': 'two 8-pin plugs to one 12V-2x6',
  'three-8-pin-to-12v-2x6': 'three 8-pin plugs to one 12V-2x6',
  'four-8-pin-to-12v-2x6': 'four 8-pin plugs to one 12V-2x6',
  'sata-to-4-pin': 'a SATA plug to a 4-pin',
  '4-pin-to-sata': 'a 4-pin plug to a SATA',
  'split-sata': 'a splitter for a SATA plug',
  'split-4-pin': 'a splitter for a 4-pin plug',
};

export const SCREEN_ADAPTER_WORDS: Readonly<Record<ScreenAdapter, string>> = {
  'dp-hdmi-passive': 'DisplayPort to HDMI, passive',
  'dp-hdmi-active': 'DisplayPort to HDMI, active',
  'dp-dvi-passive': 'DisplayPort to DVI, passive',
  'dp-dvi-dual-active': 'DisplayPort to dual-link DVI, active',
  'dp-vga-active': 'DisplayPort to analogue, active',
  'hdmi-dvi-passive': 'HDMI to DVI, passive',
  'hdmi-vga-active': 'HDMI to analogue, active',
  'hdmi-dp-active': 'HDMI to DisplayPort, active',
  'dvi-hdmi-passive': 'DVI to HDMI, passive',
  'minidp-dp-passive': 'small DisplayPort to DisplayPort, passive',
  'minidp-hdmi-passive': 'small DisplayPort to HDMI, passive',
  'minidp-dvi-passive': 'small DisplayPort to DVI, passive',
  'minidp-vga-active': 'small DisplayPort to analogue, active',
  'usbc-dp-passive': 'Type-C to DisplayPort, passive',
  'usbc-hdmi-active': 'Type-C to HDMI, active',
};

export const INPUT_WORDS: Readonly<Record<ScreenInput, string>> = {
  analogue: 'analogue',
  digital: 'digital',
  dvi: 'DVI',
  hdmi: 'HDMI',
  displayport: 'DisplayPort',
  miniDisplayport: 'small DisplayPort',
  usbC: 'Type-C',
};

export const FEATURE_WORDS: Readonly<Record<NetworkFeature, string>> = {
  wake: 'wake-on-LAN',
  vlan: 'VLAN',
  netBoot: 'network boot',
  teaming: 'teaming',
};

export const ENCODING_WORDS: Readonly<Record<Encoding, string>> = {
  h264: 'H.264',
  h265: 'H.265',
  av1: 'AV1',
};

export const EXTRA_KIND_WORDS: Readonly<Record<ExtraKind, string>> = {
  bracket: 'Bracket',
  plugAdapter: 'Plug adapter',
  screenAdapter: 'Screen adapter',
  loopLead: 'Loop lead',
  powerLead: 'Power lead',
  headerLead: 'Header lead',
  driveCable: 'Drive cable',
  bay: 'Bay',
  openingJack: 'Jack for an opening',
  aerial: 'Aerial',
  support: 'Support',
  thermalPad: 'Thermal pad',
  cover: 'Slot cover',
  screws: 'Screws',
  supply: 'Power supply',
  networkCable: 'Network cable',
  networkSwitch: 'Network switch',
  networkModule: 'Network module',
  outsideLead: 'Lead outside',
};

/** The signals an M.2 socket can carry. */
export const SIGNAL_WORDS: Readonly<Record<Subjects['signal'], string>> = {
  pcie: 'PCI Express',
  sata: 'SATA',
  usb: 'USB',
  radio: 'radio only',
};

export const HEIGHT_WORDS: Readonly<Record<BracketHeight, string>> = {
  full: 'full-height',
  low: 'low-profile',
};

export const BOOT_WORDS: Readonly<Record<Subjects['boot'], string>> = {
  uefi: 'UEFI',
  bios: 'BIOS',
  both: 'UEFI and BIOS',
  none: 'none',
};

/** Something wanted that a card does not have: “It has no …”. */
export const LACKED_WORDS: Readonly<Record<Subjects['feature'], string>> = {
  ...FEATURE_WORDS,
  ...ENCODING_WORDS,
  '2.4': 'radio at 2.4 GHz',
  '5': 'radio at 5 GHz',
  '6': 'radio at 6 GHz',
  rear: 'such port at the back',
  front: 'such port at the front',
  typeC: 'Type-C port there',
  inputs: 'as many inputs',
  optical: 'optical socket',
};

/** What holds a narrow drive in a wide bay. */
export const BAY_FRAME_WORDS: Readonly<Record<BayFrame, string>> = {
  '5.25-to-3.5': '3.5-inch drive in a 5.25-inch bay',
  '5.25-to-2.5': '2.5-inch drive in a 5.25-inch bay',
  '3.5-to-2.5': '2.5-inch drive in a 3.5-inch bay',
};

export const MODULE_SIDE_WORDS: Readonly<Record<NonNullable<Drive['sides']>, string>> = {
  single: 'single-sided module',
  double: 'double-sided module',
};

/** What an extra fits, as its record says; what is not here is written as it is. */
const FITS_WORDS: Readonly<Record<string, string>> = {
  ...HEADER_WORDS,
  ...PLUG_ADAPTER_WORDS,
  ...SCREEN_ADAPTER_WORDS,
  ...HEIGHT_WORDS,
  sata: 'SATA',
  'sas-4': 'SAS, to four drives',
  drive: 'for a drive',
  ...BAY_FRAME_WORDS,
  ...MODULE_SIDE_WORDS,
};
export const fitsWords = (fits: string): string =>
  Object.hasOwn(FITS_WORDS, fits) ? (FITS_WORDS[fits] ?? fits) : fits;

/** What customers want that is no number. */
export const MANNER_WORDS: Readonly<Record<Manner, string>> = {
  quiet: 'quiet',
  dark: 'without lights',
  lit: 'lit',
  sparkling: 'with moving lights',
};

/** How well a card has to be backed, or is. */
export const BACKING_WORDS: Readonly<Record<Backing, string>> = {
  none: 'nothing',
  claimed: 'seller’s word',
  tried: 'trial',
  listed: 'support list',
};

/** What serves a purpose of its own, by what of it is counted. */
export const OTHER_DEVICE_WORDS: Readonly<Record<OtherDevice, string>> = {
  capture: 'video input',
  tuner: 'TV tuner',
  storageBus: 'other storage bus',
  modem: 'modem line',
  accelerator: 'accelerator',
  other: 'other device',
};

export const USB_DEVICE_WORDS: Readonly<Record<UsbDevice, string>> = {
  stick: 'a stick',
  disk: 'a hard disk',
  solidState: 'a solid-state drive',
};

/** What goes into a cage for network modules. */
export const NETWORK_MODULE_WORDS: Readonly<Record<Subjects['networkModule'], string>> = {
  copper: 'copper',
  multimode: 'multimode fibre',
  singlemode: 'single-mode fibre',
};

export const SYSTEM_FAMILY_WORDS: Readonly<Record<SystemFamily, string>> = {
  windows: 'Windows',
  linux: 'Linux',
  bsd: 'BSD',
  unix: 'another Unix',
  'macos-like': 'macOS or alike',
  other: 'another system',
};
