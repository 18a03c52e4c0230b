/** Results of measurements, made here by the tools themselves: iperf3 over loopback, fio, dd and rsync on a temporary file system. */
import { execFileSync, spawn, spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from 'chai';
import { readEvidence, type Evidence } from '../../src/core/read/index.ts';
import { requireTool } from './tools.ts';

type Rate = Extract<Evidence['results'][number], { kind: 'rate' }>;

const read = (content: string) => readEvidence([{ name: 'result.txt', content }]);
const ratesIn = (content: string): readonly Rate[] =>
  read(content).results.filter((each): each is Rate => each.kind === 'rate');

/** What `iperf3 -J` prints of one test against a server of its own. */
async function iperf3(port: number, ...more: readonly string[]): Promise<string> {
  const server = spawn('iperf3', ['-s', '-1', '-p', String(port)], { stdio: 'ignore' });
  const to = ['-c', '127.0.0.1', '-p', String(port), '-t', '1', '-J', ...more];
  try {
    for (let n = 0; n < 20; n += 1) {
      await new Promise((resolve) => setTimeout(resolve, 150));
      const { stdout, status } = spawnSync('iperf3', to, { encoding: 'utf8', maxBuffer: 1 << 26 });
      if (status === 0) return stdout;
    }
    throw new Error('no server answered');
  } finally {
    server.kill();
  }
}

/** A folder in memory where there is one. */
function inMemory<Result>(use: (folder: string) => Result): Result {
  const folder = mkdtempSync(join(existsSync('/dev/shm') ? '/dev/shm' : tmpdir(), 'tenant-'));
  try {
    return use(folder);
  } finally {
    rmSync(folder, { recursive: true });
  }
}

describe('Results of measurements against the tools that make them', () => {
  it('reads iperf3 in both directions to what its own seconds and intervals add up to', async function () {
    requireTool(this, 'iperf3');
    this.timeout(60_000);
    for (const [more, direction] of [
      [[], 'write'],
      [['-R', '-P', '2'], 'read'],
    ] as const) {
      const text = await iperf3(5_300 + Math.floor(Math.random() * 600), ...more);
      const [rate, none] = ratesIn(text);
      expect(rate).to.include({ of: 'wire', what: 'wire', direction });
      expect(none).to.equal(undefined);
      const { intervals } = JSON.parse(text) as { intervals: { sum: { bytes: number } }[] };
      const sent = intervals.reduce((sum, { sum: { bytes } }) => sum + bytes, 0);
      expect(rate!.bytes! / sent).to.be.closeTo(1, 0.05);
      expect((rate!.bytesPerSecond * rate!.seconds!) / rate!.bytes!).to.be.closeTo(1, 0.01);
    }
    const both = ratesIn(await iperf3(6_000 + Math.floor(Math.random() * 600), '--bidir'));
    expect(both.map(({ direction }) => direction)).to.deep.equal(['write', 'read']);
  });

  it('says what iperf3 says where no server answers', function () {
    requireTool(this, 'iperf3');
    const { stdout } = spawnSync('iperf3', ['-c', '127.0.0.1', '-p', '1', '-J'], {
      encoding: 'utf8',
    });
    const [file] = read(stdout).files;
    expect(file).to.include({ kind: 'iperf3', found: 0 });
    expect(file!.problems[0]).to.include({ code: 'result.failed' });
  });

  it('reads fio to the rate that fio prints for people', function () {
    requireTool(this, 'fio');
    inMemory((folder) => {
      const fio = (rw: string, format: string) =>
        execFileSync(
          'fio',
          [
            '--name=probe',
            `--filename=${join(folder, 'probe')}`,
            `--rw=${rw}`,
            '--bs=1M',
            '--size=64M',
            '--ioengine=psync',
            `--output-format=${format}`,
          ],
          { encoding: 'utf8' },
        );
      for (const direction of ['write', 'read'] as const) {
        // Both at once: what it prints for people stands before and behind.
        const text = fio(direction, 'normal,json');
        const [rate] = ratesIn(text);
        expect(rate).to.include({ of: 'drive', what: 'large', direction, bytes: 64 * 2 ** 20 });
        const [, printed, unit] = /BW=([\d.]+)(MiB|GiB)\/s/.exec(text)!;
        const times = unit === 'GiB' ? 2 ** 30 : 2 ** 20;
        expect(rate!.bytesPerSecond / (Number(printed) * times)).to.be.closeTo(1, 0.02);
      }
      expect(read(fio('randread', 'json')).files[0]!.problems[0]).to.include({
        code: 'result.random',
      });
    });
  });

  it('reads dd in the language of the system to the rate that it prints', function () {
    requireTool(this, 'dd');
    inMemory((folder) => {
      const { stderr } = spawnSync(
        'dd',
        ['if=/dev/zero', `of=${join(folder, 'probe')}`, 'bs=1M', 'count=128'],
        { encoding: 'utf8', env: { ...process.env, LC_ALL: 'C' } },
      );
      const [rate] = ratesIn(stderr);
      expect(rate).to.include({ of: 'copy', what: 'large', bytes: 128 * 2 ** 20 });
      const [, printed, unit] = /, ([\d.]+) (MB|GB)\/s/.exec(stderr)!;
      expect(rate!.bytesPerSecond / (Number(printed) * (unit === 'GB' ? 1e9 : 1e6))).to.be.closeTo(
        1,
        0.06,
      );
    });
  });

  it('reads rsync with how many files it copied', function () {
    requireTool(this, 'rsync');
    inMemory((folder) => {
      execFileSync('sh', [
        '-c',
        `mkdir ${folder}/a; for n in 1 2 3 4 5; do head -c 300000 /dev/urandom > ${folder}/a/$n; done`,
      ]);
      const text = execFileSync('rsync', ['-a', '-v', '--stats', `${folder}/a`, `${folder}/b`], {
        encoding: 'utf8',
      });
      const [rate] = ratesIn(text);
      expect(rate).to.include({ of: 'copy', what: 'own', files: 5 });
      const [, printed] = /([\d,]+)\.\d\d bytes\/sec/.exec(text)!;
      expect(Math.floor(rate!.bytesPerSecond)).to.be.closeTo(
        Number(printed!.replaceAll(',', '')),
        1,
      );
    });
  });
});
