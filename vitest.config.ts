import { defineConfig } from 'vitest/config';

/**
 * Plain functions and single components of the browser's part, which name jsdom as their environment; and files of
 * bodies read by other programs (tests/kernel).
 */
export default defineConfig({
  test: {
    // Beside Pest, on a busy machine: what is awaited comes late, and not never.
    testTimeout: 60_000,
    // Files share what they import: loading it anew for each takes longer than the tests. A test sets the stores that
    // it depends on.
    isolate: false,
    setupFiles: ['tests/js/setup.ts'],
    include: ['tests/js/**/*.test.{ts,tsx}', 'tests/kernel/*.test.mjs'],
    reporters: ['default', ['junit', { outputFile: '.bowline/vitest.xml' }]],
  },
});
