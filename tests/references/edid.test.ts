/**
 * Tenant's decoding of what screens report against edid-decode, over random reports from a seed: names, makers,
 * modes detailed, by code and in DisplayID sections, at half the colour, preferred; inputs, what HDMI takes, colours, tiles,
 * checksum verdict, extension count.
 */
import { expect } from 'chai';
import * as fc from 'fast-check';
import { CTA_MODES } from '../../src/core/standards/index.ts';
import {
  ProblemList,
  readEdid,
  readEvidence,
  type ReportedMode,
  type ScreenReading,
} from '../../src/core/read/index.ts';
import { buildEdid, randomEdid } from '../builders/edid.ts';
import { SEED, requireTool, run, runWithComplaints, withFile } from './tools.ts';
import { soaked } from '../builders/soak.ts';

const REPORTS = soaked(60, 500);

interface PrintedMode {
  readonly widthPx: number;
  readonly heightPx: number;
  readonly interlaced: boolean;
  readonly refreshHz: number;
  readonly pixelClockHz: number;
}
const MODE = /(\d+)x(\d+)(i?)\s+([\d.]+) Hz .*?([\d.]+) MHz/;

function modeIn(line: string): PrintedMode {
  const [, width, height, mark, hertz, megahertz] = MODE.exec(line) ?? [];
  return {
    widthPx: Number(width),
    heightPx: Number(height),
    interlaced: mark === 'i',
    refreshHz: Number(hertz),
    pixelClockHz: Math.round(Number(megahertz) * 1e6),
  };
}

/** What stands under each heading of the tool's text: the modes, and the video code of each where it has one. */
function printedUnder(text: string) {
  const found: {
    readonly heading: string;
    readonly code: number | null;
    readonly mode: PrintedMode;
  }[] = [];
  let heading = '';
  for (const line of text.split('\n')) {
    const [, code] = /^\s+VIC\s+(\d+):/.exec(line) ?? [];
    if (/^\s+(DTD|VIC|HDMI VIC)\s*\d*:/.test(line) && MODE.test(line))
      found.push({ heading, code: code === undefined ? null : Number(code), mode: modeIn(line) });
    else if (/^ {0,2}\S.*:/.test(line)) heading = line.trim();
  }
  return found;
}

function expectMode(ours: ReportedMode | undefined, theirs: PrintedMode, where: string): void {
  if (ours === undefined) throw new Error(`no mode for ${JSON.stringify(theirs)}\n${where}`);
  expect(ours, where).to.include({
    widthPx: theirs.widthPx,
    heightPx: theirs.heightPx,
    interlaced: theirs.interlaced,
    pixelClockHz: theirs.pixelClockHz,
  });
  expect(ours.refreshHz, where).to.be.closeTo(theirs.refreshHz, 1e-5);
}

const same = (a: PrintedMode) => (b: ReportedMode) =>
  a.widthPx === b.widthPx &&
  a.heightPx === b.heightPx &&
  a.pixelClockHz === b.pixelClockHz &&
  Math.abs(a.refreshHz - b.refreshHz) < 0.01;

