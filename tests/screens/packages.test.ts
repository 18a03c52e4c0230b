/** Driver packages of any size: what is in an archive is held against its sums, only setup files are kept, and a stick is what was shown. */
import { soaked } from '../builders/soak';
import { expect } from 'chai';
import { strToU8, zipSync } from 'fflate';
import { execFileSync, spawnSync } from 'node:child_process';
import { appendFileSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { emptyFunction } from '$core/parts';
import { inspectPackages, stickSearch } from '$core/drivers';
import { openPackages } from '$lib/workers/packageFiles';
import { NotAsShown, stickArchive } from '$lib/workers/stickArchive';
import { aMachine, aSlot } from '../builders/parts.ts';

const SETUP = `[Version]
Signature="$Windows NT$"
Class=Net
Provider="Pendle"
[Manufacturer]
"P"=M,NTamd64
[M.NTamd64]
"Port"=I,PCI\\VEN_F1A1&DEV_2001
[I]
[SourceDisksFiles]
f298.sys=1
`;
const machine = aMachine([aSlot(1)], {
  functions: [
    { ...emptyFunction('0000:02:00.0'), vendor: 0xf1a1, device: 0x2001, classCode: 0x200 },
  ],
});
const file = (name: string, bytes: Uint8Array) => new File([bytes as BlobPart], name);
const dropped = (name: string, bytes: Uint8Array) => [{ name, content: file(name, bytes) }];
/** More than any real package holds of one folder, with the soak. */
const FILES = soaked(300, 2_100);
const large = zipSync(
  Object.fromEntries([
    ...Array.from({ length: FILES }, (_, n) => [`d/f${n}.sys`, strToU8(`driver ${n} `.repeat(9))]),
    ['d/z-last.inf', strToU8(SETUP)],
  ]),
);
const scripts = {
  shell: readFileSync(new URL('../../src/lib/stick/check.sh', import.meta.url), 'utf8'),
  powerShell: readFileSync(new URL('../../src/lib/stick/check.ps1', import.meta.url), 'utf8'),
};

describe('Driver packages in archives', () => {
  it('are read whole, however many files there are and wherever the setup file stands', async () => {
    const { files, leftOut } = await openPackages(dropped('large.zip', large));
    expect(leftOut).to.deep.equal([]);
    const [only, ...more] = inspectPackages(files, machine, []).packages;
    expect(more).to.deep.equal([]);
    expect(only).to.deep.include({ files: FILES + 1, missing: [], problems: [] });
    expect(only!.drives.map(({ listedAs }) => listedAs)).to.deep.equal(['Port']);
    // Nothing else is kept in memory.
    expect(files.filter(({ content }) => content !== null).length).to.equal(1);
  });

  it('are refused whole where one file does not match its sum or size, and the file is named', async () => {
    const names = ['d/a.inf', 'd/b.sys', 'd/c.sys'];
    const sound = zipSync({
      'd/a.inf': strToU8(SETUP),
      'd/b.sys': [strToU8('stored as it is, byte by byte'), { level: 0 }],
      'd/c.sys': strToU8('packed '.repeat(99)),
    });
    const at = (text: string) => Buffer.from(sound).indexOf(text);
    const damaged = (where: number) => sound.map((byte, n) => (n === where ? byte ^ 1 : byte));
    const stored = await openPackages(dropped('p.zip', damaged(at('byte by byte'))));
    expect(stored).to.deep.equal({
      files: [],
      leftOut: [{ name: 'p.zip', why: 'damaged', at: 'd/b.sys' }],
    });
    // Every byte of what is packed, and every byte of the directory: never taken as sound with other content.
    const directory = Buffer.from(sound).indexOf(Buffer.from([0x50, 0x4b, 1, 2]));
    const whole = (await openPackages(dropped('p.zip', sound))).files;
    for (let where = 30; where < sound.length; where += where < directory ? 7 : 3) {
      const { files, leftOut } = await openPackages(dropped('p.zip', damaged(where)));
      if (leftOut.length > 0) continue;
      for (const each of files) {
        const same = whole.find(({ bytes, name }) => name === each.name && bytes === each.bytes);
        const text = await new Response(each.stream()).text();
        const asWhole = same && (await new Response(same.stream()).text());
        // The sums say nothing of names: those may differ by a letter.
        if (same !== undefined) expect(text).to.equal(asWhole);
        else expect(names).not.to.include(each.name.split(' › ')[1]);
      }
    }
    const [cut] = (await openPackages(dropped('p.zip', sound.slice(0, -30)))).leftOut;
    expect(cut).to.deep.equal({ name: 'p.zip', why: 'noArchive', at: null });
  });

  it('are refused from their directory where they would unpack to more than there is room for', async () => {
    const bomb = zipSync({ 'd/a.inf': strToU8(SETUP), 'd/b.sys': strToU8('b'.repeat(999)) });
    const bytes = Buffer.from(bomb);
    for (
      let n = bytes.indexOf('PK\u0001\u0002');
      n !== -1;
      n = bytes.indexOf('PK\u0001\u0002', n + 4)
    )
      bytes.writeUInt32LE(0xf0000000, n + 24);
    const { leftOut } = await openPackages(dropped('bomb.zip', bytes));
    expect(leftOut).to.deep.equal([{ name: 'bomb.zip', why: 'tooLarge', at: null }]);
  });

  it('are said to be locked, or no archive, where they are', async () => {
    const bytes = Buffer.from(zipSync({ 'd/a.inf': strToU8(SETUP) }));
    bytes[bytes.indexOf('PK\u0001\u0002') + 8]! |= 1;
    bytes[6]! |= 1;
    const why = async (content: Uint8Array) =>
      (await openPackages(dropped('p.zip', content))).leftOut.map((each) => each.why);
    expect(await why(bytes)).to.deep.equal(['locked']);
    expect(await why(strToU8('PK no archive'))).to.deep.equal(['noArchive']);
  });
});

describe('A stick', () => {
  const folder = mkdtempSync(join(tmpdir(), 'tenant-stick-'));
  after(() => rmSync(folder, { recursive: true }));
  const chosen = (files: Parameters<typeof inspectPackages>[0]) => {
    const search = stickSearch(inspectPackages(files, machine, []));
    for (;;) {
      const { value, done } = search.next();
      if (done === true) return value.packages;
    }
  };
  const check = () => {
    const { stdout, status } = spawnSync('sh', [join(folder, 'check.sh')], {
      encoding: 'utf8',
      cwd: '/',
    });
    return [status, stdout.trim()];
  };

  it('holds every file of what was shown, as its own script finds after another program unpacked it', async () => {
    const { files } = await openPackages(dropped('large.zip', large));
    const archive = await stickArchive(chosen(files), files, '<p>page</p>', scripts);
    writeFileSync(join(folder, 'stick.zip'), Buffer.from(await archive.arrayBuffer()));
    execFileSync('python3', ['-m', 'zipfile', '-e', 'stick.zip', '.'], { cwd: folder });
    expect(check()).to.deep.equal([0, `All ${FILES + 2} files are as they were written.`]);
    expect(readFileSync(join(folder, '01-Pendle/f298.sys'), 'utf8')).to.match(/^driver 298 /);
  });

  it('is wrong by one byte, without a file, without its list, or with a shorter one', () => {
    writeFileSync(join(folder, '01-Pendle/f7.sys'), 'otherwise');
    rmSync(join(folder, '01-Pendle/f8.sys'));
    expect(check()).to.deep.equal([
      1,
      `changed: 01-Pendle/f7.sys\nmissing: 01-Pendle/f8.sys\n2 of ${FILES + 2} files are not as they were written. Write the stick anew.`,
    ]);
    const list = join(folder, 'SHA256SUMS');
    const lines = readFileSync(list, 'utf8').split('\n');
    // A list of nothing but the page is what a stick without drivers has.
    writeFileSync(list, `${lines.at(-2)}\n`);
    expect(check()[1]).to.match(/^changed: SHA256SUMS/);
    appendFileSync(list, lines.join('\n'));
    expect(check()[0]).to.equal(1);
    rmSync(list);
    expect(check()[1]).to.match(/^missing: SHA256SUMS/);
  });

  it('holds what was pasted or downloaded as text, letters beyond ASCII among it', async () => {
    const content = SETUP.replace('"Port"', '"Port – große Möwe"');
    const { files } = await openPackages([{ name: 'pasted/net.inf', content }]);
    const archive = await stickArchive(chosen(files), files, '<p>Möwe</p>', scripts);
    expect(archive.size).to.be.greaterThan(0);
  });

  it('is not handed over where what was shown is not there any more', async () => {
    const { files } = await openPackages(dropped('large.zip', large));
    const stick = chosen(files);
    for (const held of [[], files.slice(1)]) {
      let failed: unknown = null;
      await stickArchive(stick, held, '', scripts).catch((error: unknown) => (failed = error));
      expect(failed).to.be.instanceOf(NotAsShown);
    }
  });
});
