/** `npm run bench`: the core's figures, then the browser's. */
import { readyBuild, readyPackages, readyPrograms, run } from './ready.mjs';

readyPackages();
readyPrograms();
readyBuild();
run('npx', ['tsx', 'bench/core.ts']);
run(process.execPath, ['--import', 'tsx', 'bench/browser.mjs']);
