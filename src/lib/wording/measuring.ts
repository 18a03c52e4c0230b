/** How each kind of need is measured on a system, with what is at hand there: what to close first, what to run, how often. */
import type { Flow, Need, SystemFamily } from '$core';

interface WayToMeasure {
  readonly title: string;
  /** Ready to copy; words in capitals are replaced. */
  readonly commands: readonly string[];
  /** What runs at the far end meanwhile, and ends only when it is stopped: no part of a file to run here. */
  readonly atFarEnd?: string;
  /** What of its output is the figure. */
  readonly reads: string;
}

interface Guide {
  readonly first: readonly string[];
  readonly ways: readonly WayToMeasure[];
}

const QUIET =
  'Close what copies, scans or updates. Let the machine settle for a minute after start.';
const THRICE =
  'Run it three times; the first one apart where the machine was without power before.';

export function guideFor(
  need: Need,
  flow: Pick<Flow, 'unit'>,
  family: SystemFamily | null,
  gigabytes: number,
): Guide {
  const isWindows = family === 'windows';
  switch (need.kind) {
    case 'network':
      return {
        first: [
          'The far end answers by name and by address, its share opens, and a small file can be written there: else it is a name or a permission, and no lead.',
          QUIET,
          `Copy at least ${gigabytes} GB in one file: less stays in memory. ${THRICE}`,
        ],
        ways: [
          wireTest(need.direction),
          ...(isWindows ? copyOnWindows(gigabytes) : copyOnUnix(gigabytes, 'SHARE')),
        ],
      };
    case 'drives':
      return {
        first: [
          'Only on drives that are prepared and empty, or read from them only.',
          QUIET,
          `At least ${gigabytes} GB: less stays in the cache. ${THRICE}`,
          ...(need.together && need.array === 'single'
            ? ['All drives at once, each with its own copy; then one alone.']
            : []),
        ],
        ways: isWindows ? copyOnWindows(gigabytes) : driveTests(gigabytes),
      };
    case 'usb':
      return {
        first: [
          'Straight into the port: no hub, and the lead that the device came with.',
          QUIET,
          `Copy at least ${gigabytes} GB in one file, from a drive that is faster than the port. ${THRICE}`,
        ],
        ways: isWindows ? copyOnWindows(gigabytes) : copyOnUnix(gigabytes, 'DEVICE'),
      };
    case 'wifi':
      return {
        first: [
          'The machine where it will stand, the access point where it is.',
          QUIET,
          `${THRICE} Note the band and the rate of the radio beside it.`,
        ],
        ways: [
          wireTest('from'),
          {
            title: 'Band and rate of the radio',
            commands: [isWindows ? 'netsh wlan show interfaces' : 'iw dev NAME link'],
            reads: 'Drop or paste what it prints.',
          },
        ],
      };
    case 'graphics':
      return {
        first: [
          'Screen on the new card, synchronisation with the screen off: else the screen’s own rate is all that shows.',
          'The customer’s own work, or a scene that always runs alike. Five minutes, so that it gets warm.',
        ],
        ways: [],
      };
    case 'screens':
      return {
        first: ['Set the mode on every screen, then read it where the system shows it.'],
        ways: [
          {
            title: 'The mode that is set',
            commands: [isWindows ? 'Get-CimInstance Win32_VideoController' : 'xrandr --current'],
            reads: 'The refresh rate with a star, or in the row CurrentRefreshRate.',
          },
        ],
      };
    default:
      return {
        first: [QUIET, ...(flow.unit === 'B/s' ? [`At least ${gigabytes} GB. ${THRICE}`] : [])],
        ways:
          flow.unit === 'B/s'
            ? isWindows
              ? copyOnWindows(gigabytes)
              : copyOnUnix(gigabytes, 'DEVICE')
            : [],
      };
  }
}

const wireTest = (direction: 'to' | 'from'): WayToMeasure => ({
  title: 'The wire alone, from memory to memory',
  atFarEnd: 'iperf3 -s',
  commands: [`iperf3 -c FAR-END -t 20 -J${direction === 'from' ? ' -R' : ''} > wire.json`],
  reads: 'Start the far end first and leave it running. Drop wire.json.',
});

const copyOnWindows = (gigabytes: number): readonly WayToMeasure[] => [
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

const copyOnUnix = (gigabytes: number, target: string): readonly WayToMeasure[] => [
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

const driveTests = (gigabytes: number): readonly WayToMeasure[] => [
  {
    title: 'Read and write, past the cache',
    commands: [
      `fio --name=write --filename=/MOUNT/probe --rw=write --bs=1M --size=${gigabytes}G --direct=1 --ioengine=psync --output-format=json > write.json`,
      `fio --name=read --filename=/MOUNT/probe --rw=read --bs=1M --size=${gigabytes}G --direct=1 --ioengine=psync --output-format=json > read.json`,
      'rm /MOUNT/probe',
    ],
    reads: 'Drop both files.',
  },
  ...copyOnUnix(gigabytes, 'MOUNT'),
];

/** The commands of a way as a file to run, with what it is above them. */
export function scriptOf(
  { title, commands }: WayToMeasure,
  family: SystemFamily | null,
): {
  readonly name: string;
  readonly text: string;
} {
  const isWindows = family === 'windows';
  const mark = isWindows ? 'rem' : '#';
  return {
    name: isWindows ? 'measure.cmd' : 'measure.sh',
    text: [
      isWindows ? '@echo off' : '#!/bin/sh',
      `${mark} ${title}. Replace the words in capitals first.`,
      ...commands,
      '',
    ].join(isWindows ? '\r\n' : '\n'),
  };
}
