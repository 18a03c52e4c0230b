/** The numbers of each kind of need, as they are typed. */
import type { Need, NeedKind } from '$core';

export interface NeedField {
  readonly key: string;
  readonly label: string;
  readonly expects: string;
  /** Answered with yes or no instead of a number. */
  readonly yesNo?: true;
  readonly read: (need: Need) => string;
  /** The need with the number typed, or null where it is not one. */
  readonly write: (need: Need, text: string) => Need | null;
}

type NeedOf<Kind extends NeedKind> = Extract<Need, { kind: Kind }>;

/** What a need starts from before its numbers are typed. */
export const FRESH: { readonly [Kind in NeedKind]: Omit<NeedOf<Kind>, 'id' | 'must' | 'words'> } = {
  network: { kind: 'network', bytesPerSecond: 250e6 },
  usb: { kind: 'usb', ports: 4, bytesPerSecond: 200e6 },
  screens: { kind: 'screens', count: 2, mode: { widthPx: 3840, heightPx: 2160, refreshHz: 60 } },
  wifi: { kind: 'wifi', megabits: 100, bluetooth: false },
  drives: { kind: 'drives', ports: 2, bytesPerSecond: 400e6 },
  sound: { kind: 'sound', channels: 2 },
};

function field<Kind extends NeedKind>(
  kind: Kind,
  key: string,
  label: string,
  most: number,
  read: (need: NeedOf<Kind>) => number,
  write: (need: NeedOf<Kind>, value: number) => NeedOf<Kind>,
): NeedField {
  return {
    key,
    label,
    expects: `A whole number from 1 to ${most}`,
    read: (need) => (need.kind === kind ? String(read(need as NeedOf<Kind>)) : ''),
    write: (need, text) => {
      const value = Number(text);
      if (need.kind !== kind || !Number.isInteger(value) || value < 1 || value > most) return null;
      return write(need as NeedOf<Kind>, value);
    },
  };
}

const MEGABYTE = 1e6;

export const NEED_FIELDS: Readonly<Record<NeedKind, readonly NeedField[]>> = {
  network: [
    field(
      'network',
      'rate',
      'Copy at, MB/s',
      10_000,
      (n) => n.bytesPerSecond / MEGABYTE,
      (n, v) => ({ ...n, bytesPerSecond: v * MEGABYTE }),
    ),
  ],
  usb: [
    field(
      'usb',
      'ports',
      'Ports',
      20,
      (n) => n.ports,
      (n, ports) => ({ ...n, ports }),
    ),
    field(
      'usb',
      'rate',
      'One port alone, MB/s',
      5_000,
      (n) => n.bytesPerSecond / MEGABYTE,
      (n, v) => ({ ...n, bytesPerSecond: v * MEGABYTE }),
    ),
  ],
  screens: [
    field(
      'screens',
      'count',
      'Screens',
      8,
      (n) => n.count,
      (n, count) => ({ ...n, count }),
    ),
    field(
      'screens',
      'width',
      'Pixels across',
      16_384,
      (n) => n.mode.widthPx,
      (n, widthPx) => ({ ...n, mode: { ...n.mode, widthPx } }),
    ),
    field(
      'screens',
      'height',
      'Pixels down',
      16_384,
      (n) => n.mode.heightPx,
      (n, heightPx) => ({ ...n, mode: { ...n.mode, heightPx } }),
    ),
    field(
      'screens',
      'refresh',
      'Refresh, Hz',
      500,
      (n) => n.mode.refreshHz,
      (n, refreshHz) => ({ ...n, mode: { ...n.mode, refreshHz } }),
    ),
  ],
  wifi: [
    field(
      'wifi',
      'rate',
      'Rate, Mb/s',
      10_000,
      (n) => n.megabits,
      (n, megabits) => ({ ...n, megabits }),
    ),
    {
      key: 'bluetooth',
      label: 'with Bluetooth',
      expects: 'yes or no',
      yesNo: true,
      read: (need) => (need.kind === 'wifi' && need.bluetooth ? 'yes' : 'no'),
      write: (need, text) =>
        need.kind === 'wifi' && (text === 'yes' || text === 'no')
          ? { ...need, bluetooth: text === 'yes' }
          : null,
    },
  ],
  drives: [
    field(
      'drives',
      'ports',
      'Drives',
      32,
      (n) => n.ports,
      (n, ports) => ({ ...n, ports }),
    ),
    field(
      'drives',
      'rate',
      'Each, all together, MB/s',
      10_000,
      (n) => n.bytesPerSecond / MEGABYTE,
      (n, v) => ({ ...n, bytesPerSecond: v * MEGABYTE }),
    ),
  ],
  sound: [
    field(
      'sound',
      'channels',
      'Channels',
      8,
      (n) => n.channels,
      (n, channels) => ({ ...n, channels }),
    ),
  ],
};
