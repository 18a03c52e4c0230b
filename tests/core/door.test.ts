/** What programs outside may count on. */
import { readFileSync, readdirSync } from 'node:fs';
import { expect } from 'chai';
import ts from 'typescript';

const read = (path: string) => readFileSync(new URL(path, import.meta.url), 'utf8');

/** Names that a module passes on, as it is written. */
const exported = (source: string): readonly string[] =>
  ts
    .createSourceFile('index.ts', source, ts.ScriptTarget.ES2023)
    .statements.flatMap((statement) =>
      ts.isExportDeclaration(statement) &&
      statement.exportClause !== undefined &&
      ts.isNamedExports(statement.exportClause)
        ? statement.exportClause.elements.map(({ name }) => name.text)
        : [],
    );

describe('The door of the core', () => {
  const names = exported(read('../../src/core/index.ts'));
  const changes = read('../../CHANGELOG.md');

  it('is small enough to be kept', () => {
    expect(names.length).to.be.within(40, 80);
  });

  it('is listed whole in the changelog, which begins with the version that the application has', () => {
    const { version } = JSON.parse(read('../../package.json')) as { version: string };
    expect(/^## (\S+)/m.exec(changes)?.[1]).to.equal(version);
    const listed = [...changes.matchAll(/`(\w+)`/g)].map(([, name]) => name);
    expect(names.filter((name) => !listed.includes(name))).to.deep.equal([]);
  });
});

describe('Documents beside the code', () => {
  const ROOT = new URL('../../', import.meta.url);
  const files = readdirSync(ROOT, { recursive: true, encoding: 'utf8' }).filter(
    (file) => !/^(?:node_modules|build|\.|test-results)/.test(file),
  );

  for (const name of [
    'README.md',
    'CONTRIBUTING.md',
    'src/core/README.md',
    'docs/decisions.md',
    'docs/recipes.md',
    'docs/glossary.md',
    'CHANGELOG.md',
  ])
    it(`name no file that is not there (${name})`, () => {
      const named = [...read(`../../${name}`).matchAll(/`([\w./-]+\.(?:ts|mjs|svelte))`/g)];
      const dead = named.flatMap(([, path = '']) =>
        files.some((file) => `/${file}`.endsWith(`/${path}`)) ? [] : [path],
      );
      expect(dead).to.deep.equal([]);
    });
});
