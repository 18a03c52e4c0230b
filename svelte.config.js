import adapter from '@sveltejs/adapter-node';
import { vitePreprocess } from '@sveltejs/vite-plugin-svelte';
import { optimizeImports } from 'carbon-preprocess-svelte';
import { readdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { buildVersion } from './scripts/buildVersion.mjs';

/** A build in the language of the tests lies beside the one that is shipped. */
const BUILD = process.env.TENANT_BUILD ?? 'build';
const version = process.env.TENANT_VERSION ?? buildVersion();

/**
 * Lists every file that a browser may ever ask for. The framework's own list leaves out what workers load, and
 * the application has to work with the network unplugged.
 */
function withFileList(node) {
  return {
    ...node,
    async adapt(builder) {
      await node.adapt(builder);
      const client = join(BUILD, 'client');
      const files = readdirSync(client, { recursive: true, withFileTypes: true })
        .filter((entry) => entry.isFile() && !/\.(br|gz)$|^service-worker\.js$/.test(entry.name))
        .map((entry) => `/${join(entry.parentPath, entry.name).slice(client.length + 1)}`)
        .toSorted();
      writeFileSync(join(client, 'files.json'), JSON.stringify({ version, files }));
    },
  };
}

/** @type {import('@sveltejs/kit').Config} */
export default {
  preprocess: [vitePreprocess(), optimizeImports()],
  compilerOptions: {
    // Carbon's components are written in the older syntax; ours are not.
    runes: ({ filename }) => (filename.includes('/node_modules/') ? undefined : true),
  },
  kit: {
    adapter: withFileList(
      adapter({ out: BUILD, precompress: process.env.TENANT_WORDS === undefined }),
    ),
    alias: { $core: 'src/core', $demo: 'demo', $words: 'src/lib/words/en' },
    version: { name: version },
    // One cached page serves every address while the network is away, so its links must not be relative.
    paths: { relative: false },
    csp: {
      mode: 'hash',
      directives: {
        'default-src': ['self'],
        'script-src': ['self'],
        'style-src': ['self'],
        // Carbon's components set widths and transforms as style attributes.
        'style-src-attr': ['unsafe-inline'],
        'img-src': ['self', 'data:', 'blob:'],
        'font-src': ['self'],
        'connect-src': ['self'],
        'worker-src': ['self'],
        'object-src': ['none'],
        'base-uri': ['none'],
        'form-action': ['self'],
        'frame-ancestors': ['none'],
      },
    },
    typescript: {
      config: (config) => ({
        ...config,
        include: [...config.include, '../demo/**/*.ts', '../vite.config.ts'],
      }),
    },
  },
};
