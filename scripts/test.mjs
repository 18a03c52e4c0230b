/**
 * `npm test`: installs what is missing, then lint beside the build, and then types, core and reference tests beside the
 * browser tests. Everything runs even when an earlier part fails; the last line counts.
 */
import { spawn } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { join } from 'node:path';
import { readyKernel, readyPackages, readyPrograms } from './ready.mjs';

const ROOT = new URL('..', import.meta.url).pathname;
const RESULTS = join(ROOT, 'test-results');

readyPackages();
const missing = readyPrograms();
readyKernel();
for (const program of missing)
  console.warn(`${program} is missing and could not be installed here`);
rmSync(RESULTS, { recursive: true, force: true });
mkdirSync(RESULTS);

const total = { passed: 0, failed: 0, skipped: 0 };
/** Said once more at the end: what is printed above them is long. */
const failures = [];
const say = (part, { passed, failed, skipped, titles = [] }) => {
  if (failed > 0) failures.push(...(titles.length > 0 ? titles : [part]));
  total.passed += passed;
  total.failed += failed;
  total.skipped += skipped;
  console.log(`\n== ${part}: ${passed} passed, ${failed} failed, ${skipped} skipped\n`);
};

/** A port that nothing listens on, so that a server left over elsewhere does not get in the way. */
function freePort() {
  return new Promise((resolve, reject) => {
    const server = createServer();
    server.on('error', reject);
    server.listen(0, '127.0.0.1', () => {
      const { port } = server.address();
      server.close(() => resolve(String(port)));
    });
  });
}

/** Runs a command; what it prints is shown at once, or where two run beside each other as one piece at its end. */
function run(command, args, atOnce) {
  return new Promise((resolve) => {
    const stdio = atOnce ? 'inherit' : ['ignore', 'pipe', 'pipe'];
    const child = spawn(command, args, { cwd: ROOT, stdio });
    const printed = [];
    for (const stream of [child.stdout, child.stderr])
      stream?.on('data', (piece) => printed.push(piece));
    child.on('close', (status) => {
      process.stdout.write(Buffer.concat(printed));
      resolve(status);
    });
  });
}

/** A command that passes or fails as a whole. */
async function whole(part, command, args) {
  const status = await run(command, args, false);
  say(part, { passed: status === 0 ? 1 : 0, failed: status === 0 ? 0 : 1, skipped: 0 });
}

/** A command that counts its own tests in a file; ending badly without one is one failure. */
async function counted(part, command, args, file, count) {
  const status = await run(command, args, false);
  const path = join(RESULTS, file);
  const counts = existsSync(path)
    ? count(JSON.parse(readFileSync(path, 'utf8')))
    : { passed: 0, failed: 0, skipped: 0 };
  if (status !== 0 && counts.failed === 0) counts.failed = 1;
  say(part, counts);
}

/** Tests that Mocha runs, with the arguments that say which. */
function mochaTests(part, file, args = []) {
  const reporter = [
    '--reporter',
    'scripts/mocha-reporter.cjs',
    '--reporter-option',
    `file=${file}`,
  ];
  return counted(part, 'npx', ['mocha', ...args, ...reporter], file, ({ stats, titles }) => ({
    passed: stats.passes,
    failed: stats.failures,
    skipped: stats.pending,
    titles,
  }));
}

let secondTries = 0;
function browser() {
  return counted('browser', 'npx', ['playwright', 'test'], 'browser.json', ({ stats }) => {
    secondTries = stats.flaky;
    return {
      passed: stats.expected + stats.flaky,
      failed: stats.unexpected,
      skipped: stats.skipped,
    };
  });
}

/** As it is shipped, and in the language of the tests. */
const build = () =>
  whole('build', process.execPath, [
    '-e',
    "import('./scripts/ready.mjs').then((r) => (r.readyBuild(), r.readyPseudoBuild()))",
  ]);

async function style() {
  await whole('lint', 'npm', ['run', '--silent', 'lint']);
  await whole('a forbidden import is refused', process.execPath, ['scripts/check-boundaries.mjs']);
}

async function core() {
  await whole('types', 'npm', ['run', '--silent', 'types']);
  await mochaTests('core and references', 'core.json');
  // In a process of its own: what it counts has to be compiled there first.
  await mochaTests('growth', 'growth.json', ['--config', 'tests/growth/.mocharc.json']);
}

// What all read is made before. Nothing is built while a browser looks at what was built.
await run('npx', ['svelte-kit', 'sync'], true);
process.env.TEST_PORT ??= await freePort();
await Promise.all([build(), style()]);
await Promise.all([browser(), core()]);
if (secondTries > 0) console.log(`${secondTries} passed on a second try only: see "flaky" above`);
for (const failure of failures) console.log(`failed: ${failure}`);

const skipped = total.skipped > 0 ? `, ${total.skipped} skipped` : '';
console.log(`${total.passed} passed, ${total.failed} failed${skipped}`);
process.exit(total.failed === 0 && total.passed > 0 ? 0 : 1);
