/**
 * `npm run bench`: the core's figures, then the browser's. The core is bundled as the browser gets it: what runs
 * TypeScript as it stands keeps every function's name, which makes it a third slower.
 */
import { mkdirSync } from 'node:fs';
import { readyBuild, readyPackages, readyPrograms, run } from './ready.mjs';

readyPackages();
readyPrograms();
readyBuild();
const { buildSync } = await import('esbuild');
mkdirSync('.cache/bench', { recursive: true });
buildSync({
  entryPoints: ['bench/core.ts'],
  outfile: '.cache/bench/core.mjs',
  bundle: true,
  packages: 'external',
  platform: 'node',
  format: 'esm',
});
run(process.execPath, ['.cache/bench/core.mjs']);
run(process.execPath, ['--import', 'tsx', 'bench/browser.mjs']);
run(process.execPath, ['--import', 'tsx', 'bench/keeping.mjs']);
