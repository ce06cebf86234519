import { gzipSync } from 'node:zlib';
import react from '@vitejs/plugin-react';
import laravel from 'laravel-vite-plugin';
import { defineConfig, type Plugin } from 'vite';

/** Compressed bytes of all scripts that a page loads before it shows anything, at most. */
const FIRST_LOAD = 350_000;

/** Says how large the first script is with all that it imports, and fails the build when that is more than allowed. */
function firstLoad(): Plugin {
  return {
    name: 'first-load',
    apply: 'build',
    generateBundle(_, bundle) {
      const loaded = new Set<string>();
      const load = (file: string) => {
        const chunk = bundle[file];
        if (chunk?.type === 'chunk' && !loaded.has(file)) {
          loaded.add(file);
          chunk.imports.forEach(load);
        }
      };
      Object.values(bundle)
        .filter((chunk) => chunk.type === 'chunk' && chunk.isEntry)
        .forEach(({ fileName }) => {
          load(fileName);
        });
      const bytes = [...loaded].reduce((sum, file) => {
        const chunk = bundle[file];
        return sum + (chunk?.type === 'chunk' ? gzipSync(chunk.code).length : 0);
      }, 0);
      const said = `first load: ${Math.round(bytes / 1000)} kB compressed, ${FIRST_LOAD / 1000} kB allowed`;
      if (bytes > FIRST_LOAD) {
        this.error(said);
      }
      this.info(said);
    },
  };
}

export default defineConfig({
  plugins: [laravel({ input: ['resources/scss/app.scss', 'resources/js/main.tsx'] }), react(), firstLoad()],
  css: {
    preprocessorOptions: {
      // Bootstrap 5.3 still uses what Sass has deprecated; nothing here can be done about it.
      scss: { silenceDeprecations: ['import', 'global-builtin', 'color-functions', 'if-function'], quietDeps: true },
    },
  },
  build: { chunkSizeWarningLimit: 2000 },
});
