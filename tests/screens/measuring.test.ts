/** What is told to be run: a file to run ends by itself, and reads as what it is run by. */
import { spawnSync } from 'node:child_process';
import { expect } from 'chai';
import { SYSTEM_FAMILIES } from '$core/standards';
import { plainNeed, type NeedKind } from '$core/kinds';
import { needWordsOf } from '$words/kinds/words';
import { scriptOf } from '$words/measuring';
import { KIND_WORDS } from '$words/kinds/words';

const FAMILIES = [...SYSTEM_FAMILIES, null] as const;
const KINDS = Object.keys(KIND_WORDS) as readonly NeedKind[];
/** What runs until somebody stops it. Source: the manuals of these programs. */
const ENDLESS = /\biperf3? (?:.* )?-s\b|\bping (?!.*-[cn])|\bwatch\b|--server\b/;

describe('A file to run', () => {
  it('has in it what ends by itself, on every system and for every kind of need', () => {
    let scripts = 0;
    for (const family of FAMILIES)
      for (const kind of KINDS)
        for (const way of needWordsOf({ kind }).guide(plainNeed(kind, kind), {
          family,
          gigabytes: 8,
          unit: 'B/s',
        }).ways) {
          scripts += 1;
          const { text } = scriptOf(way, family);
          expect(text, `${kind} on ${family}`).not.to.match(ENDLESS);
          if (way.atFarEnd !== undefined) expect(text).not.to.include(way.atFarEnd);
          if (family === 'windows') continue;
          const { status, stderr } = spawnSync('sh', ['-n'], { input: text, encoding: 'utf8' });
          expect([status, stderr], text).to.deep.equal([0, '']);
        }
    expect(scripts).to.be.greaterThan(10);
  });
});
