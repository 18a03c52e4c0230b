/** What programs outside may count on. */
import { readFileSync } from 'node:fs';
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
