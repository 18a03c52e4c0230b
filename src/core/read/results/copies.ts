/**
 * The last lines of copy tools: `dd` of Linux, BSD and BusyBox, `rsync`, `scp`, and `robocopy` in whatever language. Source: what dd
 * (coreutils 9.1), rsync 3.2 and scp print, and the documented summary of robocopy (from memory).
 */
import { linesOf } from '../lines.ts';
import type { ProblemList } from '../problem.ts';
import { measured, isRate, type MeasuredRate, type Result } from './result.ts';
import type { TextReader } from '../reader.ts';

export const copies = {
  kind: 'copies',
  tail: [
    /^\d{1,18} \S{1,12} (?:\([^)\n]{0,40}\) \S{1,20}, \d|transferred in \d)/m,
    /^\d{1,9}\+\d{1,9} records out$/m,
    /^sent [\d,.]{1,24} bytes {1,4}received \d/m,
    /\s100% {1,4}\d{1,7}[KMGT]?B {1,4}\d/,
    /:\s{1,40}\d[\d.,\u00a0' ]{0,24} Bytes\/\S/i,
  ],
  read: measured(readCopies),
} satisfies TextReader;

interface Copied {
  readonly bytes: number;
  readonly seconds: number;
  readonly files?: number;
  readonly words: string;
}

const NUMBER = String.raw`(\d{1,18}(?:[.,]\d{1,9})?)`;
/** “1073741824 bytes (1.1 GB, 1.0 GiB) copied, 2.17 s, 495 MB/s”, with a decimal comma in other languages. */
const DD = new RegExp(String.raw`^(\d{1,18}) bytes \([^)]{0,40}\) copied, ${NUMBER} s`);
/** BSD: “1073741824 bytes transferred in 2.170 secs (494812000 bytes/sec)”. */
const DD_BSD = new RegExp(String.raw`^(\d{1,18}) bytes transferred in ${NUMBER} secs`);
/** Other languages keep bytes, seconds and rate in their places: “1073741824 Bytes (1,1 GB, 1,0 GiB) kopiert, 2,17 s, 495 MB/s”. */
const DD_ELSEWHERE = new RegExp(
  String.raw`^(\d{1,18}) \S{1,12} \([^)]{0,40}\) \S{1,20}, ${NUMBER} s, `,
);
const RSYNC =
  /^sent ([\d,.]{1,24}) bytes {1,4}received ([\d,.]{1,24}) bytes {1,4}([\d,.]{1,24}) bytes\/sec$/;
const RSYNC_FILES = /^Number of (?:regular )?files transferred: ([\d,.]{1,15})$/;
/** “probe.bin   100% 1024MB 112.3MB/s   00:09”, in powers of 1024. */
const SCP =
  /\s100% {1,4}(\d{1,7})([KMGT]?B) {1,4}([\d.]{1,12})([KMGT]?B)\/s {1,6}(\d{1,3}(?::\d\d){1,2})\s*$/;
/** The line of the rate: figures, then bytes a second in whatever language. */
const ROBOCOPY = /:\s{1,40}(\d[\d.,\u00a0' ]{0,24}) Bytes\/\S{1,8}\.?\s*$/i;

/** Thousands may be set apart; behind the last mark stand as many digits as they may. */
const whole = (printed: string): number => Number(printed.replaceAll(/[^\d]/g, ''));
const decimal = (printed: string): number => Number(printed.replace(',', '.'));
/** “143,165,593.33”: the last mark is that of decimals where it differs from the others, or stands alone before two digits. */
function grouped(printed: string): number {
  const last = Math.max(printed.lastIndexOf('.'), printed.lastIndexOf(','));
  const isDecimal = last !== -1 && printed.length - last - 1 === 2;
  return isDecimal
    ? whole(printed.slice(0, last)) + Number(`0.${printed.slice(last + 1)}`)
    : whole(printed);
}

const BINARY: Readonly<Record<string, number>> = {
  B: 1,
  KB: 2 ** 10,
  MB: 2 ** 20,
  GB: 2 ** 30,
  TB: 2 ** 40,
};

/** Never throws: one result for each copy that its tool counted. */
function readCopies(input: string, problems: ProblemList): readonly Result[] {
  const results: MeasuredRate[] = [];
  let files: number | undefined;
  for (const { line, raw } of linesOf(input, problems)) {
    const text = raw.trim();
    const counted = RSYNC_FILES.exec(text)?.[1];
    if (counted !== undefined) files = whole(counted);
    const copied = dd(text) ?? rsync(text, files) ?? scp(raw);
    const rate = copied === null ? robocopy(raw) : null;
    if (copied === null && rate === null) continue;
    const bytesPerSecond = rate ?? copied!.bytes / copied!.seconds;
    if (!isRate(bytesPerSecond)) {
      problems.add({ code: 'result.noTime', line, found: text.slice(0, 80) });
      continue;
    }
    results.push({
      kind: 'rate',
      of: 'copy',
      what: copied?.words === 'dd' || copied?.files === 1 ? 'large' : 'own',
      direction: null,
      bytesPerSecond,
      bytes: copied?.bytes ?? null,
      seconds: copied?.seconds ?? null,
      files: copied?.words === 'dd' ? 1 : (copied?.files ?? null),
      words: copied?.words ?? 'robocopy',
    });
  }
  if (results.length === 0 && problems.all.length === 0)
    problems.add({ code: 'result.nothingMeasured', line: 1, expected: '… bytes … copied, … s' });
  return results;
}

function dd(text: string): Copied | null {
  const found = DD.exec(text) ?? DD_BSD.exec(text) ?? DD_ELSEWHERE.exec(text) ?? BUSYBOX.exec(text);
  const [, bytes, seconds] = found ?? [];
  return bytes === undefined || seconds === undefined
    ? null
    : { bytes: Number(bytes), seconds: decimal(seconds), words: 'dd' };
}
/** “1073741824 bytes (1.0GB) copied, 1.081234 seconds, 947.0MB/s”. */
const BUSYBOX = new RegExp(String.raw`^(\d{1,18}) bytes \([^)]{0,40}\) copied, ${NUMBER} seconds`);

function rsync(text: string, files: number | undefined): Copied | null {
  const [, sent, received, rate] = RSYNC.exec(text) ?? [];
  if (sent === undefined || received === undefined || rate === undefined) return null;
  const bytes = whole(sent) + whole(received);
  return {
    bytes,
    seconds: bytes / grouped(rate),
    words: 'rsync',
    ...(files === undefined ? {} : { files }),
  };
}

function scp(raw: string): Copied | null {
  const [, size, unit = '', rate, rateUnit = ''] = SCP.exec(raw) ?? [];
  if (size === undefined || rate === undefined) return null;
  const bytes = Number(size) * (BINARY[unit] ?? 1);
  return {
    bytes,
    seconds: bytes / (Number(rate) * (BINARY[rateUnit] ?? 1)),
    words: 'scp',
    files: 1,
  };
}

function robocopy(raw: string): number | null {
  const printed = ROBOCOPY.exec(raw)?.[1];
  return printed === undefined ? null : whole(printed);
}
