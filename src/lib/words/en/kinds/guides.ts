/** Ways to measure that several kinds of need share. */
import type { Bench, Guide, WayToMeasure } from './kindWords';

export const QUIET =
  'Close what copies, scans or updates. Let the machine settle for a minute after start.';
export const THRICE =
  'Run it three times; the first one apart where the machine was without power before.';

export const wireTest = (direction: 'to' | 'from'): WayToMeasure => ({
  title: 'The wire alone, from memory to memory',
  atFarEnd: 'iperf3 -s',
  commands: [`iperf3 -c FAR-END -t 20 -J${direction === 'from' ? ' -R' : ''} > wire.json`],
  reads: 'Start the far end first and leave it running. Drop wire.json.',
});

const onWindows = (gigabytes: number): readonly WayToMeasure[] => [
  {
    title: 'One large file, without the system’s cache',
    commands: [
      `fsutil file createnew C:\\probe.bin ${gigabytes}000000000`,
      'robocopy C:\\ TARGET probe.bin /J /NP > copy.txt',
      'del C:\\probe.bin TARGET\\probe.bin',
    ],
    reads: 'Drop copy.txt: the line “Speed … Bytes/sec.”',
  },
];

const onUnix = (gigabytes: number, target: string): readonly WayToMeasure[] => [
  {
    title: 'One large file, past the cache',
    commands: [
      `dd if=/dev/urandom of=probe.bin bs=1M count=${gigabytes}000`,
      `LC_ALL=C dd if=probe.bin of=/${target}/probe.bin bs=1M conv=fdatasync 2> copy.txt`,
      `rm probe.bin /${target}/probe.bin`,
    ],
    reads: 'Drop copy.txt: its last line has bytes, seconds and rate.',
  },
];

/** @param target what the copy goes to, where it is mounted */
export const copyTo = (target: string, { family, gigabytes }: Bench): readonly WayToMeasure[] =>
  family === 'windows' ? onWindows(gigabytes) : onUnix(gigabytes, target);

/** Of a kind with no way of its own. */
export const plainGuide = (_need: unknown, at: Bench): Guide =>
  at.unit === 'B/s'
    ? {
        first: [QUIET, `At least ${at.gigabytes} GB. ${THRICE}`],
        ways: copyTo('DEVICE', at),
      }
    : { first: [QUIET], ways: [] };
