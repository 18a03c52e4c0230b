/** Pixel clocks of screen modes against edid-decode, whose timing calculator follows VESA CVT 1.2. */
import { expect } from 'chai';
import * as fc from 'fast-check';
import { modeBitsPerSecond, pixelClockHz } from '../../src/core/index.ts';
import { SEED, requireTool, run } from './tools.ts';

const MODES = 60;

/** Pixel clock in hertz that edid-decode prints for a mode with reduced blanking. */
function clockByTool(widthPx: number, heightPx: number, refreshHz: number, version: 1 | 2): number {
  const text = run('edid-decode', [
    `--cvt`,
    `w=${widthPx},h=${heightPx},fps=${refreshHz},rb=${version}`,
  ]);
  const megahertz = /(\d+\.\d+) MHz/.exec(text)?.[1];
  if (megahertz === undefined) throw new Error(`No clock in: ${text}`);
  return Math.round(Number(megahertz) * 1e6);
}

describe('Screen modes against edid-decode', () => {
  before(function () {
    requireTool(this, 'edid-decode');
  });

  for (const [widthPx, heightPx, refreshHz, version, megahertz] of [
    [3840, 2160, 60, 1, 533.25],
    [2560, 1440, 144, 2, 586.586],
    [1920, 1080, 60, 1, 138.5],
  ] as const) {
    it(`gives ${widthPx} × ${heightPx} at ${refreshHz} Hz ${megahertz} MHz`, () => {
      const hertz = pixelClockHz({ widthPx, heightPx, refreshHz }, version);
      expect(hertz).to.equal(megahertz * 1e6);
      expect(hertz).to.equal(clockByTool(widthPx, heightPx, refreshHz, version));
    });
  }

  it(`gives the same clock for ${MODES} modes and both versions (seed ${SEED})`, () => {
    const mode = fc.record({
      // Widths in whole cells: edid-decode rounds others up, CVT 1.2 down.
      widthPx: fc.integer({ min: 80, max: 960 }).map((cells) => cells * 8),
      heightPx: fc.integer({ min: 480, max: 4320 }),
      refreshHz: fc.constantFrom(24, 30, 50, 60, 75, 100, 120, 144),
    });
    let slips = 0;
    for (const { widthPx, heightPx, refreshHz } of fc.sample(mode, {
      numRuns: MODES,
      seed: SEED,
    })) {
      for (const version of [1, 2] as const) {
        const ours = pixelClockHz({ widthPx, heightPx, refreshHz }, version);
        const theirs = clockByTool(widthPx, heightPx, refreshHz, version);
        // A clock that is a whole number of 1 kHz steps comes out one step low in the tool now and then:
        // it divides in floating point before it rounds down.
        const slipped = version === 2 && ours - theirs === 1000;
        const where = `${widthPx} × ${heightPx} at ${refreshHz} Hz, version ${version}`;
        if (!slipped) expect(ours, where).to.equal(theirs);
        slips += slipped ? 1 : 0;
      }
    }
    expect(slips).to.be.at.most(MODES / 10);
  });

  it('needs 12.8 Gb/s for 4K at 60 Hz, which DisplayPort 1.2 carries and HDMI 1.4b does not', () => {
    // DisplayPort 1.2 HBR2 17.28 Gb/s, HDMI 1.4b 8.16 Gb/s (from memory of the standards).
    const bits = modeBitsPerSecond({ widthPx: 3840, heightPx: 2160, refreshHz: 60 });
    expect(bits / 1e9).to.be.closeTo(12.798, 0.001);
    expect(bits).to.be.within(8.16e9, 17.28e9);
  });
});
