import { defineConfig } from 'vitest/config';

/** Plain functions and single components of the browser's part; the latter name jsdom as their environment. */
export default defineConfig({
  test: {
    include: ['tests/js/**/*.test.{ts,tsx}'],
    reporters: ['default', ['junit', { outputFile: '.bowline/vitest.xml' }]],
  },
});
