import react from '@vitejs/plugin-react';
import laravel from 'laravel-vite-plugin';
import { defineConfig } from 'vite';

export default defineConfig({
  plugins: [laravel({ input: ['resources/scss/app.scss', 'resources/js/main.tsx'] }), react()],
  css: {
    preprocessorOptions: {
      // Bootstrap 5.3 still uses what Sass has deprecated; nothing here can be done about it.
      scss: { silenceDeprecations: ['import', 'global-builtin', 'color-functions', 'if-function'], quietDeps: true },
    },
  },
  build: { chunkSizeWarningLimit: 2000 },
});
