/**
 * What a machine that runs prints of itself: its ports and devices as `lspci -vvnn` does, its network port as `ethtool` does, a
 * measurement as iperf3, fio and dd do. Formats are those of the programs (pciutils 3.9, ethtool 6.1, iperf3 3.12, fio 3.33, coreutils 9.1),
 * as far as anybody reads them.
 */
import type { Card } from '../../document/card.ts';
import { valueOf } from '../../parts/fact.ts';
import type { Machine, Slot } from '../../document/machine.ts';
import { deviceId } from '../../parts/pciFunction.ts';
import { className } from '../../standards/pciClasses.ts';
import { GENERATIONS, type Link } from '../../standards/pciExpress.ts';
import { inHex } from '../../units.ts';

/** A card in a slot, as it came up. */
export interface CardThere {
  readonly slotId: string;
  readonly card: Card;
  /** Null: its slot has no lanes, or nothing trained. */
  readonly link: Link | null;
  /** In use; null: none. */
  readonly driver: string | null;
}

const BRIDGE_CLASS = 0x0604;
const PORT_ID = 'f1a8:0120';
const FIRST_BUS = 1;

const speedOf = ({ generation, width }: Link): string =>
  `Speed ${GENERATIONS[generation].gigatransfersPerSecond}GT/s, Width x${width}`;

/** Slots that a report of ports can show. */
export const slotsShown = ({ slots }: Machine): readonly Slot[] =>
  slots.filter(
    ({ bus, lanes, generation, enclosureId }) =>
      bus === 'pcie' &&
      enclosureId === null &&
      (valueOf(lanes) ?? 0) > 0 &&
      valueOf(generation) !== null,
  );

/** Number that a port gives its slot: its place among those that are shown, from 1. */
export const slotNumber = (machine: Machine, slotId: string): number =>
  slotsShown(machine).findIndex(({ id }) => id === slotId) + 1;

/** The whole machine, port by port with what is in its slot. */
export function lspciOf(machine: Machine, cards: readonly CardThere[]): string {
  const head = `00:00.0 Host bridge [0600]: Device [f1a8:0100] (rev 01)`;
  const blocks = slotsShown(machine).flatMap((slot, n) => {
    const there = cards.find(({ slotId }) => slotId === slot.id);
    const bus = FIRST_BUS + n;
    return [
      portBlock(slot, n, bus, there?.link ?? null),
      ...(there === undefined ? [] : [cardBlock(there, bus)]),
    ];
  });
  return `${[head, ...blocks].join('\n\n')}\n`;
}

function portBlock(slot: Slot, n: number, bus: number, link: Link | null): string {
  const able = { generation: valueOf(slot.generation)!, width: valueOf(slot.lanes)! };
  const behind = inHex(bus, 2);
  const trained = link === null ? 'Speed 2.5GT/s, Width x0' : speedOf(link);
  return [
    `00:${inHex(1 + (n >> 3), 2)}.${n & 7} PCI bridge [${inHex(BRIDGE_CLASS, 4)}]: Device [${PORT_ID}] (rev 01) (prog-if 00 [Normal decode])`,
    `\tBus: primary=00, secondary=${behind}, subordinate=${behind}, sec-latency=0`,
    '\tCapabilities: [44] Express (v2) Root Port (Slot+), IntMsgNum 0',
    `\t\tLnkCap:\tPort #${n}, ${speedOf(able)}, ASPM not supported`,
    `\t\tLnkSta:\t${trained}`,
    '\t\tSltCap:\tAttnBtn- PwrCtrl- MRL- AttnInd- PwrInd- HotPlug- Surprise-',
    `\t\t\tSlot #${n + 1}, PowerLimit ${valueOf(slot.powerWatts) ?? 0}W; Interlock- NoCompl-`,
  ].join('\n');
}

function cardBlock({ card, link, driver }: CardThere, bus: number): string {
  const class16 = card.ids.class24 >> 8;
  const interface8 = inHex(card.ids.class24 & 0xff, 2);
  return [
    `${inHex(bus, 2)}:00.0 ${className(class16)} [${inHex(class16, 4)}]: Device [${deviceId(card.ids)}] (rev 01) (prog-if ${interface8})`,
    '\tCapabilities: [40] Express (v2) Endpoint, IntMsgNum 0',
    `\t\tLnkCap:\tPort #0, ${speedOf({ generation: card.generation, width: card.lanes })}, ASPM not supported`,
    ...(link === null ? [] : [`\t\tLnkSta:\t${speedOf(link)}`]),
    ...(driver === null ? [] : [`\tKernel driver in use: ${driver}`]),
  ].join('\n');
}

export const ethtoolOf = (port: string, megabits: number): string =>
  `Settings for ${port}:\n\tSpeed: ${megabits}Mb/s\n\tDuplex: Full\n\tAuto-negotiation: on\n\tLink detected: yes\n`;

/** A measurement of ten seconds. @param isReverse from the far end to here */
export function iperf3Of(bytesPerSecond: number, isReverse: boolean): string {
  const seconds = 10;
  const sum = { bytes: bytesPerSecond * seconds, seconds, bits_per_second: bytesPerSecond * 8 };
  return JSON.stringify(
    {
      start: { version: 'iperf 3.12', test_start: { num_streams: 1, reverse: isReverse ? 1 : 0 } },
      intervals: [],
      end: { sum_sent: sum, sum_received: sum },
    },
    null,
    '\t',
  );
}

export function fioOf(bytesPerSecond: number, direction: 'read' | 'write'): string {
  const milliseconds = 20_000;
  const side = (rate: number) => ({
    io_bytes: Math.round((rate * milliseconds) / 1_000),
    bw_bytes: Math.round(rate),
    runtime: rate === 0 ? 0 : milliseconds,
  });
  return JSON.stringify({
    'fio version': 'fio-3.33',
    jobs: [
      {
        jobname: direction,
        error: 0,
        'job options': { rw: direction, bs: '1M' },
        read: side(direction === 'read' ? bytesPerSecond : 0),
        write: side(direction === 'write' ? bytesPerSecond : 0),
      },
    ],
  });
}

/** A copy of 8 GB. */
export function ddOf(bytesPerSecond: number): string {
  const bytes = 8_000_000_000;
  const seconds = bytes / bytesPerSecond;
  return `8000+0 records in\n8000+0 records out\n${bytes} bytes (8.0 GB, 7.5 GiB) copied, ${seconds.toFixed(4)} s, ${(bytesPerSecond / 1e6).toFixed(0)} MB/s\n`;
}
