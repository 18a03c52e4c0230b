/** Setup information files: sections, fields and strings as Wine's setupapi has read them (recorded by setupFiles/record.ts). */
import { expect } from 'chai';
import * as fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { ProblemList, decodeText, readInf, type Inf } from '../../src/core/read/index.ts';
import { readSetupPackage } from '../../src/core/drivers/index.ts';
import { packageText, randomInf, randomPackage, encodedInf } from '../builders/inf.ts';
import { soaked } from '../builders/soak.ts';
import { corpus, digestsOf, type ReadSection } from './setupFiles/corpus.ts';
import { SEED } from './tools.ts';

/** Wine puts in the plain strings only, whatever the language; a lone value without a key is key and value to it. */
const PLAIN = 0;
const asWine = ({ sections }: Inf): readonly ReadSection[] =>
  [...sections].map(([name, lines]) => ({
    name,
    lines: lines.map(({ key, values }) => [
      key ?? (values.length === 1 ? (values[0] ?? '') : ''),
      ...values,
    ]),
  }));

describe('Setup information files', () => {
  it('of our own in three encodings, and open ones from Debian, read as by Wine', function () {
    const recorded = JSON.parse(
      readFileSync(new URL('setupFiles/recorded.json', import.meta.url), 'utf8'),
    ) as Record<string, readonly string[]>;
    const { files, missing } = corpus();
    expect(Object.keys(recorded).length).to.be.at.least(40);
    for (const { name, bytes } of files) {
      const problems = new ProblemList();
      const inf = readInf(decodeText(bytes), problems, PLAIN);
      expect(digestsOf(asWine(inf)), name).to.deep.equal(recorded[name]);
    }
    if (missing.length === 0) expect(files).to.have.length(Object.keys(recorded).length);
    else console.log(`        not to be had here, and not compared: ${missing.join(', ')}`);
  });

  const mutations = soaked(1_000, 20_000);
  it(`that are damaged, ${mutations} of them, are read or refused, and never throw (seed ${SEED})`, () => {
    const texts = [
      ...fc.sample(randomInf, { numRuns: 20, seed: SEED }),
      ...fc.sample(randomPackage, { numRuns: 20, seed: SEED }).map(packageText),
    ];
    const change = fc.record({
      file: fc.nat(texts.length - 1),
      at: fc.noBias(fc.nat(999)).map((part) => part / 1000),
      gone: fc.nat(40),
      put: fc.oneof(
        fc.constantFrom(
          '"',
          '[',
          ']',
          '\\\n',
          '%',
          '=',
          ',',
          ';',
          '\n',
          '\0',
          '\u001a',
          '%%%',
          '""',
        ),
        fc.string({ maxLength: 20 }),
      ),
    });
    let read = 0;
    for (const { file, at, gone, put } of fc.sample(change, { numRuns: mutations, seed: SEED })) {
      const text = texts[file]!;
      const place = Math.floor(at * text.length);
      const damaged = text.slice(0, place) + put + text.slice(place + gone);
      const problems = new ProblemList();
      const inf = readInf(decodeText(encodedInf(damaged, 'utf-8')), problems);
      const found = readSetupPackage(inf, problems);
      for (const { line } of problems.all)
        if (line !== undefined) expect(line).to.be.within(1, damaged.split('\n').length);
      read += found === null ? 0 : 1;
    }
    expect(read).to.be.within(mutations / 2, mutations);
  });
});
