import { defineConfig } from 'vitest/config';

/**
 * Plain functions and single components of the browser's part, which name jsdom as their environment; and files of
 * bodies read by other programs (tests/kernel).
 */
export default defineConfig({
  test: {
    include: ['tests/js/**/*.test.{ts,tsx}', 'tests/kernel/*.test.mjs'],
    reporters: ['default', ['junit', { outputFile: '.bowline/vitest.xml' }]],
  },
});
