/**
 * Tenant's decoding of what screens report against edid-decode, over random reports from a seed: names, makers,
 * detailed, named and preferred modes, inputs, checksum verdict, extension count.
 */
import { expect } from 'chai';
import * as fc from 'fast-check';
import {
  CTA_MODES,
  ProblemList,
  readEdid,
  readEvidence,
  type ReportedMode,
  type ScreenReading,
} from '../../src/core/index.ts';
import { buildEdid, randomEdid } from '../builders/edid.ts';
import { SEED, requireTool, run, runWithComplaints, withFile } from './tools.ts';

const REPORTS = 500;

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

const modesAfter = (label: RegExp, text: string): readonly PrintedMode[] =>
  text
    .split('\n')
    .filter((line) => label.test(line) && MODE.test(line))
    .map(modeIn);

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

function inputPrinted(text: string): ScreenReading['input'] {
  if (/Vendor-Specific Data Block \(HDMI/.test(text)) return 'hdmi';
  if (/Analog display/.test(text)) return 'analogue';
  if (/DVI interface/.test(text)) return 'dvi';
  if (/HDMI-[ab] interface/.test(text)) return 'hdmi';
  return /DisplayPort interface/.test(text) ? 'displayport' : 'digital';
}

describe('Screens’ reports against edid-decode', () => {
  const specs = fc.sample(randomEdid, { numRuns: REPORTS, seed: SEED });

  before(function () {
    requireTool(this, 'edid-decode');
  });

  it(`decodes ${REPORTS} reports as it does (seed ${SEED})`, () => {
    const seen = { names: 0, coded: 0, wrong: 0, extended: 0 };
    for (const spec of specs) {
      const bytes = buildEdid(spec);
      const text = withFile(bytes, (path) => runWithComplaints('edid-decode', ['-c', '-p', path]));
      const ours = readEdid(bytes, new ProblemList());
      if (ours === null) throw new Error(`nothing read\n${text}`);
      const [, name] = /Display Product Name: '(.*)'/.exec(text) ?? [];
      expect(ours.name ?? undefined, text).to.equal(name);
      expect(text).to.match(new RegExp(`Manufacturer: ${ours.maker}\\n`));
      expect(text).to.match(new RegExp(`Model: ${ours.product}\\n`));
      expect(ours.input, text).to.equal(inputPrinted(text));
      expect(ours.extensions, text).to.equal(
        Number(/Extension blocks: (\d+)/.exec(text)?.[1] ?? 0),
      );
      expect(ours.checksumsHold, text).to.equal(!/should be 0x/.test(text));
      const named = modesAfter(/^\s+(DTD|VIC)\s+\d+:/, text);
      for (const mode of named.filter(known(text))) {
        expectMode(ours.modes.find(same(mode)), mode, text);
      }
      for (const mode of ours.modes)
        expect(
          named.some((each) => same(each)(mode)),
          text,
        ).to.equal(true);
      const preferred = modesAfter(/DTD|VIC/, text.split('Preferred Video Timing')[1] ?? '')[0];
      if (preferred !== undefined) expectMode(ours.preferred ?? undefined, preferred, text);
      seen.names += name === undefined ? 0 : 1;
      seen.coded += /VIC/.test(text) ? 1 : 0;
      seen.wrong += ours.checksumsHold ? 0 : 1;
      seen.extended += ours.extensions > 0 ? 1 : 0;
    }
    for (const count of Object.values(seen)) expect(count).to.be.greaterThan(REPORTS / 10);
  });

  it('knows its video codes as its table gives them', () => {
    const table = run('edid-decode', ['--list-vics']);
    for (const [code, mode] of CTA_MODES) {
      const line = table
        .split('\n')
        .find((each) => each.startsWith(`VIC ${String(code).padStart(3)}:`));
      expect(modeIn(line ?? ''), `VIC ${code}`).to.deep.include({ ...mode, interlaced: false });
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

/** Modes by a code that Tenant's table leaves out are not asked for. */
const known = (text: string) => (mode: PrintedMode) =>
  !text
    .split('\n')
    .filter((line) => /^\s+VIC\s+\d+:/.test(line) && MODE.test(line))
    .some(
      (line) =>
        !CTA_MODES.has(Number(/VIC\s+(\d+)/.exec(line)?.[1])) &&
        JSON.stringify(modeIn(line)) === JSON.stringify(mode),
    );
