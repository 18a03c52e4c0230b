/** The worked job of src/core/README.md, run as it is printed there. */
import { readFileSync } from 'node:fs';
import { expect } from 'chai';
import ts from 'typescript';
import * as core from '../../src/core/index.ts';
import { CARDS } from '../../demo/catalogue/cards.ts';
import { PACKAGES } from '../builders/library.ts';
import { TOWER } from '../../demo/machines.ts';
import { networkNeed, wiredTo } from '../builders/parts.ts';

const read = (path: string) => readFileSync(new URL(path, import.meta.url), 'utf8');

describe('The worked job of the core’s README', () => {
  const code = /```ts\n([\s\S]+?)```/.exec(read('../../src/core/README.md'))?.[1] ?? '';
  const given = {
    ...core,
    report: read('../../demo/evidence/lighthouse-museum.lspci.txt'),
    template: {
      ...TOWER,
      path: { ...TOWER.path, ...wiredTo([1000, 10000]) },
    },
    need: networkNeed(700e6),
    cards: CARDS,
    library: PACKAGES,
  };

  it('is about ten lines', () => {
    expect(code.trim().split('\n').length).to.be.within(8, 12);
  });

  it('ends with the check that settles most of what a slow copy leaves open', () => {
    const script = ts.transpile(`${code}\nreturn { plan, job, asked };`, {
      target: ts.ScriptTarget.ES2023,
    });
    const run = new Function(...Object.keys(given), script) as (...args: unknown[]) => {
      plan: core.Proposal;
      job: core.Job;
      asked: core.NextCheck | undefined;
    };
    const { plan, job, asked } = run(...Object.values(given));
    expect(plan.unmet).to.deep.equal([]);
    const [figure] = core.handOverSheet(job).figures;
    expect(figure?.main?.judgement.outcome).to.equal('short');
    expect(asked).to.include({ kind: 'check', part: 'wire 0' });
  });
});
