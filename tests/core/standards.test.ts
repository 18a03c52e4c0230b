import { expect } from 'chai';
import {
  bestBytesPerSecond,
  cableCarries,
  linkBytesPerSecond,
  payloadShare,
  reckonedBytesPerSecond,
  tcpBytesPerSecond,
  trainedLink,
  USB,
  type Generation,
} from '../../src/core/index.ts';

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
    // Common practice, no source: USB in Gen 1 x1 measures a little over 200 MB/s.
    expect(reckonedBytesPerSecond({ generation: 1, width: 1 }) / 1e6).to.be.within(200, 220);
    expect(bestBytesPerSecond({ generation: 1, width: 1 }) / 1e6).to.be.below(250);
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
    expect(cableCarries('cat6', 55, 10000)).to.equal(true);
    expect(cableCarries('cat6', 56, 10000)).to.equal(false);
    expect(cableCarries('cat6a', 100, 10000)).to.equal(true);
    expect(cableCarries('cat5e', 100, 2500)).to.equal(true);
    expect(cableCarries('cat5e', 101, 2500)).to.equal(false);
    expect(cableCarries('cat5e', 10, 5000)).to.equal(false);
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
