import { expect } from 'chai';
import {
  bestBytesPerSecond,
  cableCarries,
  healthyCopyShare,
  linkBytesPerSecond,
  payloadShare,
  reckonedBytesPerSecond,
  tcpBytesPerSecond,
  trainedLink,
  USB,
  type Generation,
} from '../../src/core/standards/index.ts';

describe('PCI Express links', () => {
  // PCI Express Base Specification 1.1 to 5.0, per lane and direction (from memory of it).
  for (const [generation, megabytes] of [
    [1, 250],
    [2, 500],
    [3, 984.6],
    [4, 1969.2],
    [5, 3938.5],
  ] as const) {
    it(`carries ${megabytes} MB/s per lane in generation ${generation}`, () => {
      expect(linkBytesPerSecond({ generation, width: 1 }) / 1e6).to.be.closeTo(megabytes, 0.05);
    });
  }

  it('leaves 82 to 93 % of the rate to payload, whatever the generation', () => {
    // The same specification: 128 or 256 bytes behind 12 or 16 bytes of header and 8 of framing.
    for (const generation of [1, 2, 3, 4, 5] as Generation[]) {
      for (const payload of [128, 256]) {
        for (const header of [12, 16]) {
          expect(payloadShare(generation, payload, header)).to.be.within(0.82, 0.93);
        }
      }
    }
    expect(payloadShare(3, 128, 16)).to.equal(128 / 152);
    expect(payloadShare(1, 256, 12)).to.equal(256 / 276);
  });

  it('is reckoned as the bench sees it', () => {
    // Common practice, no source: USB in Gen 1 x1 measures 200 to 210 MB/s, in Gen 2 x1 400 to 450, storage in Gen 2 x4
    // 1,400 to 1,500. What is
    // seen lies in the band, and the band begins where it is seen.
    for (const [generation, width, from, to] of [
      [1, 1, 200, 210],
      [2, 1, 400, 450],
      [2, 4, 1400, 1500],
    ] as const) {
      expect(reckonedBytesPerSecond({ generation, width }) / 1e6).to.be.closeTo(from, 1e-6);
      expect(bestBytesPerSecond({ generation, width }) / 1e6).to.be.above(to);
    }
    // 10 Gb/s Ethernet, 1,187 MB/s of payload, wants at least Gen 3 x2 or Gen 2 x4.
    const carries = (generation: Generation, width: number) =>
      reckonedBytesPerSecond({ generation, width }) >= tcpBytesPerSecond(10_000);
    expect([carries(3, 2), carries(2, 4), carries(3, 1), carries(2, 2)]).to.deep.equal([
      ...[true, true],
      ...[false, false],
    ]);
  });

  it('of a wire is healthy where practice sees it', () => {
    // Common practice, no source: gigabit paths copy at 105 to 113 MB/s, those of 2.5 Gb/s at 250 to 285.
    for (const [megabits, from, to] of [
      [1000, 105, 113],
      [2500, 250, 285],
    ] as const) {
      const most = tcpBytesPerSecond(megabits) / 1e6;
      expect(most * healthyCopyShare(megabits)).to.be.within(from - 1, from);
      expect(most).to.be.above(to);
    }
  });

  it('trains to the lower generation and the widest common width', () => {
    expect(trainedLink({ generation: 3, width: 4 }, { generation: 4, width: 2 })).to.deep.equal({
      generation: 3,
      width: 2,
    });
    expect(trainedLink({ generation: 2, width: 8 }, { generation: 2, width: 3 }).width).to.equal(2);
  });

  it('names the width that no link has', () => {
    expect(() => trainedLink({ generation: 1, width: 0 }, { generation: 1, width: 4 })).to.throw(
      '0',
    );
  });
});

describe('Ethernet', () => {
  // Worked figures: 1460 of 1538 bytes, and 8960 of 9038 with jumbo frames.
  for (const [megabits, usual, jumbo] of [
    [1000, 118.7, 123.9],
    [2500, 296.7, 309.8],
    [5000, 593.3, 619.6],
    [10000, 1186.6, 1239.2],
  ] as const) {
    it(`carries ${usual} MB/s of payload at ${megabits} Mb/s`, () => {
      expect(tcpBytesPerSecond(megabits) / 1e6).to.be.closeTo(usual, 0.06);
      expect(tcpBytesPerSecond(megabits, 9000) / 1e6).to.be.closeTo(jumbo, 0.06);
    });
  }

  it('keeps to the reach of each cable class', () => {
    // IEEE 802.3an: 10GBASE-T over Cat 6 to 55 m, over Cat 6A to 100 m (from memory).
    expect(cableCarries('cat6', 55, 10000)).to.equal('standard');
    expect(cableCarries('cat6', 56, 10000)).to.equal(null);
    expect(cableCarries('cat6a', 100, 10000)).to.equal('standard');
    expect(cableCarries('cat5e', 100, 2500)).to.equal('standard');
    expect(cableCarries('cat5e', 101, 2500)).to.equal(null);
    // Common practice, no source: Cat 5e usually carries 5 Gb/s, as far as a run may be.
    expect(cableCarries('cat5e', 100, 5000)).to.equal('usually');
    expect(cableCarries('cat5e', 101, 5000)).to.equal(null);
    expect(cableCarries('cat5e', 10, 10000)).to.equal(null);
  });
});

describe('USB', () => {
  it('carries the rates of USB 2.0 and 3.2 after coding', () => {
    // USB 2.0 and USB 3.2 specifications (from memory).
    const rounded = Object.values(USB).map(({ codedBytesPerSecond }) =>
      Math.round(codedBytesPerSecond / 1e6),
    );
    expect(rounded).to.deep.equal([60, 500, 1212, 2424]);
  });
});
