/**
 * Sockets as they show at the back of a machine: their faces, and the brackets and the window they come through.
 * Sources: PCI Express Card Electromechanical Specification for brackets, ATX Specification 2.2 for the window of the
 * board's own ports, and the connector standards named at each row (all from memory).
 */

/** Length of a bracket, and with it of the cover in its place. */
export const BRACKET_LENGTH_MM = { full: 120.02, low: 79.2 } as const;
export const BRACKET_WIDTH_MM = 18.42;

/** The window for the board's own ports: along the rear edge, and away from the board. */
export const PORTS_WINDOW_MM = { along: 158.75, high: 44.45 } as const;

interface SocketFace {
  /** Along the bracket, and across it. */
  readonly longMm: number;
  readonly shortMm: number;
}

export const REAR_SOCKETS = {
  /** VESA DisplayPort 1.2. */
  displayport: { longMm: 16.1, shortMm: 4.8 },
  miniDisplayport: { longMm: 7.4, shortMm: 4.5 },
  /** HDMI 1.4, type A. */
  hdmi: { longMm: 14, shortMm: 4.55 },
  /** DVI 1.0. */
  dvi: { longMm: 37, shortMm: 9 },
  /** A DE-15. */
  analogue: { longMm: 30.8, shortMm: 12.5 },
  /** USB 3.2, Standard-A and Type-C. */
  usbA: { longMm: 12.5, shortMm: 5.1 },
  usbC: { longMm: 8.94, shortMm: 3.26 },
  /** IEC 60603-7, eight ways. */
  network: { longMm: 11.7, shortMm: 8.4 },
  /** A reverse SMA thread. */
  aerial: { longMm: 6.4, shortMm: 6.4 },
  /** IEC 60603-11, 3.5 mm, with its ring. */
  jack: { longMm: 6.5, shortMm: 6.5 },
  /** JEITA RC-5720. */
  optical: { longMm: 9.7, shortMm: 8.3 },
  /** A DE-9 and a DB-25. */
  serial: { longMm: 30.8, shortMm: 12.5 },
  parallel: { longMm: 53, shortMm: 12.5 },
} as const satisfies Readonly<Record<string, SocketFace>>;
export type RearSocketKind = keyof typeof REAR_SOCKETS;
export const REAR_SOCKET_KINDS = Object.keys(REAR_SOCKETS) as readonly RearSocketKind[];
