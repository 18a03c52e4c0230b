/** `npm run soak`: what the tests try by sample, in the whole numbers; and browsers that are killed. */
import { spawnSync } from 'node:child_process';
import { readyBuild, readyPackages, readyPrograms } from './ready.mjs';

const ROOT = new URL('..', import.meta.url).pathname;
readyPackages();
readyPrograms();
readyBuild();

const PARTS = [
  ['core and screens', 'npx', ['mocha', '--timeout', '3600000']],
  ['browser', 'npx', ['playwright', 'test', 'attack']],
  ['kills', 'npx', ['tsx', '--tsconfig', 'tsconfig.tests.json', 'tests/soak/kills.ts']],
];
let failed = 0;
for (const [part, command, args] of PARTS) {
  const { status } = spawnSync(command, args, {
    cwd: ROOT,
    stdio: 'inherit',
    env: { ...process.env, SOAK: '1' },
  });
  console.log(`== ${part}: ${status === 0 ? 'passed' : 'FAILED'}`);
  failed += status === 0 ? 0 : 1;
}
process.exit(failed === 0 ? 0 : 1);
