/** Names and form of what drives say, against smartctl itself: its own list of drives, and what it prints here. */
import { readFileSync } from 'node:fs';
import { expect } from 'chai';
import { ProblemList, readEvidence, readSmartctl } from '../../src/core/read/index.ts';
import { WRITTEN_UNITS } from '../../src/core/read/system/smartctl.ts';
import { requireTool, runWithComplaints } from './tools.ts';

const LIST = '/usr/share/smartmontools/drivedb.h';

describe('What drives say against smartctl', () => {
  it('counts what was written by names that its list of drives has', function () {
    requireTool(this, 'smartctl');
    const list = readFileSync(LIST, 'utf8');
    for (const name of Object.keys(WRITTEN_UNITS)) expect(list, name).to.include(name);
  });

  it('is known for what it is where there is no drive, and refused', function () {
    requireTool(this, 'smartctl');
    const text = runWithComplaints('smartctl', ['--json', '-a', '/dev/no-such-drive']);
    expect(readEvidence([{ name: 'x', content: text }]).files[0]).to.include({
      kind: 'smartctl',
      found: 0,
    });
    const problems = new ProblemList();
    expect(readSmartctl(text, problems)).to.deep.equal([]);
    expect(problems.all.map(({ code }) => code)).to.deep.equal(['report.noDrive']);
  });
});
