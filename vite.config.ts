import { sveltekit } from '@sveltejs/kit/vite';
import { optimizeCss } from 'carbon-preprocess-svelte';
import { defineConfig, type Plugin } from 'vite';
import manifest from './package.json' with { type: 'json' };
import { FILES } from './scripts/files.ts';
import { pseudoLocale } from './scripts/pseudoLocale.ts';

/**
 * Carbon's style sheet fetches its fonts from a remote host; Tenant ships its own. The sheet is pruned after
 * its file name's hash is made, so the version is salted in: otherwise a new build could carry an old name.
 */
const carbonStyles = (): Plugin => ({
  name: 'carbon-styles',
  enforce: 'pre',
  transform(code, id) {
    if (!/carbon-components-svelte\/css\/.*\.css/.test(id)) return;
    return `${code.replaceAll(/@font-face\s*\{[^}]*\}/g, '')}\n:root{--tenant-version:"${manifest.version}"}`;
  },
});

/**
 * The core does nothing by being imported, nor do the reader of tables and what is for elements of one's own: pages and
 * worker take only what they use.
 */
const treeshake = {
  moduleSideEffects: (id: string) =>
    /papaparse|\/src\/core\/|elements\/custom-element/.test(id) ? false : undefined,
  // Schemas that nobody asks are left out as well.
  manualPureFunctions: [
    'bisector',
    'Blur2',
    'shuffler',
    'z',
    'fact',
    'listCell',
    'pairCell',
    'choiceCell',
    'numberCell',
    'column',
  ],
};

/** Of the language that tests of layout run in, where one is asked for. */
const words = () => (process.env['TENANT_WORDS'] === 'pseudo' ? [pseudoLocale()] : []);

export default defineConfig({
  plugins: [carbonStyles(), ...words(), sveltekit(), optimizeCss()],
  worker: { format: 'es', plugins: words, rolldownOptions: { treeshake } },
  optimizeDeps: { exclude: ['carbon-components-svelte', 'carbon-icons-svelte'] },
  // Every browser has promises of its own.
  resolve: {
    alias: [{ find: /^localforage$/, replacement: 'localforage/dist/localforage.nopromises.js' }],
  },
  build: {
    chunkSizeWarningLimit: 600,
    // Scripts that a part needs are named in it; most are there by then. Lists of them were a fiftieth of the first load.
    modulePreload: {
      resolveDependencies: (_, dependencies) =>
        dependencies.filter((each) => each.endsWith('.css')),
    },
    // Where the build spends its time is nothing to act on here.
    rolldownOptions: {
      checks: { pluginTimings: false },
      treeshake,
    },
  },
  // The server's own are cut as they come: it opens nothing that a browser's page opens as it is loaded.
  environments: {
    client: { build: { rolldownOptions: { output: { codeSplitting: { groups: FILES } } } } },
  },
});
