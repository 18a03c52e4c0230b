import adapter from '@sveltejs/adapter-node';
import { vitePreprocess } from '@sveltejs/vite-plugin-svelte';
import { optimizeImports } from 'carbon-preprocess-svelte';
import { readFileSync } from 'node:fs';

const { version } = JSON.parse(readFileSync(new URL('package.json', import.meta.url), 'utf8'));

/** @type {import('@sveltejs/kit').Config} */
export default {
  preprocess: [vitePreprocess(), optimizeImports()],
  compilerOptions: {
    // Carbon's components are written in the older syntax; ours are not.
    runes: ({ filename }) => (filename.includes('/node_modules/') ? undefined : true),
  },
  kit: {
    adapter: adapter(),
    alias: { $core: 'src/core/index.ts', $demo: 'demo' },
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
