/**
 * What the radio is joined at: `iw dev NAME link` and `netsh wlan show interfaces`. The network's name and the access point's address
 * are not taken. Source: what iw 5.19 prints, and the documented output of netsh (from memory).
 */
import { linesOf } from '../lines.ts';
import type { ProblemList } from '../problem.ts';
import { measured, type Result } from './result.ts';
import type { TextReader } from '../reader.ts';

export const radio = {
  kind: 'radio',
  head: [/^Connected to [0-9a-f:]{17} \(on |\(Mbps\)\s{1,40}: \d/im],
  read: measured(readRadio),
} satisfies TextReader;

/** “	freq: 5180”, newer ones “5180.0”. */
const IW_FREQUENCY = /^freq: (\d{4})(?:\.\d)?$/;
const IW_RATE = /^(?:tx|rx) bitrate: (\d{1,5}(?:\.\d)?) MBit\/s/;
/** “Receive rate (Mbps) : 866.7”, in whatever language: the unit stands in brackets. */
const NETSH_RATE = /\(Mbps\)\s{1,40}: (\d{1,5}(?:[.,]\d{1,2})?)$/i;
const NETSH_BAND = /^Band\s{1,40}: (2[.,]4|5|6) GHz$/i;
const NETSH_CHANNEL = /^(?:Channel|Kanal|Canal|Canale)\s{1,40}: (\d{1,3})$/i;

/** Channels up to this one are those of 2.4 GHz. Source: IEEE 802.11 (from memory). */
const LAST_OF_2_4 = 14;

function readRadio(input: string, problems: ProblemList): readonly Result[] {
  let gigahertz: number | null = null;
  let channel: number | null = null;
  let megabits: number | null = null;
  for (const { raw } of linesOf(input, problems)) {
    const text = raw.trim();
    const frequency = IW_FREQUENCY.exec(text)?.[1];
    if (frequency !== undefined) gigahertz = bandOf(Number(frequency));
    const band = NETSH_BAND.exec(text)?.[1];
    if (band !== undefined) gigahertz = Number(band.replace(',', '.'));
    channel = number(NETSH_CHANNEL.exec(text)?.[1]) ?? channel;
    const rate = number((IW_RATE.exec(text) ?? NETSH_RATE.exec(text))?.[1]);
    // Of both directions the better one: the other may rest.
    if (rate !== null) megabits = Math.max(megabits ?? 0, rate);
  }
  if (gigahertz === null && channel !== null && channel > 0)
    gigahertz = channel <= LAST_OF_2_4 ? 2.4 : 5;
  if (gigahertz === null && megabits === null) {
    problems.add({ code: 'result.nothingMeasured', line: 1, expected: 'freq: …, tx bitrate: …' });
    return [];
  }
  return [{ kind: 'radio', gigahertz, megabits }];
}

const number = (printed: string | undefined): number | null =>
  printed === undefined ? null : Number(printed.replace(',', '.'));

/** @param megahertz of the channel */
const bandOf = (megahertz: number): number => (megahertz < 3_000 ? 2.4 : megahertz < 5_925 ? 5 : 6);
