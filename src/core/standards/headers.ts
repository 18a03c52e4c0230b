/**
 * Headers and the leads that plug into them. Source: the usual header conventions of USB 2.0, USB 3.2 and
 * Type-C front panels, of front sound, fans and lighting, and of serial and parallel ports on a ribbon (from memory): pins, the missing pin that keys them, ports fed.
 */

/** Leads of a case's front panel, by what they plug into. */
export const FRONT_LEADS = ['usb-9-pin', 'usb-19-pin', 'type-c-20-pin', 'audio'] as const;
export type FrontLead = (typeof FRONT_LEADS)[number];

/** Headers of the board that a card may want a lead to. */
export const BOARD_HEADERS = [
  'usb-9-pin',
  'serial-link-5-pin',
  'sound-4-pin',
  'serial-10-pin',
  'parallel-26-pin',
  'fan-4-pin',
  'lighting-3-pin',
  'lighting-4-pin',
] as const;
export type BoardHeader = (typeof BOARD_HEADERS)[number];

interface HeaderRow {
  readonly pins: number;
  /** USB ports that one such lead brings to the front. */
  readonly ports: number;
  readonly typeC: boolean;
  /** Whether a missing pin or a key lets the plug go in one way round only; else pin 1 has to be found. */
  readonly keyed: boolean;
}

export const HEADERS: Readonly<Record<FrontLead | BoardHeader, HeaderRow>> = {
  'usb-9-pin': { pins: 9, ports: 2, typeC: false, keyed: true },
  'usb-19-pin': { pins: 19, ports: 2, typeC: false, keyed: true },
  'type-c-20-pin': { pins: 20, ports: 1, typeC: true, keyed: true },
  audio: { pins: 9, ports: 0, typeC: false, keyed: true },
  'serial-link-5-pin': { pins: 5, ports: 0, typeC: false, keyed: false },
  'sound-4-pin': { pins: 4, ports: 0, typeC: false, keyed: false },
  'serial-10-pin': { pins: 9, ports: 0, typeC: false, keyed: true },
  'parallel-26-pin': { pins: 25, ports: 0, typeC: false, keyed: true },
  'fan-4-pin': { pins: 4, ports: 0, typeC: false, keyed: true },
  // Of four places one is blank; the older kind with 12 V has all four, and only a mark for plus.
  'lighting-3-pin': { pins: 3, ports: 0, typeC: false, keyed: true },
  'lighting-4-pin': { pins: 4, ports: 0, typeC: false, keyed: false },
};