/** The port's own word, and only where it has none an HDMI block. */
function inputPrinted(text: string): ScreenReading['input'] {
  if (/Analog display/.test(text)) return 'analogue';
  if (/DVI interface/.test(text)) return 'dvi';
  if (/HDMI-[ab] interface/.test(text)) return 'hdmi';
  if (/DisplayPort interface/.test(text)) return 'displayport';
  return /Vendor-Specific Data Block \(HDMI/.test(text) ? 'hdmi' : 'digital';
}

const numberIn = (text: string, pattern: RegExp): number | null => {
  const found = pattern.exec(text)?.[1];
  return found === undefined || Number(found) === 0 ? null : Number(found);
};

/** The fastest fixed-rate link in gigabits per second, all lanes together. */
function frlPrinted(text: string): number | null {
  const [line = ''] = /Max Fixed Rate Link:.*/.exec(text) ?? [];
  const four = numberIn(line, /(\d+) Gbps on 4 lanes/);
  const three = numberIn(line, /(\d+) Gbps per lane on 3 lanes/);
  return four === null ? three && three * 3 : four * 4;
}

function tilesPrinted(text: string) {
  const grid = /Num horizontal tiles: (\d+) Num vertical tiles: (\d+)/.exec(text);
  if (grid === null) return null;
  const [, column, row] = /Tile location: (\d+), (\d+)/.exec(text) ?? [];
  const [, width, height] = /Tile resolution: (\d+)x(\d+)/.exec(text) ?? [];
  return {
    across: Number(grid[1]),
    down: Number(grid[2]),
    column: Number(column),
    row: Number(row),
    widthPx: Number(width),
    heightPx: Number(height),
  };
}

describe('Screens’ reports against edid-decode', () => {
  const specs = fc.sample(randomEdid, { numRuns: REPORTS, seed: SEED });

  before(function () {
    requireTool(this, 'edid-decode');
  });

  it(`decodes ${REPORTS} reports as it does (seed ${SEED})`, () => {
    const seen = { names: 0, coded: 0, wrong: 0, sections: 0, tiled: 0, half: 0, frl: 0 };
    for (const spec of specs) {
      const bytes = buildEdid(spec);
      const text = withFile(bytes, (path) => runWithComplaints('edid-decode', ['-c', '-p', path]));
      const ours = readEdid(bytes, new ProblemList());
      if (ours === null) throw new Error(`nothing read\n${text}`);
      const [, name] =
        /Display Product Name: '(.*)'/.exec(text) ?? /Product ID: (.*)$/m.exec(text) ?? [];
      expect(ours.name ?? undefined, text).to.equal(name);
      expect(text).to.match(new RegExp(`Manufacturer: ${ours.maker}\\n`));
      expect(text).to.match(new RegExp(`Model: ${ours.product}\\n`));
      expect(ours.input, text).to.equal(inputPrinted(text));
      expect(ours.extensions, text).to.equal(
        Number(/Extension blocks: (\d+)/.exec(text)?.[1] ?? 0),
      );
      expect(ours.checksumsHold, text).to.equal(!/should be 0x/.test(text));

      const printed = printedUnder(text);
      const under = (heading: RegExp) => printed.filter((each) => heading.test(each.heading));
      const only = under(/^YCbCr 4:2:0 Video/);
      const named = under(/^Video Data/);
      const half = [
        ...only,
        ...(text.includes('All VDB SVDs') ? named : under(/^YCbCr 4:2:0 Capability/)),
      ];
      const detailed = under(/^(Detailed Timing|Vendor-Specific|Video Timing Modes)/);
      const whole = [...named, ...detailed].filter(
        ({ code }) => code === null || !only.some((each) => each.code === code),
      );
      for (const [found, theirs] of [
        [ours.modes, whole],
        [ours.halfColour, half],
      ] as const) {
        for (const { mode } of theirs) expectMode(found.find(same(mode)), mode, text);
        for (const mode of found)
          expect(
            theirs.some((each) => same(each.mode)(mode)),
            `${JSON.stringify(mode)}\n${text}`,
          ).to.equal(true);
      }
      const ofSections = under(/^Preferred Video Timings? if Block 0 and DisplayID/);
      const ofBase = under(/^Preferred Video Timings? if only Block 0/);
      const preferred = [...ofSections, ...ofBase][0]?.mode;
      if (preferred !== undefined) expectMode(ours.preferred ?? undefined, preferred, text);

      const clocks = [
        numberIn(text, /Maximum TMDS clock: (\d+) MHz/),
        numberIn(text, /Maximum TMDS Character Rate: (\d+) MHz/),
      ].map((each) => each ?? 0);
      expect(ours.hdmiClockHz, text).to.equal(Math.max(...clocks) * 1e6 || null);
      expect(ours.frlGigabits, text).to.equal(frlPrinted(text));
      expect(ours.tiles, text).to.deep.equal(tilesPrinted(text));
      const colours = [
        numberIn(text, /Bits per primary color channel: (\d+)/),
        ...[48, 36, 30].map((bits) => (text.includes(`DC_${bits}bit`) ? bits / 3 : null)),
      ].map((each) => each ?? 0);
      expect(ours.bitsPerColour, text).to.equal(Math.max(...colours) || null);
      seen.names += name === undefined ? 0 : 1;
      seen.coded += /VIC/.test(text) ? 1 : 0;
      seen.wrong += ours.checksumsHold ? 0 : 1;
      seen.sections += under(/^Video Timing Modes Type/).length > 0 ? 1 : 0;
      seen.tiled += ours.tiles === null ? 0 : 1;
      seen.half += half.length > 0 ? 1 : 0;
      seen.frl += ours.frlGigabits === null ? 0 : 1;
    }
    for (const count of Object.values(seen)) expect(count).to.be.greaterThan(REPORTS / 10);
  });

  it('knows every video code as its table gives it', () => {
    const table = run('edid-decode', ['--list-vics'])
      .split('\n')
      .filter((line) => MODE.test(line));
    expect(table.length).to.equal(CTA_MODES.size);
    for (const line of table) {
      const code = Number(/^VIC\s+(\d+):/.exec(line)?.[1]);
      expect(CTA_MODES.get(code), `VIC ${code}`).to.deep.equal(modeIn(line));
    }
  });

  it('reads binary, hexadecimal and base64 alike', () => {
    const bytes = buildEdid(specs[0]!);
    const hex = Buffer.from(bytes).toString('hex');
    const ways = [
      bytes,
      hex,
      hex.replace(/(.{32})/g, '$1\n'),
      Buffer.from(bytes).toString('base64'),
    ];
    const read = ways.map((content) => readEvidence([{ name: 'screen', content }]).screens);
    for (const each of read) expect(each).to.deep.equal(read[0]);
    expect(read[0]).to.have.length(1);
  });
});
