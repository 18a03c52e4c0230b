/** `npm run soak`: what the tests try by sample, in the whole numbers; and browsers that are killed. */
import { spawn } from 'node:child_process';
import { readyBuild, readyPackages, readyPrograms } from './ready.mjs';

const ROOT = new URL('..', import.meta.url).pathname;
readyPackages();
readyPrograms();
readyBuild();

const WALKS = 'tests/core/bench.test.ts';
/** Those that stand together run beside each other: walks over the bench take as long as all else of the core. */
const PARTS = [
  [
    ['walks', ['mocha', '--no-config', '--node-option', 'import=tsx', '--timeout', '0', WALKS]],
    ['core and screens', ['mocha', '--timeout', '0', '--ignore', WALKS]],
  ],
  [['browser', ['playwright', 'test', 'attack', 'doesNotGo', 'drawing', 'views']]],
  [['kills', ['tsx', '--tsconfig', 'tsconfig.tests.json', 'tests/soak/kills.ts']]],
];

const soaked = ([part, args]) =>
  new Promise((resolve) => {
    const env = { ...process.env, SOAK: '1' };
    const child = spawn('npx', args, { cwd: ROOT, stdio: 'inherit', env });
    child.on('close', (status) => {
      console.log(`== ${part}: ${status === 0 ? 'passed' : 'FAILED'}`);
      resolve(status === 0);
    });
  });

let hasFailed = false;
for (const beside of PARTS) {
  const passed = await Promise.all(beside.map(soaked));
  hasFailed ||= passed.includes(false);
}
process.exit(hasFailed ? 1 : 0);
